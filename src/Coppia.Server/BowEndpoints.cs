using Coppia.Core.Bowing;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>All changes of a tune's bowing: those taken, and those proposed and not wanted.</summary>
/// <param name="Changes">Those taken.</param>
/// <param name="Refused">Those not wanted.</param>
/// <param name="Instrument">Whose line of a score they are of; the main line where left out.</param>
public sealed record BowChangesRequest(IReadOnlyList<BowEdit> Changes, IReadOnlyList<BowEdit>? Refused = null, string? Instrument = null);

public sealed record BowChangeView(string NoteId, BowEditKind Kind, int Bar, string Text)
{
    public static BowChangeView Of(BowChange c, HouseStyle style) =>
        new(c.Edit.NoteId, c.Edit.Kind, c.Bar.Number, BowWords.Change(c, style));
}

/// <summary>A repeat that brings the bow back the wrong way round, and what helps.</summary>
public sealed record WrongWayView(string NoteId, string Text, IReadOnlyList<BowChangeView> Mends);

/// <summary>A proposed bowing; no changes where the present one is as good.</summary>
/// <param name="Title">What is proposed.</param>
/// <param name="Nothing">Said where there is nothing to propose; else null.</param>
/// <param name="Now">Places that miss the aim now.</param>
/// <param name="Left">Places that miss it with all changes taken.</param>
public sealed record BowProposalView(BowAim Aim, string Title, string? Nothing, IReadOnlyList<BowChangeView> Changes, int Now, int Left);

public sealed record UnevenBarView(int Bar, string Text, IReadOnlyList<string> NoteIds);

public sealed record BowHintView(string Where, string Text, IReadOnlyList<string> NoteIds);

/// <summary>Everything about the bow in one tune.</summary>
public sealed record BowingView(
    IReadOnlyList<BowChangeView> Taken,
    IReadOnlyList<BowChangeView> Refused,
    IReadOnlyList<WrongWayView> WrongWay,
    IReadOnlyList<BowProposalView> Proposals,
    IReadOnlyList<UnevenBarView> Uneven,
    IReadOnlyList<BowHintView> Hints,
    IReadOnlyList<string> Check
);

internal static class BowEndpoints
{
    public static void MapBows(this WebApplication app)
    {
        app.MapGet("/api/tunes/{id:long}/bowing", Get).WithName("getBowing").ProducesProblem(404);
        app.MapPut("/api/tunes/{id:long}/bowing", Put).WithName("setBowing").ProducesProblem(404).ProducesProblem(422);
    }

    private static Results<Ok<BowingView>, ProblemHttpResult> Get(Readings readings, long id, string instrument)
    {
        if (readings.Missing(id, instrument, out var kept, out var player) is { } problem)
            return problem;
        var reading = readings.Of(kept, player);
        var (tune, style) = (reading.Tune, player.Style);
        var refused = readings.RefusedBows(kept);
        var advice = tune.Advice(refused);
        return TypedResults.Ok(
            new BowingView(
                Taken: InBarOrder(readings.BowsOf(kept)),
                Refused: InBarOrder(refused),
                WrongWay:
                [
                    .. advice.WrongWay.Select(w => new WrongWayView(
                        tune.Notes[w.Place.Returning].Id,
                        BowWords.WrongWay(tune.Notes, w.Place, style),
                        InBarOrder(w.Mends)
                    )),
                ],
                Proposals:
                [
                    .. advice.Proposals.Select(p => new BowProposalView(
                        Aim: p.Aim,
                        Title: BowWords.AimTitle(p.Aim),
                        Nothing: p.Edits.Count == 0 ? BowWords.NothingProposed(p, refused.Count > 0) : null,
                        Changes: InWords(p.Edits),
                        Now: p.Now,
                        Left: p.Left
                    )),
                ],
                Uneven: [.. advice.Uneven.Select(u => new UnevenBarView(u.Bar.Number, BowWords.Uneven(u), u.NoteIds))],
                Hints: [.. advice.Hints.Select(h => new BowHintView(BowWords.Where(h), BowWords.Action(h.Action, style), h.NoteIds))],
                Check: [.. BowWords.Check(reading.BowCheck)]
            )
        );

        IReadOnlyList<BowChangeView> InWords(IReadOnlyCollection<BowEdit> edits) =>
            [.. BowChange.In(tune.Score, edits).Select(c => BowChangeView.Of(c, style))];

        IReadOnlyList<BowChangeView> InBarOrder(IReadOnlyCollection<BowEdit> edits) => [.. InWords(edits).OrderBy(c => c.Bar)];
    }

    /// <summary>Replaces all changes of the bowing; where one cannot be made, none is.</summary>
    private static Results<NoContent, ProblemHttpResult> Put(Readings readings, BowRepository bows, long id, BowChangesRequest request)
    {
        if (readings.Missing(id, out var kept) is { } problem)
            return problem;
        kept = kept.For(request.Instrument ?? "");
        BowEdit[] taken = [.. request.Changes.Distinct()];
        BowEdit[] refused = [.. (request.Refused ?? []).Distinct().Except(taken)];
        var pitches = kept.Score.Events.ToDictionary(e => e.Id, e => e.Pitch?.ToString());
        if (refused.FirstOrDefault(e => pitches.GetValueOrDefault(e.NoteId) is null) is { } stray)
            return TypedResults.Problem(
                statusCode: 422,
                title: $"There is no note {stray.NoteId} in this tune; expected the id of a printed note."
            );
        try
        {
            BowEdits.Apply(kept.Score, taken);
        }
        catch (ImpossibleBowEditException e)
        {
            return TypedResults.Problem(statusCode: 422, title: BowWords.Impossible(e));
        }

        BowRecord Record(BowEdit e, bool isRefused) =>
            new()
            {
                NoteId = e.NoteId,
                Kind = e.Kind.ToString().ToLowerInvariant(),
                Pitch = pitches[e.NoteId] ?? "",
                Refused = isRefused,
            };
        // What was changed on another line of the score stays.
        var elsewhere = bows.Of(id).Where(b => kept.IsElsewhere(b.NoteId));
        bows.Replace(id, [.. elsewhere, .. taken.Select(e => Record(e, false)), .. refused.Select(e => Record(e, true))]);
        return TypedResults.NoContent();
    }
}
