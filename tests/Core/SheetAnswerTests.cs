namespace Coppia.Tests;

/// <summary>
/// The answers, worked out anew without the program's rules: tables of first position written by hand, letters counted
/// on the staff, beats added up, strokes that alternate.
/// </summary>
public class SheetAnswerTests
{
    /// <summary>
    /// Plain places in D major, from the lowest string up (craft 3, 6 and 19, common practice); bass C♯ and D lie in
    /// third position. What only an opened hand plays is not asked unless it is wished for.
    /// </summary>
    private static readonly Dictionary<string, string> InD = new()
    {
        ["violin"] =
            "G3 G0,A3 G1,B3 G2,C#4 GH3,D4 D0,E4 D1,F#4 D2,G4 D3,A4 A0,B4 A1,C#5 A2,D5 A3,E5 E0,F#5 E1,G5 "
            + "EL2,A5 E3,B5 E4",
        ["viola"] =
            "C#3 CL1,D3 C1,E3 C2,F#3 CH3,G3 G0,A3 G1,B3 G2,C#4 GH3,D4 D0,E4 D1,F#4 D2,G4 D3,A4 A0,B4 A1,C#5 "
            + "A2,D5 A3,E5 A4",
        ["cello"] = "D2 C1,E2 C3,G2 G0,A2 G1,B2 G3,D3 D0,E3 D1,F#3 D3,G3 D4,A3 A0,B3 A1,C#4 A3,D4 A4",
        ["bass"] = "E2 E0,F#2 E1,G2 E2,A2 A0,B2 A1,C#3 A4,D3 D0,E3 D1,F#3 D4,G3 G0,A3 G1,B3 G4,C#4 G2,D4 G4",
    };

    /// <summary>The bass in F lies in half position (craft 19); its top C is the first finger in third.</summary>
    private const string BassInF =
        "E2 E0,F2 E1,G2 E4,A2 A0,Bb2 A1,C3 A4,D3 D0,E3 D2,F3 D4,G3 G0,A3 G2,Bb3 G4,C4 G1,D4 G4";

    private static IReadOnlyList<SheetItem> Items(
        ExerciseKind kind,
        string instrument,
        int fifths = 2,
        int count = 60,
        int seed = 1
    ) =>
        Sheet
            .Of(
                new SheetRequest
                {
                    Kind = kind,
                    Players = [new Player(Lines.Instrument(instrument))],
                    Key = new ScaleKey(fifths, ScaleForm.Major),
                    Count = count,
                    Seed = seed,
                }
            )[0]
            .Items;

    private static string Sign(Placement p, Instrument instrument) =>
        instrument.StringName(p.String)
        + p.Word switch
        {
            PlaceWord.Low => "L",
            PlaceWord.High => "H",
            PlaceWord.Back or PlaceWord.Forward => "x",
            _ => "",
        }
        + p.Finger;

    private static Dictionary<string, string> Table(string rows) =>
        rows.Split(',').Select(r => r.Split(' ')).ToDictionary(r => r[0], r => r[1]);

    [Theory]
    [InlineData("violin", 2)]
    [InlineData("viola", 2)]
    [InlineData("cello", 2)]
    [InlineData("bass", 2)]
    [InlineData("bass", -1)]
    public void String_and_finger_are_those_that_a_class_learns_first(string instrument, int fifths)
    {
        var table = Table(fifths == -1 ? BassInF : InD[instrument]);
        var items = Items(ExerciseKind.FingerIt, instrument, fifths);
        Assert.Equal(
            table.Keys.Order(),
            items.Select(i => ((NoteQuestion)i.Question).Note.ToString()).Distinct().Order()
        );
        Assert.All(
            items,
            i =>
                Assert.Equal(
                    table[((NoteQuestion)i.Question).Note.ToString()],
                    Sign(((PairAnswer)i.Answer).Place, Lines.Instrument(instrument))
                )
        );
    }

    [Theory] // The fourth finger sounds the next open string (craft 3).
    [InlineData("A4", "A0 D4")]
    [InlineData("D4", "D0 G4")]
    [InlineData("E5", "E0 A4")]
    [InlineData("F#4", "D2")]
    [InlineData("B5", "E4")]
    public void Every_right_pair_is_in_the_key(string note, string pairs)
    {
        var player = new Player(Lines.Instrument("violin"));
        var answer = (PairAnswer)
            Answers.To(new NoteQuestion(QuestionKind.Finger, Pitch.Parse(note), new KeySignature(2)), player);
        Assert.Equal(pairs, string.Join(' ', answer.All.Select(p => Sign(p, player.Instrument))));
    }

