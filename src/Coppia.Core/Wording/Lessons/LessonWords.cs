using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Lessons;

/// <summary>The steps of a lesson as a run-sheet prints them (craft 21).</summary>
/// <param name="style">The class's house style.</param>
/// <param name="instruments">Those that the class plays.</param>
public sealed class LessonWords(HouseStyle style, IReadOnlyList<Instrument> instruments)
{
    /// <summary>What is done: "Hand shapes of D major", "Line 2, bars 5–8".</summary>
    /// <param name="tune">Title of its tune.</param>
    public string Title(LessonStep step, string tune) =>
        step.Part switch
        {
            LessonPart.Tuning => "Tune the strings",
            LessonPart.Shapes => $"Hand shapes of {Key(step)}",
            LessonPart.ScaleHalves => $"{Key(step)} scale, {Notes(1)} over a drone",
            LessonPart.ScaleQuarters => $"{Key(step)} scale, {Notes(2)}",
            LessonPart.ScaleEighths => $"{Key(step)} scale, {Notes(3)}",
            LessonPart.ScaleFaster => $"{Key(step)} scale, {Notes(3)}, faster",
            LessonPart.News => $"New in {tune}",
            LessonPart.Beat => $"The beat of {step.Meter}",
            LessonPart.Review => $"{tune}, once through",
            LessonPart.Look => $"{tune}: look it over",
            LessonPart.Line => $"{tune}, line {step.Line + 1}",
            LessonPart.Chunk => $"{tune}, trouble spot",
            LessonPart.Join => $"{tune}: lines joined",
            LessonPart.Slow => $"{tune}, whole and slow",
            LessonPart.AtTempo => $"{tune}, whole, at its tempo",
            LessonPart.Home => "What to practise at home",
            LessonPart.Break => "Shake out the hands",
            _ => step.Words ?? "",
        };

    /// <summary>How it is done, in a sentence; empty for a step of the teacher's own.</summary>
    /// <param name="bars">What its bars are called: "bars 5–8".</param>
    /// <param name="more">What only the tune can tell: what is new in it, why a step is hard.</param>
    public string Detail(LessonStep step, string bars, string more) =>
        step.Part switch
        {
            LessonPart.Tuning => Tuning(),
            LessonPart.Shapes => more.Length > 0 ? $"Each string up and down: {more}." : "Each string up and down.",
            LessonPart.ScaleHalves => "Long bows; listen to the drone. Look at the hand before you go on.",
            LessonPart.ScaleQuarters or LessonPart.ScaleEighths => "Look at the hand before you go on.",
            LessonPart.ScaleFaster => "Stop when a hand gets stiff.",
            LessonPart.News => more,
            LessonPart.Beat => "By body: knees for one, hands for the rest.",
            LessonPart.Review => "",
            LessonPart.Look => $"Number the lines. {more}".Trim(),
            LessonPart.Line =>
                $"{English.Capital(bars)}: say names and fingers, finger silently and say, pluck, bow in the air, bow; "
                    + $"{Times(step.Repeats)}.",
            LessonPart.Chunk =>
                $"{English.Capital(bars)}: {(more.Length > 0 ? more + " " : "")}Two notes, three, the bar, two bars.",
            LessonPart.Join => "Call the line numbers ahead.",
            LessonPart.Home => more.Length > 0 ? more : "Nothing is set yet for the days after it.",
            LessonPart.Break => "Arms down, shoulders loose. Stop when anything hurts.",
            _ => "",
        };

    /// <summary>How a line is gone through so often: the last time is the line as a whole.</summary>
    private static string Times(int repeats) =>
        repeats switch
        {
            0 => "not this time",
            1 => "the line at once",
            2 => "by two bars, then the line",
            3 => "bar by bar, by two bars, the line",
            _ => "bar by bar, by two bars, the line "
                + $"{(repeats == 4 ? "twice" : $"{English.Number(repeats - 2)} times")}",
        };

