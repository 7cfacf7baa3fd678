using GentleBead.Core.Machines;
using GentleBead.Server.Database;

namespace GentleBead.Server.Machines;

/// <summary>A machine from the columns of the view machine_now.</summary>
public static class StoredMachine
{
    private sealed record Taken(ReadControl Control, double Mark, double Measured);

    /// <summary>The machine as calibrated and loaded now.</summary>
    /// <param name="body">Its front.</param>
    /// <param name="load">What is on it; null for what its front says.</param>
    /// <param name="readings">Its readings that are not withdrawn, by mark; null without any.</param>
    public static Machine Read(string body, string? load, string? readings)
    {
        var machine = Jsonb.Read<Machine>(body);
        var taken = (readings is null ? [] : Jsonb.Read<IReadOnlyList<Taken>>(readings)).ToLookup(reading => reading.Control);
        return machine with
        {
            Load = load is null ? machine.Load : Jsonb.Read<Load>(load),
            WireControl = With(machine.WireControl, ReadControl.Wire),
            VoltControl = With(machine.VoltControl, ReadControl.Volt),
            AmpControl = With(machine.AmpControl, ReadControl.Amp),
        };

        Control? With(Control? control, ReadControl which) =>
            control is null
                ? null
                : control with
                {
                    Readings = [.. taken[which].Select(reading => new Reading(reading.Mark, reading.Measured))],
                };
    }
}
