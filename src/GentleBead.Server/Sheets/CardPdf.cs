using System.Globalization;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Server.Paper;
using PdfSharp;

namespace GentleBead.Server.Sheets;

/// <summary>A settings card as PDF, A5 upright: the sheet for the student, or the booth card with the marks large.</summary>
internal static class CardPdf
{
    /// <summary>Draws the card.</summary>
    /// <param name="card">The sheet and whom it is for.</param>
    /// <param name="booth">The booth card; otherwise the whole sheet.</param>
    /// <param name="units">The reader's units.</param>
    public static byte[] Draw(Card card, bool booth, Units units) =>
        DrawAll([card], booth, units, Say($"Booth {card.BoothNumber}, {card.Student.Name()}"));

    /// <summary>Draws cards one after the other, each on a page of its own.</summary>
    /// <param name="cards">The sheets and whom they are for, at least one.</param>
    /// <param name="booth">Booth cards; otherwise the whole sheets.</param>
    /// <param name="units">The reader's units.</param>
    /// <param name="title">What the file is called inside.</param>
    public static byte[] DrawAll(IReadOnlyList<Card> cards, bool booth, Units units, Said title)
    {
        using var paper = new PaperFile(title, units);
        foreach (var card in cards)
            DrawOne(new PaperPen(paper, PageSize.A5), card, booth);
        return paper.Bytes();
    }

    private static void DrawOne(PaperPen pen, Card card, bool booth)
    {
        Head(pen, card);
        pen.Gap(8);
        pen.Big(Marks(card.Sheet), booth);
        pen.Gap(6);
        foreach (var (name, value) in Values(card.Sheet))
            pen.Row(name, value);
        pen.Gap(8);
        if (!booth)
            Lesson(pen, card.Sheet);
        Cautions(pen, card.Sheet, booth);
    }

    private static void Head(PaperPen pen, Card card)
    {
        pen.Text(Say($"Booth {card.BoothNumber}   {card.Student.Name()}"), 17, bold: true);
        pen.Text(Say($"{card.MachineName.Name()}, {card.GivenOn.ToString("d MMM yyyy", CultureInfo.InvariantCulture).Name()}"), 9);
        if (card.Task is { } task)
            pen.Text(task, 11, bold: true);
        pen.Gap(6);
        var job = card.Sheet.Job;
        var thickness = job.OtherThickness is { } other
            ? Say($"{job.Thickness.Typed.Name()} and {other.Typed.Name()}")
            : AsIs(job.Thickness.Typed);
        var position = Say($"{job.Position.Facts().Words} ({card.Sheet.PositionName.Name()})");
        pen.Text(Say($"{thickness} {job.Metal.Facts().Name}, {job.Joint.Facts().Name}, {position}"), 12, bold: true);
        pen.Text(Say($"{card.Sheet.ProcessName}; {card.Sheet.Polarity.Words()}; {Fed(job)}; {job.Gas.Facts().Name}"), 9);
    }

    // What the controls are set to, large: in the machine's own marks where it has them.
    private static (Said Name, Said Value)[] Marks(Sheet sheet) =>
        sheet switch
        {
            { Pair.Marks: { } marks } => [(Say($"Wire"), marks.Wire.Reads), (Say($"Volts"), marks.Volt.Reads)],
            { Pair: { } pair } => [(Say($"Wire"), Say($"{pair.WireFeed}")), (Say($"Volts"), Say($"{pair.Volts.Aim}"))],
            { Tig: { } tig } => [(Say($"Amps"), tig.Mark?.Reads ?? Say($"{tig.PedalMost}")), (Say($"Tungsten"), Say($"{tig.Tungsten}"))],
            _ => [],
        };

    private static void Lesson(PaperPen pen, Sheet sheet)
    {
        pen.Text(Say($"It should sound: {sheet.ExpectedSound}"), 8.5);
        pen.Text(Say($"It should look: {sheet.ExpectedLook}"), 8.5);
        pen.Gap(6);
        foreach (var (step, number) in sheet.Steps.Select((step, i) => (step, i + 1)))
            pen.Text(Say($"{number}. {step}"), 8.5);
        pen.Gap(6);
    }

    private static void Cautions(PaperPen pen, Sheet sheet, bool booth)
    {
        pen.Text(Say($"Cautions"), 10, bold: true);
        foreach (var caution in sheet.Cautions.Where(caution => caution.Grave || !booth))
            pen.Text(Say($"–  {caution.Text}"), booth ? 8 : 7.2);
        if (booth)
            pen.Text(Say($"–  {Core.Safety.UsualCautions.Deference}"), 8);
    }

    private static IEnumerable<(Said, Said)> Values(Sheet sheet)
    {
        foreach (var row in PairValues(sheet.Pair))
            yield return row;
        foreach (var row in TigValues(sheet.Tig))
            yield return row;
        yield return (Say($"Amps"), Say($"{sheet.Amps}"));
        if (sheet.GasFlow is { } flow)
            yield return (Say($"Gas flow"), Say($"{flow.Low} to {flow.High}"));
        if (sheet.Travel is { } travel)
            yield return (Say($"Travel speed"), Say($"{travel}; {travel:timed}"));
        if (sheet.PlugSeconds is { } seconds)
            yield return (Say($"Arc time"), Say($"{seconds:0.0} s"));
        yield return (
            Say($"{sheet.BeadMeasure.Words():capital}"),
            Say($"{sheet.BeadSize.Aim}, {sheet.Passes.Count.Counted(Say($"pass"), Say($"passes"))}")
        );
        yield return (Say($"Work, travel angle"), Say($"{sheet.WorkAngle}; {sheet.TravelAngle}"));
        yield return (Say($"Direction"), sheet.Direction);
        var shade = Say($"{sheet.ShadeLeast} or darker");
        yield return (Say($"Lens shade"), sheet.ShadeComfortable is { } comfortable ? Say($"{shade}, comfortable {comfortable}") : shade);
    }

    private static IEnumerable<(Said, Said)> PairValues(PairSettings? pair)
    {
        if (pair is null)
            yield break;
        yield return (Say($"Wire feed speed"), Say($"{pair.WireFeed}"));
        yield return (Say($"Volts"), Say($"{pair.Volts.Aim} (smooth {pair.Volts.Low} to {pair.Volts.High})"));
        yield return (Say($"Stick-out"), Say($"{pair.StickOut.Aim}"));
        if (pair.Reads is { } reads)
            yield return (Say($"Read-out shows"), Said.Parts(", ", [.. reads.Select(one => Say($"{one.Amps} at {one.StickOut}"))]));
    }

    private static IEnumerable<(Said, Said)> TigValues(TigSettings? tig)
    {
        if (tig is null)
            yield break;
        yield return (Say($"Pedal at the most"), Say($"{tig.PedalMost}"));
        yield return (Say($"Cup, rod"), Say($"No. {tig.Cup}, {tig.Filler}"));
        yield return (Say($"Gas before and after"), Say($"{tig.PreFlowSeconds:0.##} s, {tig.PostFlowSeconds:0.##} s"));
        if (tig is { BalancePercent: { } balance, FrequencyHz: { } frequency })
            yield return (Say($"Balance, frequency"), Say($"{balance} %, {frequency} Hz"));
    }

    private static Said Fed(Job job) =>
        job.Wire is { } wire ? Say($"{wire.Facts().Name} {wire.Facts().Kind.Words()} wire") : Say($"tungsten and rod");
}
