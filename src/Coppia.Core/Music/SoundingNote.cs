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
        var notes = new List<SoundingNote>();
        var start = Fraction.Zero;
        var slurs = 0;
        var rest = Fraction.Zero;
        ScoreEvent? before = null;
        foreach (var bar in score.Bars)
        {
            var startsAt = bar.StartsAt;
            foreach (var e in bar.Events)
            {
                if (e.Pitch is not { } pitch)
                {
                    rest += e.Length;
                }
                else if (before is { TiedOn: true } && rest.IsZero && before.Pitch == pitch && notes is [.., var last])
                {
                    // A lift stands on the last of the tied notes.
                    var marked = e.Has(Marks.LiftAfter)
                        ? last.Event with
                        {
                            Marks = last.Event.Marks | Marks.LiftAfter,
                        }
                        : last.Event;
                    notes[^1] = last with
                    {
                        TiedIds = [.. last.TiedIds, e.Id],
                        Length = last.Length + e.Length,
                        Event = marked,
                    };
                    slurs = Math.Max(0, slurs + e.SlurStarts - e.SlurStops);
                }
                else
                {
                    var inSlur = slurs > 0 && notes.Count > 0;
                    var at = startsAt + e.Onset;
                    foreach (var grace in e.Graces)
                    {
                        notes.Add(
                            new SoundingNote(
                                Index: notes.Count,
                                Id: grace.Id,
                                TiedIds: [],
                                Pitch: grace.Pitch,
                                Bar: bar,
                                Onset: at,
                                Start: start,
                                Length: Fraction.Zero,
                                Slurred: inSlur,
                                RestBefore: rest,
                                Event: e,
                                IsGrace: true
                            )
                        );
                        rest = Fraction.Zero;
                        inSlur = true;
                    }

                    notes.Add(
                        new SoundingNote(
                            Index: notes.Count,
                            Id: e.Id,
                            TiedIds: [],
                            Pitch: pitch,
                            Bar: bar,
                            Onset: at,
                            Start: start,
                            Length: e.Length,
                            Slurred: inSlur,
                            RestBefore: rest,
                            Event: e,
                            IsGrace: false
                        )
                    );
                    rest = Fraction.Zero;
                    slurs = Math.Max(0, slurs + e.SlurStarts - e.SlurStops);
                }

                start += e.Length;
                before = e;
            }
        }

        return notes;
    }
}
