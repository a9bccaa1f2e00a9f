using System.Globalization;
using Coppia.Core.Form;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>How a tune is built, in sentences (craft 10).</summary>
/// <param name="form">What is so.</param>
/// <param name="score">The tune as its player reads it: names are said in the player's octave.</param>
/// <param name="notes">Its sounding notes.</param>
/// <param name="style">Names of notes and values.</param>
public sealed class FormWords(TuneForm form, Score score, IReadOnlyList<SoundingNote> notes, HouseStyle style)
{
    /// <summary>Most values of a rhythm that are spelled out.</summary>
    private const int LongestSpelled = 6;

    /// <summary>From so many notes on, a run goes by its scale alone.</summary>
    private const int WholeScale = 8;

    private readonly Dictionary<string, SoundingNote> _notes = notes.Where(n => !n.IsGrace).ToDictionary(n => n.Id);
    private readonly LetterOctaves _octaves = new(notes.Where(n => !n.IsGrace));

    /// <summary>A, B, …; lines nearly like an earlier one have primes: A′, and another such A″.</summary>
    public static string Letter(TuneLine line) =>
        Letter(line.Kind) + (line.Variant < Primes.Length ? Primes[line.Variant] : $"′{English.Figure(line.Variant)}");

    private static readonly string[] Primes = ["", "′", "″", "‴"];

    private static string Letter(int n) =>
        n < 26 ? ((char)('A' + n)).ToString() : Letter(n / 26 - 1) + (char)('A' + n % 26);

    /// <summary>How little is new, in lines and bars: "Six lines, two to learn. 24 bars, 9 different."</summary>
    public string Summary() => $"{LinesSummary()} {BarsSummary()}".Trim();

    /// <summary>Which lines are the same as an earlier one: "Line 3 is line 1."; empty where none is.</summary>
    public string SameLines()
    {
        var same = form
            .Lines.Index()
            .Where(l => l.Item.IsAgain)
            .GroupBy(l => l.Item.Like!.Value)
            .Select(g =>
                Say("stand.form.line-again", ("lines", Lines(g.Select(l => l.Index + 1))), ("key", g.Key + 1))
            );
        return string.Join(" ", same.Select(English.Sentence));

        static string Lines(IEnumerable<int> numbers)
        {
            string[] figures = [.. numbers.Select(English.Figure)];
            return figures.Length == 1
                ? Say("stand.form.line-is", ("figures", figures[0]))
                : Say("stand.form.lines-are", ("figures", English.List(figures)));
        }
    }

    /// <summary>
    /// "Three rhythms; that of bar 1 (quarter quarter half) fills nine of its 16 bars."; null for a single bar.
    /// </summary>
    public string? Rhythms()
    {
        if (form.New.CommonestRhythm is not { } first)
            return null;
        var spelled = Spelled(score.Bars[first]);
        var ifRests = form.New.Bars > form.New.BarsWithRhythm ? Say("stand.form.with-notes") : "";
        if (form.New.Rhythms == 1)
            return Say("stand.form.one-rhythm-in-all-its-bars", ("spelled", spelled), ("ifRests", ifRests));
        var count = English.Capital(Say("stand.form.rhythms-rhythms", ("rhythms", form.New.Rhythms)));
        return form.New.CommonestFills == 1
            ? Say("stand.form.a-new-one-in-every-bar", ("count", count), ("ifRests", ifRests))
            : Say(
                "stand.form.that-of-fills-of-its-bars",
                ("count", count),
                ("bars", score.Bars[first].Named()),
                ("spelled", spelled),
                ("commonestFills", form.New.CommonestFills),
                ("bars2", form.New.Bars)
            );
    }

    /// <summary>"1–8, 1–7, 9": printed bar numbers as they are played; a pick-up is left unsaid.</summary>
    public static string Plays(Score score, IReadOnlyList<PlayedBar> order) =>
        string.Join(
            ", ",
            PlayOrder
                .Runs(order)
                .Select(run =>
                {
                    var first = Math.Max(1, score.Bars[run.First].Number);
                    var last = score.Bars[run.Last].Number;
                    return first >= last ? $"{last}" : $"{first}–{last}";
                })
        );

