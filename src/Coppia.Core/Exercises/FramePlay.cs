using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>
/// The hand opened and moved: stretches, and the small slide between the lowest positions (craft 3, 6 and 12).
/// </summary>
internal static class FramePlay
{
    /// <summary>How long a drill of stretches is where nothing is said: a hand tires.</summary>
    private const int MostBars = 16;

    /// <summary>The closed hand, the same hand opened, and back, on each string.</summary>
    public static IReadOnlyList<PlayQuestion> Stretches(SheetRequest request)
    {
        foreach (var player in request.Players)
        {
            if (!HasStretch(player.Instrument))
                throw LeftHandPlay.Without(request, SheetFault.NoStretch, player.Instrument, HasStretch);
        }

        return LeftHandPlay.ForEach(
            request,
            (bars, p) =>
            {
                var player = request.Players[p];
                foreach (var s in FromTheMiddle(Strings(request, player)))
                {
                    foreach (var opened in player.Instrument.Frames.Where(f => f.IsHome))
                        Add(bars, request, player, s, opened);
                }
            },
            most: MostBars
        );
    }

    /// <summary>The strings that a class plays most come first.</summary>
    private static IEnumerable<int> FromTheMiddle(int[] strings) =>
        strings.OrderBy(s => Math.Abs(2 * s - strings.Length));

    private static bool HasStretch(Instrument instrument) => instrument.Frames.Any(f => f.Spots.Any(s => s.Moved));

    private static void Add(DrillBars bars, SheetRequest request, Player player, int s, HandFrame opened)
    {
        var closed = player.Instrument.Frames.First(f => f.Height == opened.Height && f.Stretch == Stretch.None);
        var moved = opened.Spots.Where(x => x.Moved).ToArray();
        if (moved.Length == 0)
            return;
        if (moved[^1] is { Reach: true } reach)
        {
            Reach(bars, request, player, s, reach);
            return;
        }

        // Of a back stretch the first finger moves; of a forward one the fourth goes farthest.
        var far = moved[^1];
        var near = closed.Spots.First(x => x.Finger == far.Finger && !x.Moved);
        PairedNote Of(FingerSpot spot) => Note(request, player, s, spot.Semitones, spot.Finger);
        // The third finger of a hand opened forward is seldom wanted.
        PairedNote[] up = [.. opened.Spots.Where(x => opened.Stretch != Stretch.Forward || x.Finger != 3).Select(Of)];
        bars.Slowly(Of(near), Of(far));
        bars.OnBeats(Of(near), Of(far), Of(near), Of(far));
        bars.OnBeats(up);
        bars.OnBeats(up.Reverse());
    }

    /// <summary>The fourth finger reaches for one letter more than its own, out of the key's shape.</summary>
    private static void Reach(DrillBars bars, SheetRequest request, Player player, int s, FingerSpot reach)
    {
        var open = player.Instrument.Strings[s];
        // What the drill teaches need not be known.
        var tones = StringTones.OnString(request, new Player(player.Instrument, player.Style), s);
        var (own, third) = (
            tones.Tones.Index().LastOrDefault(t => t.Item.Finger == reach.Finger),
            tones.Tones.Count - 2
        );
        if (own.Item.Finger != reach.Finger || third < 1)
            return;
        var step = open.Step + reach.LetterSteps!.Value;
        var pitch = Pitch.FromStep(step, open.Midi + reach.Semitones - Pitch.FromStep(step).Midi);
        var far = new PairedNote(pitch, NoteValue.Quarter, new Pin(s, reach.Finger));
        var near = tones.Note(own.Index, NoteValue.Quarter);
        PairedNote[] up = [tones.Note(third - 1, NoteValue.Quarter), tones.Note(third, NoteValue.Quarter), near, far];
        bars.Slowly(near, far);
        bars.OnBeats(near, far, near, far);
        bars.OnBeats(up);
        bars.OnBeats(up.Reverse());
    }

    /// <summary>
    /// The whole hand slides between the lowest positions, then goes to third and back on the top string.
    /// </summary>
    public static IReadOnlyList<PlayQuestion> Slides(SheetRequest request)
    {
        foreach (var player in request.Players)
        {
            if (player.Instrument.Moves.HomeSlide is null)
                throw LeftHandPlay.Without(
                    request,
                    SheetFault.NoHomeSlide,
                    player.Instrument,
                    i => i.Moves.HomeSlide is not null
                );
        }

        return LeftHandPlay.ForEach(request, (bars, p) => AddSlides(bars, request, request.Players[p]));
    }

    private static void AddSlides(DrillBars bars, SheetRequest request, Player player)
    {
        // The positions of a first year: what the drill teaches need not be known.
        HandFrame[] frames =
        [
            .. player.Instrument.Frames.Where(f => player.Instrument.BeginnerHeights.Contains(f.Height)),
        ];
        HandFrame[] homes = [.. frames.Where(f => f.IsHome)];
        foreach (var s in Strings(request, player))
        {
            bars.OnBeats(First(s, homes[0]), First(s, homes[1]), First(s, homes[0]), First(s, homes[1]));
            bars.OnBeats(Hand(s, homes[0]).Append(Open(s)));
            bars.OnBeats(Hand(s, homes[1]).Append(Open(s)));
        }

        // The highest position of a first year: its hand begins where the hand in first ends.
        var top = player.Instrument.Strings.Count - 1;
        var high = frames.Where(f => !f.IsHome).MaxBy(f => f.Height);
        if (high is null || !Strings(request, player).Contains(top))
            return;
        bars.OnBeats(Last(top, homes[1]), First(top, high), Last(top, homes[1]), First(top, high));
        bars.OnBeats(Hand(top, high).Append(First(top, high)));
        bars.OnBeats(First(top, homes[1]), Last(top, homes[1]), Last(top, high), First(top, homes[1]));

        PairedNote First(int s, HandFrame frame) =>
            Note(request, player, s, frame.Spots[0].Semitones, frame.Spots[0].Finger);
        PairedNote Last(int s, HandFrame frame) =>
            Note(request, player, s, frame.Spots[^1].Semitones, frame.Spots[^1].Finger);
        PairedNote Open(int s) => new(player.Instrument.Strings[s], NoteValue.Quarter, new Pin(s, 0));
        IEnumerable<PairedNote> Hand(int s, HandFrame frame) =>
            frame.Spots.Select(x => Note(request, player, s, x.Semitones, x.Finger));
    }

    private static PairedNote Note(SheetRequest request, Player player, int s, int semitones, int finger)
    {
        var open = player.Instrument.Strings[s];
        return new PairedNote(
            Spelled(open.Midi + semitones, request.MusicKey.Signature),
            NoteValue.Quarter,
            new Pin(s, finger)
        );
    }

    /// <summary>As the key spells it, else as a class meets it first: F♯ C♯ G♯, and B♭ E♭.</summary>
    private static Pitch Spelled(int midi, KeySignature key)
    {
        var spelled = Spelling.InKey(midi, key);
        return spelled.Alter == 0 || key.AlterOf(spelled.Letter) == spelled.Alter
            ? spelled
            : Spelling.InKey(midi, Usual(midi));
    }

    private static KeySignature Usual(int midi) => new(midi % 12 is 3 or 10 ? -2 : 3);

    /// <summary>The asked strings of a player, lowest first.</summary>
    private static int[] Strings(SheetRequest request, Player player)
    {
        var letters = KeyQuestions.StringLetters(request with { Players = [player] });
        return [.. player.Instrument.Strings.Index().Where(s => letters.Contains(s.Item.Letter)).Select(s => s.Index)];
    }
}