    [Theory] // Bottom lines: E4, F3, G2 (craft 1).
    [InlineData("violin", "E", 4)]
    [InlineData("viola", "F", 3)]
    [InlineData("cello", "G", 2)]
    [InlineData("bass", "G", 2)]
    public void Letters_are_counted_up_from_the_bottom_line(string instrument, string letter, int octave)
    {
        const string letters = "CDEFGAB";
        foreach (
            var kind in new[]
            {
                ExerciseKind.NameIt,
                ExerciseKind.WriteIt,
                ExerciseKind.LineOrSpace,
                ExerciseKind.Stems,
            }
        )
        {
            foreach (var item in Items(kind, instrument))
            {
                var note = ((NoteQuestion)item.Question).Note;
                var height =
                    (note.Octave - octave) * 7
                    + letters.IndexOf(note.Letter.ToString(), StringComparison.Ordinal)
                    - letters.IndexOf(letter, StringComparison.Ordinal);
                switch (item.Answer)
                {
                    case NameAnswer a:
                        // In D major F and C are sharp.
                        Assert.Equal(
                            "FC".Contains(note.Letter.ToString(), StringComparison.Ordinal)
                                ? $"{note.Letter}♯"
                                : $"{note.Letter}",
                            a.Note.Name
                        );
                        Assert.Equal("FC".Contains(note.Letter.ToString(), StringComparison.Ordinal), a.BySignature);
                        break;
                    case NoteAnswer a:
                        Assert.Equal((note, height), (a.Note, a.Place.Height));
                        break;
                    case StaffAnswer a:
                        Assert.Equal((height % 2 == 0, true), (a.Place.OnLine, a.Place.OnStaff));
                        break;
                    case StemAnswer a:
                        Assert.Equal(height < 4, a.IsUp);
                        break;
                }
            }
        }
    }

    [Fact] // What is played on a string is found on that string, so high above the nut.
    public void A_note_is_found_on_the_string_that_is_named()
    {
        foreach (var instrument in StringSection.All)
        {
            foreach (var item in Items(ExerciseKind.FindIt, instrument.Id))
            {
                var (asked, answer) = ((NoteQuestion)item.Question, (PairAnswer)item.Answer);
                Assert.Equal(asked.Place!.Value.String, answer.Place.String);
                Assert.Equal(asked.Note.Midi - instrument.Strings[answer.Place.String].Midi, answer.Place.Semitones);
                Assert.Single(answer.All);
            }
        }
    }

    [Theory] // Where engravers put the signs (common practice); heights from the bottom line.
    [InlineData("violin", 4, "8 5 9 6")]
    [InlineData("violin", -4, "4 7 3 6")]
    [InlineData("viola", 4, "7 4 8 5")]
    [InlineData("viola", -4, "3 6 2 5")]
    [InlineData("cello", 4, "6 3 7 4")]
    [InlineData("bass", -4, "2 5 1 4")]
    [InlineData("violin", 7, "8 5 9 6 3 7 4")]
    [InlineData("cello", -7, "2 5 1 4 0 3 -1")]
    public void Signs_of_a_signature_have_their_places(string instrument, int fifths, string heights)
    {
        var answer = (SignatureAnswer)
            Answers.To(new SignatureQuestion(fifths, Written: true), new Player(Lines.Instrument(instrument)));
        Assert.Equal(heights, string.Join(' ', answer.Places.Select(p => p.Height)));
        // Each sign stands on a line or space of its letter.
        Assert.Equal(
            answer.Key.ChangedLetters,
            answer.Places.Select(p => Lines.Instrument(instrument).FirstClef.PitchAt(p.Height).Letter)
        );
    }

    private static readonly string[] Meters = ["4/4", "3/4", "2/4", "6/8"];

    private static IEnumerable<(SheetItem Item, int Beats, int Unit)> OfRhythm(ExerciseKind kind)
    {
        foreach (var meter in Meters)
        {
            var (beats, unit) = (int.Parse(meter[..1], null), int.Parse(meter[2..], null));
            for (var seed = 1; seed <= Rounds.Of(60); seed++)
            {
                var request = new SheetRequest
                {
                    Kind = kind,
                    Players = [new Player(Lines.Instrument("violin"))],
                    Meter = new TimeSignature(beats, unit),
                    Seed = seed,
                    // Sixteenths and dotted quarters too, every second time.
                    Values =
                        seed % 2 == 0 ? [] : [new(0), new(1, 1), new(1), new(2, 1), NoteValue.Quarter, new(3), new(4)],
                };
                foreach (var item in Sheet.Of(request)[0].Items)
                    yield return (item, beats, unit);
            }
        }
    }

    /// <summary>Length in 192nds of a whole note: fine enough for triplets and dots.</summary>
    private static int Length(NoteValue value)
    {
        var plain = 192 >> value.Log;
        var dotted = plain + (value.Dots > 0 ? plain / 2 : 0);
        return value.TupletActual == 3 ? dotted * 2 / 3 : dotted;
    }

    [Fact]
    public void Sums_of_beats_add_up()
    {
        var tasks = new HashSet<BeatSum>();
        foreach (var (item, beats, unit) in OfRhythm(ExerciseKind.BeatSums))
        {
            var asked = (BeatQuestion)item.Question;
            var bar = 192 * beats / unit;
            int[] lengths = [.. asked.Row.Events.Select(e => Length(e.Value))];
            tasks.Add(asked.Sum);
            switch (item.Answer)
            {
                case ValueAnswer a:
                    Assert.Equal(bar, lengths.Where((_, i) => i != asked.Gap).Sum() + Length(a.Value));
                    break;
                case SumAnswer a:
                    Assert.Equal(lengths.Sum() == bar, a.IsRight);
                    break;
                case BarlinesAnswer a:
                    Assert.Equal(2, a.After.Count);
                    Assert.Equal(
                        [bar, 2 * bar, 3 * bar],
                        [lengths.Take(a.After[0]).Sum(), lengths.Take(a.After[1]).Sum(), lengths.Sum()]
                    );
                    break;
            }
        }

        Assert.Equal(3, tasks.Count);
    }

