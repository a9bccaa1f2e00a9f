using Coppia.Formats.Records;

namespace Coppia.Tests;

/// <summary>What a tune contains, what of it is new to a class, and how hard that makes it. Source: craft 15.</summary>
public class NewsTests
{
    private static PlayerReading Reading(
        string instrument,
        string key,
        string music,
        string meter = "4/4",
        ClassKnowledge? known = null
    )
    {
        var player = new Player(Lines.Instrument(instrument), known: known);
        return PlayerReading.Of(Lines.Score(key, music, meter), player.Instrument, player);
    }

    private static IReadOnlyList<MetThing> Met(
        string instrument,
        string key,
        string music,
        string meter = "4/4",
        ClassKnowledge? known = null
    ) => TuneContents.Of(Reading(instrument, key, music, meter, known));

    private static ClassKnowledge Knowing(params string[] things) => ClassKnowledge.Of(things.Select(ThingText.Parse));

    private static ClassKnowledge UpTo(Stage stage, string instrument) =>
        ClassKnowledge.Of(UsualOrder.UpTo(stage, [Lines.Instrument(instrument)]));

    private static string Texts(IEnumerable<KnownThing> things) =>
        string.Join(", ", things.Select(ThingText.Of).Order(StringComparer.Ordinal));

    [Theory]
    // The plainest music there is: four open As.
    [InlineData("violin", "D", "A A A A", "4/4", "key 2, meter 4/4, note violin A4 A4, value 1/4")]
    [InlineData("viola", "D", "A A A A", "4/4", "key 2, meter 4/4, note viola A4 A4, value 1/4")]
    [InlineData("cello", "D", "A, A, A, A,", "4/4", "key 2, meter 4/4, note cello A3 A3, value 1/4")]
    [InlineData("bass", "D", "A,, A,, A,, A,,", "4/4", "key 2, meter 4/4, note bass A2 A2, value 1/4")]
    [InlineData(
        "violin",
        "D",
        "D D E2",
        "4/4",
        "finger violin regular 1, key 2, meter 4/4, note violin D4 D4, note violin D4 E4, position violin I, "
            + "value 1/2, value 1/4"
    )]
    [InlineData(
        "cello",
        "C",
        "C, z C,2",
        "4/4",
        "finger cello regular 4, key 0, meter 4/4, note cello G2 C3, position cello I, rest 1/4, value 1/2, value 1/4"
    )]
    [InlineData(
        "violin",
        "D",
        "A3/2 A/ A A",
        "4/4",
        "key 2, meter 4/4, note violin A4 A4, value 1/4, value 1/4., value 1/8"
    )]
    [InlineData(
        "violin",
        "D",
        "A/ A/4 A/4 A",
        "2/4",
        "key 2, meter 2/4, note violin A4 A4, rhythm 1/2 1/4 1/4, value 1/16, value 1/4, value 1/8"
    )]
    [InlineData(
        "violin",
        "D",
        "A/ A A/ A A",
        "4/4",
        "key 2, meter 4/4, note violin A4 A4, sign syncopation, value 1/4, value 1/8"
    )]
    [InlineData(
        "violin",
        "D",
        "A A/ A A/",
        "6/8",
        "key 2, meter 6/8, note violin A4 A4, rhythm 2/3 1/3, value 1/4, value 1/8"
    )]
    [InlineData(
        "violin",
        "D",
        "A A/ A A/",
        "3/4",
        "key 2, meter 3/4, note violin A4 A4, sign syncopation, value 1/4, value 1/8"
    )]
    [InlineData(
        "violin",
        "D",
        "A A/ A3/2",
        "6/8",
        "key 2, meter 6/8, note violin A4 A4, rhythm 2/3 1/3, value 1/4, value 1/4., value 1/8"
    )]
    // A cut bar is still counted in the quarters of a beginner.
    [InlineData(
        "violin",
        "D",
        "A A/ A/ A2",
        "2/2",
        "key 2, meter 2/2, note violin A4 A4, value 1/2, value 1/4, value 1/8"
    )]
    [InlineData("violin", "D", "(A A) (A A)", "4/4", "key 2, meter 4/4, note violin A4 A4, slur 2, value 1/4")]
    [InlineData(
        "violin",
        "D",
        "(.A .A) .A A",
        "4/4",
        "key 2, meter 4/4, note violin A4 A4, sign dots, sign hook, value 1/4"
    )]
    [InlineData("violin", "D", "A4-|A4", "4/4", "key 2, meter 4/4, note violin A4 A4, sign tie, value 1/1")]
    [InlineData(
        "violin",
        "D",
        "|:!p!A !accent!A !fermata!A2:|",
        "4/4",
        "dynamic p, key 2, meter 4/4, note violin A4 A4, sign accent, sign fermata, sign repeat, value 1/2, value 1/4"
    )]
    public void A_tune_contains_exactly_what_is_printed(
        string instrument,
        string key,
        string music,
        string meter,
        string things
    ) => Assert.Equal(things, Texts(Met(instrument, key, music, meter).Select(m => m.Thing)));

