using Coppia.Core.Composition;
using Coppia.Core.Knowledge;
using Coppia.Core.School;
using Coppia.Core.Wording.Desk;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Server.Asked;
using Coppia.Server.Desk;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Learn;

/// <summary>What is set to a learner at the desk, with its plan on a level.</summary>
internal sealed record SetDesk(
    LearnerRecord Who,
    Player Player,
    WorkRecord Work,
    TaskRecord Kept,
    TaskDoc Doc,
    TaskPlan Plan,
    int Level
)
{
    public WritingTask Task => Plan.For(Player.Instrument);
}

/// <summary>A learner's desk: what they write for something set, kept at every note, and handed in.</summary>
internal sealed class LearnDesks(Own own, TaskRepository tasks, HandInRepository handIns, Pieces pieces, DeskText text)
{
    /// <summary>The desk of something that is set.</summary>
    /// <param name="level">Null for the task's own; above it the level that the learner goes on to.</param>
    /// <exception cref="RefusedException">It is not set to the learner, or has no such level.</exception>
    /// <exception cref="FormatException">This version cannot read the task.</exception>
    public SetDesk Of(long work, int? level)
    {
        var set = own.Work.FirstOrDefault(w => w.Id == work);
        if (set?.TaskId is not { } id || tasks.Find(id) is not { } kept)
            throw RefusedException.NotHere(Say("learn.desks.this-is-not-set-to-you-any"));
        var doc = text.Task(kept.Title, kept.Document);
        var asked = level ?? doc.Level;
        TaskPlan? plan = doc.Plan();
        for (var at = doc.Level; at < asked && plan is not null; at++)
            plan = TaskLevel.After(at, plan);
        if (plan is null || asked < doc.Level)
            throw RefusedException.Wrong(Say("learn.desks.there-is-no-such-level-of-this"));
        return new SetDesk(own.Who, own.Player, set, kept, doc, plan, asked);
    }

    private HandInRecord? Begun(SetDesk desk) =>
        handIns
            .Of(desk.Who.Id)
            .Where(h =>
                h.Level == desk.Level && (h.WorkId == desk.Work.Id || h.WorkId is null && h.TaskId == desk.Kept.Id)
            )
            .OrderBy(h => h.WorkId is null)
            .FirstOrDefault();

    public LearnDesk Show(SetDesk desk)
    {
        var begun = Begun(desk);
        // What was begun goes on under the rules under which it was begun.
        var open = begun is null ? null : pieces.Read(begun, desk.Player);
        var plan = open?.Plan ?? desk.Plan;
        var task = plan.For(desk.Player.Instrument);
        var written = open?.Written ?? PieceDoc.Begun(task);
        int[] levels = [.. Levels(desk)];
        return new LearnDesk(
            Work: desk.Work.Id,
            Title: desk.Kept.Title,
            Due: desk.Work.Due,
            Level: desk.Level,
            LevelWords: TaskWords.Level(desk.Level),
            Levels: levels,
            Next: levels[^1] is > 0 and < TaskLevel.Last and var last ? last + 1 : null,
            Task: DeskTask.Of(plan, desk.Player, desk.Doc.Letters),
            Piece: written,
            Version: begun?.Version ?? 0,
            State: begun?.State ?? HandInState.Writing,
            Check: CheckView.Of(written.Piece(task), task, desk.Player.Style),
            Remarks: begun is null ? [] : [.. handIns.Remarks([begun.Id])[begun.Id].Select(PieceRemark.Of)]
        );
    }

    private IEnumerable<int> Levels(SetDesk desk) =>
        handIns
            .Of(desk.Who.Id)
            .Where(h => h.WorkId == desk.Work.Id)
            .Select(h => h.Level)
            .Append(desk.Doc.Level)
            .Append(desk.Level)
            .Distinct()
            .Order();

    /// <exception cref="RefusedException">It is handed in.</exception>
    /// <exception cref="FormatException">It is no piece; what is none is not kept.</exception>
    public KeptPiece Keep(SetDesk desk, KeepPiece asked)
    {
        var begun = Begun(desk);
        var task = begun is null ? desk.Task : pieces.Read(begun, desk.Player).Task;
        var piece = asked.Piece.Piece(task);
        var first = new HandInRecord
        {
            LearnerId = desk.Who.Id,
            WorkId = desk.Work.Id,
            TaskId = desk.Kept.Id,
            Level = desk.Level,
            Title = desk.Kept.Title,
            Task = text.Of(TaskDoc.Of(desk.Plan, desk.Level, desk.Doc.Instruments, desk.Doc.Letters)),
            Piece = text.Of(PieceDoc.Begun(task)),
        };
        return handIns.Keep(first, text.Of(asked.Piece), asked.From, asked.Anew) is { } kept
            ? new KeptPiece(kept.Version, CheckView.Of(piece, task, desk.Player.Style))
            : throw Locked();
    }

    /// <exception cref="RefusedException">Nothing is written, or it is handed in already.</exception>
    public void HandIn(SetDesk desk)
    {
        if (Begun(desk) is not { } begun)
            throw RefusedException.Wrong(Say("learn.desks.nothing-is-written-yet"));
        if (!handIns.Move(begun.Id, HandInState.HandedIn, by: "", desk.Work.Id))
            throw Locked();
    }

    private static RefusedException Locked() =>
        RefusedException.Meanwhile(Say("learn.desks.it-is-handed-in-your-teacher-can"));

    public IEnumerable<PieceVersion> Versions(SetDesk desk) =>
        Begun(desk) is { } begun
            ? handIns.Versions(begun.Id).Select(v => new PieceVersion(v.Id, v.MadeAt, text.Piece(v.Piece, desk.Task)))
            : [];
}
