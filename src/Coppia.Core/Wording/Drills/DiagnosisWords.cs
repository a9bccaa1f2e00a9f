using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Drills;

/// <summary>What happened, said to the learner; the mistake, not the learner, is spoken of (craft 14).</summary>
public static class DiagnosisWords
{
    public static string Of(Diagnosis diagnosis, Player player) =>
        diagnosis switch
        {
            { IsRight: true } => Say("drills.diagnosis.of-yes", ("shown", Labels.Note(diagnosis.Shown, player.Style))),
            { Pressed: SpotReply spot } => OnFingerboard(diagnosis, spot, player),
            { Pressed: PairReply pair } => Fingered(diagnosis, pair, player),
            { AskedAs: QuestionKind.LineOrSpace or QuestionKind.Write } => OnStaff(diagnosis, player),
            _ => Named(diagnosis, player),
        };

    /// <summary>A note that was named.</summary>
    private static string Named(Diagnosis diagnosis, Player player)
    {
        var style = player.Style;
        var name = Labels.Note(diagnosis.Shown, style);
        var answered = diagnosis.Answered is { } a ? Labels.Note(a, style) : "";
        return diagnosis.Kind switch
        {
            MistakeKind.ForgotSignature => ForgotSignature(
                diagnosis,
                Say("drills.diagnosis.the-letter-is-right"),
                style
            ),
            MistakeKind.ForgotAccidental => Say(
                "drills.diagnosis.the-letter-is-right-a-sign-in",
                ("name", name),
                ("answered", answered)
            ),
            MistakeKind.OneStep => OneStep(diagnosis, player),
            MistakeKind.WrongEnd or MistakeKind.OtherClef => OnAnotherStaff(diagnosis, player, answered),
            MistakeKind.WrongOctave => Say(
                "drills.diagnosis.the-letter-is-right-but-that-is",
                ("name", name),
                ("pair", Pair(diagnosis, player))
            ),
            MistakeKind.LowHigh => Say(
                "drills.diagnosis.the-right-letter-is",
                ("tooFar", TooFar(diagnosis)),
                ("name", name),
                ("pair", Pair(diagnosis, player))
            ),
            _ => BeginAtTheStaff(diagnosis, player),
        };
    }

    /// <summary>The name is right on a staff that is counted, or begins, otherwise.</summary>
    private static string OnAnotherStaff(Diagnosis diagnosis, Player player, string answered) =>
        diagnosis.Kind == MistakeKind.WrongEnd
            ? Say(
                "drills.diagnosis.that-is-counted-from-the-top-lines",
                ("answered", answered),
                ("lies", Lies(diagnosis, player))
            )
            : Say(
                "drills.diagnosis.in-clef-it-would-be-this-is",
                ("clefs", Clefs(diagnosis)),
                ("answered", answered),
                ("clef", player.Instrument.FirstClef.Name),
                ("lies", Lies(diagnosis, player))
            );

    /// <summary>A note that was answered by string and finger.</summary>
    private static string Fingered(Diagnosis diagnosis, PairReply pressed, Player player)
    {
        var (style, instrument) = (player.Style, player.Instrument);
        var name = Labels.Note(diagnosis.Shown, style);
        return diagnosis.Kind switch
        {
            MistakeKind.WrongOctave => Say(
                "drills.diagnosis.that-is-another-this-one-is",
                ("name", name),
                ("pair", Pair(diagnosis, player))
            ),
            MistakeKind.NeighbourString => OnNeighbour(diagnosis, pressed, player),
            MistakeKind.OtherInstrument => Say(
                "drills.diagnosis.that-is-the-s-finger-on-the",
                ("other", diagnosis.Other!.Name.ToLowerInvariant()),
                ("instrument", instrument.Name.ToLowerInvariant()),
                ("pair", Pair(diagnosis, player))
            ),
            MistakeKind.LowHigh => Say(
                "drills.diagnosis.the-right-finger-in-another-place-is",
                ("name", name),
                ("pair", Pair(diagnosis, player))
            ),
            MistakeKind.ForgotSignature => ForgotSignature(
                diagnosis,
                Say("drills.diagnosis.that-is-the-plain-letter"),
                style
            ),
            MistakeKind.OneStep => OneStep(diagnosis, player),
            _ => BeginAtTheStaff(diagnosis, player),
        };
    }

    private static string OnNeighbour(Diagnosis diagnosis, PairReply pressed, Player player) =>
        // An open string has no finger that could be right.
        pressed.Finger == 0
            ? Say(
                "drills.diagnosis.an-open-string-but-the-next-one",
                ("stringName", Labels.StringName(diagnosis.Place!.Value.String, player))
            )
            : Say(
                "drills.diagnosis.the-finger-is-right-but-on-the",
                ("name", Labels.Note(diagnosis.Shown, player.Style)),
                ("pair", Pair(diagnosis, player))
            );

    /// <summary>A named note that was looked for on the fingerboard.</summary>
    private static string OnFingerboard(Diagnosis diagnosis, SpotReply pressed, Player player)
    {
        var (style, name) = (player.Style, Labels.Note(diagnosis.Shown, player.Style));
        var here = Say("drills.diagnosis.this-is", ("name", name), ("pair", Pair(diagnosis, player)));
        var inKey = diagnosis.Answered is { } a && diagnosis.Key.AlterOf(a.Letter) == a.Alter;
        return diagnosis.Kind switch
        {
            MistakeKind.LowHigh => Say(
                "drills.diagnosis.on-fingerboard-is",
                ("tooFar", English.Capital(TooFar(diagnosis))),
                ("name", name),
                ("pair", Pair(diagnosis, player))
            ),
            MistakeKind.NeighbourString when pressed.Semitones == 0 => Say(
                "drills.diagnosis.an-open-string-but-the-next-one-2",
                ("here", here)
            ),
            MistakeKind.NeighbourString => Say("drills.diagnosis.the-right-height-but-on-the-next", ("here", here)),
            MistakeKind.WrongOctave => Say("drills.diagnosis.there-another-sounds", ("name", name), ("here", here)),
            _ when inKey => Say(
                "drills.diagnosis.there-sounds",
                ("answered", Labels.Note(diagnosis.Answered!.Value, style)),
                ("here", here)
            ),
            _ => Say("drills.diagnosis.there-a-note-sounds-that-this-key", ("here", here)),
        };
    }

