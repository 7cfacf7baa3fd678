using GentleBead.Core.Beads;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using static GentleBead.Core.Judging.Observations;
using static GentleBead.Core.Judging.Sign;
using static GentleBead.Core.Judging.Trouble;

namespace GentleBead.Core.Judging;

/// <summary>What is looked at in TIG: the tungsten, the colour beside the bead, the puddle.</summary>
internal static class TigObservations
{
    private static readonly Func<Job, bool> Tig = job => job.Process.IsGtaw();

    /// <summary>Each of them.</summary>
    public static IReadOnlyList<Observation> Looks =>
        [
            // The same sounds as of fed wire, asked for in TIG's own words.
            Heard() with
            {
                Answers = [.. Heard().Answers.Where(answer => answer.Sign is EvenCrackle or Sputter or Hiss)],
                Ask = Say($"Listen to the next one: steady, or does it sputter?"),
                Fits = Tig,
                Decides = _ => true,
            },
            Noted<Tungsten>(
                bead => bead.Evidence.Tungsten,
                (Tungsten.Pointed, new(TungstenPointed, Say($"tungsten as ground"))),
                (Tungsten.Balled, new(TungstenBalled, Say($"ball on the tungsten"), Unsteady)),
                (Tungsten.BurntBack, new(TungstenBurntBack, Say($"tungsten burnt back"), Unsteady)),
                (Tungsten.Dipped, new(TungstenDipped, Say($"tungsten dipped"), Unsteady))
            ) with
            {
                Ask = Say($"Look at the tungsten: pointed, balled, dipped?"),
                Fits = job => Tig(job) && !job.Process.Facts().NeedsAc,
                Read = bead => bead.Sheet.Job.Process.Facts().NeedsAc ? [] : TungstenSign(bead, TungstenBalled),
            },
            // A small ball is how a tungsten looks on AC.
            new(
                [
                    new(TungstenPointed, Say($"tungsten as ground")),
                    new(TungstenRounded, Say($"small ball on the tungsten, as AC makes it")),
                    new(TungstenBurntBack, Say($"tungsten burnt back"), Unsteady),
                    new(TungstenDipped, Say($"tungsten dipped"), Unsteady),
                ],
                bead => bead.Sheet.Job.Process.Facts().NeedsAc ? TungstenSign(bead, TungstenRounded) : []
            )
            {
                Ask = Say($"Look at the tungsten: a small ball, burnt back, dipped?"),
                Fits = job => job.Process.Facts().NeedsAc,
            },
            Noted<TintColour>(
                bead => bead.Evidence.Colour,
                (TintColour.Silver, new(ColourSilver, Say($"silver beside the bead"))),
                (TintColour.Straw, new(ColourStraw, Say($"straw beside the bead"))),
                (TintColour.Purple, new(ColourPurple, Say($"purple beside the bead"))),
                (TintColour.Blue, new(ColourBlue, Say($"blue beside the bead"), Hand) { Ugly = true }),
                (TintColour.Grey, new(ColourGrey, Say($"grey, sugared"), Unsound) { Ugly = true })
            ) with
            {
                Ask = Say($"Look at the colour beside it: silver, straw, blue, grey?"),
                Fits = job => job.Metal is Metal.Stainless or Metal.Titanium or Metal.NickelAlloy,
            },
            Noted<Puddle>(
                bead => bead.Evidence.Puddle,
                (Puddle.Clear, new(PuddleClear, Say($"puddle clear"))),
                (Puddle.Specks, new(PuddleSpecks, Say($"specks in the puddle"), Hand) { Ugly = true }),
                (Puddle.Skin, new(PuddleSkin, Say($"skin on the puddle"), Hand) { Ugly = true })
            ) with
            {
                Ask = Say($"Watch the puddle of the next one: clear, specks, a skin?"),
                Fits = Tig,
            },
        ];

    private static IEnumerable<Sign> TungstenSign(BeadAtHand bead, Sign balled) =>
        bead.Evidence.Tungsten switch
        {
            Tungsten.Pointed => [TungstenPointed],
            Tungsten.Balled => [balled],
            Tungsten.BurntBack => [TungstenBurntBack],
            Tungsten.Dipped => [TungstenDipped],
            _ => [],
        };
}
