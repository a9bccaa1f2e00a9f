using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Fingering;

/// <summary>What speaks for the fourth finger where an open string sounds the same (craft 6).</summary>
public enum FourthReason : byte
{
    None,

    /// <summary>The open string would put a crossing inside a slur.</summary>
    Slur,

    /// <summary>
    /// In notes shorter than the beat the bow would go to the open string for this note alone and straight back.
    /// </summary>
    Quick,
}

/// <summary>
/// Finds the notes that have a reason for the fourth finger, from the plain places of their neighbours alone.
/// </summary>
internal static class FourthReasons
{
    /// <param name="plain">For each note the string of its plain place; −1 where the lowest positions do not hold
    /// it.</param>
    public static FourthReason[] Of(
        IReadOnlyList<SoundingNote> notes,
        Instrument instrument,
        int[] plain,
        EqualBars bars
    )
    {
        var reasons = new FourthReason[notes.Count];
        var befores = new int[notes.Count];
        for (int first = 0, end; first < notes.Count; first = end)
        {
            end = EndOfSound(notes, first);
            if (plain[first] > 0 && instrument.SemitonesAbove(plain[first], notes[first].Pitch) == 0)
                Judge(first, end);
        }

        Agree(notes, reasons, bars);
        return reasons;

        // Its neighbours decide for all of a sound.
        void Judge(int first, int end)
        {
            var open = plain[first];
            var alone = IsAlone(notes, plain, first, end);
            // Within a slur the nearest other sound on either side, as strings; −1 where the slur ends before one.
            var before = first > 0 ? plain[first - 1] : -1;
            for (var i = first; i < end; i++)
                befores[i] = before = notes[i].Slurred ? before : -1;
            var after = end < notes.Count ? plain[end] : -1;
            for (var i = end - 1; i >= first; i--)
            {
                var bound = i + 1 < notes.Count && notes[i + 1].Slurred;
                (before, after) = (befores[i], bound ? after : -1);
                if ((before >= 0 || after >= 0) && before < open && after < open)
                    reasons[i] = FourthReason.Slur;
                else if (alone && !bound && !notes[i].Slurred)
                    reasons[i] = FourthReason.Quick;
            }
        }
    }

    /// <summary>One sound, played once or repeated.</summary>
    private static int EndOfSound(IReadOnlyList<SoundingNote> notes, int first)
    {
        var end = first + 1;
        while (end < notes.Count && notes[end].Pitch == notes[first].Pitch && notes[end].RestBefore.IsZero)
            end++;
        return end;
    }

    /// <summary>
    /// An open string between notes of the string below, all shorter than the beat: the bow would go there for it
    /// alone.
    /// </summary>
    private static bool IsAlone(IReadOnlyList<SoundingNote> notes, int[] plain, int first, int end)
    {
        var below = plain[first] - 1;
        if (
            first == 0
            || end == notes.Count
            || !notes[end].RestBefore.IsZero
            || plain[first - 1] != below
            || plain[end] != below
        )
            return false;
        for (var i = first; i < end; i++)
        {
            if (notes[i].Length >= (notes[i].Bar.Time?.FeltBeat ?? Fraction.Quarter))
                return false;
        }

        return true;
    }

    /// <summary>
    /// A quick note keeps its reason only where every note of its pitch in the bar has one, and wherever the same bar
    /// comes again: open here and fourth finger there would be two things to learn.
    /// </summary>
    private static void Agree(IReadOnlyList<SoundingNote> notes, FourthReason[] reasons, EqualBars bars)
    {
        var without = new HashSet<Pitch>();
        foreach (var (first, end) in bars.Bars)
        {
            if (!reasons.AsSpan(first, end - first).Contains(FourthReason.Quick))
                continue;
            without.Clear();
            for (var i = first; i < end; i++)
            {
                if (reasons[i] == FourthReason.None)
                    without.Add(notes[i].Pitch);
            }

            Forbid(first, end);
        }

        foreach (var group in bars.Groups)
        {
            var (start, stop) = bars.Bars[group[0]];
            if (group.All(b => !reasons.AsSpan(bars.Bars[b].First, stop - start).Contains(FourthReason.Quick)))
                continue;
            without.Clear();
            for (var k = 0; k < stop - start; k++)
            {
                if (group.Any(b => reasons[bars.Bars[b].First + k] == FourthReason.None))
                    without.Add(notes[start + k].Pitch);
            }

            foreach (var b in group)
                Forbid(bars.Bars[b].First, bars.Bars[b].End);
        }

        void Forbid(int first, int end) => ForbidQuick(without, notes, reasons, first, end);
    }

    /// <summary>Being quick is no reason any more for notes of some pitches.</summary>
    private static void ForbidQuick(
        HashSet<Pitch> pitches,
        IReadOnlyList<SoundingNote> notes,
        FourthReason[] reasons,
        int first,
        int end
    )
    {
        for (var i = first; i < end; i++)
        {
            if (reasons[i] == FourthReason.Quick && pitches.Contains(notes[i].Pitch))
                reasons[i] = FourthReason.None;
        }
    }
}
