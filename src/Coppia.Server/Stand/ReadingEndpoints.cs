using Coppia.Core.Fingering;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Data.Stand;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Stand;

/// <summary>A string and finger that a teacher chooses for a note.</summary>
/// <param name="String">Order of the string, 0 = lowest sounding.</param>
/// <param name="Finger">0 to 4.</param>
public sealed record PinnedPair(int String, int Finger);

/// <summary>A change of one note's pin.</summary>
/// <param name="NoteId">The note.</param>
/// <param name="To">Its pair; null lets the solver choose.</param>
/// <param name="Was">What the one who changes it saw there; null where it was free.</param>
public sealed record PinChange(string NoteId, PinnedPair? To, PinnedPair? Was);

/// <summary>Whether printed fingers count, and whether they did for the one who changes it.</summary>
public sealed record PrintedChange(bool To, bool Was);

/// <summary>Changes of the teacher's own pairs on a tune for one instrument; other notes stay as they are.</summary>
public sealed record PinChanges(IReadOnlyList<PinChange> Changes, PrintedChange? Printed = null);

/// <summary>The octave to read a tune in.</summary>
/// <param name="Octaves">How far the written notes move; null lets the tune find its own octave.</param>
/// <param name="Was">What the one who changes it saw chosen; null where the tune found its own.</param>
public sealed record OctaveRequest(int? Octaves, int? Was);

/// <summary>Lines to speak of.</summary>
/// <param name="Starts">The order of each line's first bar, from 0, ascending.</param>
public sealed record BeforeRequest(string Instrument, IReadOnlyList<int> Starts);

/// <summary>One thing to say before a line, and the notes it is about.</summary>
public sealed record RemarkView(RemarkKind Kind, string Text, IReadOnlyList<string> NoteIds);

