using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Bench.Judging;

/// <summary>Random bad starts: a job that can be welded, and something wrong with how it is.</summary>
internal static class Starts
{
    private static readonly Machine Bench = new(
        "Bench",
        Load.Of(Wire.Solid08),
        new Control(ControlKind.Digital, 20, 1000, 1, "in/min", []),
        new Control(ControlKind.Digital, 8, 45, 0.1, "V", [])
    )
    {
        AmpControl = new(ControlKind.Digital, 5, 500, 1, "A", []),
        HasAc = true,
        Programs =
        [
            .. Wires
                .All.Where(row => row.RangeIn(Process.GmawPulsed) is not null)
                .SelectMany(row => Enum.GetValues<Gas>().Select(gas => (row.Wire, gas)))
                .Select((one, at) => new MachineProgram(at + 1, one.Wire, one.gas, Process.GmawPulsed)),
        ],
    };

    // A wire that does not carry what the plate asks for makes no right bead whatever is turned.
    private const double Carried = 0.1;

    // How often what is wrong on a machine stands in its log.
    private const double WrittenDown = 0.5;

    private const int MostTries = 20_000;

    private static readonly string[] Plates = ["1.0", "1.5", "2", "2.5", "3", "1/8", "4", "3/16", "6", "1/4", "3/8"];

    private static readonly Joint[] Joints = [Joint.T, Joint.Lap, Joint.BeadOnPlate, Joint.SquareButt, Joint.OutsideCorner];

    /// <summary>A start; the same seed gives the same.</summary>
    public static Booth Draw(int seed)
    {
        var random = new Random(seed);
        var processes = Enum.GetValues<Process>();
        for (var tries = 0; tries < MostTries; tries++)
        {
            if (Sheet(processes[seed % processes.Length], random) is not { } sheet)
                continue;
            var booth = new Booth
            {
                Sheet = sheet,
                Machine = Bench with { Load = Loaded(sheet, null) },
                Truth = Cause.NothingWrong,
                WireShown = sheet.Pair?.WireFeed ?? default,
                VoltsShown = sheet.Pair?.Volts.Aim ?? default,
                AmpsShown = sheet.Amps,
            };
            if ((random.NextDouble() < 0.5 ? Turned(booth, random) : Faulty(booth, random)) && Laid.Shows(booth))
                return booth;
        }
        throw new InvalidOperationException($"No job of {processes[seed % processes.Length]} can be welded.");
    }

    // What the machine's log says is on it: what the sheet wants, or now and then what is wrong.
    private static Load Loaded(Sheet sheet, Cause? wrong)
    {
        var load = sheet.Job.Wire is { } wire
            ? Load.Of(wire) with
            {
                Gas = sheet.Job.Gas,
                Polarity = sheet.Polarity,
            }
            : new Load(null, sheet.Job.Gas, sheet.Polarity);
        return wrong switch
        {
            Cause.WrongPolarity => load with { Polarity = sheet.Polarity == Polarity.TorchPlus ? Polarity.TorchMinus : Polarity.TorchPlus },
            Cause.WrongGas => load with { Gas = sheet.Job.Gas == Gas.Carbon ? Gas.ArgonCarbon25 : Gas.Carbon },
            _ => load,
        };
    }

    private static Sheet? Sheet(Process process, Random random)
    {
        var facts = process.Facts();
        Wire? wire = facts.FeedsWire ? Pick(random, [.. Wires.All.Where(row => row.RangeIn(process) is not null)]).Wire : null;
        var metal = wire is { } fed ? fed.Facts().Kind.Facts().Metal : Pick(random, [Metal.MildSteel, Metal.Stainless, Metal.Aluminium]);
        var job = new Job(
            Thickness.Parse(Pick(random, Plates)),
            Pick(random, Joints),
            Pick(random, [Position.Flat, Position.Horizontal]),
            wire,
            process,
            metal,
            Pick(random, [.. Enum.GetValues<Gas>()])
        );
        return
            Planner.Plan(job, Bench) is Sheet { Travel: not null } sheet
            && Math.Abs(sheet.Amps / (sheet.JointAmps ?? sheet.Amps) - 1) < Carried
            ? sheet
            : null;
    }

