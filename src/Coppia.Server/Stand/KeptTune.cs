using System.Text.Json;
using Coppia.Core.Music;
using Coppia.Data.Tunes;
using Coppia.Formats.Books;
using Coppia.Formats.Source;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Stand;

/// <summary>
/// A tune that was kept and that this version cannot read; the answer brings its text, to be copied or mended.
/// </summary>
internal sealed class UnreadableTuneException : UnreadableException
{
    public UnreadableTuneException(TuneRecord tune, IReadOnlyList<SourceError> errors)
        : base(Say("stand.kept-tune.this-version-of-coppia-cannot-read", ("title", tune.Title)), errors)
    {
        With["source"] = tune.Source;
    }
}

/// <summary>A kept tune with one line of its score: that of an instrument, or the main one.</summary>
/// <param name="Tune">As it is kept.</param>
/// <param name="Lines">All lines of its score; no two share an id.</param>
/// <param name="Line">The line that is read.</param>
/// <param name="PrintedFor">The instrument that the line is printed for.</param>
/// <param name="Notices">What was left out in reading it.</param>
internal sealed record KeptTune(
    TuneRecord Tune,
    IReadOnlyList<ScoreLine> Lines,
    ScoreLine Line,
    string PrintedFor,
    IReadOnlyList<Notice> Notices
)
{
    public Score Score => Line.Score;

    /// <exception cref="UnreadableTuneException">The source cannot be read any more: an earlier version kept
    /// it.</exception>
    public static KeptTune Of(TuneRecord tune, CancellationToken stop = default)
    {
        var read = TuneReader.Read(tune.Source, stop);
        if (read.Score is null)
            throw new UnreadableTuneException(tune, read.Errors);
        var lines = WithIds(ScoreLines.WithOwnIds(read.Lines), tune.NoteIds);
        var main = LinesForWhom.OfJson(tune.Lines)?.Main ?? read.Main!.Key;
        return new KeptTune(
            tune,
            lines,
            lines.FirstOrDefault(l => l.Key == main) ?? lines[0],
            tune.PrintedFor,
            read.Notices
        );
    }

    /// <summary>A score that lies on no shelf, to be read like a tune.</summary>
    /// <param name="tune">What is said of it; it has no source.</param>
    /// <exception cref="RefusedException">It has no note.</exception>
    public static KeptTune Unkept(TuneRecord tune, Score score)
    {
        if (!score.Events.Any(e => e.Pitch is not null))
            throw RefusedException.Wrong(Say("stand.kept-tune.there-is-no-note-in-it-yet"));
        var line = new ScoreLine("P1", score.InstrumentName ?? "", score);
        return new KeptTune(tune, [line], line, tune.PrintedFor, []);
    }

    /// <summary>The tune as an instrument reads it: on its own line where it has one.</summary>
    public KeptTune For(string instrument)
    {
        var chosen = LinesForWhom.OfJson(Tune.Lines);
        if (
            chosen is null
            || Lines.FirstOrDefault(l => l.Key == chosen.For.GetValueOrDefault(instrument)) is not { } own
        )
            return this;
        return this with { Line = own, PrintedFor = LinesForWhom.Offered(own).For.Id };
    }

    /// <summary>The key, where the score has such a line; null else.</summary>
    public string? HasLine(string? key) => Lines.FirstOrDefault(l => l.Key == key)?.Key;

    /// <summary>The tune on a line of the reader's own; as it is where the score has none of this key.</summary>
    public KeptTune On(string? key)
    {
        if (Lines.FirstOrDefault(l => l.Key == key) is not { } own || own == Line)
            return this;
        return this with { Line = own, PrintedFor = LinesForWhom.Offered(own).For.Id };
    }

    /// <summary>
    /// The ids of an edited source, such that every note that was there before keeps its own; null where places name
    /// them all.
    /// </summary>
    /// <param name="marked">Notes that pins and bow changes hang on, also those that the music does not have at
    /// present.</param>
    public string? IdsAfter(ReadResult edited, IReadOnlyCollection<string> marked)
    {
        var fresh = ScoreLines.WithOwnIds(edited.Lines);
        var ids = fresh
            .Select((l, i) => ScoreIds.Of(i < Lines.Count ? ScoreIds.Carry(Lines[i].Score, l.Score, marked) : l.Score))
            .ToArray();
        if (ids.Zip(fresh).All(p => p.First.SequenceEqual(ScoreIds.Of(p.Second.Score))))
            return null;
        return ids.Length == 1 ? JsonSerializer.Serialize(ids[0]) : JsonSerializer.Serialize(ids);
    }

    /// <summary>
    /// True for ids that a source's bars and notes can have: a text for each, in one list or one a line.
    /// </summary>
    internal static bool AreIds(JsonElement ids, ReadResult read)
    {
        var lines = read.Lines.Count == 1 ? [ids] : ids.EnumerateArray().ToArray();
        return lines.Length <= read.Lines.Count
            && lines
                .Zip(read.Lines)
                .All(p =>
                    p.First.ValueKind == JsonValueKind.Array
                    && p.First.EnumerateArray()
                        .All(i => i.ValueKind == JsonValueKind.String && i.GetString() is { Length: > 0 and < 100 })
                    && p.First.EnumerateArray().DistinctBy(i => i.GetString()).Count()
                        == ScoreIds.Of(p.Second.Score).Count
                );
    }

    /// <summary>What tells its music from others.</summary>
    public string Music => ScoreIds.MusicOf(Lines.Select(l => l.Score));

    private static IReadOnlyList<ScoreLine> WithIds(IReadOnlyList<ScoreLine> lines, string? kept)
    {
        if (kept is null)
            return lines;
        var ids =
            lines.Count == 1
                ? [JsonSerializer.Deserialize<string[]>(kept)!]
                : JsonSerializer.Deserialize<string[][]>(kept)!;
        return [.. lines.Select((l, i) => i < ids.Length ? l with { Score = ScoreIds.With(l.Score, ids[i]) } : l)];
    }
}
