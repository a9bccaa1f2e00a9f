using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Data;

namespace Coppia.Server;

/// <summary>A tune as one section of a class reads it.</summary>
internal sealed record SectionReading(KeptTune Kept, Player Player, PlayerReading Reading);

/// <summary>Tunes as the sections of a class read them.</summary>
internal sealed class TunesOfClass(Readings readings, ForWhom forWhom, LearnerRepository learners)
{
    /// <summary>What the class plays; all instruments where it has nobody yet.</summary>
    public Instrument[] Section(ClassRecord one)
    {
        var own = ClassEndpoints.SectionOf(learners.Of(one.Id).Select(l => l.Instrument));
        return own.Length > 0 ? own : [.. StringSection.All];
    }

    public Player[] Players(ClassRecord one) => [.. Section(one).Select(i => new Player(i, forWhom.Style.Style, forWhom.KnownBy(one)))];

    /// <summary>One reading a section; nothing for a tune that is gone or cannot be read.</summary>
    public IReadOnlyList<SectionReading> Read(ClassRecord one, long tune)
    {
        if (readings.Missing(tune, out var kept) is not null)
            return [];
        return
        [
            .. Players(one)
                .Select(p => (Kept: kept.For(p.Instrument.Id), Player: p))
                .Select(s => new SectionReading(s.Kept, s.Player, readings.Of(s.Kept, s.Player))),
        ];
    }
}
