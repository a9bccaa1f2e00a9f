using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>Scales, arpeggios and thirds, and what the bow does on a scale (craft 12).</summary>
internal sealed class ScalePlay
{
    private static readonly int[] Chord = [0, 2, 4];
    private static readonly NoteValue DottedHalf = new(1, 1);

    private readonly SheetRequest _request;
    private readonly NoteStock _ground;
    private readonly int _tonic;
    private readonly int _top;
    private readonly TimeSignature _meter;

    private ScalePlay(SheetRequest request)
    {
        _request = request;
        // The scale of a tune's key is whole, whichever of its notes the tune uses.
        _ground = NoteStock.Of(request with { From = [], Key = request.MusicKey });
        _top = 7 * request.Octaves;
        _tonic = Tonic(_ground, request, _top) ?? throw OutOfReach();
        var inThree = request.Values.Count > 0 && request.Values.All(v => v == DottedHalf);
        // A tune in three makes its scale in three.
        _meter =
            inThree && request.Meter is null ? new TimeSignature(3, 4)
            : request.From.Count > 0 ? request.MusicMeter
            : request.DrillMeter;
    }

    public static IReadOnlyList<PlayQuestion> Scale(SheetRequest request)
    {
        var play = new ScalePlay(request);
        return play.InValues(UpAndDown([.. Enumerable.Range(0, play._top + 1)]));
    }

    public static IReadOnlyList<PlayQuestion> Arpeggio(SheetRequest request)
    {
        var play = new ScalePlay(request);
        var octaves = Enumerable.Range(0, request.Octaves);
        return play.InValues(UpAndDown([.. octaves.SelectMany(o => Chord.Select(d => d + 7 * o)), play._top]));
    }

    public static IReadOnlyList<PlayQuestion> Thirds(SheetRequest request)
    {
        var play = new ScalePlay(request);
        return play.InValues(play.InThirds());
    }

    public static IReadOnlyList<PlayQuestion> Hooked(SheetRequest request) => new ScalePlay(request).InHooks();

    public static IReadOnlyList<PlayQuestion> Slurred(SheetRequest request) => new ScalePlay(request).InSlurs();

    /// <summary>
    /// The lowest note of a scale: where most of the tune lies, else where it lies under the hand most easily; null
    /// where there is none.
    /// </summary>
    private static int? Tonic(NoteStock ground, SheetRequest request, int top) =>
        Enumerable
            .Range(0, Math.Max(0, ground.Count - top))
            .Where(n =>
                ground.First(n).Pitch.Letter == request.MusicKey.Tonic.Letter && KeyQuestions.SideBySide(ground, n, top)
            )
            .OrderByDescending(n => InTune(request, ground.First(n).Pitch.Midi, ground.First(n + top).Pitch.Midi))
            .ThenBy(n => Enumerable.Range(n, top + 1).Sum(ground.FingerDifficulty))
            .ThenByDescending(n => n)
            .Select(n => (int?)n)
            .FirstOrDefault();

    private static int InTune(SheetRequest request, int lowest, int highest) =>
        request.From.Count == 0
            ? 0
            : request.From[0].Notes.Count(n => n.Note.Pitch.Midi >= lowest && n.Note.Pitch.Midi <= highest);

    private SheetImpossibleException OutOfReach() =>
        new(SheetFault.OutOfReach, _request.Kind, _request.First.Instrument)
        {
            Key = _request.MusicKey,
            Possible = _request.Octaves,
            PossibleKeys =
            [
                .. Enumerable
                    .Range(-4, 9)
                    .Select(f => new ScaleKey(f, _request.MusicKey.Form))
                    .Where(Fits)
                    .OrderBy(k => Math.Abs(k.Fifths)),
            ],
        };

    private bool Fits(ScaleKey key)
    {
        var request = _request with { Key = key, From = [] };
        return Possible.Is(() => Tonic(NoteStock.Of(request), request, _top) is not null);
    }

    /// <summary>What a note of the plain scale is long: a quarter, in meters of eighths an eighth.</summary>
    private NoteValue Beat => _meter.Unit >= 8 ? new NoteValue(3) : NoteValue.Quarter;

    private static int[] UpAndDown(int[] up) => [.. up, .. up.Reverse().Skip(1)];

    private int[] InThirds()
    {
        var up = Enumerable.Range(0, _top - 1).SelectMany(d => new[] { d, d + 2 });
        var down = Enumerable.Range(0, _top - 1).SelectMany(d => new[] { _top - d, _top - d - 2 });
        return [.. up, .. down];
    }

