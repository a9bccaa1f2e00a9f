using System.Text.Json;
using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Data;
using Coppia.Formats;

namespace Coppia.Server;

/// <summary>Which line of a score each instrument reads.</summary>
/// <param name="Main">Key of the line from which those who have none are moved.</param>
/// <param name="For">Keys of lines by instrument.</param>
public sealed record LinesForWhom(string Main, IReadOnlyDictionary<string, string> For)
{
    /// <summary>What the names, clefs and ranges of the lines propose; null where there is one line.</summary>
    internal static LinesForWhom? Proposed(ReadResult read)
    {
        if (read.Lines.Count < 2)
            return null;
        var proposed = WhichLine.Proposed([.. read.Lines.Select(Offered)]);
        var main = StringSection.All.Where(i => proposed.ContainsKey(i.Id)).Select(i => read.Lines[proposed[i.Id]]).FirstOrDefault();
        return new LinesForWhom((main ?? read.Main!).Key, proposed.ToDictionary(p => p.Key, p => read.Lines[p.Value].Key));
    }

    internal static OfferedLine Offered(ScoreLine line) => new(line.Name, line.Score);

    /// <summary>
    /// The same choice for an edited score: by the keys of the lines where all are still there, else by their order; null where the lines
    /// are others.
    /// </summary>
    internal LinesForWhom? After(IReadOnlyList<ScoreLine> before, IReadOnlyList<ScoreLine> edited)
    {
        if (For.Values.Append(Main).All(k => edited.Any(l => l.Key == k)))
            return this;
        if (before.Count != edited.Count)
            return null;
        var keys = before.Zip(edited).ToDictionary(p => p.First.Key, p => p.Second.Key);
        return new LinesForWhom(keys[Main], For.ToDictionary(f => f.Key, f => keys[f.Value]));
    }

    /// <summary>The choice names only lines that are there.</summary>
    internal bool Fits(ReadResult read) => For.Values.Append(Main).All(k => read.Lines.Any(l => l.Key == k));

    public string ToJson() => JsonSerializer.Serialize(this);

    public static LinesForWhom? OfJson(string? json) => json is null ? null : JsonSerializer.Deserialize<LinesForWhom>(json);
}

/// <summary>A tune that was kept and that this version cannot read.</summary>
internal sealed class UnreadableTuneException(TuneRecord tune, IReadOnlyList<SourceError> errors)
    : Exception($"Tune {tune.Id} cannot be read: {errors[0]}")
{
    public TuneRecord Tune => tune;

    public IReadOnlyList<SourceError> Errors => errors;
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

    /// <exception cref="UnreadableTuneException">The source cannot be read any more: an earlier version kept it.</exception>
    public static KeptTune Of(TuneRecord tune, CancellationToken stop = default)
    {
        var read = TuneReader.Read(tune.Source, stop);
        if (read.Score is null)
            throw new UnreadableTuneException(tune, read.Errors);
        var lines = WithIds(ScoreLines.WithOwnIds(read.Lines), tune.NoteIds);
        var main = LinesForWhom.OfJson(tune.Lines)?.Main ?? read.Main!.Key;
        return new KeptTune(tune, lines, lines.FirstOrDefault(l => l.Key == main) ?? lines[0], tune.PrintedFor, read.Notices);
    }

    /// <summary>The tune as an instrument reads it: on its own line where it has one.</summary>
    public KeptTune For(string instrument)
    {
        var chosen = LinesForWhom.OfJson(Tune.Lines);
        if (chosen is null || Lines.FirstOrDefault(l => l.Key == chosen.For.GetValueOrDefault(instrument)) is not { } own)
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

    /// <summary>The note is on another line of the score than the one read here.</summary>
    public bool IsElsewhere(string noteId) => Lines.Any(l => l != Line && l.Score.Events.Any(e => e.Id == noteId));

    /// <summary>
    /// The ids of an edited source, such that every note that was there before keeps its own; null where places name them all.
    /// </summary>
    /// <param name="marked">Notes that pins and bow changes hang on, also those that the music does not have at present.</param>
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

    /// <summary>True for ids that a source's bars and notes can have: a text for each, in one list or one a line.</summary>
    internal static bool AreIds(JsonElement ids, ReadResult read)
    {
        var lines = read.Lines.Count == 1 ? [ids] : ids.EnumerateArray().ToArray();
        return lines.Length <= read.Lines.Count
            && lines
                .Zip(read.Lines)
                .All(p =>
                    p.First.ValueKind == JsonValueKind.Array
                    && p.First.EnumerateArray().All(i => i.ValueKind == JsonValueKind.String && i.GetString() is { Length: > 0 and < 100 })
                    && p.First.EnumerateArray().DistinctBy(i => i.GetString()).Count() == ScoreIds.Of(p.Second.Score).Count
                );
    }

    /// <summary>What tells its music from others.</summary>
    public string Music => ScoreIds.MusicOf(Lines.Select(l => l.Score));

    private static IReadOnlyList<ScoreLine> WithIds(IReadOnlyList<ScoreLine> lines, string? kept)
    {
        if (kept is null)
            return lines;
        var ids = lines.Count == 1 ? [JsonSerializer.Deserialize<string[]>(kept)!] : JsonSerializer.Deserialize<string[][]>(kept)!;
        return [.. lines.Select((l, i) => i < ids.Length ? l with { Score = ScoreIds.With(l.Score, ids[i]) } : l)];
    }
}
