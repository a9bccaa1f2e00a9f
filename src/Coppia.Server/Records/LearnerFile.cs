using Coppia.Core.Instruments;
using Coppia.Core.Practice;
using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Logbook;
using Coppia.Data.Records;
using Coppia.Server.Classes;
using Coppia.Server.Desk;
using Coppia.Server.Logbook;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Records;

/// <summary>A tune or sheet that a file speaks of, by the number that it goes by there.</summary>
public sealed record NamedInFile(long Id, string Title);

/// <summary>One change of what a class knows, in a file; things are lines such as "key D".</summary>
public sealed record KnownInFile(
    KnownCause Cause,
    string About,
    IReadOnlyList<string> Added,
    IReadOnlyList<string> Removed,
    DateTime MadeAt,
    string MadeBy = "",
    long? Tune = null,
    DateTime? TakenBackAt = null
);

/// <summary>Something that is set, in a file.</summary>
/// <param name="Id">Its number there, by which learners have done it.</param>
/// <param name="Instrument">The section it is for; null for all.</param>
/// <param name="Due">A day, such as 2026-09-14.</param>
public sealed record WorkInFile(
    long Id,
    WorkKind Kind,
    DateOnly Due,
    DateTime MadeAt,
    string MadeBy = "",
    long? Tune = null,
    long? Sheet = null,
    int? Tempo = null,
    string? Instrument = null,
    long? Task = null
);

/// <summary>A writing task that a file speaks of, by the number that it goes by there.</summary>
public sealed record TaskInFile(long Id, string Title, TaskDoc Plan);

/// <summary>How a piece was, in a file.</summary>
public sealed record VersionInFile(DateTime At, PieceDoc Piece);

/// <summary>What a teacher said of a piece, in a file.</summary>
public sealed record RemarkInFile(string Words, DateTime At, string By = "", int? Bar = null);

/// <summary>A piece, in a file.</summary>
/// <param name="Id">Its number there, by which the booklet speaks of it.</param>
/// <param name="Work">The number of what it is written for, where that is still set.</param>
/// <param name="Rules">The task under which it was begun.</param>
public sealed record PieceInFile(
    long Id,
    string Title,
    int Level,
    HandInState State,
    DateTime MadeAt,
    DateTime ChangedAt,
    TaskDoc Rules,
    PieceDoc Piece,
    IReadOnlyList<VersionInFile> Versions,
    IReadOnlyList<RemarkInFile> Remarks,
    long? Work = null,
    long? Task = null,
    DateTime? HandedInAt = null
);

/// <summary>That something set was done, in a file.</summary>
public sealed record DoneInFile(long Work, DateTime At, string By = "");

/// <summary>Minutes, in a file.</summary>
public sealed record PracticeInFile(
    string Key,
    DateOnly Day,
    DateTime At,
    int Minutes,
    long? Tune = null,
    int? Tempo = null,
    string By = ""
);

/// <summary>An answer to a card, in a file.</summary>
public sealed record AnswerInFile(
    string Key,
    string Card,
    DateOnly Day,
    DateTime At,
    bool Right,
    double Seconds,
    string Mistake = ""
);

/// <summary>Where a card lies, in a file.</summary>
public sealed record BoxInFile(string Card, int Box, DateOnly Due);

/// <summary>A ready sentence to the teacher, in a file.</summary>
public sealed record NoteInFile(string Key, DateOnly Day, DateTime At, LearnerNote Note, long? Tune = null);

/// <summary>The line of a score that a learner reads, in a file.</summary>
/// <param name="Line">The line's key, 1 to 100 characters.</param>
public sealed record LineInFile(long Tune, string Line);

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
            ClassFile.Each(
                Practice,
                Say("records.learner-file.copy-practice", ("where", where)),
                p => Report.CanBe(p.Minutes, p.Tempo) && Report.IsKey(p.Key),
                Say(
                    "records.learner-file.a-key-minutes-and-a-tempo",
                    ("mostMinutes", Limits.MostMinutes),
                    ("slowest", Limits.SlowestTempo),
                    ("fastest", Limits.FastestTempo)
                ),
                p => new PracticeRecord
                {
                    Key = p.Key,
                    Day = p.Day,
                    At = p.At,
                    Minutes = p.Minutes,
                    TuneId = p.Tune,
                    Tempo = p.Tempo,
                    MadeBy = p.By,
                }
            ),
            ClassFile.Each(
                Answers,
                Say("records.learner-file.copy-answer", ("where", where)),
                a => ClassFile.IsCard(a.Card) && Report.IsKey(a.Key) && a.Mistake.Length <= 40,
                Say("records.learner-file.a-key-a-card-and-a-kind"),
                a => new CardAnswerRecord
                {
                    Key = a.Key,
                    Card = a.Card,
                    Day = a.Day,
                    At = a.At,
                    Right = a.Right,
                    Seconds = Math.Clamp(a.Seconds, 0, Report.MostSeconds),
                    Mistake = a.Mistake,
                }
            ),
            ClassFile.Each(
                Boxes,
                Say("records.learner-file.copy-box", ("where", where)),
                b => b.Box is >= 1 and <= 5 && ClassFile.IsCard(b.Card),
                Say("records.learner-file.a-card-and-a-box-from-1"),
                b => new CardBoxRecord
                {
                    Card = b.Card,
                    Box = b.Box,
                    Due = b.Due,
                }
            ),
            ClassFile.Each(
                Notes,
                Say("records.learner-file.copy-note", ("where", where)),
                n => Report.IsKey(n.Key),
                Say("records.learner-file.a-key-of-1-to-60-characters"),
                n => new LearnerNoteRecord
                {
                    Key = n.Key,
                    Day = n.Day,
                    At = n.At,
                    Note = LearnerNotes.Text(n.Note),
                    TuneId = n.Tune,
                }
            ),
            ClassFile.RecordsOf(Work, Say("records.learner-file.set-work", ("where", where))),
            [
                .. Done.Select(d => new DoneRecord
                {
                    WorkId = d.Work,
                    DoneAt = d.At,
                    MadeBy = d.By,
                }),
            ],
            ClassFile.Each(
                Pieces ?? [],
                Say("records.learner-file.copy-piece", ("where", where)),
                IsSound,
                Say("records.learner-file.a-title-and-a-piece-that-its"),
                p => CopyOf(p, text)
            ),
            ClassFile.Each(
                // One line a tune.
                [.. (Lines ?? []).DistinctBy(n => n.Tune)],
                Say("records.learner-file.copy-line", ("where", where)),
                n => n.Line.Length is > 0 and <= 100,
                Say("records.learner-file.a-line-of-1-to-100-characters"),
                n => new LearnerLineRecord { TuneId = n.Tune, Line = n.Line }
            )
        );
    }

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
