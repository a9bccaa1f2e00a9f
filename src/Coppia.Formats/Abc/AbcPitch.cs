using System.Globalization;
using Coppia.Core.Music;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>A note’s name and its length as ABC spells them.</summary>
internal sealed partial class AbcVoice
{
    /// <summary>
    /// Accidental, letter and octave marks. An error is recorded and null returned when there is no letter.
    /// </summary>
    private Pitch? ReadPitch(Accidentals accidentals, bool useTies)
    {
        var start = _at;
        var printed = ReadAccidental();
        if (!IsNoteLetter(Now) || printed is > 2 or < -2)
        {
            if (printed is null)
                Wrong(Say("abc.pitch.is-not-a-note", ("now", Now)), Say("abc.pitch.a-note-letter-a-g-or-a"));
            else
                _tune.LeftOut.Add(Say("abc.pitch.an-accidental-without-a-note-that-can"), At(start));
            return null;
        }

        var octave = _octave + (char.IsUpper(Now) ? 4 : 5);
        var letter = Enum.Parse<Letter>(char.ToUpperInvariant(Now).ToString());
        _at++;
        while (Now is '\'' or ',')
            octave += _line[_at++] == ',' ? -1 : 1;
        if (octave is < 0 or > 9)
        {
            var wrong = Say("abc.pitch.the-note-lies-outside-all-instruments");
            _tune.Errors.Add(new SourceError(At(start), wrong, Say("abc.pitch.octave-marks-that-keep-it-between-c0")));
            return null;
        }

        var step = new Pitch(letter, 0, octave).Step;
        if (printed is { } alter)
            accidentals.Print(step, alter);
        else if (useTies && _tiedAlters.TryGetValue(step, out var tied))
            return new Pitch(letter, tied, octave);
        return new Pitch(letter, accidentals.InForce(step), octave);
    }

    private int? ReadAccidental()
    {
        int? printed = null;
        for (; Now is '^' or '_' or '='; _at++)
        {
            printed = Now switch
            {
                '^' => (printed ?? 0) + 1,
                '_' => (printed ?? 0) - 1,
                _ => 0,
            };
        }

        return printed;
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

        if (above is > 0 and <= 256 && below is > 0 and <= 256)
            return new Fraction(above, below);
        _tune.Errors.Add(
            new SourceError(
                start,
                Say("abc.pitch.the-note-length-is-out-of-range"),
                Say("abc.pitch.a-multiplier-such-as-2-3-2")
            )
        );
        return Fraction.Whole;
    }

    private long? ReadNumber()
    {
        var start = _at;
        while (char.IsAsciiDigit(Now) && _at - start < 4)
            _at++;
        return _at == start ? null : long.Parse(_line.AsSpan(start, _at - start), CultureInfo.InvariantCulture);
    }
}
