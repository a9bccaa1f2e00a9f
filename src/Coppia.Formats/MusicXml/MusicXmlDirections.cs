using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using Coppia.Core.Music;
using Coppia.Core.Wording.Stand;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.MusicXml;

/// <summary>
/// What stands over and under the staves of one part: dynamics, words, hairpins, tempo, signs that send the player
/// elsewhere.
/// </summary>
internal sealed partial class MusicXmlDirections(LeftOut leftOut)
{
    public (Fraction Beat, int PerMinute)? Tempo { get; private set; }

    public string? TempoWords { get; private set; }

    /// <param name="direction">The element.</param>
    /// <param name="measure">Its measure.</param>
    /// <param name="at">The moment it means.</param>
    /// <param name="isHead">No note has come yet.</param>
    public void Read(XElement direction, MusicXmlMeasure measure, Fraction at, bool isHead)
    {
        var place = new Place(direction, measure, at, isHead);
        foreach (var type in direction.Elements("direction-type").Elements())
            Read(type, place);
        if (isHead && TempoWords is not null && Tempo is null && direction.Element("sound") is { } sound)
            Tempo = SoundTempo(sound);
        measure.Waymarks |= MusicXmlWaymarks.Of(direction);
    }

    /// <summary>Where a direction stands.</summary>
    private readonly record struct Place(XElement Direction, MusicXmlMeasure Measure, Fraction At, bool IsHead)
    {
        public bool HasTempo =>
            Direction.Elements("direction-type").Elements("metronome").Any()
            || Direction.Element("sound")?.Attribute("tempo") is not null;

        public void Sign(Func<ScoreEvent, ScoreEvent> apply, bool begins = false) =>
            Measure.Signs.Add(new TimedSign(MusicXmlReader.Int(Direction.Element("staff")) ?? 1, At, begins, apply));
    }

    private void Read(XElement type, Place place)
    {
        switch (type.Name.LocalName)
        {
            case "dynamics":
                if (type.Elements().FirstOrDefault() is { Name.LocalName: var local } dynamic)
                {
                    var name = local == "other-dynamics" ? dynamic.Value.Trim() : local;
                    place.Sign(e => e with { Dynamic = e.Dynamic ?? name }, begins: true);
                }

                break;
            case "wedge":
                Wedge((string?)type.Attribute("type"), place);
                break;
            case "segno" or "coda":
                break;
            case "rehearsal":
                if (type.Value.Trim() is { Length: > 0 and <= LongestLabel } label)
                    place.Measure.Label = label;
                break;
            case "words":
                Words(type.Value.Trim().ReplaceLineEndings(" "), place);
                break;
            case "metronome":
                Metronome(type, place);
                break;
            default:
                LeaveOut(
                    Say("musicxml.directions.some-signs-over-the-staff-are-left", ("localName", type.Name.LocalName)),
                    place
                );
                break;
        }
    }

    private const int LongestLabel = 40;

    private void Words(string words, Place place)
    {
        if (words.Length == 0 || WaymarkWords.Of(words) != Waymarks.None)
            return;
        if (place.IsHead && (place.HasTempo || Coppia.Core.Wording.Terms.TempoWords.Are(words)))
            TempoWords = TempoWords is { } before ? $"{before} {words}" : words;
        else
            place.Sign(e => e with { Words = e.Words is { } before ? $"{before} {words}" : words });
    }

    private static void Wedge(string? kind, Place place)
    {
        if (kind is "crescendo")
            place.Sign(e => e with { Hairpin = Hairpin.Louder }, begins: true);
        else if (kind is "diminuendo")
            place.Sign(e => e with { Hairpin = Hairpin.Softer }, begins: true);
        else if (kind is "stop")
            place.Sign(e => e with { HairpinStop = true });
    }

    private void Metronome(XElement mark, Place place)
    {
        if (
            mark.Element("per-minute") is not { } rate
            || NumberPattern().Match(rate.Value) is not { Success: true } number
        )
        {
            LeaveOut(Say("musicxml.directions.a-metronome-mark-that-gives-no-beats"), place);
            return;
        }

        var beat = MusicXmlPitch
            .Value(mark.Element("beat-unit")?.Value.Trim(), mark.Elements("beat-unit-dot").Count())
            ?.Length;
        if (Tempo is null && place.IsHead)
            Tempo = (beat ?? Fraction.Quarter, int.Parse(number.Value, CultureInfo.InvariantCulture));
        else
            LeaveOut(Say("abc.voice-fields.a-change-of-tempo-inside-the-tune"), place);
    }

    private void LeaveOut(string message, Place place) =>
        leftOut.Add(message, MusicXmlReader.At(place.Direction), place.Measure.Number);

    private static (Fraction, int)? SoundTempo(XElement sound) =>
        double.TryParse((string?)sound.Attribute("tempo"), CultureInfo.InvariantCulture, out var tempo)
        && tempo is >= 1 and < 999
            ? (Fraction.Quarter, (int)Math.Round(tempo))
            : null;

    /// <summary>"96", "c. 96", "ca 96-104".</summary>
    [GeneratedRegex("[1-9][0-9]{0,2}")]
    private static partial Regex NumberPattern();
}
