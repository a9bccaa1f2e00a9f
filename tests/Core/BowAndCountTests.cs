using CsCheck;

namespace Coppia.Tests;

/// <summary>Bow directions and the counting row. Source: craft 8, 9 and 19, common practice.</summary>
public class BowAndCountTests
{
    private static string Bowed(string music, string meter = "4/4", HouseStyle? style = null)
    {
        var score = Lines.Score("D", music, meter);
        var bowing = Bows.Follow(
            SoundingNote.Of(score),
            score.Bars,
            PlayOrder.Of(score),
            (style ?? HouseStyle.Default).AfterLongRest
        );
        return string.Concat(
            bowing.Directions.Select(
                (d, i) => $"{(d == BowDirection.Down ? 'd' : 'u')}{(bowing.Again[i] is null ? "" : "!")}"
            )
        );
    }

    [Theory]
    [InlineData("D E F G", "dudu")]
    [InlineData("(D E) F G", "ddud")]
    [InlineData("A|D E F G|A3", "ududud")]
    [InlineData("A/B/|D E F G|A3", "dududud")]
    [InlineData("uD E F G", "udud")]
    [InlineData("D vE F G", "ddud")]
    [InlineData("D E !breath!F G", "dudd")]
    [InlineData("D E F z|G4", "dudu")]
    [InlineData("D4|Z|E4", "dd")]
    [InlineData("D4-|D2 E2", "du")]
    [InlineData("!breath!D4-|D2 E2", "dd")]
    [InlineData("(.D.E) F2", "ddu")] // hooked: dots under the slur, the same direction
    [InlineData("(.D.E F2)", "ddd")]
    // plucked notes have no stroke; the bow starts down after them
    [InlineData("D E \"^pizz.\"F G|\"^arco\"A B c2", "duuudud")]
    [InlineData("|:D E F G:|", "dudu")] // comes back the same way
    [InlineData("|:D E F2:|", "d!u!d!")] // comes back the other way round, all through
    [InlineData("|:D E F2|1G2 A2:|2G4|]", "d!u!d!udd")]
    public void Strokes_alternate_and_printed_signs_win(string music, string bows) => Assert.Equal(bows, Bowed(music));

    [Theory] // Craft 19, common practice: a hooked 4/4 bar, its mirror, and a dotted half in each bar of 3/4.
    [InlineData("(.D.E) F2", "4/4", "ddu")]
    [InlineData("D2 (.E.F)", "4/4", "duu")]
    [InlineData("D3|E3|F3|G3", "3/4", "dudu")]
    public void Check_values(string music, string meter, string bows) => Assert.Equal(bows, Bowed(music, meter));

    [Fact] // Craft 17: after a long rest, retake down or go on alternating.
    public void After_a_bar_of_rest_by_the_schools_setting()
    {
        Assert.Equal("dd", Bowed("D4|Z|E4"));
        Assert.Equal("du", Bowed("D4|Z|E4", style: new HouseStyle { AfterLongRest = AfterLongRest.GoOn }));
    }

    [Fact]
    public void A_slur_never_turns_inside() =>
        (from slurs in Gen.Bool.Array[12] from lifts in Gen.Bool.Array[12] select (slurs, lifts)).Sample(x =>
        {
            var events = Enumerable
                .Range(0, 12)
                .Select(i => new ScoreEvent
                {
                    Pitch = Pitch.FromStep(28 + i),
                    SlurStarts = x.slurs[i] ? 1 : 0,
                    SlurStops = i > 0 && x.slurs[i - 1] ? 1 : 0,
                    Marks = x.lifts[i] ? Marks.LiftAfter : Marks.None,
                })
                .ToArray();
            var score = ScoreAssembly
                .Finish(
                    new Score
                    {
                        Bars = [.. events.Chunk(4).Select(e => new Bar { Time = new TimeSignature(4, 4), Events = e })],
                    }
                )
                .Score;
            var notes = SoundingNote.Of(score);
            var bowing = Bows.Follow(notes, score.Bars, PlayOrder.Of(score), AfterLongRest.RetakeDown);
            Assert.All(
                notes.Where(n => n.Slurred),
                n => Assert.Equal(bowing.Directions[n.Index - 1], bowing.Directions[n.Index])
            );
        });

