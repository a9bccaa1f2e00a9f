using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>Why a note is played as it is, in sentences a teacher could say to a child.</summary>
/// <param name="Reading">How the note is read: line or space, letter, what the key signature or an accidental
/// does.</param>
/// <param name="Finger">How its finger follows from the string.</param>
/// <param name="Place">Where the finger goes, with the tape words; empty for an open string.</param>
/// <param name="Choice">Why this way and not the next best; empty where there is only one way.</param>
public sealed record Why(string Reading, string Finger, string Place, string Choice)
{
    private static readonly string[] Ordinals =
    [
        Say("stand.why.open"),
        Say("stand.why.first"),
        Say("stand.why.second"),
        Say("stand.why.third"),
        Say("stand.why.fourth"),
    ];

    /// <param name="index">Order of the note.</param>
    /// <param name="signedEarlier">An accidental earlier in its bar decides its name.</param>
    public static Why Of(Fingers fingers, int index, bool signedEarlier)
    {
        var (noted, player) = (fingers.Notes[index], fingers.Player);
        var reading = ReadAloud(noted.Note, signedEarlier, player.Style);
        if (noted.Placement is not { } at || Fingering.Choice.Of(fingers, index) is not { } choice)
        {
            return new Why(
                reading,
                Say("stand.why.no-finger-reaches-this-note-in-the"),
                "",
                Say("stand.why.move-the-tune-by-an-octave-or")
            );
        }

        return new Why(
            reading,
            FingerWords(noted.Note.Pitch, at, player),
            PlaceWords(at, player),
            new ChoiceWords(choice, player).Sentence()
        );
    }

    private static string ReadAloud(SoundingNote note, bool signedEarlier, HouseStyle style)
    {
        var pitch = note.Pitch;
        var place = StaffPlace.Of(pitch, note.Bar.ClefOf(note.Event));
        var natural = Labels.Note(new Pitch(pitch.Letter, 0, pitch.Octave), style);
        var name = Labels.Note(pitch, style);
        var lead = place.OnStaff
            ? Say("stand.why.read-aloud-is", ("place", English.Capital(place.Words())), ("natural", natural))
            : Say("stand.why.the-note-is", ("place", place.Words()), ("natural", natural));
        var byKey = note.Bar.Key.AlterOf(pitch.Letter);
        if (pitch.Alter == byKey && pitch.Alter != 0)
            return Say("stand.why.the-key-signature-makes-it", ("lead", lead), ("name", name));
        if (pitch.Alter == byKey)
            return $"{lead}.";
        if (signedEarlier)
            return Say("stand.why.the-sign-earlier-in-this-bar-still", ("lead", lead), ("name", name));
        return pitch.Alter == 0
            ? Say(
                "stand.why.the-natural-sign-takes-away-the-key",
                ("lead", lead),
                ("what", byKey > 0 ? Say("stand.why.sharp") : Say("stand.why.flat"))
            )
            : Say("stand.why.the-sign-in-front-makes-it", ("lead", lead), ("name", name));
    }

    private static string FingerWords(Pitch pitch, Placement at, Player player)
    {
        var (instrument, style) = (player.Instrument, player.Style);
        var openName = Labels.Note(instrument.Strings[at.String], style);
        if (at.IsOpen)
            return Say("stand.why.the-open-string-no-finger", ("openName", openName));
        var ordinal = Ordinals[at.Finger];
        var frame = instrument.Frames[at.Frame];
        if (instrument.Numbering == Numbering.BySemitone)
            return Say(
                "stand.why.above-open-finger-in",
                ("semitoneWords", SemitoneWords(at.Semitones)),
                ("openName", openName),
                ("ordinal", ordinal),
                ("frame", frame.Spoken),
                ("stretch", Stretch(at.Word))
            );

        var letters = pitch.Step - instrument.Strings[at.String].Step;
        var count = English.Capital(English.Number(letters));
        if (!at.OwnLetter)
            return Say("stand.why.it-sounds-where-the-finger-plays-its", ("ordinal", ordinal));
        if (at.Reach)
            return Say("stand.why.letters-above-open-the-fourth-finger", ("count", count), ("openName", openName));
        if (letters == 0)
            return Say("stand.why.it-is-the-open-strings-own-letter");
        if (frame.PrintsLowAndHigh)
            return Say(
                "stand.why.above-open-finger",
                ("count", count),
                ("letters", letters),
                ("openName", openName),
                ("ordinal", ordinal)
            );
        return Say("stand.why.finger-in", ("ordinal", English.Capital(ordinal)), ("frame", frame.Spoken));
    }

    private static string Stretch(PlaceWord? word) =>
        word switch
        {
            PlaceWord.Back => Say("stand.why.reaching-back"),
            PlaceWord.Forward => Say("stand.why.hand-stretched-forward"),
            _ => "",
        };

    private static string SemitoneWords(int semitones) =>
        semitones == 1
            ? Say("stand.why.one-half-step")
            : Say("stand.why.half-steps", ("semitones", English.Capital(English.Number(semitones))));

    private static string PlaceWords(Placement at, Player player)
    {
        if (at.IsOpen)
            return "";
        var tape = TapeWords.Of(at.Semitones, player.Style.TapesOf(player.Instrument));
        var lead = at.Word switch
        {
            PlaceWord.Low => Say("stand.why.place-words-low", ("finger", at.Finger)),
            PlaceWord.High => Say("stand.why.place-words-high", ("finger", at.Finger)),
            PlaceWord.Back => Say("stand.why.reach-back"),
            PlaceWord.Forward => $"{(at.Reach ? Say("stand.why.extended") : Say("stand.why.stretched"))} {at.Finger}",
            _ => Say("stand.why.place-words-finger", ("finger", at.Finger)),
        };
        var relation = Neighbour(at, player) is { } neighbour ? $", {neighbour}" : "";
        return $"{lead}: {tape}{relation}.";
    }

    /// <summary>
    /// Above first position: the distance to the finger below, as teachers say it. In first position: what low or high
    /// 4 asks of the hand.
    /// </summary>
    private static string? Neighbour(Placement at, Player player)
    {
        var frame = player.FrameOf(at);
        if (at is { Word: PlaceWord.High, Finger: 4 })
            return Say("stand.why.a-stretch");
        if (at.Reach)
            return Say("stand.why.a-half-step-above-4-a-stretch");
        if (player.Instrument.ShapeNaming != ShapeNaming.Touching || frame.PrintsLowAndHigh || at.Finger == 1)
            return null;
        var below = frame.Spots.First(s => s.Finger == at.Finger - 1);
        return at.Semitones - below.Semitones == 1
            ? Say("stand.why.close-to", ("finger", at.Finger), ("finger2", at.Finger - 1))
            : Say("stand.why.apart-from", ("finger", at.Finger), ("finger2", at.Finger - 1));
    }
}
