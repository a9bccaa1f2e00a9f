using Coppia.Core.Music;

namespace Coppia.Core.Writing;

/// <summary>
/// Clef and key changed afterwards; the notes stay at their pitch or at their place on the staff, as asked.
/// </summary>
public sealed partial record WritingStaff
{
    /// <summary>Another clef throughout.</summary>
    /// <param name="atPlace">The notes stay on their lines and spaces and sound otherwise.</param>
    public WritingStaff WithClef(Clef clef, bool atPlace = false)
    {
        var bars = Score.Bars.Select(b =>
            b with
            {
                Clef = clef,
                Events =
                [
                    .. b.Events.Select(e =>
                        Moved(e with { ClefChange = null }, p => atPlace ? AtPlace(p, b.Key, b.ClefOf(e), clef) : p)
                    ),
                ],
            }
        );
        return With([.. bars], Caret) with { Anchor = Anchor };
    }

    /// <summary>Another key, as far as the first one holds.</summary>
    /// <param name="atPlace">The notes stay on their lines and spaces; the new signature changes them.</param>
    public WritingStaff WithKey(KeySignature key, bool atPlace = false)
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
                                Moved(
                                    e,
                                    p =>
                                        atPlace
                                            ? Altered(p, key.AlterOf(p.Letter) + p.Alter - first.AlterOf(p.Letter))
                                            : p
                                )
                            ),
                        ],
                    }
        );
        return With([.. bars], Caret) with { Anchor = Anchor };
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
