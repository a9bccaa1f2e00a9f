using Coppia.Core.Composition;
using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Records;
using Coppia.Formats.Records;
using Coppia.Server.Desk;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Demo;

/// <summary>A teacher's words about a demo piece.</summary>
internal sealed record DemoRemark(string Words, int? Bar = null);

/// <summary>What one of the demo class composed.</summary>
/// <param name="Bars">Steps of the scale in quarters, r for a rest, | between bars.</param>
internal sealed record DemoPiece(string Learner, HandInState State, string Bars, IReadOnlyList<DemoRemark> Remarks);

/// <summary>The writing task of the demo class with what came of it.</summary>
/// <param name="Booklet">Title of the booklet.</param>
internal sealed record DemoPieces(
    string Title,
    int Level,
    string Key,
    int SetDaysAgo,
    int DueDaysAgo,
    string Booklet,
    IReadOnlyList<DemoPiece> Pieces
)
{
    /// <summary>Numbers that the task and what is set have among the demo's records.</summary>
    public const long Task = 1;
    private const long Work = 1_000;

    private static readonly NoteValue Quarter = NoteValue.Quarter;

    private TaskPlan Plan =>
        TaskLevel.Plan(
            Level,
            KeyText.Read(Key) ?? throw new InvalidDataException(Say("demo.pieces.pieces-json-is-no-key", ("key", Key)))
        );

    public TaskDoc Doc => TaskDoc.Of(Plan, Level, [.. StringSection.All.Select(i => i.Id)]);

    public WorkRecord Set(DemoRecords records) =>
        new()
        {
            Id = Work,
            Kind = WorkKind.Writing,
            TaskId = Task,
            Due = records.Day(DueDaysAgo),
            MadeAt = records.At(SetDaysAgo),
        };

    /// <summary>That those who have handed in have done it.</summary>
    public IEnumerable<DoneRecord> Done(string nickname, DemoRecords records) =>
        Pieces
            .Where(p => p.Learner == nickname && p.State is HandInState.HandedIn or HandInState.Accepted)
            .Select(_ => new DoneRecord { WorkId = Work, DoneAt = records.At(1) });

    public IEnumerable<HandInCopy> Of(LearnerRecord who, DemoRecords records, Func<object, string> text) =>
        Pieces
            .Index()
            .Where(p => p.Item.Learner == who.Nickname)
            .Select(p => new HandInCopy(
                new HandInRecord
                {
                    Id = p.Index + 1,
                    WorkId = Work,
                    TaskId = Task,
                    Level = Level,
                    Title = Title,
                    Task = text(Doc),
                    Piece = text(PieceDoc.Of(Read(p.Item.Bars, StringSection.Named(who.Instrument)!))),
                    State = p.Item.State,
                    MadeAt = records.At(SetDaysAgo - 1),
                    ChangedAt = records.At(2),
                    HandedInAt = p.Item.State == HandInState.Writing ? null : records.At(1),
                },
                [],
                [
                    .. p.Item.Remarks.Select(r => new RemarkRecord
                    {
                        Bar = r.Bar,
                        Words = r.Words,
                        MadeAt = records.At(1),
                    }),
                ]
            ));

    /// <summary>Pieces of the booklet, by their numbers.</summary>
    public IReadOnlyList<long> Accepted =>
        [.. Pieces.Index().Where(p => p.Item.State == HandInState.Accepted).Select(p => p.Index + 1L)];

    private Piece Read(string bars, Instrument instrument)
    {
        var plan = Plan;
        var tonic = plan.TonicOf(instrument);
        return new Piece([
            .. bars.Split('|').Select(bar => (IReadOnlyList<PieceNote>)[.. bar.Split(' ', Words).Select(Note)]),
        ]);

        PieceNote Note(string word) =>
            new() { Pitch = word == "r" ? null : ScaleStep.Read(word)?.Above(tonic, plan.Key), Value = Quarter };
    }

    private const StringSplitOptions Words = StringSplitOptions.RemoveEmptyEntries;
}
