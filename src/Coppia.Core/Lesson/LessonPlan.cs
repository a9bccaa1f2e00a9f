using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;

namespace Coppia.Core.Lesson;

/// <summary>A tune that a lesson is about.</summary>
/// <param name="Id">Its number in the library.</param>
/// <param name="Sections">As each section reads it, at least one.</param>
/// <param name="News">How many new things it has for the class.</param>
/// <param name="Goal">The tempo it is to reach, in quarters a minute.</param>
/// <param name="IsReview">The class has learned it.</param>
/// <param name="Reached">Orders of lines that were reached in earlier lessons.</param>
public sealed record LessonTune(
    long Id,
    IReadOnlyList<PlayerReading> Sections,
    int News,
    int Goal,
    bool IsReview,
    IReadOnlySet<int> Reached
)
{
    internal PlayerReading Lead => Sections[0];

    internal Score Score => Lead.Score;
}

/// <summary>The steps of a lesson in the order that teachers keep (craft 21, common practice).</summary>
public static class LessonPlan
{
    /// <summary>Said and fingered, fingered silently, plucked, bowed in the air, bowed (craft 21).</summary>
    public const int WaysOfLine = 5;

    /// <summary>Most trouble spots of one tune in one lesson.</summary>
    private const int MostChunks = 2;

    /// <summary>A chunk grows: its notes in a bar, one more before them, the bar, two bars (craft 11).</summary>
    private const int StagesOfChunk = 4;
    private const double BarsOfChunk = 5;

    /// <summary>Bars in which the beat of a meter is shown.</summary>
    private const int BarsOfBeat = 4;

    /// <summary>A string's shape goes up and down in quarters.</summary>
    private const int BeatsOfString = 8;

    /// <summary>A scale of one octave up and down, the top note twice.</summary>
    private const int NotesOfScale = 16;

    private const double FasterBy = 4 / 3.0;

    /// <summary>Most traps that are shown when a tune is looked over.</summary>
    public const int MostTraps = 3;

    /// <param name="tunes">In the order in which they are played.</param>
    /// <param name="players">One a section.</param>
    /// <param name="pace">How the teacher goes through them.</param>
    /// <param name="set">How many things are set to be practised at home.</param>
    public static IReadOnlyList<LessonStep> Of(
        IReadOnlyList<LessonTune> tunes,
        IReadOnlyList<Player> players,
        LessonPace pace,
        int set
    )
    {
        LessonTune[] learned = [.. tunes.Where(t => !t.IsReview)];
        var steps = new List<LessonStep> { Tuning(players) };
        foreach (var tune in (learned.Length > 0 ? learned : [.. tunes]).DistinctBy(t => t.Score.Key))
            steps.AddRange(OfKey(tune, pace));
        steps.AddRange(
            tunes
                .Where(t => t.News > 0)
                .Select(t => new LessonStep
                {
                    Part = LessonPart.News,
                    TuneId = t.Id,
                    Said = t.News,
                })
        );
        steps.AddRange(
            learned.Where(t => t.Score.Time is not null).DistinctBy(t => t.Score.Time).Select(t => Beat(t, pace))
        );
        steps.AddRange(tunes.Where(t => t.IsReview).Select(t => Whole(t, LessonPart.Review, t.Goal)));
        foreach (var tune in learned)
            steps.AddRange(OfTune(tune, pace));
        steps.Add(new LessonStep { Part = LessonPart.Home, Said = Math.Max(1, set) });
        return [.. steps.Select((s, i) => s with { Id = $"s{i + 1}" })];
    }

