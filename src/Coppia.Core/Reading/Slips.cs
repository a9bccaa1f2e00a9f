using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Reading;

/// <summary>
/// What the hands have to do from note to note, in points (craft 11; the figures are from memory, their order is what
/// counts).
/// </summary>
public static class Slips
{
    private static readonly Fraction Half = new(1, 2);

    /// <summary>Every step that asks something of the hands, each different one once, the hardest first.</summary>
    /// <param name="known">What the class knows; where no record is kept, nothing is new to it.</param>
    public static IReadOnlyList<TroubleSpot> Of(Fingers fingering, ClassKnowledge? known = null)
    {
        var steps = In(fingering, known);
        return
        [
            .. steps
                .Where(s => s.Parts.Eighths > 0)
                .OrderByDescending(s => s.Rank)
                .DistinctBy(s => SameStep.At(fingering, s.To))
                .Select(s => s.Spot(isSlip: true)),
        ];
    }

    /// <summary>
    /// Points of the hardest step by what the hands do alone, whoever they belong to; 0 where there is none.
    /// </summary>
    public static double HardestOfHands(Fingers fingering) =>
        In(fingering).Select(s => s.Parts.OfHands).DefaultIfEmpty().Max() / EighthsOfOne;

    private const double EighthsOfOne = 8;

    /// <summary>
    /// The named parts of the step to a note; none for a step that a rest frees or that no finger plays.
    /// </summary>
    public static TroubleSpot At(Fingers fingering, int to) =>
        In(fingering).FirstOrDefault(s => s.To == to).Spot(isSlip: true);

    /// <summary>All steps of a tune in the order of its notes; what is printed in another ending is no step.</summary>
    internal static IReadOnlyList<Step> In(Fingers fingering, ClassKnowledge? known = null)
    {
        var (notes, hand) = (fingering.Notes, new FingersDown(fingering));
        var fresh = new NewNotes(fingering.Player.Instrument, (known ?? fingering.Player.Known).Things);
        var steps = new List<Step>(notes.Count);
        var beat = new BeatOfBar();
        for (var i = 0; i < notes.Count; i++)
        {
            if (
                i == 0
                || notes[i - 1].Placement is null
                || notes[i].Placement is null
                || notes[i].Step is { Apart: true }
            )
            {
                hand.Begin(i);
                continue;
            }

            var did = hand.Go(i);
            if (notes[i].Note.RestBefore < Fraction.Quarter)
                steps.Add(new Step(i, PartsOf(notes[i - 1], notes[i], did, fresh, beat), did.Put, did.Lifted));
        }

        return steps;
    }

    private static TroubleParts PartsOf(
        FingeredNote before,
        FingeredNote now,
        in HandStep hand,
        NewNotes fresh,
        BeatOfBar beat
    )
    {
        var (a, b) = (before.Placement!.Value, now.Placement!.Value);
        var crossed = Math.Abs(a.String - b.String);
        var bothOpen = a.IsOpen && b.IsOpen;
        var steps = Math.Abs(now.Note.Pitch.Step - before.Note.Pitch.Step);
        var stretches = IsStretched(b) && !(IsStretched(a) && a.Frame == b.Frame);
        var parts = new TroubleParts()
            .And(
                TroublePart.Crossing,
                crossed == 1
                    ? bothOpen
                        ? 1
                        : 2
                    : 0
            )
            .And(TroublePart.SkippedString, crossed > 1 ? 4 : 0)
            .And(TroublePart.FingersPut, 2 * Math.Max(0, hand.Put.Count - 1))
            .And(TroublePart.FingersLifted, 2 * Math.Max(0, hand.Lifted.Count - 1))
            .And(TroublePart.Skip, crossed == 0 && steps > 1 && hand.Move == HandMove.Stays ? 2 : 0)
            .And(TroublePart.FingerHops, hand.Hops ? 4 : 0)
            .And(TroublePart.FingerMoves, hand.Changes ? 4 : 0)
            .And(TroublePart.TwoHeights, hand.TwoHeights ? 2 : 0)
            .And(TroublePart.Leap, steps >= 4 && !bothOpen ? 2 : 0)
            .And(TroublePart.Stretch, stretches ? 4 : 0)
            .And(TroublePart.Slide, hand.Move == HandMove.Slides ? 2 : 0)
            .And(TroublePart.Shift, hand.Move == HandMove.Shifts ? 6 : 0)
            .And(TroublePart.Beyond, now.Beyond ? 6 : 0)
            .And(TroublePart.New, !now.Beyond && fresh.Has(b, now.Note.Pitch) ? 4 : 0)
            .And(TroublePart.SlurOverCrossing, crossed > 0 && now.Note.Slurred ? 2 : 0)
            .And(TroublePart.OddRhythm, OddRhythm(before.Note) ? 2 : 0);
        return parts with { IsQuick = before.Note.Length < beat.Of(before.Note.Bar) };
    }

