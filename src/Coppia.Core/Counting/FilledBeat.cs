using Coppia.Core.Music;

namespace Coppia.Core.Counting;

/// <summary>
/// A beat that new notes fill by themselves; a longer note on the beat has the rhythm of a whole one.
/// </summary>
/// <param name="Pattern">The lengths of its notes, as parts of the beat: "1/2 1/2".</param>
/// <param name="NoteIds">Its notes.</param>
public sealed record FilledBeat(string Pattern, IReadOnlyList<string> NoteIds)
{
    /// <summary>The beat is parted into notes of different lengths.</summary>
    public bool IsUneven => Pattern.Split(' ').Distinct().Count() > 1;

    /// <summary>Every filled beat of a bar.</summary>
    /// <param name="beat">The length of a beat, in whole notes.</param>
    /// <param name="tiedIn">The bar's first note is tied to the one before it.</param>
    public static IEnumerable<FilledBeat> In(Bar bar, Fraction beat, bool tiedIn)
    {
        foreach (var group in bar.Events.Index().GroupBy(e => (bar.StartsAt + e.Item.Onset).WholeTimes(beat)))
        {
            var events = group.ToArray();
            if (events.Any(e => e.Item.IsRest || IsTiedIn(e.Index)) || !IsOnTheBeat(events[0].Item, group.Key))
                continue;
            var lengths = events.Select(e => e.Item.Length / beat).ToArray();
            var alone = events.Length == 1 && lengths[0] >= Fraction.Whole;
            var total = lengths.Aggregate(Fraction.Zero, (sum, l) => sum + l);
            if (alone || total == Fraction.Whole)
                yield return new FilledBeat(
                    alone ? "1" : string.Join(' ', lengths),
                    [.. events.Select(e => e.Item.Id)]
                );
        }

        bool IsTiedIn(int index) => index == 0 ? tiedIn : bar.Events[index - 1].TiedOn;
        bool IsOnTheBeat(ScoreEvent e, long whole) => bar.StartsAt + e.Onset == new Fraction(whole, 1) * beat;
    }
}
