using System.Text.RegularExpressions;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>Barlines, repeats and endings.</summary>
internal sealed partial class AbcVoice
{
    private void ReadBarline(Match bar)
    {
        var text = string.Concat(bar.Groups[1].Value.Where(c => !char.IsWhiteSpace(c)));
        _at += bar.Length;
        var repeatEnd = text[0] == ':';
        var repeatStart = text.Length > 1 && text[^1] == ':';
        var line =
            text.Contains("|]", StringComparison.Ordinal) ? Barline.Final
            : text.Contains("||", StringComparison.Ordinal) && !repeatEnd && !repeatStart
            || text.StartsWith("[|", StringComparison.Ordinal)
                ? Barline.Double
            : Barline.Plain;
        // One colon more, one time more (ABC standard 2.1, section 4.8); "::" alone ends one repeat and begins the
        // next.
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
                _tune.LeftOut.Add(Say("abc.barlines.the-ending-gets-the-next-number", ("word", word)), Here);
            _endingsAreNamed = true;
        }

        Draft.StartEnding(numbers.Length == 0 ? null : numbers);
    }

    private void CloseBar(Barline line, bool repeatEnd, int times = 2)
    {
        if (_brokenNext is not null)
        {
            _tune.LeftOut.Add(Say("abc.barlines.a-or-before-a-barline-shortens-no"), Here);
            _brokenNext = null;
        }

        // A hairpin that closes after the last note of a bar ends with it.
        if (_pending.HairpinStop && Draft.ChangeLast(e => e with { HairpinStop = true }))
            _pending.HairpinStop = false;
        if (!Draft.BarIsEmpty)
        {
            // A tie carries its accidental over the barline to the one note it leads to (craft 1).
            _tiedAlters = Draft.Events[^1] is { TiedOn: true, Pitch: { } pitch }
                ? new() { [pitch.Step] = pitch.Alter }
                : [];
            _accidentals = NewBar();
            _lyrics.NewBar();
        }

        Draft.EndBar(line, repeatEnd, endingStop: false, times);
    }

    [GeneratedRegex(
        @"\G(:{1,9}\s{0,9}\|{1,9}\s{0,9}:{1,9}|:{1,9}\s{0,9}\|{1,9}\]?|::|\|{1,9}:{1,9}|\[\|:?|\|\]|\|\||\|)"
            + @"(?:\[?([1-9](?:[,\-][1-9])*)(?![0-9/]))?"
    )]
    private static partial Regex BarlinePattern();

    [GeneratedRegex("\\G\\[(?:([1-9](?:[,\\-][1-9])*)|\\s*\"([^\"]*)\")")]
    private static partial Regex EndingPattern();
}
