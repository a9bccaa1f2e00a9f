using Coppia.Core.Instruments;
using Coppia.Core.Reading;
using Coppia.Data.Tunes;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Mvc;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Tunes;

/// <summary>Which tunes are listed, as an address asks for it.</summary>
internal sealed class TuneListRequest
{
    private const string ByHard = "hard";

    /// <summary>Words of title and composer.</summary>
    [FromQuery(Name = "search")]
    public string? Search { get; init; }

    /// <summary>Of <see cref="TuneOrder"/>, or "hard": how hard they are for the class, the easiest first.</summary>
    [FromQuery(Name = "order")]
    public string? Order { get; init; }

    /// <summary>For which they are printed.</summary>
    [FromQuery(Name = "instrument")]
    public string? Instrument { get; init; }

    /// <summary>As <see cref="TuneKeyView"/> names it.</summary>
    [FromQuery(Name = "key")]
    public string? Key { get; init; }

    /// <summary>How far out of the class's reach.</summary>
    [FromQuery(Name = "reach")]
    public string? Reach { get; init; }

    /// <param name="from">How many are passed over.</param>
    /// <param name="count">1 to 200.</param>
    /// <exception cref="RefusedException">There is no such order, reach, instrument or page.</exception>
    public TuneSearch Checked(int from, int count)
    {
        var byHard = string.Equals(Order, ByHard, StringComparison.OrdinalIgnoreCase);
        if (
            !Choices.Read<TuneOrder>(byHard ? nameof(TuneOrder.Title) : Order ?? nameof(TuneOrder.Title), out var order)
        )
            throw new RefusedException(
                400,
                Say(
                    "tunes.tune-list.is-not-an-order-expected-one-of",
                    ("order", Order),
                    ("choices", Choices.Expected<TuneOrder>()),
                    ("byHard", ByHard)
                )
            );
        var within = Within();
        if (!string.IsNullOrEmpty(Instrument) && StringSection.Named(Instrument) is null)
            throw HouseStyles.NoInstrument(Instrument);
        Problems.CheckPage(from, count, "tunes");
        return new TuneSearch(
            new TuneQuery(
                Words: Search ?? "",
                Order: order,
                Instrument: string.IsNullOrEmpty(Instrument) ? null : Instrument,
                Key: string.IsNullOrEmpty(Key) ? null : Key,
                From: from,
                Count: count
            ),
            byHard,
            within
        );
    }

    private Core.Reading.Reach? Within()
    {
        if (string.IsNullOrEmpty(Reach))
            return null;
        if (Choices.Read<Core.Reading.Reach>(Reach, out var reach))
            return reach;
        throw new RefusedException(
            400,
            Say(
                "tunes.tune-list.is-not-a-reach-expected-one-of",
                ("reach", Reach),
                ("choices", Choices.Expected<Core.Reading.Reach>())
            )
        );
    }
}

/// <summary>Which tunes are listed.</summary>
/// <param name="ByHard">The easiest for the class first.</param>
/// <param name="Within">Only those of this reach for the class; null for all.</param>
internal sealed record TuneSearch(TuneQuery Query, bool ByHard, Reach? Within);

/// <summary>The library's list, with how its tunes fit the class that asks.</summary>
internal sealed class TuneList(TuneRepository repository, TuneFits fits, Asker asker)
{
    public TuneListView Of(TuneSearch asked) =>
        (asked.ByHard || asked.Within is not null) && asker.ClassIfAny is not null
            ? Fitting(asked)
            : Listed(asked.Query);

    private TuneListView Listed(TuneQuery query)
    {
        var page = repository.List(query);
        var (each, working) = fits.Of([.. page.Tunes.Select(t => (t.Id, t.Version))]);
        return new TuneListView([.. page.Tunes.Select(t => Summary(t, each))], page.Total, working);
    }

    /// <summary>Tunes by how they fit the class; those that are not worked out yet come last.</summary>
    private TuneListView Fitting(TuneSearch asked)
    {
        var all = repository.Fitting(asked.Query);
        var (each, working) = fits.Of(all);
        var ids = all.Select(t => t.Id)
            .Where(id => asked.Within is null || each.TryGetValue(id, out var fit) && fit.Reach == asked.Within);
        long[] ordered =
        [
            .. asked.ByHard ? ids.OrderBy(id => each.TryGetValue(id, out var fit) ? fit.Weight : int.MaxValue) : ids,
        ];
        var page = repository.Among([.. ordered.Skip(asked.Query.From).Take(asked.Query.Count)]);
        return new TuneListView([.. page.Select(t => Summary(t, each))], ordered.Length, working);
    }

    private TuneSummary Summary(TuneRecord tune, IReadOnlyDictionary<long, TuneFit> fits) =>
        TuneSummary.Of(tune).Named(asker.Style) with
        {
            Fit = fits.GetValueOrDefault(tune.Id),
        };
}
