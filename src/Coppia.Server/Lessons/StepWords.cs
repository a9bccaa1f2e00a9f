using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.School;
using Coppia.Core.Shapes;
using Coppia.Core.Wording.Lessons;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Classes;
using Coppia.Server.Classes;
using Coppia.Server.Stand;
using Coppia.Server.Tunes;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Lessons;

/// <summary>The steps of a lesson in words, with what only their tunes can tell; each tune is read once.</summary>
/// <param name="instruments">Of those whom they are told to.</param>
/// <param name="titles">Of the tunes that there are.</param>
/// <param name="home">What is set for the days after it.</param>
internal sealed class StepWords(
    TunesOfClass tunes,
    Readings readings,
    ClassRecord one,
    IReadOnlyList<Instrument> instruments,
    HouseStyle style,
    IReadOnlyDictionary<long, string> titles,
    IReadOnlyList<WorkRecord> home
)
{
    private readonly LessonWords _words = new(style, instruments);
    private readonly Dictionary<long, IReadOnlyList<SectionReading>> _read = [];

    public string Title(long? tune) =>
        tune is { } id && titles.TryGetValue(id, out var title) ? title : Say("lessons.step.a-tune-that-is-gone");

    /// <param name="starts">Minutes from the beginning of the lesson.</param>
    public StepView Of(StepDoc doc, LessonStep step, int talkSeconds, double starts)
    {
        var bars = BarsOf(step);
        var seconds = step.Seconds(talkSeconds);
        return new StepView(
            doc,
            _words.Title(step, Title(step.TuneId)),
            _words.Detail(step, bars, More(step)),
            seconds,
            LessonWords.Minutes(seconds),
            starts,
            bars
        );
    }

    private string BarsOf(LessonStep step) =>
        step.EndBar > step.FirstBar && Read(step.TuneId) is [var first, ..]
            ? English.Bars(
                first.Reading.Score.Bars.Skip(step.FirstBar).Take(step.EndBar - step.FirstBar).Select(b => b.Number)
            )
            : "";

    private string More(LessonStep step) =>
        step.Part switch
        {
            LessonPart.Shapes => Shapes(step),
            LessonPart.News => News(step),
            LessonPart.Look => Look(step),
            LessonPart.Chunk => Why(step),
            LessonPart.Home => string.Join("; ", Home.Select(h => h.Title + h.How)) is { Length: > 0 } set
                ? set + "."
                : "",
            _ => "",
        };

    /// <summary>
    /// The shape of each string that the tune is played on; sections that have the same are told together.
    /// </summary>
    private string Shapes(LessonStep step)
    {
        if (step.Key is not { } key)
            return "";
        var scale = new ScaleKey(key.Fifths, key.Mode == Mode.Minor ? ScaleForm.NaturalMinor : ScaleForm.Major);
        var each = Read(step.TuneId)
            .Select(r =>
            {
                var (player, instrument) = (r.Player, r.Player.Instrument);
                var shapes = HandShape.InKey(instrument, scale, HandShape.BestPosition(instrument, scale));
                var named = r.Reading.StringsInUse.Select(s =>
                    (Labels.StringName(s, player), ShapeWords.Name(shapes[s], instrument))
                );
                return (Who: English.Plural(instrument.Id), Words: LessonWords.Shapes([.. named]));
            })
            .Where(s => s.Words.Length > 0)
            .GroupBy(s => s.Words)
            .ToArray();
        return each.Length == 1
            ? each[0].Key
            : string.Join("; ", each.Select(g => $"{English.List([.. g.Select(s => s.Who)])} {g.Key}"));
    }

    /// <summary>Which lines are the same, where the traps are, and which signs there are to look for.</summary>
    private string Look(LessonStep step)
    {
        if (Read(step.TuneId) is not [var first, ..])
            return "";
        var (reading, words) = (first.Reading, new ReadingWords(first.Reading));
        var signs = BeforeLine.Of(reading, 0, reading.Score.Bars.Count).Where(r => r.Kind == RemarkKind.Signs);
        string[] said =
        [
            words.Form.Summary(),
            words.Form.SameLines(),
            .. reading.Tune.Form.Traps.Take(LessonPlan.MostTraps).Select(words.Form.Trap),
            .. signs.Select(words.Remarks.Of),
        ];
        return string.Join(" ", said.Where(s => s.Length > 0));
    }

    /// <summary>What is to be practised at home: what, how far, how long a day, by when.</summary>
    public IReadOnlyList<HomeView> Home =>
        [
            .. home.Select(set =>
            {
                var who = set.Instrument is { } section && instruments.Count > 1 ? $" ({English.Plural(section)})" : "";
                return new HomeView(
                    set.Id,
                    SetWork.TitleOf(set),
                    who + LessonWords.AtHome(set.Tempo, MinutesOf(set), set.Due)
                );
            }),
        ];

    /// <summary>
    /// A tune three times over at its tempo, a round of cards two minutes; of a sheet nobody can tell (craft 11 and
    /// 14).
    /// </summary>
    private int? MinutesOf(WorkRecord set)
    {
        if (set.Kind == WorkKind.Cards)
            return MinutesOfRound;
        if (set.TuneId is not { } tune || Read(tune) is not [var first, ..])
            return null;
        var reading = first.Reading;
        var quarters = LessonPlan.QuartersPlayed(reading);
        var seconds = CleanRepeats * quarters * 60 / (set.Tempo ?? ReadingView.TempoOf(reading.Score));
        return Math.Max(1, (int)Math.Ceiling(seconds / 60));
    }

    private const int MinutesOfRound = 2;
    private const int CleanRepeats = 3;

    private string News(LessonStep step)
    {
        if (Read(step.TuneId) is not { Count: > 0 } read)
            return "";
        var each = read.Select(r => readings.NewsOf(r.Kept, r.Player)).ToArray();
        // Who is told alone is not named.
        IReadOnlyList<string> things =
            instruments.Count == 1
                ? [.. each[0].Of.Select(new NewsWords(read[0].Player.Style).Named)]
                : TuneFits.Named([.. read.Select(r => r.Player)], each);
        return things.Count > 0
            ? English.Sentence(string.Join("; ", things))
            : Say("lessons.step.nothing-is-new-any-more");
    }

    /// <summary>
    /// Why a trouble spot is hard; sections for which it is hard alike are told together, and one that is told alone is
    /// not named.
    /// </summary>
    private string Why(LessonStep step)
    {
        var hard = Read(step.TuneId)
            .SelectMany(r => r.Reading.Trouble.Where(t => IsAt(r, t, step)).Take(1).Select(t => Why(r, t)));
        if (instruments.Count == 1)
            return string.Concat(hard.Select(w => w.Why));
        var said = hard.GroupBy(w => w.Why).Select(g => $"{English.List([.. g.Select(w => w.Who)])}: {g.Key}");
        return string.Join(" ", said.Select((s, i) => i == 0 ? s : English.Capital(s)));
    }

    private static bool IsAt(SectionReading read, TroubleSpot spot, LessonStep step) =>
        read.Reading.Notes[spot.To].Note.Id == step.NoteId;

    private static (string Who, string Why) Why(SectionReading read, TroubleSpot spot) =>
        (English.Plural(read.Player.Instrument.Id), new TroubleWords(read.Reading.Fingering).Of(spot));

    private IReadOnlyList<SectionReading> Read(long? tune) =>
        tune is not { } id ? []
        : _read.TryGetValue(id, out var read) ? read
        : _read[id] = tunes.Read(one, id, instruments);
}
