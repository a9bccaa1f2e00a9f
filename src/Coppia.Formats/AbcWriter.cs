using System.Globalization;
using System.Text;
using Coppia.Core.Music;

namespace Coppia.Formats;

/// <summary>Writes a score as ABC (ABC standard 2.1), one line of text for each line of music.</summary>
public static class AbcWriter
{
    private static readonly Fraction Unit = new(1, 8);

    public static string Write(Score score)
    {
        var text = new StringBuilder();
        text.Append("X:1\n");
        if (score.Title.Length > 0)
            text.Append("T:").Append(Escaped(score.Title)).Append('\n');
        if (score.Composer is { Length: > 0 } composer)
            text.Append("C:").Append(Escaped(composer)).Append('\n');
        text.Append("M:").Append(Meter(score.Time)).Append("\nL:1/8\n");
        if (Tempo(score) is { } tempo)
            text.Append("Q:").Append(tempo).Append('\n');
        text.Append("K:").Append(Key(score.Key));
        if (score.Clef != Clef.Treble)
            text.Append(" clef=").Append(score.Clef.Name);
        text.Append('\n');

        Bar? before = null;
        foreach (var (i, bar) in score.Bars.Index())
        {
            WriteBar(text, bar, before, i + 1 < score.Bars.Count ? score.Bars[i + 1] : null);
            before = bar;
        }

        return text.Append('\n').ToString();
    }

    private static string Escaped(string value) => value.Replace('\n', ' ').Replace("%", "\\%", StringComparison.Ordinal);

    private static string Meter(TimeSignature? time) =>
        time switch
        {
            null => "none",
            { Symbol: TimeSymbol.Common } => "C",
            { Symbol: TimeSymbol.Cut } => "C|",
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
        if (next is not null)
            text.Append(bar.LineBreakAfter ? '\n' : ' ');
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

    private static void WriteEvent(StringBuilder text, Bar bar, int index, ScoreEvent e, IReadOnlyDictionary<string, bool[]> signs)
    {
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

        if (e.PrintedFinger is { } finger)
            text.Append(CultureInfo.InvariantCulture, $"!{finger}!");
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

        if (e.TiedOn)
            text.Append('-');
        text.Append(')', e.SlurStops);
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
        return accidental + letter + (pitch.Octave >= 5 ? new string('\'', pitch.Octave - 5) : new string(',', 4 - pitch.Octave));
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
