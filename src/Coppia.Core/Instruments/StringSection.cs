using Coppia.Core.Music;

namespace Coppia.Core.Instruments;

/// <summary>The tables of the instruments that Coppia teaches (craft 2, 3 and 4).</summary>
public static class StringSection
{
    private static readonly Pitch[] Fifths =
    [
        .. new[] { "C2", "G2", "D3", "A3", "C3", "G3", "D4", "A4", "E5" }.Select(Pitch.Parse),
    ];

    public static readonly Instrument Violin = new()
    {
        Id = "violin",
        Name = "Violin",
        CalledInScores = ["violine", "violino", "violini", "violon", "geige", "fiddle", "vln", "vn", "vl", "viol"],
        Strings = [Fifths[5], Fifths[6], Fifths[7], Fifths[8]],
        FirstClef = Clef.Treble,
        Numbering = Numbering.ByLetter,
        ShapeNaming = ShapeNaming.Touching,
        Frames = Neck.ByLetter(),
        FirstHeight = 2,
        BeginnerHeights = new HashSet<int> { 2 },
        ShownHeights = new HashSet<int> { 1, 2, 4, 5 },
        FourthStandsForOpen = true,
        DefaultTapes = Tapes(2, 4, 5),
        Sizes = [new("4/4", 328), new("3/4", 310), new("1/2", 285), new("1/4", 255), new("1/8", 230)],
        StringThickness = [1.9, 1.6, 1.25, 0.8],
    };

    public static readonly Instrument Viola = Violin with
    {
        Id = "viola",
        Name = "Viola",
        CalledInScores = ["viole", "bratsche", "bratschen", "vla", "va"],
        Strings = [Fifths[4], Fifths[5], Fifths[6], Fifths[7]],
        FirstClef = Clef.Alto,
        Sizes =
        [
            new("16.5\"", 380),
            new("16\"", 375),
            new("15.5\"", 365),
            new("15\"", 355),
            new("14\"", 335),
            new("13\"", 310),
        ],
        StringThickness = [2.2, 1.9, 1.5, 1.1],
    };

    public static readonly Instrument Cello = new()
    {
        Id = "cello",
        Name = "Cello",
        CalledInScores = ["violoncello", "violoncelli", "celli", "violoncelle", "vlc", "vc", "vcl"],
        Strings = [Fifths[0], Fifths[1], Fifths[2], Fifths[3]],
        FirstClef = Clef.Bass,
        LaterClefs = [Clef.Tenor],
        Numbering = Numbering.BySemitone,
        ShapeNaming = ShapeNaming.Fingers,
        Frames = Neck.BySemitoneWithStretches(),
        FirstHeight = 2,
        BeginnerHeights = new HashSet<int> { 1, 2 },
        ShownHeights = new HashSet<int> { 1, 2 },
        DefaultTapes = Tapes(2, 4, 5),
        Sizes = [new("4/4", 692), new("3/4", 635), new("1/2", 575), new("1/4", 510)],
        StringThickness = [2.7, 2.2, 1.7, 1.3],
    };

    public static readonly Instrument Bass = new()
    {
        Id = "bass",
        Name = "Double bass",
        CalledInScores =
        [
            "doublebass",
            "contrabass",
            "contrabasso",
            "contrabassi",
            "contrebasse",
            "kontrabass",
            "kontrabässe",
            "string bass",
            "stringbass",
            "upright bass",
            "db",
            "cb",
            "kb",
        ],
        Strings = [Pitch.Parse("E2"), Pitch.Parse("A2"), Pitch.Parse("D3"), Pitch.Parse("G3")],
        SoundingOctave = -1,
        FirstClef = Clef.Bass,
        Numbering = Numbering.BySemitone,
        ShapeNaming = ShapeNaming.Fingers,
        Frames = Neck.ByThreeFingers(middle: 2),
        Alternatives =
        [
            new("oneTwoFour", "1–2–4", Neck.ByThreeFingers(middle: 2)),
            new("oneThreeFour", "1–3–4", Neck.ByThreeFingers(middle: 3)),
        ],
        FirstHeight = 2,
        BeginnerHeights = new HashSet<int> { 1, 2, 3, 4, 5 },
        ShownHeights = new HashSet<int> { 1, 2 },
        HomeHeights = [1, 2],
        Moves = HandMoves.Usual with { HomeSlide = 11 },
        LowestStringPlayedHigh = 3,
        DefaultTapes = Tapes(2, 4),
        Sizes = [new("3/4", 1055), new("1/2", 970), new("1/4", 900)],
        KeepsFingersDown = false,
        StringThickness = [3.1, 2.6, 2.1, 1.7],
    };

    /// <summary>All of them, in the order of a score.</summary>
    public static readonly IReadOnlyList<Instrument> All = [Violin, Viola, Cello, Bass];

    /// <summary>The instrument of this name; null for an unknown one.</summary>
    public static Instrument? Named(string id) =>
        All.FirstOrDefault(i => i.Id.Equals(id, StringComparison.OrdinalIgnoreCase));

    /// <summary>The instrument that usually reads this clef; used where a source names none.</summary>
    public static Instrument UsualReaderOf(Clef clef) =>
        All.FirstOrDefault(i => i.FirstClef == clef) ?? All.FirstOrDefault(i => i.LaterClefs.Contains(clef)) ?? All[0];

    private static IReadOnlyList<Tape> Tapes(params int[] semitones) =>
        [.. semitones.Index().Select(t => new Tape(t.Item, $"tape {t.Index + 1}"))];
}
