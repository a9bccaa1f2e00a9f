using System.Text.RegularExpressions;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>The lines of a tune after its header: each goes to the voice that is written at the time.</summary>
internal sealed partial class AbcBody
{
    private readonly AbcTune _tune;
    private readonly List<AbcVoice> _voices = [];
    private AbcVoice? _now;

    private AbcBody(AbcTune tune)
    {
        _tune = tune;
        foreach (var (value, at) in tune.HeaderVoices)
            VoiceOf(value, at);
        _now = _voices.FirstOrDefault();
    }

    /// <summary>All voices, in the order in which they first come.</summary>
    public static List<AbcVoice> Read(ReadOnlySpan<AbcLine> lines, AbcTune tune)
    {
        var body = new AbcBody(tune);
        var field = '\0';
        foreach (var line in lines)
        {
            body.Take(line, field);
            field = line.Kind == AbcLineKind.Field ? line.Field : field;
        }

        return body._voices;
    }

    private AbcVoice Now => _now ??= VoiceOf("1", default);

    /// <param name="field">The last field before the line.</param>
    private void Take(AbcLine line, char field)
    {
        switch (line.Kind)
        {
            case AbcLineKind.Text:
                _tune.LeftOut.Add(Say("abc.reader.lines-of-text-are-left-out"), new(line.Number, 1));
                break;
            case AbcLineKind.MoreOfField when field is 'w':
                Now.Sing(line.Value);
                break;
            case AbcLineKind.Field when line.Field == 'V':
                _now = VoiceOf(line.Value, new(line.Number, 3));
                break;
            case AbcLineKind.Field when line.Field == 'w':
                Now.Sing(line.Value);
                break;
            case AbcLineKind.Field:
                Now.Field(line.Field, line.Value, new(line.Number, 3));
                break;
            case AbcLineKind.Music:
                Music(line);
                break;
        }
    }

    /// <summary>A voice may change within a line: [V:2].</summary>
    private void Music(AbcLine line)
    {
        var goesOn = line.Text.EndsWith('\\');
        var end = goesOn ? line.Text.Length - 1 : line.Text.Length;
        var from = 0;
        foreach (Match change in VoiceChange().Matches(line.Text))
        {
            if (change.Index > from && line.Text[from..change.Index].Trim().Length > 0)
                Now.Read(line.Text, line.Number, from, change.Index, breaks: false);
            _now = VoiceOf(change.Groups[1].Value, new(line.Number, change.Index + 1));
            from = change.Index + change.Length;
        }

        Now.Read(line.Text, line.Number, from, Math.Max(from, end), breaks: !goesOn);
    }

    private AbcVoice VoiceOf(string value, SourcePosition at)
    {
        var words = value.Trim().Split([' ', '\t'], 2, StringSplitOptions.RemoveEmptyEntries);
        var id = words.Length > 0 ? words[0] : "1";
        var voice = _voices.Find(v => v.Id == id);
        if (voice is null)
        {
            _tune.Size.AddLine(at);
            _voices.Add(voice = new AbcVoice(_tune, id));
        }

        if (words.Length > 1)
            voice.Take(AbcKey.OfVoice(words[1]), at);
        return voice;
    }

    [GeneratedRegex(@"\[V:\s*([^\]]*)\]")]
    private static partial Regex VoiceChange();
}
