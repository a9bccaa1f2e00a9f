using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Core.Music;
using Coppia.Core.Wording;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>A tune for all sections of a class at once: their pairs, what is called to them, the key that fits all.</summary>
internal static class TogetherEndpoints
{
    public static void MapTogether(this WebApplication app)
    {
        var tune = app.MapGroup("/api/tunes/{id:long}");
        tune.MapGet("/together", Get).WithName("getTogether").ProducesProblem(404);
        tune.MapGet("/staves", Staves).WithName("getStaves").ProducesProblem(404);
        tune.MapGet("/keys", Keys).WithName("listKeyOffers").ProducesProblem(404);
        tune.MapPost("/keys", Take).WithName("takeKey").ProducesProblem(404).ProducesProblem(422);
    }

    private static Results<Ok<TogetherView>, ProblemHttpResult> Get(Together together, long id, string? sections = null)
    {
        if (together.Missing(id, sections, out var kept, out var all) is { } problem)
            return problem;
        return TypedResults.Ok(TogetherView.Of(kept, together.SheetOf(all), all));
    }

    private static Results<Ok<StavesView>, ProblemHttpResult> Staves(Together together, long id, string? sections = null)
    {
        if (together.Missing(id, sections, out _, out var all) is { } problem)
            return problem;
        return TypedResults.Ok(
            new StavesView(ReadingMusic.ForEngraving([.. together.SheetOf(all).Sections.Select((s, i) => (s, TogetherView.Prefix(i)))]))
        );
    }

    private static Results<Ok<KeyOfferView[]>, ProblemHttpResult> Keys(
        Together together,
        Readings readings,
        Waiting waiting,
        long id,
        string? sections = null
    )
    {
        if (together.Missing(id, sections, out _, out var all) is { } problem)
            return problem;
        var lines = all.Select(s => new SectionLine(
            s.Kept.Score,
            Readings.PrintedForOf(s.Kept, s.Player.Style),
            new Player(s.Player.Instrument, s.Player.Style, s.Player.Known)
        )
        {
            AsItIs = readings.Of(s.Kept, s.Player),
        });
        return TypedResults.Ok(KeyForAll.Offers([.. lines], waiting.Stop).Select(KeyOfferView.Of).ToArray());
    }

    /// <summary>Keeps the tune in another key as a tune of its own; the print stays as it is.</summary>
    private static Results<Ok<TuneDetail>, ProblemHttpResult> Take(
        Readings readings,
        ForWhom forWhom,
        TuneRepository repository,
        Waiting waiting,
        long id,
        KeyRequest asked
    )
    {
        if (readings.Missing(id, out var kept) is { } problem)
            return problem;
        var move = new KeyMove(asked.Fifths - kept.Score.Key.Fifths);
        var style = forWhom.Style.Style;
        var moved = kept
            .Lines.Select(l => (Line: l, Score: KeyForAll.Print(move, l.Score, Readings.PrintedForOf(kept.On(l.Key), style), style)))
            .ToArray();
        if (move.Fifths == 0 || moved.Any(l => l.Score is null))
            return TypedResults.Problem(
                statusCode: 422,
                title: move.Fifths == 0
                    ? "The tune is printed in this key; expected another."
                    : $"This tune would need more than seven signs; expected −{KeyMove.MostSigns} to {KeyMove.MostSigns} fifths."
            );
        var key = Labels.Key(new KeySignature(asked.Fifths, kept.Score.Key.Mode), style);
        var title = Copies.NameIn(
            kept.Tune.Title,
            key,
            repository.TitlesLike(Copies.Original(kept.Tune.Title, TuneRequestRules.LongestTitle)),
            TuneRequestRules.LongestTitle
        );
        ScoreLine[] lines = [.. moved.Select(l => l.Line with { Score = l.Score! with { Title = title } })];
        var source =
            TuneReader.FormatOf(kept.Tune.Source) == SourceFormat.MusicXml
                ? MusicXmlWriter.Write(lines)
                : AbcWriter.Write(lines, AbcReader.FieldsToKeep(kept.Tune.Source));
        var read = TuneReader.Read(source, waiting.Stop);
        if (read.Score is null)
            return Problems.Unreadable(read.Errors);
        var record = TuneEndpoints.Record(new TuneRequest(source, title, kept.Tune.Composer, kept.Tune.PrintedFor), read);
        if (read.Lines.Count > 1 && LinesForWhom.OfJson(kept.Tune.Lines)?.After(kept.Lines, read.Lines) is { } chosen)
            record = record with { Lines = chosen.ToJson() };
        return TypedResults.Ok(TuneDetail.Of(repository.Add(TuneLineEndpoints.Offered(record, read)), read));
    }
}
