using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Form;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>
/// Works out the right answer of a question for a player. Nothing that was drawn by chance takes part.
/// </summary>
public static class Answers
{
    /// <exception cref="InvalidQuestionException">The question has no answer for this player.</exception>
    public static Answer To(Question question, Player player) =>
        question switch
        {
            NoteQuestion note => OfNote(note, player),
            SignatureQuestion s => new SignatureAnswer(
                new KeySignature(s.Fifths),
                SignaturePlaces.Of(new KeySignature(s.Fifths), player.Instrument.FirstClef)
            ),
            ShapeQuestion s => new ShapeAnswer(Shape(s, player)),
            PenQuestion pen => new PenAnswer(pen.Note is { } n ? StaffPlace.Of(n, player.Instrument.FirstClef) : null),
            BeatQuestion beat => OfRow(beat),
            BarsQuestion { Kind: QuestionKind.Count } bars => new CountAnswer(Counts.Of(bars.Music, player.Style)),
            BarsQuestion { Kind: QuestionKind.Bow } bars => OfStrokes(bars.Music, player),
            BarsQuestion bars => Difference(bars.Music),
            ScaleQuestion scale => OfScale(scale, player),
            PlayQuestion play => new PlayAnswer(
                PlayerReading.Of(play.Music, player.Instrument, player, play.Pins, chosenOctaves: 0)
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(question), question, null),
        };

    private static Answer OfNote(NoteQuestion asked, Player player)
    {
        var place = StaffPlace.Of(asked.Note, player.Instrument.FirstClef);
        switch (asked.Kind)
        {
            case QuestionKind.Name:
                return new NameAnswer(
                    asked.Note,
                    asked.Note.Alter != 0 && asked.Key.AlterOf(asked.Note.Letter) == asked.Note.Alter
                );
            case QuestionKind.Write:
                return new NoteAnswer(asked.Note, place);
            case QuestionKind.LineOrSpace:
                return new StaffAnswer(place);
            case QuestionKind.Stem:
                return new StemAnswer(place.StemUp);
        }

        var key = new ScaleKey(
            asked.Key.Fifths,
            asked.Key.Mode == Mode.Minor ? ScaleForm.NaturalMinor : ScaleForm.Major
        );
        var all = PlainPlace.All(player, asked.Note, PlainPlace.HeightOf(player.Instrument, key));
        // One that is to be found on a certain string has only that string's places.
        if (asked is { Kind: QuestionKind.Find, Place: { } on })
            all = [.. all.Where(p => p.String == on.String).DistinctBy(p => p.Semitones)];
        return all.Count == 0
            ? throw new InvalidQuestionException(QuestionFault.OutOfReach)
            : new PairAnswer(all[0], all);
    }

    private static HandShape Shape(ShapeQuestion asked, Player player)
    {
        if (asked.String < 0 || asked.String >= player.Instrument.Strings.Count)
            throw new InvalidQuestionException(QuestionFault.NoSuchString);
        var shape = HandShape.InKey(player.Instrument, asked.Key, asked.Position)[asked.String];
        return shape.Spots.Count > 0 ? shape : throw new InvalidQuestionException(QuestionFault.NoSuchPosition);
    }

    private static Answer OfRow(BeatQuestion asked)
    {
        var bar = asked.Row.Bars[0];
        if (bar.Time is not { } time)
            throw new InvalidQuestionException(QuestionFault.NoMeter);
        switch (asked.Sum)
        {
            case BeatSum.Gap:
                if (asked.Gap is not { } gap || gap < 0 || gap >= bar.Events.Count)
                    throw new InvalidQuestionException(QuestionFault.NoGap);
                var others = bar
                    .Events.Where((_, i) => i != gap)
                    .Aggregate(Fraction.Zero, (sum, e) => sum + e.Value.Length);
                return new ValueAnswer(
                    NoteValue.Exactly(time.BarLength - others)
                        ?? throw new InvalidQuestionException(QuestionFault.NoSuchValue)
                );
            case BeatSum.IsItRight:
                return new SumAnswer(bar.Length, time.BarLength);
            default:
                return new BarlinesAnswer(Barlines(bar, time));
        }
    }

    private static IReadOnlyList<int> Barlines(Bar row, TimeSignature time)
    {
        var (after, filled) = (new List<int>(), Fraction.Zero);
        foreach (var (i, e) in row.Events.Index())
        {
            filled += e.Value.Length;
            if (filled > time.BarLength)
                throw new InvalidQuestionException(QuestionFault.NoBarline);
            if (filled < time.BarLength)
                continue;
            after.Add(i + 1);
            filled = Fraction.Zero;
        }

        // The last bar ends with the row.
        return filled.IsZero && after.Count > 1
            ? [.. after.SkipLast(1)]
            : throw new InvalidQuestionException(QuestionFault.NoBarline);
    }

