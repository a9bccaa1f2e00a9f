using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Instruments;

/// <summary>The tables of the four instruments (handbook 2, 3 and 4).</summary>
public static class StringSection
{
    private static readonly Pitch[] Fifths = [.. new[] { "C2", "G2", "D3", "A3", "C3", "G3", "D4", "A4", "E5" }.Select(Pitch.Parse)];

    public static readonly Instrument Violin = new()
    {
        Id = "violin",
        Name = "Violin",
        Strings = [Fifths[5], Fifths[6], Fifths[7], Fifths[8]],
        FirstClef = Clef.Treble,
        Frames = LetterFrames(),
        DefaultTapes = Tapes(2, 4, 5),
        Sizes = [new("4/4", 328), new("3/4", 310), new("1/2", 285), new("1/4", 255), new("1/8", 230)],
        StringThickness = [1.9, 1.6, 1.25, 0.8],
    };

    public static readonly Instrument Viola = new()
    {
        Id = "viola",
        Name = "Viola",
        Strings = [Fifths[4], Fifths[5], Fifths[6], Fifths[7]],
        FirstClef = Clef.Alto,
        Frames = LetterFrames(),
        DefaultTapes = Tapes(2, 4, 5),
        Sizes = [new("16.5\"", 380), new("16\"", 375), new("15.5\"", 365), new("15\"", 355), new("14\"", 335), new("13\"", 310)],
        StringThickness = [2.2, 1.9, 1.5, 1.1],
    };

    public static readonly Instrument Cello = new()
    {
        Id = "cello",
        Name = "Cello",
        Strings = [Fifths[0], Fifths[1], Fifths[2], Fifths[3]],
        FirstClef = Clef.Bass,
        Frames = CelloFrames(),
        DefaultTapes = Tapes(2, 4, 5),
        Sizes = [new("4/4", 692), new("3/4", 635), new("1/2", 575), new("1/4", 510)],
        StringThickness = [2.7, 2.2, 1.7, 1.3],
    };

    public static readonly Instrument Bass = new()
    {
        Id = "bass",
        Name = "Double bass",
        Strings = [Pitch.Parse("E2"), Pitch.Parse("A2"), Pitch.Parse("D3"), Pitch.Parse("G3")],
        SoundingOctave = -1,
        FirstClef = Clef.Bass,
        Frames = BassFrames(middleFinger: 2),
        Moves = HandMoves.Usual with { HomeSlide = 11 },
        LowestStringPlayedHigh = 3,
        DefaultTapes = Tapes(2, 4),
        Sizes = [new("3/4", 1055), new("1/2", 970), new("1/4", 900)],
        KeepsFingersDown = false,
        StringThickness = [3.1, 2.6, 2.1, 1.7],
    };

    public static readonly IReadOnlyList<Instrument> All = [Violin, Viola, Cello, Bass];

    /// <summary>The instrument of this name, with what the house style changes in its table; null for an unknown name.</summary>
    public static Instrument? Named(string id, HouseStyle style)
    {
        var instrument = All.FirstOrDefault(i => i.Id.Equals(id, StringComparison.OrdinalIgnoreCase));
        return instrument == Bass && style.BassFingers == BassFingers.OneThreeFour
            ? Bass with
            {
                Frames = BassFrames(middleFinger: 3),
            }
            : instrument;
    }

    /// <summary>The instrument that usually reads this clef; used where a source names none.</summary>
    public static Instrument UsualReaderOf(Clef clef) => All.FirstOrDefault(i => i.FirstClef == clef) ?? Cello;

    private static IReadOnlyList<Tape> Tapes(params int[] semitones) =>
        [.. semitones.Index().Select(t => new Tape(t.Item, $"tape {t.Index + 1}"))];

