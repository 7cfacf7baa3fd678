using GentleBead.Core.Quantities;

namespace GentleBead.Core.Planning;

/// <summary>Pieces of one length in a strip.</summary>
/// <param name="Long">How long each is.</param>
/// <param name="Wide">How wide each is to be; the strip may be wider.</param>
/// <param name="Count">How many.</param>
public sealed record StripPiece(Length Long, Length Wide, int Count);

/// <summary>A strip of a plate, or a whole bar, and what is cut from it.</summary>
/// <param name="Wide">How wide it is.</param>
/// <param name="Pieces">The pieces, the longest first.</param>
/// <param name="Left">What is left at its end.</param>
public sealed record CutStrip(Length Wide, IReadOnlyList<StripPiece> Pieces, Length Left);

/// <summary>How a bar or plate is cut, and how many of them alike.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Long">How long it is.</param>
/// <param name="Wide">How wide it is.</param>
/// <param name="Strips">Its strips; a bar has one.</param>
/// <param name="Times">How many are cut so.</param>
public sealed record CutBar(StockKind Kind, Length Long, Length Wide, IReadOnlyList<CutStrip> Strips, int Times);

/// <summary>What is cut from what.</summary>
/// <param name="Bars">The bars and plates that are cut.</param>
/// <param name="Missing">Pieces for which nothing is left.</param>
/// <param name="UsedMm2">Area of the bars and plates that are cut into, mm².</param>
/// <param name="PiecesMm2">Area of the pieces with their kerf: nobody can do it with less.</param>
public sealed record CutList(IReadOnlyList<CutBar> Bars, IReadOnlyList<CutPiece> Missing, double UsedMm2, double PiecesMm2)
{
    /// <summary>Share of what is cut into that becomes pieces and kerf, 0 to 1; 1 where nothing is cut.</summary>
    public double Share => UsedMm2 <= 0 ? 1 : PiecesMm2 / UsedMm2;
}