    /// <summary>What shapes the strings have: the same on all of them, or each its own.</summary>
    /// <param name="each">Each string in use with the name of its shape, lowest first.</param>
    public static string Shapes(IReadOnlyList<(string String, string Shape)> each)
    {
        var named = each.Where(s => s.Shape.Length > 0).ToArray();
        if (named.Length == 0)
            return "";
        var shapes = named.GroupBy(s => s.Shape).ToArray();
        return string.Join(", ", shapes.Select(g => $"{g.Key} on {English.List([.. g.Select(s => s.String)])}"));
    }

    /// <summary>
    /// How a thing is practised at home: " to 66, about three minutes a day, by Monday 14 September".
    /// </summary>
    /// <param name="tempo">To reach; null for none.</param>
    /// <param name="minutes">A day; null where nobody can tell.</param>
    /// <param name="due">By when.</param>
    public static string AtHome(int? tempo, int? minutes, DateOnly due) =>
        (tempo is { } t ? $" to {English.Figure(t)}" : "")
        + (minutes is { } m ? $", about {English.Number(m)} {(m == 1 ? "minute" : "minutes")} a day" : "")
        + $", by {due.ToString("dddd d MMMM", System.Globalization.CultureInfo.InvariantCulture)}";

    /// <summary>"A, D, G, then E (violins) and C (violas and cellos); basses by their own: G, D, A, E."</summary>
    private string Tuning()
    {
        var order = TuningOrder.Of(instruments);
        var parts = new List<string>();
        var (all, own) = (order.Where(t => !t.ByTheirOwn).ToArray(), order.Where(t => t.ByTheirOwn).ToArray());
        var together = all.SelectMany(t => t.Instruments).Distinct().Count();
        var shared = all.Where(t => t.Instruments.Count == together).Select(t => Name(t.Letter)).ToArray();
        var outer = all.Where(t => t.Instruments.Count < together)
            .Select(t => $"{Name(t.Letter)} ({Who(t.Instruments)})")
            .ToArray();
        if (shared.Length > 0)
            parts.Add(string.Join(", ", shared) + (outer.Length > 0 ? $", then {English.List(outer)}" : ""));
        else if (outer.Length > 0)
            parts.Add(English.List(outer));
        foreach (var section in own.GroupBy(t => t.Instruments[0]))
            parts.Add($"{Who([section.Key])} by their own: {string.Join(", ", section.Select(t => Name(t.Letter)))}");
        return string.Join("; ", parts) + ".";
    }

    /// <summary>An offer to save time: "Once each way through lines that are known saves 4 minutes."</summary>
    /// <param name="tune">Title of the tune that would wait.</param>
    public static string Of(LessonOffer offer, string tune) =>
        (
            offer.Kind switch
            {
                LessonOfferKind.FewerRepeats => "Known lines once each way",
                LessonOfferKind.ReviewOut => "Tunes to review out",
                _ => $"{tune} waits for next week",
            }
        ) + $": saves {Minutes(offer.Seconds)}.";

    /// <summary>"1 minute", "4½ minutes": to half minutes, never nothing.</summary>
    public static string Minutes(double seconds)
    {
        var halves = Math.Max(1, (int)Math.Round(seconds / 30));
        var figure = (halves / 2, halves % 2) switch
        {
            (0, _) => "½",
            var (whole, half) => English.Figure(whole) + (half == 1 ? "½" : ""),
        };
        return $"{figure} {(halves <= 2 ? "minute" : "minutes")}";
    }

    /// <summary>A plan that asks too much of the hands (craft 18).</summary>
    public static string Care(LessonTime time) =>
        $"The hands play {Minutes(time.PlayedOn)} without a rest. Put in a break: arms down, shake out the hands.";

    private string Key(LessonStep step) => step.Key is { } key ? Labels.Key(key, style) : "the key";

    private string Name(Letter letter) => Labels.Note(new Pitch(letter, 0, 4), style);

    private static string Who(IReadOnlyList<Instrument> some) =>
        English.List([.. some.Select(i => English.Plural(i.Id))]);

    /// <summary>"half notes", "minims".</summary>
    private string Notes(int log)
    {
        var name = new NoteValue(log).Words(style.ValueNames);
        return style.ValueNames == ValueNames.American ? $"{name} notes" : $"{name}s";
    }
}
