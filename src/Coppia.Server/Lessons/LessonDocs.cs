using Coppia.Core.Lesson;
using Coppia.Core.Music;
using Coppia.Core.School;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Lessons;

/// <summary>A step of a lesson as it is kept and edited.</summary>
/// <param name="Id">Names it within its lesson, 1 to 20 characters.</param>
/// <param name="Tune">Place of its tune in the lesson; null for none.</param>
/// <param name="Fifths">Of the key it is about.</param>
/// <param name="Line">Order of its line, from 0.</param>
/// <param name="FirstBar">Order of its first bar, from 0; the end is the bar after its last.</param>
/// <param name="Words">Of the teacher's own step, at most 200 characters.</param>
/// <param name="IsKnown">The class reached it in an earlier lesson.</param>
/// <param name="IsPinned">It stays, whatever is left out.</param>
/// <param name="Ways">In how many ways it is gone through, 1 to 10.</param>
/// <param name="Repeats">How often each, 0 to 50.</param>
/// <param name="Beats">Quarters, once.</param>
/// <param name="Tempo">Quarters a minute, 20 to 300.</param>
/// <param name="Minutes">In place of what is reckoned, 0 to 240.</param>
/// <param name="Reached">Whether the class reached it; null before it is known.</param>
/// <param name="TempoReached">Quarters a minute.</param>
public sealed record StepDoc(
    string Id,
    LessonPart Part,
    int? Tune = null,
    [property: Within(-KeySignature.MostSigns, KeySignature.MostSigns, "lessons.lesson.expected-a-key-of")]
        int? Fifths = null,
    Mode? Mode = null,
    string? Meter = null,
    int? Line = null,
    int FirstBar = 0,
    int EndBar = 0,
    string? NoteId = null,
    string? Words = null,
    bool IsKnown = false,
    bool IsPinned = false,
    [property: Within(1, Limits.MostWays, "lessons.lesson.expected-ways")] int Ways = 1,
    [property: Within(0, Limits.MostRepeats, "lessons.lesson.expected-repeats")] int Repeats = 1,
    double Beats = 0,
    double CountIn = 0,
    [property: Within(Limits.SlowestTempo, Limits.FastestTempo, "lessons.lesson.expected-a-tempo")]
        int Tempo = LessonPace.UsualTempo,
    [property: Within(0, Limits.MostSaid, "lessons.lesson.expected-things-said")] int Said = 0,
    [property: Within(0, Limits.LongestLesson, "lessons.lesson.expected-minutes")] double? Minutes = null,
    bool? Reached = null,
    [property: Within(Limits.SlowestTempo, Limits.FastestTempo, "lessons.lesson.expected-a-tempo")]
        int? TempoReached = null
)
{
    private const int LongestId = 20;
    private const double MostBeats = 200_000;

    internal static StepDoc Of(LessonStep s, IReadOnlyList<long?> tunes) =>
        new(
            Id: s.Id,
            Part: s.Part,
            Tune: s.TuneId is { } tune ? tunes.ToList().IndexOf(tune) : null,
            Fifths: s.Key?.Fifths,
            Mode: s.Key?.Mode,
            Meter: s.Meter,
            Line: s.Line,
            FirstBar: s.FirstBar,
            EndBar: s.EndBar,
            NoteId: s.NoteId,
            Words: s.Words,
            IsKnown: s.IsKnown,
            IsPinned: s.IsPinned,
            Ways: s.Ways,
            Repeats: s.Repeats,
            Beats: s.Beats,
            CountIn: s.CountIn,
            Tempo: s.Tempo,
            Said: s.Said,
            Minutes: s.Minutes
        );

    /// <param name="tunes">Of the lesson, by their places.</param>
    internal LessonStep Step(IReadOnlyList<long?> tunes) =>
        new()
        {
            Id = Id,
            Part = Part,
            TuneId = Tune is { } place ? tunes[place] : null,
            Key = Fifths is { } fifths ? new KeySignature(fifths, Mode ?? default) : null,
            Meter = Meter,
            Line = Line,
            FirstBar = FirstBar,
            EndBar = EndBar,
            NoteId = NoteId,
            Words = Words,
            IsKnown = IsKnown,
            IsPinned = IsPinned,
            Ways = Ways,
            Repeats = Repeats,
            Beats = Beats,
            CountIn = CountIn,
            Tempo = Tempo,
            Said = Said,
            Minutes = Minutes,
            Reached = Reached,
        };

    /// <summary>What of it cannot be kept; null for nothing.</summary>
    internal string? Wrong(int tunes) =>
        Id.Length is 0 or > LongestId
            ? Say("lessons.lesson.expected-a-name-of-1-to-characters", ("longestId", LongestId))
        : Tune is { } t && (t < 0 || t >= tunes) ? Say("lessons.lesson.expected-a-tune-from-0-to", ("tunes", tunes - 1))
        : Words is { Length: > Limits.LongestStepWords }
            ? Say("lessons.lesson.expected-at-most-characters", ("longestWords", Limits.LongestStepWords))
        : Part == LessonPart.Own && string.IsNullOrWhiteSpace(Words)
            ? Say("lessons.lesson.expected-words-for-a-step-of-your")
        : Checks.FirstWrong(this) is var (_, wrong) ? wrong
        : Beats is < 0 or > MostBeats || CountIn is < 0 or > MostBeats || !double.IsFinite(Beats + CountIn)
            ? Say("lessons.lesson.its-length-cannot-be")
        : FirstBar < 0 || EndBar < FirstBar ? Say("lessons.lesson.its-bars-cannot-be")
        : null;
}

