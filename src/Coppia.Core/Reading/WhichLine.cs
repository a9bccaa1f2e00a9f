using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Reading;

/// <summary>A line of a score as it is offered to the instruments.</summary>
/// <param name="Name">What the source calls it; empty for nothing.</param>
/// <param name="Score">Its music.</param>
public sealed record OfferedLine(string Name, Score Score)
{
    /// <summary>The instrument that its name means, or null.</summary>
    public Instrument? Named => PrintedFor.Named(Name.Split(',')[0]);

    /// <summary>
    /// The instrument that it is printed for: the named one, else the one that usually reads its clef.
    /// </summary>
    public Instrument For => Named ?? StringSection.UsualReaderOf(Score.Clef);
}

/// <summary>Which line of a score is for whom (craft 20): by the names of the lines, else by clef and range.</summary>
public static class WhichLine
{
    /// <summary>
    /// Part of a line's notes that an instrument must reach for the line to be offered to it by its clef.
    /// </summary>
    private const double EnoughInReach = 0.9;

    /// <summary>
    /// For each instrument that has one, the order of its line from 0; the others are moved from another line.
    /// </summary>
    public static IReadOnlyDictionary<string, int> Proposed(IReadOnlyList<OfferedLine> lines)
    {
        var proposed = new Dictionary<string, int>();
        foreach (var instrument in StringSection.All)
        {
            if (lines.Index().FirstOrDefault(l => l.Item.Named?.Id == instrument.Id) is { Item: not null } named)
                proposed[instrument.Id] = named.Index;
        }

        // A score that names one string part names them all.
        if (proposed.Count > 0)
            return proposed;
        var taken = new HashSet<int>();
        foreach (var instrument in StringSection.All)
        {
            var fitting = lines
                .Index()
                .Where(l =>
                    !taken.Contains(l.Index) && Reads(instrument, l.Item.Score) && Reaches(instrument, l.Item.Score)
                );
            if (fitting.FirstOrDefault() is not { Item: not null } line)
                continue;
            proposed[instrument.Id] = line.Index;
            taken.Add(line.Index);
        }

        return proposed;
    }

    /// <summary>
    /// The octaves, 0 or 1, by which a line for the instrument is written where it sounds instead of where the
    /// instrument reads it: a double bass line that goes below the open strings.
    /// </summary>
    public static int WrittenTooLow(Instrument instrument, Score line) =>
        instrument.SoundingOctave < 0 && line.Events.Any(e => e.Pitch is { } p && p.Midi < instrument.Strings[0].Midi)
            ? -instrument.SoundingOctave
            : 0;

    private static bool Reads(Instrument instrument, Score line) =>
        instrument.FirstClef == line.Clef || instrument.LaterClefs.Contains(line.Clef);

    private static bool Reaches(Instrument instrument, Score line)
    {
        Pitch[] pitches = [.. line.Events.Where(e => e.Pitch is not null).Select(e => e.Pitch!.Value)];
        return pitches.Count(p => Placements.Of(instrument, p, openFrame: 0).Any()) >= EnoughInReach * pitches.Length;
    }
}
