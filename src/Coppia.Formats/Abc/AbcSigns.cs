using System.Text.RegularExpressions;
using Coppia.Core.Music;
using Coppia.Core.Wording.Stand;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>Annotations and decorations.</summary>
internal sealed partial class AbcVoice
{
    private void Quoted()
    {
        var end = _line.IndexOf('"', _at + 1);
        if (end < 0)
        {
            _tune.Errors.Add(
                new SourceError(
                    Here,
                    Say("abc.signs.a-quotation-mark-is-never-closed"),
                    Say("abc.signs.a-closing-on-the-same-line")
                )
            );
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
            _tune.LeftOut.Add(Say("abc.signs.chord-symbols-are-left-out"), Here);
        _at = end + 1;
    }

    private void Decoration(char fence)
    {
        var end = _line.IndexOf(fence, _at + 1);
        if (end < 0)
        {
            // Old sources end a line of music with a single exclamation mark.
            if (_line[(_at + 1)..].Trim().Length > 0 && !_tune.BreaksAtExclamation)
                _tune.LeftOut.Add(Say("abc.signs.a-that-opens-a-decoration-and-never", ("fence", fence)), Here);
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
            _tune.LeftOut.Add(Say("abc.signs.the-decoration-is-left-out", ("name", name)), at);
    }

    private void Overlay()
    {
        _tune.LeftOut.Add(Say("abc.signs.a-second-voice-within-the-bar-is"), Here);
        while (_at < _line.Length && Now != '|')
            _at++;
    }

    /// <summary>Old sources fence decorations with plus signs.</summary>
    [GeneratedRegex(@"\G\+[^\s+|]+\+")]
    private static partial Regex PlusDecorationPattern();
}