    private static string Counted(string music, string meter = "4/4", HouseStyle? style = null) =>
        Said.Counted(Lines.Score("D", music, meter), style ?? HouseStyle.Default);

    [Theory]
    [InlineData("A/A/ A/4A/4A/4A/4 A z", "4/4", "1 & 2 e & a 3 (4)")] // craft 19
    [InlineData("A3 z", "4/4", "1 -2 -3 (4)")]
    [InlineData("A4-|A z3", "4/4", "1 -2 -3 -4 -1 (2) (3) (4)")] // a whole note tied on to a beat lasts five
    [InlineData("(3A/A/A/ A2", "3/4", "1 & a 2 -3")]
    [InlineData("A/A/A/ A3/2", "6/8", "1 2 3 4 -5 -6")]
    [InlineData("A3/2 A/ A2", "4/4", "1 -2 & 3 -4")]
    [InlineData("A A A A", "C|", "1 & 2 &")]
    public void Beat_numbers(string music, string meter, string counts) => Assert.Equal(counts, Counted(music, meter));

    [Theory] // One bar in each system: craft 9, common practice.
    [InlineData(CountingSystem.Numbers, "1 & 2 e & a 3 (4)")]
    [InlineData(CountingSystem.Te, "1 te 2 ta te ta 3 (4)")]
    [InlineData(CountingSystem.Ta, "ti ti ti ka ti ka ta (sh)")]
    [InlineData(CountingSystem.Words, "lan tern cat er pil lar boat (sh)")]
    public void Four_systems(CountingSystem system, string counts) =>
        Assert.Equal(counts, Counted("A/A/ A/4A/4A/4A/4 A z", "4/4", new HouseStyle { Counting = system }));

    [Theory]
    [InlineData(CountingSystem.Ta, "(3A/A/A/ A2 A", "tri o la ta -a ta")]
    [InlineData(CountingSystem.Te, "(3A/A/A/ A2 A", "1 la li 2 -3 4")]
    [InlineData(CountingSystem.Words, "(3A/A/A/ A2 A", "pep per mint boat -– boat")]
    [InlineData(
        CountingSystem.Words,
        "A3/4A/4 A/A/4A/4 A/4A/4A/ A/4A/A/4",
        "moun tain fox trot ting but ter cup po ta to"
    )]
    // no word fits: the syllable of the ta system
    [InlineData(CountingSystem.Words, "A3/2 A/ A2", "boat -– ti boat -–")]
    public void Triplets_long_notes_and_words(CountingSystem system, string music, string counts) =>
        Assert.Equal(counts, Counted(music, "4/4", new HouseStyle { Counting = system }));

    [Fact] // Craft 9: compound time counts in dotted beats or in eighths.
    public void Compound_time_in_dotted_beats() =>
        Assert.Equal(
            "1 & a 2",
            Counted("A/A/A/ A3/2", "6/8", new HouseStyle { Compound = CompoundCounting.DottedBeats })
        );

    [Fact] // Craft 9: a teacher edits the words.
    public void A_teachers_word_takes_the_place_of_ours()
    {
        var style = new HouseStyle
        {
            Counting = CountingSystem.Words,
            WordRhythms = new Dictionary<string, string> { ["1/2 1/2"] = "ba-con" },
        };
        Assert.Equal("ba con boat ba con boat", Counted("A/A/ A A/A/ A", "4/4", style));
        Assert.Null(WordRhythms.Wrong("1/2 1/2", "ba-con"));
        Assert.Contains("needs 2 syllables", WordRhythms.Wrong("1/2 1/2", "bacon"), StringComparison.Ordinal);
        Assert.Contains("not a rhythm", WordRhythms.Wrong("1/5", "x"), StringComparison.Ordinal);
    }