    /// <summary>The degrees in one value after the other, the slowest first; each time to the end of a bar.</summary>
    private IReadOnlyList<PlayQuestion> InValues(int[] degrees)
    {
        return Played(InFilling(Beat).SelectMany(v => Poured(degrees.Select(d => new SketchNote(_tonic + d, v)))));
    }

    /// <summary>The values that are asked for, the slowest first; where none is, the usual one.</summary>
    /// <exception cref="SheetImpossibleException">One of them does not fill a bar by itself.</exception>
    private IEnumerable<NoteValue> InFilling(NoteValue usual)
    {
        if (_request.Values.Count == 0)
            return [usual];
        return _request.Values.All(v => SheetRequest.Fills(v, _meter))
            ? _request.Values.OrderByDescending(v => v.Length)
            : throw _request.Impossible(SheetFault.NoValues);
    }

    private IReadOnlyList<IReadOnlyList<SketchNote>> Poured(IEnumerable<SketchNote> notes) =>
        Sketch.Poured(notes, _meter, _request.MayWrite, _request.MayRest);

    /// <summary>Up the scale with two notes hooked and one long, down with the mirror (craft 8).</summary>
    private IReadOnlyList<PlayQuestion> InHooks()
    {
        if (
            HookedRhythms().FirstOrDefault(r => r.All(v => _request.Values.Count == 0 || _request.Values.Contains(v)))
            is not { } rhythm
        )
            throw _request.Impossible(SheetFault.NoValues);
        var starts = Enumerable.Range(0, _top - 1).ToArray();
        var notes = rhythm.Length;
        return Played([
            .. starts.Select(d => Bar([.. Enumerable.Range(d, notes)], 0)),
            .. starts.Reverse().Select(d => Bar([.. Enumerable.Range(d, notes).Reverse()], notes - 2)),
        ]);

        SketchNote[] Bar(int[] degrees, int hook)
        {
            var values = hook == 0 ? rhythm : [.. rhythm.Reverse()];
            return
            [
                .. degrees.Select(
                    (d, i) =>
                        new SketchNote(_tonic + d, values[i])
                        {
                            SlurStarts = i == hook,
                            SlurStops = i == hook + 1,
                            Marks = i == hook || i == hook + 1 ? Marks.Staccato : Marks.None,
                        }
                ),
            ];
        }
    }

    /// <summary>
    /// Two that are hooked and one that is long, or three alike: the first that may be written is taken.
    /// </summary>
    private NoteValue[][] HookedRhythms() =>
        _meter switch
        {
            { IsCompound: true } =>
            [
                [NoteValue.Quarter, new(3), new(2, 1)],
                [new(2, 1), new(2, 1)],
            ],
            { Beats: 3, Unit: 4 } =>
            [
                [NoteValue.Quarter, NoteValue.Quarter, NoteValue.Quarter],
            ],
            { Beats: 2, Unit: 4 } =>
            [
                [new(3), new(3), NoteValue.Quarter],
                [NoteValue.Quarter, NoteValue.Quarter],
            ],
            _ =>
            [
                [NoteValue.Quarter, NoteValue.Quarter, new(1)],
                [new(1), new(1)],
            ],
        };

    /// <summary>The scale up and down with slurs of two, of three, of four, as far as the beats of a bar go.</summary>
    private IReadOnlyList<PlayQuestion> InSlurs()
    {
        var degrees = UpAndDown([.. Enumerable.Range(0, _top + 1)]);
        return Played(InFilling(Beat).SelectMany(v => Enumerable.Range(2, 3).SelectMany(by => Slurs(by, v))));

        IEnumerable<IReadOnlyList<SketchNote>> Slurs(int by, NoteValue value)
        {
            var beats = (int)_meter.BarLength.WholeTimes(value.Length);
            if (by > beats)
                return [];
            var notes = degrees.Select(
                (d, i) =>
                {
                    var inBar = i % beats;
                    var (first, last) = (inBar % by == 0, inBar % by == by - 1);
                    // A slur that the barline would cut is left out.
                    var whole = inBar - inBar % by + by <= beats && i - inBar % by + by <= degrees.Length;
                    return new SketchNote(_tonic + d, value) { SlurStarts = whole && first, SlurStops = whole && last };
                }
            );
            return Poured(notes);
        }
    }

    private IReadOnlyList<PlayQuestion> Played(IEnumerable<IReadOnlyList<SketchNote>> bars) =>
        Exercise.Of(_request, _ground, _meter, [.. bars]);
}
