using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Sheets;

/// <summary>What a job is planned with: the machine and what is known of it, and the way of setting.</summary>
internal sealed record SetUp
{
    private SetUp(Machine? machine, WayOfSetting way, DoorChart? chart, LearnedWindow? window, Hand? hand) =>
        (Machine, Way, Chart, Window, Hand) = (machine, way, chart, window, hand);

    /// <summary>The booth's machine; null for a sheet without marks.</summary>
    public Machine? Machine { get; }

    /// <summary>How settings are found.</summary>
    public WayOfSetting Way { get; }

    /// <summary>The machine's door chart for this wire, gas and process; null where there is none.</summary>
    public DoorChart? Chart { get; }

    /// <summary>What this room has found for this wire, gas and process on the machine; null where nothing was.</summary>
    public LearnedWindow? Window { get; }

    /// <summary>The hand that will hold the torch; null where nobody said.</summary>
    public Hand? Hand { get; }

    /// <summary>The machine's wire and volt controls, fitted; null without a machine or its readings.</summary>
    public Dials? Dials { get; private init; }

    /// <summary>Why there are no marks though there is a machine; null otherwise.</summary>
    public Said? NoMarks { get; private init; }

    /// <summary>Gathers what a job is planned with.</summary>
    public static SetUp Of(Job job, Machine? machine, WayOfSetting? way, DoorChart? chart, LearnedWindow? window, Hand? hand)
    {
        var at = new SetUp(machine, way ?? WayOfSetting.Usual, chart, window, hand);
        if (machine is null || job.Wire is null)
            return at;
        return Machines.Dials.TryFit(machine, out var dials, out var problem) ? at with { Dials = dials } : at with { NoMarks = problem };
    }

    /// <summary>What the chart says for a job's plate; null where it does not speak of it.</summary>
    public ChartPair? ChartPairFor(Job job) =>
        Dials is { } dials && Chart is { } chart && chart.Fits(job) ? chart.At(Amperes.SetThickness(job, Way.Position).Set, dials) : null;
}
