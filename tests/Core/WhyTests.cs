namespace Coppia.Tests;

/// <summary>Reasons as a teacher says them; they name the note's own neighbours.</summary>
public class WhyTests
{
    private static Why At(string instrument, string key, string music, int index)
    {
        var reading = Lines.Reading(instrument, key, music);
        return Why.Of(reading.Fingering, index, reading.Notes[index].SignedEarlier);
    }

    [Fact]
    public void Open_A_because_the_next_note_is_on_the_A_string() =>
        Assert.Equal(
            "Open A: the next note, B, is on the A string anyway. 4 on D also works, "
                + "but it needs the weakest finger where open A rings by itself.",
            At("violin", "D", "G A B c", 1).Choice
        );

    [Fact]
    public void Fourth_finger_because_the_bow_stays() =>
        Assert.StartsWith(
            "4 on D: G before and G after are on the D string, so the bow stays.",
            At("violin", "D", "F/ G/ A/ G/", 2).Choice,
            StringComparison.Ordinal
        );

    [Theory] // Craft 1: line or space, letter, key signature, accidental earlier in the bar.
    [InlineData("D", "F", 0, "Space 1 is F; the key signature makes it F♯.")]
    [InlineData("D", "G", 0, "Line 2 is G.")]
    [InlineData("C", "^F F", 1, "Space 1 is F; the sign earlier in this bar still holds, so it is F♯.")]
    [InlineData("D", "=F", 0, "Space 1 is F; the natural sign takes away the key signature’s sharp.")]
    [InlineData("C", "C", 0, "The note on the first ledger line below is C.")]
    public void A_note_is_read_in_a_teachers_order(string key, string music, int index, string words) =>
        Assert.Equal(words, At("violin", key, music, index).Reading);

    [Fact]
    public void The_place_is_told_by_the_tapes() =>
        Assert.Equal("Low 2: between tape 1 and tape 2, touching tape 1.", At("violin", "C", "F", 0).Place);

    [Fact]
    public void A_cello_stretch_is_named() =>
        Assert.Equal(
            "One half step above open D: first finger in first position, reaching back.",
            At("cello", "Bb clef=bass", "D, E, F,", 1).Finger
        );

    [Theory] // Where there is only one way, the sentence says how the hand comes from the note before.
    [InlineData("violin", "D", "E F G", 1, "From E, add 2, a whole step above 1.")]
    [InlineData("violin", "D", "G F E", 1, "From G, lift 3: 2 stands a half step below.")]
    [InlineData("violin", "G", "E G", 1, "From E, add 2 and 3.")]
    [InlineData("violin", "G", "G E", 1, "From G, lift 2 and 3: 1 stands below.")]
    [InlineData("violin", "G", "B, G,", 1, "From B, lift 1 and 2, and let the open string ring.")]
    [InlineData("cello", "G clef=bass", "C, A,,", 1, "From C, lift 2, 3 and 4: 1 stands below.")]
    [InlineData("bass", "D clef=bass", "B,, A,,", 1, "From B, lift 1 and let the open string ring.")]
    [InlineData("violin", "C", "^d _e", 1, "From D♯, 4 takes the place of 3: the string sounds the same.")]
    [InlineData("violin", "D", "F F", 1, "Same as the F♯ before it: leave the finger where it is.")]
    [InlineData("violin", "D", "D F", 1, "From D on the open string, put 2 down with the fingers below it.")]
    [InlineData("violin", "C", "F ^F", 1, "Finger 2 slides up from F, a half step.")]
    [InlineData("violin", "D", "B E", 1, "From B the bow crosses from the A string to the D string.")]
    [InlineData("violin", "G", "A, G,", 1, "From A, lift 1 and let the open string ring.")]
    public void A_note_with_one_way_tells_how_to_get_there(
        string instrument,
        string key,
        string music,
        int index,
        string sentence
    ) => Assert.EndsWith(sentence, At(instrument, key, music, index).Choice, StringComparison.Ordinal);

    [Theory] // The alternative is told with what it would have cost most.
    [InlineData("violin", "F", "F/ G/ A/ G/ F", 2, "Open A also works, but you would cross to it and straight back.")]
    [InlineData("violin", "F", "c (A G) F", 1, "Open A also works, but you would cross strings inside the slur.")]
    public void The_best_alternative_is_told_with_its_cost(
        string instrument,
        string key,
        string music,
        int index,
        string sentence
    ) => Assert.EndsWith(sentence, At(instrument, key, music, index).Choice, StringComparison.Ordinal);

