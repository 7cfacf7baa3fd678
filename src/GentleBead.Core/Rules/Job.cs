using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Rules;

/// <summary>What is to be welded, and with what.</summary>
/// <param name="Thickness">Thickness of the plate, or of the first member; 0.5 to 25 mm.</param>
/// <param name="Joint">How the members meet.</param>
/// <param name="Position">How the joint lies.</param>
/// <param name="Wire">The wire to weld with; null for TIG, where nothing is fed.</param>
/// <param name="Process">Process and transfer mode.</param>
/// <param name="Metal">What the members are made of.</param>
/// <param name="Gas">What shields the puddle.</param>
/// <param name="OtherThickness">Thickness of the second member where it differs; null when both are alike.</param>
/// <param name="Polarity">What the torch is to be joined to; null for what the process needs.</param>
public sealed record Job(
    Thickness Thickness,
    Joint Joint,
    Position Position,
    Wire? Wire,
    Process Process = Process.GmawShortCircuit,
    Metal Metal = Metal.MildSteel,
    Gas Gas = Gas.ArgonCarbon25,
    Thickness? OtherThickness = null,
    Polarity? Polarity = null
)
{
    /// <summary>Thinnest plate a sheet is made for.</summary>
    public static readonly Length Thinnest = Length.FromMm(0.5);

    /// <summary>Thickest plate a sheet is made for. 1 in is said for 25 mm plate; the 0.4 mm between them must not refuse it.</summary>
    public static readonly Length Thickest = Length.FromInches(1);

    /// <summary>The arc of a fed wire.</summary>
    /// <exception cref="InvalidOperationException">TIG feeds no wire.</exception>
    public WireArc RequireArc() => new(Process, Wire ?? throw new InvalidOperationException("TIG feeds no wire."), Gas);

    /// <summary>The thinner of the two members.</summary>
    public Length Thinner => OtherThickness is { } other && other.Value < Thickness.Value ? other.Value : Thickness.Value;

    /// <summary>The thicker of the two members.</summary>
    public Length Thicker => OtherThickness is { } other && other.Value > Thickness.Value ? other.Value : Thickness.Value;

    /// <summary>What is wrong with a thickness and at which field, or null when a sheet can be made.</summary>
    public Refusal? CheckThickness() =>
        Outside(Thickness, JobPart.Thickness) ?? (OtherThickness is null ? null : Outside(OtherThickness, JobPart.OtherThickness));

    private static Refusal? Outside(Thickness thickness, JobPart part) =>
        thickness.Value < Thinnest || thickness.Value > Thickest
            ? new Refusal(
                part,
                Say(
                    $"{thickness.Value} is outside what a sheet covers: {new Either("0.5 to 25 mm", "0.020 to 1 in")}. "
                        + $"{Core.Stock.Thickness.Accepted}"
                ),
                RefusedFor.Thickness
            )
            : null;
}
