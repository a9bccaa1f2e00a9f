using Coppia.Core.Music;

namespace Coppia.Formats;

/// <summary>What a tune is written in.</summary>
public enum SourceFormat
{
    Abc,
    MusicXml,
}

/// <summary>Reads a tune from text, whichever of the two formats it is in.</summary>
public static class TuneReader
{
    /// <summary>Largest source text, in characters.</summary>
    public const int MostCharacters = 5 * 1024 * 1024;

    /// <summary>MusicXML when the text begins with an angle bracket, else ABC.</summary>
    public static ReadResult Read(string text)
    {
        if (text.Length > MostCharacters)
            return ReadResult.Failed(
                new SourceError(new(1, 1), $"the text has {text.Length:N0} characters", $"at most {MostCharacters:N0}")
            );
        return IsXml(text) ? MusicXmlReader.Read(text) : AbcReader.Read(text);
    }

    /// <summary>What a source is written in.</summary>
    public static SourceFormat FormatOf(string text) => IsXml(text) ? SourceFormat.MusicXml : SourceFormat.Abc;

    private static bool IsXml(string text) => text.AsSpan().TrimStart("\uFEFF \t\r\n").StartsWith("<");

    /// <summary>A tune with no notes, or with too many, is an error of the whole.</summary>
    internal static SourceError? CheckSize(int events, bool anyNote, SourcePosition at)
    {
        if (!anyNote)
            return new SourceError(at, "there are no notes", "at least one note");
        return events > Score.MostEvents
            ? new SourceError(at, $"the tune has {events:N0} notes and rests", $"at most {Score.MostEvents:N0}")
            : null;
    }
}