    /// <summary>Which bar a near-equal place resembles and what differs.</summary>
    public string Trap(Trap trap) =>
        trap.Kind switch
        {
            TrapKind.InLine when trap.IsAllThatDiffers => Say(
                "stand.form.line-is-line-but",
                ("here", trap.Lines.Here + 1),
                ("earlier", trap.Lines.Earlier + 1),
                ("differenceInLine", DifferenceInLine(trap))
            ),
            TrapKind.InLine => Say(
                "stand.form.line-is-nearly-line",
                ("here", trap.Lines.Here + 1),
                ("earlier", trap.Lines.Earlier + 1),
                ("differenceInLine", DifferenceInLine(trap))
            ),
            TrapKind.Parting => Say(
                "stand.form.bars-are-bars-goes-elsewhere",
                ("sameBefore", SameBefore(trap, trap.Bar)),
                ("sameBefore2", SameBefore(trap, trap.Like)),
                ("bars", score.Bars[trap.Bar].Named())
            ),
            _ => English.Sentence(Difference(trap)),
        };

    public string Passage(Passage passage)
    {
        if (passage.Kind == PassageKind.RepeatedBars)
            return Repeated(
                [.. passage.Starts.Select(start => Stretch(start, passage.BarsTogether))],
                passage.BarsTogether
            );
        var first = _notes[passage.NoteIds[0]];
        var way = passage.GoesUp ? Say("stand.form.up") : Say("stand.form.down");
        var from = Say("stand.form.passage-from", ("pitch", _octaves.Name(first.Pitch, style)));
        var text = passage.Kind switch
        {
            PassageKind.ScaleRun when passage.NoteIds.Count >= WholeScale => Say(
                "stand.form.the-scale",
                ("way", way),
                ("key", Labels.Key(first.Bar.Key, style)),
                ("from", from)
            ),
            PassageKind.ScaleRun => Say(
                "stand.form.notes-the-scale",
                ("noteIds", passage.NoteIds.Count),
                ("way", way),
                ("key", Labels.Key(first.Bar.Key, style)),
                ("from", from)
            ),
            PassageKind.Arpeggio when passage.Chord is { } chord => Say(
                "stand.form.the-chord",
                ("way", way),
                ("root", Labels.Note(chord.Root, style)),
                ("what", chord.IsMinor ? Say("stand.form.minor") : Say("stand.form.major")),
                ("from", from)
            ),
            _ => Say("stand.form.thirds-two-steps-and-back-one", ("way", way), ("from", from)),
        };
        return $"{Bars(first.Bar, _notes[passage.NoteIds[^1]].Bar)}: {text}.";
    }

    /// <summary>"Bar 3", "Bars 3–4", "Pick-up and bar 1", "Pick-up to bar 2".</summary>
    private static string Bars(Bar first, Bar last) =>
        first.Number >= last.Number ? first.Spoken()
        : first.Number > 0 ? Say("stand.form.bars-bars", ("first", Number(first.Number)), ("last", Number(last.Number)))
        : $"{first.Spoken()} {(last.Number == 1 ? Say("stand.form.and") : Say("stand.form.to"))} {last.Named()}";

    /// <summary>"Bars 1 and 3 are the same."; stretches bar by bar: "Bars 5–7 and 13–15 are bars 1–3 again."</summary>
    private static string Repeated(string[] stretches, int barsTogether) =>
        barsTogether == 1
            ? Say("stand.form.bars-are-the-same", ("stretches", English.List(stretches)))
            : Say(
                "stand.form.bars-are-bars-again",
                ("stretches", English.List(stretches[1..])),
                ("stretches2", stretches[0])
            );

