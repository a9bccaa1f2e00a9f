using Coppia.Core.Music;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>Fields that change a voice on its way: key, meter, unit, clef, part.</summary>
internal sealed partial class AbcVoice
{
    /// <summary>A field within the music or on a line of its own, for this voice.</summary>
    public void Field(char name, string value, SourcePosition at)
    {
        switch (name)
        {
            case 'M':
                ChangeMeter(value, at);
                break;
            case 'L':
                ChangeUnit(value, at);
                break;
            case 'K':
                ChangeKey(value, at);
                break;
            case 'P':
                Draft.Label(AbcText.Plain(value));
                break;
            case 'Q':
                _tune.LeftOut.Add(Say("abc.voice-fields.a-change-of-tempo-inside-the-tune"), at);
                break;
            case 'T':
                _tune.LeftOut.Add(Say("abc.voice-fields.a-title-inside-the-tune-is-left"), at);
                break;
            case 'U':
                _tune.DefineSign(value);
                break;
            case 'I' when value is "uncountedbar":
                Draft.Uncounted();
                break;
            case 'I'
                when value.StartsWith("setbarnb", StringComparison.Ordinal) && int.TryParse(value[8..], out var number):
                Draft.NextNumber = number;
                break;
            case 'W':
                _tune.LeftOut.Add(Say("abc.voice-fields.words-below-the-tune-w-lines-are"), at);
                break;
        }
    }

    private void ChangeMeter(string value, SourcePosition at)
    {
        var (time, expected) = AbcFields.Meter(value);
        if (expected is not null)
            _tune.Errors.Add(new SourceError(at, Say("abc.reader.is-not-a-meter", ("value", value)), expected));
        else
            Draft.Time = time;
    }

    private void ChangeUnit(string value, SourcePosition at)
    {
        if (AbcFields.UnitLength(value) is { } unit)
        {
            _unit = unit;
            return;
        }

        var wrong = Say("abc.reader.is-not-a-note-length", ("value", value));
        _tune.Errors.Add(new SourceError(at, wrong, Say("abc.reader.a-fraction-such-as-l-1-8")));
    }

    private void ChangeKey(string value, SourcePosition at)
    {
        var read = AbcKey.Of(value);
        if (read.Wrong is { } wrong)
            _tune.Errors.Add(new SourceError(at, wrong, Say("abc.voice-fields.a-key-such-as-k-d-k")));
        foreach (var message in read.LeftOut)
            _tune.LeftOut.Add(message, at);
        if (read.Key is { } key)
        {
            (Draft.Key, _ownSigns) = (key, read.Own);
            _accidentals = NewBar();
        }

        if (read.Clef is { } clef)
            ChangeClef(clef);
    }

    /// <summary>In the middle of a bar the clef stands before the next note.</summary>
    private void ChangeClef(Clef clef)
    {
        if (!Draft.BarIsEmpty && clef != Draft.ClefNow)
            _pending.Clef = clef;
        else
            Draft.Clef = clef;
    }
}
