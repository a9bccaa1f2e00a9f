using Coppia.Core.Form;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

public enum BowDirection
{
    Down,
    Up,
}

/// <summary>One stroke as it is played.</summary>
/// <param name="First">Order of its first sounding note.</param>
/// <param name="Last">Order of its last sounding note.</param>
/// <param name="Pass">1 the first time through a repeat.</param>
/// <param name="Lifted">The bow was lifted or rested before it and is set anew.</param>
public readonly record struct PlayedStroke(int First, int Last, BowDirection Direction, int Pass, bool Lifted)
{
    /// <summary>
    /// A repeat or a waymark leads to it: the note before it on the paper is not the one before it in time.
    /// </summary>
    public bool Jumped { get; init; }
}

/// <summary>A place where a repeat brings the bow back the other way round.</summary>
/// <param name="Leaving">Order of the last note before the jump back.</param>
/// <param name="Returning">Order of the note that it comes back to.</param>
/// <param name="First">Direction there the first time; the second time it is the other.</param>
/// <param name="From">The bar from which it jumps back; that of the last note, or one of rests after it.</param>
public readonly record struct WrongWayRound(int Leaving, int Returning, BowDirection First, Bar From);

/// <summary>
/// Bow directions of a tune in play order (craft 8): the first stroke down unless a pick-up, each new stroke
/// alternates, notes under one slur share a stroke, printed signs win, a lift, a bar of rest or plucked notes start
/// down again.
/// </summary>
/// <param name="Directions">For each sounding note its direction the first time.</param>
/// <param name="Again">Its direction the second time where that differs; else null.</param>
/// <param name="Strokes">Every stroke in the order of playing.</param>
/// <param name="Plucked">The note is plucked and has no stroke; its direction is the last one bowed.</param>
/// <param name="ComesBackWrong">Where a repeat turns the bow round.</param>
public sealed record Bows(
    IReadOnlyList<BowDirection> Directions,
    IReadOnlyList<BowDirection?> Again,
    IReadOnlyList<PlayedStroke> Strokes,
    IReadOnlyList<bool> Plucked,
    IReadOnlyList<WrongWayRound> ComesBackWrong
)
{
    public static Bows Follow(
        IReadOnlyList<SoundingNote> notes,
        IReadOnlyList<Bar> bars,
        IReadOnlyList<PlayedBar> order,
        AfterLongRest longRest
    )
    {
        var bow = new FollowedBow(notes, longRest);
        foreach (var played in PlayedNote.In(notes, bars, order))
            bow.Play(played);
        return bow.Found();
    }

    /// <summary>A bow on its way through the notes.</summary>
    private sealed class FollowedBow(IReadOnlyList<SoundingNote> notes, AfterLongRest longRest)
    {
        private readonly BowDirection?[] _first = new BowDirection?[notes.Count];
        private readonly BowDirection?[] _again = new BowDirection?[notes.Count];
        private readonly List<PlayedStroke> _strokes = new(notes.Count);
        private readonly List<WrongWayRound> _wrong = [];
        private readonly IReadOnlyList<bool> _plucked = Plucking.Of(notes);
        private readonly BowDirection _opening = Opening(notes);
        private int _before = -1;

        private BowDirection? Last => _strokes.Count == 0 ? null : _strokes[^1].Direction;

        public Bows Found() => new([.. _first.Select(d => d ?? BowDirection.Down)], _again, _strokes, _plucked, _wrong);

        public void Play(in PlayedNote played)
        {
            var i = played.Note;
            var follows = i == _before + 1;
            if (_plucked[i])
                _first[i] ??= Last ?? BowDirection.Down;
            else
            {
                if (follows && _before >= 0 && notes[i].Slurred && !_plucked[_before])
                    _strokes[^1] = _strokes[^1] with { Last = i };
                else
                    Begin(played, follows);
                Turn(i, _strokes[^1].Direction, follows, played.After);
            }

            _before = i;
        }

        private void Begin(in PlayedNote played, bool follows)
        {
            var i = played.Note;
            var lifted = _before >= 0 && (_plucked[_before] || Retakes(notes, _before, i, played.Silence, longRest));
            var direction = BowStep.Direction(notes[i], Last, lifted, _opening);
            _strokes.Add(new PlayedStroke(i, i, direction, played.Pass, lifted) { Jumped = !follows });
        }

        private void Turn(int note, BowDirection direction, bool follows, Bar? after)
        {
            if (_first[note] is not { } once)
                _first[note] = direction;
            else if (once != direction)
            {
                if (!follows && _again[note] is null)
                    _wrong.Add(new WrongWayRound(_before, note, once, after ?? notes[_before].Bar));
                _again[note] = direction;
            }
        }
    }

    /// <summary>
    /// A pick-up is bowed so that the first full bar begins down: one stroke up, two strokes down up.
    /// </summary>
    public static BowDirection Opening(IReadOnlyList<SoundingNote> notes) =>
        notes.TakeWhile(n => n.Bar.IsPickUp).Count(n => !n.Slurred) % 2 == 1 ? BowDirection.Up : BowDirection.Down;

    public static BowDirection Turned(BowDirection direction) => BowStep.Turned(direction);

    /// <summary>
    /// A lift sign, or a rest of at least a bar where the school retakes after one; a shorter rest does not turn the
    /// bow.
    /// </summary>
    /// <param name="silence">Rest between them in playing, in whole notes.</param>
    internal static bool Retakes(
        IReadOnlyList<SoundingNote> notes,
        int before,
        int i,
        Fraction silence,
        AfterLongRest longRest
    ) =>
        notes[before].Event.Has(Marks.LiftAfter) && !notes[i].IsGrace
        || longRest == AfterLongRest.RetakeDown
            && !silence.IsZero
            && notes[i].Bar.Time is { } time
            && silence >= time.BarLength;
}
