using Coppia.Core.Instruments;
using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Logbook;
using Coppia.Data.Records;
using Coppia.Server.Classes;
using Coppia.Server.Logbook;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Records;

/// <summary>A tune or sheet that a file speaks of, by the number that it goes by there.</summary>
public sealed record NamedInFile(long Id, string Title);

/// <summary>A learner with all that is kept of them, in a file.</summary>
/// <param name="Link">What cannot be guessed of their link; only where a deletion may be taken back, never in a file
/// that is saved.</param>
/// <param name="Work">What is set to them alone.</param>
/// <param name="Lines">Lines of scores that they read, where they are not those of their instrument.</param>
public sealed record LearnerInFile(
    string Nickname,
    string Instrument,
    string Size,
    IReadOnlyList<PracticeInFile> Practice,
    IReadOnlyList<AnswerInFile> Answers,
    IReadOnlyList<BoxInFile> Boxes,
    IReadOnlyList<NoteInFile> Notes,
    IReadOnlyList<WorkInFile> Work,
    IReadOnlyList<DoneInFile> Done,
    IReadOnlyList<int>? Tapes = null,
    string? Link = null,
    IReadOnlyList<PieceInFile>? Pieces = null,
    IReadOnlyList<LineInFile>? Lines = null
)
{
    /// <param name="pieces">What the learner wrote, as a file has it.</param>
    internal static LearnerInFile Of(LearnerCopy l, IReadOnlyList<PieceInFile> pieces, bool withLink = false) =>
        new(
            Nickname: l.Learner.Nickname,
            Instrument: l.Learner.Instrument,
            Size: l.Learner.Size,
            Practice:
            [
                .. l.Practice.Select(p => new PracticeInFile(
                    p.Key,
                    p.Day,
                    p.At,
                    p.Minutes,
                    p.TuneId,
                    p.Tempo,
                    p.MadeBy
                )),
            ],
            Answers:
            [
                .. l.Answers.Select(a => new AnswerInFile(a.Key, a.Card, a.Day, a.At, a.Right, a.Seconds, a.Mistake)),
            ],
            Boxes: [.. l.Boxes.Select(b => new BoxInFile(b.Card, b.Box, b.Due))],
            Notes: [.. l.Notes.Select(n => new NoteInFile(n.Key, n.Day, n.At, LearnerNotes.Read(n.Note), n.TuneId))],
            Work: [.. l.Own.Select(ClassFile.WorkOf)],
            Done: [.. l.Done.Select(d => new DoneInFile(d.WorkId, d.DoneAt, d.MadeBy))],
            Tapes: LearnerView.TapesOf(l.Learner.Tapes),
            Link: withLink ? l.Link : null,
            Pieces: pieces,
            Lines: [.. l.Lines.Select(n => new LineInFile(n.TuneId, n.Line))]
        );

    /// <exception cref="FormatException">Something in it cannot be kept; the message names the place.</exception>
    /// <param name="text">Writes a plan or a piece as it is kept.</param>
    internal LearnerCopy Copy(Func<object, string> text)
    {
        var where = Say("records.learner-file.copy-learner", ("nickname", Nickname));
        if (ClassRules.Wrong([new LearnerRequest(Nickname, Instrument, Size, Tapes)]) is { } wrong)
            throw new FormatException(wrong);
        ClassFile.Expect(
            Link is null or { Length: 32 },
            where,
            "link",
            Say("records.learner-file.expected-32-letters")
        );
        return new LearnerCopy(
            ClassRules.RecordOf(0, new LearnerRequest(Nickname, Instrument, Size, Tapes)),
            Link,
            PracticeOf(where),
            AnswersOf(where),
            ClassFile.Each(
                Boxes,
                Say("records.learner-file.copy-box", ("where", where)),
                b => b.IsSound,
                Say("records.learner-file.a-card-and-a-box-from-1"),
                b => b.Record()
            ),
            ClassFile.Each(
                Notes,
                Say("records.learner-file.copy-note", ("where", where)),
                n => Report.IsKey(n.Key),
                Say("records.learner-file.a-key-of-1-to-60-characters"),
                n => n.Record()
            ),
            ClassFile.RecordsOf(Work, Say("records.learner-file.set-work", ("where", where))),
            [.. Done.Select(d => d.Record())],
            PiecesOf(where, text),
            LinesOf(where)
        );
    }

    private IReadOnlyList<PracticeRecord> PracticeOf(string where) =>
        ClassFile.Each(
            Practice,
            Say("records.learner-file.copy-practice", ("where", where)),
            p => p.IsSound,
            Say(
                "records.learner-file.a-key-minutes-and-a-tempo",
                ("mostMinutes", Limits.MostMinutes),
                ("slowest", Limits.SlowestTempo),
                ("fastest", Limits.FastestTempo)
            ),
            p => p.Record()
        );

    private IReadOnlyList<CardAnswerRecord> AnswersOf(string where) =>
        ClassFile.Each(
            Answers,
            Say("records.learner-file.copy-answer", ("where", where)),
            a => a.IsSound,
            Say("records.learner-file.a-key-a-card-and-a-kind"),
            a => a.Record()
        );

    private IReadOnlyList<HandInCopy> PiecesOf(string where, Func<object, string> text) =>
        ClassFile.Each(
            Pieces ?? [],
            Say("records.learner-file.copy-piece", ("where", where)),
            IsSound,
            Say("records.learner-file.a-title-and-a-piece-that-its"),
            p => CopyOf(p, text)
        );

    /// <summary>One line a tune.</summary>
    private IReadOnlyList<LearnerLineRecord> LinesOf(string where) =>
        ClassFile.Each(
            [.. (Lines ?? []).DistinctBy(n => n.Tune)],
            Say("records.learner-file.copy-line", ("where", where)),
            n => n.IsSound,
            Say("records.learner-file.a-line-of-1-to-100-characters"),
            n => n.Record()
        );

    private static bool IsSound(PieceInFile p)
    {
        try
        {
            var plan = p.Rules.Plan();
            return p.Title.Length is > 0 and <= Limits.LongestTaskTitle
                && p.Versions.Count <= HandIn.MostVersions
                && p.Remarks.All(r => r.Words.Length is > 0 and <= Limits.LongestRemark)
                && p.Versions.Select(v => v.Piece)
                    .Append(p.Piece)
                    .All(piece => piece.Piece(plan.For(StringSection.All[0])).Bars.Count > 0 || piece.Bars.Count == 0);
        }
        catch (FormatException)
        {
            return false;
        }
    }

    private static HandInCopy CopyOf(PieceInFile p, Func<object, string> text) =>
        new(
            new HandInRecord
            {
                Id = p.Id,
                WorkId = p.Work,
                TaskId = p.Task,
                Level = p.Level,
                Title = p.Title,
                Task = text(p.Rules),
                Piece = text(p.Piece),
                State = p.State,
                MadeAt = p.MadeAt,
                ChangedAt = p.ChangedAt,
                HandedInAt = p.HandedInAt,
            },
            [.. p.Versions.Select(v => new PieceVersionRecord { Piece = text(v.Piece), MadeAt = v.At })],
            [
                .. p.Remarks.Select(r => new RemarkRecord
                {
                    Bar = r.Bar,
                    Words = r.Words,
                    MadeAt = r.At,
                    MadeBy = r.By,
                }),
            ]
        );
}

/// <summary>One learner with all that is kept of them, in a file of its own.</summary>
/// <param name="Coppia">Version of this form, 1.</param>
/// <param name="Tunes">Tunes that the record speaks of.</param>
/// <param name="Sheets">Sheets that are set to the learner alone.</param>
/// <param name="Set">What is set to the class and the learner has done.</param>
public sealed record LearnerFile(
    int Coppia,
    LearnerInFile Learner,
    IReadOnlyList<NamedInFile> Tunes,
    IReadOnlyList<NamedInFile> Sheets,
    IReadOnlyList<WorkInFile> Set,
    IReadOnlyList<TaskInFile>? Tasks = null
);
