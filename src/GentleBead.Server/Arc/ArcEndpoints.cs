using System.Security.Claims;
using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using GentleBead.Server.Http;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Arc;

/// <summary>How an arc on the bench is set.</summary>
/// <param name="Process">Which process.</param>
/// <param name="Wire">Which wire; null for TIG.</param>
/// <param name="Gas">Which gas.</param>
/// <param name="WireFeed">Wire feed speed.</param>
/// <param name="Volts">Volts.</param>
/// <param name="StickOut">Stick-out; for TIG the length of the arc.</param>
/// <param name="Travel">Travel speed.</param>
/// <param name="Plate">Thickness of the plate.</param>
/// <param name="Joint">Which joint.</param>
/// <param name="Metal">Which metal.</param>
/// <param name="Amps">TIG: the current.</param>
/// <param name="Faults">What else is wrong.</param>
/// <param name="Seed">Of the arc's chance.</param>
public sealed record ArcRequest(
    Process Process,
    Wire? Wire,
    Gas Gas,
    WireFeedSpeed WireFeed,
    Voltage Volts,
    Length StickOut,
    TravelSpeed Travel,
    Length Plate,
    Joint Joint,
    Metal Metal,
    Current? Amps,
    IReadOnlyList<ArcFault>? Faults,
    int Seed
)
{
    /// <summary>The setting asked for.</summary>
    public ArcSetting Setting() =>
        new(
            Process,
            Process.IsGtaw() ? null : Wire,
            Gas,
            WireFeed,
            Volts,
            StickOut,
            Travel,
            Plate,
            Joint,
            Metal,
            Process.IsGtaw() ? Amps : null,
            Faults: Faults
        );
}

/// <summary>A stretch of a trace for drawing.</summary>
/// <param name="Seconds">How long it is.</param>
/// <param name="Volts">Volts, evenly spaced.</param>
/// <param name="Amps">Amps, as many.</param>
public sealed record TraceView(double Seconds, IReadOnlyList<double> Volts, IReadOnlyList<double> Amps)
{
    private const double Shown = 0.15;
    private const int Points = 900;

    /// <summary>The first moments of a trace.</summary>
    public static TraceView Of(ArcTrace trace)
    {
        var span = Math.Min(trace.Volts.Length, (int)(Shown * trace.Rate));
        var at = Enumerable.Range(0, Math.Min(Points, span)).Select(point => (int)((long)point * span / Math.Min(Points, span))).ToArray();
        return new(
            span / (double)trace.Rate,
            [.. at.Select(i => Math.Round(trace.Volts[i], 1))],
            [.. at.Select(i => Math.Round(trace.Amps[i], 0))]
        );
    }
}

/// <summary>What an arc on the bench does.</summary>
/// <param name="Trace">Volts and amps of its first moments.</param>
/// <param name="MeanVolts">Mean volts.</param>
/// <param name="MeanAmps">Mean amps.</param>
/// <param name="ShortRate">Short circuits a second.</param>
/// <param name="Sound">What it sounds like; null on the border between two sounds.</param>
/// <param name="Heard">The same in the words of its process.</param>
/// <param name="Bead">The bead it would leave.</param>
/// <param name="Band">The trade's smooth band at this wire speed; null for TIG.</param>
/// <param name="Wav">The sound, a WAV file.</param>
public sealed record ArcRun(
    TraceView Trace,
    Voltage MeanVolts,
    Current MeanAmps,
    double ShortRate,
    Sound? Sound,
    Said Heard,
    SimulatedBead Bead,
    Window<Voltage>? Band,
    byte[] Wav
);

/// <summary>The arc bench: a simulated arc for any settings.</summary>
public static class ArcEndpoints
{
    // Long enough to loop without the ear noticing, short enough to be there at once.
    private const double Seconds = 1.6;
    private const int Rate = 44_100;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapPost("/api/arc/run", RunAsync).WithTags("arc").RequireAuthorization(Access.SignedIn);

    private static async Task<Results<Ok<ArcRun>, Wrong>> RunAsync(
        ArcRequest request,
        ClaimsPrincipal user,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        var setting = request.Setting();
        Problem[] problems = [.. setting.Problems().DistinctBy(problem => problem.Field)];
        if (problems.Length > 0)
            return Problems.Of(problems);
        return TypedResults.Ok(await heavy.RunAsync(user.Id(), () => Run(setting, request.Seed), cancel));
    }

    private static ArcRun Run(ArcSetting setting, int seed)
    {
        var trace = ArcTrace.Of(setting, Seconds, Rate, seed);
        var fed = setting.Wire is { } wire ? new WireArc(setting.Process, wire, setting.Gas) : (WireArc?)null;
        var sound = ArcTruth.Of(trace);
        return new ArcRun(
            TraceView.Of(trace),
            Voltage.FromVolts(trace.MeanVolts),
            Current.FromAmps(trace.MeanAmps),
            trace.Events.Count(one => one.Kind is ArcEventKind.Short or ArcEventKind.Stub) / trace.Seconds,
            sound,
            ArcTruth.Words(sound, setting.Process),
            SimulatedBead.From(trace),
            fed is { } arc ? SmoothBand.At(setting.WireFeed, arc) : null,
            WavFile.Write(new Waveform(Rate, ArcSound.Of(trace, seed)))
        );
    }
}
