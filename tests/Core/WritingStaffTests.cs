using Coppia.Core.Writing;
using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// The writing staff (craft 20): a bar that is full goes on to the next, notes that cross a barline are tied, each bar
/// is whole or says what it lacks. What keys do is ours; expected bars were written before the program ran.
/// </summary>
public class WritingStaffTests
{
    private static readonly TimeSignature Four = new(4, 4);

    private static WritingStaff New(int fifths = 0, TimeSignature? time = null, Fraction? pickUp = null) =>
        WritingStaff.Empty(Clef.Treble, new KeySignature(fifths), time ?? Four, pickUp);

    private static string Written(WritingStaff staff) =>
        string.Join(
            " | ",
            staff.Score.Bars.Select(b =>
                string.Join(
                    ' ',
                    b.Events.Select(e =>
                        $"{(e.IsBarRest ? "Z" : e.Pitch?.ToString() ?? "z")}{(e.IsBarRest ? "" : ":" + e.Value.Length)}"
                        + $"{(e.TiedOn ? "-" : "")}"
                    )
                )
            )
        );

    /// <summary>
    /// Keys: letters write; r rests; + and - lengthen and shorten; . dots; &lt; and &gt; move; x takes out the one
    /// before the caret, X the one after; u and n step up and down; S selects all; s selects one more to the right.
    /// </summary>
    private static WritingStaff Typed(WritingStaff staff, string keys) =>
        keys.Aggregate(
            staff,
            (s, key) =>
                key switch
                {
                    >= 'A' and <= 'G' => s.Note(s.Nearest(Enum.Parse<Letter>(key.ToString()))),
                    'r' => s.Rest(),
                    '+' => s.Longer(1),
                    '-' => s.Longer(-1),
                    '.' => s.Dot(),
                    '3' => s.Triplet(),
                    '<' => s.Move(-1),
                    '>' => s.Move(1),
                    'x' => s.Delete(),
                    'X' => s.Delete(forward: true),
                    'u' => s.Step(1),
                    'n' => s.Step(-1),
                    'o' => s.Octave(1),
                    't' => s.Tie(),
                    'l' => s.Slur(),
                    '#' => s.Alter(1),
                    'S' => s.SelectAll(),
                    's' => s.Move(1, select: true),
                    'h' => s.ToStart(),
                    'e' => s.ToEnd(),
                    ':' => s.RepeatEnd(),
                    _ => throw new ArgumentOutOfRangeException(nameof(keys), key, null),
                }
        );

