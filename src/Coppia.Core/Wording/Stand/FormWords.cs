using System.Globalization;
using Coppia.Core.Form;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;

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
            .Select(g => $"{Lines(g.Select(l => l.Index + 1))} line {English.Figure(g.Key + 1)} again");
        return string.Join(" ", same.Select(English.Sentence));

        static string Lines(IEnumerable<int> numbers)
        {
            string[] figures = [.. numbers.Select(English.Figure)];
            return figures.Length == 1 ? $"line {figures[0]} is" : $"lines {English.List(figures)} are";
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
        var ifRests = form.New.Bars > form.New.BarsWithRhythm ? " with notes" : "";
        if (form.New.Rhythms == 1)
            return $"One rhythm{spelled} in all its bars{ifRests}.";
        var count = English.Capital($"{English.Number(form.New.Rhythms)} rhythms");
        return form.New.CommonestFills == 1
            ? $"{count}, a new one in every bar{ifRests}."
            : $"{count}; that of {score.Bars[first].Named()}{spelled} fills "
                + $"{English.Number(form.New.CommonestFills)} of its {English.Number(form.New.Bars)} bars.";
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
            TrapKind.InLine when trap.IsAllThatDiffers =>
                $"Line {trap.Lines.Here + 1} is line {trap.Lines.Earlier + 1}, but {DifferenceInLine(trap)}.",
            TrapKind.InLine =>
                $"Line {trap.Lines.Here + 1} is nearly line {trap.Lines.Earlier + 1}: {DifferenceInLine(trap)}.",
            TrapKind.Parting => $"Bars {SameBefore(trap, trap.Bar)} are bars {SameBefore(trap, trap.Like)}; "
                + $"{score.Bars[trap.Bar].Named()} goes elsewhere.",
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
        var way = passage.GoesUp ? "up" : "down";
        var from = $"from {_octaves.Name(first.Pitch, style)}";
        var text = passage.Kind switch
        {
            PassageKind.ScaleRun when passage.NoteIds.Count >= WholeScale =>
                $"{way} the {Labels.Key(first.Bar.Key, style)} scale {from}",
            PassageKind.ScaleRun => $"{English.Number(passage.NoteIds.Count)} notes {way} the "
                + $"{Labels.Key(first.Bar.Key, style)} scale {from}",
            PassageKind.Arpeggio when passage.Chord is { } chord =>
                $"{way} the {Labels.Note(chord.Root, style)} {(chord.IsMinor ? "minor" : "major")} chord {from}",
            _ => $"thirds, {way} two steps and back one, {from}",
        };
        return $"{Bars(first.Bar, _notes[passage.NoteIds[^1]].Bar)}: {text}.";
    }

    /// <summary>"Bar 3", "Bars 3–4", "Pick-up and bar 1", "Pick-up to bar 2".</summary>
    private static string Bars(Bar first, Bar last) =>
        first.Number >= last.Number ? first.Spoken()
        : first.Number > 0 ? $"Bars {Number(first.Number)}–{Number(last.Number)}"
        : $"{first.Spoken()} {(last.Number == 1 ? "and" : "to")} {last.Named()}";

    /// <summary>"Bars 1 and 3 are the same."; stretches bar by bar: "Bars 5–7 and 13–15 are bars 1–3 again."</summary>
    private static string Repeated(string[] stretches, int barsTogether) =>
        barsTogether == 1
            ? $"Bars {English.List(stretches)} are the same."
            : $"Bars {English.List(stretches[1..])} are bars {stretches[0]} again.";

    public string Likeness(Likeness likeness)
    {
        var bar = score.Bars[likeness.Bar];
        var (here, there) = (bar.Spoken(), score.Bars[likeness.Of].Named());
        return likeness.Kind switch
        {
            LikenessKind.SameRhythm => English.Sentence(
                $"{English.Bars(likeness.Bars.Select(b => score.Bars[b].Number))}: "
                    + $"the rhythm of {there}{Spelled(score.Bars[likeness.Of])}"
            ),
            LikenessKind.Octave => $"{here}: {there} again, an octave {HigherOrLower(likeness.Steps)}.",
            LikenessKind.Sequence => $"{here}: {there} again, {Steps(likeness.Steps)} {HigherOrLower(likeness.Steps)}.",
            LikenessKind.OtherRhythm when likeness.Shorter is not { } => $"{here} is {there} in another rhythm.",
            LikenessKind.OtherRhythm when likeness.IsQuicker =>
                $"{here} is {there} with {Plural(likeness.Shorter.Value)}.",
            LikenessKind.OtherRhythm => $"{here} is {there} without its {Plural(likeness.Shorter.Value)}.",
            LikenessKind.UpsideDown => $"{here}: {there} turned upside down, what went up goes down.",
            _ => $"{here}: the rhythm of {there} turned round{Spelled(bar)}.",
        };
    }

    private string LinesSummary()
    {
        if (form.Lines.Count == 0)
            return "";
        var fresh = form.Lines.Where(l => !l.IsVaried).Select(l => l.Kind).Distinct().Count();
        var nearly = form.Lines.Where(l => l.IsVaried).Select(l => (l.Kind, l.Variant)).Distinct().Count();
        var all = $"{English.Number(form.Lines.Count)} {(form.Lines.Count == 1 ? "line" : "lines")}";
        if (fresh == form.Lines.Count)
            return English.Sentence($"{all}, all of it new");
        var varied = nearly == 0 ? "" : $" and {English.Number(nearly)} nearly the same";
        return English.Sentence($"{all}, {English.Number(fresh)} to learn{varied}");
    }

    /// <summary>"20 bars, 12 different."; nothing for a tune of one bar.</summary>
    private string BarsSummary()
    {
        var (bars, different) = (form.New.Bars, form.New.DifferentBars);
        return bars < 2 ? "" : $"{bars} bars, {(different == bars ? "all" : different)} different.";
    }

    /// <summary>"bar 6 is bar 2 but for its last note, D instead of G".</summary>
    private string Difference(Trap trap)
    {
        var (bar, earlier) = (score.Bars[trap.Bar], score.Bars[trap.Like]);
        var lead = $"{bar.Named()} is {earlier.Named()}";
        var differ = trap.Difference.At;
        return trap.Difference.Kind switch
        {
            DifferenceKind.Everything => $"{bar.Named()} differs from {earlier.Named()}",
            DifferenceKind.Rhythm => $"{lead} in another rhythm",
            DifferenceKind.Nothing => $"{lead} again",
            _ when differ.Count > 1 => $"{lead} but for {English.Number(differ.Count)} notes",
            _ when bar.Events.Count == 1 && bar.Events[0].Pitch is { } now && earlier.Events[0].Pitch is { } before =>
                $"{bar.Named()} has {Called(now, before)} where {earlier.Named()} has {Called(before, now)}",
            _ => $"{lead} but for {OneNote(bar, earlier, differ[0])}",
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
            return $"{bar.Named()} differs from {earlier.Named()} in {English.Number(differ.Count)} notes";
        var which = WhichNote(bar, differ[0]);
        return Instead(bar, earlier, differ[0]) is { } instead
            ? $"{which.The} of {bar.Named()} is {instead}"
            : $"{bar.Named()} differs from {earlier.Named()} in {which.Its}";
    }

    private string OneNote(Bar bar, Bar earlier, int at)
    {
        var its = WhichNote(bar, at).Its;
        return Instead(bar, earlier, at) is { } instead ? $"{its}, {instead}" : its;
    }

    private static (string Its, string The) WhichNote(Bar bar, int at) =>
        at == bar.Events.Count - 1 ? ("its last note", "the last note")
        : at == 0 ? ("its first note", "the first note")
        : ($"its note {at + 1}", $"note {at + 1}");

    /// <summary>"D instead of F♯"; null where one of them is a rest.</summary>
    private string? Instead(Bar bar, Bar earlier, int at) =>
        bar.Events[at].Pitch is { } now && earlier.Events[at].Pitch is { } before
            ? $"{Called(now, before)} instead of {Called(before, now)}"
            : null;

    /// <summary>The octave is said only where the two notes share a name.</summary>
    private string Called(Pitch pitch, Pitch other)
    {
        var name = Labels.Note(pitch, style);
        return name != Labels.Note(other, style) ? name : $"{(pitch.Octave > other.Octave ? "high" : "low")} {name}";
    }

    /// <summary>The bars before a parting: "5–7".</summary>
    private string SameBefore(Trap trap, int end) =>
        $"{score.Bars[end - trap.SameBefore].Number}–{score.Bars[end - 1].Number}";

    private string Stretch(int start, int count) =>
        count == 1
            ? Number(score.Bars[start].Number)
            : $"{Number(score.Bars[start].Number)}–{Number(score.Bars[start + count - 1].Number)}";

    private static string Number(int n) => n.ToString(CultureInfo.InvariantCulture);

    private static string HigherOrLower(int steps) => steps > 0 ? "higher" : "lower";

    private static string Steps(int steps) =>
        Math.Abs(steps) == 1 ? "a step" : $"{English.Number(Math.Abs(steps))} steps";

    private string Plural(NoteValue value)
    {
        var words = value.Words(style.ValueNames);
        return words.EndsWith("half", StringComparison.Ordinal) ? words[..^4] + "halves" : words + "s";
    }

    /// <summary>" (quarter quarter half)", or nothing where that would be long.</summary>
    private string Spelled(Bar bar)
    {
        if (bar.Events.Count > LongestSpelled || bar.Events.Any(e => e.TiedOn))
            return "";
        return $" ({string.Join(' ', bar.Events.Select(e => e.IsBarRest ? "rest" : e.Words(style.ValueNames)))})";
    }
}
