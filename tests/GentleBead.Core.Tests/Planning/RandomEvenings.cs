using System.Collections.Concurrent;
using GentleBead.Core.Courses;
using GentleBead.Core.Machines;
using GentleBead.Core.Planning;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Planning;

/// <summary>Sessions by chance: students somewhere on the library's path, machines of five kinds, and more or less of everything.</summary>
internal static class RandomEvenings
{
    private static readonly Control Feed = new(ControlKind.Digital, 60, 700, 1, "in/min", []);
    private static readonly Control Volts = new(ControlKind.Digital, 12, 32, 0.1, "V", []);
    private static readonly Control Amps = new(ControlKind.Digital, 5, 300, 1, "A", []);

    private static readonly Machine[] Machines =
    [
        new("MIG, thin", Load.Of(Wire.Solid08), Feed, Volts),
        new("MIG, thick", Load.Of(Wire.Solid09), Feed, Volts, Rating: new(Current.FromAmps(200), 60, Current.FromAmps(300))),
        new("MIG, worn", Load.Of(Wire.Solid08), Feed, Volts, Rating: new(Current.FromAmps(110), 20, Current.FromAmps(150))),
        new("TIG", new Load(null, Gas.Argon, Polarity.TorchMinus), null, null, Amps, HasAc: true),
        new("Both", Load.Of(Wire.Solid08), Feed, Volts, Amps, HasAc: true),
    ];

    private static readonly ConcurrentDictionary<(Guid Exercise, Machine Machine), MachineFit> Fits = new();

    /// <summary>A session by chance, of up to a size.</summary>
    public static PlanProblem Of(int seed, int students, int booths, int slots, int exercises)
    {
        var random = new Random(seed);
        var library = ExerciseLibrary.All.OrderBy(_ => random.Next()).Take(exercises).ToArray();
        var rooms = Enumerable.Range(1, booths).Select(number => Booth(random, number, slots)).ToArray();
        var problem = new PlanProblem
        {
            Slots = [.. Enumerable.Range(0, slots).Select(slot => new Slot(new TimeOnly(18, 0).AddMinutes(45 * slot), 45))],
            Booths = [.. rooms.Select(room => room.Booth)],
            Students = [.. Enumerable.Range(1, students).Select(number => Student(random, number, slots, library))],
            Exercises = library.ToDictionary(
                row => row.Id,
                row => new PlanExercise(row.Id, row.Exercise, MachineFits.IsHot(row.Exercise.Job))
            ),
            Fits = (
                from row in library
                from room in rooms
                from machine in room.Booth.Machines.Zip(room.Machines)
                select (Key: (row.Id, machine.First.Id), Fit: FitOf(row, machine.Second))
            ).ToDictionary(one => one.Key, one => one.Fit),
            Limits = new(random.Next(1, 4), random.Next(1, 5), random.Next(0, 3), 15, 10) { Kerf = Length.FromMm(3) },
            Weights = PlanScore.Table.ToDictionary(aspect => aspect.Key, _ => random.Next(1, 6)),
        };
        return problem with
        {
            AtHand = random.Next(3) == 0 ? AtHand.Unknown : Lying(random, problem),
            Pairs = Pairs(random, problem.Students),
        };
    }

    private static MachineFit FitOf(LibraryExercise row, Machine machine) =>
        Fits.GetOrAdd((row.Id, machine), key => MachineFits.Of(row.Exercise, key.Machine, AtHand.Unknown));

    private static (PlanBooth Booth, Machine[] Machines) Booth(Random random, int number, int slots)
    {
        Machine[] machines = [.. Enumerable.Range(0, random.Next(4) == 0 ? 2 : 1).Select(_ => Machines[random.Next(Machines.Length)])];
        var planned = machines.Select(
            (machine, i) =>
                new PlanMachine(
                    Id(random),
                    $"{machine.Name} {number}.{i}",
                    MachineFits.LoadOf(machine),
                    random.Next(20) == 0 ? random.Next(slots) : null
                )
        );
        return (new(Id(random), number, [.. planned]), machines);
    }

    private static PlanStudent Student(Random random, int number, int slots, LibraryExercise[] library)
    {
        var own = Enumerable.Range(0, random.Next(5)).Select(_ => library[random.Next(library.Length)]).DistinctBy(row => row.Id).ToArray();
        var tasks = own.Select(
            (row, place) =>
                new PlanTask(
                    row.Id,
                    row.Exercise.Proof == Proof.TestWeld ? 1 : random.Next(2, 30),
                    random.Next(2) == 0,
                    place > 1 && random.Next(2) == 0 ? [own[0].Id] : [],
                    Core.Words.Said.AsIs("by chance")
                )
        );
        var from = random.Next(6) == 0 ? random.Next(slots) : 0;
        return new(
            Id(random),
            $"Student {number}",
            [.. tasks],
            random.Next(200),
            random.Next(3),
            from,
            random.Next(8) == 0 ? random.Next(from, slots) : null
        );
    }

    private static AtHand Lying(Random random, PlanProblem problem)
    {
        var kinds = problem
            .Exercises.Values.SelectMany(exercise => exercise.Exercise.Pieces.Select(piece => (exercise.Exercise.Job.Metal, Piece: piece)))
            .Select(one =>
                (
                    one.Metal,
                    one.Piece.Form,
                    one.Piece.Thickness,
                    Width: one.Piece.Form == StockForm.FlatBar ? one.Piece.Width : (Length?)null
                )
            )
            .Distinct();
        return new(
            [
                .. kinds.SelectMany(of =>
                {
                    var kind = new StockKind(of.Metal, of.Form, of.Thickness, of.Width);
                    var wide = of.Width ?? Length.FromMm(500);
                    return new StockPiece[]
                    {
                        new(kind, Length.FromMm(random.Next(500, 3000)), wide, random.Next(0, 4)),
                        new(kind, Length.FromMm(random.Next(160, 600)), wide, random.Next(0, 6)),
                    };
                }),
            ],
            Wires.All.ToDictionary(row => row.Wire, _ => random.Next(1, 6)),
            Gases.All.ToDictionary(row => row.Gas, _ => random.Next(1, 8))
        );
    }

    private static PlanPair[] Pairs(Random random, IReadOnlyList<PlanStudent> students) =>
        students.Count < 4
            ? []
            : [new(students[0].Id, students[1].Id, random.Next(2) == 0), new(students[2].Id, students[3].Id, random.Next(2) == 0)];

    private static Guid Id(Random random)
    {
        var bytes = new byte[16];
        random.NextBytes(bytes);
        return new(bytes);
    }
}
