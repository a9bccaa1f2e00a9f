namespace Coppia.Core.Music;

/// <summary>One note as it sounds: tied notes are one, grace notes count, rests do not.</summary>
/// <param name="Index">Order in the tune, from 0.</param>
/// <param name="Id">Id of the (first) printed note.</param>
/// <param name="TiedIds">Ids of the notes tied on to it, in order.</param>
/// <param name="Pitch">Written pitch.</param>
/// <param name="Bar">Bar in which it begins.</param>
/// <param name="Onset">Moment within the bar from the barline, in whole notes; a pick-up's first note begins late in
/// its bar.</param>
/// <param name="Start">Moment from the start of the tune in written order, in whole notes.</param>
/// <param name="Length">Length with its ties, in whole notes; a grace note has none.</param>
/// <param name="Slurred">The bow does not change between the note before and this one.</param>
/// <param name="RestBefore">Silence before it, in whole notes.</param>
/// <param name="Event">The printed note; for a grace note the note it leans on.</param>
/// <param name="IsGrace">True for a grace note.</param>
public sealed record SoundingNote(
    int Index,
    string Id,
    IReadOnlyList<string> TiedIds,
    Pitch Pitch,
    Bar Bar,
    Fraction Onset,
    Fraction Start,
    Fraction Length,
    bool Slurred,
    Fraction RestBefore,
    ScoreEvent Event,
    bool IsGrace
)
{
    /// <summary>Beat from 1 in the time signature's lower number; in free meter in quarters.</summary>
    public Fraction Beat => Onset / (Bar.Time?.Beat ?? Fraction.Quarter) + Fraction.Whole;

    /// <summary>All sounding notes of a score in written order.</summary>
    public static IReadOnlyList<SoundingNote> Of(Score score)
    {
        var notes = new Sounding();
        foreach (var bar in score.Bars)
        {
            var startsAt = bar.StartsAt;
            foreach (var e in bar.Events)
                notes.Add(bar, e, startsAt + e.Onset);
        }

        return notes.All;
    }

    /// <summary>Notes as they come, with what of those before is still going on.</summary>
    private sealed class Sounding
    {
        private readonly List<SoundingNote> _notes = [];
        private Fraction _start = Fraction.Zero;
        private Fraction _rest = Fraction.Zero;
        private int _slurs;
        private ScoreEvent? _before;

        public IReadOnlyList<SoundingNote> All => _notes;

        /// <param name="at">Moment within the bar from the barline.</param>
        public void Add(Bar bar, ScoreEvent e, Fraction at)
        {
            if (e.Pitch is not { } pitch)
            {
                _rest += e.Length;
            }
            else
            {
                if (_before is { TiedOn: true } && _rest.IsZero && _before.Pitch == pitch && _notes.Count > 0)
                    _notes[^1] = TiedOn(_notes[^1], e);
                else
                    Begin(bar, e, pitch, at);
                _slurs = e.OpenSlurs(_slurs);
            }

            _start += e.Length;
            _before = e;
        }

        private static SoundingNote TiedOn(SoundingNote last, ScoreEvent e)
        {
            // A lift stands on the last of the tied notes.
            var marks = last.Event.Marks | e.Marks & Marks.LiftAfter;
            return last with
            {
                TiedIds = [.. last.TiedIds, e.Id],
                Length = last.Length + e.Length,
                Event = marks == last.Event.Marks ? last.Event : last.Event with { Marks = marks },
            };
        }

        private void Begin(Bar bar, ScoreEvent e, Pitch pitch, Fraction at)
        {
            var inSlur = _slurs > 0 && _notes.Count > 0;
            foreach (var grace in e.Graces)
            {
                Sound(grace.Id, grace.Pitch, Fraction.Zero, isGrace: true);
                inSlur = true;
            }

            Sound(e.Id, pitch, e.Length, isGrace: false);

            void Sound(string id, Pitch sounding, Fraction length, bool isGrace)
            {
                _notes.Add(
                    new SoundingNote(
                        Index: _notes.Count,
                        Id: id,
                        TiedIds: [],
                        Pitch: sounding,
                        Bar: bar,
                        Onset: at,
                        Start: _start,
                        Length: length,
                        Slurred: inSlur,
                        RestBefore: _rest,
                        Event: e,
                        IsGrace: isGrace
                    )
                );
                _rest = Fraction.Zero;
            }
        }
    }
}