    // Nobody thinks of half position or of an opened hand where the hand is closed in first position (common practice).
    [Theory]
    [InlineData(
        "cello",
        "D clef=bass",
        "A, B, C D",
        1,
        "It is the only place for this B in first position. From A on the open string, put 1 down."
    )]
    [InlineData(
        "cello",
        "D clef=bass",
        "A, B, C D",
        2,
        "There is one sensible finger for this C♯. From B, add 2 and 3: 3 stands a whole step above 1."
    )]
    [InlineData(
        "violin",
        "F",
        "E F G",
        1,
        "It is the only place for this F in first position. From E, add 2, a half step above 1."
    )]
    public void What_nobody_would_think_of_is_not_offered(
        string instrument,
        string key,
        string music,
        int index,
        string words
    ) => Assert.Equal(words, At(instrument, key, music, index).Choice);

    [Fact] // An open string is known to whoever has one, wherever the hand stands.
    public void An_open_string_is_never_beyond_the_class()
    {
        foreach (var player in StringSection.All)
        {
            var reading = Lines.Reading(player.Id, "A", "A B c e a e A E A,");
            Assert.All(reading.Notes.Where(n => n.Placement is { IsOpen: true }), n => Assert.False(n.Fingered.Beyond));
        }
    }

    // Where the class's positions do not reach, the reason tells the note itself from one that goes up with it.
    [Theory]
    [InlineData(
        3,
        "No allowed position reaches it, so the hand goes to third position: beyond what the class has learned."
    )]
    [InlineData(
        2,
        "The hand is in third position for a note nearby that no allowed position reaches: "
            + "beyond what the class has learned."
    )]
    public void A_note_beyond_says_why_it_is_there(int index, string sentence) =>
        Assert.StartsWith(sentence, At("viola", "D", "A A (e g) A", index).Choice, StringComparison.Ordinal);

    [Theory] // What used to be said and helped nobody; the price of the first note's fourth finger is told too.
    [InlineData("violin", "D", "(A F) G", 0, "Open A also works, but you would cross strings inside the slur.")]
    [InlineData(
        "violin",
        "C",
        "C c C",
        0,
        "It is the only place for this C in first position. C comes next, on the A string."
    )]
    [InlineData(
        "violin",
        "D",
        "A G",
        0,
        "Open A: no finger to place before G. 4 on D also works, "
            + "but it needs the weakest finger where open A rings by itself."
    )]
    [InlineData("violin", "D", "A F A", 1, "From A the bow crosses from the A string to the D string.")]
    public void Reasons_that_were_mended(string instrument, string key, string music, int index, string sentence) =>
        Assert.EndsWith(sentence, At(instrument, key, music, index).Choice, StringComparison.Ordinal);

    [Fact] // Craft 6: where a seam forces one note to differ, the reason says so.
    public void A_bar_that_comes_again_otherwise_says_so()
    {
        // The first time a slur leads on from A to G below it; the second time A has its own bow and B comes next.
        var reading = Lines.Reading("violin", "D", "F G F (A|G) F E D|F G F A|B A B2");
        Assert.Equal("D2 D3 D2 D4 D3 D2 D1 D0 D2 D3 D2 A0 A1 A0 A1", string.Join(' ', reading.Labelled()));
        Assert.Equal(11, Assert.Single(reading.Notes, n => n.Fingered.Otherwise is not null).Note.Index);
        Assert.StartsWith(
            "In bar 1 this note is 4 on D; here B comes next. Open A:",
            Why.Of(reading.Fingering, 11, false).Choice,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Every_reason_names_a_neighbour_of_its_note()
    {
        foreach (var file in Lines.DemoFiles())
        {
            var score = Formats.Books.TuneReader.Read(File.ReadAllText(file)).Score!;
            foreach (var player in StringSection.All)
            {
                var reading = PlayerReading.Of(score, PrintedFor.Of(score), new Player(player));
                foreach (
                    var (i, note) in reading
                        .Notes.Index()
                        .Where(n => n.Item.Placement is not null && n.Item.Note.Bar.EndingStart != "2")
                )
                {
                    if (reading.Notes.Skip(Math.Max(0, i - 1)).Take(3).Count(n => n.Placement is not null) < 2)
                        continue;
                    var words = Why.Of(reading.Fingering, i, note.SignedEarlier).Choice;
                    var neighbours = reading
                        .Notes.Skip(Math.Max(0, i - 1))
                        .Take(3)
                        .Where(n => n != note || reading.Notes.Count < 2)
                        .Select(n => Labels.Note(n.Note.Pitch, HouseStyle.Default));
                    Assert.True(
                        neighbours.Any(n => words.Contains(n, StringComparison.Ordinal)),
                        $"{Path.GetFileName(file)} {player.Id} bar {note.Note.Bar.Number}: {words}"
                    );
                }
            }
        }
    }
}
