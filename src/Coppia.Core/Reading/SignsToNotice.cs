using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Core.Reading;

/// <summary>Signs to look for before playing a line: dynamics, accents, dots, slurs, rests, fermata, lift, words, repeats and endings (handbook 7).</summary>
internal static class SignsToNotice
{
    /// <param name="all">All waymarks of the tune.</param>
    /// <param name="tempoWords">Tempo words at the head of the tune, where the line is its first.</param>
    public static IEnumerable<Remark> Of(IReadOnlyList<Bar> bars, Waymarks all, string? tempoWords)
    {
        var found = new List<(string Sign, int Bar, string? Note)>();
        if (tempoWords is not null && bars.Count > 0)
            found.Add(($"“{tempoWords}”", bars[0].Number, null));
        foreach (var bar in bars)
        {
            void Add(string sign, string? id = null) => found.Add((sign, bar.Number, id));
            if (bar.RepeatStart || bar.RepeatEnd)
                Add(bar.RepeatEnd && bar.RepeatTimes > 2 ? $"repeat, {English.Number(bar.RepeatTimes)} times in all" : "repeat");
            foreach (var mark in WaymarkWords.Each(bar.Waymarks))
                Add(WaymarkWords.Printed(mark, all));
            if (bar.EndingStart is { } ending)
                Add($"ending {ending}");
            foreach (var e in bar.Events)
            {
                if (e.IsRest)
                    Add("rest", e.Id);
                if (e.SlurStarts > 0)
                    Add("slur", e.Id);
                if (e.Dynamic is { } dynamic)
                    Add(dynamic, e.Id);
                if (e.Words is { } words)
                    Add($"“{words}”", e.Id);
                if (e.Has(Marks.Staccato))
                    Add("dots", e.Id);
                if (e.Has(Marks.Accent | Marks.StrongAccent))
                    Add("accent", e.Id);
                if (e.Has(Marks.Fermata))
                    Add("fermata", e.Id);
                if (e.Has(Marks.LiftAfter))
                    Add("lift", e.Id);
            }
        }

        if (found.Count == 0)
            yield break;
        var parts = found
            .GroupBy(f => f.Sign)
            .Select(g =>
            {
                var numbers = g.Select(f => f.Bar)
                    .Distinct()
                    .Select(n => n == 0 ? "pick-up" : n.ToString(System.Globalization.CultureInfo.InvariantCulture))
                    .ToArray();
                return $"{g.Key} ({(numbers.Length > 4 ? $"{numbers.Length} bars" : string.Join(", ", numbers))})";
            });
        yield return new Remark(
            RemarkKind.Signs,
            $"Look for: {string.Join(", ", parts)}.",
            [.. found.Select(f => f.Note).OfType<string>().Distinct()]
        );
    }
}
