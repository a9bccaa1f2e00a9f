using System.Globalization;
using Coppia.Core.Lesson;

namespace Coppia.Tests;

/// <summary>What becomes of a lesson, and what it tells the next; common practice.</summary>
public class LessonStateTests
{
    private static readonly DateTime First = new(2026, 9, 14, 10, 0, 0, DateTimeKind.Utc);

    private static LessonStep Step(LessonPart part, long tune, bool? reached, int? line = null) =>
        new()
        {
            Part = part,
            TuneId = tune,
            Line = line,
            Reached = reached,
        };

    [Fact]
    public void A_lesson_is_taught_when_it_was_first_kept_as_taught_and_may_be_a_plan_again()
    {
        Assert.Equal(LessonState.Planned, TaughtLesson.StateOf(null));
        var taught = TaughtLesson.At(LessonState.Taught, null, First);
        Assert.Equal(First, taught);
        Assert.Equal(LessonState.Taught, TaughtLesson.StateOf(taught));
        Assert.Equal(First, TaughtLesson.At(LessonState.Taught, taught, First.AddDays(3)));
        Assert.Null(TaughtLesson.At(LessonState.Planned, taught, First.AddDays(3)));
    }

    [Fact]
    public void Lines_that_were_reached_are_known_next_time()
    {
        LessonStep[] steps =
        [
            Step(LessonPart.Line, tune: 7, reached: true, line: 0),
            Step(LessonPart.Line, tune: 7, reached: false, line: 1),
            Step(LessonPart.Line, tune: 7, reached: null, line: 2),
            Step(LessonPart.Chunk, tune: 7, reached: true),
            Step(LessonPart.Line, tune: 9, reached: true, line: 3),
        ];
        Assert.Equal([(7L, 0), (9L, 3)], TaughtLesson.LinesReached(steps));
    }

    [Fact]
    public void A_tune_comes_again_until_it_was_played_at_its_tempo()
    {
        LessonStep[] steps =
        [
            Step(LessonPart.AtTempo, tune: 1, reached: true),
            Step(LessonPart.AtTempo, tune: 2, reached: false),
            Step(LessonPart.Slow, tune: 3, reached: true),
            Step(LessonPart.Review, tune: 4, reached: true),
        ];
        Assert.Equal([2L, 3L, 5L], TaughtLesson.NotReached([1, 2, 3, 4, 5], steps));
    }

    [Theory] // A lesson on Monday 14 September 2026.
    [InlineData("2026-09-14", "2026-09-21", true)] // set that day for the next lesson
    [InlineData("2026-09-10", "2026-09-15", true)] // set before, due after it
    [InlineData("2026-09-20", "2026-09-28", true)] // set late in its week
    [InlineData("2026-09-21", "2026-09-28", false)] // the next lesson's
    [InlineData("2026-09-07", "2026-09-14", false)] // due by the lesson itself
    public void Homework_is_what_is_set_in_its_week_for_after_it(string setOn, string due, bool isHomework) =>
        Assert.Equal(
            isHomework,
            TaughtLesson.HasAsHomework(
                new DateOnly(2026, 9, 14),
                DateOnly.Parse(setOn, CultureInfo.InvariantCulture),
                DateOnly.Parse(due, CultureInfo.InvariantCulture)
            )
        );
}
