using GentleBead.Core.Courses;
using GentleBead.Core.Planning;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Planning;

public class CutTests
{
    private static readonly StockKind Bar = new(Metal.MildSteel, StockForm.FlatBar, Length.FromMm(3), Length.FromMm(50));
    private static readonly StockKind Plate = new(Metal.MildSteel, StockForm.Plate, Length.FromMm(1.5), null);

    // The optimum of each is known: the first is the example of Chvátal, "Linear Programming" (1983), chapter 13: its relaxation is
    // 452.25, so none does it with fewer than 453; the second is the paper machine of the cutting-stock literature, 73 master rolls (its
    // metres alone need 73). Both from memory; both bounds are counted again here.
    [Theory]
    [InlineData(100, "45x97 36x610 31x395 14x211", 453)]
    [InlineData(5600, "1380x22 1520x25 1560x12 1710x14 1820x18 1880x18 1930x20 2000x10 2050x12 2100x14 2140x16 2150x18 2200x20", 73)]
    public void Published_examples_are_cut_from_as_few_bars_as_can_be(int bar, string wanted, int best)
    {
        CutPiece[] pieces =
        [
            .. wanted
                .Split(' ')
                .Select(piece => piece.Split('x'))
                .Select(piece => Piece(int.Parse(piece[0], null), int.Parse(piece[1], null))),
        ];
        var list = CutSolver.Solve(pieces, [new(Bar, Length.FromMm(bar), Length.FromMm(50), 1_000)], Length.FromMm(0));
        Assert.Empty(list.Missing);
        Assert.Equal(best, list.Bars.Sum(cut => cut.Times));
        var bound = Math.Ceiling(pieces.Sum(piece => piece.Count * piece.Long.Mm) / bar);
        Assert.True(best >= bound);
        HoldsTogether(list, pieces, 0);
    }

    [Fact]
    public void Every_cut_takes_its_kerf_and_offcuts_are_used_before_whole_bars()
    {
        // 19 pieces of 150 mm and 18 kerfs are 2904 mm, a twentieth would need 3057; by arithmetic.
        StockPiece[] stock = [new(Bar, Length.FromMm(3000), Length.FromMm(50), 3), new(Bar, Length.FromMm(320), Length.FromMm(50), 1)];
        var list = CutSolver.Solve([Piece(150, 21)], stock, Length.FromMm(3));
        Assert.Equal([320.0, 3000.0], list.Bars.Select(bar => bar.Long.Mm).Order());
        Assert.Equal(2, list.Bars.Single(bar => bar.Long.Mm < 400).Strips.Single().Pieces.Single().Count);
        Assert.Equal(
            [new CutPiece(Bar, Length.FromMm(150), Length.FromMm(50), 6)],
            CutSolver.Solve([Piece(150, 65)], stock, Length.FromMm(3)).Missing
        );
    }

    [Fact]
    public void Plates_are_cut_into_strips_and_the_strips_across()
    {
        // Twelve pieces 75 x 150 and four 150 x 150 fill 600 x 375 and 600 x 150 to the millimetre: the area says that one plate of
        // 600 x 525 is enough, and none smaller.
        CutPiece[] pieces = [new(Plate, Length.FromMm(150), Length.FromMm(75), 20), new(Plate, Length.FromMm(150), Length.FromMm(150), 4)];
        var list = CutSolver.Solve(pieces, [new(Plate, Length.FromMm(600), Length.FromMm(525), 5)], Length.FromMm(0));
        Assert.Equal(1, list.Bars.Sum(plate => plate.Times));
        Assert.Equal(1, list.Share, 6);
        HoldsTogether(list, pieces, 0);
    }

    [Fact]
    public void Whatever_is_asked_for_what_is_cut_lies_in_its_bars_and_what_first_fit_can_cut_is_cut()
    {
        for (var seed = 0; seed < 60; seed++)
        {
            var random = new Random(seed);
            var kerf = random.Next(0, 4);
            CutPiece[] pieces =
            [
                .. Enumerable
                    .Range(0, random.Next(1, 4))
                    .Select(_ =>
                        random.Next(2) == 0
                            ? Piece(random.Next(80, 400), random.Next(1, 20))
                            : new(Plate, Length.FromMm(random.Next(80, 300)), Length.FromMm(25 * random.Next(2, 6)), random.Next(1, 20))
                    ),
            ];
            pieces = [.. Pieces.Together(pieces)];
            StockPiece[] stock =
            [
                new(Bar, Length.FromMm(random.Next(400, 3000)), Length.FromMm(50), random.Next(0, 4)),
                new(Plate, Length.FromMm(random.Next(300, 1000)), Length.FromMm(random.Next(200, 600)), random.Next(0, 4)),
            ];
            var list = CutSolver.Solve(pieces, stock, Length.FromMm(kerf));
            HoldsTogether(list, pieces, kerf);
            if (FirstFit.Missing(pieces, stock, Length.FromMm(kerf)).Count == 0)
                Assert.Empty(list.Missing);
            foreach (var size in list.Bars.GroupBy(bar => (bar.Kind, bar.Long)))
                Assert.True(size.Sum(bar => bar.Times) <= stock.Where(of => of.Kind == size.Key.Kind).Sum(of => of.Count));
        }
    }

    private static CutPiece Piece(int mm, int count) => new(Bar, Length.FromMm(mm), Length.FromMm(50), count);

    // What is cut and what is missing is what was asked for; strips lie in their plates and pieces in their strips.
    private static void HoldsTogether(CutList list, CutPiece[] pieces, double kerf)
    {
        foreach (var piece in pieces)
        {
            var cut = list
                .Bars.Where(bar => bar.Kind == piece.Kind)
                .Sum(bar =>
                    bar.Times
                    * bar.Strips.Sum(strip =>
                        strip.Pieces.Where(one => one.Long == piece.Long && one.Wide == piece.Wide).Sum(one => one.Count)
                    )
                );
            Assert.Equal(
                piece.Count,
                cut + list.Missing.Where(one => one.Long == piece.Long && one.Wide == piece.Wide).Sum(one => one.Count)
            );
        }
        Assert.All(
            list.Bars,
            bar =>
            {
                if (bar.Kind.Width is null)
                    Assert.True(bar.Strips.Sum(strip => strip.Wide.Mm + kerf) <= bar.Wide.Mm + kerf + 1e-6);
                Assert.All(
                    bar.Strips,
                    strip => Assert.True(strip.Pieces.Sum(one => one.Count * (one.Long.Mm + kerf)) <= bar.Long.Mm + kerf + 1e-6)
                );
                Assert.All(bar.Strips, strip => Assert.All(strip.Pieces, one => Assert.True(one.Wide <= strip.Wide)));
            }
        );
    }
}