    [Fact]
    public void A_sign_before_a_note_is_met_where_the_signature_says_otherwise()
    {
        var met = Met("violin", "D", "=c c ^c =c|c c2 c").Single(m => m.Thing == new KnownSign(LearnedSign.Accidental));
        Assert.Equal(["b1n1", "b1n3", "b1n4"], met.NoteIds);
    }

    [Fact] // Craft 15: "one note you have not met: A, first finger on G, bar 14, three times".
    public void What_is_new_is_said_exactly()
    {
        var music = string.Join('|', Enumerable.Repeat("D E F G", 13)) + "|A, D A, D|D D A,2|";
        var reading = Reading("violin", "D", music);
        var known = UpTo(Stage.RestsAndEighths, "violin");
        var news = News.In(TuneContents.Of(reading), known);
        Assert.Equal(
            "A note you have not met: A, first finger on G, first in bar 14, three times.",
            new NewsWords(HouseStyle.Default).Sentence(Assert.Single(news.Of))
        );
    }

    [Theory]
    [InlineData("violin", Stage.OuterString, "D E =F E|=c B A2", "low second finger: F on D and C on A")]
    [InlineData("cello", Stage.OuterString, "D, E, =F, E,|=C B, A,2", "second finger: F on D and C on A")]
    [InlineData("viola", Stage.OuterString, "D E =F E|=c B A2", "low second finger: F on D and C on A")]
    public void A_new_finger_is_one_thing_with_the_notes_it_brings(
        string instrument,
        Stage stage,
        string music,
        string words
    )
    {
        var known = ClassKnowledge.Of(
            UsualOrder.UpTo(stage, [Lines.Instrument(instrument)]).Append(new KnownSign(LearnedSign.Accidental))
        );
        var news = News.In(Met(instrument, "D", music, known: known), known);
        var only = Assert.Single(news.Of);
        Assert.Equal(words, new NewsWords(HouseStyle.Default).Name(only));
        // A place of a finger off its regular one weighs 4, a plain finger 3, each note that comes with it 1.
        Assert.Equal(instrument is "violin" or "viola" ? 6 : 5, HowHard.Of(news, 0).Weight);
        Assert.Equal(Reach.Next, HowHard.Of(news, 0).Reach);
    }

    [Fact]
    public void How_hard_is_told_in_its_parts()
    {
        var known = UpTo(Stage.FirstFingers, "violin");
        var news = News.In(Met("violin", "G", "(G A) B z|A, B, D2|", "3/4", known), known);
        // G major, 3/4, a slur over two, a quarter rest, A and B on the G string.
        Assert.Equal(
            "two new notes (4), one new signature (3), one new meter (3), "
                + "one new rest (2) and one new slur (2): 14 in all",
            NewsWords.Parts(HowHard.Of(news, 0))
        );
        // With a step of two and a half points beside it.
        Assert.EndsWith(
            ", one new slur (2) and its hardest step (3): 17 in all",
            NewsWords.Parts(HowHard.Of(news, 2.5)),
            StringComparison.Ordinal
        );
        Assert.Equal("nothing new; its hardest step (2)", NewsWords.Parts(HowHard.Of(News.None, 2)));
        Assert.Equal(Reach.Far, HowHard.Of(news, 0).Reach);
        Assert.Equal("nothing new", NewsWords.Parts(HowHard.Of(News.None, 0)));
    }

