using Coppia.Core.Lesson;
using Coppia.Data.Lessons;
using Coppia.Data.Tunes;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server.Lessons;

/// <summary>The lessons of a class: planned, edited step by step, kept as taught.</summary>
internal static class LessonEndpoints
{
    public static void MapLessons(this IEndpointRouteBuilder api)
    {
        var lessons = api.MapGroup("/api/classes/{class:long}/lessons");
        lessons.MapGet("", List).WithName("listLessons").ProducesProblem(400).ProducesProblem(404);
        lessons.MapPost("", Plan).WithName("planLesson").ProducesProblem(404).ProducesProblem(422);
        lessons.MapGet("/{id:long}", Get).WithName("getLesson").ProducesProblem(404);
        lessons
            .MapPut("/{id:long}", Save)
            .WithName("saveLesson")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        lessons
            .MapPost("/{id:long}/tunes", AddTune)
            .WithName("addLessonTune")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        lessons.MapDelete("/{id:long}", Delete).WithName("deleteLesson").ProducesProblem(404);
        lessons.MapPost("/{id:long}/restore", Restore).WithName("restoreLesson").ProducesProblem(404);
    }

    private static LessonListView List(
        Asker asker,
        LessonRepository repository,
        LibraryNames names,
        long @class,
        int from = 0,
        int count = 50
    )
    {
        var one = asker.Class;
        Problems.CheckPage(from, count, "lessons");
        var page = repository.Of(one.Id, count, from);
        var titles = names.Titles(page.SelectMany(l => l.Tunes).OfType<long>());
        return new LessonListView(
            [
                .. page.Select(l => new LessonSummary(
                    l.Id,
                    l.Day,
                    TaughtLesson.StateOf(l.TaughtAt) == LessonState.Taught,
                    [.. l.Tunes.OfType<long>().Where(titles.ContainsKey).Select(t => titles[t])]
                )),
            ],
            repository.Count(one.Id)
        );
    }

    private static LessonView Plan(
        Asker asker,
        LessonPlanner lessons,
        LessonRepository repository,
        long @class,
        LessonRequest asked
    )
    {
        var one = asker.Class;
        var id = repository.Add(lessons.Plan(one, asked.Day) with { MadeBy = asker.Name });
        return lessons.View(one, repository.Find(one.Id, id)!);
    }

    private static LessonView Get(Asker asker, LessonPlanner lessons, long @class, long id, string? instrument = null)
    {
        var lesson = lessons.Find(asker.Class, id);
        return lessons.View(asker.Class, lesson, instrument is null ? null : asker.Player(instrument).Instrument);
    }

    private static LessonView Save(Asker asker, LessonPlanner lessons, long @class, long id, LessonChange change)
    {
        var lesson = lessons.Find(asker.Class, id);
        if (change.Lesson.Wrong(lesson.Tunes.Count) is { } wrong)
            throw RefusedException.Wrong(wrong);
        return lessons.Keep(
            asker.Class,
            lesson with
            {
                Version = change.Version,
                Day = change.Lesson.Day,
                Document = lessons.Text(change.Lesson),
                TaughtAt = TaughtLesson.At(
                    change.IsTaught ? LessonState.Taught : LessonState.Planned,
                    lesson.TaughtAt,
                    asker.Now
                ),
            }
        );
    }

    private static LessonView AddTune(Asker asker, LessonPlanner lessons, long @class, long id, LessonTuneRequest asked)
    {
        var lesson = lessons.Find(asker.Class, id);
        if (lessons.With(asker.Class, lesson, asked.TuneId) is not { } with)
            throw Readings.NoTune(asked.TuneId);
        if (lessons.Doc(with).Wrong(with.Tunes.Count) is { } wrong)
            throw RefusedException.Wrong(wrong);
        return lessons.Keep(asker.Class, with with { Version = asked.Version });
    }

    private static NoContent Delete(LessonRepository repository, long @class, long id) =>
        repository.IsOf(@class, id) && repository.Delete(id)
            ? TypedResults.NoContent()
            : throw LessonPlanner.NoLesson();

    private static NoContent Restore(LessonRepository repository, long @class, long id) =>
        repository.IsOf(@class, id) && repository.Restore(id)
            ? TypedResults.NoContent()
            : throw LessonPlanner.NoLesson();
}
