using Coppia.Core.Fingering;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>Why a pin cannot be.</summary>
public static class PinWords
{
    /// <summary>"F♯4 in bar 3 cannot be played with 1 on the D string; possible here: 2 on D."</summary>
    public static string Impossible(ImpossiblePinException e, Player player)
    {
        var (strings, style) = (player.Instrument.Strings, player.Style);
        var possible = e
            .Possible.Select(p =>
                Say("stand.pin.impossible-on", ("finger", p.Finger), ("strings", Labels.Note(strings[p.String], style)))
            )
            .Distinct()
            .ToArray();
        var instead =
            possible.Length == 0
                ? Say("stand.pin.no-finger-reaches-this-note")
                : Say("stand.pin.possible-here", ("possible", string.Join(", ", possible)));
        var asked =
            e.Pin.String is not { } s ? Say("stand.pin.impossible-finger", ("finger", e.Pin.Finger))
            : s >= 0 && s < strings.Count
                ? Say("stand.pin.on-the-string", ("finger", e.Pin.Finger), ("strings", Labels.Note(strings[s], style)))
            : Say("stand.pin.finger-on-string", ("finger", e.Pin.Finger), ("s", s + 1));
        return Say(
            "stand.pin.in-cannot-be-played-with",
            ("noteAndNumber", Labels.NoteAndNumber(e.Note.Pitch, style)),
            ("bar", e.Note.Bar.Named()),
            ("asked", asked),
            ("instead", instead)
        );
    }

    /// <summary>"The finger of a note in bar 3 was changed in another window meanwhile. …"</summary>
    public static string ChangedMeanwhile(Score score, string noteId) =>
        Say("stand.pin.the-finger-of-a-note-was-changed", ("where", Where(score, noteId)));

    public static string PrintedChangedMeanwhile => Say("stand.pin.printed-changed-meanwhile");

    public static string OctaveChangedMeanwhile => Say("stand.pin.octave-changed-meanwhile");

    /// <summary>" in bar 3"; nothing where the note is not in the tune.</summary>
    internal static string Where(Score score, string noteId) =>
        score.Bars.FirstOrDefault(b => b.Events.Any(e => e.Id == noteId)) is { } bar
            ? Say("stand.pin.where-in", ("bar", bar.Named()))
            : "";

    /// <summary>"2 of your own fingerings no longer meet their notes and are set aside."</summary>
    public static string SetAside(int pins) => Say("stand.pin.of-your-own-fingerings-no-longer-meet", ("pins", pins));

    public static string PrintedLeftOut(SoundingNote note, int finger, HouseStyle style) =>
        Say(
            "stand.pin.the-printed-finger-on-in-cannot-play",
            ("finger", finger),
            ("noteAndNumber", Labels.NoteAndNumber(note.Pitch, style)),
            ("bar", note.Bar.Named())
        );
}
