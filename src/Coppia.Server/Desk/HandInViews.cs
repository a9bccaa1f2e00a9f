using Coppia.Core.Composition;
using Coppia.Core.School;
using Coppia.Data.Desk;
using Coppia.Data.Tunes;
using Coppia.Server.Stand;

namespace Coppia.Server.Desk;

/// <summary>What a teacher says of a piece.</summary>
/// <param name="Bar">From 1; null for the whole piece.</param>
public sealed record PieceRemark(long Id, int? Bar, string Words, string By)
{
    internal static PieceRemark Of(RemarkRecord r) => new(r.Id, r.Bar, r.Words, r.MadeBy);
}

/// <summary>A learner's desk.</summary>
/// <param name="Levels">Levels at which the learner has begun a piece for this task, and the task's own.</param>
/// <param name="Next">The level that the learner may go on to; null where there is none.</param>
/// <param name="Version">The version of the piece; 0 where nothing is written yet.</param>
public sealed record LearnDesk(
    long Work,
    string Title,
    DateOnly Due,
    int Level,
    string LevelWords,
    IReadOnlyList<int> Levels,
    int? Next,
    DeskTask Task,
    PieceDoc Piece,
    int Version,
    HandInState State,
    CheckView Check,
    IReadOnlyList<PieceRemark> Remarks
);

/// <summary>A piece to be kept.</summary>
/// <param name="From">The version that the writer started from; 0 for a new piece.</param>
/// <param name="Anew">Much of it is taken away: the former stays as a version.</param>
public sealed record KeepPiece(int Level, PieceDoc Piece, int From, bool Anew = false);

/// <summary>A piece that is kept, and what is found in it.</summary>
public sealed record KeptPiece(int Version, CheckView Check);

/// <summary>How a piece was.</summary>
public sealed record PieceVersion(long Id, DateTime MadeAt, PieceDoc Piece);

/// <summary>A level of a task.</summary>
public sealed record AtLevel(int Level);

/// <summary>A piece in the text of a file.</summary>
public sealed record PieceText(int Level, string Text);

/// <summary>A note to be heard.</summary>
/// <param name="Start">In quarters from the beginning.</param>
/// <param name="Length">In quarters.</param>
/// <param name="Bar">From 1.</param>
public sealed record SoundNote(int Midi, double Start, double Length, int Bar);

/// <summary>A learner's piece as the teacher sees it.</summary>
/// <param name="BarsWritten">Bars that hold a note or rest beside what is given.</param>
/// <param name="MusicXml">The piece to be engraved.</param>
/// <param name="Hand">As the child put heads, stems and signs; null where the desk draws them.</param>
public sealed record ClassPiece(
    long Id,
    long LearnerId,
    string Nickname,
    string Instrument,
    long? WorkId,
    string Title,
    int Level,
    string LevelWords,
    HandInState State,
    DateTime ChangedAt,
    DateTime? HandedInAt,
    int Bars,
    int BarsWritten,
    CheckView Check,
    IReadOnlyList<PieceRemark> Remarks,
    string MusicXml,
    IReadOnlyList<SoundNote> Sound,
    HandPiece? Hand
);

/// <summary>A piece as a hand wrote it.</summary>
public sealed record HandPiece(DeskTask Task, PieceDoc Piece);

/// <summary>The pieces of a class.</summary>
/// <param name="Ready">Ready words for a remark.</param>
public sealed record ClassPieces(IReadOnlyList<ClassPiece> Pieces, IReadOnlyList<string> Ready);

/// <summary>A remark to be made; without a bar it is about the whole piece.</summary>
public sealed record RemarkRequest(string Words, int? Bar = null);

/// <summary>A piece that is given back or accepted.</summary>
public sealed record StateRequest(HandInState State);

/// <summary>A piece that came on paper or as a file, for something set.</summary>
public sealed record BroughtPiece(long LearnerId, long WorkId, string Text);

/// <summary>The booklet of a class.</summary>
/// <param name="PerPage">1 or 2.</param>
/// <param name="Pairs">String and finger under the notes.</param>
/// <param name="Names">First names, or none.</param>
/// <param name="Shown">Its pieces are on the learners' pages.</param>
/// <param name="Pieces">Ids of its pieces in their order.</param>
public sealed record BookletDoc(
    string Title,
    int PerPage,
    bool Pairs,
    bool Names,
    bool Shown,
    IReadOnlyList<long> Pieces
);

/// <summary>A piece of the booklet on a learner's page.</summary>
/// <param name="By">First name; null where names are left out.</param>
public sealed record BookletPiece(long Id, string Title, string? By, string Instrument);

/// <summary>A piece with its task, out of what is kept.</summary>
internal sealed record OpenPiece(
    HandInRecord Record,
    TaskDoc Doc,
    TaskPlan Plan,
    WritingTask Task,
    PieceDoc Written,
    Piece Piece
)
{
    /// <summary>Bars in which there is more than what is given.</summary>
    public int BarsWritten => Piece.Bars.Index().Count(b => b.Item.Count > Task.Fixed.Count(f => f.Bar == b.Index + 1));

    /// <summary>Its notes in the order and time in which they sound.</summary>
    public IReadOnlyList<SoundNote> Playback()
    {
        var notes = new List<SoundNote>();
        var start = 0.0;
        foreach (var (bar, row) in Piece.Bars.Index())
        {
            foreach (var note in row)
            {
                var length = 4 * note.Value.Length.ToDouble();
                if (note.Pitch is { } pitch)
                    notes.Add(new SoundNote(pitch.Midi + 12 * Task.Instrument.SoundingOctave, start, length, bar + 1));
                start += length;
            }
        }

        return notes;
    }

    /// <summary>The piece as a tune that is not kept, so that it can be read on any instrument.</summary>
    public KeptTune AsTune(string title, string? composer) =>
        KeptTune.Unkept(
            new TuneRecord
            {
                // Below all tunes that are kept.
                Id = -Record.Id,
                // Under another title it is another tune to those who remember it.
                Version = HashCode.Combine(Record.Version, title, composer),
                Title = title,
                Composer = composer ?? "",
                PrintedFor = Task.Instrument.Id,
            },
            PieceScore.Of(Piece, Task, title, composer)
        );
}