    /// <summary>A lesson with one more tune: its steps stand before what is set for home.</summary>
    /// <param name="steps">The lesson's, in their order.</param>
    /// <param name="next">A number that no step of the lesson is named by, nor any above it.</param>
    public static IReadOnlyList<LessonStep> With(
        IReadOnlyList<LessonStep> steps,
        LessonTune tune,
        IReadOnlyList<Player> players,
        int next
    )
    {
        // Tuning and home are there already, and the key and meter where another tune has them.
        var added = Of([tune], players, new LessonPace(), 0)
            .Where(s => s.Part is not (LessonPart.Tuning or LessonPart.Home))
            .Where(s => s is { Key: null, Meter: null } || !steps.Any(t => IsAboutTheSame(s, t)))
            .Select((s, i) => s with { Id = $"s{next + i}" });
        var home = steps.Index().Where(s => s.Item.Part == LessonPart.Home).Select(s => (int?)s.Index).FirstOrDefault();
        var before = home ?? steps.Count;
        return [.. steps.Take(before), .. added, .. steps.Skip(before)];
    }

    private static bool IsAboutTheSame(LessonStep one, LessonStep other) =>
        (one.Part, one.Key, one.Meter) == (other.Part, other.Key, other.Meter);

    /// <summary>
    /// Each string that is tuned is a thing said: A, D, G for all that have them, then the outer ones, then the basses.
    /// </summary>
    private static LessonStep Tuning(IReadOnlyList<Player> players) =>
        new() { Part = LessonPart.Tuning, Said = TuningOrder.Of([.. players.Select(p => p.Instrument)]).Count };

    private static IEnumerable<LessonStep> OfKey(LessonTune tune, LessonPace pace)
    {
        var bar = QuartersIn(tune.Score.Time?.BarLength ?? Fraction.Whole);
        var about = new LessonStep
        {
            Part = LessonPart.Shapes,
            TuneId = tune.Id,
            Key = tune.Score.Key,
            Tempo = pace.Tempo,
            CountIn = 4,
            Said = 1,
        };
        yield return ShapesOf(about with { CountIn = bar }, tune);
        yield return about with
        {
            Part = LessonPart.ScaleHalves,
            Beats = 2 * NotesOfScale,
        };
        yield return about with
        {
            Part = LessonPart.ScaleQuarters,
            Beats = NotesOfScale,
        };
        yield return about with
        {
            Part = LessonPart.ScaleEighths,
            Beats = NotesOfScale / 2.0,
        };
        yield return about with
        {
            Part = LessonPart.ScaleFaster,
            Beats = NotesOfScale / 2.0,
            Tempo = (int)Math.Round(pace.Tempo * FasterBy),
        };
    }

    /// <summary>The shapes of the strings that the section with the most of them plays on.</summary>
    internal static LessonStep ShapesOf(LessonStep step, LessonTune tune)
    {
        var strings = tune.Sections.Max(s => s.StringsInUse.Count);
        return step with { Beats = BeatsOfString * strings, Said = strings };
    }

    private static LessonStep Beat(LessonTune tune, LessonPace pace)
    {
        var bar = QuartersIn(tune.Score.Time!.Value.BarLength);
        return new LessonStep
        {
            Part = LessonPart.Beat,
            TuneId = tune.Id,
            Meter = tune.Score.Time.ToString(),
            Beats = BarsOfBeat * bar,
            CountIn = bar,
            Tempo = pace.Tempo,
            Said = 1,
        };
    }

    private static IEnumerable<LessonStep> OfTune(LessonTune tune, LessonPace pace)
    {
        var form = tune.Lead.Tune.Form;
        var signs = SignsToNotice.Of(tune.Score.Bars, tune.Score.TempoWords).Any();
        yield return new LessonStep
        {
            Part = LessonPart.Look,
            TuneId = tune.Id,
            // The lines are numbered, the same ones found; then each trap, and the signs.
            Said = 2 + Math.Min(MostTraps, form.Traps.Count) + (signs ? 1 : 0),
        };
        foreach (var (i, line) in form.Lines.Index().Where(l => !l.Item.IsAgain))
        {
            yield return InBars(tune, LessonPart.Line, line.FirstBar, line.EndBar) with
            {
                Line = i,
                IsKnown = tune.Reached.Contains(i),
                Ways = WaysOfLine,
                Repeats = pace.LineRepeats,
                Tempo = pace.Tempo,
                Said = 1,
            };
        }

        var like = new LessonStep
        {
            Part = LessonPart.Chunk,
            Repeats = pace.ChunkRepeats,
            Tempo = pace.Tempo,
        };
        foreach (var chunk in ChunksOf(tune, like))
            yield return chunk;
        yield return Whole(tune, LessonPart.Join, pace.Tempo) with
        {
            Said = form.Lines.Count,
        };
        yield return Whole(tune, LessonPart.Slow, Math.Min(pace.Tempo, tune.Goal));
        yield return Whole(tune, LessonPart.AtTempo, tune.Goal);
    }