    private static BowAnswer OfStrokes(Score music, Player player)
    {
        var notes = SoundingNote.Of(music);
        var bows = Bows.Follow(notes, music.Bars, PlayOrder.Of(music), player.Style.AfterLongRest);
        return new BowAnswer([.. bows.Strokes.Select(s => (notes[s.First].Id, s.Direction))]);
    }

    /// <summary>The one place in which two bars differ: a note of another pitch, or a beat of another rhythm.</summary>
    private static DifferenceAnswer Difference(Score music)
    {
        if (music.Bars.Count != 2 || music.Bars[0].Time is not { } time)
            throw new InvalidQuestionException(QuestionFault.NotOneDifference);
        var (a, b) = (music.Bars[0].Events, music.Bars[1].Events);
        if (a.Select(e => e.Value).SequenceEqual(b.Select(e => e.Value)))
        {
            int[] at = [.. Enumerable.Range(0, a.Count).Where(i => a[i].Pitch != b[i].Pitch)];
            return at.Length == 1
                ? new DifferenceAnswer(DifferenceKind.Notes, Beat(b[at[0]].Onset), [b[at[0]].Id])
                : throw new InvalidQuestionException(QuestionFault.NotOneDifference);
        }

        // Beats on which something else begins.
        var beats = Enumerable.Range(0, time.Beats).Select(n => (From: At(n), To: At(n + 1)));
        Fraction[] differ = [.. beats.Where(x => !Within(a, x).SequenceEqual(Within(b, x))).Select(x => x.From)];
        return differ.Length == 1
            ? new DifferenceAnswer(
                DifferenceKind.Rhythm,
                Beat(differ[0]),
                [.. Within(b, (differ[0], differ[0] + time.Beat), e => e.Id)]
            )
            : throw new InvalidQuestionException(QuestionFault.NotOneDifference);

        Fraction At(int n) => new Fraction(n, 1) * time.Beat;
        Fraction Beat(Fraction onset) => onset / time.Beat + Fraction.Whole;
    }

    private static IEnumerable<(Fraction, Pitch?, NoteValue)> Within(
        IReadOnlyList<ScoreEvent> events,
        (Fraction From, Fraction To) beat
    ) => events.Where(e => e.Onset >= beat.From && e.Onset < beat.To).Select(e => (e.Onset, e.Pitch, e.Value));

    private static IEnumerable<string> Within(
        IReadOnlyList<ScoreEvent> events,
        (Fraction From, Fraction To) beat,
        Func<ScoreEvent, string> of
    ) => events.Where(e => e.Onset >= beat.From && e.Onset < beat.To).Select(of);

    private static ScaleAnswer OfScale(ScaleQuestion asked, Player player)
    {
        if (
            asked.Octaves is < 1 or > 3
            || asked.First.Letter != asked.Key.Tonic.Letter
            || asked.First.Alter != asked.Key.Tonic.Alter
        )
            throw new InvalidQuestionException(QuestionFault.NotTheTonic);
        Pitch[] notes =
        [
            .. Enumerable.Range(0, 7 * asked.Octaves + 1).Select(s => asked.Key.OnStep(asked.First.Step + s)),
        ];
        int[] halfSteps = [.. Enumerable.Range(1, notes.Length - 1).Where(d => notes[d].Midi - notes[d - 1].Midi == 1)];
        var music = new ScoreBuilder(player.Instrument.FirstClef).In(asked.Key.Signature);
        foreach (var note in notes)
            music.Note(note);
        return new ScaleAnswer(
            notes,
            halfSteps,
            PlayerReading.Of(music.Build(), player.Instrument, player, chosenOctaves: 0)
        );
    }
}

/// <summary>Why a question has no right answer.</summary>
public enum QuestionFault
{
    OutOfReach,
    NoSuchString,
    NoSuchPosition,
    NoMeter,
    NoGap,
    NoSuchValue,
    NoBarline,
    NotOneDifference,
    NotTheTonic,
}

/// <summary>A question that has no right answer for its player.</summary>
public sealed class InvalidQuestionException(QuestionFault fault) : Exception(fault.ToString())
{
    public QuestionFault Fault { get; } = fault;
}
