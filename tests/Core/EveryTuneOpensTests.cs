using System.Collections.Concurrent;
using System.Text.RegularExpressions;
using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// No tune that is kept can fail to open: the reading and every sentence about it, for every note of 10,000 tunes made
/// up at random.
/// </summary>
public partial class EveryTuneOpensTests
{
    private static readonly int Tunes = Rounds.Of(10_000);

    private static readonly Gen<HouseStyle> AnyStyle =
        from lowHigh in Gen.Enum<LowHighLabel>()
        from back in Gen.Enum<CelloBackLabel>()
        from reach in Gen.Enum<ExtendedFourthLabel>()
        from bass in Gen.Bool.Select(three => three ? "oneThreeFour" : "oneTwoFour")
        from fourth in Gen.Enum<FourthFinger>()
        from names in Gen.Enum<NoteNames>()
        from octaves in Gen.Enum<OctaveNames>()
        from counting in Gen.Enum<CountingSystem>()
        from compound in Gen.Enum<CompoundCounting>()
        from values in Gen.Enum<ValueNames>()
        from loud in Gen.Enum<LoudBow>()
        from rest in Gen.Enum<AfterLongRest>()
        select new HouseStyle
        {
            LowHigh = lowHigh,
            CelloBack = back,
            ExtendedFourth = reach,
            Alternatives = new Dictionary<string, string> { ["bass"] = bass },
            FourthFinger = fourth,
            NoteNames = names,
            OctaveNames = octaves,
            Counting = counting,
            Compound = compound,
            ValueNames = values,
            LoudBow = loud,
            AfterLongRest = rest,
        };

    /// <summary>
    /// Tunes of all kinds; every second one on a few neighbouring notes only, high, low or in the middle, so that much
    /// repeats.
    /// </summary>
    private static readonly Gen<Score> AnyTune =
        from score in SomeScores.Any
        from squeeze in Gen.Bool
        from lowest in Gen.Int[14, 46]
        from width in Gen.Int[1, 5]
        select squeeze ? Squeezed(score, lowest, width) : score;

    private static Score Squeezed(Score score, int lowest, int width) =>
        score with
        {
            Bars =
            [
                .. score.Bars.Select(b =>
                    b with
                    {
                        Events =
                        [
                            .. b.Events.Select(e =>
                                e.Pitch is { } p
                                    ? e with
                                    {
                                        Pitch = Pitch.FromStep(
                                            lowest + p.Step % width,
                                            p.Step % 5 == 0
                                                ? p.Alter
                                                : b.Key.AlterOf(Pitch.FromStep(lowest + p.Step % width).Letter)
                                        ),
                                    }
                                    : e
                            ),
                        ],
                    }
                ),
            ],
        };

    [Fact]
    public void Every_tune_opens_on_every_instrument_in_every_style() =>
        (from score in AnyTune from style in AnyStyle from own in Gen.Bool select (score, style, own)).Sample(
            tune =>
            {
                foreach (var instrument in StringSection.All)
                {
                    var player = new Player(instrument, tune.style);
                    var reading = PlayerReading.Of(
                        tune.score,
                        tune.own ? player.Instrument : PrintedFor.Of(tune.score),
                        player
                    );
                    foreach (var sentence in Sentences(reading))
                    {
                        // Most are said of tune after tune.
                        var said = (tune.style.NoteNames, tune.style.ValueNames, sentence);
                        if (Good.ContainsKey(said))
                            continue;
                        Assert.DoesNotMatch(EmptyWords(), sentence);
                        if (tune.style.NoteNames == NoteNames.FixedDo)
                            Assert.DoesNotMatch(
                                LetterName(),
                                sentence
                                    .Replace("D.C.", "", StringComparison.Ordinal)
                                    .Replace("D.S.", "", StringComparison.Ordinal)
                            );
                        if (tune.style.NoteNames == NoteNames.German)
                            Assert.DoesNotMatch(EnglishBFlat(), sentence);
                        if (tune.style.ValueNames == ValueNames.British)
                            Assert.DoesNotMatch(AmericanValue(), sentence);
                        Good.TryAdd(said, true);
                    }
                }
            },
            iter: Tunes
        );

    private static readonly ConcurrentDictionary<(NoteNames, ValueNames, string), bool> Good = new();

    private static IEnumerable<string> Sentences(PlayerReading reading)
    {
        var words = new ReadingWords(reading);
        foreach (var note in reading.Notes)
        {
            var why = words.Why(note);
            Assert.NotEqual("", why.Reading);
            Assert.NotEqual("", why.Finger);
            foreach (var sentence in new[] { why.Reading, why.Finger, why.Place, why.Choice })
                yield return sentence;
            Assert.All(note.Fingered.Others, o => Assert.True(o.ExtraCost is null or >= 0));
        }

        foreach (var remark in reading.BeforeLines().SelectMany(line => line))
            yield return words.Remarks.Of(remark);

        var form = reading.Tune.Form;
        foreach (
            var sentence in words
                .Warnings.Concat(BowWords.Check(reading.BowCheck))
                .Concat(reading.Trouble.Select(words.Trouble.Of))
                .Concat(form.Traps.Select(words.Form.Trap))
                .Concat(form.Passages.Select(words.Form.Passage))
                .Concat(form.Likenesses.Select(words.Form.Likeness))
                .Append(words.Form.Summary())
                .Append(words.Form.Rhythms() ?? "A.")
        )
            yield return sentence;
        foreach (var hint in BowUse.Of(reading.Tune.Notes, reading.Tune.Travels))
            yield return BowWords.Action(hint.Action, reading.Player.Style);
    }

    [GeneratedRegex("stands alone|also works\\.|[Bb]ar 0|the start and|and the end|  | \\.|^ | $|, but \\.")]
    private static partial Regex EmptyWords();

    /// <summary>A note's letter as a word of its own; part letters are no note names.</summary>
    [GeneratedRegex("\\b[B-GH][♯♭]?(?![A-Za-z0-9′♯♭-])\\b|\\bA[♯♭]")]
    private static partial Regex LetterName();

    [GeneratedRegex("B♭")]
    private static partial Regex EnglishBFlat();

    [GeneratedRegex("\\b(quarter|eighth|half note|sixteenth)s?\\b")]
    private static partial Regex AmericanValue();
}