/// <summary>A lesson as it is edited.</summary>
/// <param name="Day">Such as 2026-09-14.</param>
/// <param name="Minutes">How long it is, 5 to 240.</param>
/// <param name="TalkSeconds">For each thing said, 0 to 120.</param>
/// <param name="Steps">In their order.</param>
/// <param name="Left">What was left out and can come back.</param>
public sealed record LessonDoc(
    DateOnly Day,
    [property: Within(Limits.ShortestLesson, Limits.LongestLesson, "classes.class.expected-a-lesson-of-minutes")]
        int Minutes,
    [property: Within(0, Limits.MostTalkSeconds, "lessons.lesson.expected-seconds-of-talk")] int TalkSeconds,
    IReadOnlyList<StepDoc> Steps,
    IReadOnlyList<StepDoc> Left
)
{
    internal IEnumerable<StepDoc> All => Steps.Concat(Left);

    /// <summary>What of it cannot be kept; null for nothing.</summary>
    internal string? Wrong(int tunes)
    {
        if (Checks.FirstWrong(this) is var (_, wrong))
            return wrong;
        if (Steps.Count + Left.Count > Limits.MostSteps)
            return Say("lessons.lesson.a-lesson-has-at-most-steps", ("mostSteps", Limits.MostSteps));
        if (All.GroupBy(s => s.Id).FirstOrDefault(g => g.Count() > 1) is { } twice)
            return Say("lessons.lesson.two-steps-are-called-expected-names", ("key", twice.Key));
        return All.Select(
                (s, i) =>
                    s.Wrong(tunes) is { } ofStep
                        ? Say("lessons.lesson.wrong-step", ("i", i + 1), ("wrong", ofStep))
                        : null
            )
            .FirstOrDefault(w => w is not null);
    }
}

/// <summary>A changed lesson.</summary>
/// <param name="Version">That the editor saw.</param>
/// <param name="IsTaught">It was taught as it stands.</param>
public sealed record LessonChange(int Version, LessonDoc Lesson, bool IsTaught);

/// <summary>A day to plan a lesson for.</summary>
public sealed record LessonRequest(DateOnly Day);

/// <summary>A tune to put into a lesson.</summary>
public sealed record LessonTuneRequest(int Version, long TuneId);
