using System.Globalization;
using System.Xml.Linq;
using Coppia.Core.Music;
using Coppia.Formats.Source;

namespace Coppia.Formats.MusicXml;

/// <summary>How a measure ends, gathered from its barlines (MusicXML 4.0, barline).</summary>
internal sealed class MusicXmlBarEnd(BarDraft draft)
{
    private Barline _line = Barline.Plain;
    private bool _repeats;
    private bool _endingStops;
    private int _times = 2;

    /// <summary>Takes one barline of the measure; what begins at it goes into the draft at once.</summary>
    public void Read(XElement barline)
    {
        if (barline.Element("repeat") is { } repeat)
        {
            if ((string?)repeat.Attribute("direction") == "forward")
            {
                draft.StartRepeat();
            }
            else
            {
                _repeats = true;
                if (int.TryParse((string?)repeat.Attribute("times"), CultureInfo.InvariantCulture, out var times))
                    _times = times;
            }
        }

        if (barline.Element("ending") is { } ending)
        {
            var isStart = (string?)ending.Attribute("type") == "start";
            var number = ((string?)ending.Attribute("number"))?.Replace(" ", "", StringComparison.Ordinal);
            if (isStart)
                draft.StartEnding(string.IsNullOrEmpty(number) ? null : number);
            else
                _endingStops = true;
        }

        if ((string?)barline.Attribute("location") is "left")
            return;
        _line = barline.Element("bar-style")?.Value.Trim() switch
        {
            "light-light" => Barline.Double,
            "light-heavy" => Barline.Final,
            "none" => Barline.None,
            _ => _line,
        };
        if (_repeats && _line == Barline.Final)
            _line = Barline.Plain;
    }

    /// <summary>Ends the bar in the draft.</summary>
    public void End() => draft.EndBar(_line, _repeats, _endingStops, _times);
}
