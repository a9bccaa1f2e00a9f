namespace Coppia.Core.Instruments;

/// <summary>Hand frames along the neck, for the three ways that fingers are set on a string (craft 3).</summary>
internal static class Neck
{
    /// <summary>
    /// Semitones of the letters above an open string, such that fingers 1 and 4 span a fourth in every position.
    /// </summary>
    private static readonly int[] LetterSemitones = [1, 2, 4, 5, 7, 9, 10, 12, 14];

    /// <summary>The letter after the fourth finger's, a half step above its regular place: C on the E string.</summary>
    private static readonly FingerSpot ExtendedFourth = new(
        Finger: 4,
        Semitones: 8,
        LetterSteps: 5,
        Moved: true,
        Reach: true
    );

    /// <summary>
    /// By letter: position p gives finger f the letter p − 1 + f above the open string; half position is 0.
    /// </summary>
    public static IReadOnlyList<HandFrame> ByLetter()
    {
        return
        [
            Frame(0, "half", "half position") with
            {
                Reluctance = 10,
            },
            Frame(1, "I", "first position", ExtendedFourth) with
            {
                IsHome = true,
                PrintsLowAndHigh = true,
            },
            Frame(2, "II", "second position"),
            Frame(3, "III", "third position"),
            Frame(4, "IV", "fourth position"),
            Frame(5, "V", "fifth position"),
        ];

        static HandFrame Frame(int position, string name, string spoken, params FingerSpot[] besides) =>
            new(
                name,
                spoken,
                Height: LetterSemitones[position],
                Stretch.None,
                [
                    .. Enumerable
                        .Range(1, 4)
                        .Select(f => new FingerSpot(f, LetterSemitones[position - 1 + f], position - 1 + f)),
                    .. besides,
                ]
            );
    }

    /// <summary>
    /// Four fingers on neighbouring semitones, with a back and a forward stretch above half position.
    /// </summary>
    public static IReadOnlyList<HandFrame> BySemitoneWithStretches() =>
        // Half position stands back for a back stretch; upper third is taught after fourth, which the neck's heel
        // marks.
        [
            Closed(1, "half", "half position") with
            {
                IsHome = true,
                Reluctance = 30,
            },
            .. Opened(Closed(2, "I", "first position") with { IsHome = true, PrintsLowAndHigh = true }, dearer: 0),
            .. Opened(Closed(3, "II", "lower second position")),
            .. Opened(Closed(4, "II", "second position")),
            .. Opened(Closed(5, "III", "third position")),
            .. Opened(Closed(6, "III", "upper third position") with { Reluctance = 16 }),
            .. Opened(Closed(7, "IV", "fourth position")),
        ];

    private static HandFrame Closed(int first, string name, string spoken) =>
        new(
            name,
            spoken,
            Height: first,
            Stretch.None,
            [.. Enumerable.Range(0, 4).Select(k => new FingerSpot(k + 1, first + k))]
        );

    /// <summary>
    /// The closed hand with its stretches. A beginner stretches in first position; higher up the hand shifts instead.
    /// </summary>
    private static HandFrame[] Opened(HandFrame closed, int dearer = 12)
    {
        var (first, upper) = (closed.Spots[0], closed.Spots.Skip(1));
        var opened = closed with { Reluctance = closed.Reluctance + dearer };
        return
        [
            closed,
            opened with
            {
                Stretch = Stretch.Back,
                Spots = [first with { Semitones = first.Semitones - 1, Moved = true }, .. upper],
            },
            opened with
            {
                Stretch = Stretch.Forward,
                Spots = [first, .. upper.Select(s => s with { Semitones = s.Semitones + 1, Moved = true })],
            },
        ];
    }

    /// <summary>Three fingers on neighbouring semitones: 1, a middle finger, and 4.</summary>
    public static IReadOnlyList<HandFrame> ByThreeFingers(int middle)
    {
        // Half, first and third are the beginner's landmarks; the places between are for what needs them.
        return
        [
            Frame(1, "half", "half position", reluctance: 2) with
            {
                IsHome = true,
            },
            Frame(2, "I", "first position", reluctance: 0) with
            {
                IsHome = true,
                PrintsLowAndHigh = true,
            },
            Frame(3, "II", "second position", reluctance: 8),
            Frame(4, "II½", "second-and-a-half position", reluctance: 8),
            Frame(5, "III", "third position", reluctance: 2),
            Frame(6, "III½", "third-and-a-half position", reluctance: 2),
            Frame(7, "IV", "fourth position", reluctance: 2),
        ];

        HandFrame Frame(int first, string name, string spoken, int reluctance) =>
            new(name, spoken, Height: first, Stretch.None, [new(1, first), new(middle, first + 1), new(4, first + 2)])
            {
                Reluctance = reluctance,
            };
    }
}