    [Theory]
    [InlineData("", "Z")]
    [InlineData("G", "G4:1/4")]
    [InlineData("GABG", "G4:1/4 A4:1/4 B4:1/4 G4:1/4")]
    [InlineData("AAAAAAAA", "A4:1/4 A4:1/4 A4:1/4 A4:1/4 | A4:1/4 A4:1/4 A4:1/4 A4:1/4")] // the plainest music
    // a full bar goes on to the next; C5 is a fourth from G4, C4 a fifth
    [InlineData("GABGC", "G4:1/4 A4:1/4 B4:1/4 G4:1/4 | C5:1/4")]
    [InlineData("GAB+G", "G4:1/4 A4:1/4 B4:1/4 G4:1/4- | G4:1/4")] // a half note on the last beat is tied over
    [InlineData("++G+A", "G4:1 | A4:1")] // nothing is longer than a whole note
    [InlineData("+.GA", "G4:3/4 A4:1/4- | A4:1/2")]
    [InlineData("+.G-.A", "G4:3/4 A4:1/4")]
    [InlineData("-GAGA", "G4:1/8 A4:1/8 G4:1/8 A4:1/8")]
    [InlineData("GrAr", "G4:1/4 z:1/4 A4:1/4 z:1/4")]
    [InlineData("-3GAB3+G", "G4:1/12 A4:1/12 B4:1/12 G4:1/4")]
    [InlineData("GAx", "G4:1/4")]
    [InlineData("Gx", "Z")]
    [InlineData("GABGhX", "A4:1/4 B4:1/4 G4:1/4")] // the bar lacks a beat, and says so
    [InlineData("GABGhXC", "C5:1/4 A4:1/4 B4:1/4 G4:1/4")] // and a note there fills it
    [InlineData("GABGhC", "C5:1/4 A4:1/4 B4:1/4 G4:1/4")] // a whole bar is written over
    [InlineData("GABGh+C", "C5:1/2 B4:1/4 G4:1/4")]
    [InlineData("+GAh-C", "C5:1/4 G4:1/4 A4:1/2")] // the rest of a half note stays
    [InlineData("GABGABCDhsssX", "G4:1/4 | A4:1/4 B4:1/4 C5:1/4 D5:1/4")]
    [InlineData("GABGABCDhssssX", "Z | A4:1/4 B4:1/4 C5:1/4 D5:1/4")] // an emptied bar rests
    [InlineData("GABGABCDhssssXX", "A4:1/4 B4:1/4 C5:1/4 D5:1/4")] // and goes when it is taken out
    [InlineData("GABGu", "G4:1/4 A4:1/4 B4:1/4 A4:1/4")]
    [InlineData("G#", "G#4:1/4")]
    [InlineData("Go", "G5:1/4")]
    [InlineData("GABGSu", "A4:1/4 B4:1/4 C5:1/4 A4:1/4")]
    [InlineData("GABGS+", "G4:1/2 A4:1/2 | B4:1/2 G4:1/2")] // longer notes go on in new bars
    [InlineData("Gt", "G4:1/4- G4:1/4")]
    [InlineData("Gtt", "G4:1/4- G4:1/4- G4:1/4")]
    [InlineData("GG<t", "G4:1/4- G4:1/4")]
    [InlineData("GG<tt", "G4:1/4 G4:1/4")]
    [InlineData("GA<t", "G4:1/4 A4:1/4")] // a tie joins the same note only
    public void Keys_write_bars(string keys, string bars) => Assert.Equal(bars, Written(Typed(New(), keys)));

    [Fact]
    public void Letters_follow_the_key() =>
        Assert.Equal("D4:1/4 E4:1/4 F#4:1/4 G4:1/4 | A4:1/4 B4:1/4 C#5:1/4 D5:1/4", Written(Typed(New(2), "DEFGABCD")));

    [Theory]
    [InlineData("GAB", 0, "1/4")]
    [InlineData("GABG", 0, "0")]
    [InlineData("G", 0, "3/4")]
    [InlineData("GABGhX", 0, "1/4")]
    public void A_bar_says_what_it_lacks(string keys, int bar, string missing) =>
        Assert.Equal(missing, $"{Typed(New(), keys).LackingIn(bar)}");

    [Fact]
    public void A_pick_up_is_short_and_the_next_bar_is_bar_1()
    {
        var staff = Typed(New(pickUp: Fraction.Quarter), "DGABG");
        Assert.Equal("D4:1/4 | G4:1/4 A4:1/4 B4:1/4 G4:1/4", Written(staff));
        Assert.Equal([0, 1], staff.Score.Bars.Select(b => b.Number));
    }

    [Theory]
    [InlineData(3, 4, "G4:1/4 A4:1/4 B4:1/4 | G4:1/4 A4:1/4 B4:1/4 | C5:1/4 D5:1/4")]
    [InlineData(2, 4, "G4:1/4 A4:1/4 | B4:1/4 G4:1/4 | A4:1/4 B4:1/4 | C5:1/4 D5:1/4")]
    public void Another_meter_pours_the_notes_anew(int beats, int unit, string bars) =>
        Assert.Equal(bars, Written(Typed(New(), "GABGABCD").WithMeter(new TimeSignature(beats, unit), null)));

