using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Records;
using Coppia.Server.Asked;
using Coppia.Server.Classes;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Records;

/// <summary>Whole records: out as JSON and CSV, in again, and gone at once.</summary>
internal static class RecordEndpoints
{
    /// <summary>Years of a large class.</summary>
    private const long MostBytes = 100L * 1024 * 1024;

    public static void MapRecords(this IEndpointRouteBuilder api)
    {
        var classes = api.MapGroup("/api/classes");
        classes
            .MapPost("/record", TakeIn)
            .WithName("takeClassIn")
            .ProducesProblem(409)
            .ProducesProblem(422)
            .WithMetadata(Large);
        var one = classes.MapGroup("/{class:long}");
        one.MapGet("/record.json", ClassJson).WithName("getClassRecord").ProducesProblem(404);
        one.MapGet("/record.csv", ClassRows).WithName("getClassTable").ProducesProblem(404);
        one.MapDelete("", Delete).WithName("deleteClass").ProducesProblem(404);
        one.MapGet("/learners/{learner:long}/record.json", LearnerJson)
            .WithName("getLearnerRecord")
            .ProducesProblem(404);
        one.MapGet("/learners/{learner:long}/record.csv", LearnerRows).WithName("getLearnerTable").ProducesProblem(404);
        one.MapDelete("/learners/{learner:long}", DeleteLearner).WithName("deleteLearner").ProducesProblem(404);
        one.MapPost("/learners/record", BringBack)
            .WithName("takeLearnerIn")
            .ProducesProblem(404)
            .ProducesProblem(422)
            .WithMetadata(Large);
    }

    private static readonly RequestSizeLimitAttribute Large = new(MostBytes);

    private static FileContentHttpResult ClassJson(ClassCopies copies, ClassFiles files, long @class) =>
        copies.Of(@class) is { } copy
            ? TypedResults.Bytes(
                files.Bytes(files.FileOf(copy)),
                "application/json",
                $"class-{FileNames.Plain(copy.Class.Name)}.json"
            )
            : throw ClassRules.NoClass(@class);

    private static FileContentHttpResult ClassRows(ClassCopies copies, ClassTable table, long @class) =>
        copies.Of(@class) is { } copy
            ? CsvText.File(table.Of(copy), $"class-{FileNames.Plain(copy.Class.Name)}")
            : throw ClassRules.NoClass(@class);

    /// <summary>The class goes with everything that hangs on it; what it was is answered, to be taken back.</summary>
    private static ClassFile Delete(ClassRepository classes, ClassCopies copies, ClassFiles files, long @class) =>
        copies.Of(@class) is { } copy && classes.Delete(@class)
            ? files.FileOf(copy, withLinks: true)
            : throw ClassRules.NoClass(@class);

    private static ClassSummary TakeIn(ClassRepository classes, ClassFiles files, ClassFile file) =>
        files.Add(file) is { } id
            ? ClassSummary.Of(classes.Find(id)!, classes.Sections(id))
            : throw RefusedException.Meanwhile(
                Say("records.record.is-here-already-made-at-the-same", ("file", file.Name))
            );

    private static FileContentHttpResult LearnerJson(
        Asker asker,
        ClassCopies copies,
        ClassFiles files,
        long @class,
        long learner
    )
    {
        var who = asker.LearnerOf(@class, learner);
        return TypedResults.Bytes(files.Bytes(files.FileOf(copies.Of(who))), "application/json", $"{NameOf(who)}.json");
    }

    private static FileContentHttpResult LearnerRows(
        Asker asker,
        ClassCopies copies,
        ClassTable table,
        long @class,
        long learner
    )
    {
        var who = asker.LearnerOf(@class, learner);
        return CsvText.File(table.Of(copies.Of(who)), NameOf(who));
    }

    private static string NameOf(LearnerRecord who) => $"learner-{FileNames.Plain(who.Nickname)}";

    /// <summary>Everything of a learner goes at once; what it was is answered, to be taken back.</summary>
    private static LearnerFile DeleteLearner(
        Asker asker,
        LearnerRepository learners,
        ClassCopies copies,
        ClassFiles files,
        long @class,
        long learner
    )
    {
        var file = files.FileOf(copies.Of(asker.LearnerOf(@class, learner)), withLink: true);
        return learners.Delete(learner) ? file : throw ClassRules.NoLearner();
    }

    /// <summary>Puts a learner with their whole record into a class.</summary>
    private static NoContent BringBack(
        Asker asker,
        LearnerRepository learners,
        ClassFiles files,
        long @class,
        LearnerFile learner
    )
    {
        var one = asker.Class;
        if (learners.Of(one.Id).Count >= Limits.MostLearners)
            throw RefusedException.Wrong(
                Say("classes.class.a-class-has-at-most-learners", ("mostLearners", Limits.MostLearners))
            );
        files.Add(one.Id, learner);
        return TypedResults.NoContent();
    }
}
