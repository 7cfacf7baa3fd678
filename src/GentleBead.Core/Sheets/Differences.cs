using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Sheets;

/// <summary>Where other schools would set a job otherwise, and by how much.</summary>
internal static class Differences
{
    // Less than a person can set or hear is no difference.
    private const double WireShare = 0.015;
    private const double Volts = 0.15;

    private static readonly Dictionary<PairRule, string> PairWords = new()
    {
        [PairRule.WireFirst] = "Wire first",
        [PairRule.VoltsFirst] = "Volts first",
        [PairRule.ChartFirst] = "Chart first",
        [PairRule.LearnedFirst] = "Room first, by what was found here,",
    };

    private static readonly Dictionary<PositionRule, string> PositionWords = new()
    {
        [PositionRule.OneThinner] = "One thinner",
        [PositionRule.TwoThinner] = "Two thinner",
        [PositionRule.Same] = "The same everywhere",
    };

    /// <summary>Every difference worth telling.</summary>
    public static IReadOnlyList<SchoolDifference> Of(Job job, School school, Current wanted, Current carried, Pairs.Found? set, Dials? dials, DoorChart? chart, LearnedWindow? window)
    {
        var list = new List<SchoolDifference>(4);
        if (set is not null && job.Wire is { } wire)
        {
            var arc = new WireArc(job.Process, wire, job.Gas);
            foreach (var (rule, words) in PairWords)
            {
                if (rule == school.Pair || Pairs.Find(rule, job, arc, carried, school, dials, chart, window) is not { } other) continue;
                var share = other.WireFeed / set.WireFeed - 1;
                var volts = other.Volts.Aim.Volts - set.Volts.Aim.Volts;
                if (Math.Abs(share) < WireShare && Math.Abs(volts) < Volts) continue;
                list.Add(new("Pair", $"{words} would set {Show.Of(other.WireFeed)} and {Show.Of(other.Volts.Aim)}: {MoreOrLess(share, "wire")}, {Signed(volts)} V."));
            }
        }
        if (job.Position.Facts().Thinner)
        {
            foreach (var (rule, words) in PositionWords)
            {
                if (rule == school.Position) continue;
                var amps = Amperes.By(job, rule);
                if (Math.Abs(amps / wanted - 1) >= WireShare) list.Add(new("Position", $"{words} would ask for {Show.Of(amps)} instead of {Show.Of(wanted)}: {MoreOrLess(amps / wanted - 1, "current")}."));
            }
        }
        if (set is not null && !job.Process.Facts().Slag)
        {
            list.Add(school.Direction == DirectionRule.PushOnly
                ? new("Direction", "Others drag too where that lets them see better.")
                : new("Direction", "Another school always pushes."));
        }
        return list;
    }

    private static string MoreOrLess(double share, string what) => Math.Abs(share) < WireShare
        ? $"the same {what}"
        : $"{Show.Number(Math.Abs(share) * 100, "0")} % {(share > 0 ? "more" : "less")} {what}";

    private static string Signed(double value) => $"{(value >= 0 ? "+" : "-")}{Show.Number(Math.Abs(value), "0.0")}";
}
