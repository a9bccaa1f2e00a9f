using System.Xml.Linq;
using Coppia.Core.Music;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.MusicXml;

/// <summary>
/// Walks the measures of one part and puts each note at its moment; <see cref="MusicXmlLine"/> makes lines of them.
/// </summary>
internal sealed class MusicXmlPart(LeftOut leftOut, List<SourceError> errors)
{
    private readonly Dictionary<(int Staff, string Voice), List<GraceNote>> _graces = [];
    private int _divisions = 1;
    private Transposition _transposition;
    private KeySignature _key;
    private TimeSignature? _time;
    private Fraction _position;
    private MusicXmlMeasure _measure = null!;
    private (int Staff, string Voice)? _last;

    public List<MusicXmlMeasure> Measures { get; } = [];

    public MusicXmlDirections Directions { get; } = new(leftOut);

    public bool PickUpMarked { get; private set; }

    /// <summary>It has notes for drums and the like.</summary>
    public bool HasUnpitched { get; private set; }

    public int Staves { get; private set; } = 1;

    public void Read(IEnumerable<XElement> measures)
    {
        foreach (var element in measures)
        {
            _measure = new MusicXmlMeasure(element) { Key = _key, Time = _time };
            PickUpMarked |= Measures.Count == 0 && _measure.IsImplicit;
            (_position, _last) = (Fraction.Zero, null);
            foreach (var child in element.Elements())
            {
                Read(child);
                if (_position > _measure.Length)
                    _measure.Length = _position;
            }

            foreach (var graces in _graces.Values.Where(g => g.Count > 0))
            {
                leftOut.Add(Say("abc.voice.grace-notes-with-no-note-after-them"), _measure.At, _measure.Number);
                graces.Clear();
            }

            Measures.Add(_measure);
        }
    }

    private void Read(XElement element)
    {
        switch (element.Name.LocalName)
        {
            case "attributes":
                Attributes(element);
                break;
            case "note":
                Note(element);
                break;
            case "backup":
                _position = NotBeforeTheBar(_position - Duration(element));
                break;
            case "forward":
                _position += Duration(element);
                break;
            case "direction":
                Directions.Read(
                    element,
                    _measure,
                    At(element),
                    isHead: Measures.Count == 0 && _measure.Notes.Count == 0
                );
                break;
            case "print"
                when (string?)element.Attribute("new-system") == "yes"
                    || (string?)element.Attribute("new-page") == "yes":
                _measure.StartsLine = true;
                break;
            case "barline":
                _measure.Barlines.Add(element);
                break;
            case "sound":
                _measure.Waymarks |= MusicXmlWaymarks.OfSound(element);
                break;
            case "harmony" or "figured-bass":
                LeaveOut(element, Say("abc.signs.chord-symbols-are-left-out"));
                break;
        }
    }

    /// <summary>The moment that a direction means: where the music has come to, and its own offset.</summary>
    private Fraction At(XElement direction)
    {
        var offset = MusicXmlReader.Int(direction.Element("offset")) is { } o
            ? new Fraction(o, 4L * _divisions)
            : Fraction.Zero;
        return NotBeforeTheBar(_position + offset);
    }

    private static Fraction NotBeforeTheBar(Fraction at) => at < Fraction.Zero ? Fraction.Zero : at;

    private Fraction Duration(XElement element) =>
        MusicXmlReader.Int(element.Element("duration")) is > 0 and var duration
            ? new Fraction(duration, 4L * _divisions)
            : Fraction.Zero;

    private void LeaveOut(XElement at, string message) => leftOut.Add(message, MusicXmlReader.At(at), _measure.Number);

    private void Wrong(XElement at, string wrong, string expected) =>
        errors.Add(new SourceError(MusicXmlReader.At(at), wrong, expected));

    private void Attributes(XElement attributes)
    {
        if (attributes.Element("divisions") is { } divisions)
        {
            if (MusicXmlReader.Int(divisions) is > 0 and <= 1_000_000 and var d)
                _divisions = d;
            else
                Wrong(
                    divisions,
                    Say("musicxml.part.divisions-of-a-quarter", ("divisions", divisions.Value)),
                    Say("musicxml.part.a-whole-number-above-0")
                );
        }

        if (attributes.Element("transpose") is { } transpose)
        {
            _transposition = Transposition.Of(transpose);
            if (!_transposition.IsOctaves)
                LeaveOut(attributes, Say("musicxml.part.a-part-that-is-written-in-another"));
        }

        if (attributes.Element("key") is { } key)
            Key(key);
        if (attributes.Element("time") is { } time)
            Time(time);
        foreach (var clef in attributes.Elements("clef"))
        {
            var staff = int.TryParse((string?)clef.Attribute("number"), out var n) ? n : 1;
            var (found, wrong) = MusicXmlPitch.ClefOf(clef);
            if (found is not null)
                _measure.Clefs.Add(new TimedClef(staff, _position, found));
            if (wrong is not null)
                LeaveOut(clef, wrong);
        }

        if (MusicXmlReader.Int(attributes.Element("staves")) is > 0 and <= 16 and var staves)
            Staves = Math.Max(Staves, staves);
    }

    private void Key(XElement key)
    {
        if (key.Element("fifths") is not { } fifths)
        {
            LeaveOut(key, Say("musicxml.part.a-key-signature-of-single-signs-is"));
            return;
        }

        if (MusicXmlReader.Int(fifths) is not (>= -7 and <= 7 and var f))
        {
            Wrong(
                fifths,
                Say("musicxml.part.a-key-signature-of-fifths", ("fifths", fifths.Value)),
                Say("musicxml.part.a-whole-number-from-7-to-7")
            );
            return;
        }

        _key = new KeySignature(
            _transposition.Fifths(f),
            Enum.TryParse<Mode>(key.Element("mode")?.Value.Trim(), ignoreCase: true, out var mode) ? mode : Mode.Major
        );
        if (_position.IsZero)
            _measure.Key = _key;
    }

