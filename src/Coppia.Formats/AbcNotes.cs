using System.Globalization;
using Coppia.Core;

namespace Coppia.Formats;

/// <summary>Notes, rests, chords, graces, tuplets, ties and broken rhythm.</summary>
internal sealed partial class AbcBody
{
    private void NoteOrChord()
    {
        var at = Here;
        var pitches = new List<Pitch>();
        var inner = Fraction.Whole;
        if (Now == '[')
        {
            _at++;
            while (_at < _line.Length && Now != ']')
            {
                if (Now == ' ') { _at++; continue; }
                if (ReadPitch(_accidentals, useTies: Draft.BarIsEmpty) is not { } member) { SkipTo(']'); break; }
                pitches.Add(member);
                var length = ReadLength();
                if (pitches.Count == 1) inner = length;
                if (Now == '-') { _at++; _tieChord = true; }
            }

            if (Now == ']') _at++;
            else errors.Add(new SourceError(at, "a chord begins with [ and never ends", "a closing ]"));
            if (pitches.Count > 1) LeaveOut("Double stops are shown, but only the first note of each is given a string and finger.");
        }
        else if (ReadPitch(_accidentals, useTies: Draft.BarIsEmpty) is { } pitch) pitches.Add(pitch);

        if (pitches.Count == 0) return;
        AddTimed(at, ReadLength() * inner, pitches, isBarRest: false);
        if (_tieChord) { Draft.Events[^1] = Draft.Events[^1] with { TiedOn = true }; _tieChord = false; }
    }

    private bool _tieChord;

    private void SkipTo(char end)
    {
        while (_at < _line.Length && Now != end) _at++;
    }

    /// <summary>Accidental, letter and octave marks. An error is recorded and null returned when there is no letter.</summary>
    private Pitch? ReadPitch(Accidentals accidentals, bool useTies)
    {
        int? printed = null;
        var start = _at;
        while (Now is '^' or '_' or '=')
        {
            printed = Now switch { '^' => (printed ?? 0) + 1, '_' => (printed ?? 0) - 1, _ => 0 };
            _at++;
        }

        if (!IsNoteLetter(Now) || printed is > 2 or < -2)
        {
            _at = start;
            Wrong(printed is null ? $"“{Now}” is not a note" : "an accidental without a note that can bear it", "a note letter A–G or a–g after at most two ^ or _");
            _at = Math.Max(_at, start + 1);
            return null;
        }

        var octave = char.IsUpper(Now) ? 4 : 5;
        var letter = Enum.Parse<Letter>(char.ToUpperInvariant(Now).ToString());
        _at++;
        while (Now is '\'' or ',') octave += _line[_at++] == ',' ? -1 : 1;
        if (octave is < 0 or > 9)
        {
            errors.Add(new SourceError(new(_lineNumber, start + 1), "the note lies outside all instruments", "octave marks that keep it between C0 and B9"));
            return null;
        }

        var step = new Pitch(letter, 0, octave).Step;
        if (printed is { } alter) accidentals.Print(step, alter);
        else if (useTies && _tiedAlters.TryGetValue(step, out var tied)) return new Pitch(letter, tied, octave);
        return new Pitch(letter, accidentals.InForce(step), octave);
    }

    /// <summary>A length multiplier: 2, 3/2, /, //, /4.</summary>
    private Fraction ReadLength()
    {
        var start = Here;
        var above = ReadNumber() ?? 1;
        long below = 1;
        while (Now == '/')
        {
            _at++;
            below *= ReadNumber() ?? 2;
        }

        if (above is > 0 and <= 256 && below is > 0 and <= 256) return new Fraction(above, below);
        errors.Add(new SourceError(start, "the note length is out of range", "a multiplier such as 2, 3/2 or /2"));
        return Fraction.Whole;
    }

    private long? ReadNumber()
    {
        var start = _at;
        while (char.IsAsciiDigit(Now) && _at - start < 4) _at++;
        return _at == start ? null : long.Parse(_line.AsSpan(start, _at - start), CultureInfo.InvariantCulture);
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
        if (bars is < 1 or > 200) errors.Add(new SourceError(at, $"a rest of {bars} bars", "1 to 200"));
        for (var i = 0; i < Math.Min(bars, 200); i++)
        {
            if (i > 0) CloseBar(Barline.Plain, repeatEnd: false);
            Draft.Add(new ScoreEvent { Value = new NoteValue(0), IsBarRest = true, At = at });
        }
    }

