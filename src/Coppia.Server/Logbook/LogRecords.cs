using Coppia.Core.Logbook;
using Coppia.Core.Wording.Learn;
using Coppia.Core.Wording.Logbook;
using Coppia.Data.Classes;
using Coppia.Data.Logbook;
using Coppia.Formats.Exercises;
using Coppia.Server.Drills;

namespace Coppia.Server.Logbook;

/// <summary>What is kept of a learner's practice, as the logbook weighs and tells it.</summary>
internal static class LogRecords
{
    public const int WeeksShown = 8;

    /// <summary>The first day that is shown.</summary>
    /// <param name="first">The day on which a week begins.</param>
    public static DateOnly First(DateOnly today, DayOfWeek first) =>
        LearnerLog.WeekOf(today, first).AddDays(7 * (1 - WeeksShown));

    public static LearnerLog LogOf(
        IEnumerable<PracticeRecord> practice,
        IEnumerable<CardAnswerRecord> slips,
        IEnumerable<LearnerNoteRecord> notes,
        IEnumerable<WorkRecord> set,
        Func<WorkRecord, bool> isDone
    ) =>
        new(
            [.. practice.Select(p => new Practised(p.Day, p.Minutes, p.TuneId, p.Tempo))],
            [.. slips.Where(s => !s.Right).SelectMany(SlipOf)],
            [.. notes.Select(n => new Noted(n.Day, LearnerNotes.Read(n.Note), n.TuneId))],
            [.. set.Select(w => new SetTask(w.Due, isDone(w), w.TuneId, w.Tempo))]
        );

    /// <summary>A wrong answer; one that this version cannot read, or that was only shown, is no mistake.</summary>
    private static IEnumerable<CardSlip> SlipOf(CardAnswerRecord a)
    {
        if (ReplyText.Kinds.TryGetValue(a.Mistake, out var kind) && CardName.Find(a.Card) is { } card)
            yield return new CardSlip(a.Day, card, kind);
    }

    public static IEnumerable<NoteView> NotesOf(
        LearnerRecord who,
        IEnumerable<LearnerNoteRecord> notes,
        IReadOnlyDictionary<long, string> titles
    ) =>
        notes.Select(n => new NoteView(
            who.Id,
            who.Nickname,
            n.Day,
            LearnWords.Note(LearnerNotes.Read(n.Note)),
            n.TuneId is { } tune ? titles.GetValueOrDefault(tune) : null
        ));

    public static string[] ReasonsIn(IEnumerable<AskWhy> why, IReadOnlyDictionary<long, string> titles) =>
        [.. why.Select(w => LogWords.Why(w, w.Tune is { } tune ? titles.GetValueOrDefault(tune) : null))];
}
