using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;
using GentleBead.Server.Http;

namespace GentleBead.Server.Windows;

/// <summary>A learned window as a screen shows it.</summary>
/// <param name="Process">Process and mode.</param>
/// <param name="Wire">Which wire.</param>
/// <param name="Gas">Which gas.</param>
/// <param name="Band">The room's band over the wire speeds it was heard at.</param>
/// <param name="Textbook">The textbook's band over the same.</param>
/// <param name="Best">The pair in the middle of what was heard: wire feed speed, and the best volts with the band.</param>
/// <param name="At">That wire feed speed.</param>
/// <param name="TextbookAt">The textbook's volts there.</param>
/// <param name="SureVolts">One standard deviation there, volts.</param>
/// <param name="WeightPercent">How much of it is the room's own, per cent.</param>
/// <param name="Sweeps">Sweep marks behind it.</param>
/// <param name="Beads">Beads behind it.</param>
/// <param name="Points">The newest of what was heard.</param>
public sealed record WindowView(
    Process Process,
    Wire Wire,
    Gas Gas,
    IReadOnlyList<BandPoint> Band,
    IReadOnlyList<BandPoint> Textbook,
    Window<Voltage> Best,
    WireFeedSpeed At,
    Voltage TextbookAt,
    double SureVolts,
    double WeightPercent,
    int Sweeps,
    int Beads,
    IReadOnlyList<WindowPoint> Points
);

/// <summary>What the room has found on a machine.</summary>
public static class WindowEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/windows/{machineId:guid}", ViewsAsync).WithTags("windows").RequireAuthorization(Access.Instructor);

    private static async Task<Page<WindowView>> ViewsAsync(Guid machineId, string? after, WindowStore windows, CancellationToken cancel)
    {
        var page = await windows.OfMachineAsync(machineId, after, cancel);
        return new([.. page.Select(entry => View(entry.Window, entry.Points))], page.Count == WindowStore.Page ? page[^1].Key : null);
    }

    private static WindowView View(LearnedWindow window, IReadOnlyList<WindowPoint> points)
    {
        const int Steps = 12;
        // The newest beads may all say nothing of the pair; the band stands on older ones then.
        double[] heardAt = [window.Reference.MPerMin, .. points.Select(point => point.WireFeed.MPerMin)];
        var (least, most) = (heardAt.Min() * 0.9, heardAt.Max() * 1.1);
        WireFeedSpeed[] along =
        [
            .. Enumerable.Range(0, Steps + 1).Select(i => WireFeedSpeed.FromMPerMin(least + (most - least) * i / Steps)),
        ];
        var at = window.Reference;
        return new(
            window.Arc.Process,
            window.Arc.Wire,
            window.Arc.Gas,
            [.. along.Select(wire => new BandPoint(wire, window.At(wire).Low, window.At(wire).High))],
            [.. along.Select(wire => new BandPoint(wire, SmoothBand.At(wire, window.Arc).Low, SmoothBand.At(wire, window.Arc).High))],
            window.At(at),
            at,
            SmoothBand.At(at, window.Arc).Aim,
            window.SureVolts(at),
            window.Weight() * 100,
            window.Sweeps,
            window.Beads,
            points
        );
    }
}
