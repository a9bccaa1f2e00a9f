using System.Text.RegularExpressions;
using Coppia.Core.Music;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>Reads the music lines of one voice of an ABC tune into bars (ABC standard 2.1, section 4).</summary>
internal sealed partial class AbcVoice
{
    private readonly AbcTune _tune;
    private readonly AbcPending _pending = new();
    private readonly AbcLyrics _lyrics = new();
    private IReadOnlyDictionary<Letter, int>? _ownSigns;
    private int _octave;
    private Accidentals _accidentals;
    private Dictionary<int, int> _tiedAlters = [];
    private Fraction _unit;
    private Fraction? _brokenNext;
    private string _line = "";
    private int _from;
    private int _at;
    private int _lineNumber;
    private bool _endingsAreNamed;

    /// <param name="tune">What its voices share.</param>
    /// <param name="id">The voice's name in V: fields.</param>
    public AbcVoice(AbcTune tune, string id)
    {
        (_tune, Id, _unit, Draft) = (tune, id, tune.StartUnit, new BarDraft(tune.Size));
        (Draft.Key, Draft.Clef, Draft.Time) = (tune.Key.Key ?? default, tune.Key.Clef ?? Clef.Treble, tune.Time);
        Draft.NextNumber = tune.FirstBarNumber;
        (_octave, _ownSigns) = (tune.Key.Octave, tune.Key.Own);
        _accidentals = NewBar();
    }

    public string Id { get; }

    public string? Name { get; private set; }

    /// <summary>Drums and the like have no pitches.</summary>
    public bool IsUnpitched { get; private set; }

    public BarDraft Draft { get; }

    /// <summary>The voice ended inside a bar.</summary>
    public bool MissingLastBarline { get; private set; }

    private char Now => _at < _line.Length ? _line[_at] : '\0';

    private SourcePosition Here => At(_at);

    /// <summary>Takes what a V: field says behind the name of the voice.</summary>
    public void Take(AbcKey properties, SourcePosition at)
    {
        Name = properties.Name ?? Name;
        IsUnpitched |= properties.IsUnpitched;
        _octave += properties.Octave;
        if (properties.Clef is { } clef)
            ChangeClef(clef);
        foreach (var message in properties.LeftOut)
            _tune.LeftOut.Add(message, at);
    }

    /// <summary>Reads a stretch of a line.</summary>
    /// <param name="line">The whole line.</param>
    /// <param name="number">Its number.</param>
    /// <param name="from">Where the stretch begins.</param>
    /// <param name="to">Where it ends.</param>
    /// <param name="breaks">The music goes to a new line after it.</param>
    public void Read(string line, int number, int from, int to, bool breaks)
    {
        (_line, _from, _lineNumber, _at) = (line[from..to], from, number, 0);
        _lyrics.NewLine(Draft.EventCount);
        while (_at < _line.Length)
            Token();
        if (breaks)
            Draft.BreakLine();
    }

    /// <summary>Words under the line of music read last.</summary>
    public void Sing(string words) => _lyrics.Sing(words);

    /// <summary>Ends the voice and returns its bars.</summary>
    public IReadOnlyList<Bar> Finish()
    {
        if (!Draft.BarIsEmpty)
        {
            MissingLastBarline = true;
            CloseBar(Barline.None, repeatEnd: false);
        }

        if (_pending.TupletLeft > 0 && _pending.TupletAt is { } tuplet)
            _tune.Errors.Add(
                new SourceError(
                    tuplet,
                    Say("abc.voice.the-tune-ends-before-the-tuplet-is", ("tupletLeft", _pending.TupletLeft)),
                    Say("abc.voice.all-notes-of-the-tuplet")
                )
            );
        if (_pending.GracesOpen is { } at)
            _tune.LeftOut.Add(Say("abc.voice.grace-notes-with-no-note-after-them"), at);
        return _lyrics.Under(Draft.Finish());
    }

    private void Token()
    {
        var c = Now;
        if (char.IsWhiteSpace(c) || c is '`' or '$')
            _at++;
        else if (BarlinePattern().Match(_line, _at) is { Success: true } bar)
            ReadBarline(bar);
        else if (c == '[' && EndingPattern().Match(_line, _at) is { Success: true } ending)
        {
            _at += ending.Length;
            StartEnding(ending.Groups[1].Value, ending.Groups[2].Value);
        }
        else if (c == '[' && InlineFieldPattern().Match(_line, _at) is { Success: true } inline)
        {
            Field(inline.Groups[1].Value[0], inline.Groups[2].Value.Trim(), At(_at + 3));
            _at += inline.Length;
        }
        else if (c == '"')
            Quoted();
        else if (c == '!' || c == '+' && PlusDecorationPattern().IsMatch(_line, _at))
            Decoration(c);
        else if (!Curve(c) && !Notes(c))
            Unsounding(c);
    }

    /// <summary>A slur, a tuplet or a tie; false for none of them.</summary>
    private bool Curve(char c)
    {
        if (c == '(' && char.IsAsciiDigit(Peek(1)))
            Tuplet();
        else if (c == '(' || c == '.' && Peek(1) == '(')
        {
            _pending.SlurStarts++;
            _at += c == '.' ? 2 : 1;
        }
        else if (c == ')')
        {
            CloseSlur();
            _at++;
        }
        else if (c == '-' || c == '.' && Peek(1) == '-')
            Tie();
        else
            return false;
        return true;
    }

    /// <summary>A note, chord or rest, or what changes their length; false for none of them.</summary>
    private bool Notes(char c)
    {
        if (c == '{')
            Graces();
        else if (c is '<' or '>')
            Broken(c);
        else if (c is 'z' or 'x' or 'Z' or 'X')
            Rest(c);
        else if (c == '[' || c is '^' or '_' or '=' || IsNoteLetter(c))
            NoteOrChord();
        else
            return false;
        return true;
    }

    private void Unsounding(char c)
    {
        if (c == 'y')
        {
            // Room between notes, as wide as the number behind it says.
            _at++;
            ReadLength();
        }
        else if (c == '&')
            Overlay();
        else if (_tune.SignOf(c) is { } sign)
        {
            Sign(sign, Here);
            _at++;
        }
        else if (c is '\\' or '*' or '|')
            _at++;
        else
            Unknown();
    }

    /// <summary>A sign that Coppia does not know never refuses a tune: it is left out and said.</summary>
    private void Unknown()
    {
        _tune.LeftOut.Add(Say("abc.voice.is-left-out-it-is-not-a", ("now", Now)), Here);
        _at++;
    }

    private void Wrong(string wrong, string expected)
    {
        _tune.Errors.Add(new SourceError(Here, wrong, expected));
        _at++;
    }

    /// <summary>The place in the source of a sign of the stretch in hand.</summary>
    private SourcePosition At(int sign) => new(_lineNumber, _from + sign + 1);

    private char Peek(int ahead) => _at + ahead < _line.Length ? _line[_at + ahead] : '\0';

    private static bool IsNoteLetter(char c) => c is >= 'A' and <= 'G' or >= 'a' and <= 'g';

    private Accidentals NewBar() => new(Draft.Key, _ownSigns);

    [GeneratedRegex(@"\G\[([A-Za-z]):([^\]]*)\]")]
    private static partial Regex InlineFieldPattern();
}
