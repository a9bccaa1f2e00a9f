namespace Coppia.Core.Music;

/// <summary>A place in a source text; line and column count from 1. Zero means "nowhere in particular".</summary>
public readonly record struct SourcePosition(int Line, int Column) : IComparable<SourcePosition>
{
    public int CompareTo(SourcePosition other) => (Line, Column).CompareTo((other.Line, other.Column));

    public static bool operator <(SourcePosition a, SourcePosition b) => a.CompareTo(b) < 0;

    public static bool operator >(SourcePosition a, SourcePosition b) => a.CompareTo(b) > 0;

    public static bool operator <=(SourcePosition a, SourcePosition b) => a.CompareTo(b) <= 0;

    public static bool operator >=(SourcePosition a, SourcePosition b) => a.CompareTo(b) >= 0;

    public override string ToString() => $"{Line}:{Column}";
}
