using System.Xml.Linq;
using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Formats;

/// <summary>Walks the measures of one part.</summary>
internal sealed class MusicXmlPart(List<Notice> notices)
{
    private readonly HashSet<string> _leftOut = [];
    private int _divisions = 1;
    private string? _voice;
    private string? _dynamic;
    private string? _words;
    private readonly List<GraceNote> _graces = [];

    public BarDraft Draft { get; } = new();

    public List<SourceError> Errors { get; } = [];

    public bool AnyNote { get; private set; }

    public bool PickUpMarked { get; private set; }

    public (Fraction Beat, int PerMinute)? Tempo { get; private set; }

    public string? TempoWords { get; private set; }

    public void Read(XElement part)
    {
        foreach (var measure in part.Elements("measure"))
        {
            if (Draft.Bars.Count == 0 && (string?)measure.Attribute("implicit") == "yes")
                PickUpMarked = true;
            var end = new MusicXmlBarEnd(Draft);
            foreach (var element in measure.Elements())
            {
                switch (element.Name.LocalName)
                {
                    case "attributes":
                        Attributes(element);
                        break;
                    case "note":
                        Note(element);
                        break;
                    case "direction":
                        Direction(element);
                        break;
                    case "print" when (string?)element.Attribute("new-system") == "yes" || (string?)element.Attribute("new-page") == "yes":
                        Draft.BreakLine();
                        break;
                    case "barline":
                        end.Read(element);
                        break;
                    case "sound":
                        Draft.Mark(MusicXmlWaymarks.OfSound(element));
                        break;
                }
            }

            end.End();
        }
    }

    private void LeaveOut(XElement at, string message)
    {
        if (_leftOut.Add(message))
            notices.Add(new Notice(MusicXmlReader.At(at), null, message));
    }

    private void Wrong(XElement at, string wrong, string expected) => Errors.Add(new SourceError(MusicXmlReader.At(at), wrong, expected));

    private void Attributes(XElement attributes)
    {
        if (attributes.Element("divisions") is { } divisions)
        {
            if (MusicXmlReader.Int(divisions) is > 0 and <= 1_000_000 and var d)
                _divisions = d;
            else
                Wrong(divisions, $"“{divisions.Value}” divisions of a quarter", "a whole number above 0");
        }

        if (attributes.Element("key") is { } key && key.Element("fifths") is { } fifths)
        {
            if (MusicXmlReader.Int(fifths) is >= -7 and <= 7 and var f)
                Draft.Key = new KeySignature(
                    f,
                    Enum.TryParse<Mode>(key.Element("mode")?.Value.Trim(), ignoreCase: true, out var mode) ? mode : Mode.Major
                );
            else
                Wrong(fifths, $"a key signature of “{fifths.Value}” fifths", "a whole number from −7 to 7");
        }

        if (attributes.Element("time") is { } time)
            Time(time);
        if (attributes.Elements("clef").FirstOrDefault(c => (string?)c.Attribute("number") is null or "1") is { } clef)
            ReadClef(clef);
        if (MusicXmlReader.Int(attributes.Element("staves")) > 1)
            LeaveOut(attributes, "Only the first voice of the first staff is read.");
    }

    private void Time(XElement time)
    {
        if (time.Element("senza-misura") is not null)
        {
            Draft.Time = null;
            return;
        }

        var beats = time.Element("beats")?.Value.Split('+').Select(b => int.TryParse(b.Trim(), out var n) ? n : -100).Sum();
        if (beats is >= 1 and <= 32 && MusicXmlReader.Int(time.Element("beat-type")) is (1 or 2 or 4 or 8 or 16 or 32) and var unit)
        {
            var symbol = (string?)time.Attribute("symbol") switch
            {
                "common" => TimeSymbol.Common,
                "cut" => TimeSymbol.Cut,
                _ => TimeSymbol.Numbers,
            };
            Draft.Time = new TimeSignature(beats.Value, unit, symbol);
        }
        else
        {
            Wrong(time, "a time signature that cannot be read", "beats 1 to 32 over 1, 2, 4, 8, 16 or 32");
        }
    }

    private void ReadClef(XElement element)
    {
        var sign = element.Element("sign")?.Value.Trim();
        var line =
            MusicXmlReader.Int(element.Element("line"))
            ?? (
                sign switch
                {
                    "G" => 2,
                    "C" => 3,
                    "F" => 4,
                    _ => 0,
                }
            );
        if (Clef.All.FirstOrDefault(c => c.Sign == sign && c.Line == line) is { } clef)
        {
            if (Draft.Bars.Count == 0 && Draft.BarIsEmpty)
                Draft.Clef = clef;
            else if (clef != Draft.Clef)
                LeaveOut(element, "A change of clef inside the tune is left out; the first clef stays.");
        }
        else if (Draft.Bars.Count == 0)
        {
            Wrong(element, $"a {sign} clef on line {line}", "a treble, alto, tenor or bass clef");
        }
    }

