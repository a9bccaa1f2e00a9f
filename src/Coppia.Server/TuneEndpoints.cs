using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using FluentValidation;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Coppia.Server;

/// <summary>The library of tunes.</summary>
internal static class TuneEndpoints
{
    public static void MapTunes(this WebApplication app)
    {
        var tunes = app.MapGroup("/api/tunes");
        tunes.MapGet("", List).WithName("listTunes").ProducesProblem(400);
        tunes
            .MapGet("/deleted", (TuneRepository repository, Styles styles) => Listed(repository.Deleted(), styles))
            .WithName("listDeletedTunes");
        tunes
            .MapGet(
                "/keys",
                (TuneRepository repository, Styles styles) =>
                    repository.Keys().Select(k => new TuneKeyView(k, Labels.KeyNamed(k, styles.Current().Style))).ToArray()
            )
            .WithName("listTuneKeys");
        tunes.MapPost("", Add).WithName("addTune").ProducesValidationProblem().ProducesProblem(422);
        tunes
            .MapPost(
                "/check",
                (Styles styles, Waiting waiting, TuneRequest request) => Check(request.Source, styles.Current().Style, waiting.Stop)
            )
            .WithName("checkTune");
        tunes.MapGet("/{id:long}", Get).WithName("getTune").ProducesProblem(404);
        tunes
            .MapPut("/{id:long}", Save)
            .WithName("saveTune")
            .ProducesValidationProblem()
            .ProducesProblem(404)
            .ProducesProblem(422)
            .ProducesProblem(409);
        tunes.MapPost("/{id:long}/duplicate", Duplicate).WithName("duplicateTune").ProducesProblem(404);
        tunes
            .MapDelete("/{id:long}", (TuneRepository repository, long id) => Done(repository.Delete(id), id))
            .WithName("deleteTune")
            .ProducesProblem(404);
        tunes
            .MapPost("/deleted", (TuneRepository repository, [FromBody] long[] ids) => TypedResults.Ok(repository.DeleteAll(ids)))
            .WithName("deleteTunes");
        tunes
            .MapPost("/{id:long}/restore", (TuneRepository repository, long id) => Done(repository.Restore(id), id))
            .WithName("restoreTune")
            .ProducesProblem(404);
    }

    private static Results<Ok<TuneListView>, ProblemHttpResult> List(
        TuneRepository repository,
        TuneFits fits,
        ForWhom forWhom,
        string? search,
        string? order,
        string? instrument,
        string? key,
        string? reach,
        int from = 0,
        int count = 100
    )
    {
        var byHard = string.Equals(order, ByHard, StringComparison.OrdinalIgnoreCase);
        if (!Choices.Read<TuneOrder>(byHard ? nameof(TuneOrder.Title) : order ?? nameof(TuneOrder.Title), out var known))
            return TypedResults.Problem(
                statusCode: 400,
                title: $"“{order}” is not an order; expected one of {Choices.Expected<TuneOrder>()}, {ByHard}."
            );
        Reach? within = null;
        if (!string.IsNullOrEmpty(reach))
        {
            if (!Choices.Read<Reach>(reach, out var asked))
                return TypedResults.Problem(
                    statusCode: 400,
                    title: $"“{reach}” is not a reach; expected one of {Choices.Expected<Reach>()}."
                );
            within = asked;
        }

        if (!string.IsNullOrEmpty(instrument) && StringSection.Named(instrument) is null)
            return Problems.NoInstrument(instrument);
        if (Problems.NoPage(from, count, "tunes") is { } problem)
            return problem;
        var query = new TuneQuery(
            Words: search ?? "",
            Order: known,
            Instrument: string.IsNullOrEmpty(instrument) ? null : instrument,
            Key: string.IsNullOrEmpty(key) ? null : key,
            From: from,
            Count: count
        );
        return TypedResults.Ok(
            (byHard || within is not null) && forWhom.Class is not null
                ? Fitting(repository, fits, forWhom, query, byHard, within)
                : Listed(repository, fits, forWhom, query)
        );
    }

    /// <summary>The order of how hard the tunes are for the class, the easiest first.</summary>
    private const string ByHard = "hard";