    /// <summary>Violin and viola: position p gives finger f the letter p − 1 + f above the open string.</summary>
    private static IReadOnlyList<HandFrame> LetterFrames()
    {
        // Regular semitones of the letters above an open string, so that fingers 1 and 4 span a fourth in every position.
        int[] regular = [1, 2, 4, 5, 7, 9, 10, 12, 14];
        // The next letter after the fourth finger's, a half step above its regular place: C on the E string (handbook 3).
        var extendedFourth = new FingerSpot(4, 8, LetterSteps: 5, Moved: true, Reach: true);
        (string Name, string Spoken)[] names =
        [
            ("half", "half position"),
            ("I", "first position"),
            ("II", "second position"),
            ("III", "third position"),
            ("IV", "fourth position"),
            ("V", "fifth position"),
        ];
        return
        [
            .. names
                .Index()
                .Select(n => new HandFrame(
                    n.Item.Name,
                    n.Item.Spoken,
                    regular[n.Index],
                    Stretch.None,
                    [
                        .. Enumerable.Range(1, 4).Select(f => new FingerSpot(f, regular[n.Index - 1 + f], n.Index - 1 + f)),
                        .. n.Item.Name == "I" ? [extendedFourth] : Array.Empty<FingerSpot>(),
                    ],
                    AllowedByDefault: n.Item.Name == "I",
                    IsHome: n.Item.Name == "I",
                    Reluctance: n.Item.Name == "half" ? 10 : 0
                )),
        ];
    }

    /// <summary>Cello: four neighbouring semitones, with a back and a forward stretch outside half position.</summary>
    private static IReadOnlyList<HandFrame> CelloFrames()
    {
        // Half position stands back for a back stretch; upper third is taught after fourth, which the neck's heel marks.
        (string Name, string Spoken, int First, int Reluctance)[] names =
        [
            ("half", "half position", 1, 30),
            ("I", "first position", 2, 0),
            ("II", "lower second position", 3, 0),
            ("II", "second position", 4, 0),
            ("III", "third position", 5, 0),
            ("III", "upper third position", 6, 16),
            ("IV", "fourth position", 7, 0),
        ];
        var frames = new List<HandFrame>();
        foreach (var (name, spoken, first, reluctance) in names)
        {
            var closed = Enumerable.Range(0, 4).Select(k => new FingerSpot(k + 1, first + k)).ToArray();
            var allowed = name is "half" or "I";
            frames.Add(new HandFrame(name, spoken, first, Stretch.None, closed, allowed, allowed, reluctance));
            if (name == "half")
                continue;
            // A beginner stretches in first position; higher up the hand shifts instead.
            var stretched = reluctance + (name == "I" ? 0 : 12);
            frames.Add(
                new HandFrame(
                    name,
                    spoken,
                    first,
                    Stretch.Back,
                    [new(1, first - 1, Moved: true), .. closed[1..]],
                    allowed,
                    allowed,
                    stretched
                )
            );
            frames.Add(
                new HandFrame(
                    name,
                    spoken,
                    first,
                    Stretch.Forward,
                    [closed[0], .. closed[1..].Select(s => new FingerSpot(s.Finger, s.Semitones + 1, Moved: true))],
                    allowed,
                    allowed,
                    stretched
                )
            );
        }

        return frames;
    }

    /// <summary>Double bass: a frame of two semitones under 1, the middle finger, and 4.</summary>
    private static IReadOnlyList<HandFrame> BassFrames(int middleFinger)
    {
        (string Name, string Spoken)[] names =
        [
            ("half", "half position"),
            ("I", "first position"),
            ("II", "second position"),
            ("II½", "second-and-a-half position"),
            ("III", "third position"),
            ("III½", "third-and-a-half position"),
            ("IV", "fourth position"),
        ];
        return
        [
            .. names
                .Index()
                .Select(n => new HandFrame(
                    n.Item.Name,
                    n.Item.Spoken,
                    n.Index + 1,
                    Stretch.None,
                    [new(1, n.Index + 1), new(middleFinger, n.Index + 2), new(4, n.Index + 3)],
                    AllowedByDefault: n.Index <= 4,
                    IsHome: n.Item.Name is "half" or "I",
                    // Half, first and third are the beginner's landmarks; the places between are for what needs them.
                    Reluctance: n.Item.Name switch
                    {
                        "half" => 2,
                        "I" => 0,
                        "II" or "II½" => 8,
                        _ => 2,
                    }
                )),
        ];
    }
}
