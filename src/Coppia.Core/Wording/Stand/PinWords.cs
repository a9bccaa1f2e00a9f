using Coppia.Core.Fingering;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Stand;

/// <summary>Why a pin cannot be.</summary>
public static class PinWords
{
    /// <summary>"F♯4 in bar 3 cannot be played with 1 on the D string; possible here: 2 on D."</summary>
    public static string Impossible(ImpossiblePinException e, Player player)
    {
        var (strings, style) = (player.Instrument.Strings, player.Style);
        var possible = e
            .Possible.Select(p => $"{p.Finger} on {Labels.Note(strings[p.String], style)}")
            .Distinct()
            .ToArray();
        var instead =
            possible.Length == 0 ? "no finger reaches this note" : "possible here: " + string.Join(", ", possible);
        var asked =
            e.Pin.String is not { } s ? $"finger {e.Pin.Finger}"
            : s >= 0 && s < strings.Count ? $"{e.Pin.Finger} on the {Labels.Note(strings[s], style)} string"
            : $"finger {e.Pin.Finger} on string {s + 1}";
        return $"{Labels.NoteAndNumber(e.Note.Pitch, style)} in {e.Note.Bar.Named()} cannot be played with "
            + $"{asked}; {instead}.";
    }

    /// <summary>"The finger of a note in bar 3 was changed in another window meanwhile. …"</summary>
    public static string ChangedMeanwhile(Score score, string noteId) =>
        $"The finger of a note{Where(score, noteId)} was changed in another window meanwhile. Nothing was overwritten; "
        + "it is shown now.";

    public const string PrintedChangedMeanwhile =
        "Whether the printed fingers count was changed in another window meanwhile. Nothing was overwritten; "
        + "it is shown now.";

    public const string OctaveChangedMeanwhile =
        "The octave was changed in another window meanwhile. Nothing was overwritten; it is shown now.";

    /// <summary>" in bar 3"; nothing where the note is not in the tune.</summary>
    internal static string Where(Score score, string noteId) =>
        score.Bars.FirstOrDefault(b => b.Events.Any(e => e.Id == noteId)) is { } bar ? $" in {bar.Named()}" : "";

    /// <summary>"2 of your own fingerings no longer meet their notes and are set aside."</summary>
    public static string SetAside(int pins) =>
        $"{pins} of your own fingerings no longer meet their notes and are set aside.";

    public static string PrintedLeftOut(SoundingNote note, int finger, HouseStyle style) =>
        $"The printed finger {finger} on {Labels.NoteAndNumber(note.Pitch, style)} in {note.Bar.Named()} "
        + "cannot play that note and is left out.";
}