    [Fact] // Every beat is counted once, what begins between beats by & and its kind (craft 9).
    public void Syllables_count_every_beat()
    {
        foreach (var (item, beats, unit) in OfRhythm(ExerciseKind.CountIt))
        {
            var music = ((BarsQuestion)item.Question).Music;
            var said = ((CountAnswer)item.Answer).Marks.Where(m => m.Within.IsZero).Select(m => m.Beat + 1).ToArray();
            Assert.Equal(
                Enumerable.Range(0, music.Bars.Count).SelectMany(_ => Enumerable.Range(1, beats)).Select(b => (long)b),
                said
            );
            Assert.All(music.Bars, b => Assert.Equal(192 * beats / unit, b.Events.Sum(e => Length(e.Value))));
        }
    }

    [Fact] // First down, a pick-up up; every stroke turns, a slur is one stroke, after a lift down again (craft 8).
    public void Strokes_alternate()
    {
        var seen = (Slurs: 0, Lifts: 0, PickUps: 0);
        foreach (var (item, beats, unit) in OfRhythm(ExerciseKind.BowIt))
        {
            var music = ((BarsQuestion)item.Question).Music;
            var (down, inSlur, strokes) = (true, false, new List<BowDirection>());
            var pickUp = music.Bars[0].Events.Sum(e => Length(e.Value)) < 192 * beats / unit;
            if (pickUp)
                down = false;
            foreach (var e in music.Events)
            {
                if (!inSlur)
                {
                    strokes.Add(down ? BowDirection.Down : BowDirection.Up);
                    down = !down;
                }

                inSlur = e.SlurStarts > 0 || inSlur && e.SlurStops == 0;
                if (e.Has(Marks.LiftAfter))
                    down = true;
                seen = (
                    seen.Slurs + e.SlurStarts,
                    seen.Lifts + (e.Has(Marks.LiftAfter) ? 1 : 0),
                    seen.PickUps + (pickUp ? 1 : 0)
                );
            }

            Assert.Equal(strokes, ((BowAnswer)item.Answer).Strokes.Select(s => s.Way));
            // A curve between two equal notes would be a tie.
            Assert.All(music.Events.Zip(music.Events.Skip(1)), n => Assert.NotEqual(n.First.Pitch, n.Second.Pitch));
        }

        Assert.True(seen is { Slurs: > 0, Lifts: > 0, PickUps: > 0 });
    }

    [Fact] // One place, and only one, sounds otherwise.
    public void Two_bars_differ_in_one_beat()
    {
        foreach (var (item, beats, unit) in OfRhythm(ExerciseKind.SpotDifference))
        {
            var bars = ((BarsQuestion)item.Question).Music.Bars;
            string Beat(Bar bar, int beat)
            {
                var (at, sounding) = (0, new List<string>());
                foreach (var e in bar.Events)
                {
                    if (at / (192 / unit) == beat)
                        sounding.Add($"{at} {e.Pitch} {Length(e.Value)}");
                    at += Length(e.Value);
                }

                return string.Join(',', sounding);
            }

            var differ = Enumerable
                .Range(0, beats)
                .Where(b => Beat(bars[0], b) != Beat(bars[1], b))
                .Select(b => b + 1L)
                .ToArray();
            Assert.Equal(((DifferenceAnswer)item.Answer).Beat.WholeTimes(Fraction.Whole), Assert.Single(differ));
        }
    }

    [Theory] // Whole, whole, half, whole, whole, whole, half (craft 5).
    [InlineData("violin", 2, "D4 E4 F#4 G4 A4 B4 C#5 D5")]
    [InlineData("viola", 0, "C3 D3 E3 F3 G3 A3 B3 C4")]
    [InlineData("cello", -1, "F2 G2 A2 Bb2 C3 D3 E3 F3")]
    [InlineData("bass", 1, "G2 A2 B2 C3 D3 E3 F#3 G3")]
    public void A_scale_is_built_from_its_first_note(string instrument, int fifths, string notes)
    {
        var scales = Items(ExerciseKind.ScaleBuilder, instrument, fifths, count: 1).Select(i => (ScaleAnswer)i.Answer);
        var all = Enumerable
            .Range(1, 40)
            .SelectMany(s => Items(ExerciseKind.ScaleBuilder, instrument, fifths, count: 1, seed: s))
            .Select(i => (ScaleAnswer)i.Answer);
        Assert.Contains(notes, scales.Concat(all).Select(a => string.Join(' ', a.Notes)));
        Assert.All(all, a => Assert.Equal([3, 7], a.HalfSteps));
    }
}
