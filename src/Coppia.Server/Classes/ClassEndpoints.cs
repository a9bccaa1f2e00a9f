using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Classes;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Classes;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Classes;

/// <summary>Classes and their learners.</summary>
internal static class ClassEndpoints
{
    public static void MapClasses(this IEndpointRouteBuilder api)
    {
        var classes = api.MapGroup("/api/classes");
        classes.MapGet("", List).WithName("listClasses");
        classes.MapGet("/names", Names).WithName("listClassNames");
        classes
            .MapGet("/stages", () => UsualOrder.Stages.Select(s => new StageView(s, StageWords.Name(s))).ToArray())
            .WithName("listStages");
        classes.MapPost("", Add).WithName("addClass").ProducesProblem(422);
        classes.MapPost("/read", ReadList).WithName("readLearners").ProducesProblem(422);
        classes.MapGet("/{class:long}", Get).WithName("getClass").ProducesProblem(404);
        classes
            .MapPut("/{class:long}", Save)
            .WithName("saveClass")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        classes
            .MapPost("/{class:long}/learners", AddLearners)
            .WithName("addLearners")
            .ProducesProblem(404)
            .ProducesProblem(422);
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

    private static ClassName[] Names(ClassRepository classes) =>
        [.. classes.List().Select(c => new ClassName(c.Id, c.Name))];

    private static ClassSummary Add(ClassRepository classes, Asker asker, ClassRequest asked)
    {
        if ((ClassRules.Wrong(asked.Name, asked.LessonMinutes) ?? ClassRules.Wrong(asked.Learners)) is { } wrong)
            throw RefusedException.Wrong(wrong);
        var known = asked.Start is { Stage: var stage }
            ? new[]
            {
                KnownChanges.Started(
                    0,
                    stage,
                    Asker.SectionOf(asked.Learners.Select(l => l.Instrument)),
                    asker.Now
                ) with
                {
                    MadeBy = asker.Name,
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
            asked.Learners.Select(l => ClassRules.RecordOf(0, l)),
            known
        );
        return ClassSummary.Of(classes.Find(id)!, classes.Sections(id));
    }

    private static IReadOnlyList<ListedLearner> ReadList(LearnerText list)
    {
        return LearnerList.Read(list.Text);
    }

    private static ClassDetail Get(Asker asker, ClassRepository classes, LearnerRepository learners, long @class)
    {
        var one = asker.Class;
        LearnerRecord[] own = [.. learners.Of(one.Id)];
        var (style, known) = (asker.Style, asker.Known);
        return new ClassDetail(
            ClassSummary.Of(one, classes.Sections(one.Id)),
            [.. own.Select(LearnerView.Of)],
            [
                .. Asker
                    .SectionOf(own.Select(l => l.Instrument))
                    .Select(i => new SectionPlays(i.Id, i.Name, PlanWords.Strings(new Player(i, style, known)))),
            ]
        );
    }

    private static ClassSummary Save(ClassRepository classes, long @class, ClassChange change)
    {
        if (ClassRules.Wrong(change.Name, change.LessonMinutes) is { } wrong)
            throw RefusedException.Wrong(wrong);
        var record = new ClassRecord
        {
            Id = @class,
            Version = change.Version,
            Name = change.Name.Trim(),
            LessonMinutes = change.LessonMinutes,
            StyleId = change.StyleId,
        };
        classes
            .Save(record)
            .OrRefuse(Say("classes.class.this-class-was-changed-from-another"), ClassRules.NoClass(@class));
        return ClassSummary.Of(classes.Find(@class)!, classes.Sections(@class));
    }

    private static NoContent AddLearners(
        Asker asker,
        LearnerRepository learners,
        long @class,
        IReadOnlyList<LearnerRequest> added
    )
    {
        var one = asker.Class;
        if (ClassRules.Wrong(added, learners.Of(one.Id).Count) is { } wrong)
            throw RefusedException.Wrong(wrong);
        learners.Add(added.Select(l => ClassRules.RecordOf(@class, l)));
        return TypedResults.NoContent();
    }

    private static ClassSummary MoveUp(Asker asker, ClassRepository classes, long @class, MoveUpRequest asked)
    {
        var year = asker.Class;
        if (ClassRules.Wrong(asked.Name, year.LessonMinutes) is { } wrong)
            throw RefusedException.Wrong(wrong);
        if (asked.Learners.Count == 0)
            throw RefusedException.Wrong(Say("classes.class.nobody-moves-up-expected-at-least-one"));
        var up = classes.MoveUp(@class, year with { Name = asked.Name.Trim() }, [.. asked.Learners.Distinct()]);
        return up is { } id
            ? ClassSummary.Of(classes.Find(id)!, classes.Sections(id))
            : throw RefusedException.Wrong(Say("classes.class.one-of-these-learners-is-not-in"));
    }

    private static NoContent MoveBack(ClassRepository classes, long @class, long into) =>
        classes.Find(into) is not null && classes.Join(@class, into)
            ? TypedResults.NoContent()
            : throw ClassRules.NoClass(@class);

    private static LearnerView SaveLearner(LearnerRepository learners, long @class, long learner, LearnerChange change)
    {
        var asked = new LearnerRequest(change.Nickname, change.Instrument, change.Size, change.Tapes);
        if (ClassRules.Wrong([asked]) is { } wrong)
            throw RefusedException.Wrong(wrong);
        if (learners.Find(learner) is not { } kept || kept.ClassId != @class)
            throw ClassRules.NoLearner();
        learners
            .Save(ClassRules.RecordOf(@class, asked) with { Id = learner, Version = change.Version })
            .OrRefuse(Say("classes.class.this-learner-was-changed-from-another"), ClassRules.NoLearner());
        return LearnerView.Of(learners.Find(learner)!);
    }
}
