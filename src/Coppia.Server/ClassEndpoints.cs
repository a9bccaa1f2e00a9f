using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>Classes and their learners.</summary>
internal static class ClassEndpoints
{
    private const int LongestName = 80;

    public static void MapClasses(this WebApplication app)
    {
        var classes = app.MapGroup("/api/classes");
        classes.MapGet("", List).WithName("listClasses");
        classes.MapGet("/names", Names).WithName("listClassNames");
        classes
            .MapGet("/stages", () => UsualOrder.Stages.Select(s => new StageView(s, StageWords.Name(s))).ToArray())
            .WithName("listStages");
        classes.MapPost("", Add).WithName("addClass").ProducesProblem(422);
        classes.MapPost("/read", ReadList).WithName("readLearners").ProducesProblem(422);
        classes.MapGet("/{class:long}", Get).WithName("getClass").ProducesProblem(404);
        classes.MapPut("/{class:long}", Save).WithName("saveClass").ProducesProblem(404).ProducesProblem(409).ProducesProblem(422);
        classes.MapPost("/{class:long}/learners", AddLearners).WithName("addLearners").ProducesProblem(404).ProducesProblem(422);
        classes.MapPost("/{class:long}/up", MoveUp).WithName("moveUp").ProducesProblem(404).ProducesProblem(422);
        classes.MapPost("/{class:long}/back/{into:long}", MoveBack).WithName("moveBack").ProducesProblem(404);
        classes
            .MapPut("/{class:long}/learners/{learner:long}", SaveLearner)
            .WithName("saveLearner")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
    }

    private static ClassSummary[] List(ClassRepository classes)
    {
        var counts = classes.Sections().ToLookup(c => c.ClassId);
        return [.. classes.List().Select(c => ClassSummary.Of(c, counts[c.Id]))];
    }

    private static ClassName[] Names(ClassRepository classes) => [.. classes.List().Select(c => new ClassName(c.Id, c.Name))];

    private static Results<Ok<ClassSummary>, ProblemHttpResult> Add(
        ClassRepository classes,
        TimeProvider clock,
        Asking asking,
        ClassRequest asked
    )
    {
        if ((Wrong(asked.Name, asked.LessonMinutes) ?? Wrong(asked.Learners)) is { } wrong)
            return Refused(wrong);
        var known = asked.Start is { Stage: var stage }
            ? new[]
            {
                KnownEndpoints.Started(0, stage, SectionOf(asked.Learners.Select(l => l.Instrument)), clock) with
                {
                    MadeBy = asking.Name,
                },
            }
            : [];
        var id = classes.Add(
            new ClassRecord
            {
                Name = asked.Name.Trim(),
                LessonMinutes = asked.LessonMinutes,
                StyleId = asked.StyleId,
            },
            asked.Learners.Select(l => RecordOf(0, l)),
            known
        );
        return TypedResults.Ok(ClassSummary.Of(classes.Find(id)!, classes.Sections(id)));
    }

    private static Results<Ok<IReadOnlyList<ListedLearner>>, ProblemHttpResult> ReadList(LearnerText list)
    {
        try
        {
            return TypedResults.Ok(LearnerList.Read(list.Text));
        }
        catch (FormatException e)
        {
            return Refused(e.Message);
        }
    }

    private static Results<Ok<ClassDetail>, ProblemHttpResult> Get(
        ForWhom forWhom,
        ClassRepository classes,
        LearnerRepository learners,
        long @class
    )
    {
        if (forWhom.Class is not { } one)
            return NoClass(@class);
        LearnerRecord[] own = [.. learners.Of(one.Id)];
        var (style, known) = (forWhom.Style.Style, forWhom.Known);
        return TypedResults.Ok(
            new ClassDetail(
                ClassSummary.Of(one, classes.Sections(one.Id)),
                [.. own.Select(LearnerView.Of)],
                [
                    .. SectionOf(own.Select(l => l.Instrument))
                        .Select(i => new SectionPlays(i.Id, i.Name, PlanWords.Strings(new Player(i, style, known)))),
                ]
            )
        );
    }

    private static Results<Ok<ClassSummary>, ProblemHttpResult> Save(ClassRepository classes, long @class, ClassChange change)
    {
        if (Wrong(change.Name, change.LessonMinutes) is { } wrong)
            return Refused(wrong);
        var record = new ClassRecord
        {
            Id = @class,
            Version = change.Version,
            Name = change.Name.Trim(),
            LessonMinutes = change.LessonMinutes,
            StyleId = change.StyleId,
        };
        return classes.Save(record) switch
        {
            SaveOutcome.Saved => TypedResults.Ok(ClassSummary.Of(classes.Find(@class)!, classes.Sections(@class))),
            SaveOutcome.ChangedMeanwhile => Problems.Meanwhile("This class was changed from another window since you opened it."),
            _ => NoClass(@class),
        };
    }

