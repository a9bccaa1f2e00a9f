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
        var staff = MusicXmlReader.Int(direction.Element("staff")) ?? 1;
        var types = direction.Elements("direction-type").Elements().ToArray();
        var hasTempo =
            types.Any(t => t.Name.LocalName == "metronome")
            || direction.Element("sound")?.Attribute("tempo") is not null;
        foreach (var type in types)
        {
            switch (type.Name.LocalName)
            {
                case "dynamics":
                    foreach (var dynamic in type.Elements().Take(1))
                    {
                        var name =
                            dynamic.Name.LocalName == "other-dynamics" ? dynamic.Value.Trim() : dynamic.Name.LocalName;
                        Sign(e => e with { Dynamic = e.Dynamic ?? name }, begins: true);
                    }

                    break;
                case "wedge":
                    Wedge((string?)type.Attribute("type"));
                    break;
                case "segno" or "coda":
                    break;
                case "rehearsal":
                    measure.Label = type.Value.Trim() is { Length: > 0 and <= 40 } label ? label : measure.Label;
                    break;
                case "words":
                    Words(type.Value.Trim().ReplaceLineEndings(" "));
                    break;
                case "metronome":
                    Metronome(type);
                    break;
                default:
                    LeaveOut(
                        Say(
                            "musicxml.directions.some-signs-over-the-staff-are-left",
                            ("localName", type.Name.LocalName)
                        )
                    );
                    break;
            }
        }

        if (isHead && TempoWords is not null && Tempo is null && direction.Element("sound") is { } sound)
            Tempo = SoundTempo(sound);
        measure.Waymarks |= MusicXmlWaymarks.Of(direction);

        void Words(string words)
        {
            if (words.Length == 0 || WaymarkWords.Of(words) != Waymarks.None)
                return;
            if (isHead && (hasTempo || Coppia.Core.Wording.Terms.TempoWords.Are(words)))
                TempoWords = TempoWords is { } before ? $"{before} {words}" : words;
            else
                Sign(e => e with { Words = e.Words is { } before ? $"{before} {words}" : words });
        }

        void Wedge(string? kind)
        {
            if (kind is "crescendo")
                Sign(e => e with { Hairpin = Hairpin.Louder }, begins: true);
            else if (kind is "diminuendo")
                Sign(e => e with { Hairpin = Hairpin.Softer }, begins: true);
            else if (kind is "stop")
                Sign(e => e with { HairpinStop = true });
        }

        void Metronome(XElement mark)
        {
            if (
                mark.Element("per-minute") is not { } rate
                || NumberPattern().Match(rate.Value) is not { Success: true } number
            )
            {
                LeaveOut(Say("musicxml.directions.a-metronome-mark-that-gives-no-beats"));
                return;
            }

            var beat = MusicXmlPitch
                .Value(mark.Element("beat-unit")?.Value.Trim(), mark.Elements("beat-unit-dot").Count())
                ?.Length;
            if (Tempo is null && isHead)
                Tempo = (beat ?? Fraction.Quarter, int.Parse(number.Value, CultureInfo.InvariantCulture));
            else
                LeaveOut(Say("abc.voice-fields.a-change-of-tempo-inside-the-tune"));
        }

        void Sign(Func<ScoreEvent, ScoreEvent> apply, bool begins = false) =>
            measure.Signs.Add(new TimedSign(staff, at, begins, apply));

        void LeaveOut(string message) => leftOut.Add(message, MusicXmlReader.At(direction), measure.Number);
    }

    private static (Fraction, int)? SoundTempo(XElement sound) =>
        double.TryParse((string?)sound.Attribute("tempo"), CultureInfo.InvariantCulture, out var tempo)
        && tempo is >= 1 and < 999
            ? (Fraction.Quarter, (int)Math.Round(tempo))
            : null;

    /// <summary>"96", "c. 96", "ca 96-104".</summary>
    [GeneratedRegex("[1-9][0-9]{0,2}")]
    private static partial Regex NumberPattern();
}