    private static bool IsStretched(in Placement at) =>
        at.Word is PlaceWord.Back or PlaceWord.Forward || at is { Word: PlaceWord.High, Finger: 4 };

    /// <summary>A dotted or tied note, a triplet, or one that begins off the beat and outlasts it.</summary>
    private static bool OddRhythm(SoundingNote note) =>
        note.Event.Value.InTuplet
        || note.TiedIds.Count > 0
        || note.Event.Value.Dots > 0 && note.Length < Half
        || note.Bar.Time is { IsCompound: false } time && note.Length >= time.Beat && note.Beat.Denominator > 1;

    /// <summary>The step to a note, and what the hands do in it.</summary>
    internal readonly record struct Step(int To, TroubleParts Parts, FingerSet Put, FingerSet Lifted)
    {
        /// <summary>
        /// By points; of two that have the same the one in which more is to be placed, then the earlier.
        /// </summary>
        public long Rank => (long)Parts.Eighths << 40 | (long)Parts.Placing << 32 | (uint)(int.MaxValue - To);

        public TroubleSpot Spot(bool isSlip) =>
            new(To - 1, To, Parts.List(), isSlip)
            {
                IsQuick = Parts.IsQuick,
                Put = Put,
                Lifted = Lifted,
            };
    }

    /// <summary>Equal for steps between the same two notes, played in the same way.</summary>
    internal readonly record struct SameStep(Pitch From, Pair FromPair, Pitch To, Pair ToPair, int Height)
    {
        public static SameStep At(Fingers fingering, int to)
        {
            var (before, now) = (fingering.Notes[to - 1], fingering.Notes[to]);
            var (a, b) = (before.Placement!.Value, now.Placement!.Value);
            return new SameStep(before.Note.Pitch, a.Pair, now.Note.Pitch, b.Pair, fingering.Player.FrameOf(b).Height);
        }

        /// <summary>By sound and finger: of two steps that have these in common hardly any differ otherwise.</summary>
        public override int GetHashCode() => (From.Midi << 7 | To.Midi) << 6 | FromPair.Finger << 3 | ToPair.Finger;
    }

    /// <summary>What a class counts in a bar; many notes in a row are in the same one.</summary>
    private sealed class BeatOfBar
    {
        private Bar? _bar;
        private Fraction _beat;

        public Fraction Of(Bar bar)
        {
            if (!ReferenceEquals(bar, _bar))
                (_bar, _beat) = (bar, TimeSignature.BeatOf(bar.Time));
            return _beat;
        }
    }

    /// <summary>Which notes a class has not met; each is asked for once.</summary>
    private sealed class NewNotes(Instrument instrument, IReadOnlySet<KnownThing>? things)
    {
        private readonly Dictionary<(Placement, Pitch), bool> _known = [];

        public bool Has(in Placement at, Pitch pitch)
        {
            if (things is null)
                return false;
            if (_known.TryGetValue((at, pitch), out var isNew))
                return isNew;
            var id = instrument.Id;
            isNew =
                !things.Contains(new KnownNote(id, instrument.Strings[at.String], pitch))
                || !at.IsOpen
                    && (
                        !things.Contains(new KnownFinger(id, at.Place))
                        || !things.Contains(new KnownPosition(id, instrument.Frames[at.Frame].Position))
                    );
            return _known[(at, pitch)] = isNew;
        }
    }
}
