using System.Text.Json;
using Coppia.Core.Practice;
using Coppia.Core.School;
using Coppia.Server.Classes;
using Coppia.Server.Drills;
using Coppia.Server.Logbook;
using Coppia.Server.Room;

namespace Coppia.Server.Learn;

/// <summary>Something that is set to a learner.</summary>
/// <param name="Due">A day, such as 2026-09-14.</param>
/// <param name="Ladder">The tempos by which a tune climbs to its goal; null where none is asked for.</param>
public sealed record LearnWork(
    long Id,
    WorkKind Kind,
    string Title,
    long? TuneId,
    long? SheetId,
    long? TaskId,
    int? Tempo,
    DateOnly Due,
    bool Done,
    LadderView? Ladder
);

/// <summary>What a learner sees: who they are, what is set to them, and their minutes of the last days.</summary>
/// <param name="Notes">Ready sentences to the teacher.</param>
public sealed record LearnView(
    string Nickname,
    string ClassName,
    InstrumentView Instrument,
    IReadOnlyList<LearnWork> Work,
    IReadOnlyList<DayMinutes> Days,
    IReadOnlyList<NoteChoice> Notes
);

/// <summary>The cards of a round.</summary>
/// <param name="Cards">The name of each, by which its answer is reported.</param>
public sealed record LearnCards(IReadOnlyList<string> Cards, DrillView View);

/// <summary>Minutes that were practised.</summary>
/// <param name="Key">A name that no other report has, so that one sent twice counts once.</param>
/// <param name="At">When, by the learner's own clock, with its distance from UTC.</param>
/// <param name="TuneId">The tune; null where none is told.</param>
/// <param name="Tempo">Quarters a minute that were reached with it.</param>
public sealed record PracticeReport(string Key, DateTimeOffset At, int Minutes, long? TuneId = null, int? Tempo = null);

/// <summary>An answer to a card.</summary>
/// <param name="Reply">What was answered; null where the answer was shown.</param>
/// <param name="Seconds">How long it took.</param>
public sealed record AnswerReport(string Key, DateTimeOffset At, string Card, JsonElement? Reply, double Seconds);

/// <summary>That something set was done, or was not.</summary>
public sealed record DoneReport(long Work, bool Done);

/// <summary>A ready sentence to the teacher; there is no free text from a child.</summary>
public sealed record NoteReport(string Key, DateTimeOffset At, LearnerNote Note, long? TuneId = null);

/// <summary>A ready sentence that can be sent.</summary>
/// <param name="WithTune">Whether it may be about one of the tunes.</param>
public sealed record NoteChoice(LearnerNote Note, string Words, bool WithTune);

/// <summary>What was kept on the phone while the network was away, in the order in which it happened.</summary>
public sealed record LearnReport(
    IReadOnlyList<PracticeReport>? Practice = null,
    IReadOnlyList<AnswerReport>? Answers = null,
    IReadOnlyList<DoneReport>? Done = null,
    IReadOnlyList<NoteReport>? Notes = null
);

/// <summary>What came of a report.</summary>
/// <param name="New">How many of its entries were new.</param>
/// <param name="LeftOut">What could not be taken.</param>
public sealed record ReportTaken(int New, IReadOnlyList<LeftOutEntry> LeftOut);

/// <summary>An entry of a report that could not be taken.</summary>
/// <param name="Key">Its name, as it was sent.</param>
public sealed record LeftOutEntry(string Key, string Why);

/// <summary>
/// A learner's page as a program of the phone; its names are those of the W3C Web Application Manifest.
/// </summary>
public sealed record AppManifest(
    string Name,
    string ShortName,
    string Id,
    string StartUrl,
    string Scope,
    string Display,
    string BackgroundColor,
    string ThemeColor,
    IReadOnlyList<AppIcon> Icons
);

/// <summary>A picture for it.</summary>
public sealed record AppIcon(string Src, string Sizes, string Type)
{
    internal static IReadOnlyList<AppIcon> All { get; } =
    [
        new("/icon-192.png", "192x192", "image/png"),
        new("/icon-512.png", "512x512", "image/png"),
        new("/coppia.svg", "any", "image/svg+xml"),
    ];
}