    public string Likeness(Likeness likeness)
    {
        var bar = score.Bars[likeness.Bar];
        var (here, there) = (bar.Spoken(), score.Bars[likeness.Of].Named());
        return likeness.Kind switch
        {
            LikenessKind.SameRhythm => English.Sentence(
                Say(
                    "stand.form.the-rhythm-of",
                    ("bars", English.Bars(likeness.Bars.Select(b => score.Bars[b].Number))),
                    ("there", there),
                    ("spelled", Spelled(score.Bars[likeness.Of]))
                )
            ),
            LikenessKind.Octave or LikenessKind.Sequence => Elsewhere(likeness, here, there),
            LikenessKind.OtherRhythm => InOtherRhythm(likeness, here, there),
            LikenessKind.UpsideDown => Say(
                "stand.form.turned-upside-down-what-went-up-goes",
                ("here", here),
                ("there", there)
            ),
            _ => Say(
                "stand.form.the-rhythm-of-turned-round",
                ("here", here),
                ("there", there),
                ("spelled", Spelled(bar))
            ),
        };
    }

    private static string Elsewhere(Likeness likeness, string here, string there) =>
        likeness.Kind == LikenessKind.Octave
            ? Say(
                "stand.form.again-an-octave",
                ("here", here),
                ("there", there),
                ("higherOrLower", HigherOrLower(likeness.Steps))
            )
            : Say(
                "stand.form.likeness-again",
                ("here", here),
                ("there", there),
                ("steps", Steps(likeness.Steps)),
                ("higherOrLower", HigherOrLower(likeness.Steps))
            );

    private string InOtherRhythm(Likeness likeness, string here, string there) =>
        likeness.Shorter is { } shorter
            ? Say(
                likeness.IsQuicker ? "stand.form.is-with" : "stand.form.is-without-its",
                ("here", here),
                ("there", there),
                ("shorter", shorter.Several(style.ValueNames))
            )
            : Say("stand.form.is-in-another-rhythm", ("here", here), ("there", there));

    private string LinesSummary()
    {
        if (form.Lines.Count == 0)
            return "";
        var fresh = form.Lines.Where(l => !l.IsVaried).Select(l => l.Kind).Distinct().Count();
        var nearly = form.Lines.Where(l => l.IsVaried).Select(l => (l.Kind, l.Variant)).Distinct().Count();
        var all = Say("stand.form.lines", ("lines", form.Lines.Count));
        if (fresh == form.Lines.Count)
            return English.Sentence(Say("stand.form.all-of-it-new", ("all", all)));
        var varied = nearly == 0 ? "" : Say("stand.form.and-nearly-the-same", ("nearly", nearly));
        return English.Sentence(Say("stand.form.to-learn", ("all", all), ("fresh", fresh), ("varied", varied)));
    }

    /// <summary>"20 bars, 12 different."; nothing for a tune of one bar.</summary>
    private string BarsSummary()
    {
        var (bars, different) = (form.New.Bars, form.New.DifferentBars);
        return bars < 2
            ? ""
            : Say(
                "stand.form.bars-different",
                ("bars", bars),
                ("what", different == bars ? Say("stand.form.all") : different)
            );
    }

    /// <summary>"bar 6 is bar 2 but for its last note, D instead of G".</summary>
    private string Difference(Trap trap)
    {
        var (bar, earlier) = (score.Bars[trap.Bar], score.Bars[trap.Like]);
        var lead = Say("stand.form.difference-is", ("bar", bar.Named()), ("earlier", earlier.Named()));
        var differ = trap.Difference.At;
        return trap.Difference.Kind switch
        {
            DifferenceKind.Everything => Say(
                "stand.form.differs-from",
                ("bar", bar.Named()),
                ("earlier", earlier.Named())
            ),
            DifferenceKind.Rhythm => Say("stand.form.in-another-rhythm", ("lead", lead)),
            DifferenceKind.Nothing => Say("stand.form.difference-again", ("lead", lead)),
            _ when differ.Count > 1 => Say("stand.form.but-for-notes", ("lead", lead), ("differ", differ.Count)),
            _ when bar.Events.Count == 1 && bar.Events[0].Pitch is { } now && earlier.Events[0].Pitch is { } before =>
                Say(
                    "stand.form.has-where-has",
                    ("bar", bar.Named()),
                    ("called", Called(now, before)),
                    ("earlier", earlier.Named()),
                    ("called2", Called(before, now))
                ),
            _ => Say("stand.form.but-for", ("lead", lead), ("oneNote", OneNote(bar, earlier, differ[0]))),
        };
    }

