using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;
using QRCoder;

namespace Coppia.Server;

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
    string SetOn,
    string Due,
    LadderView? Ladder,
    IReadOnlyList<long> For,
    IReadOnlyList<long> Done
);

/// <summary>Something to be set to a class, a section of it, or one learner.</summary>
/// <param name="Tempo">Quarters a minute to reach with a tune, 20 to 300; null where none is asked for.</param>
/// <param name="Due">A day, such as 2026-09-14.</param>
public sealed record WorkRequest(
    WorkKind Kind,
    string Due,
    long? TuneId = null,
    long? SheetId = null,
    int? Tempo = null,
    string? Instrument = null,
    long? LearnerId = null,
    long? TaskId = null
);

/// <summary>Whether a learner has done something.</summary>
public sealed record DoneRequest(bool Done);

/// <summary>A learner's link.</summary>
/// <param name="Address">Where it leads; null where the learner has none.</param>
/// <param name="Qr">The address as a QR code (ISO/IEC 18004), drawn in SVG.</param>
public sealed record LinkView(long LearnerId, string Nickname, string? Address, string? Qr);

/// <summary>Learners to be given a link; those who have one get a new one, and the former ends.</summary>
public sealed record RenewRequest(IReadOnlyList<long> Learners);

/// <summary>What is set to a class, who has done it, and the links by which its learners see it.</summary>
internal static class WorkEndpoints
{
    /// <summary>What was due longer ago is not listed.</summary>
    private const int WeeksListed = 8;

    public static void MapWork(this WebApplication app)
    {
        var one = app.MapGroup("/api/classes/{class:long}");
        one.MapGet("/tasks", List).WithName("listWork").ProducesProblem(404);
        one.MapPost("/tasks", Add).WithName("setWork").ProducesProblem(404).ProducesProblem(422);
        one.MapDelete("/tasks/{work:long}", Delete).WithName("deleteWork").ProducesProblem(404);
        one.MapPut("/tasks/{work:long}/done/{learner:long}", SetDone).WithName("setDone").ProducesProblem(404);
        one.MapGet("/links", Links).WithName("listLinks").ProducesProblem(404);
        one.MapPost("/links", Renew).WithName("renewLinks").ProducesProblem(404).ProducesProblem(422);
        one.MapDelete("/links/{learner:long}", End).WithName("endLink").ProducesProblem(404);
    }