    [Fact]
    public void Before_a_line_only_what_first_comes_in_it_is_new()
    {
        var reading = Reading("violin", "D", "D E F G|A4|\nA, D A, D|z4|");
        var news = News.In(TuneContents.Of(reading), UpTo(Stage.FirstFingers, "violin"));
        var said = reading
            .BeforeLines(news)
            .Select(l => l.Where(r => r.Kind == RemarkKind.New).Select(reading.Text).ToArray())
            .ToArray();
        Assert.Empty(said[0]);
        Assert.Equal(
            [
                "A note you have not met: A, first finger on G, first in bar 3, twice.",
                "A rest you have not met: whole rest, bar 4, once.",
            ],
            said[1]
        );
    }

    [Fact]
    public void Where_no_record_is_kept_nothing_is_called_new() =>
        Assert.Empty(News.In(Met("violin", "E", "E F G A"), ClassKnowledge.Beginner).Of);

    /// <summary>New and known together are everything in the tune, and what was learned is new no more.</summary>
    [Fact]
    public void New_and_known_are_everything_in_the_tune()
    {
        foreach (var seed in Enumerable.Range(1, 60))
        {
            var instrument = StringSection.All[seed % 4];
            var low = instrument.Strings[0].Step;
            var score = RandomTunes.Song(seed, low, low + 16);
            var chance = new Random(seed);
            var all = TuneContents.Of(PlayerReading.Of(score, instrument, new Player(instrument)));
            var things = all.Select(m => m.Thing).ToHashSet();
            Assert.NotEmpty(things);
            Assert.Equal(things.Count, all.Count);
            var known = ClassKnowledge.Of(things.Where(_ => chance.Next(2) == 0));
            var news = News.In(all, known);
            Assert.Equal(Texts(things), Texts(news.Things.Concat(things.Where(known.Knows))));
            Assert.Empty(News.In(all, ClassKnowledge.Of(known.Things!.Concat(news.Things))).Of);
            Assert.Equal(things.Count(t => !known.Knows(t)), news.Things.Count());
        }
    }

    /// <summary>
    /// Counted anew from the rows of the reading and the printed events, without the code under test.
    /// </summary>
    [Fact]
    public void Notes_and_values_are_those_of_the_rows()
    {
        foreach (var seed in Enumerable.Range(1, 40))
        {
            var reading = PlayerReading.Of(
                RandomTunes.Song(seed, 24, 38),
                StringSection.Violin,
                new Player(StringSection.Violin)
            );
            var met = TuneContents.Of(reading);
            var played = reading.Notes.Where(n => n.Placement is not null).ToArray();
            Assert.Equal(
                played
                    .GroupBy(n => (n.Placement!.Value.String, n.Note.Pitch))
                    .Select(g => $"{g.Key} {g.Count()}")
                    .Order(),
                met.Where(m => m.Thing is KnownNote)
                    .Select(m => (Note: (KnownNote)m.Thing, m.Times))
                    .Select(m =>
                        $"{(reading.Instrument.Strings.ToList().IndexOf(m.Note.Open), m.Note.Pitch)} {m.Times}"
                    )
                    .Order()
            );
            Assert.Equal(
                reading
                    .Score.Events.Where(e => !e.IsRest)
                    .GroupBy(e => e.Value)
                    .Select(g => $"{g.Key} {g.Count()}")
                    .Order(),
                met.Where(m => m.Thing is KnownValue).Select(m => $"{((KnownValue)m.Thing).Value} {m.Times}").Order()
            );
        }
    }

    private static string Pairs(string instrument, string key, string music, ClassKnowledge known) =>
        Lines.ByBar(Fingers.Choose(Lines.Score(key, music), new Player(Lines.Instrument(instrument), known: known)));