    private void Direction(XElement direction)
    {
        foreach (var type in direction.Elements("direction-type").Elements())
        {
            switch (type.Name.LocalName)
            {
                case "dynamics":
                    _dynamic = type.Elements().FirstOrDefault()?.Name.LocalName;
                    break;
                case "segno" or "coda":
                    break;
                case "words" when WaymarkWords.Of(type.Value) != Waymarks.None:
                    break;
                case "words" when Draft.Bars.Count == 0 && Draft.BarIsEmpty && TempoWords is null:
                    TempoWords = type.Value.Trim();
                    break;
                case "words":
                    _words = type.Value.Trim();
                    break;
                case "metronome" when Tempo is null && MusicXmlReader.Int(type.Element("per-minute")) is > 0 and var perMinute:
                    Tempo = (
                        Value(type.Element("beat-unit")?.Value.Trim(), type.Elements("beat-unit-dot").Count())?.Length ?? Fraction.Quarter,
                        perMinute
                    );
                    break;
                case "metronome":
                    if (Tempo is null)
                        LeaveOut(direction, "A metronome mark that gives no beats a minute is left out.");
                    break;
                default:
                    LeaveOut(direction, $"Some directions are left out ({type.Name.LocalName}).");
                    break;
            }
        }

        Draft.Mark(MusicXmlWaymarks.Of(direction));
    }

    private void Note(XElement note)
    {
        if (note.Element("cue") is not null)
        {
            LeaveOut(note, "Cue notes are left out.");
            return;
        }

        var voice = note.Element("voice")?.Value.Trim() is { Length: > 0 } named ? named : "1";
        _voice ??= voice;
        if (voice != _voice || MusicXmlReader.Int(note.Element("staff")) is > 1)
        {
            LeaveOut(note, "Only the first voice is read; other voices are left out.");
            return;
        }

        var pitch = note.Element("pitch") is { } p ? ReadPitch(p) : null;
        if (pitch is null && note.Element("rest") is null)
        {
            if (note.Element("pitch") is null)
                LeaveOut(note, "Notes without a pitch are left out.");
            return;
        }

        if (note.Element("grace") is { } grace)
        {
            if (pitch is { } gracePitch)
                _graces.Add(
                    new GraceNote(
                        "",
                        gracePitch,
                        Value(note.Element("type")?.Value.Trim(), 0) ?? new NoteValue(3),
                        (string?)grace.Attribute("slash") == "yes"
                    )
                );
            return;
        }

        if (note.Element("chord") is not null)
        {
            if (pitch is { } member && !Draft.BarIsEmpty)
            {
                Draft.Events[^1] = Draft.Events[^1] with { Chord = [.. Draft.Events[^1].Chord, member] };
                LeaveOut(note, "Double stops are shown, but only the first note of each is given a string and finger.");
            }

            return;
        }

        var barRest = note.Element("rest") is { } rest && (string?)rest.Attribute("measure") == "yes";
        if (ReadValue(note, barRest) is not { } value)
            return;
        AnyNote |= pitch is not null;
        Draft.Add(
            MusicXmlNotations.Apply(
                note,
                new ScoreEvent
                {
                    Pitch = pitch,
                    Value = value,
                    IsBarRest = barRest,
                    At = MusicXmlReader.At(note),
                    Dynamic = _dynamic,
                    Words = _words,
                    Graces = pitch is null ? [] : [.. _graces],
                }
            )
        );
        _dynamic = null;
        _words = null;
        _graces.Clear();
    }

    private Pitch? ReadPitch(XElement element)
    {
        var step = element.Element("step")?.Value.Trim();
        var alter = element.Element("alter") is { } a
            ? double.TryParse(a.Value, System.Globalization.CultureInfo.InvariantCulture, out var n)
                ? n
                : double.NaN
            : 0;
        if (
            step is ['A' or 'B' or 'C' or 'D' or 'E' or 'F' or 'G']
            && alter is -2 or -1 or 0 or 1 or 2
            && MusicXmlReader.Int(element.Element("octave")) is >= 0 and <= 9 and var octave
        )
            return new Pitch(Enum.Parse<Letter>(step!), (int)alter, octave);
        Wrong(element, "a pitch that cannot be read", "a step A–G, an alter from −2 to 2 in whole semitones, and an octave 0–9");
        return null;
    }

    private NoteValue? ReadValue(XElement note, bool barRest)
    {
        if (barRest)
            return new NoteValue(0);
        var modification = note.Element("time-modification");
        var actual = MusicXmlReader.Int(modification?.Element("actual-notes")) ?? 1;
        var normal = MusicXmlReader.Int(modification?.Element("normal-notes")) ?? 1;
        if (actual is < 1 or > 64 || normal is < 1 or > 64)
        {
            Wrong(note, $"a tuplet of {actual} in the time of {normal}", "numbers from 1 to 64");
            return null;
        }

        if (note.Element("type") is { } type)
        {
            if (Value(type.Value.Trim(), note.Elements("dot").Count()) is { } value)
                return value with { TupletActual = actual, TupletNormal = normal };
            Wrong(type, $"“{type.Value}” is not a note value that Coppia reads", "whole, half, quarter, eighth, 16th … 128th");
            return null;
        }

        if (
            MusicXmlReader.Int(note.Element("duration")) is > 0 and var duration
            && NoteValue.Exactly(new Fraction(duration, 4L * _divisions) * new Fraction(actual, normal)) is { } exact
        )
            return exact with { TupletActual = actual, TupletNormal = normal };
        Wrong(note, "a note with neither a type nor a duration of one note value", "a <type>, or a <duration> that is one note value");
        return null;
    }

    internal static readonly string[] TypeNames = ["breve", "whole", "half", "quarter", "eighth", "16th", "32nd", "64th", "128th"];

    private static NoteValue? Value(string? type, int dots)
    {
        var at = Array.IndexOf(TypeNames, type);
        return at < 0 || dots > 3 ? null : new NoteValue(at - 1, dots);
    }
}
