using Coppia.Core.Music;

namespace Coppia.Formats;

/// <summary>Notes, rests, chords and graces.</summary>
internal sealed partial class AbcBody
{
    private void NoteOrChord()
    {
        var at = Here;
        var pitches = new List<Pitch>();
        var inner = Fraction.Whole;
        var tied = false;
        if (Now == '[')
        {
            _at++;
            while (_at < _line.Length && Now != ']')
            {
                if (Now == ' ')
                {
                    _at++;
                    continue;
                }
                if (ReadPitch(_accidentals, useTies: Draft.BarIsEmpty) is not { } member)
                {
                    SkipTo(']');
                    break;
                }
                pitches.Add(member);
                var length = ReadLength();
                if (pitches.Count == 1)
                    inner = length;
                if (Now == '-')
                {
                    _at++;
                    tied = true;
                }
            }

            if (Now == ']')
                _at++;
            else
                errors.Add(new SourceError(at, "a chord begins with [ and never ends", "a closing ]"));
            if (pitches.Count > 1)
                LeaveOut("Double stops are shown, but only the first note of each is given a string and finger.");
        }
        else if (ReadPitch(_accidentals, useTies: Draft.BarIsEmpty) is { } pitch)
            pitches.Add(pitch);

        if (pitches.Count == 0)
            return;
        var added = AddTimed(at, ReadLength() * inner, pitches, isBarRest: false);
        if (added && tied)
            Draft.Events[^1] = Draft.Events[^1] with { TiedOn = true };
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
            errors.Add(new SourceError(at, $"a rest of {bars} bars", "1 to 200"));
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

    /// <summary>Adds a note or rest of a length in unit notes, split into tied values where no single value has it.</summary>
    /// <returns>Whether it could be added: its length can be written.</returns>
    private bool AddTimed(SourcePosition at, Fraction multiplier, IReadOnlyList<Pitch> pitches, bool isBarRest)
    {
        var written = multiplier * _unit * (_brokenNext ?? Fraction.Whole);
        _brokenNext = null;
        if (NoteValue.Split(written) is not { Count: > 0 } parts)
        {
            errors.Add(
                new SourceError(at, $"a length of {written} of a whole note cannot be written", "lengths made of whole to 128th notes")
            );
            return false;
        }

        for (var i = 0; i < parts.Count; i++)
        {
            var first = i == 0;
            var last = i == parts.Count - 1;
            var inTuplet = _pending.TupletLeft > 0;
            var e = new ScoreEvent
            {
                Pitch = pitches.Count > 0 ? pitches[0] : null,
                Chord = [.. pitches.Skip(1)],
                Value = inTuplet ? parts[i] with { TupletActual = _pending.TupletActual, TupletNormal = _pending.TupletNormal } : parts[i],
                IsBarRest = isBarRest,
                TiedOn = !last && pitches.Count > 0,
                At = at,
                TupletStart = inTuplet && first && _pending.TupletStart,
                TupletStop = inTuplet && last && _pending.TupletLeft == 1,
            };
            if (first)
            {
                e = e with
                {
                    SlurStarts = _pending.SlurStarts,
                    Marks = _pending.Marks,
                    PrintedFinger = _pending.Finger,
                    Dynamic = _pending.Dynamic,
                    Words = _pending.Words,
                    Graces = pitches.Count > 0 ? _pending.Graces : [],
                };
            }

            Draft.Add(e);
        }

        if (pitches.Count > 0)
            _tiedAlters = [];
        if (_pending.TupletLeft > 0)
            _pending.TupletLeft--;
        _pending.TupletStart = false;
        _pending.SlurStarts = 0;
        _pending.Marks = Marks.None;
        _pending.Finger = null;
        _pending.Dynamic = null;
        _pending.Words = null;
        _pending.Graces = [];
        _pending.GracesOpen = null;
        return true;
    }

    private void CloseSlur()
    {
        if (Draft.BarIsEmpty)
            notices.Add(new Notice(Here, null, $"The slur sign at {Here} ends nothing; it is left out."));
        else
            Draft.Events[^1] = Draft.Events[^1] with { SlurStops = Draft.Events[^1].SlurStops + 1 };
    }

    private void Graces()
    {
        var at = Here;
        var end = _line.IndexOf('}', _at);
        if (end < 0)
        {
            errors.Add(new SourceError(at, "grace notes begin with { and never end", "a closing }"));
            _at = _line.Length;
            return;
        }

        _at++;
        var slashed = Now == '/';
        if (slashed)
            _at++;
        while (_at < end)
        {
            if (Now is ' ' or '(' or ')')
            {
                _at++;
                continue;
            }
            if (ReadPitch(_accidentals, useTies: false) is not { } pitch)
                continue;
            var value = NoteValue.Exactly(ReadLength() * new Fraction(1, 8)) ?? new NoteValue(3);
            _pending.Graces.Add(new GraceNote("", pitch, value, slashed));
        }

        _pending.GracesOpen = at;
        _at = end + 1;
    }
}
