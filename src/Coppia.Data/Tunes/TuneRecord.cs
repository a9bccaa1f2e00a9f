namespace Coppia.Data.Tunes;

/// <summary>A kept tune. The source is verbatim; key, meter, clef and bars are read from it when it is saved.</summary>
public sealed record TuneRecord
{
    public long Id { get; init; }

    public string Title { get; init; } = "";

    public string Composer { get; init; } = "";

    public string PrintedFor { get; init; } = "";

    public string Source { get; init; } = "";

    /// <summary>Ids of its bars and notes as a JSON list; null where they are named by their places.</summary>
    public string? NoteIds { get; init; }

    /// <summary>Which line of its score is for whom, as JSON; null where it has one line.</summary>
    public string? Lines { get; init; }

    public string KeyName { get; init; } = "";

    public string Meter { get; init; } = "";

    public string Clef { get; init; } = "";

    public int Bars { get; init; }

    /// <summary>Grows with every save.</summary>
    public int Version { get; init; } = 1;

    public DateTime CreatedAt { get; init; }

    public DateTime ChangedAt { get; init; }

    /// <summary>When it was put away; null while it is in the library.</summary>
    public DateTime? DeletedAt { get; init; }
}
