using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Source;

/// <summary>Something in a source that cannot be read: where, what is wrong, what would be right.</summary>
public sealed record SourceError(SourcePosition At, string Wrong, string Expected)
{
    public override string ToString() =>
        Say("source.read-result.to-string-expected", ("at", At), ("wrong", Wrong), ("expected", Expected));

    /// <summary>A tune with no notes is an error of the whole.</summary>
    internal static SourceError NoNotes(SourcePosition at) =>
        new(at, Say("source.read-result.there-are-no-notes"), Say("source.read-result.at-least-one-note"));
}

/// <summary>
/// Something that was read, but that the reader of the tune should know: a short bar, a sign left out.
/// </summary>
/// <param name="At">Where in the source.</param>
/// <param name="Bar">Printed bar number where it concerns one bar.</param>
/// <param name="Message">One sentence.</param>
/// <param name="IsLoss">The source holds something that the score does not: a text written of the score is without
/// it.</param>
public sealed record Notice(SourcePosition At, int? Bar, string Message, bool IsLoss = false)
{
    public static Notice Of(MeterFault fault) =>
        new(fault.Bar.At, fault.Kind == MeterFaultKind.FreeMeter ? null : fault.Bar.Number, fault.Words());
}

/// <summary>One line of a score: what one player or one section reads.</summary>
/// <param name="Key">Names the line within its source, the same at each reading: a voice of ABC, a part, staff and
/// voice of MusicXML.</param>
/// <param name="Name">As a person would call it: "Violin II", "Piano, staff 2".</param>
/// <param name="Score">Its music.</param>
public sealed record ScoreLine(string Key, string Name, Score Score);

/// <summary>What came of reading a source: its lines, or errors; and notices in either case.</summary>
/// <param name="Score">The line that a single reader would take, or null.</param>
public sealed record ReadResult(Score? Score, IReadOnlyList<SourceError> Errors, IReadOnlyList<Notice> Notices)
{
    /// <summary>All lines in the order of the source; empty where it cannot be read.</summary>
    public IReadOnlyList<ScoreLine> Lines { get; init; } = [];

    /// <summary>The line of <see cref="Score"/>.</summary>
    public ScoreLine? Main => Lines.FirstOrDefault(l => ReferenceEquals(l.Score, Score));

    /// <summary>
    /// The music of a source that has rests and no notes: no tune, but a piece that one can say something about; else
    /// null.
    /// </summary>
    public Score? Silent { get; init; }

    /// <summary>Nothing is wrong with the source but that it has no notes.</summary>
    internal bool IsSilent { get; init; }

    public static ReadResult Failed(params IEnumerable<SourceError> errors) =>
        new(null, [.. errors.OrderBy(e => e.At)], []);

    /// <summary>The line of a number from 1, a key or a name in any case; null where there is none.</summary>
    public ScoreLine? Line(string asked) =>
        Lines.FirstOrDefault(l => l.Key == asked)
        ?? Lines.FirstOrDefault(l => l.Name.Equals(asked.Trim(), StringComparison.OrdinalIgnoreCase))
        ?? (int.TryParse(asked, out var number) && number >= 1 && number <= Lines.Count ? Lines[number - 1] : null);

    /// <summary>The same with another line as the one that a single reader takes.</summary>
    public ReadResult Taking(ScoreLine line) => this with { Score = line.Score };
}