    /// <summary>What the class has not learned is the dearest of all (craft 6).</summary>
    [Theory]
    // The fourth finger only where nothing else in the position sounds the note: B on the E string.
    [InlineData("violin", "D", "(G A) G F", Stage.OuterString, "D3 A0 D3 D2")]
    [InlineData("violin", "D", "G/ A/ G/ F/", Stage.OuterString, "D3 A0 D3 D2")]
    [InlineData("violin", "D", "(G A) G F", Stage.FourthFinger, "D3 D4 D3 D2")]
    [InlineData("violin", "A", "a b a", Stage.OuterString, "E3 E4 E3")]
    // With G, D and A in use and the fourth finger, E lies on the A string.
    [InlineData("violin", "D", "d e d e", Stage.FourthFinger, "A3 E0 A3 E0")]
    // The stretch back is learned before half position.
    [InlineData("cello", "F", "A, B, A,", Stage.LowFirst, "A0 A-x1 A0")]
    public void The_class_plays_what_it_has_learned(
        string instrument,
        string key,
        string music,
        Stage stage,
        string pairs
    ) => Assert.Equal(pairs, Pairs(instrument, key, music, UpTo(stage, instrument)));

    /// <summary>
    /// Where nothing was learned for a note, it is played as a beginner would, not far up the neck: G♯ on the cello's D
    /// string by the forward stretch (craft 19), beside an E that no first position reaches.
    /// </summary>
    [Fact]
    public void What_has_no_learned_way_is_played_as_ever()
    {
        const string Music = "^G, A, E, A, ^G,";
        Assert.Equal(
            Pairs("cello", "C", Music, ClassKnowledge.Beginner),
            Pairs("cello", "C", Music, UpTo(Stage.OuterString, "cello"))
        );
        Assert.Equal("D-x4 A0 A1", Pairs("cello", "C", "^G, A, B,", UpTo(Stage.OuterString, "cello")));
    }

    [Fact]
    public void A_string_that_is_not_in_use_is_left_alone()
    {
        var withoutE = UsualOrder
            .UpTo(Stage.FourthFinger, [StringSection.Violin])
            .Where(t => t is not KnownNote n || n.Open.Letter != Letter.E);
        Assert.Equal("A3 A4 A3 A4", Pairs("violin", "D", "d e d e", ClassKnowledge.Of(withoutE)));
    }

    [Fact]
    public void Half_position_stands_in_for_a_stretch_that_was_not_learned()
    {
        var known = UsualOrder
            .UpTo(Stage.OuterString, [StringSection.Cello])
            .Append(ThingText.Parse("position cello half"));
        Assert.Equal("A0 A1 A0", Pairs("cello", "F", "A, B, A,", ClassKnowledge.Of(known)));
        Assert.Equal(
            "A0 A-x1 A0",
            Pairs("cello", "F", "A, B, A,", ClassKnowledge.Of(known.Append(ThingText.Parse("finger cello back 1"))))
        );
    }

    /// <summary>Craft 6: without the fourth finger, only where nothing else in the position sounds the note.</summary>
    [Fact]
    public void Without_the_fourth_finger_it_comes_only_where_nothing_else_does()
    {
        var known = UpTo(Stage.OuterString, "violin");
        foreach (var seed in Enumerable.Range(1, 60))
        {
            var fingers = Fingers.Choose(
                RandomTunes.Song(seed, 24, 40),
                new Player(StringSection.Violin, known: known)
            );
            foreach (var note in fingers.Notes.Where(n => n.Placement is { Finger: 4, Word: PlaceWord.Regular }))
            {
                var midi = note.Note.Pitch.Midi;
                Assert.DoesNotContain(StringSection.Violin.Strings, s => s.Midi == midi);
                Assert.True(note.Beyond);
            }
        }
    }

    [Fact]
    public void A_note_that_was_not_learned_is_beyond_the_class()
    {
        var reading = Reading("violin", "A", "a b a2", known: UpTo(Stage.OuterString, "violin"));
        Assert.Equal([false, true, false], reading.Notes.Select(n => n.Fingered.Beyond));
        Assert.Contains(
            "One note lies beyond what the class has learned (marked *).",
            new ReadingWords(reading).BeforeTheFirstNote(octaveChosen: false)
        );
    }
}
