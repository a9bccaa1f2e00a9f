using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Coppia.Server;

/// <summary>Whole records: out as JSON and CSV, in again, and gone at once.</summary>
internal static class RecordEndpoints
{
    /// <summary>Years of a large class.</summary>
    private const long MostBytes = 100L * 1024 * 1024;

    public static void MapRecords(this WebApplication app)
    {
        var classes = app.MapGroup("/api/classes");
        classes.MapPost("/record", TakeIn).WithName("takeClassIn").ProducesProblem(409).ProducesProblem(422).WithMetadata(Large);
        var one = classes.MapGroup("/{class:long}");
        one.MapGet("/record.json", ClassJson).WithName("getClassRecord").ProducesProblem(404);
        one.MapGet("/record.csv", ClassRows).WithName("getClassTable").ProducesProblem(404);
        one.MapDelete("", Delete).WithName("deleteClass").ProducesProblem(404);
        one.MapGet("/learners/{learner:long}/record.json", LearnerJson).WithName("getLearnerRecord").ProducesProblem(404);
        one.MapGet("/learners/{learner:long}/record.csv", LearnerRows).WithName("getLearnerTable").ProducesProblem(404);
        one.MapDelete("/learners/{learner:long}", DeleteLearner).WithName("deleteLearner").ProducesProblem(404);
        one.MapPost("/learners/record", BringBack).WithName("takeLearnerIn").ProducesProblem(404).ProducesProblem(422).WithMetadata(Large);
    }

    private static readonly RequestSizeLimitAttribute Large = new(MostBytes);

    private static Results<FileContentHttpResult, ProblemHttpResult> ClassJson(ClassCopies copies, ClassFiles files, long @class) =>
        copies.Of(@class) is { } copy
            ? TypedResults.Bytes(files.Bytes(files.FileOf(copy)), "application/json", $"class-{FileNames.Plain(copy.Class.Name)}.json")
            : ClassEndpoints.NoClass(@class);

    private static Results<FileContentHttpResult, ProblemHttpResult> ClassRows(ClassCopies copies, ClassTable table, long @class) =>
        copies.Of(@class) is { } copy
            ? CsvText.File(table.Of(copy), $"class-{FileNames.Plain(copy.Class.Name)}")
            : ClassEndpoints.NoClass(@class);

    /// <summary>The class goes with everything that hangs on it; what it was is answered, to be taken back.</summary>
    private static Results<Ok<ClassFile>, ProblemHttpResult> Delete(
        ClassRepository classes,
        ClassCopies copies,
        ClassFiles files,
        long @class
    ) =>
        copies.Of(@class) is { } copy && classes.Delete(@class)
            ? TypedResults.Ok(files.FileOf(copy, withLinks: true))
            : ClassEndpoints.NoClass(@class);

    private static Results<Ok<ClassSummary>, ProblemHttpResult> TakeIn(ClassRepository classes, ClassFiles files, ClassFile file)
    {
        try
        {
            return files.Add(file) is { } id
                ? TypedResults.Ok(ClassSummary.Of(classes.Find(id)!, classes.Sections(id)))
                : TypedResults.Problem(
                    statusCode: 409,
                    title: $"“{file.Name}” is here already, made at the same moment. Nothing was changed."
                );
        }
        catch (FormatException e)
        {
            return ClassEndpoints.Refused(e.Message);
        }
    }

    private static LearnerRecord? Find(LearnerRepository learners, long @class, long learner) =>
        learners.Find(learner) is { } found && found.ClassId == @class ? found : null;

    private static Results<FileContentHttpResult, ProblemHttpResult> LearnerJson(
        LearnerRepository learners,
        ClassCopies copies,
        ClassFiles files,
        long @class,
        long learner
    ) =>
        Find(learners, @class, learner) is { } who
            ? TypedResults.Bytes(files.Bytes(files.FileOf(copies.Of(who))), "application/json", $"{NameOf(who)}.json")
            : ClassEndpoints.NoLearner();

    private static Results<FileContentHttpResult, ProblemHttpResult> LearnerRows(
        LearnerRepository learners,
        WorkRepository work,
        ClassCopies copies,
        ClassTable table,
        long @class,
        long learner
    ) =>
        Find(learners, @class, learner) is { } who
            ? CsvText.File(table.Of(copies.Of(who), work.Of(who, since: "")), NameOf(who))
            : ClassEndpoints.NoLearner();

    private static string NameOf(LearnerRecord who) => $"learner-{FileNames.Plain(who.Nickname)}";

    /// <summary>Everything of a learner goes at once; what it was is answered, to be taken back.</summary>
    private static Results<Ok<LearnerFile>, ProblemHttpResult> DeleteLearner(
        LearnerRepository learners,
        ClassCopies copies,
        ClassFiles files,
        long @class,
        long learner
    )
    {
        if (Find(learners, @class, learner) is not { } who)
            return ClassEndpoints.NoLearner();
        var file = files.FileOf(copies.Of(who), withLink: true);
        return learners.Delete(learner) ? TypedResults.Ok(file) : ClassEndpoints.NoLearner();
    }

    /// <summary>Puts a learner with their whole record into a class.</summary>
    private static Results<NoContent, ProblemHttpResult> BringBack(
        ClassRepository classes,
        LearnerRepository learners,
        ClassFiles files,
        long @class,
        LearnerFile learner
    )
    {
        if (classes.Find(@class) is null)
            return ClassEndpoints.NoClass(@class);
        if (learners.Of(@class).Count >= LearnerList.MostLearners)
            return ClassEndpoints.Refused($"A class has at most {LearnerList.MostLearners} learners.");
        try
        {
            files.Add(@class, learner);
            return TypedResults.NoContent();
        }
        catch (FormatException e)
        {
            return ClassEndpoints.Refused(e.Message);
        }
    }
}