    // What stands at a barline stays where a barline is still there; the order of playing goes as a whole or not at
    // all.
    [Theory]
    [InlineData("GABGABCD:", 2, 0, "0 1 2 3 0 1 2 3")] // eight beats, repeated, in twos
    [InlineData("GABGABCD:", 3, 0, "0 1 2 0 1 2")] // 3 + 3 + 2 beats: the end is still the end
    [InlineData("GABG:ABCD", 2, 0, "0 1 0 1 2 3")]
    [InlineData("GABG:ABCD", 3, 0, "0 1 2")] // four beats end inside the second bar of three
    [InlineData("GABGABCD:", 4, 1, "0 1 2 0 1 2")] // a pick-up of one beat: 1 + 4 + 3
    [InlineData("GABG:ABCD", 4, 1, "0 1 2")]
    public void Repeats_stay_where_there_is_a_barline(string keys, int beats, int pickUp, string order)
    {
        var staff = Typed(New(), keys).WithMeter(new TimeSignature(beats, 4), new Fraction(pickUp, 4));
        Assert.Equal(order, string.Join(' ', Coppia.Core.Form.PlayOrder.Of(staff.Score).Select(p => p.Bar)));
        Assert.Equal(order == "0 1 2" ? BarlineSigns.OrderOfPlaying : BarlineSigns.None, staff.LeftOut);
        Assert.Equal(BarlineSigns.None, staff.Note(new Pitch(Letter.G, 0, 4)).LeftOut);
    }

    [Fact] // Four whole notes, the second under the first ending and the third under the second, become two bars each.
    public void Endings_stay_over_their_notes()
    {
        var staff = Typed(New(), "++GABC")
            .MoveTo(new Caret(1, 1))
            .Ending(1)
            .RepeatEnd()
            .MoveTo(new Caret(2, 1))
            .Ending(2);
        var halved = staff.WithMeter(new TimeSignature(2, 4), null);
        Assert.Equal([0, 1, 2, 3, 0, 1, 4, 5, 6, 7], Coppia.Core.Form.PlayOrder.Of(halved.Score).Select(p => p.Bar));
        Assert.Equal([null, null, "1", null, "2", null, null, null], halved.Score.Bars.Select(b => b.EndingStart));
    }

    [Fact]
    public void A_double_barline_that_falls_into_a_bar_is_told()
    {
        var staff = Typed(New(), "GABGABCD").ToStart().DoubleBarline();
        Assert.Equal(Barline.Double, staff.WithMeter(new TimeSignature(2, 4), null).Score.Bars[1].Barline);
        Assert.Equal(BarlineSigns.DoubleBarlines, staff.WithMeter(new TimeSignature(3, 4), null).LeftOut);
    }

    // A silent bar before the notes is four beats of silence in any meter; behind the last note silence is nothing.
    [Theory]
    [InlineData(2, "Z | Z | A4:1/4 B4:1/4 | C5:1/4 D5:1/4")]
    [InlineData(3, "Z | z:1/4 A4:1/4 B4:1/4 | C5:1/4 D5:1/4")]
    public void A_bar_of_rest_lasts_as_long_as_before(int beats, string bars) =>
        Assert.Equal(bars, Written(Typed(New(), "GABGABCDhssssX").WithMeter(new TimeSignature(beats, 4), null)));

    [Fact]
    public void Keys_and_clefs_stay_with_their_notes()
    {
        var plain = Typed(New(), "GABGABCD");
        Bar[] bars = [plain.Score.Bars[0], plain.Score.Bars[1] with { Key = new KeySignature(2), Clef = Clef.Alto }];
        var staff = WritingStaff.Of(plain.Score with { Bars = bars });
        var halved = staff.WithMeter(new TimeSignature(2, 4), null).Score;
        Assert.Equal([0, 0, 2, 2], halved.Bars.Select(b => b.Key.Fifths));
        Assert.Equal([Clef.Treble, Clef.Treble, Clef.Alto, Clef.Alto], halved.Bars.Select(b => b.Clef));
        // In threes the fifth note comes second in its bar, and the clef changes before it.
        var threes = staff.WithMeter(new TimeSignature(3, 4), null).Score;
        Assert.Equal([null, null, null, null, Clef.Alto, null, null, null], threes.Events.Select(e => e.ClefChange));
        Assert.Equal([Clef.Treble, Clef.Treble, Clef.Alto], threes.Bars.Select(b => b.Clef));
    }

