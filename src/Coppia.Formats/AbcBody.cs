using System.Text.RegularExpressions;
using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Formats;

/// <summary>Reads the music lines of an ABC tune into bars (ABC standard 2.1, section 4).</summary>
internal sealed partial class AbcBody(List<SourceError> errors, List<Notice> notices, Fraction unit)
{
    private readonly AbcPending _pending = new();
    private readonly HashSet<string> _leftOut = [];
    private Accidentals _accidentals = new(default);
    private Dictionary<int, int> _tiedAlters = [];
    private Fraction _unit = unit;
    private Fraction? _brokenNext;
    private string _line = "";
    private int _at;
    private int _lineNumber;

    public BarDraft Draft { get; } = new();

    /// <summary>The tune ended inside a bar.</summary>
    public bool MissingLastBarline { get; private set; }

    private char Now => _at < _line.Length ? _line[_at] : '\0';

    private SourcePosition Here => new(_lineNumber, _at + 1);

    public void Read(string[] lines, int first)
    {
        _accidentals = new Accidentals(Draft.Key);
        for (var i = first; i < lines.Length; i++)
        {
            _lineNumber = i + 1;
            _at = 0;
            _line = AbcReader.StripComment(lines[i]).TrimEnd();
            if (_line.Trim().Length == 0)
                continue;
            if (AbcReader.IsField(_line))
            {
                if (_line[0] is 'X')
                {
                    notices.Add(new Notice(Here, null, $"Only the first tune is read; the one at line {_lineNumber} is left out."));
                    break;
                }

                if (_line[0] is 'w' or 'W')
                    LeaveOut("Words under the music (w: lines) are left out.");
                else if (_line[0] is 'V')
                    LeaveOut("Only one voice is read; V: lines are left out.");
                else
                    Field(_line[0], _line[2..].Trim(), new(_lineNumber, 3));
                continue;
            }

            var goesOn = _line.EndsWith('\\');
            if (goesOn)
                _line = _line[..^1];
            while (_at < _line.Length)
                Token();
            if (!goesOn)
                Draft.BreakLine();
        }

        if (!Draft.BarIsEmpty)
        {
            MissingLastBarline = true;
            CloseBar(Barline.None, repeatEnd: false);
        }

        if (_pending.GracesOpen is { } at)
            errors.Add(new SourceError(at, "grace notes with no note after them", "a note after the closing brace"));
    }

