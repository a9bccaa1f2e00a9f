using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Data.Classes;
using Coppia.Server.Asked;

namespace Coppia.Server.Stand;

/// <summary>A tune as one section of a class reads it.</summary>
internal sealed record SectionReading(KeptTune Kept, Player Player, PlayerReading Reading);

/// <summary>Tunes as the sections of a class read them.</summary>
internal sealed class TunesOfClass(Readings readings, Asker asker, ClassMemory memory, LearnerRepository learners)
{
    /// <summary>What the class plays; all instruments where it has nobody yet.</summary>
    public Instrument[] Section(ClassRecord one)
    {
        var own = Asker.SectionOf(learners.Of(one.Id).Select(l => l.Instrument));
        return own.Length > 0 ? own : [.. StringSection.All];
    }

    public Player[] Players(ClassRecord one) => Players(one, Section(one));

    private Player[] Players(ClassRecord one, IEnumerable<Instrument> instruments) =>
        [.. instruments.Select(i => new Player(i, asker.Style, memory.KnownBy(one)))];

    /// <summary>One reading a section; nothing for a tune that is gone or cannot be read.</summary>
    public IReadOnlyList<SectionReading> Read(ClassRecord one, long tune) => Read(one, tune, Section(one));

    /// <inheritdoc cref="Read(ClassRecord, long)"/>
    /// <param name="instruments">Of the sections.</param>
    public IReadOnlyList<SectionReading> Read(ClassRecord one, long tune, IEnumerable<Instrument> instruments)
    {
        if (readings.Readable(tune) is not { } kept)
            return [];
        return
        [
            .. Players(one, instruments)
                .Select(p => (Kept: kept.For(p.Instrument.Id), Player: p))
                .Select(s => new SectionReading(s.Kept, s.Player, readings.Of(s.Kept, s.Player))),
        ];
    }
}
