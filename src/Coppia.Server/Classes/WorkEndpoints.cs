using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Classes;

/// <summary>Something that is set.</summary>
/// <param name="Title">The tune's or task's title, the sheet's heading, or "Cards".</param>
/// <param name="For">Ids of those it is set to.</param>
/// <param name="Done">Ids of those who have done it.</param>
/// <param name="SetOn">The day it was set, such as 2026-09-07.</param>
/// <param name="Due">A day, such as 2026-09-14.</param>
public sealed record WorkView(
    long Id,
    WorkKind Kind,
    string Title,
    long? TuneId,
    long? SheetId,
    long? TaskId,
    int? Tempo,
    string? Instrument,
    long? LearnerId,
    DateOnly SetOn,
    DateOnly Due,
    LadderView? Ladder,
    IReadOnlyList<long> For,
    IReadOnlyList<long> Done
);

/// <summary>Something to be set to a class, a section of it, or one learner.</summary>
/// <param name="Tempo">Quarters a minute to reach with a tune, 20 to 300; null where none is asked for.</param>
/// <param name="Due">A day, such as 2026-09-14.</param>
public sealed record WorkRequest(
    WorkKind Kind,
    DateOnly Due,
    long? TuneId = null,
    long? SheetId = null,
    [property: Within(Limits.SlowestTempo, Limits.FastestTempo, "classes.set-work.expected-a-tempo")] int? Tempo = null,
    string? Instrument = null,
    long? LearnerId = null,
    long? TaskId = null
);

/// <summary>Whether a learner has done something.</summary>
public sealed record DoneRequest(bool Done);

/// <summary>Something that is set to a class, and one of its learners.</summary>
internal sealed record WorkOfLearner(
    [property: FromRoute(Name = "class")] long Class,
    [property: FromRoute(Name = "work")] long Work,
    [property: FromRoute(Name = "learner")] long Learner
);

/// <summary>What is set to a class, and who has done it.</summary>
internal static class WorkEndpoints
{
    public static void MapWork(this IEndpointRouteBuilder api)
    {
        var one = api.MapGroup("/api/classes/{class:long}");
        one.MapGet("/tasks", (SetWork set, long @class) => set.List()).WithName("listWork").ProducesProblem(404);
        one.MapPost("/tasks", Add).WithName("setWork").ProducesProblem(404).ProducesProblem(422);
        one.MapDelete("/tasks/{work:long}", Delete).WithName("deleteWork").ProducesProblem(404);
        one.MapPut("/tasks/{work:long}/done/{learner:long}", SetDone).WithName("setDone").ProducesProblem(404);
    }

    private static NoContent Add(SetWork set, long @class, WorkRequest asked)
    {
        set.Add(asked);
        return TypedResults.NoContent();
    }

    private static NoContent Delete(WorkRepository works, long @class, long work) =>
        works.Delete(@class, work) ? TypedResults.NoContent() : throw NoWork();

    private static NoContent SetDone(
        Asker asker,
        WorkRepository works,
        [AsParameters] WorkOfLearner of,
        DoneRequest asked
    ) =>
        asker.LearnerIn(of.Class, of.Learner) is { } who && works.SetDone(of.Work, who, asked.Done, asker.Name)
            ? TypedResults.NoContent()
            : throw NoWork();

    private static RefusedException NoWork() =>
        new RefusedException(404, Say("classes.work.this-is-not-set-to-this-class"));
}
