namespace Coppia.Data.Tunes;

/// <summary>In what order tunes are listed.</summary>
public enum TuneOrder
{
    /// <summary>By title, as the alphabet goes.</summary>
    Title,

    /// <summary>The last added first.</summary>
    Added,

    /// <summary>The last changed first.</summary>
    Changed,

    /// <summary>The fewest bars first.</summary>
    Shortest,

    /// <summary>By key, then title.</summary>
    Key,
}

/// <summary>Which tunes are asked for.</summary>
/// <param name="Words">Beginnings of words of the title or the composer, in any case and without accents; empty for
/// all.</param>
/// <param name="Instrument">Printed for it, or with a line for it; null for all.</param>
/// <param name="Key">Name of the key as it is kept, such as "D major"; null for all.</param>
/// <param name="From">How many are passed over.</param>
/// <param name="Count">At most so many.</param>
public sealed record TuneQuery(
    string Words = "",
    TuneOrder Order = TuneOrder.Title,
    string? Instrument = null,
    string? Key = null,
    int From = 0,
    int Count = 100
);

/// <summary>Some of the tunes that were asked for.</summary>
/// <param name="Tunes">Without their sources.</param>
/// <param name="Total">How many there are in all.</param>
public sealed record TunePage(IReadOnlyList<TuneRecord> Tunes, int Total);
