using System.Globalization;
using System.Text;
using Coppia.Core.Music;
using Coppia.Formats.Source;

namespace Coppia.Formats.Abc;

/// <summary>Writes a score as ABC (ABC standard 2.1), one line of text for each line of music.</summary>
public static class AbcWriter
{
    private static readonly Fraction Unit = new(1, 8);

    public static string Write(Score score) => Write([new ScoreLine("1", "", score)]);

    /// <summary>A score of several lines, each a voice.</summary>
    /// <param name="lines">The lines.</param>
    /// <param name="fields">Further fields of the header as they are to stand there.</param>
    public static string Write(IReadOnlyList<ScoreLine> lines, IReadOnlyList<string>? fields = null)
    {
        var score = lines[0].Score;
        var text = new StringBuilder();
        WriteHead(text, score, fields ?? []);
        if (lines.Count == 1)
            WriteMusic(text, score);
        else
        {
            foreach (var (i, line) in lines.Index())
                WriteVoice(text, i + 1, line, score);
        }

        return text.ToString();
    }

    private static void WriteHead(StringBuilder text, Score score, IReadOnlyList<string> fields)
    {
        text.Append("X:1\n");
        if (score.Title.Length > 0)
            text.Append("T:").Append(AbcText.Escaped(score.Title)).Append('\n');
        if (score.Composer is { Length: > 0 } composer)
            text.Append("C:").Append(AbcText.Escaped(composer)).Append('\n');
        foreach (var field in fields)
            text.Append(field).Append('\n');
        text.Append("M:").Append(Meter(score.Time)).Append("\nL:1/8\n");
        if (Tempo(score) is { } tempo)
            text.Append("Q:").Append(tempo).Append('\n');
        if (score.PartOrder is { } order)
            text.Append("P:").Append(order).Append('\n');
        text.Append("K:").Append(Key(score.Key));
        if (score.Clef != Clef.Treble)
            text.Append(" clef=").Append(score.Clef.Name);
        text.Append('\n');
    }

    /// <param name="first">The first line's score: the head speaks of it.</param>
    private static void WriteVoice(StringBuilder text, int number, ScoreLine line, Score first)
    {
        text.Append("V:").Append(number);
        if (line.Name.Length > 0)
            text.Append(" name=\"").Append(AbcText.Escaped(line.Name).Replace('"', '\'')).Append('"');
        text.Append(" clef=").Append(line.Score.Clef.Name).Append('\n');
        if (line.Score.Time != first.Time)
            text.Append("M:").Append(Meter(line.Score.Time)).Append('\n');
        if (line.Score.Key != first.Key)
            text.Append("K:").Append(Key(line.Score.Key)).Append('\n');
        WriteMusic(text, line.Score);
    }

    private static void WriteMusic(StringBuilder text, Score score)
    {
        Bar? before = null;
        var line = 0;
        foreach (var (i, bar) in score.Bars.Index())
        {
            WriteBar(text, bar, before, i + 1 < score.Bars.Count ? score.Bars[i + 1] : null);
            before = bar;
            if (!bar.LineBreakAfter && i + 1 < score.Bars.Count)
                continue;
            WriteLyrics(text, score.Bars.Skip(line).Take(i + 1 - line));
            line = i + 1;
        }
    }

    private static string Meter(TimeSignature? time) =>
        time switch
        {
            null => "none",
            { Symbol: TimeSymbol.Common } => "C",
            { Symbol: TimeSymbol.Cut } => "C|",
            { Sum: { } sum } t => $"({sum})/{t.Unit}",
            { } t => t.ToString(),
        };

    private static string Key(KeySignature key)
    {
        var tonic = key.TonicInOctave(4);
        var mode = key.Mode switch
        {
            Mode.Major => "",
            Mode.Minor => "m",
            _ => key.Mode.ToString().ToLowerInvariant()[..3],
        };
        return tonic.Letter + tonic.AccidentalText + mode;
    }

