using Coppia.Core.Composition;
using Coppia.Core.Knowledge;
using Coppia.Core.School;
using Coppia.Core.Wording.Desk;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Desk;

/// <summary>Learners' pieces out of what is kept of them, and the views of them.</summary>
internal sealed class Pieces(
    HandInRepository handIns,
    LearnerRepository learners,
    BookletRepository booklets,
    Asker asker,
    DeskText text
)
{
    /// <summary>A kept piece with its task.</summary>
    /// <exception cref="FormatException">This version cannot read it.</exception>
    public OpenPiece Read(HandInRecord kept, Player player)
    {
        var doc = text.Task(kept.Title, kept.Task);
        var plan = doc.Plan();
        var task = plan.For(player.Instrument);
        var written = text.Piece(kept.Piece, task);
        return new OpenPiece(kept, doc, plan, task, written, written.Piece(task));
    }

    /// <summary>One piece of a class, with who wrote it.</summary>
    /// <exception cref="RefusedException">There is no such piece in the class.</exception>
    /// <exception cref="FormatException">This version cannot read it.</exception>
    public (LearnerRecord Who, OpenPiece Piece) Find(long classId, long id) =>
        handIns.Find(id) is { } kept && asker.LearnerIn(classId, kept.LearnerId) is { } who
            ? (who, Read(kept, asker.PlayerOf(who)))
            : throw RefusedException.NotHere(Say("desk.pieces.there-is-no-such-piece-in-this"));

    /// <summary>The pieces of a class; those that this version cannot read are left out.</summary>
    public IReadOnlyList<(LearnerRecord Who, OpenPiece Piece, Player Player)> OfClass(long classId)
    {
        var all = learners.Of(classId).ToDictionary(l => l.Id);
        var read = new List<(LearnerRecord, OpenPiece, Player)>();
        foreach (var kept in handIns.OfClass(classId))
        {
            var (who, player) = (all[kept.LearnerId], asker.PlayerOf(all[kept.LearnerId]));
            try
            {
                read.Add((who, Read(kept, player), player));
            }
            catch (FormatException)
            {
                // It is kept, and in the record that is saved.
            }
        }

        return read;
    }

    /// <summary>A piece as the booklet has it, with a name or without.</summary>
    public static KeptTune AsTune(BookletDoc booklet, LearnerRecord who, OpenPiece piece)
    {
        var number = booklet.Pieces.Index().FirstOrDefault(p => p.Item == piece.Record.Id).Index + 1;
        return piece.AsTune(TitleOf(who, piece, booklet.Names, number), booklet.Names ? who.Nickname : null);
    }

    public static ClassPiece View(
        LearnerRecord who,
        OpenPiece piece,
        Player player,
        IEnumerable<RemarkRecord> remarks
    ) =>
        new(
            Id: piece.Record.Id,
            LearnerId: who.Id,
            Nickname: who.Nickname,
            Instrument: who.Instrument,
            WorkId: piece.Record.WorkId,
            Title: piece.Record.Title,
            Level: piece.Record.Level,
            LevelWords: TaskWords.Level(piece.Record.Level),
            State: piece.Record.State,
            ChangedAt: piece.Record.ChangedAt,
            HandedInAt: piece.Record.HandedInAt,
            Bars: piece.Task.Bars,
            BarsWritten: piece.BarsWritten,
            Check: CheckView.Of(piece.Piece, piece.Task, player.Style),
            Remarks: [.. remarks.Select(PieceRemark.Of)],
            MusicXml: ReadingMusic.ForEngraving(PieceScore.Of(piece.Piece, piece.Task)),
            Sound: piece.Playback(),
            Hand: piece.Task.ByHand
                ? new HandPiece(DeskTask.Of(piece.Plan, player, piece.Doc.Letters), piece.Written)
                : null
        );

    /// <summary>The booklet of a class; one that nobody made yet has all that was accepted.</summary>
    public BookletDoc Booklet(ClassRecord one)
    {
        var kept = booklets.Find(one.Id);
        return kept is null
            ? new BookletDoc(
                Say("desk.pieces.our-music", ("one", one.Name))[
                    ..Math.Min(Limits.LongestTaskTitle, one.Name.Length + 11)
                ],
                PerPage: 2,
                Pairs: true,
                Names: true,
                Shown: false,
                [.. handIns.OfClass(one.Id).Where(h => h.State == HandInState.Accepted).Select(h => h.Id)]
            )
            : new BookletDoc(kept.Title, kept.PerPage, kept.Pairs, kept.Names, kept.Shown, booklets.Pieces(one.Id));
    }

    /// <summary>
    /// What a piece is called in the booklet: its task's title is everybody's, so that it is told by who wrote it.
    /// </summary>
    public static string TitleOf(LearnerRecord who, OpenPiece piece, bool names, int number) =>
        names
            ? Say("desk.pieces.s-piece", ("nickname", who.Nickname))
            : Say(
                "desk.pieces.piece-for",
                ("number", number),
                ("instrument", piece.Task.Instrument.Name.ToLowerInvariant())
            );
}
