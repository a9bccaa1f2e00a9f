using Coppia.Core.Knowledge;
using Coppia.Core.School;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Tunes;
using Coppia.Formats.Books;
using Coppia.Formats.Records;
using Coppia.Formats.Source;
using Coppia.Server.Asked;

namespace Coppia.Server.Tunes;

/// <summary>A tune in the library's list.</summary>
public sealed record TuneSummary(
    long Id,
    string Title,
    string Composer,
    string PrintedFor,
    string KeyName,
    string Meter,
    string Clef,
    int Bars,
    int Version,
    DateTime CreatedAt,
    DateTime ChangedAt,
    DateTime? DeletedAt,
    TuneFit? Fit = null
)
{
    public static TuneSummary Of(TuneRecord t) =>
        new(
            Id: t.Id,
            Title: t.Title,
            Composer: t.Composer,
            PrintedFor: t.PrintedFor,
            KeyName: t.KeyName,
            Meter: t.Meter,
            Clef: t.Clef,
            Bars: t.Bars,
            Version: t.Version,
            CreatedAt: t.CreatedAt,
            ChangedAt: t.ChangedAt,
            DeletedAt: t.DeletedAt
        );

    /// <summary>The same with its key in the style's note names.</summary>
    public TuneSummary Named(HouseStyle style) => this with { KeyName = Labels.KeyNamed(KeyName, style) };
}

/// <summary>Some of the tunes that were asked for.</summary>
/// <param name="Total">How many there are in all.</param>
/// <param name="Working">How far the work on how they fit the class has come; null where it is done or nothing is
/// asked.</param>
public sealed record TuneListView(IReadOnlyList<TuneSummary> Tunes, int Total, Working? Working = null);

/// <summary>A key to choose tunes by.</summary>
/// <param name="Key">As it is asked for.</param>
/// <param name="Name">In the house style's note names.</param>
public sealed record TuneKeyView(string Key, string Name);

/// <summary>A tune with its source text exactly as given.</summary>
/// <param name="Summary">What the list shows.</param>
/// <param name="Source">The text.</param>
/// <param name="Format">What it is written in.</param>
/// <param name="Lines">How many lines its score has.</param>
/// <param name="Notices">What was left out in reading it.</param>
/// <param name="Tunes">How many tunes its text has; this is the first.</param>
public sealed record TuneDetail(
    TuneSummary Summary,
    string Source,
    SourceFormat Format,
    int Lines,
    IReadOnlyList<Notice> Notices,
    int Tunes
)
{
    /// <param name="read">What came of reading it, or null where that is not asked.</param>
    internal static TuneDetail Of(TuneRecord t, ReadResult? read) =>
        new(
            Summary: TuneSummary.Of(t),
            Source: t.Source,
            Format: TuneReader.FormatOf(t.Source),
            Lines: read?.Lines.Count ?? 1,
            Notices: read?.Notices ?? [],
            Tunes: read is null ? 1 : TuneBook.Of(t.Source).Count
        );
}

/// <summary>A tune to keep. What is left empty is taken from the source.</summary>
public record TuneRequest(
    [property: AnyText] string Source,
    [property: AtMost(Limits.LongestTuneTitle, "tunes.tune-views.the-title-is-longer-than-characters")]
        string? Title = null,
    [property: AtMost(Limits.LongestComposer, "tunes.tune-views.the-composer-is-longer-than")] string? Composer = null,
    [property: OneOfFour("tunes.tune-views.the-instrument-is-not-known-expected")] string? PrintedFor = null
);

/// <summary>A changed tune, with the version that the editor saw.</summary>
public sealed record TuneChange(
    int Version,
    string Source,
    string? Title = null,
    string? Composer = null,
    string? PrintedFor = null
) : TuneRequest(Source, Title, Composer, PrintedFor);

/// <summary>What a source text holds, before it is kept.</summary>
/// <param name="Tunes">How many tunes the text has; what follows is of the first.</param>
/// <param name="Lines">Names of the lines of its score.</param>
/// <param name="MusicXml">Its first bars, to be drawn; null where it cannot be read.</param>
public sealed record TuneCheck(
    SourceFormat Format,
    string? Title,
    string? KeyName,
    string? Meter,
    string? Clef,
    int Bars,
    string? PrintedFor,
    int Tunes,
    IReadOnlyList<string> Lines,
    string? MusicXml,
    IReadOnlyList<SourceError> Errors,
    IReadOnlyList<Notice> Notices
);
