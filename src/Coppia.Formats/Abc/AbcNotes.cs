using Coppia.Core.Music;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>Notes, rests, chords and graces.</summary>
internal sealed partial class AbcVoice
{
    private void NoteOrChord()
    {
        var at = Here;
        var (pitches, inner, tied) = (new List<Pitch>(), Fraction.Whole, false);
        if (Now == '[')
        {
            (inner, tied) = Chord(pitches);
            if (Now == ']')
                _at++;
            else
                _tune.Errors.Add(
                    new SourceError(at, Say("abc.notes.a-chord-begins-with-and-never-ends"), "a closing ]")
                );
            if (pitches.Count > 1)
                _tune.LeftOut.Add(Say("abc.notes.double-stops-are-shown-but-only-the"), at);
        }
        else if (ReadPitch(_accidentals, useTies: Draft.BarIsEmpty) is { } pitch)
            pitches.Add(pitch);

        if (pitches.Count == 0)
            return;
        var added = AddTimed(at, ReadLength() * inner, pitches, isBarRest: false);
        if (added && tied)
            Draft.ChangeLast(e => e with { TiedOn = true });
    }

    /// <summary>The notes of a chord as far as its end; the length of the first, and whether one is tied.</summary>
    private (Fraction Length, bool Tied) Chord(List<Pitch> pitches)
    {
        var (first, tied) = (Fraction.Whole, false);
        _at++;
        while (_at < _line.Length && Now != ']')
        {
            if (Now == ' ')
            {
                _at++;
                continue;
            }

            if (SignInChord())
                continue;
            if (ReadPitch(_accidentals, useTies: Draft.BarIsEmpty) is not { } member)
            {
                SkipTo(']');
                break;
            }

            pitches.Add(member);
            var length = ReadLength();
            if (pitches.Count == 1)
                first = length;
            if (Now == '-')
            {
                _at++;
                tied = true;
            }
        }

        return (first, tied);
    }

    /// <summary>A decoration or a quoted text on one note of a chord counts for the chord.</summary>
    private bool SignInChord()
    {
        if (Now is '!')
            Decoration('!');
        else if (Now is '"')
            Quoted();
        else if (!IsNoteLetter(Now) && _tune.SignOf(Now) is { } sign)
        {
            Sign(sign, Here);
            _at++;
        }
        else
            return false;
        return true;
    }

    private void SkipTo(char end)
    {
        while (_at < _line.Length && Now != end)
            _at++;
    }

    private void Rest(char c)
    {
        var at = Here;
        _at++;
        if (c is 'z' or 'x')
        {
            AddTimed(at, ReadLength(), [], isBarRest: false);
            return;
        }

        var bars = ReadNumber() ?? 1;
        if (bars is < 1 or > 200)
            _tune.Errors.Add(
                new SourceError(at, Say("abc.notes.a-rest-of-bars", ("bars", bars)), Say("abc.notes.1-to-200"))
            );
        for (var i = 0; i < Math.Min(bars, 200); i++)
        {
            if (i > 0)
                CloseBar(Barline.Plain, repeatEnd: false);
            Draft.Add(
                new ScoreEvent
                {
                    Value = new NoteValue(0),
                    IsBarRest = true,
                    At = at,
                }
            );
        }
    }

    /// <summary>
    /// Adds a note or rest of a length in unit notes, split into tied values where no single value has it.
    /// </summary>
    /// <returns>Whether it could be added: its length can be written.</returns>
    private bool AddTimed(SourcePosition at, Fraction multiplier, IReadOnlyList<Pitch> pitches, bool isBarRest)
    {
        var written = multiplier * _unit * (_brokenNext ?? Fraction.Whole);
        _brokenNext = null;
        if (NoteValue.Split(written) is not { Count: > 0 } parts)
        {
            _tune.Errors.Add(
                new SourceError(
                    at,
                    Say("abc.notes.a-length-of-of-a-whole-note", ("written", written)),
                    Say("abc.notes.lengths-made-of-whole-to-128th-notes")
                )
            );
            return false;
        }

        for (var i = 0; i < parts.Count; i++)
        {
            var (first, last) = (i == 0, i == parts.Count - 1);
            var e = Part(parts[i], pitches, first, last) with { IsBarRest = isBarRest, At = at };
            if (first && pitches.Count > 0)
                _lyrics.Note(Draft.EventCount);
            Draft.Add(first ? WithPending(e) : e);
        }

        if (pitches.Count > 0)
            _tiedAlters = [];
        ForgetPending();
        return true;
    }