    // The controls stand wrong, one or both.
    private static bool Turned(Booth booth, Random random)
    {
        if (booth.IsTig)
        {
            booth.AmpsShown = Current.FromAmps(Math.Round(booth.Sheet.Amps.Amps * (0.55 + random.NextDouble())));
            booth.Truth = booth.AmpsShown > booth.Sheet.Amps ? Cause.AmpsHigh : Cause.AmpsLow;
            return Math.Abs(booth.AmpsShown / booth.Sheet.Amps - 1) > 0.2;
        }
        var pair = booth.Sheet.Pair!;
        booth.WireShown = WireFeedSpeed.FromInPerMin(Math.Round(pair.WireFeed.InPerMin * (0.6 + 0.85 * random.NextDouble())));
        booth.VoltsShown = Voltage.FromVolts(Math.Round(pair.Volts.Aim.Volts - 4 + 8 * random.NextDouble(), 1));
        var wire = booth.WireShown / pair.WireFeed;
        var band = SmoothBand.At(booth.WireShown, booth.Sheet.Job.RequireArc());
        var (under, over) = (band.Low.Volts - booth.VoltsShown.Volts, booth.VoltsShown.Volts - band.High.Volts);
        // Which of the two stands further off its own place.
        var byWire = Math.Abs(Math.Log(wire)) / 0.15 > Math.Abs(booth.VoltsShown.Volts - pair.Volts.Aim.Volts) / 1.5;
        booth.Truth =
            under > 0.5 ? (byWire && wire > 1 ? Cause.WireHigh : Cause.VoltsLow)
            : over > 0.5 ? (byWire && wire < 1 ? Cause.WireLow : Cause.VoltsHigh)
            : wire < 0.8 ? Cause.PairCold
            : wire > 1.2 ? Cause.PairHot
            : Cause.NothingWrong;
        return booth.Truth != Cause.NothingWrong;
    }

    // The controls stand right; the hand, the plate or the machine is not.
    private static bool Faulty(Booth booth, Random random)
    {
        var table = Causes
            .Of(booth.Sheet.Job.Process)
            .Where(row => row.Whose != Whose.Controls && row.Cause != Cause.NothingWrong)
            .ToArray();
        var at = random.NextDouble() * table.Sum(row => row.Prior);
        var row = table.First(row => (at -= row.Prior) <= 0);
        booth.Truth = row.Cause;
        switch (row.Cause)
        {
            case Cause.TravelFast:
                booth.Pace = 1.4 + 0.6 * random.NextDouble();
                return true;
            case Cause.TravelSlow:
                booth.Pace = 0.45 + 0.25 * random.NextDouble();
                return true;
            case Cause.StickOutLong:
                booth.StickOutMm = booth.Sheet.Pair!.StickOut.High.Mm * (1.5 + 0.6 * random.NextDouble());
                break;
            case Cause.StickOutShort:
                booth.StickOutMm = booth.Sheet.Pair!.StickOut.Low.Mm * (0.3 + 0.25 * random.NextDouble());
                break;
            case Cause.ReadOutOff:
                booth.WireGiven = 0.6 + 0.2 * random.NextDouble();
                break;
            case Cause.ReadOutLow or Cause.WrongWire:
                booth.WireGiven = 1.25 + 0.2 * random.NextDouble();
                break;
            case Cause.VoltsReadOff:
                booth.VoltsLost = (random.Next(2) == 0 ? 1 : -1) * (2 + 1.5 * random.NextDouble());
                break;
            case Cause.PoorClamp when !booth.IsTig:
                booth.VoltsLost = 1.5 + 1.5 * random.NextDouble();
                break;
        }
        if (random.NextDouble() < WrittenDown)
            booth.Machine = booth.Machine with { Load = Loaded(booth.Sheet, row.Cause) };
        booth.Hidden = row.Cause;
        return true;
    }

    private static T Pick<T>(Random random, T[] among) => among[random.Next(among.Length)];
}
