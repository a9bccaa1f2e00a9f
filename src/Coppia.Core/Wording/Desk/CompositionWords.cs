using Coppia.Core.Composition;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using Coppia.Core.Wording.Writing;
using static Coppia.Core.Wording.Messages.Catalogue;

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
            BeatsBreach b => Beats(b),
            NoteBreach b => Say("desk.composition.is-not-one-of-this-tasks-notes", ("named", Named(b.Note))),
            ValueBreach b => Say(
                "desk.composition.is-not-one-of-this-tasks-values",
                ("value", English.Capital(Value(b.Value))),
                ("what", b.IsRest ? Say("desk.composition.rest") : "")
            ),
            RestsBreach b => Say(
                "desk.composition.rests-in-all",
                ("has", English.Capital(English.Number(b.Has))),
                ("most", Most(b.Most))
            ),
            FixedBreach b => Say(
                "desk.composition.the-of-this-bar-is-given-and",
                ("at", At(b.Note.At)),
                ("named", Named(b.Note.Pitch))
            ),
            StemBreach b => Stem(b),
            AccidentalBreach { Meant: { } meant } => Say(
                "desk.composition.without-its-this-is-another-note-is",
                ("meant", Sign(meant)),
                ("named", Named(meant))
            ),
            AccidentalBreach => Say("desk.composition.the-sign-stands-at-another-height"),
            HeadBreach => Say("desk.composition.line-or-space-on-a-line-the"),
            OnlyRestsBreach => Say("desk.composition.only-rests-there-is-nothing-to-hear"),
            LengthBreach b => Say(
                "desk.composition.the-piece-has-the-task-asks-for",
                ("has", Bars(b.Has)),
                ("wanted", b.Wanted)
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(breach), breach, "A rule without words."),
        };

    private static string Beats(BeatsBreach b) =>
        b.Has.IsZero
            ? Say(
                "desk.composition.nothing-here-yet-in-a-bar-has",
                ("meter", b.Meter),
                ("beats", WritingWords.Beats(b.Meter.BarLength, b.Meter))
            )
            : Say(
                "desk.composition.here-in-a-bar-has",
                ("beats", English.Capital(WritingWords.Beats(b.Has, b.Meter))),
                ("meter", b.Meter),
                ("count", Count(b.Meter))
            );

    private static string Count(TimeSignature meter) => $"{meter.Beats}";

    private static string Bars(int count) => Say("desk.composition.bars-bar", ("count", count));

    private static string Most(int most) =>
        most switch
        {
            0 => Say("desk.composition.none-is-allowed"),
            1 => Say("desk.composition.at-most-one-is-allowed"),
            _ => Say("desk.composition.at-most-are-allowed", ("most", most)),
        };

    private static string At(FixedAt at) =>
        at == FixedAt.First ? Say("desk.composition.first-note") : Say("desk.composition.last-note");

    private static string Sign(Pitch pitch) =>
        pitch.Alter switch
        {
            > 0 => Say("desk.composition.sharp"),
            < 0 => Say("desk.composition.flat"),
            _ => Say("desk.composition.natural-sign"),
        };

    private static string Stem(StemBreach b) =>
        b.Fault switch
        {
            StemFault.Missing => Say("desk.composition.this-note-has-no-stem-yet"),
            StemFault.NotNeeded => Say("desk.composition.a-whole-note-has-no-stem"),
            StemFault.WrongWay => b.Head.StemUp
                ? Say("desk.composition.below-the-middle-line-stems-point-up")
                : Say("desk.composition.on-the-middle-line-and-above-it"),
            _ => b.Head.StemUp
                ? Say("desk.composition.a-stem-that-points-up-stands-on")
                : Say("desk.composition.a-stem-that-points-down-stands-on"),
        };

    private string Named(Pitch pitch) => Labels.NoteAndNumber(pitch, style);

    private string Value(NoteValue value)
    {
        var words = value.Words(style.ValueNames);
        return $"{(words[0] is 'e' or 'u' or 'o' or 'a' or 'i' ? Say("desk.composition.an") : "a")} {words}";
    }

    /// <summary>Advice in a sentence; it names what is good, or says what could be tried.</summary>
    public string Advice(Advice advice) =>
        (advice.Kind, advice.IsGood) switch
        {
            (AdviceKind.Balance, _) => Say(
                "desk.composition.a-big-leap-from-to-and-a",
                ("short", Short(advice.Other)),
                ("short2", Short(advice.Note))
            ),
            (AdviceKind.Leap, _) => Say(
                "desk.composition.from-to-is-a-big-leap-listen",
                ("short", Short(advice.Other)),
                ("short2", Short(advice.Note))
            ),
            (AdviceKind.OneNote, _) => Say(
                "desk.composition.all-on-one-note-the-rhythm-must",
                ("short", Short(advice.Note))
            ),
            (AdviceKind.Ending, true) => Say(
                "desk.composition.it-ends-on-at-home-the-ending",
                ("short", Short(advice.Note))
            ),
            (AdviceKind.Ending, false) => Say(
                "desk.composition.it-ends-on-and-stays-open-on",
                ("short", Short(advice.Note)),
                ("short2", Short(advice.Other))
            ),
            (_, false) when advice.Rhythm => Say("desk.composition.only-a-rhythm-comes-again-a-bar"),
            (_, false) => Say("desk.composition.nothing-comes-again-a-bar-or-a"),
            _ when advice is { AsBar: { } bar, Moved: true } => Say(
                "desk.composition.the-pattern-of-bar-comes-again-at",
                ("bar", bar)
            ),
            _ when advice is { AsBar: { } bar, Rhythm: true } => Say(
                "desk.composition.the-rhythm-of-bar-comes-again-it",
                ("bar", bar)
            ),
            _ when advice.AsBar is { } bar => Say("desk.composition.bar-comes-again-it-holds-together", ("bar", bar)),
            _ => Say("desk.composition.a-few-notes-from-come-again-it", ("short", Short(advice.Note))),
        };

    private string Short(Pitch? pitch) => pitch is { } p ? Labels.Note(p, style) : "";

    /// <summary>The rules of a task, a sentence each, as a child reads them.</summary>
    public IReadOnlyList<string> Rules(WritingTask task)
    {
        return
        [
            Say(
                "desk.composition.write-in-in-every-bar",
                ("bars", Bars(task.Bars)),
                ("meter", task.Meter),
                ("beats", WritingWords.Beats(task.Meter.BarLength, task.Meter))
            ),
            Say("desk.composition.use-only-the-notes-of-the-palette", ("values", Values(task))),
            .. Rests(task),
            .. task.Fixed.Select(f =>
                Say(
                    "desk.composition.the-of-bar-is-it-is-printed",
                    ("at", At(f.At)),
                    ("bar", f.Bar),
                    ("short", Short(f.Pitch))
                )
            ),
            .. task.ByHand
                ?
                [
                    Say("desk.composition.put-each-head-clearly-on-its-line"),
                    Say("desk.composition.a-sharp-or-flat-stands-before-its"),
                ]
                : Array.Empty<string>(),
        ];
    }

    private string Values(WritingTask task) => English.List([.. task.Values.Select(v => v.Several(style.ValueNames))]);

    private static IEnumerable<string> Rests(WritingTask task) =>
        task.MostRests switch
        {
            null => [],
            0 => [Say("desk.composition.no-rests")],
            1 => [Say("desk.composition.at-most-one-rest")],
            { } most => [Say("desk.composition.at-most-rests", ("most", most))],
        };

    /// <summary>What is wrong with a task, and what would be right.</summary>
    public string Fault(TaskFault fault, WritingTask task) =>
        fault.Kind switch
        {
            TaskFaultKind.Bars => Say("desk.composition.a-task-has-1-to-bars", ("mostBars", WritingTask.MostBars)),
            TaskFaultKind.NoNotes => Say("desk.composition.the-palette-is-empty-expected-at"),
            TaskFaultKind.NoValues => Say("desk.composition.no-note-value-is-allowed-expected-at"),
            TaskFaultKind.OutOfReach => Say(
                "desk.composition.no-finger-of-the-reaches-expected",
                ("id", task.Instrument.Id),
                ("named", Named(fault.Note!.Value))
            ),
            TaskFaultKind.BarNotFilled => Say(
                "desk.composition.no-row-of-fills-bar-of-expected",
                ("values", Values(task)),
                ("bar", fault.Bar),
                ("meter", task.Meter)
            ),
            TaskFaultKind.OnlyRests => Say(
                "desk.composition.rests-fill-the-whole-piece-expected",
                ("mostRests", task.MostRests ?? 0)
            ),
            TaskFaultKind.RestsBelowZero => Say("desk.composition.fewer-than-no-rests-expected-none-or"),
            _ => FixedFault(fault, task),
        };

    private string FixedFault(TaskFault fault, WritingTask task) =>
        fault.Kind switch
        {
            TaskFaultKind.FixedOutsidePalette => Say(
                "desk.composition.the-fixed-note-of-bar-is-not",
                ("named", Named(fault.Note!.Value)),
                ("bar", fault.Bar),
                ("id", task.Instrument.Id)
            ),
            TaskFaultKind.FixedOutsideBars => Say(
                "desk.composition.the-fixed-note-stands-in-bar-expected",
                ("named", Named(fault.Note!.Value)),
                ("bar", fault.Bar),
                ("bars", task.Bars)
            ),
            TaskFaultKind.FixedTwice => Say(
                "desk.composition.two-fixed-notes-want-to-be-the",
                ("at", At(fault.Fixed!.At)),
                ("bar", fault.Bar)
            ),
            _ => Say(
                "desk.composition.the-fixed-note-of-bar-is-expected",
                ("named", Named(fault.Note!.Value)),
                ("bar", fault.Bar),
                ("value", Value(fault.Fixed!.Value!.Value))
            ),
        };

    /// <summary>Why a score cannot be laid on the writing desk.</summary>
    public static string None(NoPiece fault, int bar) =>
        fault switch
        {
            NoPiece.Empty => Say("desk.composition.there-are-no-notes-expected-a-piece"),
            NoPiece.Chord => Say("desk.composition.bar-has-notes-that-sound-together-the", ("bar", bar)),
            NoPiece.GraceNotes => Say("desk.composition.bar-has-grace-notes-the-desk-takes", ("bar", bar)),
            _ => Say(
                "desk.composition.the-piece-is-too-long-expected-at",
                ("mostBars", Piece.MostBars),
                ("mostInBar", Piece.MostInBar)
            ),
        };
}