    private static Results<NoContent, ProblemHttpResult> AddLearners(
        ClassRepository classes,
        LearnerRepository learners,
        long @class,
        IReadOnlyList<LearnerRequest> added
    )
    {
        if (classes.Find(@class) is null)
            return NoClass(@class);
        if (Wrong(added, learners.Of(@class).Count) is { } wrong)
            return Refused(wrong);
        learners.Add(added.Select(l => RecordOf(@class, l)));
        return TypedResults.NoContent();
    }

    private static Results<Ok<ClassSummary>, ProblemHttpResult> MoveUp(ClassRepository classes, long @class, MoveUpRequest asked)
    {
        if (classes.Find(@class) is not { } year)
            return NoClass(@class);
        if (Wrong(asked.Name, year.LessonMinutes) is { } wrong)
            return Refused(wrong);
        if (asked.Learners.Count == 0)
            return Refused("Nobody moves up; expected at least one learner.");
        var up = classes.MoveUp(@class, year with { Name = asked.Name.Trim() }, [.. asked.Learners.Distinct()]);
        return up is { } id
            ? TypedResults.Ok(ClassSummary.Of(classes.Find(id)!, classes.Sections(id)))
            : Refused("One of these learners is not in the class any more. Nobody was moved.");
    }

    private static Results<NoContent, ProblemHttpResult> MoveBack(ClassRepository classes, long @class, long into) =>
        classes.Find(into) is not null && classes.Join(@class, into) ? TypedResults.NoContent() : NoClass(@class);

    private static Results<Ok<LearnerView>, ProblemHttpResult> SaveLearner(
        LearnerRepository learners,
        long @class,
        long learner,
        LearnerChange change
    )
    {
        var asked = new LearnerRequest(change.Nickname, change.Instrument, change.Size, change.Tapes);
        if (Wrong([asked]) is { } wrong)
            return Refused(wrong);
        if (learners.Find(learner) is not { } kept || kept.ClassId != @class)
            return NoLearner();
        return learners.Save(RecordOf(@class, asked) with { Id = learner, Version = change.Version }) switch
        {
            SaveOutcome.Saved => TypedResults.Ok(LearnerView.Of(learners.Find(learner)!)),
            SaveOutcome.ChangedMeanwhile => Problems.Meanwhile("This learner was changed from another window since you opened the page."),
            _ => NoLearner(),
        };
    }

    /// <summary>The instruments that are played, in the order of a score.</summary>
    internal static Instrument[] SectionOf(IEnumerable<string> instruments)
    {
        var played = instruments.ToHashSet();
        return [.. StringSection.All.Where(i => played.Contains(i.Id))];
    }

    internal static ProblemHttpResult NoClass(long id) =>
        TypedResults.Problem(statusCode: 404, title: $"There is no class {id}; it may have been deleted.");

    internal static ProblemHttpResult NoLearner() =>
        TypedResults.Problem(statusCode: 404, title: "There is no such learner in this class; it may have been deleted.");

    internal static ProblemHttpResult Refused(string why) => TypedResults.Problem(statusCode: 422, title: why);

    internal static LearnerRecord RecordOf(long @class, LearnerRequest l) =>
        new()
        {
            ClassId = @class,
            Nickname = l.Nickname.Trim(),
            Instrument = l.Instrument,
            Size = l.Size,
            Tapes = LearnerView.TextOf(l.Tapes),
        };

    internal static string? Wrong(string name, int minutes) =>
        name.Trim().Length is 0 or > LongestName ? $"Expected a name of 1 to {LongestName} characters for the class."
        : minutes is < 5 or > 240 ? "Expected a lesson of 5 to 240 minutes."
        : null;

    internal static string? Wrong(IReadOnlyList<LearnerRequest> learners, int present = 0)
    {
        if (present + learners.Count > LearnerList.MostLearners)
            return $"A class has at most {LearnerList.MostLearners} learners.";
        foreach (var (i, l) in learners.Index())
        {
            var wrong =
                LearnerList.Wrong(l.Nickname, l.Instrument, l.Size)
                ?? (
                    l.Tapes is { } tapes && (tapes.Count > 12 || tapes.Any(t => t is < 1 or > 12))
                        ? "expected tapes 1 to 12 half steps above the nut"
                        : null
                );
            if (wrong is not null)
                return $"Learner {i + 1}, {l.Nickname}: {wrong}.";
        }

        return null;
    }
}
