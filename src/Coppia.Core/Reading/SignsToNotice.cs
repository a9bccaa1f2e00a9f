using Coppia.Core.Music;

namespace Coppia.Core.Reading;

public enum SignKind
{
    /// <summary>Tempo words at the head of a tune, or words over a note.</summary>
    Words,
    Repeat,
    Waymark,
    Ending,
    Rest,
    Slur,
    Dynamic,
    Dots,
    Accent,
    Fermata,
    Lift,
}

/// <summary>A printed sign.</summary>
/// <param name="Text">What is printed: words, a dynamic, the numbers of an ending; null for other signs.</param>
/// <param name="Times">For a repeat: how often the section is played in all.</param>
/// <param name="Mark">For a waymark: which.</param>
public readonly record struct Sign(SignKind Kind, string? Text = null, int Times = 0, Waymarks Mark = Waymarks.None);

/// <summary>
/// Signs to look for before playing a line: dynamics, accents, dots, slurs, rests, fermata, lift, words, repeats and
/// endings (craft 7).
/// </summary>
internal static class SignsToNotice
{
    /// <param name="tempoWords">Tempo words at the head of the tune, where the line is its first.</param>
    public static IEnumerable<Remark> Of(IReadOnlyList<Bar> bars, string? tempoWords)
    {
        var found = new List<(Sign Sign, int Bar, string? Note)>();
        if (tempoWords is not null && bars.Count > 0)
            found.Add((new Sign(SignKind.Words, tempoWords), bars[0].Number, null));
        foreach (var bar in bars)
        {
            found.AddRange(OfBar(bar).Select(s => (s, bar.Number, (string?)null)));
            foreach (var e in bar.Events)
                found.AddRange(OfNote(e).Select(s => (s, bar.Number, (string?)e.Id)));
        }

        if (found.Count == 0)
            yield break;
        yield return new Remark(
            new SignsInLine([
                .. found
                    .GroupBy(f => f.Sign)
                    .Select(g => (g.Key, (IReadOnlyList<int>)[.. g.Select(f => f.Bar).Distinct()])),
            ]),
            [.. found.Select(f => f.Note).OfType<string>().Distinct()]
        );
    }

    private static IEnumerable<Sign> OfBar(Bar bar)
    {
        if (bar.RepeatStart || bar.RepeatEnd)
            yield return new Sign(SignKind.Repeat, Times: bar.RepeatEnd ? bar.RepeatTimes : 2);
        foreach (var mark in bar.Waymarks.Each())
            yield return new Sign(SignKind.Waymark, Mark: mark);
        if (bar.EndingStart is { } ending)
            yield return new Sign(SignKind.Ending, ending);
    }

    private static IEnumerable<Sign> OfNote(ScoreEvent e)
    {
        if (e.IsRest)
            yield return new Sign(SignKind.Rest);
        if (e.SlurStarts > 0)
            yield return new Sign(SignKind.Slur);
        if (e.Dynamic is { } dynamic)
            yield return new Sign(SignKind.Dynamic, dynamic);
        if (e.Words is { } words)
            yield return new Sign(SignKind.Words, words);
        if (e.Has(Marks.Staccato))
            yield return new Sign(SignKind.Dots);
        if (e.Has(Marks.Accent | Marks.StrongAccent))
            yield return new Sign(SignKind.Accent);
        if (e.Has(Marks.Fermata))
            yield return new Sign(SignKind.Fermata);
        if (e.Has(Marks.LiftAfter))
            yield return new Sign(SignKind.Lift);
    }
}