    [Fact] // Whatever the system, the syllables of a bar cover its beats, each once.
    public void The_beginning_of_each_beat_is_said_exactly_once() =>
        (
            from lengths in Gen.OneOf(
                Gen.Const(1),
                Gen.Const(2),
                Gen.Const(3),
                Gen.Const(4),
                Gen.Const(6),
                Gen.Const(8),
                Gen.Const(12),
                Gen.Const(16)
            ).Array[1, 24]
            from rests in Gen.Bool.Array[24]
            from ties in Gen.Bool.Array[24]
            from system in Gen.Enum<CountingSystem>()
            from compound in Gen.Enum<CompoundCounting>()
            from meter in Gen.Int[0, 3]
            select (lengths, rests, ties, system, compound, meter)
        ).Sample(
            x =>
            {
                TimeSignature time = x.meter switch
                {
                    0 => new(4, 4),
                    1 => new(3, 4),
                    2 => new(6, 8),
                    _ => new(2, 2),
                };
                var bar = 16 * time.BarLength.Numerator / time.BarLength.Denominator;
                var bars = new List<List<ScoreEvent>> { new() };
                var filled = 0L;
                foreach (var (i, wanted) in x.lengths.Index())
                {
                    var value = NoteValue.Exactly(new Fraction(Math.Min(wanted, bar - filled), 16)) ?? new NoteValue(4);
                    var rest = x.rests[i] && !x.ties[i];
                    bars[^1]
                        .Add(
                            new ScoreEvent
                            {
                                Pitch = rest ? null : Pitch.Parse("D4"),
                                Value = value,
                                TiedOn =
                                    !rest
                                    && x.ties[i]
                                    && i + 1 < x.lengths.Length
                                    && !(x.rests[i + 1] && !x.ties[i + 1]),
                            }
                        );
                    filled += (value.Length * new Fraction(16, 1)).Numerator;
                    if (filled == bar && i + 1 < x.lengths.Length)
                    {
                        bars.Add([]);
                        filled = 0;
                    }
                }

                var score = ScoreAssembly
                    .Finish(new Score { Bars = [.. bars.Select(b => new Bar { Time = time, Events = b })] })
                    .Score;
                var style = new HouseStyle { Counting = x.system, Compound = x.compound };
                var marks = Counts.Of(score, style);
                foreach (var b in score.Bars)
                {
                    var beat = Counts.BeatOf(time, style);
                    var said = b
                        .Events.SelectMany(e =>
                            marks.Where(m => m.EventId == e.Id).Select(m => b.StartsAt + e.Onset + m.Offset)
                        )
                        .ToArray();
                    Assert.Equal(said.Length, said.Distinct().Count());
                    for (var n = 0L; new Fraction(n, 1) * beat < b.StartsAt + b.Length; n++)
                    {
                        if (new Fraction(n, 1) * beat >= b.StartsAt)
                            Assert.Contains(new Fraction(n, 1) * beat, said);
                    }
                }
            },
            iter: Rounds.Of(400)
        );

    [Theory] // British names of the values; common practice.
    [InlineData(0, 0, "whole", "semibreve")]
    [InlineData(1, 1, "dotted half", "dotted minim")]
    [InlineData(2, 0, "quarter", "crotchet")]
    [InlineData(3, 0, "eighth", "quaver")]
    [InlineData(4, 0, "sixteenth", "semiquaver")]
    public void Values_have_two_names(int log, int dots, string american, string british)
    {
        Assert.Equal(american, new NoteValue(log, dots).Words(ValueNames.American));
        Assert.Equal(british, new NoteValue(log, dots).Words(ValueNames.British));
    }
}