    private void Time(XElement time)
    {
        if (time.Element("senza-misura") is not null)
        {
            _time = null;
        }
        else if (MusicXmlPitch.TimeOf(time) is { } found)
        {
            _time = found;
        }
        else
        {
            Wrong(
                time,
                Say("musicxml.part.a-time-signature-that-cannot-be-read"),
                Say("musicxml.part.beats-1-to-32-over-1-2")
            );
            return;
        }

        if (_position.IsZero)
            _measure.Time = _time;
    }

    private void Note(XElement note)
    {
        var isChord = note.Element("chord") is not null;
        var isGrace = note.Element("grace") is not null;
        var voice = note.Element("voice")?.Value.Trim() is { Length: > 0 } named ? named : "1";
        var staff = MusicXmlReader.Int(note.Element("staff")) ?? 1;
        var duration = isGrace ? Fraction.Zero : Duration(note);
        var position = _position;
        if (!isChord)
            _position += duration;

        if (note.Element("cue") is not null)
        {
            LeaveOut(note, Say("musicxml.part.cue-notes-are-left-out"));
            return;
        }

        var isRest = note.Element("rest") is not null;
        var pitch = note.Element("pitch") is { } p ? ReadPitch(p) : null;
        if (pitch is null && !isRest)
        {
            if (note.Element("unpitched") is not null)
            {
                HasUnpitched = true;
                LeaveOut(note, Say("musicxml.part.notes-without-a-pitch-are-left-out"));
            }

            return;
        }

        var key = (staff, voice);
        if (isGrace)
            Grace(note, key, pitch);
        else if (isChord)
            Chord(note, key, pitch);
        else
            Add(note, key, position, duration, pitch);
    }

    private void Grace(XElement note, (int, string) key, Pitch? pitch)
    {
        if (pitch is not { } grace)
            return;
        if (!_graces.TryGetValue(key, out var waiting))
            _graces[key] = waiting = [];
        waiting.Add(
            new GraceNote(
                "",
                grace,
                MusicXmlPitch.Value(note.Element("type")?.Value.Trim(), 0) ?? new NoteValue(3),
                (string?)note.Element("grace")!.Attribute("slash") == "yes"
            )
        );
    }

    private void Chord(XElement note, (int, string) key, Pitch? pitch)
    {
        if (pitch is not { } member || _last != key)
            return;
        var main = _measure.Notes[^1];
        _measure.Notes[^1] = main with { Event = main.Event with { Chord = [.. main.Event.Chord, member] } };
        LeaveOut(note, Say("abc.notes.double-stops-are-shown-but-only-the"));
    }

    private void Add(XElement note, (int Staff, string Voice) key, Fraction position, Fraction duration, Pitch? pitch)
    {
        var (value, wrong) = MusicXmlPitch.ValueOf(note, duration);
        var isBarRest = pitch is null && IsBarRest(note, value, duration);
        if (isBarRest)
            value = new NoteValue(0);
        if (value is not { } printed)
        {
            Wrong(note, wrong!.Value.Wrong, wrong.Value.Expected);
            return;
        }

        if (duration.IsZero)
        {
            // A source without durations is as long as it is printed.
            duration = isBarRest && _measure.Time is { } time ? time.BarLength : printed.Length;
            _position = position + duration;
        }

        _last = key;
        var e = EventOf(note, pitch, printed) with { IsBarRest = isBarRest };
        if (pitch is not null && _graces.GetValueOrDefault(key) is { Count: > 0 } graces)
        {
            e = e with { Graces = [.. graces] };
            graces.Clear();
        }

        _measure.Notes.Add(new TimedNote(key.Staff, key.Voice, position, duration, e));
    }

    private ScoreEvent EventOf(XElement note, Pitch? pitch, NoteValue value)
    {
        var e = new ScoreEvent
        {
            Pitch = pitch,
            Value = value,
            StemUp = (string?)note.Element("stem") switch
            {
                "up" => true,
                "down" => false,
                _ => null,
            },
            At = MusicXmlReader.At(note),
            Lyrics = MusicXmlLyrics.Of(note),
        };
        return MusicXmlNotations.Apply(note, e, message => LeaveOut(note, message));
    }

    /// <summary>
    /// A rest for the bar says so, or is printed as a whole rest (or as nothing) and lasts as long as the bar.
    /// </summary>
    private bool IsBarRest(XElement note, NoteValue? value, Fraction duration) =>
        (string?)note.Element("rest")?.Attribute("measure") == "yes"
        || _measure.Time is { } time
            && duration == time.BarLength
            && (note.Element("type") is null || value is { Log: 0, Dots: 0 } && duration != Fraction.Whole);

    private Pitch? ReadPitch(XElement element)
    {
        if (MusicXmlPitch.IsBetweenHalfSteps(element))
            LeaveOut(element, Say("musicxml.part.a-pitch-between-the-half-steps-is"));
        if (MusicXmlPitch.Of(element) is { } pitch)
            return _transposition.Sounding(pitch);
        Wrong(element, Say("musicxml.part.a-pitch-that-cannot-be-read"), Say("musicxml.part.a-step-a-g-an-alter-from"));
        return null;
    }
}
