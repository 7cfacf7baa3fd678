using GentleBead.Core.Sheets;
using GentleBead.Core.Trials;
using GentleBead.Core.Windows;
using GentleBead.Server.Beads;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;
using GentleBead.Server.Trials;

namespace GentleBead.Server.Windows;

/// <summary>Gathers what a room has heard on a machine, and fits its windows.</summary>
public sealed class RoomWindows(SweepStore sweeps, SessionStore sessions, SheetStore sheets, BeadStore beads)
{
    /// <summary>Everything heard on a machine, by process, wire and gas; or of one arc alone.</summary>
    public async Task<IReadOnlyDictionary<WireArc, IReadOnlyList<WindowPoint>>> PointsAsync(Guid machineId, WireArc? only = null)
    {
        var points = new Dictionary<WireArc, IReadOnlyList<WindowPoint>>();
        var heard = (await sweeps.OfMachineAsync(machineId)).Where(sweep => only is null || sweep.Arc == only).SelectMany(sweep => WindowPoint.Of(sweep.Finding, sweep.Volts).Select(point => (sweep.Arc, Point: point))).ToList();
        if ((await sessions.BoothsAsync()).FirstOrDefault(booth => booth.MachineId == machineId) is { } booth)
        {
            var arcs = await sheets.ArcsOfBoothAsync(booth.Id, only);
            foreach (var bead in await beads.HeardAsync(arcs.Keys))
            {
                var arc = arcs[bead.SheetId];
                if (WindowPoint.Of(bead.Used, bead.Sound, arc.Process, bead.Cause, bead.Verdict) is { } point) heard.Add((arc, point));
            }
        }
        foreach (var arc in heard.GroupBy(entry => entry.Arc)) points[arc.Key] = [.. arc.Select(entry => entry.Point)];
        return points;
    }

    /// <summary>The window of an arc on a machine; null where nothing was heard yet.</summary>
    public async Task<LearnedWindow?> OfAsync(Guid machineId, WireArc arc) =>
        (await PointsAsync(machineId, arc)).TryGetValue(arc, out var points) ? LearnedWindow.Fit(arc, points) : null;
}
