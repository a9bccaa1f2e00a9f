using Coppia.Data.Desk;
using Coppia.Server.Asked;
using Coppia.Server.Classes;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Desk;

/// <summary>Pieces that come on paper or as a file: checked like those that are written here, and handed in.</summary>
internal sealed class BroughtPieces(
    SetWork set,
    TaskRepository tasks,
    HandInRepository handIns,
    Asker asker,
    DeskText text
)
{
    /// <exception cref="RefusedException">The learner or the task is not there, or the learner's piece is handed in
    /// already.</exception>
    /// <exception cref="FormatException">It is no piece; the message names the place.</exception>
    public CheckView Take(long classId, BroughtPiece asked)
    {
        var who = asker.LearnerOf(classId, asked.LearnerId);
        var work = set.Of(who).FirstOrDefault(w => w.Id == asked.WorkId);
        if (work?.TaskId is not { } id || tasks.Find(id) is not { } kept)
            throw RefusedException.NotHere(
                Say("desk.brought-pieces.this-task-is-not-set-to", ("nickname", who.Nickname))
            );
        var doc = text.Task(kept.Title, kept.Document);
        var player = asker.PlayerOf(who);
        var task = doc.Plan().For(player.Instrument);
        var read = PieceCheck.Of(null, asked.Text, task, player.Style, asker.Gone);
        var piece = new HandInRecord
        {
            LearnerId = who.Id,
            WorkId = work.Id,
            TaskId = kept.Id,
            Level = doc.Level,
            Title = kept.Title,
            Task = kept.Document,
            Piece = text.Of(PieceDoc.Begun(task)),
        };
        return handIns.Bring(piece, text.Of(read.Piece), asker.Name)
            ? read.Check
            : throw RefusedException.Meanwhile(
                Say("desk.brought-pieces.s-piece-is-handed-in-give-it", ("nickname", who.Nickname))
            );
    }
}
