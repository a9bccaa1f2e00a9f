using System.Xml.Linq;
using Coppia.Core.Music;
using Coppia.Core.Wording.Stand;

namespace Coppia.Formats.MusicXml;

/// <summary>
/// Da capo, segno and their kind in MusicXML 4.0: printed as signs or words, and told to players of sound by
/// attributes.
/// </summary>
internal static class MusicXmlWaymarks
{
    /// <summary>All that a direction says, by its signs, its words and its sound.</summary>
    public static Waymarks Of(XElement direction)
    {
        var sound = direction.Elements("sound").Aggregate(Waymarks.None, (all, s) => all | OfSound(s));

        // The coda sign stands at the coda and where one leaves for it; the sound says which.
        return direction
            .Elements("direction-type")
            .Elements()
            .Aggregate(
                sound,
                (all, type) =>
                    all
                    | type.Name.LocalName switch
                    {
                        "segno" => Waymarks.Segno,
                        "coda" when !sound.HasFlag(Waymarks.ToCoda) => Waymarks.Coda,
                        "words" => WaymarkWords.Of(type.Value),
                        _ => Waymarks.None,
                    }
            );
    }

    public static Waymarks OfSound(XElement sound) =>
        sound
            .Attributes()
            .Aggregate(
                Waymarks.None,
                (all, attribute) =>
                    all
                    | attribute.Name.LocalName switch
                    {
                        "dacapo" => Waymarks.DaCapo,
                        "dalsegno" => Waymarks.DalSegno,
                        "segno" => Waymarks.Segno,
                        "coda" => Waymarks.Coda,
                        "tocoda" => Waymarks.ToCoda,
                        "fine" => Waymarks.Fine,
                        _ => Waymarks.None,
                    }
            );

    public static IEnumerable<XElement> Write(Score score, Waymarks marks)
    {
        foreach (var mark in marks.Each())
        {
            var direction = MusicXmlWriter.Direction(
                mark switch
                {
                    Waymarks.Segno => new XElement("segno"),
                    Waymarks.Coda => new XElement("coda"),
                    _ => new XElement("words", WaymarkWords.Printed(mark, score.Waymarks)),
                }
            );

            // A sign that sends players of sound nowhere is printed only.
            var target = mark switch
            {
                Waymarks.DalSegno => Waymarks.Segno,
                Waymarks.ToCoda => Waymarks.Coda,
                _ => Waymarks.None,
            };
            if (score.Waymarks.HasFlag(target))
                direction.Add(new XElement("sound", SoundOf(mark)));
            yield return direction;
        }
    }

    private static XAttribute SoundOf(Waymarks mark) =>
        mark switch
        {
            Waymarks.DaCapo => new XAttribute("dacapo", "yes"),
            Waymarks.DalSegno => new XAttribute("dalsegno", "segno"),
            Waymarks.Fine => new XAttribute("fine", "yes"),
            Waymarks.ToCoda => new XAttribute("tocoda", "coda"),
            Waymarks.Segno => new XAttribute("segno", "segno"),
            _ => new XAttribute("coda", "coda"),
        };
}
