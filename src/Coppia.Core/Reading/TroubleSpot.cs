using Coppia.Core.Fingering;
using Coppia.Core.Form;
using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Reading;

/// <summary>What makes a step from note to note hard (craft 11).</summary>
public enum TroublePart
{
    Crossing,
    CrossingWithFinger,
    SkippedString,
    Leap,
    FingerMoves,
    TwoHeights,
    Stretch,
    Shift,
    QuickNote,
    SlurOverCrossing,
    Beyond,
    OddRhythm,
}

/// <summary>One of the hardest steps of a tune, or of a line in which nothing is hard.</summary>
/// <param name="From">Order of the note that it leaves.</param>
/// <param name="To">Order of the note that it reaches.</param>
/// <param name="Parts">What makes it hard, with its points.</param>
/// <param name="IsSlip">Not hard in itself: where a hand is likeliest to slip in an easy line.</param>
public sealed record TroubleSpot(int From, int To, IReadOnlyList<(TroublePart Part, int Points)> Parts, bool IsSlip = false)
{
    /// <summary>Points from which a step is worth a mark.</summary>
    public const int WorthMarking = 4;

    private static readonly Fraction Sixteenth = new(1, 16);
    private static readonly Fraction Eighth = new(1, 8);
    private static readonly Fraction Half = new(1, 2);
    private const int NotesToOneSpot = 12;
    private const int FewestSpots = 3;
    private const int MostSpots = 24;

    public int Score => Parts.Sum(p => p.Points);

    /// <summary>
    /// The worst steps of a tune in the order of the notes: about one in twelve, and only those that are really hard. Besides, for each
    /// different line that has none of them, its likeliest slip: an easy tune has a hardest place too.
    /// </summary>
    public static IReadOnlyList<TroubleSpot> Of(Fingers fingering, IReadOnlyList<TuneLine> lines)
    {
        var notes = fingering.Notes;
        var steps = Enumerable
            .Range(1, Math.Max(0, notes.Count - 1))
            .Where(i => notes[i].Step is not { Apart: true })
            .Select(i => (To: i, Parts: HardIn(fingering, i)))
            .ToArray();
        var most = Math.Clamp(notes.Count / NotesToOneSpot, FewestSpots, MostSpots);
        // The same step is hard wherever it comes; it is marked once.
        var hard = steps
            .Where(s => s.Parts.Points >= WorthMarking)
            .OrderByDescending(s => s.Parts.Points)
            .ThenBy(s => s.To)
            .DistinctBy(s => WhatIsHard(fingering, s.To, s.Parts))
            .Select(s => new TroubleSpot(s.To - 1, s.To, s.Parts.List()))
            .Take(most)
            .ToArray();
        return [.. hard.Concat(Slips()).OrderBy(s => s.To)];

        IEnumerable<TroubleSpot> Slips()
        {
            var order = fingering.Score.Bars.Index().ToDictionary(b => b.Item.Id, b => b.Index);
            var inBar = steps.ToLookup(s => order[notes[s.To].Note.Bar.Id]);
            foreach (var line in lines.Where(l => l.Like is null || l.IsVaried).Take(MostSpots))
            {
                var here = Enumerable.Range(line.FirstBar, line.EndBar - line.FirstBar).SelectMany(b => inBar[b]).ToArray();
                if (here.Length == 0 || here.Any(s => s.Parts.Points >= WorthMarking))
                    continue;
                var worst = here.MaxBy(s => s.Parts.Points);
                if (worst.Parts.Points > 0)
                    yield return new TroubleSpot(worst.To - 1, worst.To, worst.Parts.List(), IsSlip: true);
            }
        }
    }

    /// <summary>
    /// The named parts of the step to a note and their points; none for a step that a rest frees or that no finger plays.
    /// </summary>
    public static IReadOnlyList<(TroublePart Part, int Points)> PartsOf(Fingers fingering, int to) => HardIn(fingering, to).List();

    private static TroubleParts HardIn(Fingers fingering, int to)
    {
        var parts = new TroubleParts();
        var (before, now) = (fingering.Notes[to - 1], fingering.Notes[to]);
        if (before.Placement is not { } a || now.Placement is not { } b || now.Note.RestBefore >= Fraction.Quarter)
            return parts;
        var player = fingering.Player;
        var crossed = Math.Abs(a.String - b.String);
        if (crossed == 1)
            parts = parts.And(TroublePart.Crossing, 1);
        if (crossed == 1 && a.Finger > 0 && b.Finger > 0 && a.Finger != b.Finger)
            parts = parts.And(TroublePart.CrossingWithFinger, 1);
        if (crossed > 1)
            parts = parts.And(TroublePart.SkippedString, 2);
        if (crossed > 0 && now.Note.Slurred)
            parts = parts.And(TroublePart.SlurOverCrossing, 2);
        if (Math.Abs(now.Note.Pitch.Step - before.Note.Pitch.Step) >= 4)
            parts = parts.And(TroublePart.Leap, 1);
        var moved = a.Finger > 0 && a.Finger == b.Finger && a.Semitones != b.Semitones;
        if (player.FrameOf(a).Height != player.FrameOf(b).Height && !(a.IsOpen && b.IsOpen))
            parts = parts.And(TroublePart.Shift, 4);
        else if (moved && crossed == 0)
            parts = parts.And(TroublePart.FingerMoves, 3);
        else if (moved && crossed == 1)
            parts = parts.And(TroublePart.TwoHeights, 2);
        if (b.Word is PlaceWord.Back or PlaceWord.Forward || b is { Word: PlaceWord.High, Finger: 4 })
            parts = parts.And(TroublePart.Stretch, 2);
        if (now.Beyond)
            parts = parts.And(TroublePart.Beyond, 2);
        if (before.Note.Length <= Sixteenth)
            parts = parts.And(TroublePart.QuickNote, 2);
        else if (before.Note.Length <= Eighth)
            parts = parts.And(TroublePart.QuickNote, 1);
        if (OddRhythm(before.Note))
            parts = parts.And(TroublePart.OddRhythm, 1);
        return parts;
    }

    /// <summary>A dotted or tied note, a triplet, or one that begins off the beat and outlasts it.</summary>
    private static bool OddRhythm(SoundingNote note) =>
        note.Event.Value.InTuplet
        || note.TiedIds.Count > 0
        || note.Event.Value.Dots > 0 && note.Length < Half
        || note.Bar.Time is { IsCompound: false } time && note.Length >= time.Beat && note.Beat.Denominator > 1;

    /// <summary>Equal for steps between the same two notes, played in the same way and hard for the same reasons.</summary>
    private static SameStep WhatIsHard(Fingers fingering, int to, TroubleParts parts)
    {
        var (before, now) = (fingering.Notes[to - 1], fingering.Notes[to]);
        var (a, b) = (before.Placement!.Value, now.Placement!.Value);
        return new SameStep(
            From: (before.Note.Pitch.Letter, before.Note.Pitch.Alter),
            FromPair: a.Pair,
            To: (now.Note.Pitch.Letter, now.Note.Pitch.Alter),
            ToPair: b.Pair,
            Height: parts.Has(TroublePart.Shift) ? fingering.Player.FrameOf(b).Height : 0,
            WorstFirst: parts.WorstFirst()
        );
    }

    private readonly record struct SameStep(
        (Letter Letter, int Alter) From,
        Pair FromPair,
        (Letter Letter, int Alter) To,
        Pair ToPair,
        int Height,
        long WorstFirst
    );
}
