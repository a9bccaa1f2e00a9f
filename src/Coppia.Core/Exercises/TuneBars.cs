using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>Bars of a tune as a small score of their own.</summary>
internal static class TuneBars
{
    /// <summary>The bars one after another, without repeats, endings and what binds them to their neighbours.</summary>
    public static Score Of(Score tune, IReadOnlyList<Bar> bars)
    {
        Bar[] own =
        [
            .. bars.Select(
                (b, i) =>
                    new Bar
                    {
                        Clef = b.Clef,
                        Key = b.Key,
                        Time = b.Time,
                        Events = [.. b.Events.Select(e => e with { Id = "", At = default, Words = null, Lyrics = [] })],
                        Barline = i == bars.Count - 1 ? Barline.Final : Barline.Plain,
                    }
            ),
        ];
        return ScoreAssembly
            .Finish(
                new Score
                {
                    Clef = tune.Clef,
                    Key = tune.Key,
                    Time = tune.Time,
                    Bars = Bindings.Mended(own),
                }
            )
            .Score;
    }
}
