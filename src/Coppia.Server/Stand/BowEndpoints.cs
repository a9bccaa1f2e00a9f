using Coppia.Core.Bowing;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Stand;
using Coppia.Data.Stand;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Stand;

/// <summary>What a teacher says to a change of the bowing.</summary>
public enum BowVerdict
{
    /// <summary>Nothing: it may be proposed.</summary>
    Open,
    Taken,

    /// <summary>Proposed, and not wanted.</summary>
    Refused,
}

/// <summary>A change of what is said to one change of the bowing.</summary>
/// <param name="Was">What the one who changes it saw.</param>
public sealed record BowVerdictChange(string NoteId, BowEditKind Kind, BowVerdict To, BowVerdict Was)
{
    internal BowEdit Edit => new(NoteId, Kind);
}

/// <summary>Changes of a tune's bowing; what is not named stays as it is.</summary>
/// <param name="Instrument">Whose line of a score they are of; the main line where left out.</param>
public sealed record BowChangesRequest(IReadOnlyList<BowVerdictChange> Changes, string? Instrument = null);

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
public sealed record BowProposalView(
    BowAim Aim,
    string Title,
    string? Nothing,
    IReadOnlyList<BowChangeView> Changes,
    int Now,
    int Left
);

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
    public static void MapBows(this IEndpointRouteBuilder api)
    {
        api.MapGet("/api/tunes/{id:long}/bowing", Get).WithName("getBowing").ProducesProblem(404);
        api.MapPatch("/api/tunes/{id:long}/bowing", Change)
            .WithName("changeBowing")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
    }

    private static BowingView Get(Readings readings, Asker asker, long id, string instrument)
    {
        var (kept, player) = readings.Kept(id, instrument);
        var reading = readings.Of(kept, player);
        var (tune, style) = (reading.Tune, player.Style);
        var refused = readings.RefusedBows(kept);
        var advice = tune.Advice(refused, asker.Gone);
        return new BowingView(
            Taken: InBarOrder(readings.BowsOf(kept)),
            Refused: InBarOrder(refused),
            WrongWay: [.. advice.WrongWay.Select(WrongWayOf)],
            Proposals: [.. advice.Proposals.Select(ProposalOf)],
            Uneven: [.. advice.Uneven.Select(u => new UnevenBarView(u.Bar.Number, BowWords.Uneven(u), u.NoteIds))],
            Hints: [.. advice.Hints.Select(HintOf)],
            Check: [.. BowWords.Check(reading.BowCheck)]
        );

        WrongWayView WrongWayOf(WrongWayAdvice w) =>
            new(tune.Notes[w.Place.Returning].Id, BowWords.WrongWay(tune.Notes, w.Place, style), InBarOrder(w.Mends));

        BowProposalView ProposalOf(BowProposal p) =>
            new(
                Aim: p.Aim,
                Title: BowWords.AimTitle(p.Aim),
                Nothing: p.Edits.Count == 0 ? BowWords.NothingProposed(p, refused.Count > 0) : null,
                Changes: InWords(p.Edits),
                Now: p.Now,
                Left: p.Left
            );

        BowHintView HintOf(BowHintInBars h) => new(BowWords.Where(h), BowWords.Action(h.Action, style), h.NoteIds);

        IReadOnlyList<BowChangeView> InWords(IReadOnlyCollection<BowEdit> edits) =>
            [.. BowChange.In(tune.Score, edits).Select(c => BowChangeView.Of(c, style))];

        IReadOnlyList<BowChangeView> InBarOrder(IReadOnlyCollection<BowEdit> edits) =>
            [.. InWords(edits).OrderBy(c => c.Bar)];
    }

    /// <summary>
    /// Changes some of the bowing; where one cannot be made, or another window has changed it meanwhile, none is.
    /// </summary>
    private static NoContent Change(
        Readings readings,
        BowRepository bows,
        Asker asker,
        long id,
        BowChangesRequest request
    )
    {
        var kept = readings.Kept(id);
        kept = kept.For(request.Instrument ?? "");
        BowVerdictChange[] changes = [.. request.Changes.DistinctBy(c => c.Edit)];
        var pitches = kept.Score.Events.ToDictionary(e => e.Id, e => e.Pitch?.ToString());
        if (
            changes.FirstOrDefault(c => c.To == BowVerdict.Refused && pitches.GetValueOrDefault(c.NoteId) is null) is
            { } stray
        )
            throw new RefusedException(422, Say("stand.bow.there-is-no-note-in-this-tune-2", ("noteId", stray.NoteId)));
        // Whoever changes another bow meanwhile is not in the way: what is kept is looked at again.
        while (true)
        {
            asker.Gone.ThrowIfCancellationRequested();
            var seen = bows.Of(id);
            var (taken, refused) = (readings.BowsOf(kept).ToHashSet(), readings.RefusedBows(kept).ToHashSet());
            if (changes.FirstOrDefault(c => Verdict(c.Edit) != c.Was) is { } late)
                throw RefusedException.Meanwhile(BowWords.ChangedMeanwhile(kept.Score, late.NoteId));
            var touched = changes.Select(c => c.Edit).ToHashSet();
            Try(kept.Score, taken.Where(e => !touched.Contains(e)), changes);
            // What was changed on another line of the score stays, and what the music does not have at present.
            var others = seen.Where(b => !touched.Any(e => e.NoteId == b.NoteId && KindOf(e) == b.Kind));
            var now = changes.Where(c => c.To != BowVerdict.Open).Select(c => RecordOf(c, pitches));
            if (bows.Replace(id, seen, [.. others, .. now]))
                return TypedResults.NoContent();

            BowVerdict Verdict(BowEdit edit) =>
                taken.Contains(edit) ? BowVerdict.Taken
                : refused.Contains(edit) ? BowVerdict.Refused
                : BowVerdict.Open;
        }
    }

    private static BowRecord RecordOf(BowVerdictChange change, Dictionary<string, string?> pitches) =>
        new()
        {
            NoteId = change.NoteId,
            Kind = KindOf(change.Edit),
            Pitch = pitches.GetValueOrDefault(change.NoteId) ?? "",
            Refused = change.To == BowVerdict.Refused,
        };

    private static string KindOf(BowEdit edit) => edit.Kind.ToString().ToLowerInvariant();

    /// <exception cref="RefusedException">The music cannot be bowed so.</exception>
    private static void Try(Score score, IEnumerable<BowEdit> taken, IEnumerable<BowVerdictChange> changes)
    {
        try
        {
            BowEdits.Apply(score, [.. taken, .. changes.Where(c => c.To == BowVerdict.Taken).Select(c => c.Edit)]);
        }
        catch (ImpossibleBowEditException e)
        {
            throw new RefusedException(422, BowWords.Impossible(e));
        }
    }
}
