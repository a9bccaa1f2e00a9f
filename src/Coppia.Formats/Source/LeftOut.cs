using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Source;

/// <summary>What a reader leaves out of a source. Each kind is told once, with its places.</summary>
internal sealed class LeftOut
{
    private const int MostPlaces = 6;
    private readonly Dictionary<string, List<Place>> _places = [];
    private readonly List<string> _order = [];

    private readonly record struct Place(SourcePosition At, string? Bar);

    /// <param name="message">One sentence; the same sentence is told once.</param>
    /// <param name="at">Where.</param>
    /// <param name="bar">The bar as the source numbers it, where its reader sees bars and no lines of text.</param>
    public void Add(string message, SourcePosition at, string? bar = null)
    {
        if (!_places.TryGetValue(message, out var places))
        {
            _places[message] = places = [];
            _order.Add(message);
        }

        var place = new Place(at, bar);
        if (places.Count == 0 || places[^1] != place && (bar is null || places[^1].Bar != bar))
            places.Add(place);
    }

    public IEnumerable<Notice> Notices() =>
        _order.Select(message =>
        {
            var places = _places[message];
            var number = int.TryParse(places[0].Bar, out var bar) ? bar : (int?)null;
            return new Notice(places[0].At, number, message + Also(places), IsLoss: true);
        });

    private static string Also(List<Place> places)
    {
        if (places.Count == 1)
            return "";
        var shown = places.Skip(1).Take(MostPlaces).Select(p => p.Bar ?? $"{p.At}");
        var more = places.Count - 1 - MostPlaces;
        return Say(
            "source.left-out.also-also",
            ("what", places[1].Bar is null ? "at" : Say("source.left-out.in-bar")),
            ("shown", string.Join(", ", shown)),
            ("what2", more > 0 ? Say("source.left-out.and-more", ("more", more)) : "")
        );
    }
}