    /// <summary>The trouble spots of a tune, gone through as often and as fast as a step that is given.</summary>
    internal static IEnumerable<LessonStep> ChunksOf(LessonTune tune, LessonStep like)
    {
        foreach (var (i, (noteId, bar)) in Chunks(tune).Index())
        {
            var chunk = InBars(tune, LessonPart.Chunk, bar, bar + 1);
            yield return chunk with
            {
                Id = i == 0 ? like.Id : $"{like.Id}.{i + 1}",
                NoteId = noteId,
                Ways = StagesOfChunk,
                Repeats = like.Repeats,
                Beats = BarsOfChunk / StagesOfChunk * chunk.Beats,
                Tempo = like.Tempo,
                Said = 1,
                IsPinned = like.IsPinned,
            };
        }
    }

    /// <summary>
    /// The bars with the worst steps of all sections together, in the order of the tune; in an easy tune the likeliest
    /// slip of all.
    /// </summary>
    private static IEnumerable<(string NoteId, int Bar)> Chunks(LessonTune tune)
    {
        var orders = tune
            .Sections.SelectMany(s => s.Score.Bars.Index())
            .DistinctBy(b => b.Item.Id)
            .ToDictionary(b => b.Item.Id, b => b.Index);
        var spots = tune
            .Sections.SelectMany(s => s.Trouble.Select(t => (Note: s.Notes[t.To].Note, t.Points)))
            .ToArray();
        var hard = spots.Where(t => t.Points >= TroubleSpot.WorthMarking).ToArray();
        return (hard.Length > 0 ? hard : [.. spots.OrderByDescending(t => t.Points).Take(1)])
            .GroupBy(t => orders[t.Note.Bar.Id])
            .OrderByDescending(g => g.Sum(t => t.Points))
            .ThenBy(g => g.Key)
            .Take(MostChunks)
            .OrderBy(g => g.Key)
            .Select(g => (g.MaxBy(t => t.Points).Note.Id, g.Key));
    }

    private static LessonStep InBars(LessonTune tune, LessonPart part, int first, int end) =>
        new()
        {
            Part = part,
            TuneId = tune.Id,
            FirstBar = first,
            EndBar = end,
            Beats = QuartersIn(
                tune.Score.Bars.Skip(first).Take(end - first).Aggregate(Fraction.Zero, (sum, b) => sum + b.Length)
            ),
            CountIn = QuartersIn(CountInOf(tune.Score.Bars[first])),
        };

    /// <summary>Through all repeats and endings.</summary>
    private static LessonStep Whole(LessonTune tune, LessonPart part, int tempo) =>
        new()
        {
            Part = part,
            TuneId = tune.Id,
            EndBar = tune.Score.Bars.Count,
            Beats = QuartersPlayed(tune.Lead),
            CountIn = QuartersIn(CountInOf(tune.Score.Bars[0])),
            Tempo = tempo,
        };

    /// <summary>How long a tune is with all its repeats, in quarters.</summary>
    public static double QuartersPlayed(PlayerReading reading) =>
        QuartersIn(
            reading.Tune.Order.Aggregate(Fraction.Zero, (sum, played) => sum + reading.Score.Bars[played.Bar].Length)
        );

    /// <summary>A bar is counted in, in free meter as much as its first bar is long.</summary>
    private static Fraction CountInOf(Bar bar) => bar.Time?.BarLength ?? bar.Length;

    private static double QuartersIn(Fraction wholes) => (wholes * new Fraction(4, 1)).ToDouble();
}