    private static TuneListView Listed(TuneRepository repository, TuneFits fits, ForWhom forWhom, TuneQuery query)
    {
        var page = repository.List(query);
        var (each, working) = fits.Of([.. page.Tunes.Select(t => (t.Id, t.Version))]);
        return new TuneListView([.. page.Tunes.Select(t => Summary(t, each, forWhom))], page.Total, working);
    }

    /// <summary>Tunes by how they fit the class; those that are not worked out yet come last.</summary>
    private static TuneListView Fitting(
        TuneRepository repository,
        TuneFits fits,
        ForWhom forWhom,
        TuneQuery query,
        bool byHard,
        Reach? within
    )
    {
        var all = repository.Fitting(query);
        var (each, working) = fits.Of(all);
        var ids = all.Select(t => t.Id).Where(id => within is null || each.TryGetValue(id, out var fit) && fit.Reach == within);
        long[] ordered = [.. byHard ? ids.OrderBy(id => each.TryGetValue(id, out var fit) ? fit.Weight : int.MaxValue) : ids];
        var page = repository.Among([.. ordered.Skip(query.From).Take(query.Count)]);
        return new TuneListView([.. page.Select(t => Summary(t, each, forWhom))], ordered.Length, working);
    }

    private static TuneSummary Summary(TuneRecord tune, IReadOnlyDictionary<long, TuneFit> fits, ForWhom forWhom) =>
        TuneSummary.Of(tune).Named(forWhom.Style.Style) with
        {
            Fit = fits.GetValueOrDefault(tune.Id),
        };

    private static TuneListView Listed(TunePage page, Styles styles)
    {
        var style = styles.Current().Style;
        return new TuneListView([.. page.Tunes.Select(t => TuneSummary.Of(t).Named(style))], page.Total);
    }

    /// <summary>Reads and keeps a source; nothing is kept when it cannot be read.</summary>
    internal static Results<Ok<TuneDetail>, ProblemHttpResult, ValidationProblem> Keep(
        TuneRepository repository,
        IValidator<TuneRequest> rules,
        Waiting waiting,
        TuneRequest request
    )
    {
        if (rules.Validate(request) is { IsValid: false } invalid)
            return TypedResults.ValidationProblem(invalid.ToDictionary());
        var read = TuneReader.Read(request.Source, waiting.Stop);
        if (read.Score is null)
            return Problems.Unreadable(read.Errors);
        var tune = repository.Add(TuneLineEndpoints.Offered(Record(request, read), read));
        return TypedResults.Ok(TuneDetail.Of(tune, read));
    }

    /// <param name="read">What came of reading the source; it has a score.</param>
    internal static TuneRecord Record(TuneRequest request, ReadResult read)
    {
        var lines = LinesForWhom.Proposed(read);
        var main = read.Lines.FirstOrDefault(l => l.Key == lines?.Main) ?? read.Main!;
        var score = main.Score;
        return new TuneRecord
        {
            Title = Chosen(request.Title, score.Title, "Untitled tune"),
            Composer = Chosen(request.Composer, score.Composer, "traditional"),
            PrintedFor = Chosen(request.PrintedFor, null, LinesForWhom.Offered(main).For.Id),
            Source = request.Source,
            Lines = lines?.ToJson(),
            KeyName = score.Key.Name,
            Meter = MeterOf(score.Time),
            Clef = score.Clef.Name,
            Bars = score.Bars.Count(b => b.IsCounted),
        };
    }

    internal static string MeterOf(TimeSignature? time) =>
        time switch
        {
            null => "free",
            { Symbol: TimeSymbol.Common } => "C (4/4)",
            { Symbol: TimeSymbol.Cut } => "cut C (2/2)",
            { } t => t.ToString(),
        };

    private static string Chosen(string? asked, string? found, string otherwise)
    {
        var chosen =
            !string.IsNullOrWhiteSpace(asked) ? asked.Trim()
            : !string.IsNullOrWhiteSpace(found) ? found.Trim()
            : otherwise;
        if (chosen.Length <= TuneRequestRules.LongestTitle)
            return chosen;
        // Not in the middle of a character that has two halves.
        var end = TuneRequestRules.LongestTitle - (char.IsHighSurrogate(chosen[TuneRequestRules.LongestTitle - 1]) ? 1 : 0);
        return chosen[..end];
    }