    /// <summary>A line or space that was told, or written on.</summary>
    private static string OnStaff(Diagnosis diagnosis, Player player)
    {
        var (style, clef) = (player.Style, player.Instrument.FirstClef);
        var place = StaffPlace.Of(diagnosis.Shown, clef);
        var written = diagnosis.AskedAs == QuestionKind.Write;
        var isIt =
            written
                ? Say(
                    "drills.diagnosis.on-staff-is",
                    ("shown", Labels.Note(diagnosis.Shown, style)),
                    ("place", place.Words())
                )
            : place.OnLine ? Say("drills.diagnosis.the-line-goes-through-the-head", ("place", place.Words()))
            : Say("drills.diagnosis.the-head-lies-between-two-lines", ("place", place.Words()));
        var there = diagnosis.Answered is { } a ? Labels.Note(a, style) : "";
        return diagnosis.Kind switch
        {
            MistakeKind.OneStep when written => Say(
                "drills.diagnosis.one-step-off-is-written-there",
                ("there", there),
                ("isIt", isIt)
            ),
            MistakeKind.OneStep => Say("drills.diagnosis.one-step-off", ("isIt", isIt)),
            MistakeKind.WrongEnd => Say("drills.diagnosis.counted-from-the-top-lines-and-spaces", ("isIt", isIt)),
            MistakeKind.OtherClef when written => Say(
                "drills.diagnosis.there-it-is-in-clef-in-clef",
                ("clefs", Clefs(diagnosis)),
                ("clef", clef.Name),
                ("isIt", isIt)
            ),
            MistakeKind.WrongOctave when written => Say(
                "drills.diagnosis.that-is-a-but-another-one-this",
                ("there", there),
                ("isIt", isIt)
            ),
            _ => Say("drills.diagnosis.not-there", ("isIt", isIt)),
        };
    }

    private static string ForgotSignature(Diagnosis diagnosis, string opening, HouseStyle style) =>
        Say(
            "drills.diagnosis.look-at-the-key-signature-it-makes",
            ("opening", opening),
            ("bare", Bare(diagnosis.Shown, style)),
            ("what", diagnosis.Shown.Alter > 0 ? Say("drills.diagnosis.sharp") : Say("drills.diagnosis.flat")),
            ("shown", Labels.Note(diagnosis.Shown, style))
        );

    /// <summary>The neighbour is named as the signature has it, whatever sign the answer had.</summary>
    private static string OneStep(Diagnosis diagnosis, Player player)
    {
        var place = StaffPlace.Of(diagnosis.Shown, player.Instrument.FirstClef);
        var next = diagnosis.Key.Apply(diagnosis.Answered!.Value);
        return Say(
            "drills.diagnosis.one-step-off-the-next-is",
            ("what", place.OnLine ? Say("drills.diagnosis.space") : Say("drills.diagnosis.line")),
            ("what2", next.Step > diagnosis.Shown.Step ? Say("drills.diagnosis.up") : Say("drills.diagnosis.down")),
            ("next", Labels.Note(next, player.Style)),
            ("lies", English.Capital(Lies(diagnosis, player)))
        );
    }

    private static string BeginAtTheStaff(Diagnosis diagnosis, Player player) =>
        Say(
            "drills.diagnosis.not-this-one-begin-at-the-staff",
            ("lies", Lies(diagnosis, player)),
            (
                "what",
                diagnosis.Shown.Alter != 0
                    ? Say(
                        "drills.diagnosis.begin-at-the-staff-here",
                        ("shown", Labels.Note(diagnosis.Shown, player.Style))
                    )
                    : ""
            )
        );

    /// <summary>"line 2 is G"; off the staff "the note on the second ledger line below is A".</summary>
    private static string Lies(Diagnosis diagnosis, Player player)
    {
        var place = StaffPlace.Of(diagnosis.Shown, player.Instrument.FirstClef);
        return Say(
            "drills.diagnosis.lies-is",
            ("what", place.OnStaff ? "" : Say("drills.diagnosis.the-note")),
            ("place", place.Words()),
            ("bare", Bare(diagnosis.Shown, player.Style))
        );
    }

    private static string Bare(Pitch note, HouseStyle style) =>
        Labels.Note(new Pitch(note.Letter, 0, note.Octave), style);

    private static string TooFar(Diagnosis diagnosis) =>
        diagnosis.Answered is { } answered && answered.Midi > diagnosis.Shown.Midi
            ? Say("drills.diagnosis.a-little-too-high")
            : Say("drills.diagnosis.a-little-too-low");

    private static string Clefs(Diagnosis diagnosis) => English.Either([.. diagnosis.Clefs.Select(c => c.Name)]);

    private static string Pair(Diagnosis diagnosis, Player player) =>
        diagnosis.Place is { } at
            ? at.IsOpen
                ? Say("drills.diagnosis.the-open-string", ("stringName", Labels.StringName(at.String, player)))
                : English.LowerFirst(Labels.PlaceName(at.Pair, player))
            : Say("drills.diagnosis.out-of-reach");
}
