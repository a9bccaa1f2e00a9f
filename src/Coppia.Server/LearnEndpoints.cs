using System.Text.Json;
using Coppia.Core.Drills;
using Coppia.Core.Knowledge;
using Coppia.Core.Practice;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>Something that is set to a learner.</summary>
/// <param name="Due">A day, such as 2026-09-14.</param>
/// <param name="Ladder">The tempos by which a tune climbs to its goal; null where none is asked for.</param>
public sealed record LearnWork(
    long Id,
    WorkKind Kind,
    string Title,
    long? TuneId,
    long? SheetId,
    int? Tempo,
    string Due,
    bool Done,
    LadderView? Ladder
);

/// <summary>A tempo ladder.</summary>
/// <param name="Rungs">Quarters a minute, the slowest first, the goal last.</param>
/// <param name="Start">Order of the rung to begin on.</param>
/// <param name="CleanToClimb">So many clean repeats before the next rung.</param>
/// <param name="FailsToFall">Failing so often goes one rung down.</param>
public sealed record LadderView(IReadOnlyList<int> Rungs, int Start, int CleanToClimb, int FailsToFall)
{
    internal static LadderView Of(TempoLadder ladder) => new(ladder.Rungs, ladder.Start, TempoLadder.CleanToClimb, TempoLadder.FailsToFall);
}

/// <summary>Minutes of one day.</summary>
public sealed record DayMinutes(string Day, int Minutes);

/// <summary>What a learner sees: who they are, what is set to them, and their minutes of the last days.</summary>
public sealed record LearnView(
    string Nickname,
    string ClassName,
    InstrumentView Instrument,
    IReadOnlyList<LearnWork> Work,
    IReadOnlyList<DayMinutes> Days
);

/// <summary>The cards of a round.</summary>
/// <param name="Cards">The name of each, by which its answer is reported.</param>
public sealed record LearnCards(IReadOnlyList<string> Cards, DrillView View);

/// <summary>Minutes that were practised.</summary>
/// <param name="Key">A name that no other report has, so that one sent twice counts once.</param>
/// <param name="At">When, by the learner's own clock, with its distance from UTC.</param>
/// <param name="TuneId">The tune; null where none is told.</param>
/// <param name="Tempo">Quarters a minute that were reached with it.</param>
public sealed record PracticeReport(string Key, DateTimeOffset At, int Minutes, long? TuneId = null, int? Tempo = null);

/// <summary>An answer to a card.</summary>
/// <param name="Reply">What was answered; null where the answer was shown.</param>
/// <param name="Seconds">How long it took.</param>
public sealed record AnswerReport(string Key, DateTimeOffset At, string Card, JsonElement? Reply, double Seconds);

/// <summary>That something set was done, or was not.</summary>
public sealed record DoneReport(long Work, bool Done);

/// <summary>What was kept on the phone while the network was away, in the order in which it happened.</summary>
public sealed record LearnReport(
    IReadOnlyList<PracticeReport>? Practice = null,
    IReadOnlyList<AnswerReport>? Answers = null,
    IReadOnlyList<DoneReport>? Done = null
);

/// <summary>What came of a report.</summary>
/// <param name="New">How many of its entries were new.</param>
/// <param name="LeftOut">What could not be taken, each with why.</param>
public sealed record ReportTaken(int New, IReadOnlyList<string> LeftOut);

/// <summary>Where learners' own things are.</summary>
public static class LearnAddress
{
    internal const string Root = "/api/learn/";

    /// <summary>An address as a log may hold it: without what cannot be guessed.</summary>
    public static PathString WithoutLink(PathString path) =>
        path.Value is { } text && text.StartsWith(Root, StringComparison.OrdinalIgnoreCase) ? new PathString(Root + "…") : path;
}

/// <summary>One learner's own things, by a link that cannot be guessed. There is no account and no name beside the nickname.</summary>
internal static class LearnEndpoints
{
    private const int MostReports = 500;
    private const int LongestKey = 60;

    /// <summary>A phone's clock may be wrong, but not by more than that.</summary>
    private static readonly TimeSpan Ahead = TimeSpan.FromDays(2);

    public static void MapLearn(this WebApplication app)
    {
        var learn = app.MapGroup(LearnAddress.Root + "{link}").AllowAnonymous().AddEndpointFilter(Open);
        learn.MapGet("", Get).WithName("getLearn").ProducesProblem(404);
        learn.MapGet("/tunes/{tune:long}", Tune).WithName("getLearnTune").Produces<ReadingView>().ProducesProblem(404);
        learn.MapGet("/cards", Cards).WithName("getLearnCards").ProducesProblem(404).ProducesProblem(422);
        learn.MapPost("/report", Report).WithName("sendReport").ProducesProblem(404).ProducesProblem(422);
    }

