using Coppia.Data.Logbook;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Logbook;

/// <summary>The logbook: what the learners of a class did at home.</summary>
internal static class LogEndpoints
{
    public static void MapLogbook(this IEndpointRouteBuilder api)
    {
        var one = api.MapGroup("/api/classes/{class:long}");
        one.MapGet("/logbook", (ClassLog log, long @class, string firstDay = "monday") => log.Show(Day(firstDay)))
            .WithName("getLogbook")
            .ProducesProblem(404);
        one.MapGet(
                "/learners/{learner:long}/logbook",
                (Asker asker, LearnerLogs logs, long @class, long learner, string firstDay = "monday") =>
                    logs.Show(asker.LearnerOf(@class, learner), Day(firstDay))
            )
            .WithName("getLearnerLogbook")
            .ProducesProblem(404);
        one.MapPost(
                "/learners/{learner:long}/minutes",
                (Asker asker, LearnerLogs logs, long @class, long learner, MinutesRequest asked) =>
                    logs.Add(asker.LearnerOf(@class, learner), asked)
            )
            .WithName("addMinutes")
            .ProducesProblem(404)
            .ProducesProblem(422);
        one.MapDelete("/learners/{learner:long}/minutes/{key}", TakeMinutesBack)
            .WithName("takeMinutesBack")
            .ProducesProblem(404);
    }

    /// <summary>The day on which weeks begin.</summary>
    private static DayOfWeek Day(string name) =>
        Choices.Read<DayOfWeek>(name, out var day)
            ? day
            : throw new RefusedException(
                400,
                Say("logbook.log.is-not-a-day-of-the-week", ("name", name), ("choices", Choices.Expected<DayOfWeek>()))
            );

    private static NoContent TakeMinutesBack(
        Asker asker,
        ReportRepository reports,
        long @class,
        long learner,
        string key
    ) =>
        asker.LearnerIn(@class, learner) is not null && reports.Remove(learner, key)
            ? TypedResults.NoContent()
            : throw RefusedException.NotHere(Say("logbook.log.there-are-no-such-minutes-of-this"));
}
