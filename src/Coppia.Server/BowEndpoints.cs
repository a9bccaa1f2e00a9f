using Coppia.Core.Bowing;
using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

public sealed record BowEditView(string NoteId, BowEditKind Kind);

/// <summary>All changes of a tune's bowing: those taken, and those proposed and not wanted.</summary>
public sealed record BowChangesRequest(IReadOnlyList<BowEditView> Changes, IReadOnlyList<BowEditView>? Refused = null);

public sealed record BowChangeView(string NoteId, BowEditKind Kind, int Bar, string Text)
{
    public static BowChangeView Of(BowChange c) => new(c.Edit.NoteId, c.Edit.Kind, c.Bar, c.Text);
}

/// <summary>A repeat that brings the bow back the wrong way round, and what helps.</summary>
public sealed record WrongWayView(string NoteId, string Text, IReadOnlyList<BowChangeView> Mends);

/// <summary>A proposed bowing; no changes where the present one is as good.</summary>
/// <param name="Now">Places that miss the aim now.</param>
/// <param name="Left">Places that miss it with all changes taken.</param>
public sealed record BowProposalView(BowAim Aim, IReadOnlyList<BowChangeView> Changes, int Now, int Left);

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

    private static Results<Ok<BowingView>, ProblemHttpResult> Get(Readings readings, Styles styles, long id, string instrument)
    {
        var style = styles.Current().Style;
        if (StringSection.Named(instrument, style) is not { } known)
            return Problems.NoInstrument(instrument);
        if (readings.Find(id) is not { } kept)
            return Problems.NoTune(id);
        var reading = readings.Of(kept, known);
        SoundingNote[] notes = [.. reading.Notes.Select(n => n.Note)];
        var refused = readings.RefusedBows(kept);
        IReadOnlyList<BowChangeView> InWords(IReadOnlyCollection<BowEdit> edits) =>
            [.. BowProposal.Describe(reading.Score, edits, style).Select(BowChangeView.Of).OrderBy(c => c.Bar)];
        return TypedResults.Ok(
            new BowingView(
                InWords(readings.BowsOf(kept)),
                InWords(refused),
                [
                    .. reading.Bowing.ComesBackWrong.Select(w => new WrongWayView(
                        notes[w.Returning].Id,
                        WrongWayMends.Words(notes, w, style),
                        InWords(WrongWayMends.For(reading.Score, notes, w, style))
                    )),
                ],
                [
                    .. Enum.GetValues<BowAim>()
                        .Select(aim => BowProposal.Of(reading.Score, aim, style, refused))
                        .Select(p => new BowProposalView(p.Aim, [.. p.Changes.Select(BowChangeView.Of)], p.Now, p.Left)),
                ],
                [.. UnevenBars.Of(notes, reading.Bowing).Select(u => new UnevenBarView(u.Bar.Number, u.Text, u.NoteIds))],
                [
                    .. BowUse
                        .InBars(notes, BowUse.Of(notes, reading.Travels, style))
                        .Select(h => new BowHintView(h.Where, h.Text, h.NoteIds)),
                ],
                [.. BowCheck.Of(reading)]
            )
        );
    }

    /// <summary>Replaces all changes of the bowing; where one cannot be made, none is.</summary>
    private static Results<NoContent, ProblemHttpResult> Put(Readings readings, BowRepository bows, long id, BowChangesRequest request)
    {
        if (readings.Find(id) is not { } kept)
            return Problems.NoTune(id);
        BowEdit[] taken = [.. request.Changes.Select(c => new BowEdit(c.NoteId, c.Kind)).Distinct()];
        BowEdit[] refused = [.. (request.Refused ?? []).Select(c => new BowEdit(c.NoteId, c.Kind)).Distinct().Except(taken)];
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
            return TypedResults.Problem(statusCode: 422, title: e.Message);
        }

        BowRecord Record(BowEdit e, bool isRefused) =>
            new()
            {
                NoteId = e.NoteId,
                Kind = e.Kind.ToString().ToLowerInvariant(),
                Pitch = pitches[e.NoteId] ?? "",
                Refused = isRefused,
            };
        bows.Replace(id, [.. taken.Select(e => Record(e, false)), .. refused.Select(e => Record(e, true))]);
        return TypedResults.NoContent();
    }
}