    /// <summary>
    /// After "line 2 is line 1, but": "the last note of bar 8 is D instead of F♯", with no second "but".
    /// </summary>
    private string DifferenceInLine(Trap trap)
    {
        var (bar, earlier) = (score.Bars[trap.Bar], score.Bars[trap.Like]);
        var differ = trap.Difference.At;
        if (trap.Difference.Kind != DifferenceKind.Notes || bar.Events.Count == 1)
            return Difference(trap);
        if (differ.Count > 1)
            return Say(
                "stand.form.differs-from-in-notes",
                ("bar", bar.Named()),
                ("earlier", earlier.Named()),
                ("differ", differ.Count)
            );
        var which = WhichNote(bar, differ[0]);
        return Instead(bar, earlier, differ[0]) is { } instead
            ? Say("stand.form.of-is", ("the", which.The), ("bar", bar.Named()), ("instead", instead))
            : Say("stand.form.differs-from-in", ("bar", bar.Named()), ("earlier", earlier.Named()), ("its", which.Its));
    }

    private string OneNote(Bar bar, Bar earlier, int at)
    {
        var its = WhichNote(bar, at).Its;
        return Instead(bar, earlier, at) is { } instead ? $"{its}, {instead}" : its;
    }

    private static (string Its, string The) WhichNote(Bar bar, int at) =>
        at == bar.Events.Count - 1 ? (Say("stand.form.its-last-note"), Say("stand.form.the-last-note"))
        : at == 0 ? (Say("stand.form.its-first-note"), Say("stand.form.the-first-note"))
        : (Say("stand.form.its-note", ("at", at + 1)), Say("stand.form.which-note-note", ("at", at + 1)));

    /// <summary>"D instead of F♯"; null where one of them is a rest.</summary>
    private string? Instead(Bar bar, Bar earlier, int at) =>
        bar.Events[at].Pitch is { } now && earlier.Events[at].Pitch is { } before
            ? Say("stand.form.instead-of", ("called", Called(now, before)), ("called2", Called(before, now)))
            : null;

    /// <summary>The octave is said only where the two notes share a name.</summary>
    private string Called(Pitch pitch, Pitch other)
    {
        var name = Labels.Note(pitch, style);
        return name != Labels.Note(other, style)
            ? name
            : $"{(pitch.Octave > other.Octave ? Say("stand.form.high") : Say("stand.form.low"))} {name}";
    }

    /// <summary>The bars before a parting: "5–7".</summary>
    private string SameBefore(Trap trap, int end) =>
        $"{score.Bars[end - trap.SameBefore].Number}–{score.Bars[end - 1].Number}";

    private string Stretch(int start, int count) =>
        count == 1
            ? Number(score.Bars[start].Number)
            : $"{Number(score.Bars[start].Number)}–{Number(score.Bars[start + count - 1].Number)}";

    private static string Number(int n) => n.ToString(CultureInfo.InvariantCulture);

    private static string HigherOrLower(int steps) => steps > 0 ? Say("stand.form.higher") : Say("stand.form.lower");

    private static string Steps(int steps) =>
        Math.Abs(steps) == 1 ? Say("stand.form.a-step") : Say("stand.form.steps-steps", ("abs", Math.Abs(steps)));

    /// <summary>" (quarter quarter half)", or nothing where that would be long.</summary>
    private string Spelled(Bar bar)
    {
        if (bar.Events.Count > LongestSpelled || bar.Events.Any(e => e.TiedOn))
            return "";
        var values = bar.Events.Select(e => e.IsBarRest ? Say("stand.form.rest") : e.Words(style.ValueNames));
        return $" ({string.Join(' ', values)})";
    }
}
