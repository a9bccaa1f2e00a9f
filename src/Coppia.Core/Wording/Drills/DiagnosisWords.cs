using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Drills;

/// <summary>What happened, said to the learner; the mistake, not the learner, is spoken of (craft 14).</summary>
public static class DiagnosisWords
{
    public static string Of(Diagnosis diagnosis, Player player) =>
        diagnosis switch
        {
            { IsRight: true } => $"Yes, {Labels.Note(diagnosis.Shown, player.Style)}.",
            { Pressed: SpotReply spot } => OnFingerboard(diagnosis, spot, player),
            { Pressed: PairReply pair } => Fingered(diagnosis, pair, player),
            { AskedAs: ExerciseKind.LineOrSpace or ExerciseKind.WriteIt } => OnStaff(diagnosis, player),
            _ => Named(diagnosis, player),
        };

    /// <summary>A note that was named.</summary>
    private static string Named(Diagnosis diagnosis, Player player)
    {
        var (style, shown, clef) = (player.Style, diagnosis.Shown, player.Instrument.FirstClef);
        var name = Labels.Note(shown, style);
        var answered = diagnosis.Answered is { } a ? Labels.Note(a, style) : "";
        return diagnosis.Kind switch
        {
            MistakeKind.ForgotSignature => ForgotSignature(diagnosis, "The letter is right.", style),
            MistakeKind.ForgotAccidental =>
                $"The letter is right. A sign in this bar holds for it to the barline, so this is {name}, "
                    + $"not {answered}.",
            MistakeKind.OneStep => OneStep(diagnosis, player),
            MistakeKind.WrongEnd =>
                $"That is {answered} counted from the top. Lines and spaces are counted from the bottom: "
                    + $"{Lies(diagnosis, player)}.",
            MistakeKind.OtherClef => $"In {Clefs(diagnosis)} clef it would be {answered}. This is {clef.Name} clef: "
                + $"{Lies(diagnosis, player)}.",
            MistakeKind.WrongOctave =>
                $"The letter is right, but that is another {name}. This one is {Pair(diagnosis, player)}.",
            MistakeKind.LowHigh => $"The right letter, {TooFar(diagnosis)}: {name} is {Pair(diagnosis, player)}.",
            _ => BeginAtTheStaff(diagnosis, player),
        };
    }

    /// <summary>A note that was answered by string and finger.</summary>
    private static string Fingered(Diagnosis diagnosis, PairReply pressed, Player player)
    {
        var (style, instrument) = (player.Style, player.Instrument);
        var name = Labels.Note(diagnosis.Shown, style);
        return diagnosis.Kind switch
        {
            MistakeKind.WrongOctave => $"That is another {name}. This one is {Pair(diagnosis, player)}.",
            // An open string has no finger that could be right.
            MistakeKind.NeighbourString when pressed.Finger == 0 => "An open string, but the next one: "
                + $"this note is on the {Labels.StringName(diagnosis.Place!.Value.String, player)} string.",
            MistakeKind.NeighbourString =>
                $"The finger is right, but on the next string. {name} is {Pair(diagnosis, player)}.",
            MistakeKind.OtherInstrument => $"That is the {diagnosis.Other!.Name.ToLowerInvariant()}’s finger. "
                + $"On the {instrument.Name.ToLowerInvariant()} it is {Pair(diagnosis, player)}.",
            MistakeKind.LowHigh => $"The right finger in another place: {name} is {Pair(diagnosis, player)}.",
            MistakeKind.ForgotSignature => ForgotSignature(diagnosis, "That is the plain letter.", style),
            MistakeKind.OneStep => OneStep(diagnosis, player),
            _ => BeginAtTheStaff(diagnosis, player),
        };
    }

    /// <summary>A named note that was looked for on the fingerboard.</summary>
    private static string OnFingerboard(Diagnosis diagnosis, SpotReply pressed, Player player)
    {
        var (style, name) = (player.Style, Labels.Note(diagnosis.Shown, player.Style));
        var here = $"This {name} is {Pair(diagnosis, player)}.";
        var inKey = diagnosis.Answered is { } a && diagnosis.Key.AlterOf(a.Letter) == a.Alter;
        return diagnosis.Kind switch
        {
            MistakeKind.LowHigh => $"{English.Capital(TooFar(diagnosis))}: {name} is {Pair(diagnosis, player)}.",
            MistakeKind.NeighbourString when pressed.Semitones == 0 => $"An open string, but the next one. {here}",
            MistakeKind.NeighbourString => $"The right height, but on the next string. {here}",
            MistakeKind.WrongOctave => $"There another {name} sounds. {here}",
            _ when inKey => $"There {Labels.Note(diagnosis.Answered!.Value, style)} sounds. {here}",
            _ => $"There a note sounds that this key does not have. {here}",
        };
    }

