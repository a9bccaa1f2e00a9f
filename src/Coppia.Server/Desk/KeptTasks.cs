using Coppia.Core.Composition;
using Coppia.Core.Knowledge;
using Coppia.Core.School;
using Coppia.Core.Wording.Desk;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Desk;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Desk;

/// <summary>Writing tasks as they are made and kept, and what each player sees of them.</summary>
internal sealed class KeptTasks(TaskRepository tasks, Asker asker, DeskText text)
{
    public static RefusedException NoTask(long id) =>
        RefusedException.NotHere(Say("desk.kept-tasks.there-is-no-writing-task-here", ("id", id)));

    public TaskSummary[] List() => Listed(tasks.List());

    public TaskSummary[] Deleted() => Listed(tasks.Deleted());

    private TaskSummary[] Listed(IEnumerable<TaskRecord> kept) =>
        [
            .. kept.Select(t => (Kept: t, Doc: text.Task(t.Document)))
                .Where(t => t.Doc is not null)
                .Select(t => new TaskSummary(
                    t.Kept.Id,
                    t.Kept.Title,
                    t.Doc!.Level,
                    t.Doc.Instruments,
                    t.Doc.Bars,
                    t.Kept.ChangedAt,
                    t.Kept.DeletedAt
                )),
        ];

    /// <summary>What each player sees of a task that is being made.</summary>
    /// <exception cref="FormatException">Something in it is none of what it must be.</exception>
    public TaskView Look(TaskRequest asked) => View(null, null, asked.Title, asked.Task);

    /// <exception cref="RefusedException">There is none of this number.</exception>
    /// <exception cref="FormatException">This version cannot read it.</exception>
    public TaskView Show(long id) =>
        tasks.Find(id) is { } kept
            ? View(kept.Id, kept.Version, kept.Title, text.Task(kept.Title, kept.Document))
            : throw NoTask(id);

    /// <exception cref="FormatException">It cannot be met.</exception>
    public TaskView Add(TaskRequest asked)
    {
        var title = Checked(asked);
        var kept = tasks.Add(title, text.Of(asked.Task));
        return View(kept.Id, kept.Version, title, asked.Task);
    }

    /// <exception cref="RefusedException">There is none of this number, or another window was quicker.</exception>
    /// <exception cref="FormatException">It cannot be met.</exception>
    public TaskView Save(long id, TaskRequest asked)
    {
        var change = new TaskRecord
        {
            Id = id,
            Title = Checked(asked),
            Document = text.Of(asked.Task),
            Version = asked.Version ?? 0,
        };
        tasks.Save(change).OrRefuse(Say("desk.kept-tasks.the-task-was-changed-elsewhere-since"), NoTask(id));
        return View(id, change.Version + 1, change.Title, asked.Task);
    }

    /// <summary>The title of a task that can be met.</summary>
    private string Checked(TaskRequest asked)
    {
        var title = asked.Title.Trim();
        if (title.Length is 0 or > Limits.LongestTaskTitle)
            throw new FormatException(
                Say("desk.kept-tasks.expected-a-title-of-1-to-characters", ("longestTitle", Limits.LongestTaskTitle))
            );
        return View(null, null, title, asked.Task).Wrong is [var wrong, ..] ? throw new FormatException(wrong) : title;
    }

    private TaskView View(long? id, int? version, string title, TaskDoc doc)
    {
        var plan = doc.Plan();
        var players = Players(doc);
        var words = new CompositionWords(asker.Style);
        var wrong = players
            .Select(p => plan.For(p.Instrument))
            .SelectMany(task => TaskFault.In(task).Select(f => English.Sentence(words.Fault(f, task))))
            .Distinct();
        return new TaskView(
            Id: id,
            Version: version,
            Title: title,
            Task: doc,
            For: [.. players.Select(p => DeskTask.Of(plan, p, doc.Letters))],
            Steps:
            [
                .. Offered
                    .Concat(plan.Steps)
                    .Concat(plan.Fixed.Select(f => f.Step))
                    .Distinct()
                    .OrderBy(s => s.Number)
                    .ThenBy(s => s.Alter)
                    .Select(s => new StepChoice(
                        s.ToString(),
                        Labels.Note(s.Above(plan.Key.Tonic, plan.Key), asker.Style)
                    )),
            ],
            Wrong: [.. wrong]
        );
    }

    /// <summary>
    /// From the step below the tonic to the tenth, and what a first year raises or lowers (common practice).
    /// </summary>
    private static readonly ScaleStep[] Offered =
    [
        .. Enumerable.Range(0, 11).Select(n => new ScaleStep(n)),
        new(1, 1),
        new(3, -1),
        new(4, 1),
        new(5, 1),
        new(7, -1),
    ];

    private Player[] Players(TaskDoc doc) =>
        doc.Instruments.Count == 0
            ? throw new FormatException(Say("desk.kept-tasks.a-task-is-for-at-least-one"))
            : [.. doc.Instruments.Distinct().Select(asker.PlayerNamed)];
}