    private void Token()
    {
        var c = Now;
        if (char.IsWhiteSpace(c) || c is '`' or 'y' or '$')
            _at++;
        else if (BarlinePattern().Match(_line, _at) is { Success: true } bar && bar.Index == _at)
            ReadBarline(bar);
        else if (c == '[' && EndingPattern().Match(_line, _at) is { Success: true } ending && ending.Index == _at)
        {
            _at += ending.Length;
            Draft.StartEnding(ending.Groups[1].Value);
        }
        else if (c == '[' && InlineFieldPattern().Match(_line, _at) is { Success: true } inline && inline.Index == _at)
        {
            Field(inline.Groups[1].Value[0], inline.Groups[2].Value.Trim(), new(_lineNumber, _at + 4));
            _at += inline.Length;
        }
        else if (c == '"')
            Quoted();
        else if (c is '!' or '+')
            Decoration(c);
        else if (c == '(' && char.IsAsciiDigit(Peek(1)))
            Tuplet();
        else if (c == '(')
        {
            _pending.SlurStarts++;
            _at++;
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
        else if (c == '-')
            Tie();
        else if (c is 'z' or 'x' or 'Z' or 'X')
            Rest(c);
        else if (AbcDecorations.Shorthand(c) is { } mark)
        {
            _pending.Marks |= mark;
            _at++;
        }
        else if (c == '&')
            Overlay();
        else if (c == '[' || c is '^' or '_' or '=' || IsNoteLetter(c))
            NoteOrChord();
        else
            Wrong($"“{c}” is not a note or a sign of ABC", "a note letter A–G or a–g, a rest z, or a barline |");
    }

    private void Wrong(string wrong, string expected)
    {
        errors.Add(new SourceError(Here, wrong, expected));
        _at++;
    }

    private char Peek(int ahead) => _at + ahead < _line.Length ? _line[_at + ahead] : '\0';

    private static bool IsNoteLetter(char c) => c is >= 'A' and <= 'G' or >= 'a' and <= 'g';

    private void LeaveOut(string message)
    {
        if (_leftOut.Add(message))
            notices.Add(new Notice(Here, null, message));
    }

    private void Field(char name, string value, SourcePosition at)
    {
        switch (name)
        {
            case 'M':
                var (time, expected) = AbcFields.Meter(value);
                if (expected is not null)
                    errors.Add(new SourceError(at, $"“{value}” is not a meter", expected));
                else
                    Draft.Time = time;
                break;
            case 'L':
                if (AbcFields.UnitLength(value) is { } unit)
                    _unit = unit;
                else
                    errors.Add(new SourceError(at, $"“{value}” is not a note length", "a fraction such as L:1/8"));
                break;
            case 'K':
                var (key, clef, wrong, _) = AbcFields.Key(value);
                if (wrong is not null)
                    errors.Add(new SourceError(at, wrong, "a key such as K:D, K:Bb or K:Am"));
                if (key is { } found)
                {
                    Draft.Key = found;
                    _accidentals = new Accidentals(found);
                }

                if (clef is not null)
                    LeaveOut("A change of clef inside the tune is left out; the first clef stays.");
                break;
            case 'Q':
                LeaveOut("A change of tempo inside the tune is left out.");
                break;
        }
    }

    private void Quoted()
    {
        var end = _line.IndexOf('"', _at + 1);
        if (end < 0)
        {
            errors.Add(new SourceError(Here, "a quotation mark is never closed", "a closing \" on the same line"));
            _at = _line.Length;
            return;
        }

        var text = _line[(_at + 1)..end];
        var annotation = text.Length > 1 && text[0] is '^' or '_' or '<' or '>' or '@';
        if (WaymarkWords.Of(annotation ? text[1..] : text) is var mark and not Waymarks.None)
            Draft.Mark(mark);
        else if (annotation)
            _pending.Words = text[1..].Trim();
        else
            LeaveOut("Chord symbols are left out.");
        _at = end + 1;
    }

    private void Decoration(char fence)
    {
        var end = _line.IndexOf(fence, _at + 1);
        if (end < 0)
        {
            Wrong($"a decoration begins with {fence} and never ends", $"a closing {fence}, as in !upbow!");
            return;
        }

        var name = _line[(_at + 1)..end];
        if (WaymarkWords.Of(name) is var mark and not Waymarks.None)
            Draft.Mark(mark);
        else if (!AbcDecorations.Apply(name, _pending))
            LeaveOut($"The decoration !{name}! is left out.");
        _at = end + 1;
    }

    private void Overlay()
    {
        LeaveOut("Only one voice is read; a voice overlay (&) is left out.");
        while (_at < _line.Length && Now != '|')
            _at++;
    }

    private void ReadBarline(Match bar)
    {
        var text = bar.Groups[1].Value;
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
            Draft.StartEnding(bar.Groups[2].Value);
    }

    private void CloseBar(Barline line, bool repeatEnd, int times = 2)
    {
        if (_pending.TupletLeft > 0 && !Draft.BarIsEmpty)
        {
            errors.Add(
                new SourceError(
                    Here,
                    $"the barline comes before the tuplet is full; {_pending.TupletLeft} more of its notes are missing",
                    "all notes of a tuplet in one bar"
                )
            );
            _pending.TupletLeft = 0;
        }

        if (_brokenNext is not null)
        {
            errors.Add(new SourceError(Here, "a broken-rhythm sign leads to a barline", "a note after < or >"));
            _brokenNext = null;
        }

        if (!Draft.BarIsEmpty)
        {
            // A tie carries its accidental over the barline to the one note it leads to (craft 1).
            _tiedAlters = Draft.Events[^1] is { TiedOn: true, Pitch: { } pitch } ? new() { [pitch.Step] = pitch.Alter } : [];
            _accidentals = new Accidentals(Draft.Key);
        }

        Draft.EndBar(line, repeatEnd, endingStop: false, times);
    }

    [GeneratedRegex(@"\G((?::+\|+:+)|:+\|+\]?|::|\|+:+|\[\|:?|\|\]|\|\||\|)\s*?(?:(?<=[|:\]])\[?([1-9](?:[,\-][1-9])*)(?![0-9/]))?")]
    private static partial Regex BarlinePattern();

    [GeneratedRegex(@"\G\[([1-9](?:[,\-][1-9])*)")]
    private static partial Regex EndingPattern();

    [GeneratedRegex(@"\G\[([A-Za-z]):([^\]]*)\]")]
    private static partial Regex InlineFieldPattern();
}
