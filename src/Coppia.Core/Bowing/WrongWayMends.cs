using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>A repeat that brings the bow back the wrong way round, and what helps.</summary>
public sealed record WrongWayAdvice(WrongWayRound Place, IReadOnlyList<BowEdit> Mends);

/// <summary>
/// What helps where a repeat brings the bow back the wrong way round: a slur, a hook or a retake just before it. A
/// change turns all strokes after it up to the next that is set anew, by a printed sign or a lift; so each is judged by
/// counting strokes, and the tune is not followed again for it.
/// </summary>
public sealed class WrongWayMends
{
    private readonly IReadOnlyList<SoundingNote> _notes;
    private readonly Bows _bows;
    private readonly HashSet<string> _joinable;

    /// <summary>
    /// For each stroke the last one, itself included, whose direction does not come from the stroke before it.
    /// </summary>
    private readonly int[] _set;

    /// <summary>The strokes that play the notes about wrong places, in the order of playing.</summary>
    private readonly Dictionary<int, List<int>> _strokesOf;

    private WrongWayMends(Score score, IReadOnlyList<SoundingNote> notes, Bows bows)
    {
        (_notes, _bows, _joinable) = (notes, bows, BowEdits.Joinable(score));
        _strokesOf = bows
            .ComesBackWrong.SelectMany(w => new[] { w.Leaving, w.Returning })
            .Distinct()
            .ToDictionary(n => n, _ => new List<int>());
        _set = new int[bows.Strokes.Count];
        for (var s = 0; s < _set.Length; s++)
        {
            var stroke = bows.Strokes[s];
            _set[s] = s == 0 || IsSet(stroke) ? s : _set[s - 1];
            for (var note = stroke.First; note <= stroke.Last; note++)
            {
                if (_strokesOf.TryGetValue(note, out var strokes))
                    strokes.Add(s);
            }
        }
    }

    /// <summary>For each wrong place the changes that really turn the bow back, easiest first.</summary>
    /// <param name="score">The tune as it is bowed now.</param>
    /// <param name="notes">Its sounding notes.</param>
    public static IReadOnlyList<WrongWayAdvice> Of(Score score, IReadOnlyList<SoundingNote> notes, Bows bows)
    {
        if (bows.ComesBackWrong.Count == 0)
            return [];
        var mends = new WrongWayMends(score, notes, bows);
        return [.. bows.ComesBackWrong.Select(w => new WrongWayAdvice(w, [.. mends.For(w)]))];
    }

    private IEnumerable<BowEdit> For(WrongWayRound wrong)
    {
        var last = _notes[wrong.Leaving];
        // One pitch twice under a slur would read as a tie.
        var samePitch = wrong.Leaving > 0 && _notes[wrong.Leaving - 1].Pitch == last.Pitch;
        if (_joinable.Contains(last.Event.Id) && TurnsBack(wrong, new Change(Joined(wrong.Leaving), [])))
        {
            if (!samePitch)
                yield return new BowEdit(last.Event.Id, BowEditKind.Slur);
            yield return new BowEdit(last.Event.Id, BowEditKind.Hook);
        }

        if (TurnsBack(wrong, new Change([], Lifted(wrong.Leaving))))
            yield return new BowEdit(last.TiedIds is [.., var tied] ? tied : last.Event.Id, BowEditKind.Lift);
    }

    /// <summary>What a change does to the strokes, each list in the order of playing.</summary>
    /// <param name="Joined">Strokes that are part of the one before them.</param>
    /// <param name="Down">Strokes that begin down, for the bow is lifted before them.</param>
    private readonly record struct Change(List<int> Joined, List<int> Down);

    /// <summary>
    /// The strokes that a note begins and that would join the stroke before; not where it is jumped to.
    /// </summary>
    private List<int> Joined(int note) =>
        [
            .. _strokesOf[note]
                .Where(s =>
                    s > 0
                    && _bows.Strokes[s] is { Jumped: false } stroke
                    && stroke.First == note
                    && !_bows.Plucked[note - 1]
                ),
        ];

    /// <summary>
    /// The strokes after a lift; a printed sign is stronger, and a grace note is played in the air of the lift.
    /// </summary>
    private List<int> Lifted(int note) =>
        [
            .. _strokesOf[note]
                .Where(s => _bows.Strokes[s].Last == note)
                .Select(s => s + 1)
                .Where(s => s < _set.Length && _set[s] != s && !_notes[_bows.Strokes[s].First].IsGrace),
        ];

    /// <summary>With the change the bow comes back to the note as it was the first time.</summary>
    private bool TurnsBack(WrongWayRound wrong, Change change)
    {
        BowDirection? first = null;
        foreach (var s in _strokesOf[wrong.Returning])
        {
            var direction = Direction(s, change);
            first ??= direction;
            if (direction != first)
                return !(_bows.Strokes[s].Jumped && _bows.Strokes[s].First == wrong.Returning);
        }

        return true;
    }

    private BowDirection Direction(int stroke, Change change)
    {
        var (joined, down) = change;
        while (joined.BinarySearch(stroke) >= 0)
            stroke--;
        var from = _set[stroke];
        while (joined.BinarySearch(from) >= 0)
            from = _set[from - 1];
        var lift = UpTo(down, stroke) is > 0 and var n ? down[n - 1] : -1;
        var (begins, direction) = lift > from ? (lift, BowDirection.Down) : (from, _bows.Strokes[from].Direction);
        var turns = stroke - begins - (UpTo(joined, stroke) - UpTo(joined, begins));
        return turns % 2 == 0 ? direction : BowStep.Turned(direction);
    }

    /// <summary>How many of the strokes are not after this one.</summary>
    private static int UpTo(List<int> strokes, int stroke) =>
        strokes.BinarySearch(stroke) is var at && at >= 0 ? at + 1 : ~at;

    private bool IsSet(PlayedStroke stroke) =>
        stroke.Lifted || (_notes[stroke.First].Event.Marks & (Marks.UpBow | Marks.DownBow)) != 0;
}