    /// <summary>A line or space that was told, or written on.</summary>
    private static string OnStaff(Diagnosis diagnosis, Player player)
    {
        var (style, clef) = (player.Style, player.Instrument.FirstClef);
        var place = StaffPlace.Of(diagnosis.Shown, clef);
        var written = diagnosis.AskedAs == ExerciseKind.WriteIt;
        var isIt =
            written ? $"{Labels.Note(diagnosis.Shown, style)} is {place.Words()}"
            : place.OnLine ? $"The line goes through the head: {place.Words()}"
            : $"The head lies between two lines: {place.Words()}";
        var there = diagnosis.Answered is { } a ? Labels.Note(a, style) : "";
        return diagnosis.Kind switch
        {
            MistakeKind.OneStep when written => $"One step off: {there} is written there. {isIt}.",
            MistakeKind.OneStep => $"One step off. {isIt}.",
            MistakeKind.WrongEnd => $"Counted from the top. Lines and spaces are counted from the bottom. {isIt}.",
            MistakeKind.OtherClef when written =>
                $"There it is in {Clefs(diagnosis)} clef. In {clef.Name} clef {isIt}.",
            MistakeKind.WrongOctave when written => $"That is a {there}, but another one. This {isIt}.",
            _ => $"Not there. {isIt}.",
        };
    }

    private static string ForgotSignature(Diagnosis diagnosis, string opening, HouseStyle style) =>
        $"{opening} Look at the key signature: it makes every {Bare(diagnosis.Shown, style)} "
        + $"{(diagnosis.Shown.Alter > 0 ? "sharp" : "flat")}, so this is {Labels.Note(diagnosis.Shown, style)}.";

    /// <summary>The neighbour is named as the signature has it, whatever sign the answer had.</summary>
    private static string OneStep(Diagnosis diagnosis, Player player)
    {
        var place = StaffPlace.Of(diagnosis.Shown, player.Instrument.FirstClef);
        var next = diagnosis.Key.Apply(diagnosis.Answered!.Value);
        return $"One step off: the next {(place.OnLine ? "space" : "line")} "
            + $"{(next.Step > diagnosis.Shown.Step ? "up" : "down")} is "
            + $"{Labels.Note(next, player.Style)}. {English.Capital(Lies(diagnosis, player))}.";
    }

    private static string BeginAtTheStaff(Diagnosis diagnosis, Player player) =>
        $"Not this one. Begin at the staff: {Lies(diagnosis, player)}"
        + (diagnosis.Shown.Alter != 0 ? $", here {Labels.Note(diagnosis.Shown, player.Style)}" : "")
        + ".";

    /// <summary>"line 2 is G"; off the staff "the note on the second ledger line below is A".</summary>
    private static string Lies(Diagnosis diagnosis, Player player)
    {
        var place = StaffPlace.Of(diagnosis.Shown, player.Instrument.FirstClef);
        return $"{(place.OnStaff ? "" : "the note ")}{place.Words()} is {Bare(diagnosis.Shown, player.Style)}";
    }

    private static string Bare(Pitch note, HouseStyle style) =>
        Labels.Note(new Pitch(note.Letter, 0, note.Octave), style);

    private static string TooFar(Diagnosis diagnosis) =>
        diagnosis.Answered is { } answered && answered.Midi > diagnosis.Shown.Midi
            ? "a little too high"
            : "a little too low";

    private static string Clefs(Diagnosis diagnosis) => English.List([.. diagnosis.Clefs.Select(c => c.Name)], "or");

    private static string Pair(Diagnosis diagnosis, Player player) =>
        diagnosis.Place is { } at
            ? at.IsOpen
                ? $"the open {Labels.StringName(at.String, player)} string"
                : English.LowerFirst(Labels.PlaceName(at.Pair, player))
            : "out of reach";
}
