using Coppia.Core.School;
using Coppia.Server.Asked;
using Coppia.Server.Classes;

namespace Coppia.Server.Logbook;

/// <summary>Minutes of one day.</summary>
public sealed record DayMinutes(DateOnly Day, int Minutes);

/// <summary>A learner of whom something is told.</summary>
/// <param name="Words">What; empty where the heading tells it.</param>
public sealed record ToldLearner(long Id, string Nickname, string Words);

/// <summary>A learner to be asked how it is going, and why.</summary>
public sealed record AskView(long Id, string Nickname, string Instrument, IReadOnlyList<string> Why);

/// <summary>What some learners need help with.</summary>
/// <param name="What">"Low, regular or high finger", or the title of a tune.</param>
/// <param name="Advice">What helps; empty where nothing is to be said.</param>
/// <param name="TuneId">The tune that it is; null for a habit.</param>
public sealed record HelpView(string What, string Advice, long? TuneId, IReadOnlyList<ToldLearner> Learners);

/// <summary>Minutes of one learner, week by week.</summary>
/// <param name="Weeks">Minutes, the first week first.</param>
/// <param name="Last">The last day with minutes in these weeks; null where there is none.</param>
public sealed record LoggedLearner(
    long Id,
    string Nickname,
    string Instrument,
    IReadOnlyList<int> Weeks,
    DateOnly? Last
);

/// <summary>A ready sentence that a learner sent.</summary>
public sealed record NoteView(long LearnerId, string Nickname, DateOnly Day, string Words, string? Tune);

/// <summary>How a class is doing at home.</summary>
/// <param name="Weeks">The days on which the weeks begin, this week last.</param>
/// <param name="Ask">At most two.</param>
/// <param name="Quiet">Of whom no minutes came in the last seven days.</param>
public sealed record ClassLogView(
    IReadOnlyList<DateOnly> Weeks,
    IReadOnlyList<LoggedLearner> Learners,
    IReadOnlyList<AskView> Ask,
    IReadOnlyList<HelpView> Help,
    IReadOnlyList<ToldLearner> Quiet,
    IReadOnlyList<NoteView> Notes
);

/// <summary>The tempo that was reached on a day.</summary>
public sealed record TempoStep(DateOnly Day, int Tempo);

/// <summary>How far a learner is with a tune.</summary>
/// <param name="Goal">The tempo that is set; null where none is.</param>
/// <param name="Best">The fastest told; null where none was.</param>
public sealed record TuneLog(long Id, string Title, int? Goal, int? Best, IReadOnlyList<TempoStep> Steps);

/// <summary>A note, and in which box each of its cards lies; null for a card that was never asked.</summary>
/// <param name="Note">"F♯ on D".</param>
/// <param name="Boxes">In the order of the ways in which cards are asked.</param>
public sealed record NoteBoxes(string Note, IReadOnlyList<int?> Boxes);

/// <summary>A habit of mistake.</summary>
/// <param name="At">Notes at which it happened, the most frequent first.</param>
public sealed record HabitView(string What, string Advice, int Times, IReadOnlyList<string> At);

/// <summary>How one learner is doing at home.</summary>
/// <param name="Days">Days with minutes, the first first.</param>
/// <param name="Ways">How cards are asked, in order.</param>
/// <param name="Answers">How many cards were answered in the last four weeks.</param>
/// <param name="Right">And how many of them rightly.</param>
public sealed record LearnerLogView(
    LearnerView Learner,
    DateOnly From,
    DateOnly Today,
    IReadOnlyList<DayMinutes> Days,
    IReadOnlyList<DayMinutes> Weeks,
    IReadOnlyList<TuneLog> Tunes,
    IReadOnlyList<string> Ways,
    IReadOnlyList<NoteBoxes> Cards,
    int Answers,
    int Right,
    IReadOnlyList<HabitView> Habits,
    IReadOnlyList<NoteView> Notes,
    IReadOnlyList<string> Why
);

/// <summary>Minutes that a learner told on paper.</summary>
/// <param name="Day">Such as 2026-09-14, not after today.</param>
/// <param name="Minutes">1 to 600.</param>
public sealed record MinutesRequest(
    DateOnly Day,
    [property: Within(1, Limits.MostMinutes, "logbook.learner-logs.expected-minutes")] int Minutes
);

/// <summary>Minutes that were added, by the name by which they are taken back.</summary>
public sealed record AddedMinutes(string Key);
