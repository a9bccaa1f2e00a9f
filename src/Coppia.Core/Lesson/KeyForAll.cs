using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;

namespace Coppia.Core.Lesson;

/// <summary>What a section is to read.</summary>
/// <param name="Printed">The line of the score that it takes.</param>
/// <param name="PrintedFor">The instrument that the line is printed for.</param>
/// <param name="Player">Who reads.</param>
public sealed record SectionLine(Score Printed, Instrument PrintedFor, Player Player);

/// <summary>A tune in one key for all sections, each in the octave that fits it.</summary>
/// <param name="Move">How the print is moved.</param>
/// <param name="Key">The key.</param>
/// <param name="Sections">The tune as each section then reads it.</param>
/// <param name="New">What is new to the sections, each thing once; where no record is kept, nothing.</param>
public sealed record KeyOffer(KeyMove Move, KeySignature Key, IReadOnlyList<PlayerReading> Sections, IReadOnlyList<NewThing> New)
{
    /// <summary>Notes of all sections that no finger reaches.</summary>
    public int OutOfReach => Sections.Sum(s => s.Notes.Count(n => n.Placement is null));

    /// <summary>Notes that need what the sections have not learned.</summary>
    public int Beyond => Sections.Sum(s => s.Notes.Count(n => n is { Placement: not null, Fingered.Beyond: true }));

    /// <summary>What the new things weigh together.</summary>
    public int Weight => New.Sum(HowHard.WeightOf);
}

/// <summary>The keys that a mixed class can play a tune in, the best first (craft 16).</summary>
public static class KeyForAll
{
    /// <summary>
    /// The print's own key and all that have up to four signs: first those out of whose reach the fewest notes lie, then those with the
    /// fewest and lightest new things for all, then the nearest to the print, downwards on a tie.
    /// </summary>
    /// <param name="sections">At least one.</param>
    /// <param name="stop">Nobody waits for it any more.</param>
    public static IReadOnlyList<KeyOffer> Offers(IReadOnlyList<SectionLine> sections, CancellationToken stop = default)
    {
        var key = sections[0].Printed.Key;
        return
        [
            .. Enumerable
                .Range(-KeyMove.MostSigns, 2 * KeyMove.MostSigns + 1)
                .Append(key.Fifths)
                .Distinct()
                .Select(fifths => In(new KeyMove(fifths - key.Fifths), sections, stop))
                .OfType<KeyOffer>()
                .OrderBy(o => o.OutOfReach)
                .ThenBy(o => o.Weight)
                .ThenBy(o => o.Beyond)
                .ThenBy(o => Math.Abs(o.Move.Interval.Semitones))
                .ThenBy(o => o.Move.Interval.Semitones),
        ];
    }

    private static KeyOffer? In(KeyMove move, IReadOnlyList<SectionLine> sections, CancellationToken stop)
    {
        var readings = new List<PlayerReading>();
        foreach (var section in sections)
        {
            if (move.Of(section.Printed) is not { } moved)
                return null;
            // Printed for its own instrument a tune stays where it is; in another key it finds its octave anew.
            var octaves = move.Fifths == 0 ? (int?)null : Fingering.OctaveFit.OctavesFor(SoundingNote.Of(moved), section.Player);
            var music = TuneMusic.Of(moved, section.Player.Style);
            readings.Add(PlayerReading.Of(music, section.PrintedFor, section.Player, chosenOctaves: octaves, stop: stop));
        }

        IEnumerable<NewThing> fresh = readings.SelectMany(r =>
            r.Player.Known.Things is null ? [] : News.In(TuneContents.Of(r), r.Player.Known).Of
        );
        return new KeyOffer(
            move,
            new KeySignature(sections[0].Printed.Key.Fifths + move.Fifths, sections[0].Printed.Key.Mode),
            readings,
            [.. fresh.GroupBy(n => n.Thing).Select(g => g.MaxBy(HowHard.WeightOf)!)]
        );
    }
}
