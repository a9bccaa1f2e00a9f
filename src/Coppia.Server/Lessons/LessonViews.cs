using Coppia.Core.Lesson;

namespace Coppia.Server.Lessons;

/// <summary>A step of the run-sheet.</summary>
/// <param name="Step">As it is kept.</param>
/// <param name="Title">What is done.</param>
/// <param name="Detail">How; empty where nothing is to be said.</param>
/// <param name="Seconds">How long it takes.</param>
/// <param name="Time">The same in words: "4½ minutes".</param>
/// <param name="Starts">Minutes from the beginning of the lesson.</param>
/// <param name="Bars">What its bars are called: "bars 5–8"; empty for none.</param>
public sealed record StepView(
    StepDoc Step,
    string Title,
    string Detail,
    double Seconds,
    string Time,
    double Starts,
    string Bars
);

/// <summary>A thing that is to be practised at home.</summary>
/// <param name="Work">The number of what is set.</param>
/// <param name="Title">What it is.</param>
/// <param name="How">How far, how long a day, by when: " to 66, about three minutes a day, by Monday 14
/// September".</param>
public sealed record HomeView(long Work, string Title, string How);

/// <summary>A tune of a lesson.</summary>
/// <param name="Id">Null where it is gone.</param>
public sealed record LessonTuneView(long? Id, string Title);

/// <summary>An offer to save time.</summary>
/// <param name="Steps">Ids of the steps that it changes.</param>
public sealed record LessonOfferView(LessonOfferKind Kind, string Text, IReadOnlyList<string> Steps);

/// <summary>A lesson as the run-sheet shows it.</summary>
/// <param name="IsTaught">It was taught as it stands.</param>
/// <param name="Total">How long it takes, in words.</param>
/// <param name="Over">By how much it is too long, in words; null where it fits.</param>
/// <param name="Spare">What is left of the lesson, in words; null for less than a minute.</param>
/// <param name="Care">What to look after; null for nothing.</param>
/// <param name="Home">What is to be practised after it.</param>
public sealed record LessonView(
    long Id,
    int Version,
    DateOnly Day,
    bool IsTaught,
    int Minutes,
    int TalkSeconds,
    IReadOnlyList<LessonTuneView> Tunes,
    IReadOnlyList<StepView> Steps,
    IReadOnlyList<StepView> Left,
    double Seconds,
    string Total,
    string? Over,
    string? Spare,
    IReadOnlyList<LessonOfferView> Offers,
    string? Care,
    IReadOnlyList<HomeView> Home
);

/// <summary>A lesson in the list.</summary>
public sealed record LessonSummary(long Id, DateOnly Day, bool IsTaught, IReadOnlyList<string> Tunes);

/// <summary>A page of a class's lessons, the last day first.</summary>
public sealed record LessonListView(IReadOnlyList<LessonSummary> Lessons, int Total);
