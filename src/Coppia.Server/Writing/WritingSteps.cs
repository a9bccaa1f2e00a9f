using Coppia.Core.Music;
using Coppia.Core.Writing;
using Coppia.Formats.Abc;
using Coppia.Formats.Books;

namespace Coppia.Server.Writing;

/// <summary>What can be done on the writing staff, by name.</summary>
internal static class WritingSteps
{
    private static readonly Dictionary<string, Func<WritingStaff, WritingCommand, WritingStaff?>> Steps = new()
    {
        ["letter"] = (s, c) => Enum.TryParse<Letter>(c.Text, out var letter) ? s.Note(s.Nearest(letter)) : null,
        ["pitch"] = (s, c) => PitchOf(c.Text) is { } p ? (c.At is { } at ? s.MoveTo(at.ToCaret()) : s).Note(p) : null,
        ["repitch"] = (s, c) => PitchOf(c.Text) is { } p && c.At is { } at ? s.Repitch(at.ToCaret(), p) : null,
        ["place"] = (s, c) =>
            s.For is { } who
            && int.TryParse(c.Text, out var on)
            && on >= 0
            && on < who.Strings.Count
            && c.By is >= 0 and <= 24 and var up
                ? s.Note(Spelling.InKey(who.Strings[on].Midi + up, s.KeyAtCaret))
                : null,
        ["rest"] = (s, _) => s.Rest(),
        ["delete"] = (s, _) => s.Delete(),
        ["deleteForward"] = (s, _) => s.Delete(forward: true),
        ["longer"] = (s, c) => s.Longer(c.By ?? 1),
        ["value"] = (s, c) => s.WithValue(c.By ?? 2),
        ["dot"] = (s, _) => s.Dot(),
        ["triplet"] = (s, _) => s.Triplet(),
        ["tie"] = (s, _) => s.Tie(),
        ["slur"] = (s, _) => s.Slur(),
        ["alter"] = (s, c) => s.Alter(Math.Clamp(c.By ?? 0, -1, 1)),
        ["step"] = (s, c) => s.Step(Math.Clamp(c.By ?? 1, -20, 20)),
        ["octave"] = (s, c) => s.Octave(Math.Clamp(c.By ?? 1, -4, 4)),
        ["mark"] = (s, c) => Enum.TryParse<Marks>(c.Text, ignoreCase: true, out var mark) ? s.Mark(mark) : null,
        ["repeatStart"] = (s, _) => s.RepeatStart(),
        ["repeatEnd"] = (s, _) => s.RepeatEnd(),
        ["double"] = (s, _) => s.DoubleBarline(),
        ["ending"] = (s, c) => s.Ending(Math.Clamp(c.By ?? 1, 1, 9)),
        ["move"] = (s, c) => s.Move(Math.Clamp(c.By ?? 1, -1000, 1000), c.Select ?? false),
        ["moveTo"] = (s, c) => c.At is { } at ? s.MoveTo(at.ToCaret(), c.Select ?? false) : null,
        ["start"] = (s, c) => s.ToStart(c.Select ?? false),
        ["end"] = (s, c) => s.ToEnd(c.Select ?? false),
        ["all"] = (s, _) => s.SelectAll(),
        ["none"] = (s, _) => s with { Anchor = null },
        ["paste"] = (s, c) => TuneReader.Read(c.Text ?? "") is { Score: { } score } ? s.Paste(score.Events) : null,
        ["clef"] = (s, c) => Clef.Named(c.Text ?? "") is { } clef ? s.WithClef(clef, c.Select ?? false) : null,
        ["key"] = (s, c) =>
            c.By is { } f && KeySignature.IsOne(f) ? s.WithKey(new KeySignature(f), c.Select ?? false) : null,
        ["meter"] = (s, c) => AbcMeter.Of(c.Text ?? "") is (var time, null) ? s.WithMeter(time, s.PickUp) : null,
        ["pickUp"] = (s, c) =>
            s.WithMeter(
                s.Score.Bars[0].Time,
                c.By is > 0 and var beats && s.Score.Bars[0].Time is { } t ? t.Beat * new Fraction(beats, 1) : null
            ),
    };

    public static string Expected => string.Join(", ", Steps.Keys);

    /// <summary>The staff after a step; null where there is no such step, or where what it needs is missing.</summary>
    public static WritingStaff? Do(WritingStaff staff, WritingCommand command) =>
        Steps.TryGetValue(command.Do, out var step) ? step(staff, command) : null;

    private static Pitch? PitchOf(string? text)
    {
        try
        {
            return Pitch.Parse(text ?? "") is { Octave: >= 0 and <= 8 } pitch ? pitch : null;
        }
        catch (FormatException)
        {
            return null;
        }
    }
}
