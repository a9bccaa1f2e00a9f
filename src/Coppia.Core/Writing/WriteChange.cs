using Coppia.Core.Music;

namespace Coppia.Core.Writing;

/// <summary>
/// Clef, key, meter and pick-up changed afterwards; the notes stay at their pitch or at their place on the staff, as asked.
/// </summary>
public sealed partial record WritingStaff
{
    /// <summary>Another clef throughout.</summary>
    /// <param name="atPlace">The notes stay on their lines and spaces and sound otherwise.</param>
    public WritingStaff In(Clef clef, bool atPlace = false)
    {
        var bars = Score.Bars.Select(b =>
            b with
            {
                Clef = clef,
                Events =
                [
                    .. b.Events.Select(e => Moved(e with { ClefChange = null }, p => atPlace ? AtPlace(p, b.Key, b.ClefOf(e), clef) : p)),
                ],
            }
        );
        return With([.. bars], Caret) with { Anchor = Anchor };
    }

    /// <summary>Another key, as far as the first one holds.</summary>
    /// <param name="atPlace">The notes stay on their lines and spaces; the new signature changes them.</param>
    public WritingStaff In(KeySignature key, bool atPlace = false)
    {
        var first = Score.Bars[0].Key;
        var until = Score.Bars.TakeWhile(b => b.Key == first).Count();
        var bars = Score.Bars.Select(
            (b, i) =>
                i >= until
                    ? b
                    : b with
                    {
                        Key = key,
                        Events =
                        [
                            .. b.Events.Select(e =>
                                Moved(e, p => atPlace ? Altered(p, key.AlterOf(p.Letter) + p.Alter - first.AlterOf(p.Letter)) : p)
                            ),
                        ],
                    }
        );
        return With([.. bars], Caret) with { Anchor = Anchor };
    }

    /// <summary>Another meter, or another pick-up: the notes are poured into bars anew, and repeats and endings go.</summary>
    public WritingStaff In(TimeSignature? time, Fraction? pickUp)
    {
        pickUp = time is { } t && pickUp is { } p && p > Fraction.Zero && p < t.BarLength ? p : null;
        if (time == Score.Bars[0].Time && pickUp == PickUp)
            return this;
        if (time?.BarLength == Score.Bars[0].Time?.BarLength && pickUp == PickUp)
            return With([.. Score.Bars.Select(b => b with { Time = time })], Caret);
        var (clef, key) = (Score.Bars[0].Clef, Score.Bars[0].Key);
        var poured = BarFilling
            .Of(Untied(), time, pickUp)
            .Select(events => new Bar
            {
                Clef = clef,
                Key = key,
                Time = time,
                Events = events,
            });
        return (this with { PickUp = pickUp, Score = Score with { Clef = clef } }).With(
            [
                .. poured.DefaultIfEmpty(
                    new Bar
                    {
                        Clef = clef,
                        Key = key,
                        Time = time,
                    }
                ),
            ],
            default
        );
    }

    /// <summary>All notes with those that barlines had cut made whole; rests for a bar are no notes and go.</summary>
    private List<ScoreEvent> Untied()
    {
        var whole = new List<ScoreEvent>();
        var cut = false;
        foreach (var (bar, b) in Score.Bars.Index())
        {
            foreach (var (at, e) in b.Events.Index())
            {
                if (e.IsBarRest)
                    continue;
                var length = (cut ? whole[^1].Value.Length : Fraction.Zero) + e.Value.Length;
                if (cut && at == 0 && !e.Value.InTuplet && !whole[^1].Value.InTuplet && NoteValue.Exactly(length) is { } one)
                    whole[^1] = whole[^1] with { Value = one, TiedOn = e.TiedOn, SlurStops = e.SlurStops };
                else
                    whole.Add(e with { ClefChange = null });
                cut = e.TiedOn && at == b.Events.Count - 1 && bar + 1 < Score.Bars.Count;
            }
        }

        return whole;
    }

    private static ScoreEvent Moved(ScoreEvent e, Func<Pitch, Pitch> move) =>
        e.Pitch is not { } pitch
            ? e
            : e with
            {
                Pitch = move(pitch),
                Chord = [.. e.Chord.Select(move)],
                Graces = [.. e.Graces.Select(g => g with { Pitch = move(g.Pitch) })],
            };

    /// <summary>The pitch on the same line or space in another clef; an accidental before it stays one.</summary>
    private static Pitch AtPlace(Pitch pitch, KeySignature key, Clef from, Clef to)
    {
        var natural = to.PitchAt(from.HeightOf(pitch));
        return Altered(natural, key.AlterOf(natural.Letter) + pitch.Alter - key.AlterOf(pitch.Letter));
    }

    private static Pitch Altered(Pitch pitch, int alter) => new(pitch.Letter, Math.Clamp(alter, -2, 2), pitch.Octave);
}
