using Coppia.Core.Lesson;

namespace Coppia.Tests;

/// <summary>
/// A tune in another key, and the key that fits a mixed class (craft 16). Expected notes and keys are common practice.
/// </summary>
public class KeyForAllTests
{
    private static string Notes(Score score) => string.Join(' ', score.Events.Select(e => e.Pitch?.ToString() ?? "z"));

    [Theory] // Moved by hand, a note at a time; the shorter way.
    [InlineData("D", "D F A c", -1, "G", "G4 B4 D5 F#5")]
    [InlineData("D", "D F A c", -2, "C", "C4 E4 G4 B4")]
    [InlineData("C", "C E ^F _B", 3, "A", "A3 C#4 D#4 G4")]
    [InlineData("Gm", "G B ^F d", 2, "Am", "A4 C5 G#4 E5")]
    [InlineData("Eb", "E A =A _d", 5, "D", "D4 G4 G#4 C5")]
    [InlineData("F", "F =B c z", 1, "C", "C4 F#4 G4 z")]
    public void A_tune_in_another_key_keeps_its_steps(
        string key,
        string music,
        int fifths,
        string into,
        string expected
    )
    {
        var moved = new KeyMove(fifths).Of(Lines.Score(key, music))!;
        Assert.Equal(expected, Notes(moved));
        Assert.Equal(Lines.Score(into, "C").Key, moved.Key);
        Assert.All(moved.Bars, b => Assert.Equal(moved.Key, b.Key));
    }

    // The sum that an oracle makes without the code: half steps from note to note stay the same, and so do letters.
    [Fact]
    public void In_every_key_the_half_steps_and_letters_between_notes_stay()
    {
        for (var seed = 0; seed < 40; seed++)
        {
            var tune = RandomTunes.Song(seed, 24, 38);
            var was = tune.Events.Where(e => e.Pitch is not null).Select(e => e.Pitch!.Value).ToArray();
            for (var fifths = -4; fifths <= 4; fifths++)
            {
                if (new KeyMove(fifths - tune.Key.Fifths).Of(tune) is not { } moved)
                    continue;
                var now = moved.Events.Where(e => e.Pitch is not null).Select(e => e.Pitch!.Value).ToArray();
                Assert.Single(was.Zip(now, (a, b) => b.Midi - a.Midi).Distinct());
                Assert.InRange(now[0].Midi - was[0].Midi, -6, 6);
                // The letter changes only where it would need three signs.
                var steps = was.Zip(now, (a, b) => b.Step - a.Step).GroupBy(d => d).MaxBy(g => g.Count())!.Key;
                Assert.All(
                    was.Zip(now).Where(p => p.Second.Step - p.First.Step != steps),
                    p => Assert.True(Math.Abs(p.Second.Midi - Pitch.FromStep(p.First.Step + steps).Midi) > 2)
                );
            }
        }
    }

    private static SectionLine[] All(
        Score score,
        ClassKnowledge? known = null,
        string who = "violin viola cello bass"
    ) =>
        [
            .. who.Split(' ')
                .Select(i => new SectionLine(
                    score,
                    PrintedFor.Of(score),
                    new Player(Lines.Instrument(i), known: known)
                )),
        ];

    [Fact] // A first year's D major from the open string: nothing is better than the print.
    public void What_all_can_play_stays_as_printed()
    {
        var best = KeyForAll.Offers(All(Lines.Score("D", "D E F G | A4", "4/4")))[0];
        Assert.Equal((0, 0, 0), (best.Move.Fifths, best.OutOfReach, best.Beyond));
    }

    // Up to F♯5 no bass finger reaches in the cellist's octave, and the octave below goes under its E string; in G it
    // does.
    [Fact]
    public void A_tune_too_high_for_the_bass_is_offered_in_a_key_that_fits_all()
    {
        var offers = KeyForAll.Offers(All(Lines.Score("D", "d2 f2 | e2 c2 | B2 A2 | F2 D2", "4/4")));
        Assert.Equal(0, offers[0].OutOfReach);
        Assert.NotEqual(0, offers[0].Move.Fifths);
        Assert.True(offers.Single(o => o.Move.Fifths == 0).OutOfReach > 0);
        Assert.Equal(offers.Select(o => o.OutOfReach), offers.Select(o => o.OutOfReach).Order());
    }

    // A class that knows D major up to its scale, and nothing else, is offered D for a tune printed in C: no new
    // signature, no low 2.
    [Fact]
    public void The_key_with_the_fewest_new_things_for_the_class_comes_first()
    {
        var known = ClassKnowledge.Of(UsualOrder.UpTo(Stage.FirstFingers, StringSection.All));
        var offers = KeyForAll.Offers(All(Lines.Score("C", "C D E F | G4", "4/4"), known));
        Assert.Equal("D major", offers[0].Key.Name);
        Assert.Empty(offers[0].New);
        Assert.True(offers.Single(o => o.Move.Fifths == 0).Weight > 0);
    }

    [Theory]
    [InlineData(0, "as printed")]
    [InlineData(-2, "a whole step lower")]
    [InlineData(2, "a whole step higher")]
    [InlineData(-1, "a fourth higher")]
    [InlineData(1, "a fourth lower")]
    [InlineData(3, "a third lower")]
    [InlineData(5, "a half step lower")]
    public void A_move_is_named(int fifths, string words) =>
        Assert.Equal(words, KeyOfferWords.Moved(new KeyMove(fifths).Interval));
}
