using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Data.Classes;
using Coppia.Formats.Records;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Classes;

/// <summary>
/// What a class knows: the plan to tick, the stages to start from, tunes learned, and all of it taken back.
/// </summary>
internal static class KnownEndpoints
{
    public static void MapKnown(this IEndpointRouteBuilder api)
    {
        var known = api.MapGroup("/api/classes/{class:long}");
        known.MapGet("/known", (KnownPlan plan, long @class) => plan.Now()).WithName("getKnown").ProducesProblem(404);
        known.MapPost("/known", Tick).WithName("tickKnown").ProducesProblem(404).ProducesProblem(422);
        known.MapPost("/known/start", Start).WithName("startFromStage").ProducesProblem(404);
        known.MapPost("/known/{change:long}/back", Back).WithName("takeKnownBack").ProducesProblem(404);
        known.MapPost("/known/{change:long}/again", Again).WithName("letKnownCount").ProducesProblem(404);
        known.MapGet("/known.json", File).WithName("getKnownFile").ProducesProblem(404);
        known.MapGet("/learned/{tune:long}", Learning).WithName("getLearning").ProducesProblem(404);
        known.MapPost("/learned", Learn).WithName("learnTune").ProducesProblem(404).ProducesProblem(422);
    }

    /// <summary>
    /// Ticks and unticks. A note brings its finger and position with it; a finger or position that goes takes its notes
    /// along.
    /// </summary>
    private static PlanView Tick(Asker asker, KnownPlan plan, KnownRepository known, long @class, TickRequest asked)
    {
        var one = asker.Class;
        var now = asker.Known.Things!;
        KnownThing[] added =
        [
            .. asked.Add.Select(ThingText.Parse).SelectMany(t => t is KnownNote n ? TeachingPlan.WithItsWay(n) : [t]),
        ];
        KnownThing[] removed =
        [
            .. asked.Remove.Select(ThingText.Parse).SelectMany(t => TeachingPlan.WithItsNotes(t, now)),
        ];
        var change = new KnownChangeRecord
        {
            ClassId = one.Id,
            Cause = KnownCause.Hand,
            MadeBy = asker.Name,
            Added = KnownChanges.Text(added.Where(t => !now.Contains(t))),
            Removed = KnownChanges.Text(removed.Where(now.Contains)),
        };
        if (change is not { Added: "", Removed: "" })
            known.Add(change);
        return plan.Now();
    }

    private static PlanView Start(Asker asker, KnownPlan plan, KnownRepository known, long @class, StartRequest asked)
    {
        known.Add(
            KnownChanges.Started(asker.Class.Id, asked.Stage, asker.Section, asker.Now) with
            {
                MadeBy = asker.Name,
            }
        );
        return plan.Now();
    }

    private static NoContent Back(KnownRepository known, long @class, long change) =>
        Done(known.TakeBack(@class, change, back: true));

    private static NoContent Again(KnownRepository known, long @class, long change) =>
        Done(known.TakeBack(@class, change, back: false));

    private static NoContent Done(bool done) =>
        done
            ? TypedResults.NoContent()
            : throw new RefusedException(404, Say("classes.known.there-is-no-such-change-of-what"));

    /// <summary>What the class knows, as the command line reads it with --known.</summary>
    private static FileContentHttpResult File(Asker asker, long @class)
    {
        var one = asker.Class;
        return TypedResults.Bytes(
            System.Text.Encoding.UTF8.GetBytes(KnownFile.Write(asker.Known.Things!)),
            "application/json",
            $"known-{FileNames.Plain(one.Name)}.json"
        );
    }

    /// <summary>What the class would come to know by a tune.</summary>
    private static LearningView Learning(Asker asker, Readings readings, KnownRepository known, long @class, long tune)
    {
        var one = asker.Class;
        var kept = readings.Kept(tune);
        var (style, knows) = (asker.Style, asker.Known);
        var sections = Sections(
            asker.Section.Select(i => (i, NewsFor(kept.For(i.Id), new Player(i, style, knows), readings).Things))
        );
        var learned = known
            .Of(one.Id)
            .LastOrDefault(c => c.TuneId == tune && c.Cause == KnownCause.Tune && c.TakenBackAt is null);
        return new LearningView(
            tune,
            kept.Tune.Title,
            sections.Sum(s => s.Things.Count),
            [.. sections.Where(s => s.Things.Count > 0)],
            learned?.MadeAt,
            learned?.Id
        );
    }

    private static NewsView NewsFor(KeptTune kept, Player player, Readings readings) =>
        NewsView.Of(readings.NewsOf(kept, player), readings.Of(kept, player), player)!;

    /// <summary>What is new to each instrument; what all learn together is told once.</summary>
    private static SectionNews[] Sections(IEnumerable<(Instrument Instrument, IReadOnlyList<NewThingView> Things)> news)
    {
        var each = news.ToArray();
        var shared = each.SelectMany(e => e.Things).Where(t => IsShared(t.Thing)).DistinctBy(t => t.Thing).ToArray();
        return
        [
            new(null, "Everyone", shared),
            .. each.Select(e => new SectionNews(
                e.Instrument.Id,
                e.Instrument.Name,
                [.. e.Things.Where(t => !IsShared(t.Thing))]
            )),
        ];

        static bool IsShared(string thing) => ThingText.Parse(thing).InstrumentId is null;
    }

    /// <summary>Everything that the tune contains becomes known, but for what the teacher has unticked.</summary>
    private static KnownChangeView Learn(
        Asker asker,
        Readings readings,
        KnownRepository known,
        long @class,
        LearnedRequest asked
    )
    {
        var one = asker.Class;
        var kept = readings.Kept(asked.TuneId);
        var (style, knows) = (asker.Style, asker.Known);
        var players = asker.Section.Select(i => new Player(i, style, knows));
        known.Add(
            KnownChanges.Learned(kept, players, readings, asked.Not.ToHashSet(StringComparer.Ordinal)) with
            {
                ClassId = @class,
                MadeBy = asker.Name,
            }
        );
        return KnownChangeView.Of(known.Of(one.Id), style)[0];
    }
}
