using Coppia.Core.Music;

namespace Coppia.Formats.Abc;

/// <summary>
/// Puts the words of w: lines under the notes of the line of music before them (ABC standard 2.1, section 5.1).
/// </summary>
internal sealed class AbcLyrics
{
    private readonly Dictionary<int, List<string>> _under = [];
    private List<(int Event, int Bar)> _notes = [];
    private int _bar;
    private int _verses;
    private int _firstOfLine = -1;

    /// <summary>A line of music begins, or goes on after a change of voice.</summary>
    public void NewLine(int firstEvent)
    {
        if (_firstOfLine == firstEvent)
            return;
        (_firstOfLine, _verses) = (firstEvent, 0);
        _notes = [];
    }

    public void NewBar() => _bar++;

    /// <summary>A note of the line: its number among all notes and rests of the voice.</summary>
    public void Note(int number) => _notes.Add((number, _bar));

    /// <summary>One verse of the line.</summary>
    public void Sing(string words)
    {
        var verse = _verses++;
        var at = 0;
        foreach (var syllable in Syllables(words))
        {
            if (syllable == "|")
            {
                var bar = at < _notes.Count ? _notes[at].Bar : -1;
                if (at > 0 && bar == _notes[at - 1].Bar)
                {
                    while (at < _notes.Count && _notes[at].Bar == bar)
                        at++;
                }

                continue;
            }

            if (at >= _notes.Count)
                return;
            if (syllable is not ("*" or "_"))
                Put(_notes[at].Event, verse, syllable);
            at++;
        }
    }

    /// <summary>The bars with their words.</summary>
    public IReadOnlyList<Bar> Under(IReadOnlyList<Bar> bars)
    {
        if (_under.Count == 0)
            return bars;
        var number = 0;
        return
        [
            .. bars.Select(b =>
                b with
                {
                    Events =
                    [
                        .. b.Events.Select(e =>
                            _under.TryGetValue(number++, out var words) ? e with { Lyrics = words } : e
                        ),
                    ],
                }
            ),
        ];
    }

    private void Put(int note, int verse, string syllable)
    {
        if (!_under.TryGetValue(note, out var verses))
            _under[note] = verses = [];
        while (verses.Count < verse)
            verses.Add("");
        if (verses.Count == verse)
            verses.Add(syllable);
    }

    /// <summary>
    /// Syllables with their hyphens; a second hyphen, <c>_</c> and <c>*</c> stand for notes without one, <c>|</c> for
    /// the next bar.
    /// </summary>
    private static IEnumerable<string> Syllables(string words)
    {
        var now = "";
        for (var i = 0; i < words.Length; i++)
        {
            var c = words[i];
            if (c == '\\' && i + 1 < words.Length && words[i + 1] == '-')
            {
                now += '-';
                i++;
            }
            else if (c is '-' or '_' or '*' or '|' || char.IsWhiteSpace(c))
            {
                var before = now;
                now = "";
                if (before.Length > 0)
                    yield return AbcText.Plain(before) + (c == '-' ? "-" : "");
                if (c == '-' && before.Length == 0)
                    yield return "_";
                if (c is '_' or '*' or '|')
                    yield return c.ToString();
            }
            else
            {
                now += c == '~' ? ' ' : c;
            }
        }

        if (now.Length > 0)
            yield return AbcText.Plain(now);
    }
}
