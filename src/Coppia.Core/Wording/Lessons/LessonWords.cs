using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

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
            LessonPart.Tuning => Say("lessons.lesson.tune-the-strings"),
            LessonPart.Shapes => Say("lessons.lesson.hand-shapes-of", ("step", Key(step))),
            LessonPart.ScaleHalves => Say(
                "lessons.lesson.scale-over-a-drone",
                ("step", Key(step)),
                ("notes", Notes(1))
            ),
            LessonPart.ScaleQuarters => Say("lessons.lesson.title-scale", ("step", Key(step)), ("notes", Notes(2))),
            LessonPart.ScaleEighths => Say("lessons.lesson.title-scale", ("step", Key(step)), ("notes", Notes(3))),
            LessonPart.ScaleFaster => Say("lessons.lesson.scale-faster", ("step", Key(step)), ("notes", Notes(3))),
            LessonPart.News => Say("lessons.lesson.new-in", ("tune", tune)),
            LessonPart.Beat => Say("lessons.lesson.the-beat-of", ("meter", step.Meter)),
            LessonPart.Review => Say("lessons.lesson.once-through", ("tune", tune)),
            LessonPart.Look => Say("lessons.lesson.look-it-over", ("tune", tune)),
            LessonPart.Line => Say("lessons.lesson.title-line", ("tune", tune), ("line", step.Line + 1)),
            LessonPart.Chunk => Say("lessons.lesson.trouble-spot", ("tune", tune)),
            LessonPart.Join => Say("lessons.lesson.lines-joined", ("tune", tune)),
            LessonPart.Slow => Say("lessons.lesson.whole-and-slow", ("tune", tune)),
            LessonPart.AtTempo => Say("lessons.lesson.whole-at-its-tempo", ("tune", tune)),
            LessonPart.Home => Say("lessons.lesson.what-to-practise-at-home"),
            LessonPart.Break => Say("lessons.lesson.shake-out-the-hands"),
            _ => step.Words ?? "",
        };

    /// <summary>How it is done, in a sentence; empty for a step of the teacher's own.</summary>
    /// <param name="bars">What its bars are called: "bars 5–8".</param>
    /// <param name="more">What only the tune can tell: what is new in it, why a step is hard.</param>
    public string Detail(LessonStep step, string bars, string more) =>
        step.Part switch
        {
            LessonPart.Tuning => Tuning(),
            LessonPart.Shapes => more.Length > 0
                ? Say("lessons.lesson.each-string-up-and-down", ("more", more))
                : Say("lessons.lesson.each-string-up-and-down-2"),
            LessonPart.ScaleHalves => Say("lessons.lesson.long-bows-listen-to-the-drone-look"),
            LessonPart.ScaleQuarters or LessonPart.ScaleEighths => Say("lessons.lesson.look-at-the-hand-before-you-go"),
            LessonPart.ScaleFaster => Say("lessons.lesson.stop-when-a-hand-gets-stiff"),
            LessonPart.News => more,
            LessonPart.Beat => Say("lessons.lesson.by-body-knees-for-one-hands-for"),
            LessonPart.Review => "",
            LessonPart.Look => Say("lessons.lesson.number-the-lines", ("more", more)).Trim(),
            LessonPart.Line => Say(
                "lessons.lesson.say-names-and-fingers-finger-silently",
                ("bars", English.Capital(bars)),
                ("times", Times(step.Repeats))
            ),
            LessonPart.Chunk => Say(
                "lessons.lesson.two-notes-three-the-bar-two-bars",
                ("bars", English.Capital(bars)),
                ("what", more.Length > 0 ? more + " " : "")
            ),
            LessonPart.Join => Say("lessons.lesson.call-the-line-numbers-ahead"),
            LessonPart.Home => more.Length > 0 ? more : Say("lessons.lesson.nothing-is-set-yet-for-the-days"),
            LessonPart.Break => Say("lessons.lesson.arms-down-shoulders-loose-stop-when"),
            _ => "",
        };

    /// <summary>How a line is gone through so often: the last time is the line as a whole.</summary>
    private static string Times(int repeats) =>
        repeats switch
        {
            0 => Say("lessons.lesson.not-this-time"),
            1 => Say("lessons.lesson.the-line-at-once"),
            2 => Say("lessons.lesson.by-two-bars-then-the-line"),
            3 => Say("lessons.lesson.bar-by-bar-by-two-bars-the"),
            _ => Say(
                "lessons.lesson.bar-by-bar-by-two-bars-the-2",
                (
                    "what",
                    repeats == 4
                        ? Say("lessons.lesson.twice")
                        : Say("lessons.lesson.times-times", ("repeats", repeats - 2))
                )
            ),
        };

    /// <summary>What shapes the strings have: the same on all of them, or each its own.</summary>
    /// <param name="each">Each string in use with the name of its shape, lowest first.</param>
    public static string Shapes(IReadOnlyList<(string String, string Shape)> each)
    {
        var named = each.Where(s => s.Shape.Length > 0).ToArray();
        if (named.Length == 0)
            return "";
        var shapes = named.GroupBy(s => s.Shape).ToArray();
        return string.Join(
            ", ",
            shapes.Select(g =>
                Say("lessons.lesson.shapes-on", ("key", g.Key), ("g", English.List([.. g.Select(s => s.String)])))
            )
        );
    }

    /// <summary>
    /// How a thing is practised at home: " to 66, about three minutes a day, by Monday 14 September".
    /// </summary>
    /// <param name="tempo">To reach; null for none.</param>
    /// <param name="minutes">A day; null where nobody can tell.</param>
    /// <param name="due">By when.</param>
    public static string AtHome(int? tempo, int? minutes, DateOnly due) =>
        (tempo is { } t ? Say("lessons.lesson.at-home-to", ("t", t)) : "")
        + (minutes is { } m ? Say("lessons.lesson.about-a-day", ("m", m)) : "")
        + Say(
            "lessons.lesson.at-home-by",
            ("what", due.ToString("dddd d MMMM", System.Globalization.CultureInfo.InvariantCulture))
        );

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
            parts.Add(
                string.Join(", ", shared)
                    + (outer.Length > 0 ? Say("lessons.lesson.tuning-then", ("outer", English.List(outer))) : "")
            );
        else if (outer.Length > 0)
            parts.Add(English.List(outer));
        foreach (var section in own.GroupBy(t => t.Instruments[0]))
            parts.Add(
                Say(
                    "lessons.lesson.by-their-own",
                    ("who", Who([section.Key])),
                    ("section", string.Join(", ", section.Select(t => Name(t.Letter))))
                )
            );
        return string.Join("; ", parts) + ".";
    }

    /// <summary>An offer to save time: "Once each way through lines that are known saves 4 minutes."</summary>
    /// <param name="tune">Title of the tune that would wait.</param>
    public static string Of(LessonOffer offer, string tune) =>
        Say(
            "lessons.lesson.of-saves",
            (
                "what",
                offer.Kind switch
                {
                    LessonOfferKind.FewerRepeats => Say("lessons.lesson.known-lines-once-each-way"),
                    LessonOfferKind.ReviewOut => Say("lessons.lesson.tunes-to-review-out"),
                    _ => Say("lessons.lesson.waits-for-next-week", ("tune", tune)),
                }
            ),
            ("minutes", Minutes(offer.Seconds))
        );

    /// <summary>"1 minute", "4½ minutes": to half minutes, never nothing.</summary>
    public static string Minutes(double seconds)
    {
        var halves = Math.Max(1, (int)Math.Round(seconds / 30));
        var figure = (halves / 2, halves % 2) switch
        {
            (0, _) => "½",
            var (whole, half) => English.Figure(whole) + (half == 1 ? "½" : ""),
        };
        return $"{figure} {(halves <= 2 ? Say("lessons.lesson.minute") : Say("lessons.lesson.minutes"))}";
    }

    /// <summary>A plan that asks too much of the hands (craft 18).</summary>
    public static string Care(LessonTime time) =>
        Say("lessons.lesson.the-hands-play-without-a-rest-put", ("minutes", Minutes(time.PlayedOn)));

    private string Key(LessonStep step) => step.Key is { } key ? Labels.Key(key, style) : Say("lessons.lesson.the-key");

    private string Name(Letter letter) => Labels.Note(new Pitch(letter, 0, 4), style);

    private static string Who(IReadOnlyList<Instrument> some) =>
        English.List([.. some.Select(i => English.Plural(i.Id))]);

    /// <summary>"half notes", "minims".</summary>
    private string Notes(int log)
    {
        var value = new NoteValue(log);
        return style.ValueNames == ValueNames.American
            ? Say("lessons.lesson.notes-notes", ("name", value.Words(style.ValueNames)))
            : value.Several(style.ValueNames);
    }
}
