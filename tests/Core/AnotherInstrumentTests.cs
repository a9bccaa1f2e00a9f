namespace Coppia.Tests;

/// <summary>
/// A sheet that was made for one instrument, for another (craft 12: the same content, each in its clef and octave).
/// </summary>
public class AnotherInstrumentTests
{
    private static readonly KeySignature D = new(2);

    private static Player Of(string instrument) => new(Lines.Instrument(instrument));

    // Written by hand: the octave down where the other lives lower, and the finger of its own hand (craft 3, common
    // practice).
    [Theory]
    [InlineData("viola", "F#4", "D2")]
    [InlineData("cello", "F#3", "D3")]
    [InlineData("bass", "F#3", "D4")]
    public void A_place_to_find_is_that_of_the_other_hand(string to, string note, string pair)
    {
        var (violin, other) = (Of("violin"), Of(to));
        NoteQuestion[] asked =
        [
            .. new[] { "D4", "F#4", "A4" }.Select(n => new NoteQuestion(
                QuestionKind.Find,
                Pitch.Parse(n),
                D,
                new Pair(n == "A4" ? 2 : 1, n == "F#4" ? 2 : 0, n == "F#4" ? PlaceWord.Regular : PlaceWord.Open)
            )),
        ];
        var moved = Assert.IsType<NoteQuestion>(AnotherInstrument.Of(asked, violin, other)[1]);
        Assert.Equal((note, pair), (moved.Note.ToString(), Labels.Pair(moved.Place!.Value, other)));
    }

    [Fact]
    public void Lines_and_spaces_stay_where_they_are()
    {
        var asked = new NoteQuestion(QuestionKind.LineOrSpace, Pitch.Parse("F4"), default);
        // Space 1: F in treble clef, G in alto clef, A in bass clef (craft 1 and 19).
        Assert.Equal(
            "G3",
            ((NoteQuestion)AnotherInstrument.Of([asked], Of("violin"), Of("viola"))[0]!).Note.ToString()
        );
        Assert.Equal(
            "A2",
            ((NoteQuestion)AnotherInstrument.Of([asked], Of("violin"), Of("cello"))[0]!).Note.ToString()
        );
    }

    [Fact]
    public void A_shape_on_a_string_that_is_not_there_is_left_out()
    {
        var key = new ScaleKey(2, ScaleForm.Major);
        Question[] asked = [new ShapeQuestion(key, 3, "I", Drawn: true), new ShapeQuestion(key, 1, "I", Drawn: true)];
        var moved = AnotherInstrument.Of(asked, Of("violin"), Of("cello"));
        Assert.Null(moved[0]); // a cello has no E string
        Assert.Equal(2, Assert.IsType<ShapeQuestion>(moved[1]).String); // D
    }

    [Fact]
    public void Every_kind_moves_as_a_whole_and_can_be_played()
    {
        foreach (var from in StringSection.All)
        foreach (var to in StringSection.All.Where(i => i.Id != from.Id))
        foreach (var kind in ExerciseKind.All.Where(k => !k.IsPlayed))
        foreach (var seed in Enumerable.Range(1, 3))
        {
            var (giver, taker) = (new Player(from), new Player(to));
            var asked = Sheet
                .Of(
                    new SheetRequest
                    {
                        Kind = kind,
                        Players = [giver],
                        Seed = seed,
                    }
                )[0]
                .Items.Select(i => i.Question)
                .ToArray();
            var moved = AnotherInstrument.Of(asked, giver, taker);
            var said = $"{from.Id} {to.Id} {kind} {seed}";
            Assert.Equal(asked.Length, moved.Count);
            Assert.True(moved.Count(m => m is not null) * 2 >= asked.Length, said);
            // One move for all, by whole octaves; lines, spaces, heads and signs keep their places instead.
            var steps = asked
                .Zip(moved)
                .Where(q => q.Second is not null)
                .Select(q => (First(q.First), First(q.Second!)))
                .Where(p => p is { Item1: not null, Item2: not null })
                .Select(p => p.Item2!.Value.Step - p.Item1!.Value.Step)
                .Distinct()
                .ToArray();
            Assert.True(steps.Length <= 1 && steps.All(s => s % 7 == 0), said);
        }
    }

    private static Pitch? First(Question question) =>
        question switch
        {
            NoteQuestion { Kind: not (QuestionKind.LineOrSpace or QuestionKind.Stem) } q => q.Note,
            BarsQuestion q => q.Music.Events.Select(e => e.Pitch).OfType<Pitch>().First(),
            ScaleQuestion q => q.First,
            _ => null,
        };
}
