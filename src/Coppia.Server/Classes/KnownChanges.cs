using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Data.Classes;
using Coppia.Formats.Records;
using Coppia.Server.Stand;

namespace Coppia.Server.Classes;

/// <summary>Changes of what a class knows, as its record keeps them.</summary>
internal static class KnownChanges
{
    /// <summary>The change by which a class starts from a stage.</summary>
    public static KnownChangeRecord Started(
        long @class,
        Stage stage,
        IReadOnlyCollection<Instrument> section,
        DateTime now
    ) =>
        new()
        {
            ClassId = @class,
            Cause = KnownCause.Stage,
            About = stage.ToString(),
            Added = Text(UsualOrder.UpTo(stage, section)),
            MadeAt = now,
        };

    /// <summary>
    /// The change by which a class has learned a tune: everything that it contains, but for some lines.
    /// </summary>
    public static KnownChangeRecord Learned(
        KeptTune kept,
        IEnumerable<Player> players,
        Readings readings,
        IReadOnlySet<string> not
    ) =>
        new()
        {
            Cause = KnownCause.Tune,
            About = kept.Tune.Title,
            TuneId = kept.Tune.Id,
            Added = Text(
                players
                    .SelectMany(p => readings.ContentsOf(kept.For(p.Instrument.Id), p))
                    .Select(m => m.Thing)
                    .Where(t => !not.Contains(ThingText.Of(t)))
            ),
        };

    /// <summary>Things as a record names them, a line each.</summary>
    public static string Text(IEnumerable<KnownThing> things) =>
        string.Join('\n', things.Distinct().Select(ThingText.Of).Order(StringComparer.Ordinal));
}
