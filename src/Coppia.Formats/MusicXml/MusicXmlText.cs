using System.Text;
using System.Xml;
using System.Xml.Linq;

namespace Coppia.Formats.MusicXml;

/// <summary>A stretch of a text.</summary>
/// <param name="From">Characters before it, in UTF-16.</param>
/// <param name="To">Characters before its end; the same where it is only a place.</param>
public readonly record struct Stretch(int From, int To);

/// <summary>
/// Where the text of a score can be added to for a picture of it, so that who draws it need not look for it.
/// </summary>
/// <param name="Notes">For each note that is no grace note, by its id: where a syllable may follow.</param>
/// <param name="Bars">For each bar, by its id: where its break of line or page stands, or could.</param>
/// <param name="Words">The words that stand over the notes.</param>
public sealed record MusicXmlSlots(
    IReadOnlyDictionary<string, int> Notes,
    IReadOnlyDictionary<string, Stretch> Bars,
    IReadOnlyList<Stretch> Words
);

/// <summary>A score's elements as text, written so that the places of notes, bars and words are known.</summary>
internal sealed class MusicXmlText
{
    private static readonly XmlWriterSettings Settings = new() { OmitXmlDeclaration = true };

    /// <summary>What stands before the elements.</summary>
    public const string Begin = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n";

    /// <summary>What stands after them.</summary>
    public const char End = '\n';

    private readonly StringBuilder _text = new(Begin);
    private readonly XmlWriter _writer;
    private readonly Dictionary<string, int> _notes = [];
    private readonly Dictionary<string, Stretch> _bars = [];
    private readonly List<Stretch> _words = [];

    private MusicXmlText(XElement root)
    {
        using (_writer = XmlWriter.Create(_text, Settings))
            Write(root);
        _text.Append(End);
    }

    public static (string Text, MusicXmlSlots Slots) Of(XElement root)
    {
        var written = new MusicXmlText(root);
        return (written._text.ToString(), new MusicXmlSlots(written._notes, written._bars, written._words));
    }

    private int Here
    {
        get
        {
            _writer.Flush();
            return _text.Length;
        }
    }

    private void Write(XElement element)
    {
        // Nothing is added to what these do not hold.
        if (
            element.Name.LocalName
            is not ("score-partwise" or "part" or "measure" or "note" or "direction" or "words" or "direction-type")
        )
        {
            element.WriteTo(_writer);
            return;
        }

        _writer.WriteStartElement(element.Name.LocalName);
        foreach (var attribute in element.Attributes())
            _writer.WriteAttributeString(attribute.Name.LocalName, attribute.Value);
        switch (element.Name.LocalName)
        {
            case "measure":
                Measure(element);
                break;
            case "note":
                foreach (var node in element.Nodes())
                    node.WriteTo(_writer);
                if (element.FirstNode is XElement { Name.LocalName: "pitch" })
                    _notes[element.Attribute("id")!.Value] = Here;
                break;
            case "words":
                var begin = Open();
                _writer.WriteString(element.Value);
                _words.Add(new Stretch(begin, Here));
                break;
            default:
                Write(element.Elements());
                break;
        }

        _writer.WriteFullEndElement();
    }

    private void Measure(XElement measure)
    {
        var from = Open();
        var rest = measure.Elements();
        if (measure.FirstNode is XElement { Name.LocalName: "print" } print)
        {
            print.WriteTo(_writer);
            rest = rest.Skip(1);
        }

        _bars[measure.Attribute("id")!.Value] = new Stretch(from, Here);
        Write(rest);
    }

    /// <summary>The place behind the tag that was begun.</summary>
    private int Open()
    {
        _writer.WriteString("");
        return Here;
    }

    private void Write(IEnumerable<XElement> elements)
    {
        foreach (var element in elements)
            Write(element);
    }
}
