using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>What a class knows: the plan to tick, the stages to start from, tunes learned, and all of it taken back.</summary>
internal static class KnownEndpoints
{
    public static void MapKnown(this WebApplication app)
    {
        var known = app.MapGroup("/api/classes/{class:long}");
        known.MapGet("/known", Get).WithName("getKnown").ProducesProblem(404);
        known.MapPost("/known", Tick).WithName("tickKnown").ProducesProblem(404).ProducesProblem(422);
        known.MapPost("/known/start", Start).WithName("startFromStage").ProducesProblem(404);
        known.MapPost("/known/{change:long}/back", Back).WithName("takeKnownBack").ProducesProblem(404);
        known.MapPost("/known/{change:long}/again", Again).WithName("letKnownCount").ProducesProblem(404);
        known.MapGet("/known.json", File).WithName("getKnownFile").ProducesProblem(404);
        known.MapGet("/learned/{tune:long}", Learning).WithName("getLearning").ProducesProblem(404);
        known.MapPost("/learned", Learn).WithName("learnTune").ProducesProblem(404).ProducesProblem(422);
    }

    /// <summary>The change by which a class starts from a stage.</summary>
    internal static KnownChangeRecord Started(long @class, Stage stage, IReadOnlyCollection<Instrument> section, TimeProvider clock) =>
        new()
        {
            ClassId = @class,
            Cause = KnownCause.Stage,
            About = stage.ToString(),
            Added = Text(UsualOrder.UpTo(stage, section)),
            MadeAt = clock.GetUtcNow().UtcDateTime,
        };

    /// <summary>The change by which a class has learned a tune: everything that it contains, but for some lines.</summary>
    internal static KnownChangeRecord Learned(KeptTune kept, IEnumerable<Player> players, Readings readings, IReadOnlySet<string> not) =>
        new()
        {
            Cause = KnownCause.Tune,
            About = kept.Tune.Title,
            TuneId = kept.Tune.Id,
            Added = Text(
                players
                    .SelectMany(p => readings.ContentsOf(kept.For(p.Instrument.Id), p))
                    .Select(m => m.Thing)
                    .Where(t => !not.Contains(ThingText.Of(t)))
            ),
        };

    private static Results<Ok<PlanView>, ProblemHttpResult> Get(
        ForWhom forWhom,
        KnownRepository known,
        LearnerRepository learners,
        long @class
    ) => forWhom.Class is { } one ? TypedResults.Ok(Plan(forWhom, known, learners, one)) : ClassEndpoints.NoClass(@class);

    private static PlanView Plan(ForWhom forWhom, KnownRepository known, LearnerRepository learners, ClassRecord one)
    {
        var (style, knows) = (forWhom.Style.Style, forWhom.KnownBy(one));
        return new PlanView(
            [.. SectionOf(learners, one.Id).Select(i => SectionPlan.Of(new Player(i, style, knows)))],
            [
                .. TeachingPlan
                    .Shared(knows)
                    .Select(p => new PlanPartView(
                        p.Part,
                        PlanWords.Part(p.Part),
                        [.. p.Things.Select(t => TickView.Of(t, ThingWords.Name(t, style), PlanWords.Short(t, style), knows))]
                    )),
            ],
            KnownChangeView.Of(known.Of(one.Id), style),
            one.KnownVersion
        );
    }

    /// <summary>
    /// Ticks and unticks. A note brings its finger and position with it; a finger or position that goes takes its notes along.
    /// </summary>
    private static Results<Ok<PlanView>, ProblemHttpResult> Tick(
        ForWhom forWhom,
        ClassRepository classes,
        KnownRepository known,
        LearnerRepository learners,
        Asking asking,
        long @class,
        TickRequest asked
    )
    {
        if (forWhom.Class is not { } one)
            return ClassEndpoints.NoClass(@class);
        var now = forWhom.KnownBy(one).Things!;
        KnownThing[] added,
            removed;
        try
        {
            added = [.. asked.Add.Select(ThingText.Parse).SelectMany(t => t is KnownNote n ? TeachingPlan.WithItsWay(n) : [t])];
            removed = [.. asked.Remove.Select(ThingText.Parse).SelectMany(t => TeachingPlan.WithItsNotes(t, now))];
        }
        catch (FormatException e)
        {
            return ClassEndpoints.Refused(e.Message);
        }

        var change = new KnownChangeRecord
        {
            ClassId = @class,
            Cause = KnownCause.Hand,
            MadeBy = asking.Name,
            Added = Text(added.Where(t => !now.Contains(t))),
            Removed = Text(removed.Where(now.Contains)),
        };
        if (change is not { Added: "", Removed: "" })
            known.Add(change);
        return TypedResults.Ok(Plan(forWhom, known, learners, classes.Find(@class) ?? one));
    }

