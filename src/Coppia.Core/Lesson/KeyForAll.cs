using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;

namespace Coppia.Core.Lesson;

/// <summary>What a section is to read.</summary>
/// <param name="Printed">The line of the score that it takes.</param>
/// <param name="PrintedFor">The instrument that the line is printed for.</param>
/// <param name="Player">Who reads.</param>
public sealed record SectionLine(Score Printed, Instrument PrintedFor, Player Player)
{
    /// <summary>
    /// How it is read now, with the octave and the pairs that the teacher chose; null where nothing was chosen.
    /// </summary>
    public PlayerReading? AsItIs { get; init; }
}

/// <summary>A tune in one key for all sections, each in the octave that fits it.</summary>
/// <param name="Move">How the print is moved.</param>
/// <param name="Interval">How far the first section's print goes, with the octave that brings it back into its
/// instrument's reach.</param>
/// <param name="Key">The key.</param>
/// <param name="Sections">The tune as each section then reads it.</param>
/// <param name="New">What is new to the sections, each thing once; where no record is kept, nothing.</param>
public sealed record KeyOffer(
    KeyMove Move,
    Interval Interval,
    KeySignature Key,
    IReadOnlyList<PlayerReading> Sections,
    IReadOnlyList<NewThing> New
)
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
    /// The print's own key and all that have up to four signs: first those out of whose reach the fewest notes lie,
    /// then those with the fewest and lightest new things for all, then the nearest to the print, downwards on a tie.
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
                .Select(fifths => OfferIn(new KeyMove(fifths - key.Fifths), sections, stop))
                .OfType<KeyOffer>()
                .OrderBy(o => o.OutOfReach)
                .ThenBy(o => o.Weight)
                .ThenBy(o => o.Beyond)
                .ThenBy(o => Math.Abs(o.Interval.Semitones))
                .ThenBy(o => o.Interval.Semitones),
        ];
    }

    /// <summary>
    /// A line in another key as it is printed when the key is taken: where its own instrument does not reach it any
    /// more, an octave higher or lower. Every reading of it is made from this print.
    /// </summary>
    /// <returns>Null where a signature would need more signs than are written.</returns>
    public static Score? Print(KeyMove move, Score printed, Instrument printedFor, HouseStyle style)
    {
        if (move.Fifths == 0 || move.Of(printed) is not { } moved)
            return move.Fifths == 0 ? printed : null;
        return moved.MovedByOctaves(OctaveFit.OctavesFor(SoundingNote.Of(moved), new Player(printedFor, style)));
    }

    private static KeyOffer? OfferIn(KeyMove move, IReadOnlyList<SectionLine> sections, CancellationToken stop)
    {
        var readings = new List<PlayerReading>();
        Interval? interval = null;
        foreach (var section in sections)
        {
            if (Print(move, section.Printed, section.PrintedFor, section.Player.Style) is not { } print)
                return null;
            readings.Add(
                (move.Fifths == 0 ? section.AsItIs : null)
                    ?? PlayerReading.Of(
                        TuneMusic.Of(print, section.Player.Style),
                        section.PrintedFor,
                        section.Player,
                        stop: stop
                    )
            );
            interval ??= Between(section.Printed, print);
        }

        var fresh = readings
            .Zip(sections, (r, s) => (Reading: r, s.Player.Known))
            .SelectMany(r => r.Known.Things is null ? [] : News.In(TuneContents.Of(r.Reading), r.Known).Of);
        return new KeyOffer(
            move,
            interval ?? default,
            new KeySignature(sections[0].Printed.Key.Fifths + move.Fifths, sections[0].Printed.Key.Mode),
            readings,
            [.. fresh.GroupBy(n => n.Thing).Select(g => g.MaxBy(HowHard.WeightOf)!)]
        );
    }

    /// <summary>How far a print was moved, by its first note; null for one of rests.</summary>
    private static Interval? Between(Score printed, Score moved) =>
        printed.Events.Zip(moved.Events).FirstOrDefault(p => p.First.Pitch is not null)
            is ({ Pitch: { } a }, { Pitch: { } b })
            ? new Interval(b.Step - a.Step, b.Midi - a.Midi)
            : null;
}
