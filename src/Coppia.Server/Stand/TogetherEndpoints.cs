using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Server.Asked;

namespace Coppia.Server.Stand;

/// <summary>
/// A tune for all sections of a class at once: their pairs, what is called to them, the key that fits all.
/// </summary>
internal static class TogetherEndpoints
{
    public static void MapTogether(this IEndpointRouteBuilder api)
    {
        var tune = api.MapGroup("/api/tunes/{id:long}");
        tune.MapGet("/together", Get).WithName("getTogether").ProducesProblem(404);
        tune.MapGet("/staves", Staves).WithName("getStaves").ProducesProblem(404);
        tune.MapGet("/keys", Keys).WithName("listKeyOffers").ProducesProblem(404);
    }

    private static TogetherView Get(Together together, long id, string? sections = null)
    {
        var (kept, all) = together.Of(id, sections);
        return TogetherView.Of(kept, together.SheetOf(all), all);
    }

    private static StavesView Staves(Together together, long id, string? sections = null)
    {
        var (_, all) = together.Of(id, sections);
        var (musicXml, slots) = ReadingMusic.ForEngraving([
            .. together.SheetOf(all).Sections.Select((s, i) => (s, TogetherView.Prefix(i))),
        ]);
        return new StavesView(musicXml, slots);
    }

    private static KeyOfferView[] Keys(
        Together together,
        Readings readings,
        Asker asker,
        long id,
        string? sections = null
    )
    {
        var (_, all) = together.Of(id, sections);
        var lines = all.Select(s => new SectionLine(
            s.Kept.Score,
            Readings.PrintedForOf(s.Kept, s.Player.Style),
            new Player(s.Player.Instrument, s.Player.Style, s.Player.Known)
        )
        {
            AsItIs = readings.Of(s.Kept, s.Player),
        });
        return KeyForAll.Offers([.. lines], asker.Gone).Select(KeyOfferView.Of).ToArray();
    }
}