    private static Results<Ok<PlanView>, ProblemHttpResult> Start(
        ForWhom forWhom,
        ClassRepository classes,
        KnownRepository known,
        LearnerRepository learners,
        TimeProvider clock,
        Asking asking,
        long @class,
        StartRequest asked
    )
    {
        if (forWhom.Class is not { } one)
            return ClassEndpoints.NoClass(@class);
        known.Add(Started(@class, asked.Stage, SectionOf(learners, @class), clock) with { MadeBy = asking.Name });
        return TypedResults.Ok(Plan(forWhom, known, learners, classes.Find(@class) ?? one));
    }

    private static Results<NoContent, ProblemHttpResult> Back(KnownRepository known, long @class, long change) =>
        Done(known.TakeBack(@class, change, back: true));

    private static Results<NoContent, ProblemHttpResult> Again(KnownRepository known, long @class, long change) =>
        Done(known.TakeBack(@class, change, back: false));

    private static Results<NoContent, ProblemHttpResult> Done(bool done) =>
        done
            ? TypedResults.NoContent()
            : TypedResults.Problem(statusCode: 404, title: "There is no such change of what this class knows, or it is so already.");

    /// <summary>What the class knows, as the command line reads it with --known.</summary>
    private static Results<FileContentHttpResult, ProblemHttpResult> File(ForWhom forWhom, long @class) =>
        forWhom.Class is { } one
            ? TypedResults.Bytes(
                System.Text.Encoding.UTF8.GetBytes(KnownFile.Write(forWhom.KnownBy(one).Things!)),
                "application/json",
                $"known-{FileNames.Plain(one.Name)}.json"
            )
            : ClassEndpoints.NoClass(@class);

    /// <summary>What the class would come to know by a tune.</summary>
    private static Results<Ok<LearningView>, ProblemHttpResult> Learning(
        ForWhom forWhom,
        Readings readings,
        KnownRepository known,
        LearnerRepository learners,
        long @class,
        long tune
    )
    {
        if (forWhom.Class is not { } one)
            return ClassEndpoints.NoClass(@class);
        if (readings.Missing(tune, out var kept) is { } missing)
            return missing;
        var (style, knows) = (forWhom.Style.Style, forWhom.KnownBy(one));
        var each = SectionOf(learners, @class)
            .Select(i =>
            {
                var player = new Player(i, style, knows);
                var news = NewsView.Of(readings.NewsOf(kept.For(i.Id), player), readings.Of(kept.For(i.Id), player), player)!;
                return (Instrument: i, Things: news.Things);
            })
            .ToArray();
        // What all learn together is told once.
        var shared = each.SelectMany(e => e.Things).Where(t => IsShared(t.Thing)).DistinctBy(t => t.Thing).ToArray();
        SectionNews[] sections =
        [
            new(null, "Everyone", shared),
            .. each.Select(e => new SectionNews(e.Instrument.Id, e.Instrument.Name, [.. e.Things.Where(t => !IsShared(t.Thing))])),
        ];
        var learned = known.Of(@class).LastOrDefault(c => c.TuneId == tune && c.Cause == KnownCause.Tune && c.TakenBackAt is null);
        return TypedResults.Ok(
            new LearningView(
                tune,
                kept.Tune.Title,
                sections.Sum(s => s.Things.Count),
                [.. sections.Where(s => s.Things.Count > 0)],
                learned?.MadeAt,
                learned?.Id
            )
        );

        static bool IsShared(string thing) => ThingText.Parse(thing).InstrumentId is null;
    }

    /// <summary>Everything that the tune contains becomes known, but for what the teacher has unticked.</summary>
    private static Results<Ok<KnownChangeView>, ProblemHttpResult> Learn(
        ForWhom forWhom,
        Readings readings,
        KnownRepository known,
        LearnerRepository learners,
        Asking asking,
        long @class,
        LearnedRequest asked
    )
    {
        if (forWhom.Class is not { } one)
            return ClassEndpoints.NoClass(@class);
        if (readings.Missing(asked.TuneId, out var kept) is { } missing)
            return missing;
        var (style, knows) = (forWhom.Style.Style, forWhom.KnownBy(one));
        var players = SectionOf(learners, @class).Select(i => new Player(i, style, knows));
        known.Add(
            Learned(kept, players, readings, asked.Not.ToHashSet(StringComparer.Ordinal)) with
            {
                ClassId = @class,
                MadeBy = asking.Name,
            }
        );
        return TypedResults.Ok(KnownChangeView.Of(known.Of(@class), style)[0]);
    }

    private static Instrument[] SectionOf(LearnerRepository learners, long @class) =>
        ClassEndpoints.SectionOf(learners.Of(@class).Select(l => l.Instrument));

    private static string Text(IEnumerable<KnownThing> things) =>
        string.Join('\n', things.Distinct().Select(ThingText.Of).Order(StringComparer.Ordinal));
}
