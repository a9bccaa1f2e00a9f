using Coppia.Core.Composition;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using Coppia.Core.Wording.Writing;

namespace Coppia.Core.Wording.Desk;

/// <summary>
/// What is said of a composition: its task's rules, what breaks them, what is to be noticed (craft 13).
/// </summary>
public sealed class CompositionWords(HouseStyle style)
{
    /// <summary>A broken rule, said as the rule; the bar is named beside it.</summary>
    public string Breach(Breach breach) =>
        breach switch
        {
            BeatsBreach b => b.Has.IsZero
                ? $"Nothing here yet; in {b.Meter} a bar has {WritingWords.Beats(b.Meter.BarLength, b.Meter)}."
                : $"{English.Capital(WritingWords.Beats(b.Has, b.Meter))} here; "
                    + $"in {b.Meter} a bar has {Count(b.Meter)}.",
            NoteBreach b => $"{Named(b.Note)} is not one of this task’s notes.",
            ValueBreach b =>
                $"{English.Capital(Value(b.Value))}{(b.IsRest ? " rest" : "")} is not one of this task’s values.",
            RestsBreach b => $"{English.Capital(English.Number(b.Has))} rests in all; {Most(b.Most)}.",
            FixedBreach b => $"The {At(b.Note.At)} of this bar is given and stays: {Named(b.Note.Pitch)}.",
            StemBreach b => Stem(b),
            AccidentalBreach { Meant: { } meant } =>
                $"Without its {Sign(meant)} this is another note; {Named(meant)} is meant.",
            AccidentalBreach => "The sign stands at another height than its head. It belongs before the head, "
                + "on the same line or in the same space.",
            HeadBreach => "Line or space? On a line the line goes through the middle of the head; "
                + "in a space the head fills just that space.",
            OnlyRestsBreach => "Only rests: there is nothing to hear.",
            LengthBreach b => $"The piece has {Bars(b.Has)}; the task asks for {English.Number(b.Wanted)}.",
            _ => throw new ArgumentOutOfRangeException(nameof(breach), breach, "A rule without words."),
        };

    private static string Count(TimeSignature meter) => $"{meter.Beats}";

    private static string Bars(int count) => $"{English.Number(count)} bar{(count == 1 ? "" : "s")}";

    private static string Most(int most) =>
        most switch
        {
            0 => "none is allowed",
            1 => "at most one is allowed",
            _ => $"at most {English.Number(most)} are allowed",
        };

    private static string At(FixedAt at) => at == FixedAt.First ? "first note" : "last note";

    private static string Sign(Pitch pitch) =>
        pitch.Alter switch
        {
            > 0 => "sharp",
            < 0 => "flat",
            _ => "natural sign",
        };

    private static string Stem(StemBreach b) =>
        b.Fault switch
        {
            StemFault.Missing => "This note has no stem yet.",
            StemFault.NotNeeded => "A whole note has no stem.",
            StemFault.WrongWay => b.Head.StemUp
                ? "Below the middle line stems point up."
                : "On the middle line and above it stems point down.",
            _ => b.Head.StemUp
                ? "A stem that points up stands on the right of its head."
                : "A stem that points down stands on the left of its head.",
        };

    private string Named(Pitch pitch) => Labels.NoteAndNumber(pitch, style);

    private string Value(NoteValue value)
    {
        var words = value.Words(style.ValueNames);
        return $"{(words[0] is 'e' or 'u' or 'o' or 'a' or 'i' ? "an" : "a")} {words}";
    }

    /// <summary>Advice in a sentence; it names what is good, or says what could be tried.</summary>
    public string Advice(Advice advice) =>
        (advice.Kind, advice.IsGood) switch
        {
            (AdviceKind.Balance, _) =>
                $"A big leap from {Short(advice.Other)} to {Short(advice.Note)}, and a step back after it: "
                    + "well balanced.",
            (AdviceKind.Leap, _) => $"From {Short(advice.Other)} to {Short(advice.Note)} is a big leap. Listen: "
                + "would a step back after it round it off?",
            (AdviceKind.OneNote, _) =>
                $"All on one note, {Short(advice.Note)}: the rhythm must carry it. Does another note want to come in?",
            (AdviceKind.Ending, true) => $"It ends on {Short(advice.Note)}, at home: the ending settles.",
            (AdviceKind.Ending, false) =>
                $"It ends on {Short(advice.Note)} and stays open; on {Short(advice.Other)} it would settle. "
                    + "Both can be meant.",
            (_, false) when advice.Rhythm =>
                "Only a rhythm comes again. A bar or a few notes that come back help those who listen.",
            (_, false) => "Nothing comes again. A bar or a few notes that come back help those who listen.",
            _ when advice is { AsBar: { } bar, Moved: true } =>
                $"The pattern of bar {bar} comes again at another height: it holds together.",
            _ when advice is { AsBar: { } bar, Rhythm: true } =>
                $"The rhythm of bar {bar} comes again: it holds together.",
            _ when advice.AsBar is { } bar => $"Bar {bar} comes again: it holds together.",
            _ => $"A few notes from {Short(advice.Note)} come again: it holds together.",
        };

