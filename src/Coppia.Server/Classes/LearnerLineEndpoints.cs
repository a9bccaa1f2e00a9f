using Coppia.Data.Classes;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Classes;

/// <summary>A learner and the line of a tune that they read.</summary>
/// <param name="Line">The line's key; null for that of their instrument.</param>
public sealed record LearnerLineView(long LearnerId, string Nickname, string Instrument, string? Line);

/// <summary>The line that a learner is to read.</summary>
/// <param name="Line">The line's key; null for that of their instrument.</param>
public sealed record LearnerLineRequest(string? Line);

/// <summary>A learner of a class, and a tune.</summary>
internal sealed record LearnerLineAddress(
    [property: FromRoute(Name = "class")] long Class,
    [property: FromRoute(Name = "tune")] long Tune,
    [property: FromRoute(Name = "learner")] long Learner
);

/// <summary>Top or bottom line, learner by learner (craft 16).</summary>
internal static class LearnerLineEndpoints
{
    public static void MapLearnerLines(this IEndpointRouteBuilder api)
    {
        var lines = api.MapGroup("/api/classes/{class:long}/tunes/{tune:long}/lines");
        lines.MapGet("", Get).WithName("getLearnerLines").ProducesProblem(404);
        lines.MapPut("/{learner:long}", Put).WithName("chooseLearnerLine").ProducesProblem(404).ProducesProblem(422);
    }

    private static LearnerLineView[] Get(
        Asker asker,
        Readings readings,
        LearnerRepository learners,
        LearnerLineRepository lines,
        long @class,
        long tune
    )
    {
        var one = asker.Class;
        var kept = readings.Kept(tune);
        var own = lines.Of(one.Id, tune);
        return learners
            .Of(one.Id)
            .Select(l => new LearnerLineView(l.Id, l.Nickname, l.Instrument, kept.HasLine(own.GetValueOrDefault(l.Id))))
            .ToArray();
    }

    private static NoContent Put(
        Asker asker,
        Readings readings,
        LearnerLineRepository lines,
        [AsParameters] LearnerLineAddress of,
        LearnerLineRequest asked
    )
    {
        var kept = readings.Kept(of.Tune);
        var who = asker.LearnerOf(of.Class, of.Learner);
        if (asked.Line is { } line && kept.HasLine(line) is null)
            throw RefusedException.Wrong(Say("classes.learner-line.there-is-no-line-in-this-tune", ("line", line)));
        lines.Set(who.Id, of.Tune, asked.Line);
        return TypedResults.NoContent();
    }
}
