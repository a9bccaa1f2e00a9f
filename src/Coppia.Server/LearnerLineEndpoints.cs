using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>A learner and the line of a tune that they read.</summary>
/// <param name="Line">The line's key; null for that of their instrument.</param>
public sealed record LearnerLineView(long LearnerId, string Nickname, string Instrument, string? Line);

/// <summary>The line that a learner is to read.</summary>
/// <param name="Line">The line's key; null for that of their instrument.</param>
public sealed record LearnerLineRequest(string? Line);

/// <summary>Top or bottom line, learner by learner (craft 16).</summary>
internal static class LearnerLineEndpoints
{
    public static void MapLearnerLines(this WebApplication app)
    {
        var lines = app.MapGroup("/api/classes/{class:long}/tunes/{tune:long}/lines");
        lines.MapGet("", Get).WithName("getLearnerLines").ProducesProblem(404);
        lines.MapPut("/{learner:long}", Put).WithName("chooseLearnerLine").ProducesProblem(404).ProducesProblem(422);
    }

    private static Results<Ok<LearnerLineView[]>, ProblemHttpResult> Get(
        ForWhom forWhom,
        Readings readings,
        LearnerRepository learners,
        LearnerLineRepository lines,
        long @class,
        long tune
    )
    {
        if (forWhom.Class is null)
            return ClassEndpoints.NoClass(@class);
        if (readings.Missing(tune, out var kept) is { } missing)
            return missing;
        var own = lines.Of(@class, tune);
        return TypedResults.Ok(
            learners
                .Of(@class)
                .Select(l => new LearnerLineView(l.Id, l.Nickname, l.Instrument, kept.HasLine(own.GetValueOrDefault(l.Id))))
                .ToArray()
        );
    }

    private static Results<NoContent, ProblemHttpResult> Put(
        Readings readings,
        LearnerRepository learners,
        LearnerLineRepository lines,
        long @class,
        long tune,
        long learner,
        LearnerLineRequest asked
    )
    {
        if (readings.Missing(tune, out var kept) is { } missing)
            return missing;
        if (learners.Find(learner)?.ClassId != @class)
            return ClassEndpoints.NoLearner();
        if (asked.Line is { } line && kept.HasLine(line) is null)
            return ClassEndpoints.Refused($"There is no line “{line}” in this tune.");
        lines.Set(learner, tune, asked.Line);
        return TypedResults.NoContent();
    }
}
