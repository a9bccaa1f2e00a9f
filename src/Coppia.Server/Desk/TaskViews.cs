namespace Coppia.Server.Desk;

/// <summary>A level of composing.</summary>
public sealed record LevelView(int Level, string Words, TaskDoc Task);

/// <summary>A kept task in a list.</summary>
public sealed record TaskSummary(
    long Id,
    string Title,
    int Level,
    IReadOnlyList<string> Instruments,
    int Bars,
    DateTime ChangedAt,
    DateTime? DeletedAt
);

/// <summary>A task with what each player sees of it.</summary>
/// <param name="Wrong">Why nobody could meet it; empty for a good one.</param>
/// <param name="Steps">Steps that the palette may have, with the notes that they are.</param>
public sealed record TaskView(
    long? Id,
    int? Version,
    string Title,
    TaskDoc Task,
    IReadOnlyList<DeskTask> For,
    IReadOnlyList<StepChoice> Steps,
    IReadOnlyList<string> Wrong
);

/// <summary>A step of the scale with its note.</summary>
public sealed record StepChoice(string Step, string Name);

/// <summary>A task to be kept.</summary>
/// <param name="Version">The version that was changed; null for a new one.</param>
public sealed record TaskRequest(string Title, TaskDoc Task, int? Version = null);

/// <summary>A piece to be looked over.</summary>
/// <param name="Text">Or a piece as ABC or MusicXML in its place.</param>
public sealed record CheckRequest(TaskDoc Task, string Instrument, PieceDoc? Piece = null, string? Text = null);

/// <summary>A piece and what is found in it.</summary>
public sealed record CheckedPiece(PieceDoc Piece, CheckView Check);
