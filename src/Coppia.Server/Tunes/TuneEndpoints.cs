using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.School;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Stand;
using Coppia.Data.Store;
using Coppia.Data.Tunes;
using Coppia.Formats.Books;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Tunes;

/// <summary>The library of tunes.</summary>
internal static class TuneEndpoints
{
    public static void MapTunes(this IEndpointRouteBuilder api)
    {
        var tunes = api.MapGroup("/api/tunes");
        MapList(tunes);
        MapDeleted(tunes);
        tunes
            .MapPost("", (TuneShelf shelf, TuneRequest request) => shelf.Keep(request))
            .WithName("addTune")
            .ProducesProblem(422);
        tunes
            .MapPost(
                "/check",
                (HouseStyles styles, Asker asker, TuneRequest request) =>
                    Check(request.Source, styles.Current().Style, asker.Gone)
            )
            .WithName("checkTune");
        tunes.MapGet("/{id:long}", Get).WithName("getTune").ProducesProblem(404);
        tunes
            .MapPut("/{id:long}", Save)
            .WithName("saveTune")
            .ProducesProblem(404)
            .ProducesProblem(422)
            .ProducesProblem(409);
        tunes.MapPost("/{id:long}/duplicate", Duplicate).WithName("duplicateTune").ProducesProblem(404);
    }

    private static void MapList(RouteGroupBuilder tunes)
    {
        tunes
            .MapGet(
                "",
                (TuneList list, [AsParameters] TuneListRequest asked, int from = 0, int count = 100) =>
                    list.Of(asked.Checked(from, count))
            )
            .WithName("listTunes")
            .ProducesProblem(400);
        tunes
            .MapGet(
                "/keys",
                (TuneRepository repository, HouseStyles styles) =>
                    repository
                        .Keys()
                        .Select(k => new TuneKeyView(k, Labels.KeyNamed(k, styles.Current().Style)))
                        .ToArray()
            )
            .WithName("listTuneKeys");
    }

    private static void MapDeleted(RouteGroupBuilder tunes)
    {
        tunes
            .MapGet("/deleted", (TuneRepository repository, HouseStyles styles) => Listed(repository.Deleted(), styles))
            .WithName("listDeletedTunes");
        tunes
            .MapDelete("/{id:long}", (TuneRepository repository, long id) => Done(repository.Delete(id), id))
            .WithName("deleteTune")
            .ProducesProblem(404);
        tunes
            .MapPost("/deleted", (TuneRepository repository, [FromBody] long[] ids) => repository.DeleteAll(ids))
            .WithName("deleteTunes");
        tunes
            .MapPost("/{id:long}/restore", (TuneRepository repository, long id) => Done(repository.Restore(id), id))
            .WithName("restoreTune")
            .ProducesProblem(404);
    }

    private static TuneListView Listed(TunePage page, HouseStyles styles)
    {
        var style = styles.Current().Style;
        return new TuneListView([.. page.Tunes.Select(t => TuneSummary.Of(t).Named(style))], page.Total);
    }

    private static TuneCheck Check(string source, HouseStyle style, CancellationToken stop)
    {
        var read = TuneReader.Read(source, stop);
        var record = read.Score is null ? null : NewTune.Of(new TuneRequest(source), read);
        var score =
            read.Lines.FirstOrDefault(l => l.Key == LinesForWhom.OfJson(record?.Lines)?.Main)?.Score ?? read.Score;
        return new TuneCheck(
            Format: TuneReader.FormatOf(source),
            Title: score?.Title,
            KeyName: score is null ? null : Labels.Key(score.Key, style),
            Meter: record?.Meter,
            Clef: record?.Clef,
            Bars: record?.Bars ?? 0,
            PrintedFor: record?.PrintedFor,
            Tunes: TuneBook.Of(source).Count,
            Lines: [.. read.Lines.Select(l => l.Name)],
            MusicXml: score is null
                ? null
                : ReadingMusic.ForEngraving(score with { Bars = [.. score.Bars.Take(MostDrawnBars)] }),
            Errors: [.. read.Errors.Take(RefusedException.MostErrors)],
            Notices: read.Notices
        );
    }

    /// <summary>Bars of a text that are drawn beside it while it is typed.</summary>
    private const int MostDrawnBars = 64;

    private static TuneDetail Get(TuneRepository repository, Asker asker, long id) =>
        repository.Find(id) is { } tune
            ? TuneDetail.Of(tune, TuneReader.Read(tune.Source, asker.Gone))
            : throw Readings.NoTune(id);

    private static TuneDetail Save(
        TuneShelf shelf,
        TuneRepository repository,
        PinRepository pins,
        BowRepository bows,
        long id,
        TuneChange change
    )
    {
        var (record, read) = shelf.Read(change);
        if (repository.Find(id) is not { } before)
            throw Readings.NoTune(id);
        var after = record with { Id = id, Version = change.Version };
        string? earlier = null;
        if (Readable(before) is { } kept)
        {
            // Notes that were there before keep their ids, and with them their pins and bows; so do the lines their
            // readers. Music that comes back has the ids that it had, so that what hangs on them comes back too.
            string[] marked = [.. pins.NotesWithPins(id), .. bows.Of(id).Select(b => b.NoteId)];
            var (was, music) = (kept.Music, ScoreIds.MusicOf(read.Lines.Select(l => l.Score)));
            after = after with
            {
                NoteIds =
                    was != music && repository.HadMusic(id, music, out var had) ? had : kept.IdsAfter(read, marked),
            };
            if (was != music)
                earlier = was;
            if (read.Lines.Count > 1 && LinesForWhom.OfJson(before.Lines)?.After(kept.Lines, read.Lines) is { } chosen)
                after = after with { Lines = chosen.ToJson() };
        }

        return repository.Save(after, earlier) switch
        {
            SaveOutcome.Saved => TuneDetail.Of(repository.Find(id)!, read),
            SaveOutcome.ChangedMeanwhile when repository.Find(id) is { } current => throw Meanwhile(current),
            _ => throw Readings.NoTune(id),
        };
    }

    /// <summary>The tune as the other window has saved it comes along, so that both texts can be looked at.</summary>
    private static RefusedException Meanwhile(TuneRecord current) =>
        new(409, Say("tunes.tune.someone-saved-this-tune-after-you"))
        {
            With = { ["current"] = TuneDetail.Of(current, null) },
        };

    /// <summary>The tune; null where this version cannot read it, so that its text can be mended.</summary>
    private static KeptTune? Readable(TuneRecord tune)
    {
        try
        {
            return KeptTune.Of(tune);
        }
        catch (UnreadableTuneException)
        {
            return null;
        }
    }

    private static TuneDetail Duplicate(TuneRepository repository, long id)
    {
        if (repository.Find(id) is not { } tune)
            throw Readings.NoTune(id);
        var title = Copies.NameOf(
            tune.Title,
            repository.TitlesLike(Copies.Original(tune.Title, Limits.LongestTuneTitle)),
            Limits.LongestTuneTitle
        );
        return TuneDetail.Of(repository.Add(tune with { Title = title }), null);
    }

    private static NoContent Done(bool done, long id) => done ? TypedResults.NoContent() : throw Readings.NoTune(id);
}
