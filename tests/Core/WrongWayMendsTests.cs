using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// What helps where a repeat turns the bow round, against the plainest way to find it: write each change into the tune
/// and follow the whole tune again (common practice, craft 8).
/// </summary>
public class WrongWayMendsTests
{
    private static readonly HouseStyle Style = HouseStyle.Default;

    private static Gen<string> Of(params string[] each) => Gen.Int[0, each.Length - 1].Select(i => each[i]);

    /// <summary>Bars of 3/4 in which strokes come out even or odd, with everything that sets the bow anew.</summary>
    private static readonly Gen<string> Bar = Of(
        "DEF",
        "D2E",
        "(DE)F",
        "G3",
        "A/B/ AG",
        "D-D E",
        "z2F",
        "vDEF",
        "DuEF",
        "D!lift!EF",
        "D{g}EF",
        "EEF",
        "\"^pizz.\"DE\"^arco\"F",
        "z3",
        "!segno!DEF"
    );

    private static readonly Gen<string> Section = Gen.Select(
        Bar.Array[1, 4],
        Gen.Int[0, 6],
        (bars, kind) =>
        {
            var inside = string.Join('|', bars);
            return kind switch
            {
                0 => inside + "|",
                1 => $"|:{inside}:|",
                2 => $"|:{inside}|1DEF:|2GFE|",
                3 => $"|::{inside}::|",
                4 => $"|:{inside}|1DEF:|2z3|",
                5 => $"|:{inside}|z3:|",
                _ => $"|:{inside}|D2:|",
            };
        }
    );

    private static readonly Gen<string> Tune = Gen.Select(
        Of("", "A|", "A/B/|"),
        Section.Array[1, 4],
        Of("G3|", "!D.C.!DEF|", "!fine!D3|E3|!D.C.!FED|"),
        (pickUp, sections, end) => pickUp + string.Concat(sections) + end
    );

    [Fact]
    public void The_changes_found_by_counting_are_those_that_following_the_tune_again_finds()
    {
        var (wrong, mends) = (0, 0);
        Tune.Sample(
            music =>
            {
                var score = Lines.Score("D", music, "3/4");
                var notes = SoundingNote.Of(score);
                var bows = Bows.Follow(notes, score.Bars, PlayOrder.Of(score), Style.AfterLongRest);
                var found = WrongWayMends.Of(score, notes, bows);
                Assert.Equal(bows.ComesBackWrong, found.Select(f => f.Place));
                foreach (var (place, changes) in found)
                    Assert.Equal(ByFollowing(score, notes, place), changes);
                Interlocked.Add(ref wrong, found.Count);
                Interlocked.Add(ref mends, found.Sum(f => f.Mends.Count));
            },
            iter: Rounds.Of(1500)
        );
        Assert.True(
            wrong > 10 && mends > wrong,
            $"{wrong} wrong places with {mends} mends are too few to tell anything."
        );
    }

    private static IEnumerable<BowEdit> ByFollowing(Score score, IReadOnlyList<SoundingNote> notes, WrongWayRound wrong)
    {
        var last = notes[wrong.Leaving];
        BowEdit[] tries =
        [
            new(last.Event.Id, BowEditKind.Slur),
            new(last.Event.Id, BowEditKind.Hook),
            new(last.TiedIds is [.., var tied] ? tied : last.Event.Id, BowEditKind.Lift),
        ];
        return tries.Where(edit =>
        {
            if (edit.Kind == BowEditKind.Slur && wrong.Leaving > 0 && notes[wrong.Leaving - 1].Pitch == last.Pitch)
                return false;
            if (BowEdits.Fitting(score, [edit]) is [])
                return false;
            var mended = BowEdits.Apply(score, [edit]);
            var bows = Bows.Follow(SoundingNote.Of(mended), mended.Bars, PlayOrder.Of(mended), Style.AfterLongRest);
            return bows.ComesBackWrong.All(w => w.Returning != wrong.Returning);
        });
    }
}