    /// <summary>Finds whose link it is; all that follows is for that learner, in their class.</summary>
    private static async ValueTask<object?> Open(EndpointFilterInvocationContext call, EndpointFilterDelegate next)
    {
        var (context, services) = (call.HttpContext, call.HttpContext.RequestServices);
        var link = context.Request.RouteValues["link"] as string ?? "";
        if (
            services.GetRequiredService<LinkRepository>().LearnerOf(link) is not { } id
            || services.GetRequiredService<LearnerRepository>().Find(id) is not { } learner
        )
            return TypedResults.Problem(statusCode: 404, title: "This link has ended. Ask your teacher for a new one.");
        context.Items[typeof(LearnerRecord)] = learner;
        ForWhom.Set(context, services.GetRequiredService<ClassRepository>().Find(learner.ClassId));
        return await next(call);
    }

    private static LearnerRecord Who(HttpContext context) => (LearnerRecord)context.Items[typeof(LearnerRecord)]!;

    private static Player PlayerOf(LearnerRecord learner, ForWhom forWhom)
    {
        forWhom.Missing(learner.Instrument, out var player);
        return player;
    }

    private static LearnView Get(
        HttpContext context,
        ForWhom forWhom,
        WorkRepository work,
        ReportRepository reports,
        TimeProvider clock,
        string link
    )
    {
        var who = Who(context);
        var since = WorkEndpoints.Since(clock);
        var done = work.Done(who.ClassId).Where(d => d.LearnerId == who.Id).Select(d => d.WorkId).ToHashSet();
        return new LearnView(
            who.Nickname,
            forWhom.Class?.Name ?? "",
            InstrumentView.Of(PlayerOf(who, forWhom)),
            [
                .. work.Of(who, since)
                    .Select(w => new LearnWork(
                        w.Id,
                        w.Kind,
                        WorkEndpoints.TitleOf(w),
                        w.TuneId,
                        w.SheetId,
                        w.Tempo,
                        w.Due,
                        done.Contains(w.Id),
                        w.Tempo is { } goal ? LadderView.Of(TempoLadder.To(goal)) : null
                    )),
            ],
            [.. reports.Practice(who.Id, since).GroupBy(p => p.Day).Select(g => new DayMinutes(g.Key, g.Sum(p => p.Minutes)))]
        );
    }

    /// <summary>A tune that is set to the learner; another one is not there for them.</summary>
    private static Results<FileContentHttpResult, ProblemHttpResult> Tune(
        HttpContext context,
        ForWhom forWhom,
        Readings readings,
        WorkRepository work,
        TimeProvider clock,
        string link,
        long tune
    )
    {
        var who = Who(context);
        if (work.Of(who, WorkEndpoints.Since(clock)).All(w => w.TuneId != tune))
            return TypedResults.Problem(statusCode: 404, title: "This tune is not set to you any more.");
        if (readings.Missing(tune, out var kept) is { } missing)
            return missing;
        return TypedResults.Bytes(readings.JsonOf(kept.For(who.Instrument), PlayerOf(who, forWhom)), "application/json");
    }

    /// <summary>The round of cards that is due.</summary>
    /// <param name="day">The learner's own day.</param>
    private static Results<Ok<LearnCards>, ProblemHttpResult> Cards(
        HttpContext context,
        ForWhom forWhom,
        ReportRepository reports,
        string link,
        string day
    )
    {
        if (WorkEndpoints.Day(day) is not { } today)
            return ClassEndpoints.Refused("Expected a day such as 2026-09-14.");
        var who = Who(context);
        var player = PlayerOf(who, forWhom);
        var boxed = reports
            .Boxes(who.Id)
            .Where(b => WorkEndpoints.Day(b.Due) is not null)
            .ToDictionary(b => b.Card, b => new BoxedCard(b.Box, WorkEndpoints.Day(b.Due)!.Value));
        var all = LearnerCards.Of(player).ToDictionary(CardName.Of);
        var round = CardBoxes
            .Round([.. all.Keys], boxed, today, CardRound.Length)
            .Select(name => (Name: name, Item: LearnerCards.Item(all[name], player)))
            .Where(c => c.Item is not null)
            .ToArray();
        return TypedResults.Ok(
            new LearnCards([.. round.Select(c => c.Name)], DrillEndpoints.View("Cards", player, round.Select(c => c.Item!)))
        );
    }

