using System.Text.Json;
using Coppia.Core.Instruments;
using Coppia.Core.Reading;
using Coppia.Formats.Source;

namespace Coppia.Server.Stand;

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
        var main = StringSection
            .All.Where(i => proposed.ContainsKey(i.Id))
            .Select(i => read.Lines[proposed[i.Id]])
            .FirstOrDefault();
        return new LinesForWhom(
            (main ?? read.Main!).Key,
            proposed.ToDictionary(p => p.Key, p => read.Lines[p.Value].Key)
        );
    }

    internal static OfferedLine Offered(ScoreLine line) => new(line.Name, line.Score);

    /// <summary>
    /// The same choice for an edited score: by the keys of the lines where all are still there, else by their order;
    /// null where the lines are others.
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

    public static LinesForWhom? OfJson(string? json) =>
        json is null ? null : JsonSerializer.Deserialize<LinesForWhom>(json);
}
