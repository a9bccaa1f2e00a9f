using System.Xml.Linq;
using Coppia.Core.Music;

namespace Coppia.Formats.MusicXml;

/// <summary>A note or rest at its moment in a measure.</summary>
/// <param name="Staff">Staff of its part, from 1.</param>
/// <param name="Voice">The voice's name.</param>
/// <param name="Position">Moment in whole notes from the barline, as the durations tell.</param>
/// <param name="Duration">As the source says; what is printed may differ.</param>
/// <param name="Event">What is printed.</param>
internal sealed record TimedNote(int Staff, string Voice, Fraction Position, Fraction Duration, ScoreEvent Event);

/// <summary>Something over or under a staff at a moment of a measure.</summary>
/// <param name="Staff">Staff of its part, from 1.</param>
/// <param name="Position">Moment in whole notes from the barline.</param>
/// <param name="Begins">It begins something, and waits for the next note where none is left in the bar.</param>
/// <param name="Apply">Puts it on a note or rest.</param>
internal sealed record TimedSign(int Staff, Fraction Position, bool Begins, Func<ScoreEvent, ScoreEvent> Apply);

/// <summary>A change of clef at a moment of a measure.</summary>
internal sealed record TimedClef(int Staff, Fraction Position, Clef Clef);

/// <summary>One measure of a part, as all its lines see it.</summary>
internal sealed class MusicXmlMeasure
{
    public MusicXmlMeasure(XElement element)
    {
        At = MusicXmlReader.At(element);
        Number = ((string?)element.Attribute("number"))?.Trim() ?? "";
        IsImplicit = (string?)element.Attribute("implicit") == "yes";
    }

    public SourcePosition At { get; }

    /// <summary>As the source prints it; not always a number.</summary>
    public string Number { get; }

    public bool IsImplicit { get; }

    public KeySignature Key { get; set; }

    public TimeSignature? Time { get; set; }

    /// <summary>How far any voice has come, in whole notes.</summary>
    public Fraction Length { get; set; }

    public bool StartsLine { get; set; }

    public string? Label { get; set; }

    public Waymarks Waymarks { get; set; }

    public List<XElement> Barlines { get; } = [];

    public List<TimedNote> Notes { get; } = [];

    public List<TimedSign> Signs { get; } = [];

    public List<TimedClef> Clefs { get; } = [];
}