    /// <summary>Adds a note or rest of a length in unit notes, split into tied values where no single value has it.</summary>
    private void AddTimed(SourcePosition at, Fraction multiplier, IReadOnlyList<Pitch> pitches, bool isBarRest)
    {
        var written = multiplier * _unit * (_brokenNext ?? Fraction.Whole);
        _brokenNext = null;
        if (NoteValue.Split(written) is not { Count: > 0 } parts)
        {
            errors.Add(new SourceError(at, $"a length of {written} of a whole note cannot be written", "lengths made of whole to 128th notes"));
            return;
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

        if (pitches.Count > 0) _tiedAlters = [];
        if (_pending.TupletLeft > 0) _pending.TupletLeft--;
        _pending.TupletStart = false;
        _pending.SlurStarts = 0;
        _pending.Marks = Marks.None;
        _pending.Finger = null;
        _pending.Dynamic = null;
        _pending.Words = null;
        _pending.Graces = [];
        _pending.GracesOpen = null;
    }

    private void CloseSlur()
    {
        if (Draft.BarIsEmpty) notices.Add(new Notice(Here, null, $"The slur sign at {Here} ends nothing; it is left out."));
        else Draft.Events[^1] = Draft.Events[^1] with { SlurStops = Draft.Events[^1].SlurStops + 1 };
    }

    private void Tie()
    {
        if (Draft.BarIsEmpty || Draft.Events[^1].IsRest) errors.Add(new SourceError(Here, "a tie with no note before it", "a tie - right after a note"));
        else Draft.Events[^1] = Draft.Events[^1] with { TiedOn = true };
        _at++;
    }

    private void Broken(char c)
    {
        var at = Here;
        var depth = 0;
        while (Now == c) { depth++; _at++; }
        if (Draft.BarIsEmpty || depth > 2)
        {
            errors.Add(new SourceError(at, "a broken-rhythm sign out of place", "one or two < or > between two notes of a bar"));
            return;
        }

        var shortened = new Fraction(1, 1L << depth);
        var lengthened = new Fraction((1L << (depth + 1)) - 1, 1L << depth);
        var before = Draft.Events[^1];
        var changed = NoteValue.Exactly(before.Value.WrittenLength * (c == '>' ? lengthened : shortened));
        if (changed is not { } value)
        {
            errors.Add(new SourceError(at, $"a {before.Value.Words} cannot be lengthened or shortened so", "a plain note before < or >"));
            return;
        }

        Draft.Events[^1] = before with { Value = value with { TupletActual = before.Value.TupletActual, TupletNormal = before.Value.TupletNormal } };
        _brokenNext = c == '>' ? shortened : lengthened;
    }

    private void Tuplet()
    {
        var at = Here;
        _at++;
        var actual = (int)(ReadNumber() ?? 0);
        var normal = actual switch { 2 => 3, 3 => 2, 4 => 3, 6 => 2, 8 => 3, _ => Draft.Time is { IsCompound: true } ? 3 : 2 };
        var count = actual;
        if (Now == ':')
        {
            _at++;
            normal = (int)(ReadNumber() ?? normal);
            if (Now == ':')
            {
                _at++;
                count = (int)(ReadNumber() ?? count);
            }
        }

        if (actual is < 2 or > 9 || normal is < 1 or > 16 || count is < 1 or > 64)
        {
            errors.Add(new SourceError(at, "not a tuplet that Coppia reads", "(2 to (9, as in (3abc"));
            return;
        }

        (_pending.TupletActual, _pending.TupletNormal, _pending.TupletLeft, _pending.TupletStart) = (actual, normal, count, true);
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
        if (slashed) _at++;
        while (_at < end)
        {
            if (Now is ' ' or '(' or ')') { _at++; continue; }
            if (ReadPitch(_accidentals, useTies: false) is not { } pitch) continue;
            var value = NoteValue.Exactly(ReadLength() * new Fraction(1, 8)) ?? new NoteValue(3);
            _pending.Graces.Add(new GraceNote("", pitch, value, slashed));
        }

        _pending.GracesOpen = at;
        _at = end + 1;
    }
}
