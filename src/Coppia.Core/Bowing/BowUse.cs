using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Core.Bowing;

/// <summary>What the bow does from a place on.</summary>
/// <param name="NoteId">Where it starts.</param>
/// <param name="Bar">Printed bar number.</param>
/// <param name="Text">In words.</param>
public sealed record BowHint(string NoteId, int Bar, string Text);

/// <summary>What the bow does, told once for all the bars in which it does so.</summary>
/// <param name="Where">"Bars 1–4", "Pick-up".</param>
/// <param name="Text">In words.</param>
/// <param name="NoteIds">Where it starts each time.</param>
public sealed record BowHintInBars(string Where, string Text, IReadOnlyList<string> NoteIds);

/// <summary>Bow use in words where an articulation or a dynamic starts (handbook 8, common practice). A dynamic holds until the next sign.</summary>
public static class BowUse
{
    public static IReadOnlyList<BowHint> Of(IReadOnlyList<SoundingNote> notes, IReadOnlyList<BowTravel> travels, HouseStyle style)
    {
        var hints = new List<BowHint>();
        var loudness = Loudness.Of(notes);
        var touches = Touches(notes);
        var touch = "";
        foreach (var note in notes.Where(n => !n.IsGrace))
        {
            void Say(string text) => hints.Add(new BowHint(note.Id, note.Bar.Number, text));
            var i = note.Index;
            if (Plucking.Begins(note.Event.Words) is { } pluck)
                Say(
                    pluck
                        ? "Pluck: the bow rests in the hand; the left hand stays as it is."
                        : "Bow again: set it on the string before the note."
                );
            if (
                note.Event.Dynamic is { } sign
                && Dynamic(sign, i == 0 ? 0 : loudness[i - 1], loudness[i], i == 0, style.LoudBow) is { } change
            )
                Say(change);
            var now = touches[i];
            if (now != touch && now.Length > 0)
                Say(now);
            touch = now;
        }

        hints.AddRange(Amounts(notes, travels));
        var order = notes.ToDictionary(n => n.Id, n => n.Index);
        return [.. hints.OrderBy(h => order[h.NoteId])];
    }

    /// <summary>The same hints, each told once with its bars; a touch of the bow counts in every bar that has it.</summary>
    public static IReadOnlyList<BowHintInBars> InBars(IReadOnlyList<SoundingNote> notes, IReadOnlyList<BowHint> hints)
    {
        var touches = Touches(notes);
        var bars = notes.Where(n => !n.IsGrace).ToLookup(n => touches[n.Index], n => n.Bar.Number);
        return
        [
            .. hints
                .GroupBy(h => h.Text)
                .Select(g => new BowHintInBars(
                    English.Capital(English.Bars(g.Select(h => h.Bar).Concat(bars[g.Key]))),
                    g.Key,
                    [.. g.Select(h => h.NoteId).Distinct()]
                )),
        ];
    }

    /// <summary>What a dynamic asks of the bow, against what went before; on the bow's speed schools differ (handbook 17).</summary>
    private static string? Dynamic(string sign, double before, double now, bool first, LoudBow loud)
    {
        var faster = loud == LoudBow.HeavierFaster;
        if (first && now == 0)
            return null;
        if (now > before || first && now > 0)
            return $"{sign}, louder: more weight, nearer the bridge, {(faster ? "a faster bow" : "a slower bow")}.";
        return now < before
            ? $"{sign}, softer: less weight, nearer the fingerboard, {(faster ? "a slower bow" : "a lighter, faster bow")}."
            : null;
    }

    /// <summary>What the bow does on each note, the notes of one slur together; empty where it only changes.</summary>
    private static string[] Touches(IReadOnlyList<SoundingNote> notes)
    {
        var touches = new string[notes.Count];
        for (var first = 0; first < notes.Count; )
        {
            var end = first + 1;
            while (end < notes.Count && notes[end].Slurred)
                end++;
            for (var i = first; i < end; i++)
                touches[i] = Touch(notes[i].Event, end - first);
            first = end;
        }

        return touches;
    }

    private static string Touch(ScoreEvent note, int inOneBow)
    {
        if (inOneBow > 1 && note.Has(Marks.Staccato | Marks.Tenuto))
            return "Hooked: the same direction, stopped between the notes.";
        if (note.Has(Marks.Accent | Marks.StrongAccent))
            return "Accent: more bite at the start of the note, then let go.";
        if (note.Has(Marks.Staccato))
            return "Dots: the bow moves quickly and stops; the pulse does not speed up.";
        return inOneBow > 1 ? $"Slur: {inOneBow} notes in one bow, the bow does not stop." : "";
    }

    /// <summary>Each amount of bow is said where it begins.</summary>
    private static IEnumerable<BowHint> Amounts(IReadOnlyList<SoundingNote> notes, IReadOnlyList<BowTravel> travels)
    {
        BowAmount? said = null;
        foreach (var travel in travels.Where(t => t.Stroke.Pass == 1))
        {
            if (travel.Amount != said && travel.Amount != BowAmount.Part)
            {
                var note = notes[travel.Stroke.First];
                var words = BowPlace.Words(travel.Amount);
                yield return new BowHint(note.Id, note.Bar.Number, English.Sentence(words));
            }

            said = travel.Amount;
        }
    }
}
