using Coppia.Core.Fingering;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>How far written notes were moved.</summary>
public static class OctaveWords
{
    /// <summary>"an octave lower", "two octaves higher"; null when nothing moved.</summary>
    public static string? Moved(int octaves)
    {
        if (octaves == 0)
            return null;
        var far = Math.Abs(octaves) switch
        {
            1 => Say("stand.octave.an-octave"),
            2 => Say("stand.octave.two-octaves"),
            var many => Say("stand.octave.moved-octaves", ("many", many)),
        };
        return $"{far} {(octaves < 0 ? Say("stand.octave.lower") : Say("stand.octave.higher"))}";
    }

    /// <summary>An octave to choose: "as printed", "an octave lower".</summary>
    public static string Chosen(int octaves) => Moved(octaves) ?? Say("stand.octave.as-printed");

    /// <summary>
    /// What an octave leaves out: "3 notes out of reach", "one note beyond the class", "every note in reach".
    /// </summary>
    public static string Leaves(OctaveChoice choice) =>
        choice switch
        {
            { OutOfReach: > 0 } => Say("stand.key-offer.out-of-reach", ("notes", Notes(choice.OutOfReach))),
            { Beyond: > 0 } => Say("stand.key-offer.beyond-the-class", ("notes", Notes(choice.Beyond))),
            _ => Say("stand.octave.every-note-in-reach"),
        };

    /// <summary>"one note", "3 notes".</summary>
    internal static string Notes(int count) =>
        count == 1 ? Say("stand.octave.one-note") : Say("stand.octave.notes-notes", ("count", count));
}