    /// <summary>One of the tied values that a length is made of.</summary>
    private ScoreEvent Part(NoteValue value, IReadOnlyList<Pitch> pitches, bool first, bool last)
    {
        var inTuplet = _pending.TupletLeft > 0;
        return new ScoreEvent
        {
            Pitch = pitches.Count > 0 ? pitches[0] : null,
            Chord = [.. pitches.Skip(1)],
            Value = inTuplet
                ? value with
                {
                    TupletActual = _pending.TupletActual,
                    TupletNormal = _pending.TupletNormal,
                }
                : value,
            TiedOn = !last && pitches.Count > 0,
            TupletStart = inTuplet && first && _pending.TupletStart,
            TupletStop = inTuplet && last && _pending.TupletLeft == 1,
        };
    }

    /// <summary>What stood before a note belongs to it.</summary>
    private ScoreEvent WithPending(ScoreEvent e) =>
        e with
        {
            SlurStarts = _pending.SlurStarts,
            Marks = _pending.Marks,
            PrintedFinger = _pending.Finger,
            PrintedFingerTo = _pending.FingerTo,
            Hairpin = _pending.Hairpin,
            HairpinStop = _pending.HairpinStop,
            ClefChange = _pending.Clef,
            Dynamic = _pending.Dynamic,
            Words = _pending.Words,
            Graces = e.Pitch is not null ? _pending.Graces : [],
        };

    private void ForgetPending()
    {
        if (_pending.TupletLeft > 0)
            _pending.TupletLeft--;
        _pending.TupletStart = false;
        _pending.SlurStarts = 0;
        _pending.Marks = Marks.None;
        (_pending.Finger, _pending.FingerTo) = (null, null);
        (_pending.Hairpin, _pending.HairpinStop) = (Hairpin.None, false);
        _pending.Clef = null;
        _pending.Dynamic = null;
        _pending.Words = null;
        _pending.Graces = [];
        _pending.GracesOpen = null;
    }

    private void CloseSlur()
    {
        if (!Draft.ChangeLast(e => e with { SlurStops = e.SlurStops + 1 }))
            _tune.LeftOut.Add(Say("abc.notes.a-slur-sign-that-ends-nothing-is"), Here);
    }

    private void Graces()
    {
        var at = Here;
        var end = _line.IndexOf('}', _at);
        if (end < 0)
        {
            _tune.Errors.Add(new SourceError(at, Say("abc.notes.grace-notes-begin-with-and-never-end"), "a closing }"));
            _at = _line.Length;
            return;
        }

        _at++;
        var slashed = Now == '/';
        if (slashed)
            _at++;
        while (_at < end)
            Grace(end, slashed);

        _pending.GracesOpen = at;
        _at = end + 1;
    }

    private void Grace(int end, bool slashed)
    {
        if (Now is ' ' or '(' or ')')
        {
            _at++;
        }
        else if (Now is '"' && _line.IndexOf('"', _at + 1) is > 0 and var quote && quote < end)
        {
            _at = quote + 1;
        }
        else if (!IsNoteLetter(Now) && Now is not ('^' or '_' or '='))
        {
            _tune.LeftOut.Add(Say("abc.notes.among-grace-notes-is-left-out", ("now", Now)), Here);
            _at++;
        }
        else if (ReadPitch(_accidentals, useTies: false) is { } pitch)
        {
            var value = NoteValue.Exactly(ReadLength() * new Fraction(1, 8)) ?? new NoteValue(3);
            _pending.Graces.Add(new GraceNote("", pitch, value, slashed));
        }
    }
}
