using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Formats;

/// <summary>Something in a source that cannot be read: where, what is wrong, what would be right.</summary>
public sealed record SourceError(SourcePosition At, string Wrong, string Expected)
{
    public override string ToString() => $"{At}: {Wrong}; expected {Expected}";
}

/// <summary>Something that was read, but that the reader of the tune should know: a short bar, a part left out.</summary>
/// <param name="At">Where in the source.</param>
/// <param name="Bar">Printed bar number where it concerns one bar.</param>
/// <param name="Message">One sentence.</param>
public sealed record Notice(SourcePosition At, int? Bar, string Message)
{
    public static Notice Of(MeterFault fault) =>
        new(fault.Bar.At, fault.Kind == MeterFaultKind.FreeMeter ? null : fault.Bar.Number, fault.Words());
}

/// <summary>What came of reading a source: a score, or errors; and notices in either case.</summary>
public sealed record ReadResult(Score? Score, IReadOnlyList<SourceError> Errors, IReadOnlyList<Notice> Notices)
{
    public static ReadResult Failed(params IEnumerable<SourceError> errors) => new(null, [.. errors.OrderBy(e => e.At)], []);
}
