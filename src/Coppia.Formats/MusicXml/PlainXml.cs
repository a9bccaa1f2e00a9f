using System.Xml;
using System.Xml.Linq;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.MusicXml;

/// <summary>
/// XML as tune files have it: DTDs are passed over, entities of its own are none, nothing outside the text is opened,
/// and elements nest no deeper than a score does (W3C XML 1.0; OWASP ASVS 4.0.3, 5.5.2).
/// </summary>
internal static class PlainXml
{
    /// <summary>Deepest nesting of elements; MusicXML needs about ten.</summary>
    private const int Deepest = 64;

    private static readonly XmlReaderSettings Settings = new()
    {
        DtdProcessing = DtdProcessing.Ignore,
        XmlResolver = null,
        MaxCharactersInDocument = TuneSize.MostCharacters,
        MaxCharactersFromEntities = 0,
    };

    /// <summary>The outermost element, with the places of all in the text.</summary>
    /// <exception cref="XmlException">Not well formed, or nested too deep; it names the place.</exception>
    public static XElement Load(string xml)
    {
        // Whoever builds the tree goes down at every element, so that the depth is looked at first.
        using (var walk = XmlReader.Create(new StringReader(xml), Settings))
        {
            while (walk.Read())
            {
                if (walk.Depth > Deepest)
                {
                    var at = (IXmlLineInfo)walk;
                    throw new XmlException(
                        Say("musicxml.plain-xml.elements-are-nested-more-than-deep", ("deepest", Deepest)),
                        null,
                        at.LineNumber,
                        at.LinePosition
                    );
                }
            }
        }

        using var reader = XmlReader.Create(new StringReader(xml), Settings);
        return XDocument.Load(reader, LoadOptions.SetLineInfo).Root!;
    }
}
