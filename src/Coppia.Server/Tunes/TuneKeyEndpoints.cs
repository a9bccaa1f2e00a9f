using Coppia.Core.Lesson;
using Coppia.Core.Music;
using Coppia.Core.School;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Tunes;
using Coppia.Formats.Abc;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Source;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Tunes;

/// <summary>The key that is taken.</summary>
/// <param name="Fifths">−7 to 7.</param>
public sealed record KeyRequest(int Fifths);

/// <summary>A tune in another key.</summary>
internal static class TuneKeyEndpoints
{
    public static void MapTuneKeys(this IEndpointRouteBuilder api) =>
        api.MapPost("/api/tunes/{id:long}/keys", Take).WithName("takeKey").ProducesProblem(404).ProducesProblem(422);

    /// <summary>Keeps the tune in another key as a tune of its own; the print stays as it is.</summary>
    private static TuneDetail Take(Readings readings, Asker asker, TuneRepository repository, long id, KeyRequest asked)
    {
        var kept = readings.Kept(id);
        var move = new KeyMove(asked.Fifths - kept.Score.Key.Fifths);
        var style = asker.Style;
        var moved = kept
            .Lines.Select(l =>
                (Line: l, Score: KeyForAll.Print(move, l.Score, Readings.PrintedForOf(kept.On(l.Key), style), style))
            )
            .ToArray();
        if (move.Fifths == 0 || moved.Any(l => l.Score is null))
            throw new RefusedException(
                422,
                move.Fifths == 0
                    ? Say("tunes.tune-key.the-tune-is-printed-in-this-key")
                    : Say("tunes.tune-key.this-tune-would-need-more-than-seven", ("mostSigns", KeyMove.MostSigns))
            );
        var key = Labels.Key(new KeySignature(asked.Fifths, kept.Score.Key.Mode), style);
        var title = Copies.NameIn(
            kept.Tune.Title,
            key,
            repository.TitlesLike(Copies.Original(kept.Tune.Title, Limits.LongestTuneTitle)),
            Limits.LongestTuneTitle
        );
        ScoreLine[] lines = [.. moved.Select(l => l.Line with { Score = l.Score! with { Title = title } })];
        var source =
            TuneReader.FormatOf(kept.Tune.Source) == SourceFormat.MusicXml
                ? MusicXmlWriter.Write(lines)
                : AbcWriter.Write(lines, AbcReader.FieldsToKeep(kept.Tune.Source));
        var read = TuneReader.Read(source, asker.Gone);
        if (read.Score is null)
            throw RefusedException.Unreadable(read.Errors);
        var record = NewTune.Of(new TuneRequest(source, title, kept.Tune.Composer, kept.Tune.PrintedFor), read);
        if (read.Lines.Count > 1 && LinesForWhom.OfJson(kept.Tune.Lines)?.After(kept.Lines, read.Lines) is { } chosen)
            record = record with { Lines = chosen.ToJson() };
        return TuneDetail.Of(repository.Add(NewTune.Offered(record, read)), read);
    }
}
