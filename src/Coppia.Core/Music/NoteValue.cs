namespace Coppia.Core.Music;

/// <summary>A written note or rest value: a plain value, dots, and a tuplet ratio.</summary>
/// <param name="Log">0 = whole, 1 = half, 2 = quarter, … 7 = 128th; −1 = breve.</param>
/// <param name="Dots">0 to 3.</param>
/// <param name="TupletActual">Notes played in the time of <paramref name="TupletNormal"/>; 1 outside tuplets.</param>
/// <param name="TupletNormal">See above; 3 in the time of 2 is a triplet.</param>
public readonly record struct NoteValue(int Log, int Dots = 0, int TupletActual = 1, int TupletNormal = 1)
{
    public static readonly NoteValue Quarter = new(2);

    public bool InTuplet => TupletActual != TupletNormal;

    /// <summary>Length without the tuplet ratio, in whole notes.</summary>
    public Fraction WrittenLength
    {
        get
        {
            var plain = Log >= 0 ? new Fraction(1, 1L << Log) : new Fraction(2, 1);
            return plain * new Fraction((1L << (Dots + 1)) - 1, 1L << Dots);
        }
    }

    /// <summary>Sounding length in whole notes.</summary>
    public Fraction Length => WrittenLength * new Fraction(TupletNormal, TupletActual);

    /// <summary>The one value of exactly this length, or null where a tie is needed.</summary>
    public static NoteValue? Exactly(Fraction length)
    {
        for (var log = -1; log <= 7; log++)
        {
            for (var dots = 0; dots <= 3; dots++)
            {
                var value = new NoteValue(log, dots);
                if (value.WrittenLength == length)
                    return value;
            }
        }

        return null;
    }

    /// <summary>
    /// The fewest values, longest first, that tied together have this length; null when none do (finer than a 128th).
    /// </summary>
    public static IReadOnlyList<NoteValue>? Split(Fraction length)
    {
        var parts = new List<NoteValue>();
        while (length > Fraction.Zero)
        {
            NoteValue? best = Exactly(length);
            for (var log = -1; best is null && log <= 7; log++)
            {
                if (new NoteValue(log).Length <= length)
                    best = new NoteValue(log);
            }

            if (best is not { } part || parts.Count > 16)
                return null;
            parts.Add(part);
            length -= part.Length;
        }

        return parts;
    }
}