    /// <summary>
    /// What sounds, tied notes as one: pitches and lengths in the order of playing, silence left out.
    /// </summary>
    private static string Sound(Score score, bool asPrinted)
    {
        var bars = asPrinted
            ? Enumerable.Range(0, score.Bars.Count)
            : Coppia.Core.Form.PlayOrder.Of(score).Select(p => p.Bar);
        var sound = new List<(Pitch Pitch, Fraction Length)>();
        var tied = false;
        foreach (var e in bars.SelectMany(b => score.Bars[b].Events).Where(e => e.Pitch is not null))
        {
            if (tied)
                sound[^1] = (sound[^1].Pitch, sound[^1].Length + e.Value.Length);
            else
                sound.Add((e.Pitch!.Value, e.Value.Length));
            tied = e.TiedOn;
        }

        return string.Join(' ', sound.Select(s => $"{s.Pitch}:{s.Length}"));
    }

    [Fact] // Whatever is written, another meter or pick-up plays the same, or says that it left something out.
    public void Another_meter_sounds_the_same() =>
        (from keys in Keys from time in Gen.Int[0, 3] from pickUp in Gen.Bool select (keys, time, pickUp)).Sample(
            typed =>
            {
                TimeSignature[] times = [new(2, 2), new(3, 4), new(6, 8), new(2, 4)];
                var staff = Typed(New(2), typed.keys);
                var other = staff.WithMeter(times[typed.time], typed.pickUp ? Fraction.Quarter : null);
                var asPrinted = other.LeftOut != BarlineSigns.None;
                Assert.Equal(Sound(staff.Score, asPrinted), Sound(other.Score, asPrinted));
            },
            iter: 2_000
        );

    [Fact] // A note that a barline had cut is whole again where the new bars have room for it.
    public void A_tie_over_a_barline_goes_with_the_barline() =>
        Assert.Equal(
            "G4:1/4 A4:1/4 B4:1/4 | G4:1/2",
            Written(Typed(New(), "GAB+G").WithMeter(new TimeSignature(3, 4), null))
        );

    [Fact]
    public void A_pick_up_can_be_set_afterwards() =>
        Assert.Equal(
            "G4:1/4 | A4:1/4 B4:1/4 G4:1/4 A4:1/4",
            Written(Typed(New(), "GABGA").WithMeter(Four, Fraction.Quarter))
        );

    [Theory]
    [InlineData(false, "C5 D5 E5 F5")]
    [InlineData(true, "C#5 D5 E5 F#5")]
    public void Another_key_leaves_the_pitch_or_the_place(bool atPlace, string pitches) =>
        Assert.Equal(
            pitches,
            string.Join(
                ' ',
                Typed(New(), "CDEF").WithKey(new KeySignature(2), atPlace).Score.Events.Select(e => e.Pitch)
            )
        );

    [Theory] // The middle line is B4 in treble, C4 in alto, D3 in bass clef.
    [InlineData(false, "B4 A4")]
    [InlineData(true, "D3 C3")]
    public void Another_clef_leaves_the_pitch_or_the_place(bool atPlace, string pitches) =>
        Assert.Equal(
            pitches,
            string.Join(' ', Typed(New(), "BA").WithClef(Clef.Bass, atPlace).Score.Events.Select(e => e.Pitch))
        );

    [Fact]
    public void A_tied_note_moves_as_one() =>
        Assert.Equal("G4:1/4 A4:1/4 B4:1/4 A4:1/4- | A4:1/4", Written(Typed(New(), "GAB+Gu")));