    /// <summary>A day of the calendar as records keep it; null for a text that is none.</summary>
    internal static DateOnly? Day(string text) =>
        DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) ? day : null;

    internal static string Text(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <summary>The first day that is still listed.</summary>
    internal static string Since(TimeProvider clock) => Text(DateOnly.FromDateTime(clock.GetLocalNow().DateTime).AddDays(-7 * WeeksListed));

    private static Results<Ok<WorkView[]>, ProblemHttpResult> List(
        ClassRepository classes,
        LearnerRepository learners,
        WorkRepository work,
        TimeProvider clock,
        long @class
    )
    {
        if (classes.Find(@class) is null)
            return ClassEndpoints.NoClass(@class);
        var (all, done) = (learners.Of(@class), work.Done(@class).ToLookup(d => d.WorkId, d => d.LearnerId));
        return TypedResults.Ok<WorkView[]>([.. work.Of(@class, Since(clock)).Select(w => ViewOf(w, all, done[w.Id]))]);
    }

    private static WorkView ViewOf(WorkRecord w, IEnumerable<LearnerRecord> learners, IEnumerable<long> done)
    {
        long[] whom = [.. learners.Where(w.IsFor).Select(l => l.Id)];
        return new WorkView(
            Id: w.Id,
            Kind: w.Kind,
            Title: TitleOf(w),
            TuneId: w.TuneId,
            SheetId: w.SheetId,
            TaskId: w.TaskId,
            Tempo: w.Tempo,
            Instrument: w.Instrument,
            LearnerId: w.LearnerId,
            SetOn: Text(DateOnly.FromDateTime(w.MadeAt.ToLocalTime())),
            Due: w.Due,
            Ladder: LadderView.To(w.Tempo),
            For: whom,
            Done: [.. done.Where(whom.Contains)]
        );
    }

    internal static string TitleOf(WorkRecord w) => w.Kind == WorkKind.Cards ? "Cards" : w.Title;

    private static Results<NoContent, ProblemHttpResult> Add(
        ClassRepository classes,
        LearnerRepository learners,
        WorkRepository work,
        TuneRepository tunes,
        SheetRepository sheets,
        TaskRepository tasks,
        Asking asking,
        long @class,
        WorkRequest asked
    )
    {
        if (classes.Find(@class) is null)
            return ClassEndpoints.NoClass(@class);
        var wrong =
            Day(asked.Due) is null ? "Expected a day to be done by, such as 2026-09-14."
            : asked.Tempo is < 20 or > 300 ? "Expected a tempo of 20 to 300 quarters a minute."
            : asked.Instrument is { } i && StringSection.Named(i) is null ? $"“{i}” is not an instrument."
            : asked.LearnerId is { } l && learners.Find(l)?.ClassId != @class ? "This learner is not in the class."
            : asked.Kind == WorkKind.Tune && (asked.TuneId is not { } t || tunes.Find(t) is null)
                ? "Expected a tune that is in the library."
            : asked.Kind == WorkKind.Sheet && (asked.SheetId is not { } s || sheets.Find(s) is null) ? "Expected a sheet that is kept."
            : asked.Kind == WorkKind.Writing && (asked.TaskId is not { } k || tasks.Find(k) is null)
                ? "Expected a writing task that is kept."
            : null;
        if (wrong is not null)
            return ClassEndpoints.Refused(wrong);
        work.Add(
            new WorkRecord
            {
                ClassId = @class,
                Kind = asked.Kind,
                TuneId = asked.Kind == WorkKind.Tune ? asked.TuneId : null,
                SheetId = asked.Kind == WorkKind.Sheet ? asked.SheetId : null,
                TaskId = asked.Kind == WorkKind.Writing ? asked.TaskId : null,
                Tempo = asked.Kind == WorkKind.Tune ? asked.Tempo : null,
                Instrument = asked.Instrument,
                LearnerId = asked.LearnerId,
                Due = asked.Due,
                MadeBy = asking.Name,
            }
        );
        return TypedResults.NoContent();
    }

    private static Results<NoContent, ProblemHttpResult> Delete(WorkRepository works, long @class, long work) =>
        works.Delete(@class, work) ? TypedResults.NoContent() : NoWork();

    private static Results<NoContent, ProblemHttpResult> SetDone(
        LearnerRepository learners,
        WorkRepository works,
        Asking asking,
        long @class,
        long work,
        long learner,
        DoneRequest asked
    ) =>
        learners.Find(learner) is { } who && who.ClassId == @class && works.SetDone(work, who, asked.Done, asking.Name)
            ? TypedResults.NoContent()
            : NoWork();

    private static Results<Ok<LinkView[]>, ProblemHttpResult> Links(
        HttpContext context,
        ClassRepository classes,
        LearnerRepository learners,
        LinkRepository links,
        long @class
    )
    {
        if (classes.Find(@class) is null)
            return ClassEndpoints.NoClass(@class);
        var tokens = links.Of(@class).ToDictionary(l => l.LearnerId, l => l.Token);
        return TypedResults.Ok<LinkView[]>([
            .. learners
                .Of(@class)
                .Select(l =>
                {
                    var address = tokens.TryGetValue(l.Id, out var token)
                        ? $"{context.Request.Scheme}://{context.Request.Host}/learn/{token}"
                        : null;
                    return new LinkView(l.Id, l.Nickname, address, address is null ? null : Qr(address));
                }),
        ]);
    }

    private static string Qr(string address)
    {
        using var data = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        return code.GetGraphic(4, "#211A16", "#FFFFFF", drawQuietZones: true, sizingMode: SvgQRCode.SizingMode.ViewBoxAttribute);
    }

    private static Results<NoContent, ProblemHttpResult> Renew(
        LearnerRepository learners,
        LinkRepository links,
        long @class,
        RenewRequest asked
    )
    {
        var own = learners.Of(@class).Select(l => l.Id).ToHashSet();
        if (asked.Learners.Any(l => !own.Contains(l)))
            return ClassEndpoints.Refused("One of these learners is not in the class. No link was changed.");
        links.Renew(asked.Learners.Distinct());
        return TypedResults.NoContent();
    }

    private static Results<NoContent, ProblemHttpResult> End(LearnerRepository learners, LinkRepository links, long @class, long learner) =>
        learners.Find(learner)?.ClassId == @class && links.End(learner)
            ? TypedResults.NoContent()
            : TypedResults.Problem(statusCode: 404, title: "This learner has no link.");

    private static ProblemHttpResult NoWork() =>
        TypedResults.Problem(statusCode: 404, title: "This is not set to this class or learner any more.");
}