    private static string? Tempo(Score score)
    {
        var words = score.TempoWords is { } w ? $"\"{w.Replace("\"", "'", StringComparison.Ordinal)}\"" : null;
        var rate = score.Tempo is { } t ? $"{t.Beat}={t.PerMinute.ToString(CultureInfo.InvariantCulture)}" : null;
        return words is null ? rate
            : rate is null ? words
            : $"{words} {rate}";
    }

    private static void WriteBar(StringBuilder text, Bar bar, Bar? before, Bar? next)
    {
        if (before is null && bar.RepeatStart)
            text.Append("|:");
        if (before is not null && before.Time != bar.Time)
            text.Append("[M:").Append(Meter(bar.Time)).Append(']');
        if (before is not null && before.Key != bar.Key)
            text.Append("[K:").Append(Key(bar.Key)).Append(']');
        if (before is not null && before.ClefAtEnd != bar.Clef)
            text.Append("[K:clef=").Append(bar.Clef.Name).Append(']');
        if (bar.SourceNumber is { } number)
            text.Append("[I:setbarnb ").Append(number).Append(']');
        if (bar is { IsUncounted: true, IsUpbeat: false })
            text.Append("[I:uncountedbar]");
        if (bar.Label is { } label)
            text.Append("[P:").Append(AbcText.Escaped(label)).Append(']');
        if (bar.EndingStart is { } ending)
            text.Append('[').Append(ending).Append(' ');

        var tied = before is null ? new HashSet<int>() : Accidentals.TiedOut(before);
        var signs = Accidentals.Shown(bar, tied);
        foreach (var mark in bar.Waymarks.Each())
            text.Append('!').Append(AbcName(mark)).Append('!');
        var beams = Beams.Of(bar);
        foreach (var (i, e) in bar.Events.Index())
        {
            if (i > 0 && !beams[i].Any(b => b is BeamPart.Continue or BeamPart.End))
                text.Append(' ');
            WriteEvent(text, bar, i, e, signs);
        }

        text.Append(' ').Append(BarlineAfter(bar, next));
        text.Append(bar.LineBreakAfter || next is null ? '\n' : ' ');
    }

    /// <summary>The words under one line of music, a w: line for each verse.</summary>
    private static void WriteLyrics(StringBuilder text, IEnumerable<Bar> bars)
    {
        ScoreEvent[] notes = [.. bars.SelectMany(b => b.Events).Where(e => !e.IsRest)];
        for (var verse = 0; verse < notes.Max(n => (int?)n.Lyrics.Count) && notes.Length > 0; verse++)
            text.Append("w:")
                .AppendJoin(' ', notes.Select(n => Syllable(verse < n.Lyrics.Count ? n.Lyrics[verse] : "")))
                .Append('\n');
    }

    private static string Syllable(string words)
    {
        if (words.Length == 0)
            return "*";
        var goesOn = words.Length > 1 && words.EndsWith('-');
        return AbcText
                .Escaped(goesOn ? words[..^1] : words)
                .Replace("-", "\\-", StringComparison.Ordinal)
                .Replace(' ', '~') + (goesOn ? "-" : "");
    }

    private static string AbcName(Waymarks mark) =>
        mark switch
        {
            Waymarks.DaCapo => "D.C.",
            Waymarks.DalSegno => "D.S.",
            Waymarks.ToCoda => "dacoda",
            _ => mark.ToString().ToLowerInvariant(),
        };

    private static string BarlineAfter(Bar bar, Bar? next)
    {
        var starts = next?.RepeatStart ?? false;
        if (bar.RepeatEnd)
            return bar.RepeatTimes > 2 ? new string(':', bar.RepeatTimes - 1) + (starts ? "|:" : "|")
                : starts ? "::"
                : ":|";
        if (starts)
            return bar.Barline == Barline.Double ? "|| |:" : "|:";
        return bar.Barline switch
        {
            Barline.Double => "||",
            Barline.Final => "|]",
            Barline.None when next is null => "",
            _ => "|",
        };
    }

    private static void WriteEvent(
        StringBuilder text,
        Bar bar,
        int index,
        ScoreEvent e,
        IReadOnlyDictionary<string, bool[]> signs
    )
    {
        if (e.ClefChange is { } clef)
            text.Append("[K:clef=").Append(clef.Name).Append(']');
        if (e.TupletStart)
        {
            var count = bar.Events.Skip(index).TakeWhile(x => !x.TupletStop).Count() + 1;
            text.Append(CultureInfo.InvariantCulture, $"({e.Value.TupletActual}:{e.Value.TupletNormal}:{count}");
        }

        if (e.Words is { } words)
            text.Append("\"^").Append(words.Replace('"', '\'')).Append('"');
        text.Append('(', e.SlurStarts);
        if (e.Dynamic is { } dynamic && AbcDecorations.Dynamics.Contains(dynamic))
            text.Append('!').Append(dynamic).Append('!');
        foreach (var (mark, abc) in AbcDecorations.Written)
        {
            if (e.Has(mark))
                text.Append(abc);
        }

        if (e.HairpinStop)
            text.Append("!<)!");
        if (e.Hairpin != Hairpin.None)
            text.Append(e.Hairpin == Hairpin.Louder ? "!<(!" : "!>(!");
        if (e.PrintedFinger is { } finger)
            text.Append(CultureInfo.InvariantCulture, $"!{finger}!");
        if (e.PrintedFingerTo is { } next)
            text.Append(CultureInfo.InvariantCulture, $"!{next}!");
        WriteNotes(text, e, signs);
        if (e.TiedOn)
            text.Append('-');
        text.Append(')', e.SlurStops);
    }

    /// <summary>Its grace notes, and the note, chord or rest itself.</summary>
    private static void WriteNotes(StringBuilder text, ScoreEvent e, IReadOnlyDictionary<string, bool[]> signs)
    {
        if (e.Graces.Count > 0)
        {
            text.Append(e.Graces[0].Slashed ? "{/" : "{");
            foreach (var grace in e.Graces)
                text.Append(Note(grace.Pitch, signs[grace.Id][0])).Append(Length(grace.Value.WrittenLength));
            text.Append('}');
        }

        if (e.IsBarRest)
            text.Append('Z');
        else if (e.Pitch is not { } pitch)
            text.Append('z').Append(Length(e.Value.WrittenLength));
        else if (e.Chord.Count == 0)
            text.Append(Note(pitch, signs[e.Id][0])).Append(Length(e.Value.WrittenLength));
        else
        {
            text.Append('[')
                .AppendJoin("", new[] { pitch }.Concat(e.Chord).Select((p, i) => Note(p, signs[e.Id][i])))
                .Append(']')
                .Append(Length(e.Value.WrittenLength));
        }
    }

    private static string Note(Pitch pitch, bool sign)
    {
        var accidental = !sign
            ? ""
            : pitch.Alter switch
            {
                2 => "^^",
                1 => "^",
                0 => "=",
                -1 => "_",
                _ => "__",
            };
        var letter = pitch.Octave >= 5 ? pitch.Letter.ToString().ToLowerInvariant() : pitch.Letter.ToString();
        return accidental
            + letter
            + (pitch.Octave >= 5 ? new string('\'', pitch.Octave - 5) : new string(',', 4 - pitch.Octave));
    }

    private static string Length(Fraction written)
    {
        var times = written / Unit;
        if (times == Fraction.Whole)
            return "";
        return times.Denominator == 1 ? times.Numerator.ToString(CultureInfo.InvariantCulture)
            : times.Numerator == 1 && times.Denominator == 2 ? "/"
            : times.ToString();
    }
}
