using System.Text.RegularExpressions;
using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Formats;

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
    private int _at;
    private int _lineNumber;
    private bool _endingsAreNamed;

    /// <param name="tune">What its voices share.</param>
    /// <param name="id">The voice's name in V: fields.</param>
    public AbcVoice(AbcTune tune, string id)
    {
        (_tune, Id, _unit) = (tune, id, tune.StartUnit);
        (Draft.Key, Draft.Clef, Draft.Time) = (tune.Key.Key ?? default, tune.Key.Clef ?? Clef.Treble, tune.Time);
        Draft.NextNumber = tune.FirstBarNumber;
        (_octave, _ownSigns) = (tune.Key.Octave, tune.Key.Own);
        _accidentals = NewBar();
    }

    public string Id { get; }

    public string? Name { get; private set; }

    /// <summary>Drums and the like have no pitches.</summary>
    public bool IsUnpitched { get; private set; }

    public BarDraft Draft { get; } = new();

    /// <summary>The voice ended inside a bar.</summary>
    public bool MissingLastBarline { get; private set; }

    private char Now => _at < _line.Length ? _line[_at] : '\0';

    private SourcePosition Here => new(_lineNumber, _at + 1);

    /// <summary>Takes what a V: field says behind the name of the voice.</summary>
    public void Take(AbcKey properties, SourcePosition at)
    {
        Name = properties.Name ?? Name;
        IsUnpitched |= properties.IsUnpitched;
        _octave += properties.Octave;
        if (properties.Clef is { } clef)
            ChangeClef(clef);
        foreach (var message in properties.LeftOut)
            _tune.LeftOut.Say(message, at);
    }

    /// <summary>Reads a stretch of a line.</summary>
    /// <param name="line">The whole line.</param>
    /// <param name="number">Its number.</param>
    /// <param name="from">Where the stretch begins.</param>
    /// <param name="to">Where it ends.</param>
    /// <param name="breaks">The music goes to a new line after it.</param>
    public void Read(string line, int number, int from, int to, bool breaks)
    {
        (_line, _lineNumber, _at) = (line[..to], number, from);
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
                    $"the tune ends before the tuplet is full; {_pending.TupletLeft} more of its notes are missing",
                    "all notes of the tuplet"
                )
            );
        if (_pending.GracesOpen is { } at)
            _tune.LeftOut.Say("Grace notes with no note after them are left out.", at);
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
            Field(inline.Groups[1].Value[0], inline.Groups[2].Value.Trim(), new(_lineNumber, _at + 4));
            _at += inline.Length;
        }
        else if (c == '"')
            Quoted();
        else if (c == '!' || c == '+' && PlusDecorationPattern().IsMatch(_line, _at))
            Decoration(c);
        else if (c == '(' && char.IsAsciiDigit(Peek(1)))
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
        else if (c == '{')
            Graces();
        else if (c is '<' or '>')
            Broken(c);
        else if (c == '-' || c == '.' && Peek(1) == '-')
            Tie();
        else if (c is 'z' or 'x' or 'Z' or 'X')
            Rest(c);
        else if (c == 'y')
        {
            // Room between notes, as wide as the number behind it says.
            _at++;
            ReadLength();
        }
        else if (c == '&')
            Overlay();
        else if (c == '[' || c is '^' or '_' or '=' || IsNoteLetter(c))
            NoteOrChord();
        else if (_tune.SignOf(c) is { } sign)
        {
            Sign(sign, Here);
            _at++;
        }
        else if (c == '\\' || c == '*' || c == '|')
            _at++;
        else
            Unknown();
    }

    /// <summary>A sign that Coppia does not know never refuses a tune: it is left out and said.</summary>
    private void Unknown()
    {
        _tune.LeftOut.Say(
            $"“{Now}” is left out; it is not a note or a sign of ABC that Coppia knows: a note letter A–G or a–g, a rest z, a barline |.",
            Here
        );
        _at++;
    }

    private void Wrong(string wrong, string expected)
    {
        _tune.Errors.Add(new SourceError(Here, wrong, expected));
        _at++;
    }

    private char Peek(int ahead) => _at + ahead < _line.Length ? _line[_at + ahead] : '\0';

    private static bool IsNoteLetter(char c) => c is >= 'A' and <= 'G' or >= 'a' and <= 'g';

    private Accidentals NewBar() => new(Draft.Key, _ownSigns);

    /// <summary>A field within the music or on a line of its own, for this voice.</summary>
    public void Field(char name, string value, SourcePosition at)
    {
        switch (name)
        {
            case 'M':
                var (time, expected) = AbcFields.Meter(value);
                if (expected is not null)
                    _tune.Errors.Add(new SourceError(at, $"“{value}” is not a meter", expected));
                else
                    Draft.Time = time;
                break;
            case 'L':
                if (AbcFields.UnitLength(value) is { } unit)
                    _unit = unit;
                else
                    _tune.Errors.Add(new SourceError(at, $"“{value}” is not a note length", "a fraction such as L:1/8"));
                break;
            case 'K':
                ChangeKey(value, at);
                break;
            case 'P':
                Draft.Label(AbcText.Plain(value));
                break;
            case 'Q':
                _tune.LeftOut.Say("A change of tempo inside the tune is left out.", at);
                break;
            case 'T':
                _tune.LeftOut.Say("A title inside the tune is left out.", at);
                break;
            case 'U':
                _tune.DefineSign(value);
                break;
            case 'I' when value is "uncountedbar":
                Draft.Uncounted();
                break;
            case 'I' when value.StartsWith("setbarnb", StringComparison.Ordinal) && int.TryParse(value[8..], out var number):
                Draft.NextNumber = number;
                break;
            case 'W':
                _tune.LeftOut.Say("Words below the tune (W: lines) are left out.", at);
                break;
        }
    }

    private void ChangeKey(string value, SourcePosition at)
    {
        var read = AbcKey.Of(value);
        if (read.Wrong is { } wrong)
            _tune.Errors.Add(new SourceError(at, wrong, "a key such as K:D, K:Bb or K:Am"));
        foreach (var message in read.LeftOut)
            _tune.LeftOut.Say(message, at);
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

    private void Quoted()
    {
        var end = _line.IndexOf('"', _at + 1);
        if (end < 0)
        {
            _tune.Errors.Add(new SourceError(Here, "a quotation mark is never closed", "a closing \" on the same line"));
            _at = _line.Length;
            return;
        }

        var text = AbcText.Plain(_line[(_at + 1)..end]);
        var annotation = text.Length > 1 && text[0] is '^' or '_' or '<' or '>' or '@';
        var words = annotation ? text[1..].Trim() : text;
        if (WaymarkWords.Of(words) is var mark and not Waymarks.None)
            Draft.Mark(mark);
        else if (annotation)
            _pending.Words = _pending.Words is { } before ? $"{before} {words}" : words;
        else
            _tune.LeftOut.Say("Chord symbols are left out.", Here);
        _at = end + 1;
    }

    private void Decoration(char fence)
    {
        var end = _line.IndexOf(fence, _at + 1);
        if (end < 0)
        {
            // Old sources end a line of music with a single exclamation mark.
            if (_line[(_at + 1)..].Trim().Length > 0 && !_tune.BreaksAtExclamation)
                _tune.LeftOut.Say($"A {fence} that opens a decoration and never closes it is left out.", Here);
            else
                Draft.BreakLine();
            _at++;
            return;
        }

        var at = Here;
        var name = _line[(_at + 1)..end];
        if (name.Any(c => c is '|' or ' ') && WaymarkWords.Of(name) == Waymarks.None)
        {
            Draft.BreakLine();
            _at++;
            return;
        }

        _at = end + 1;
        Sign(name, at);
    }

    private void Sign(string name, SourcePosition at)
    {
        if (WaymarkWords.Of(name) is var mark and not Waymarks.None)
            Draft.Mark(mark);
        else if (!AbcDecorations.Apply(name, _pending))
            _tune.LeftOut.Say($"The decoration !{name}! is left out.", at);
    }

    private void Overlay()
    {
        _tune.LeftOut.Say("A second voice within the bar (&) is left out.", Here);
        while (_at < _line.Length && Now != '|')
            _at++;
    }

    private void ReadBarline(Match bar)
    {
        var text = string.Concat(bar.Groups[1].Value.Where(c => !char.IsWhiteSpace(c)));
        _at += bar.Length;
        var repeatEnd = text[0] == ':';
        var repeatStart = text.Length > 1 && text[^1] == ':';
        var line =
            text.Contains("|]", StringComparison.Ordinal) ? Barline.Final
            : text.Contains("||", StringComparison.Ordinal) && !repeatEnd && !repeatStart || text.StartsWith("[|", StringComparison.Ordinal)
                ? Barline.Double
            : Barline.Plain;
        // One colon more, one time more (ABC standard 2.1, section 4.8); "::" alone ends one repeat and begins the next.
        CloseBar(line, repeatEnd, text == "::" ? 2 : text.TakeWhile(c => c == ':').Count() + 1);
        if (repeatStart)
            Draft.StartRepeat(text == "::" ? 2 : text.Reverse().TakeWhile(c => c == ':').Count() + 1);
        if (bar.Groups[2].Success)
            StartEnding(bar.Groups[2].Value, "");
    }

    /// <summary>An ending by its numbers; one with a word is the one after those before it.</summary>
    private void StartEnding(string numbers, string word)
    {
        if (numbers.Length == 0)
        {
            if (!_endingsAreNamed)
                _tune.LeftOut.Say($"The ending “{word}” gets the next number.", Here);
            _endingsAreNamed = true;
        }

        Draft.StartEnding(numbers.Length == 0 ? null : numbers);
    }

    private void CloseBar(Barline line, bool repeatEnd, int times = 2)
    {
        if (_brokenNext is not null)
        {
            _tune.LeftOut.Say("A < or > before a barline shortens no note after it.", Here);
            _brokenNext = null;
        }

        // A hairpin that closes after the last note of a bar ends with it.
        if (_pending.HairpinStop && Draft.ChangeLast(e => e with { HairpinStop = true }))
            _pending.HairpinStop = false;
        if (!Draft.BarIsEmpty)
        {
            // A tie carries its accidental over the barline to the one note it leads to (craft 1).
            _tiedAlters = Draft.Events[^1] is { TiedOn: true, Pitch: { } pitch } ? new() { [pitch.Step] = pitch.Alter } : [];
            _accidentals = NewBar();
            _lyrics.NewBar();
        }

        Draft.EndBar(line, repeatEnd, endingStop: false, times);
    }

    [GeneratedRegex(@"\G(:+\s*\|+\s*:+|:+\s*\|+\]?|::|\|+:+|\[\|:?|\|\]|\|\||\|)\s*?(?:(?<=[|:\]])\[?([1-9](?:[,\-][1-9])*)(?![0-9/]))?")]
    private static partial Regex BarlinePattern();

    [GeneratedRegex("\\G\\[(?:([1-9](?:[,\\-][1-9])*)|\\s*\"([^\"]*)\")")]
    private static partial Regex EndingPattern();

    [GeneratedRegex(@"\G\[([A-Za-z]):([^\]]*)\]")]
    private static partial Regex InlineFieldPattern();

    /// <summary>Old sources fence decorations with plus signs.</summary>
    [GeneratedRegex(@"\G\+[^\s+|]+\+")]
    private static partial Regex PlusDecorationPattern();
}