    private string Short(Pitch? pitch) => pitch is { } p ? Labels.Note(p, style) : "";

    /// <summary>The rules of a task, a sentence each, as a child reads them.</summary>
    public IReadOnlyList<string> Rules(WritingTask task)
    {
        return
        [
            $"Write {Bars(task.Bars)} in {task.Meter}: "
                + $"{WritingWords.Beats(task.Meter.BarLength, task.Meter)} in every bar.",
            $"Use only the notes of the palette, and only {Values(task)}.",
            .. Rests(task),
            .. task.Fixed.Select(f => $"The {At(f.At)} of bar {f.Bar} is {Short(f.Pitch)}: it is printed, and stays."),
            .. task.ByHand
                ?
                [
                    "Put each head clearly on its line or in its space, then give it its stem.",
                    "A sharp or flat stands before its head, at the same height.",
                ]
                : Array.Empty<string>(),
        ];
    }

    private string Values(WritingTask task) =>
        English.List([.. task.Values.Select(v => v.Words(style.ValueNames) + "s")]);

    private static IEnumerable<string> Rests(WritingTask task) =>
        task.MostRests switch
        {
            null => [],
            0 => ["No rests."],
            1 => ["At most one rest."],
            { } most => [$"At most {English.Number(most)} rests."],
        };

    /// <summary>What is wrong with a task, and what would be right.</summary>
    public string Fault(TaskFault fault, WritingTask task) =>
        fault.Kind switch
        {
            TaskFaultKind.Bars => $"a task has 1 to {WritingTask.MostBars} bars",
            TaskFaultKind.NoNotes => "the palette is empty; expected at least one note",
            TaskFaultKind.NoValues => "no note value is allowed; expected at least one",
            TaskFaultKind.OutOfReach => $"no finger of the {task.Instrument.Id} reaches {Named(fault.Note!.Value)}; "
                + "expected notes that it plays",
            TaskFaultKind.BarNotFilled =>
                $"no row of {Values(task)} fills bar {fault.Bar} of {task.Meter}; expected a value that does",
            TaskFaultKind.FixedOutsidePalette =>
                $"the fixed note {Named(fault.Note!.Value)} of bar {fault.Bar} is not in the palette of the "
                    + $"{task.Instrument.Id}; "
                    + "expected one of its notes",
            TaskFaultKind.FixedOutsideBars => $"the fixed note {Named(fault.Note!.Value)} stands in bar {fault.Bar}; "
                + $"expected a bar from 1 to {task.Bars}",
            TaskFaultKind.FixedTwice =>
                $"two fixed notes want to be the {At(fault.Fixed!.At)} of bar {fault.Bar}; expected one",
            TaskFaultKind.FixedValue =>
                $"the fixed note {Named(fault.Note!.Value)} of bar {fault.Bar} is {Value(fault.Fixed!.Value!.Value)}; "
                    + "expected a value that is allowed",
            TaskFaultKind.OnlyRests =>
                $"{English.Number(task.MostRests ?? 0)} rests fill the whole piece; expected fewer",
            _ => "fewer than no rests; expected none or more",
        };

    /// <summary>Why a score cannot be laid on the writing desk.</summary>
    public static string None(NoPiece fault, int bar) =>
        fault switch
        {
            NoPiece.Empty => "there are no notes; expected a piece of single notes and rests",
            NoPiece.Chord => $"bar {bar} has notes that sound together; the desk takes one note at a time",
            NoPiece.GraceNotes => $"bar {bar} has grace notes; the desk takes plain notes and rests",
            _ => $"the piece is too long; expected at most {Piece.MostBars} bars of {Piece.MostInBar} notes",
        };
}
