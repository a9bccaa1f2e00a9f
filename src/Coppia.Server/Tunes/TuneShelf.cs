using Coppia.Data.Tunes;
using Coppia.Formats.Books;
using Coppia.Formats.Source;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Tunes;

/// <summary>Takes tunes into the library.</summary>
internal sealed class TuneShelf(TuneRepository tunes, Asker asker)
{
    /// <summary>Reads and keeps a source; nothing is kept when it cannot be read.</summary>
    /// <exception cref="RefusedException">Something is missing or too long.</exception>
    /// <exception cref="UnreadableException">It is no tune.</exception>
    public TuneDetail Keep(TuneRequest request)
    {
        var (record, read) = Read(request);
        return TuneDetail.Of(tunes.Add(NewTune.Offered(record, read)), read);
    }

    /// <summary>Keeps all of them, or where one cannot be read none.</summary>
    /// <inheritdoc cref="Keep(TuneRequest)"/>
    public IReadOnlyList<long> Keep(IEnumerable<TuneRequest> requests)
    {
        var copies = new List<TuneCopy>();
        foreach (var request in requests)
        {
            var (record, read) = Read(request);
            copies.Add(NewTune.Offered(record, read));
        }

        return tunes.AddAll(copies);
    }

    /// <summary>What would be kept of a request, with what came of reading it.</summary>
    /// <inheritdoc cref="Keep(TuneRequest)"/>
    public (TuneRecord Record, ReadResult Read) Read(TuneRequest request)
    {
        Checks.OrRefuse(request);
        if (string.IsNullOrWhiteSpace(request.Source))
            throw RefusedException.Field("source", Say("tunes.tune-views.the-tune-is-empty-expected-note"));
        var read = TuneReader.Read(request.Source, asker.Gone);
        return read.Score is null ? throw RefusedException.Unreadable(read.Errors) : (NewTune.Of(request, read), read);
    }
}
