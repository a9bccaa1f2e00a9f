using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Server.Asked;

namespace Coppia.Server.Classes;

/// <summary>How many of a class play an instrument.</summary>
public sealed record SectionView(string Instrument, string Name, int Learners);

/// <summary>A class to choose.</summary>
public sealed record ClassName(long Id, string Name);

/// <summary>A class in the list.</summary>
/// <param name="StyleId">Its own house style; null for the one in force.</param>
public sealed record ClassSummary(
    long Id,
    string Name,
    int LessonMinutes,
    long? StyleId,
    int Version,
    int Learners,
    IReadOnlyList<SectionView> Sections
)
{
    /// <param name="counts">The class's own.</param>
    internal static ClassSummary Of(ClassRecord one, IEnumerable<SectionCount> counts)
    {
        var own = counts.ToDictionary(c => c.Instrument, c => c.Learners);
        return new ClassSummary(
            one.Id,
            one.Name,
            one.LessonMinutes,
            one.StyleId,
            one.Version,
            own.Values.Sum(),
            [
                .. StringSection
                    .All.Where(i => own.ContainsKey(i.Id))
                    .Select(i => new SectionView(i.Id, i.Name, own[i.Id])),
            ]
        );
    }
}

/// <param name="Tapes">Places of the tapes in semitones above the nut; null as in the house style.</param>
public sealed record LearnerView(
    long Id,
    string Nickname,
    string Instrument,
    string Size,
    IReadOnlyList<int>? Tapes,
    int Version
)
{
    internal static LearnerView Of(LearnerRecord l) =>
        new(l.Id, l.Nickname, l.Instrument, l.Size, TapesOf(l.Tapes), l.Version);

    internal static IReadOnlyList<int>? TapesOf(string? text) =>
        text is null
            ? null
            :
            [
                .. text.Split(' ', StringSplitOptions.RemoveEmptyEntries)
                    .Select(t => int.TryParse(t, out var n) ? n : 0),
            ];

    internal static string? TextOf(IReadOnlyList<int>? tapes) =>
        tapes is null ? null : string.Join(' ', tapes.Distinct().Order());
}

/// <summary>What a section can play, string by string: "D 0 1 2 3".</summary>
public sealed record SectionPlays(string Instrument, string Name, IReadOnlyList<string> Strings);

/// <summary>A class with its learners.</summary>
public sealed record ClassDetail(
    ClassSummary Summary,
    IReadOnlyList<LearnerView> Learners,
    IReadOnlyList<SectionPlays> Plays
);

/// <summary>A learner as it is kept or changed.</summary>
/// <param name="Nickname">First name or nickname, 1 to 40 characters.</param>
public sealed record LearnerRequest(string Nickname, string Instrument, string Size, IReadOnlyList<int>? Tapes = null);

/// <summary>A changed learner, with the version that the editor saw.</summary>
public sealed record LearnerChange(
    int Version,
    string Nickname,
    string Instrument,
    string Size,
    IReadOnlyList<int>? Tapes = null
);

/// <summary>A new class.</summary>
/// <param name="Start">What it knows already: everything up to this stage of the usual order; null for nothing.</param>
public sealed record ClassRequest(
    [property: AtMost(Limits.LongestClassName, "classes.class.expected-a-name-of-1-to-characters", MinimumLength = 1)]
        string Name,
    IReadOnlyList<LearnerRequest> Learners,
    StartRequest? Start = null,
    [property: Within(Limits.ShortestLesson, Limits.LongestLesson, "classes.class.expected-a-lesson-of-minutes")]
        int LessonMinutes = 45,
    long? StyleId = null
);

/// <summary>A changed class, with the version that the editor saw.</summary>
public sealed record ClassChange(
    int Version,
    [property: AtMost(Limits.LongestClassName, "classes.class.expected-a-name-of-1-to-characters", MinimumLength = 1)]
        string Name,
    [property: Within(Limits.ShortestLesson, Limits.LongestLesson, "classes.class.expected-a-lesson-of-minutes")]
        int LessonMinutes,
    long? StyleId
);

/// <summary>A list to be read as learners.</summary>
public sealed record LearnerText(string Text);

/// <summary>The end of a year.</summary>
/// <param name="Name">Of the class they move up into.</param>
/// <param name="Learners">Who moves up.</param>
public sealed record MoveUpRequest(string Name, IReadOnlyList<long> Learners);

/// <summary>A stage of the usual first-year order.</summary>
public sealed record StageView(Stage Stage, string Name);
