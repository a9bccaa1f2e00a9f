using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>The lessons of a class: planned, edited step by step, kept as taught.</summary>
internal static class LessonEndpoints
{
    public static void MapLessons(this WebApplication app)
    {
        var lessons = app.MapGroup("/api/classes/{class:long}/lessons");
        lessons.MapGet("", List).WithName("listLessons").ProducesProblem(400).ProducesProblem(404);
        lessons.MapPost("", Plan).WithName("planLesson").ProducesProblem(404).ProducesProblem(422);
        lessons.MapGet("/{id:long}", Get).WithName("getLesson").ProducesProblem(404);
        lessons.MapPut("/{id:long}", Save).WithName("saveLesson").ProducesProblem(404).ProducesProblem(409).ProducesProblem(422);
        lessons
            .MapPost("/{id:long}/tunes", AddTune)
            .WithName("addLessonTune")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        lessons.MapDelete("/{id:long}", Delete).WithName("deleteLesson").ProducesProblem(404);
        lessons.MapPost("/{id:long}/restore", Restore).WithName("restoreLesson").ProducesProblem(404);
    }

    private static Results<Ok<LessonListView>, ProblemHttpResult> List(
        ForWhom forWhom,
        LessonRepository repository,
        LibraryNames names,
        long @class,
        int from = 0,
        int count = 50
    )
    {
        if (forWhom.Class is null)
            return ClassEndpoints.NoClass(@class);
        if (Problems.NoPage(from, count, "lessons") is { } problem)
            return problem;
        var page = repository.Of(@class, count, from);
        var titles = names.Titles(page.SelectMany(l => l.Tunes).OfType<long>());
        return TypedResults.Ok(
            new LessonListView(
                [
                    .. page.Select(l => new LessonSummary(
                        l.Id,
                        l.Day,
                        l.TaughtAt is not null,
                        [.. l.Tunes.OfType<long>().Where(titles.ContainsKey).Select(t => titles[t])]
                    )),
                ],
                repository.Count(@class)
            )
        );
    }

    private static Results<Ok<LessonView>, ProblemHttpResult> Plan(
        ForWhom forWhom,
        Lessons lessons,
        LessonRepository repository,
        Asking asking,
        long @class,
        LessonRequest asked
    )
    {
        if (forWhom.Class is not { } one)
            return ClassEndpoints.NoClass(@class);
        if (!DateOnly.TryParseExact(asked.Day, "yyyy-MM-dd", out _))
            return ClassEndpoints.Refused($"“{asked.Day}” is not a day; expected one such as 2026-09-14.");
        var id = repository.Add(lessons.Plan(one, asked.Day) with { MadeBy = asking.Name });
        return TypedResults.Ok(lessons.View(one, repository.Find(@class, id)!));
    }

    private static Results<Ok<LessonView>, ProblemHttpResult> Get(
        ForWhom forWhom,
        Lessons lessons,
        LessonRepository repository,
        long @class,
        long id,
        string? instrument = null
    )
    {
        if (forWhom.Class is not { } one)
            return ClassEndpoints.NoClass(@class);
        if (repository.Find(@class, id) is not { } lesson)
            return NoLesson();
        if (instrument is null)
            return TypedResults.Ok(lessons.View(one, lesson));
        if (forWhom.Missing(instrument, out var player) is { } unknown)
            return unknown;
        return TypedResults.Ok(lessons.View(one, lesson, player.Instrument));
    }

    private static Results<Ok<LessonView>, ProblemHttpResult> Save(
        ForWhom forWhom,
        Lessons lessons,
        LessonRepository repository,
        TimeProvider clock,
        long @class,
        long id,
        LessonChange change
    )
    {
        if (forWhom.Class is not { } one)
            return ClassEndpoints.NoClass(@class);
        if (repository.Find(@class, id) is not { } lesson)
            return NoLesson();
        if (change.Lesson.Wrong(lesson.Tunes.Count) is { } wrong)
            return ClassEndpoints.Refused(wrong);
        var taught = change.IsTaught ? lesson.TaughtAt ?? clock.GetUtcNow().UtcDateTime : (DateTime?)null;
        return Kept(
            one,
            lessons,
            repository,
            lesson with
            {
                Version = change.Version,
                Day = change.Lesson.Day,
                Document = lessons.Text(change.Lesson),
                TaughtAt = taught,
            }
        );
    }

    private static Results<Ok<LessonView>, ProblemHttpResult> AddTune(
        ForWhom forWhom,
        Lessons lessons,
        LessonRepository repository,
        long @class,
        long id,
        LessonTuneRequest asked
    )
    {
        if (forWhom.Class is not { } one)
            return ClassEndpoints.NoClass(@class);
        if (repository.Find(@class, id) is not { } lesson)
            return NoLesson();
        if (lessons.With(one, lesson, asked.TuneId) is not { } with)
            return Problems.NoTune(asked.TuneId);
        if (lessons.Doc(with).Wrong(with.Tunes.Count) is { } wrong)
            return ClassEndpoints.Refused(wrong);
        return Kept(one, lessons, repository, with with { Version = asked.Version });
    }

    private static Results<Ok<LessonView>, ProblemHttpResult> Kept(
        ClassRecord one,
        Lessons lessons,
        LessonRepository repository,
        LessonRecord lesson
    ) =>
        repository.Save(lesson) switch
        {
            SaveOutcome.Saved => TypedResults.Ok(lessons.View(one, repository.Find(one.Id, lesson.Id)!)),
            SaveOutcome.ChangedMeanwhile => Problems.Meanwhile("This lesson was changed from another window since you opened it."),
            _ => NoLesson(),
        };

    private static Results<NoContent, ProblemHttpResult> Delete(LessonRepository repository, long @class, long id) =>
        repository.Delete(@class, id) ? TypedResults.NoContent() : NoLesson();

    private static Results<NoContent, ProblemHttpResult> Restore(LessonRepository repository, long @class, long id) =>
        repository.Restore(@class, id) ? TypedResults.NoContent() : NoLesson();

    private static ProblemHttpResult NoLesson() =>
        TypedResults.Problem(statusCode: 404, title: "There is no such lesson in this class; it may have been deleted.");
}