/// <summary>A tune as one instrument reads it.</summary>
internal static class ReadingEndpoints
{
    public static void MapReadings(this IEndpointRouteBuilder api)
    {
        api.MapGet("/api/tunes/{id:long}/reading", Get)
            .WithName("getReading")
            .Produces<ReadingView>()
            .ProducesProblem(404);
        api.MapPatch("/api/tunes/{id:long}/pins/{instrument}", ChangePins)
            .WithName("changePins")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        api.MapPut("/api/tunes/{id:long}/octave/{instrument}", PutOctave)
            .WithName("chooseOctave")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        // Asked with a body: the lines of a long tune are too many for an address.
        api.MapPost("/api/tunes/{id:long}/before", Before)
            .WithName("sayBefore")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    /// <param name="line">Order of a line of the score, from 0; null for that of the instrument.</param>
    private static FileContentHttpResult Get(Readings readings, long id, string instrument, int? line = null)
    {
        var (kept, player) = readings.Kept(id, instrument);
        if (line is { } order)
        {
            if (order < 0 || order >= kept.Lines.Count)
                throw new RefusedException(
                    404,
                    Say(
                        "stand.reading.there-is-no-line-expected-0-to",
                        ("order", order),
                        ("lines", kept.Lines.Count - 1)
                    )
                );
            kept = kept.On(kept.Lines[order].Key);
        }

        return TypedResults.Bytes(readings.JsonOf(kept, player), "application/json");
    }

    /// <summary>
    /// Changes some of the teacher's own pairs for one instrument; where one is impossible, or another window has
    /// changed it meanwhile, none is.
    /// </summary>
    private static NoContent ChangePins(
        Readings readings,
        PinRepository pins,
        Asker asker,
        long id,
        string instrument,
        PinChanges request
    )
    {
        var (kept, player) = readings.Kept(id, instrument);
        var pitches = SoundingNote.Of(kept.Score).ToDictionary(n => n.Id, n => n.Pitch.ToString());
        if (request.Changes.FirstOrDefault(c => !pitches.ContainsKey(c.NoteId)) is { } stray)
            throw new RefusedException(
                422,
                Say("stand.reading.there-is-no-note-in-this-tune", ("noteId", stray.NoteId))
            );
        // Whoever changes another note meanwhile is not in the way: what is kept is looked at again.
        while (!Changed(readings, pins, kept, player, request, pitches))
            asker.Gone.ThrowIfCancellationRequested();
        return TypedResults.NoContent();
    }

    /// <returns>False where another has changed something between looking and storing.</returns>
    private static bool Changed(
        Readings readings,
        PinRepository pins,
        KeptTune kept,
        Player player,
        PinChanges request,
        Dictionary<string, string> pitches
    )
    {
        var (id, instrument) = (kept.Tune.Id, player.Instrument.Id);
        var seen = (Pins: pins.Of(id, instrument), UsesPrinted: pins.UsesPrinted(id, instrument));
        var now = readings
            .PinsInForce(kept, player)
            .ToDictionary(p => p.NoteId, p => new PinnedPair(p.String, p.Finger));
        NothingMeanwhile(kept, request, now, seen.UsesPrinted);
        var touched = request.Changes.Select(c => c.NoteId).ToHashSet();
        PinRecord[] records =
        [
            .. seen.Pins.Where(p => !touched.Contains(p.NoteId)),
            .. request
                .Changes.DistinctBy(c => c.NoteId)
                .Where(c => c.To is not null)
                .Select(c => RecordOf(c, pitches[c.NoteId])),
        ];
        Try(readings, kept, player, records.Where(r => touched.Contains(r.NoteId) || now.ContainsKey(r.NoteId)));
        return pins.Replace(id, instrument, seen, records, request.Printed?.To ?? seen.UsesPrinted);
    }

    /// <exception cref="RefusedException">What is to be changed is not what whoever asks had seen.</exception>
    private static void NothingMeanwhile(
        KeptTune kept,
        PinChanges request,
        Dictionary<string, PinnedPair> now,
        bool usesPrinted
    )
    {
        // Of two changes of one note the first counts.
        var changes = request.Changes.DistinctBy(c => c.NoteId);
        if (changes.FirstOrDefault(c => now.GetValueOrDefault(c.NoteId) != c.Was) is { } late)
            throw RefusedException.Meanwhile(PinWords.ChangedMeanwhile(kept.Score, late.NoteId));
        if (request.Printed is { } printed && printed.Was != usesPrinted)
            throw RefusedException.Meanwhile(PinWords.PrintedChangedMeanwhile);
    }

    private static PinRecord RecordOf(PinChange change, string pitch) =>
        new()
        {
            NoteId = change.NoteId,
            Pitch = pitch,
            String = change.To!.String,
            Finger = change.To.Finger,
        };

    /// <exception cref="RefusedException">No hand can play it so.</exception>
    private static void Try(Readings readings, KeptTune kept, Player player, IEnumerable<PinRecord> records)
    {
        try
        {
            readings.Try(kept, player, records);
        }
        catch (ImpossiblePinException e)
        {
            throw new RefusedException(422, PinWords.Impossible(e, player));
        }
    }

    /// <summary>Keeps the octave that the teacher chose for one instrument.</summary>
    private static NoContent PutOctave(
        Readings readings,
        OctaveRepository octaves,
        long id,
        string instrument,
        OctaveRequest request
    )
    {
        var (kept, player) = readings.Kept(id, instrument);
        var choices = OctaveFit.Choices(SoundingNote.Of(kept.Score), player);
        if (request.Octaves is { } asked && choices.All(c => c.Octaves != asked))
            throw new RefusedException(
                422,
                Say(
                    "stand.reading.moved-by-octaves-most-of-the-tune",
                    ("asked", asked),
                    ("instrument", player.Instrument.Name.ToLowerInvariant()),
                    ("choices", string.Join(", ", choices.Select(c => c.Octaves)))
                )
            );
        return octaves.Choose(id, player.Instrument.Id, request.Octaves, request.Was)
            ? TypedResults.NoContent()
            : throw RefusedException.Meanwhile(PinWords.OctaveChangedMeanwhile);
    }

    /// <summary>What to say before each line.</summary>
    private static IReadOnlyList<IReadOnlyList<RemarkView>> Before(Readings readings, long id, BeforeRequest request)
    {
        var (kept, player) = readings.Kept(id, request.Instrument);
        var reading = readings.Of(kept, player);
        var news = readings.NewsOf(kept, player);
        var remarks = new RemarkWords(player, reading.Score.Waymarks);
        var (firsts, bars) = (request.Starts, reading.Score.Bars.Count);
        for (var i = 0; i < firsts.Count; i++)
        {
            if (firsts[i] < 0 || firsts[i] >= bars || i > 0 && firsts[i] <= firsts[i - 1])
                throw new RefusedException(
                    400,
                    Say(
                        "stand.reading.line-cannot-begin-at-bar-order",
                        ("i", i + 1),
                        ("firsts", firsts[i]),
                        ("bars", bars - 1)
                    )
                );
        }

        return
        [
            .. firsts.Select(
                (first, i) =>
                    (IReadOnlyList<RemarkView>)
                        [
                            .. BeforeLine
                                .Of(reading, first, i + 1 < firsts.Count ? firsts[i + 1] : bars, news)
                                .Select(r => new RemarkView(r.Kind, remarks.Of(r), r.NoteIds)),
                        ]
            ),
        ];
    }
}
