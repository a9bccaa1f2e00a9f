using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Wording;

/// <summary>What happened, said to the learner; the mistake, not the learner, is spoken of (craft 14).</summary>
public static class DiagnosisWords
{
    public static string Of(Diagnosis diagnosis, Player player)
    {
        var style = player.Style;
        var (shown, clef) = (diagnosis.Shown, player.Instrument.FirstClef);
        var place = StaffPlace.Of(shown, clef);
        var name = Labels.Note(shown, style);
        var letter = Labels.Note(new Pitch(shown.Letter, 0, shown.Octave), style);
        var answered = diagnosis.Answered is { } a ? Labels.Note(a, style) : "";
        if (diagnosis.AskedAs is ExerciseKind.LineOrSpace or ExerciseKind.WriteIt && !diagnosis.IsRight)
            return OnStaff(diagnosis, place, player);
        if (diagnosis is { AskedAs: ExerciseKind.FindIt, Kind: MistakeKind.Unclear or MistakeKind.WrongOctave })
        {
            var sounds = diagnosis.Kind == MistakeKind.WrongOctave ? $"another {answered}" : answered;
            return $"There {sounds} sounds. This {name} is {Pair(diagnosis, player)}.";
        }

        return diagnosis.Kind switch
        {
            MistakeKind.Right => $"Yes, {name}.",
            MistakeKind.ForgotSignature =>
                $"The letter is right. Look at the key signature: it makes every {letter} {Sign(shown)}, so this is {name}.",
            MistakeKind.ForgotAccidental =>
                $"The letter is right. A sign in this bar holds for it to the barline, so this is {name}, not {answered}.",
            MistakeKind.OneStep =>
                $"One step off: {answered} is the next {(place.OnLine ? "space" : "line")}. This note is {Where(place)}: {letter}.",
            MistakeKind.WrongEnd =>
                $"That is {answered} counted from the top. Lines and spaces are counted from the bottom: {Where(place)} is {letter}.",
            MistakeKind.OtherClef =>
                $"In {Clefs(diagnosis)} clef it would be {answered}. This is {clef.Name} clef: {Where(place)} is {letter}.",
            MistakeKind.WrongOctave => $"The letter is right, but that is another {letter}. This one is {Pair(diagnosis, player)}.",
            MistakeKind.LowHigh => Placed(diagnosis, player, name),
            MistakeKind.OtherInstrument => $"That is the {diagnosis.Other!.Name.ToLowerInvariant()}’s finger. "
                + $"On the {player.Instrument.Name.ToLowerInvariant()} it is {Pair(diagnosis, player)}.",
            MistakeKind.NeighbourString => $"The finger is right, but on the next string. {name} is {Pair(diagnosis, player)}.",
            _ => $"Not this one. Begin at the staff: {Where(place)} is {letter}{(shown.Alter != 0 ? $", here {name}" : "")}.",
        };
    }

    /// <summary>A line or space that was told, or written on.</summary>
    private static string OnStaff(Diagnosis diagnosis, StaffPlace place, Player player)
    {
        var (style, clef) = (player.Style, player.Instrument.FirstClef);
        var written = diagnosis.AskedAs == ExerciseKind.WriteIt;
        var isIt =
            written ? $"{Labels.Note(diagnosis.Shown, style)} is {Where(place)}"
            : place.OnLine ? $"The line goes through the head: {Where(place)}"
            : $"The head lies between two lines: {Where(place)}";
        var there = diagnosis.Answered is { } a ? Labels.Note(a, style) : "";
        return diagnosis.Kind switch
        {
            MistakeKind.OneStep when written => $"One step off: {there} is written there. {isIt}.",
            MistakeKind.OneStep => $"One step off. {isIt}.",
            MistakeKind.WrongEnd => $"Counted from the top. Lines and spaces are counted from the bottom. {isIt}.",
            MistakeKind.OtherClef when written => $"There it is in {Clefs(diagnosis)} clef. In {clef.Name} clef {isIt}.",
            MistakeKind.WrongOctave when written => $"That is a {there}, but another one. This {isIt}.",
            _ => $"Not there. {isIt}.",
        };
    }

    private static string Sign(Pitch note) => note.Alter > 0 ? "sharp" : "flat";

    private static string Where(StaffPlace place) => place.Words();

    private static string Clefs(Diagnosis diagnosis) => English.List([.. diagnosis.Clefs.Select(c => c.Name)], "or");

    private static string Pair(Diagnosis diagnosis, Player player) =>
        diagnosis.Place is { } at ? English.LowerFirst(Labels.PlaceName(at.Pair, player)) : "out of reach";

    private static string Placed(Diagnosis diagnosis, Player player, string name)
    {
        if (diagnosis.Answered is { } answered)
        {
            var way = answered.Midi > diagnosis.Shown.Midi ? "a little too high" : "a little too low";
            return $"The right letter, {way}: {name} is {Pair(diagnosis, player)}.";
        }

        return $"The right finger in another place: {name} is {Pair(diagnosis, player)}.";
    }
}