    [Fact]
    public void A_slur_joins_the_last_two_notes_and_grows()
    {
        static string Slurs(WritingStaff s) =>
            string.Join(' ', s.Score.Events.Select(e => $"{e.SlurStarts}{e.SlurStops}"));
        Assert.Equal("10 01 00", Slurs(Typed(New(), "GAlB")));
        Assert.Equal("10 00 01", Slurs(Typed(New(), "GAlBl")));
        Assert.Equal("00 00 00", Slurs(Typed(New(), "GABSll")));
        Assert.Equal("10 00 01", Slurs(Typed(New(), "GABSl")));
    }

    [Fact]
    public void Bow_signs_exclude_each_other()
    {
        var staff = Typed(New(), "G").Mark(Marks.UpBow).Mark(Marks.Staccato).Mark(Marks.DownBow);
        Assert.Equal(Marks.DownBow | Marks.Staccato, staff.Score.Events.Single().Marks);
        Assert.Equal(Marks.DownBow, staff.Mark(Marks.Staccato).Score.Events.Single().Marks);
    }

    [Fact]
    public void Repeats_and_endings()
    {
        var staff = Typed(New(), "++GABC")
            .MoveTo(new Caret(1, 1))
            .Ending(1)
            .RepeatEnd()
            .MoveTo(new Caret(2, 1))
            .Ending(2);
        Assert.Equal([0, 1, 0, 2, 3], Coppia.Core.Form.PlayOrder.Of(staff.Score).Select(p => p.Bar));
    }

    [Fact]
    public void What_was_copied_is_put_in_as_long_as_it_was()
    {
        var staff = Typed(New(), "GAB+G");
        Assert.Equal(
            "G4:1/4 A4:1/4 B4:1/4 G4:1/4- | G4:1/4 G4:1/4 A4:1/4",
            Written(staff.Paste(Typed(New(), "GA").Score.Events))
        );
    }

    private static readonly Gen<string> Keys = Gen.String[Gen.Char["ABCDEFGABCDEFGrr++--.<>xXunotlS#sshe:"], 1, 60];

    [Fact] // Whatever is typed: no bar holds too much or nothing, ties lead to the same note, and names stay single.
    public void Any_keys_leave_every_bar_whole_or_lacking() =>
        (from keys in Keys from time in Gen.Int[0, 3] from pickUp in Gen.Bool select (keys, time, pickUp)).Sample(
            typed =>
            {
                TimeSignature[] times = [Four, new(3, 4), new(6, 8), new(2, 4)];
                var staff = Typed(New(2, times[typed.time], typed.pickUp ? Fraction.Quarter : null), typed.keys);
                for (var bar = 0; bar < staff.Score.Bars.Count; bar++)
                {
                    Assert.True(staff.LackingIn(bar) >= Fraction.Zero, $"{typed.keys}: {Written(staff)}");
                    Assert.NotEmpty(staff.Score.Bars[bar].Events);
                }

                ScoreEvent[] events = [.. staff.Score.Events];
                Assert.All(
                    events.Zip(events.Skip(1)),
                    p => Assert.True(!p.First.TiedOn || p.First.Pitch == p.Second.Pitch)
                );
                Assert.False(events[^1].TiedOn);
                Assert.Equal(events.Length, events.Select(e => e.Id).Distinct().Count());
                Assert.Equal(events.Sum(e => e.SlurStarts), events.Sum(e => e.SlurStops));
                Assert.True(
                    staff.Caret.Bar < staff.Score.Bars.Count
                        && staff.Caret.At <= staff.Score.Bars[staff.Caret.Bar].Events.Count
                );
            },
            iter: 2000
        );

    [Fact] // Cost grows with the bars, not with their square: notes at the end of a long line are still written.
    public void A_thousand_notes_are_written() =>
        Assert.Equal(250, Typed(New(), new string('A', 1000)).Score.Bars.Count);
}
