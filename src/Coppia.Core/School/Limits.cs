namespace Coppia.Core.School;

/// <summary>
/// What a school's records may hold, each limit once: the server checks by these, its description states them, the
/// database keeps to them (a test compares), and the screens offer no more (<c>web/src/api/limits.ts</c>).
/// </summary>
public static class Limits
{
    /// <summary>Slowest tempo that is set or reached, in quarters a minute.</summary>
    public const int SlowestTempo = 20;

    /// <summary>Fastest tempo that is set or reached, in quarters a minute.</summary>
    public const int FastestTempo = 300;

    /// <summary>Most minutes of practice in one entry.</summary>
    public const int MostMinutes = 600;

    /// <summary>Shortest lesson, in minutes.</summary>
    public const int ShortestLesson = 5;

    /// <summary>Longest lesson, and longest step of one, in minutes.</summary>
    public const int LongestLesson = 240;

    /// <summary>Most seconds of talk for each thing that is said in a lesson.</summary>
    public const int MostTalkSeconds = 120;

    /// <summary>Most ways in which a step of a lesson is gone through.</summary>
    public const int MostWays = 10;

    /// <summary>How often a step of a lesson is repeated at most.</summary>
    public const int MostRepeats = 50;

    /// <summary>Most things that are said in a step of a lesson.</summary>
    public const int MostSaid = 200;

    /// <summary>Most steps of a lesson, with those that were left out.</summary>
    public const int MostSteps = 1_000;

    /// <summary>Longest words of a teacher's own step, in characters.</summary>
    public const int LongestStepWords = 200;

    /// <summary>Longest name of a class, in characters.</summary>
    public const int LongestClassName = 80;

    /// <summary>Most learners of a class.</summary>
    public const int MostLearners = 200;

    /// <summary>Longest nickname of a learner, in characters.</summary>
    public const int LongestNickname = 40;

    /// <summary>Longest title of a tune, in characters.</summary>
    public const int LongestTuneTitle = 200;

    /// <summary>Longest name of who made a tune, in characters.</summary>
    public const int LongestComposer = 200;

    /// <summary>Longest title of a writing task, of a piece and of a booklet, in characters.</summary>
    public const int LongestTaskTitle = 80;

    /// <summary>Longest heading of a sheet, in characters.</summary>
    public const int LongestSheetHeading = 120;

    /// <summary>Longest remark on a piece, in characters.</summary>
    public const int LongestRemark = 300;

    /// <summary>The highest tape of a fingerboard, in half steps above the nut.</summary>
    public const int HighestTape = 12;

    /// <summary>Longest name of a house style, in characters.</summary>
    public const int LongestStyleName = 80;

    /// <summary>Longest name of an entry that a learner's page reports, in characters.</summary>
    public const int LongestKey = 60;

    /// <summary>Most entries of one report.</summary>
    public const int MostReported = 500;
}
