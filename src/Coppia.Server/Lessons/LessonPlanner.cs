using System.Text.Json;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Core.Wording.Lessons;
using Coppia.Data.Classes;
using Coppia.Data.Lessons;
using Coppia.Data.Tunes;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Lessons;

/// <summary>Plans a class's lessons from what is set and from what it reached, and says them in words.</summary>
internal sealed class LessonPlanner(
    Readings readings,
    Asker asker,
    TunesOfClass tunesOf,
    WorkRepository work,
    KnownRepository known,
    LessonRepository lessons,
    LibraryNames names,
    IOptions<JsonOptions> json
)
{
    private JsonSerializerOptions Options => json.Value.SerializerOptions;

    public static RefusedException NoLesson() =>
        RefusedException.NotHere(Say("lessons.lesson-planner.there-is-no-such-lesson-in-this"));

    /// <exception cref="RefusedException">There is none of this number in the class.</exception>
    public LessonRecord Find(ClassRecord one, long id) => lessons.Find(one.Id, id) ?? throw NoLesson();

    /// <summary>Keeps a changed lesson.</summary>
    /// <exception cref="RefusedException">Another window was quicker, or it is gone.</exception>
    public LessonView Keep(ClassRecord one, LessonRecord lesson)
    {
        lessons.Save(lesson).OrRefuse(Say("lessons.lesson-planner.this-lesson-was-changed-from-another"), NoLesson());
        return View(one, Find(one, lesson.Id));
    }

    /// <summary>A plan for a day, which is not kept yet.</summary>
    public LessonRecord Plan(ClassRecord one, DateOnly day)
    {
        var set = work.Of(one.Id, asker.Today).Where(w => !w.To.IsOneLearners).ToArray();
        var past = Past(one);
        var learned = LearnedIn(one, past);
        // What is set for home first, by its day; then what was not reached last time.
        var tunes = set.Where(w => w.TuneId is not null)
            .Select(w => (Id: w.TuneId!.Value, w.Tempo))
            .Concat(
                past.Take(1)
                    .SelectMany(l => TaughtLesson.NotReached(l.Tunes.OfType<long>(), StepsOf(l)))
                    .Select(id => (Id: id, Tempo: (int?)null))
            )
            .DistinctBy(t => t.Id)
            .Select(t => TuneOf(one, t.Id, t.Tempo, learned))
            .OfType<LessonTune>()
            .ToArray();
        var steps = LessonPlan.Of(tunes, tunesOf.Players(one), new LessonPace(), set.Length);
        long?[] ids = [.. tunes.Select(t => (long?)t.Id)];
        return new LessonRecord
        {
            ClassId = one.Id,
            Day = day,
            Tunes = ids,
            Document = Text(
                new LessonDoc(
                    day,
                    one.LessonMinutes,
                    new LessonPace().TalkSeconds,
                    [.. steps.Select(s => StepDoc.Of(s, ids))],
                    []
                )
            ),
        };
    }

    /// <summary>The lesson with one more tune, before what is set for home; null where there is no such tune.</summary>
    public LessonRecord? With(ClassRecord one, LessonRecord lesson, long tuneId)
    {
        if (TuneOf(one, tuneId, null, LearnedIn(one, Past(one))) is not { } tune)
            return null;
        var doc = Doc(lesson);
        long?[] ids = lesson.Tunes.Contains(tuneId) ? [.. lesson.Tunes] : [.. lesson.Tunes, tuneId];
        var kept = doc.Steps.ToDictionary(s => s.Id);
        var next = doc.All.Select(s => Number(s.Id)).DefaultIfEmpty(0).Max() + 1;
        var steps = LessonPlan.With([.. doc.Steps.Select(s => s.Step(ids))], tune, tunesOf.Players(one), next);
        return lesson with
        {
            Tunes = ids,
            Document = Text(
                doc with
                {
                    Steps = [.. steps.Select(s => kept.GetValueOrDefault(s.Id) ?? StepDoc.Of(s, ids))],
                }
            ),
        };
    }

    private static int Number(string id) => int.TryParse(id.AsSpan(1), out var n) ? n : 0;

    public LessonDoc Doc(LessonRecord lesson) => JsonSerializer.Deserialize<LessonDoc>(lesson.Document, Options)!;

    public string Text(LessonDoc doc) => JsonSerializer.Serialize(doc, Options);

    /// <summary>
    /// What a class has behind it: tunes that it knows, and of each tune the lines that were reached in a lesson.
    /// </summary>
    private sealed record Learned(IReadOnlySet<long> Tunes, ILookup<long, int> Lines);

    /// <summary>The lessons that were taught, the last first.</summary>
    private LessonRecord[] Past(ClassRecord one) =>
        [
            .. lessons
                .Of(one.Id, TaughtLesson.Remembered)
                .Where(l => TaughtLesson.StateOf(l.TaughtAt) == LessonState.Taught),
        ];

    private Learned LearnedIn(ClassRecord one, IEnumerable<LessonRecord> past) =>
        new(
            known
                .Of(one.Id)
                .Where(k => k is { TakenBackAt: null, Cause: KnownCause.Tune })
                .Select(k => k.TuneId)
                .OfType<long>()
                .ToHashSet(),
            past.SelectMany(l => TaughtLesson.LinesReached(StepsOf(l))).ToLookup(r => r.Tune, r => r.Line)
        );

    private LessonTune? TuneOf(ClassRecord one, long id, int? goal, Learned learned)
    {
        if (tunesOf.Read(one, id) is not [var first, ..] sections)
            return null;
        return new LessonTune(
            id,
            [.. sections.Select(s => s.Reading)],
            sections.SelectMany(s => readings.NewsOf(s.Kept, s.Player).Of).DistinctBy(n => n.Thing).Count(),
            goal ?? ReadingView.TempoOf(first.Reading.Score),
            learned.Tunes.Contains(id),
            learned.Lines[id].ToHashSet()
        );
    }

    private IReadOnlyList<LessonStep> StepsOf(LessonRecord lesson) =>
        [.. Doc(lesson).Steps.Select(s => s.Step(lesson.Tunes))];

    /// <summary>The lesson in the words of its class.</summary>
    /// <param name="alone">In the words of one instrument instead; null for all that the class plays.</param>
    public LessonView View(ClassRecord one, LessonRecord lesson, Instrument? alone = null)
    {
        var doc = Doc(lesson);
        var titles = names.Titles(lesson.Tunes.OfType<long>());
        var home = HomeOf(one, lesson.Day, alone);
        var section = alone is null ? tunesOf.Section(one) : [alone];
        var said = new StepWords(tunesOf, readings, one, section, asker.Style, titles, home);
        var docs = alone is null ? doc.Steps : Alone(one, lesson, doc, alone, home.Count);
        var steps = docs.Select(s => s.Step(lesson.Tunes)).ToArray();
        var time = LessonTime.Of(steps, doc.TalkSeconds, doc.Minutes);
        return new LessonView(
            Id: lesson.Id,
            Version: lesson.Version,
            Day: lesson.Day,
            IsTaught: TaughtLesson.StateOf(lesson.TaughtAt) == LessonState.Taught,
            Minutes: doc.Minutes,
            TalkSeconds: doc.TalkSeconds,
            Tunes: [.. lesson.Tunes.Select(t => new LessonTuneView(t, said.Title(t)))],
            Steps: [.. ViewsOf(docs.Zip(steps), said, doc.TalkSeconds)],
            Left: [.. doc.Left.Select(s => said.Of(s, s.Step(lesson.Tunes), doc.TalkSeconds, 0))],
            Seconds: time.Seconds,
            Total: LessonWords.Minutes(time.Seconds),
            Over: time.Over > 0 ? LessonWords.Minutes(time.Over) : null,
            Spare: doc.Minutes * 60 - time.Seconds is >= 60 and var spare ? LessonWords.Minutes(spare) : null,
            Offers: [.. time.Offers.Select(o => OfferOf(o, said))],
            Care: time.NeedsBreak ? LessonWords.Care(time) : null,
            Home: said.Home
        );
    }

    /// <summary>The steps, each with the minute at which it begins.</summary>
    private static IEnumerable<StepView> ViewsOf(
        IEnumerable<(StepDoc Doc, LessonStep Step)> steps,
        StepWords said,
        int talkSeconds
    )
    {
        var starts = 0.0;
        foreach (var (doc, step) in steps)
        {
            yield return said.Of(doc, step, talkSeconds, starts / 60);
            starts += step.Seconds(talkSeconds);
        }
    }

    private static LessonOfferView OfferOf(LessonOffer offer, StepWords said) =>
        new(offer.Kind, LessonWords.Of(offer, said.Title(offer.TuneId)), offer.Steps);

    /// <summary>The steps of a lesson for one who goes through it alone on an instrument.</summary>
    private StepDoc[] Alone(ClassRecord one, LessonRecord lesson, LessonDoc doc, Instrument instrument, int set)
    {
        var player = new Player(instrument, asker.Style, asker.Known);
        var tunes = new Dictionary<long, LessonTune>();
        foreach (var tune in lesson.Tunes.OfType<long>())
        {
            if (tunesOf.Read(one, tune, [instrument]) is [var own])
                tunes[tune] = new LessonTune(
                    tune,
                    [own.Reading],
                    readings.NewsOf(own.Kept, own.Player).Of.Count,
                    ReadingView.TempoOf(own.Reading.Score),
                    IsReview: false,
                    Reached: new HashSet<int>()
                );
        }

        var steps = LessonAlone.Of([.. doc.Steps.Select(s => s.Step(lesson.Tunes))], player, tunes, set);
        return [.. steps.Select(s => StepDoc.Of(s, lesson.Tunes))];
    }

    /// <summary>
    /// The homework of a whole class or section after a lesson. A single learner's work is nobody else's to read.
    /// </summary>
    private IReadOnlyList<WorkRecord> HomeOf(ClassRecord one, DateOnly day, Instrument? alone) =>
        [
            .. work.Of(one.Id, day)
                .Where(w => !w.To.IsOneLearners)
                .Where(w => TaughtLesson.HasAsHomework(day, asker.DayOf(w.MadeAt), w.Due))
                .Where(w => w.Instrument is null || alone is null || w.Instrument == alone.Id),
        ];
}
