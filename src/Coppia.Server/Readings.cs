using System.Collections.Concurrent;
using System.Text.Json;
using Coppia.Core;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Coppia.Server;

/// <summary>A kept tune with its score.</summary>
internal sealed record KeptTune(TuneRecord Tune, Score Score, IReadOnlyList<Notice> Notices);

/// <summary>Readings of kept tunes. Computed values are pure, so they are remembered by tune, version and instrument.</summary>
internal sealed class Readings(TuneRepository tunes, IOptions<JsonOptions> json)
{
    private const int MostRemembered = 64;
    private readonly ConcurrentDictionary<(long Id, int Version), KeptTune> _scores = new();
    private readonly ConcurrentDictionary<(long Id, int Version, string Instrument), Reading> _readings = new();

    private readonly ConcurrentDictionary<(long Id, int Version, string Instrument), byte[]> _answers = new();

    public KeptTune? Find(long id)
    {
        if (tunes.Find(id) is not { } tune) return null;
        if (_scores.Count > MostRemembered) _scores.Clear();
        return _scores.GetOrAdd((id, tune.Version), _ =>
        {
            var read = TuneReader.Read(tune.Source);
            return new KeptTune(tune, read.Score ?? throw new InvalidOperationException($"Tune {id} was kept but cannot be read."), read.Notices);
        });
    }

    public Reading Of(KeptTune kept, Instrument instrument)
    {
        if (_readings.Count > 4 * MostRemembered) _readings.Clear();
        return _readings.GetOrAdd((kept.Tune.Id, kept.Tune.Version, instrument.Id), _ =>
            Reading.Of(kept.Score, Instruments.Named(kept.Tune.PrintedFor, HouseStyle.Default) ?? PrintedFor.Of(kept.Score), instrument, HouseStyle.Default));
    }

    /// <summary>The reading as the screens get it, kept as the bytes that are sent.</summary>
    public byte[] JsonOf(KeptTune kept, Instrument instrument)
    {
        if (_answers.Count > 4 * MostRemembered) _answers.Clear();
        return _answers.GetOrAdd((kept.Tune.Id, kept.Tune.Version, instrument.Id), _ =>
            JsonSerializer.SerializeToUtf8Bytes(ReadingView.Of(kept, Of(kept, instrument)), json.Value.SerializerOptions));
    }
}