    /// <summary>
    /// Takes what happened at home. What is kept already counts once; what cannot be taken is told and does not stop the rest.
    /// </summary>
    private static Results<Ok<ReportTaken>, ProblemHttpResult> Report(
        HttpContext context,
        ForWhom forWhom,
        WorkRepository work,
        ReportRepository reports,
        TimeProvider clock,
        string link,
        LearnReport report
    )
    {
        var (practice, answers, done) = (report.Practice ?? [], report.Answers ?? [], report.Done ?? []);
        if (practice.Count + answers.Count + done.Count > MostReports)
            return ClassEndpoints.Refused($"This report is too long; at most {MostReports} entries at once.");
        var who = Who(context);
        var (added, leftOut) = (0, new List<string>());
        foreach (var p in practice)
        {
            if (Wrong(p.Key, p.At, clock) is { } wrong)
                leftOut.Add(wrong);
            else if (p.Minutes is < 0 or > 600 || p.Tempo is < 20 or > 300)
                leftOut.Add($"{p.Key}: expected 0 to 600 minutes, and a tempo of 20 to 300.");
            else if (reports.Keep(who.Id, RecordOf(p)))
                added++;
        }

        var player = PlayerOf(who, forWhom);
        foreach (var a in answers)
        {
            try
            {
                if (Wrong(a.Key, a.At, clock) is { } wrong)
                    leftOut.Add(wrong);
                else if (Keep(who, a, player, reports))
                    added++;
            }
            catch (FormatException e)
            {
                leftOut.Add($"{a.Key}: {e.Message}");
            }
        }

        foreach (var d in done)
        {
            if (work.SetDone(d.Work, who, d.Done, by: ""))
                added++;
        }

        return TypedResults.Ok(new ReportTaken(added, leftOut));
    }

    private static string? Wrong(string key, DateTimeOffset at, TimeProvider clock) =>
        key.Length is 0 or > LongestKey ? $"Expected a key of 1 to {LongestKey} characters."
        : at > clock.GetUtcNow() + Ahead ? $"{key}: it lies ahead of today."
        : null;

    private static PracticeRecord RecordOf(PracticeReport p) =>
        new()
        {
            Key = p.Key,
            Day = WorkEndpoints.Text(DateOnly.FromDateTime(p.At.DateTime)),
            At = p.At.UtcDateTime,
            Minutes = p.Minutes,
            TuneId = p.TuneId,
            Tempo = p.Tempo,
        };

    /// <summary>Judges an answer here, whatever the phone made of it, and moves its card.</summary>
    private static bool Keep(LearnerRecord who, AnswerReport a, Player player, ReportRepository reports)
    {
        if (LearnerCards.Item(CardName.Read(a.Card), player) is not { } item)
            throw new FormatException($"There is no card “{a.Card}” for the {player.Instrument.Name.ToLowerInvariant()}.");
        var judged = DrillEndpoints.Judged(item, a.Reply, player);
        var right = judged is { IsRight: true };
        var day = DateOnly.FromDateTime(a.At.DateTime);
        return reports.Keep(
            who.Id,
            new CardAnswerRecord
            {
                Key = a.Key,
                Card = a.Card,
                Day = WorkEndpoints.Text(day),
                At = a.At.UtcDateTime,
                Right = right,
                Seconds = Math.Clamp(a.Seconds, 0, 3600),
                Mistake =
                    right ? ""
                    : judged is null ? "shown"
                    : ReplyText.Kind(judged.Kind),
            },
            before =>
            {
                BoxedCard? lay = before is null ? null : new BoxedCard(before.Box, WorkEndpoints.Day(before.Due) ?? day);
                var lies = CardBoxes.After(lay, right, a.Seconds, day);
                return new CardBoxRecord
                {
                    Card = a.Card,
                    Box = lies.Box,
                    Due = WorkEndpoints.Text(lies.Due),
                };
            }
        );
    }
}

/// <summary>The name of a learner's card: how it is asked, and its note: <c>noteToName note violin D4 E4</c>.</summary>
internal static class CardName
{
    public static string Of(LearnerCard card) => $"{JsonNamingPolicy.CamelCase.ConvertName($"{card.Kind}")} {ThingText.Of(card.Note)}";

    /// <exception cref="FormatException">It is none.</exception>
    public static LearnerCard Read(string name) =>
        name.Split(' ', 2) is [var kind, var thing]
        && Choices.Read<CardKind>(kind, out var asked)
        && ThingText.Parse(thing) is KnownNote note
            ? new LearnerCard(asked, note)
            : throw new FormatException($"“{name}” is no card; expected one such as noteToName note violin D4 E4.");
}
