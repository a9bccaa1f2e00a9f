using Coppia.Core.School;

namespace Coppia.Data.Desk;

/// <summary>A learner's piece with the task under which it was begun.</summary>
public sealed record HandInRecord
{
    public long Id { get; init; }

    public long LearnerId { get; init; }

    public long? WorkId { get; init; }

    public long? TaskId { get; init; }

    /// <summary>The level of the task, 0 for one that belongs to none.</summary>
    public int Level { get; init; }

    /// <summary>Title of the task.</summary>
    public string Title { get; init; } = "";

    /// <summary>Plan of the task as JSON.</summary>
    public string Task { get; init; } = "";

    /// <summary>The piece as JSON.</summary>
    public string Piece { get; init; } = "";

    public HandInState State { get; init; }

    /// <summary>Grows with every note that is kept.</summary>
    public int Version { get; init; } = 1;

    public DateTime MadeAt { get; init; }

    public DateTime ChangedAt { get; init; }

    public DateTime? HandedInAt { get; init; }
}

/// <summary>How a piece was before.</summary>
public sealed record PieceVersionRecord
{
    public long Id { get; init; }

    public string Piece { get; init; } = "";

    public DateTime MadeAt { get; init; }
}

/// <summary>What a teacher says of a piece.</summary>
public sealed record RemarkRecord
{
    public long Id { get; init; }

    public long HandInId { get; init; }

    /// <summary>From 1; null for the whole piece.</summary>
    public int? Bar { get; init; }

    /// <summary>1 to 300 characters.</summary>
    public string Words { get; init; } = "";

    public DateTime MadeAt { get; init; }

    public string MadeBy { get; init; } = "";
}
