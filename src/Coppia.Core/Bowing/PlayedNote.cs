using Coppia.Core.Form;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>A sounding note as it comes in playing.</summary>
/// <param name="Note">Its order among the sounding notes.</param>
/// <param name="Pass">1 the first time through its repeat.</param>
/// <param name="Silence">Rest since the note played before it, over repeats and endings, in whole notes.</param>
/// <param name="After">The bar that is played before its own, where it is its bar's first; it may have rests
/// only.</param>
internal readonly record struct PlayedNote(int Note, int Pass, Fraction Silence, Bar? After)
{
    /// <summary>All notes in the order of playing.</summary>
    public static IEnumerable<PlayedNote> In(
        IReadOnlyList<SoundingNote> notes,
        IReadOnlyList<Bar> bars,
        IReadOnlyList<PlayedBar> order
    )
    {
        var firstOf = FirstOf(notes, bars);
        var silence = Fraction.Zero;
        Bar? before = null;
        foreach (var (bar, pass) in order)
        {
            var after = before;
            var next = firstOf[bar];
            foreach (var e in bars[bar].Events)
            {
                if (e.IsRest)
                {
                    silence += e.Length;
                    continue;
                }

                // A printed note begins its grace notes and itself; one that is tied on begins none.
                for (; next < notes.Count && notes[next].Event.Id == e.Id; next++)
                {
                    yield return new PlayedNote(next, pass, silence, after);
                    (silence, after) = (Fraction.Zero, null);
                }

                silence = Fraction.Zero;
            }

            before = bars[bar];
        }
    }

    /// <summary>For each bar its first note, or that of a later bar where it has none.</summary>
    private static int[] FirstOf(IReadOnlyList<SoundingNote> notes, IReadOnlyList<Bar> bars)
    {
        var first = new int[bars.Count];
        var note = 0;
        for (var bar = 0; bar < bars.Count; bar++)
        {
            first[bar] = note;
            while (note < notes.Count && ReferenceEquals(notes[note].Bar, bars[bar]))
                note++;
        }

        return first;
    }
}