    private static Results<Ok<TuneDetail>, ProblemHttpResult, ValidationProblem> Add(
        TuneRepository repository,
        IValidator<TuneRequest> rules,
        Waiting waiting,
        TuneRequest request
    ) => Keep(repository, rules, waiting, request);

    private static TuneCheck Check(string source, HouseStyle style, CancellationToken stop)
    {
        var read = TuneReader.Read(source, stop);
        var record = read.Score is null ? null : Record(new TuneRequest(source), read);
        var score = read.Lines.FirstOrDefault(l => l.Key == LinesForWhom.OfJson(record?.Lines)?.Main)?.Score ?? read.Score;
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
            MusicXml: score is null ? null : ReadingMusic.ForEngraving(score with { Bars = [.. score.Bars.Take(MostDrawnBars)] }),
            Errors: [.. read.Errors.Take(Problems.MostErrors)],
            Notices: read.Notices
        );
    }

    /// <summary>Bars of a text that are drawn beside it while it is typed.</summary>
    private const int MostDrawnBars = 64;

    private static Results<Ok<TuneDetail>, ProblemHttpResult> Get(TuneRepository repository, Waiting waiting, long id) =>
        repository.Find(id) is { } tune
            ? TypedResults.Ok(TuneDetail.Of(tune, TuneReader.Read(tune.Source, waiting.Stop)))
            : Problems.NoTune(id);

    private static Results<Ok<TuneDetail>, ProblemHttpResult, ValidationProblem> Save(
        TuneRepository repository,
        PinRepository pins,
        BowRepository bows,
        IValidator<TuneRequest> rules,
        Waiting waiting,
        long id,
        TuneChange change
    )
    {
        if (rules.Validate(change) is { IsValid: false } invalid)
            return TypedResults.ValidationProblem(invalid.ToDictionary());
        var read = TuneReader.Read(change.Source, waiting.Stop);
        if (read.Score is null)
            return Problems.Unreadable(read.Errors);
        if (repository.Find(id) is not { } before)
            return Problems.NoTune(id);
        var after = Record(change, read) with { Id = id, Version = change.Version };
        string? earlier = null;
        if (Readable(before, waiting) is { } kept)
        {
            // Notes that were there before keep their ids, and with them their pins and bows; so do the lines their readers. Music that
            // comes back has the ids that it had, so that what hangs on them comes back too.
            string[] marked = [.. pins.NotesWithPins(id), .. bows.Of(id).Select(b => b.NoteId)];
            var (was, music) = (kept.Music, ScoreIds.MusicOf(read.Lines.Select(l => l.Score)));
            after = after with
            {
                NoteIds = was != music && repository.HadMusic(id, music, out var had) ? had : kept.IdsAfter(read, marked),
            };
            if (was != music)
                earlier = was;
            if (read.Lines.Count > 1 && LinesForWhom.OfJson(before.Lines)?.After(kept.Lines, read.Lines) is { } chosen)
                after = after with { Lines = chosen.ToJson() };
        }

        return repository.Save(after, earlier) switch
        {
            SaveOutcome.Saved => TypedResults.Ok(TuneDetail.Of(repository.Find(id)!, read)),
            SaveOutcome.ChangedMeanwhile when repository.Find(id) is { } current => Problems.Meanwhile(current),
            _ => Problems.NoTune(id),
        };
    }

    /// <summary>The tune; null where this version cannot read it, so that its text can be mended.</summary>
    private static KeptTune? Readable(TuneRecord tune, Waiting waiting)
    {
        try
        {
            return KeptTune.Of(tune, waiting.Stop);
        }
        catch (UnreadableTuneException)
        {
            return null;
        }
    }

    private static Results<Ok<TuneDetail>, ProblemHttpResult> Duplicate(TuneRepository repository, long id)
    {
        if (repository.Find(id) is not { } tune)
            return Problems.NoTune(id);
        var title = Copies.NameOf(
            tune.Title,
            repository.TitlesLike(Copies.Original(tune.Title, TuneRequestRules.LongestTitle)),
            TuneRequestRules.LongestTitle
        );
        return TypedResults.Ok(TuneDetail.Of(repository.Add(tune with { Title = title }), null));
    }

    private static Results<NoContent, ProblemHttpResult> Done(bool done, long id) => done ? TypedResults.NoContent() : Problems.NoTune(id);
}
