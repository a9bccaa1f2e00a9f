using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Stand;

/// <summary>Why a note is played as it is, in sentences a teacher could say to a child.</summary>
/// <param name="Reading">How the note is read: line or space, letter, what the key signature or an accidental
/// does.</param>
/// <param name="Finger">How its finger follows from the string.</param>
/// <param name="Place">Where the finger goes, with the tape words; empty for an open string.</param>
/// <param name="Choice">Why this way and not the next best; empty where there is only one way.</param>
public sealed record Why(string Reading, string Finger, string Place, string Choice)
{
    private static readonly string[] Ordinals = ["open", "first", "second", "third", "fourth"];

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
                "No finger reaches this note in the positions that Coppia knows.",
                "",
                "Move the tune by an octave, or leave the note out."
            );
        }

        return new Why(
            reading,
            FingerWords(noted.Note.Pitch, at, player),
            PlaceWords(at, player),
            new ChoiceWords(choice, player).Said()
        );
    }

    private static string ReadAloud(SoundingNote note, bool signedEarlier, HouseStyle style)
    {
        var pitch = note.Pitch;
        var place = StaffPlace.Of(pitch, note.Bar.ClefOf(note.Event));
        var natural = Labels.Note(new Pitch(pitch.Letter, 0, pitch.Octave), style);
        var name = Labels.Note(pitch, style);
        var lead = place.OnStaff
            ? $"{English.Capital(place.Words())} is {natural}"
            : $"The note {place.Words()} is {natural}";
        var byKey = note.Bar.Key.AlterOf(pitch.Letter);
        if (pitch.Alter == byKey && pitch.Alter != 0)
            return $"{lead}; the key signature makes it {name}.";
        if (pitch.Alter == byKey)
            return $"{lead}.";
        if (signedEarlier)
            return $"{lead}; the sign earlier in this bar still holds, so it is {name}.";
        return pitch.Alter == 0
            ? $"{lead}; the natural sign takes away the key signature’s {(byKey > 0 ? "sharp" : "flat")}."
            : $"{lead}; the sign in front makes it {name}.";
    }

    private static string FingerWords(Pitch pitch, Placement at, Player player)
    {
        var (instrument, style) = (player.Instrument, player.Style);
        var openName = Labels.Note(instrument.Strings[at.String], style);
        if (at.IsOpen)
            return $"The open {openName} string, no finger.";
        var ordinal = Ordinals[at.Finger];
        var frame = instrument.Frames[at.Frame];
        if (instrument.Numbering == Numbering.BySemitone)
        {
            var stretch = at.Word switch
            {
                PlaceWord.Back => ", reaching back",
                PlaceWord.Forward => ", hand stretched forward",
                _ => "",
            };
            return $"{SemitoneWords(at.Semitones)} above open {openName}: {ordinal} finger in {frame.Spoken}{stretch}.";
        }

        var letters = pitch.Step - instrument.Strings[at.String].Step;
        var count = English.Capital(English.Number(letters));
        if (!at.OwnLetter)
            return $"It sounds where the {ordinal} finger plays its neighbour, so {ordinal} finger stands in.";
        if (at.Reach)
            return $"{count} letters above open {openName}: "
                + "the fourth finger reaches one letter farther than it stands.";
        if (letters == 0)
            return $"It is the open string’s own letter, raised: first finger against the nut.";
        if (frame.PrintsLowAndHigh)
            return $"{count} {(letters == 1 ? "letter" : "letters")} above open {openName}: {ordinal} finger.";
        return $"{English.Capital(ordinal)} finger in {frame.Spoken}.";
    }

    private static string SemitoneWords(int semitones) =>
        semitones == 1 ? "One half step" : $"{English.Capital(English.Number(semitones))} half steps";

    private static string PlaceWords(Placement at, Player player)
    {
        if (at.IsOpen)
            return "";
        var tape = TapeWords.Of(at.Semitones, player.Style.TapesOf(player.Instrument));
        var lead = at.Word switch
        {
            PlaceWord.Low => $"Low {at.Finger}",
            PlaceWord.High => $"High {at.Finger}",
            PlaceWord.Back => "Reach back",
            PlaceWord.Forward => $"{(at.Reach ? "Extended" : "Stretched")} {at.Finger}",
            _ => $"Finger {at.Finger}",
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
            return "a stretch";
        if (at.Reach)
            return "a half step above 4, a stretch that the hand must be big enough for";
        if (player.Instrument.ShapeNaming != ShapeNaming.Touching || frame.PrintsLowAndHigh || at.Finger == 1)
            return null;
        var below = frame.Spots.First(s => s.Finger == at.Finger - 1);
        return at.Semitones - below.Semitones == 1
            ? $"{at.Finger} close to {at.Finger - 1}"
            : $"{at.Finger} apart from {at.Finger - 1}";
    }
}
