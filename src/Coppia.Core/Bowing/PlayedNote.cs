using Coppia.Core.Form;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>A sounding note as it comes in playing.</summary>
/// <param name="Note">Its order among the sounding notes.</param>
/// <param name="Pass">1 the first time through its repeat.</param>
/// <param name="Silence">Rest since the note played before it, over repeats and endings, in whole notes.</param>
/// <param name="After">The bar that is played before its own, where it is its bar's first; it may have rests only.</param>
internal readonly record struct PlayedNote(int Note, int Pass, Fraction Silence, Bar? After)
{
    /// <summary>All notes in the order of playing.</summary>
    public static IEnumerable<PlayedNote> In(IReadOnlyList<SoundingNote> notes, IReadOnlyList<Bar> bars, IReadOnlyList<PlayedBar> order)
    {
        // A printed note begins its grace notes and itself; one that is tied on begins none.
        var begun = notes.ToLookup(n => n.Event.Id, n => n.Index);
        var silence = Fraction.Zero;
        Bar? before = null;
        foreach (var (bar, pass) in order)
        {
            var after = before;
            foreach (var e in bars[bar].Events)
            {
                if (e.IsRest)
                {
                    silence += e.Length;
                    continue;
                }

                foreach (var note in begun[e.Id])
                {
                    yield return new PlayedNote(note, pass, silence, after);
                    (silence, after) = (Fraction.Zero, null);
                }

                silence = Fraction.Zero;
            }

            before = bars[bar];
        }
    }
}
