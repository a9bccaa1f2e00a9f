using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Stand;

/// <summary>What is new to a class, said kindly and exactly (craft 15).</summary>
public sealed class NewsWords(HouseStyle style)
{
    private const int MostNamed = 4;

    /// <summary>The new thing alone: "A, first finger on G", "low second finger: C on A and F on D", "3/4".</summary>
    public string Name(NewThing news) =>
        news.Thing switch
        {
            KnownNote => Note(news.Met),
            _ when news.With.Count > 0 => $"{ThingWords.Name(news.Thing, style)}: {Notes(news.With)}",
            var thing => ThingWords.Name(thing, style),
        };

    /// <summary>The same as one of a list: "A as first finger on G", "low second finger (C on A and F on D)".</summary>
    public string Named(NewThing news) =>
        news.Thing switch
        {
            KnownNote note when news.Met.Place is { IsOpen: false } at =>
                $"{Labels.Note(note.Pitch, style)} with the {ThingWords.Finger(at.Place)} on "
                    + $"{Labels.Note(note.Open, style)}",
            KnownNote note => $"{Labels.Note(note.Pitch, style)} as the open string",
            _ when news.With.Count > 0 => $"{ThingWords.Name(news.Thing, style)} ({Notes(news.With)})",
            var thing => ThingWords.Name(thing, style),
        };

    /// <summary>"A note you have not met: A, first finger on G, bar 14, three times."</summary>
    public string Sentence(NewThing news) => $"{Opening(news.Thing)}: {Name(news)}, {Where(news.Met)}.";

    /// <summary>"bar 14, three times"; of a signature or meter only the bar.</summary>
    public static string Where(MetThing met)
    {
        if (met.Thing is KnownSign { Sign: LearnedSign.PickUp })
            return "at the beginning";
        var bar = BarWords.Named(met.BarNumber);
        if (met.Thing is KnownKey or KnownMeter)
            return met.Times == 1 ? $"from {bar} on" : $"first in {bar}";
        return met.Times switch
        {
            1 => $"{(met.BarNumber == 0 ? "in the pick-up" : bar)}, once",
            2 => $"first in {bar}, twice",
            var times => $"first in {bar}, {English.Number(times)} times",
        };
    }

    /// <summary>
    /// How hard a tune is, in its parts: "two new notes (4), one new rhythm (3) and its hardest step (3): 10 in all";
    /// "nothing new; its hardest step (2)".
    /// </summary>
    public static string Parts(HowHard hard)
    {
        string[] step = hard.HardestStep > 0 ? [$"its hardest step ({English.Figure(hard.HardestStep)})"] : [];
        if (hard.Count == 0)
            return string.Join("; ", step.Prepend("nothing new"));
        string[] parts = [.. hard.Parts.Select(p => $"{Count(p)} ({English.Figure(p.Weight)})"), .. step];
        return parts.Length == 1 ? parts[0] : $"{English.List(parts)}: {English.Figure(hard.Weight)} in all";
    }

    /// <summary>"nothing new", "one new thing", "four new things".</summary>
    public static string Count(HowHard hard) => Count(hard.Count);

    /// <inheritdoc cref="Count(HowHard)"/>
    public static string Count(int things) =>
        things == 0 ? "nothing new" : $"{English.Number(things)} new {(things == 1 ? "thing" : "things")}";

    private static string Count(HardPart part) =>
        $"{English.Number(part.Count)} new {(part.Count == 1 ? One(part.Kind) : Several(part.Kind))}";

    private static string Opening(KnownThing thing) =>
        thing switch
        {
            KnownNote => "A note you have not met",
            KnownFinger => "A place of a finger you have not met",
            KnownPosition => "A position you have not played in",
            KnownKey => "A signature you have not read",
            KnownMeter => "A meter you have not counted",
            KnownValue => "A note value you have not met",
            KnownRest => "A rest you have not met",
            KnownRhythm => "A rhythm you have not met",
            KnownSlur => "A slur you have not bowed",
            _ => "A sign you have not met",
        };

    private static string One(ThingKind kind) =>
        kind switch
        {
            ThingKind.Position => "position",
            ThingKind.Finger => "place of a finger",
            ThingKind.Note => "note",
            ThingKind.Key => "signature",
            ThingKind.Meter => "meter",
            ThingKind.Value => "note value",
            ThingKind.Rhythm => "rhythm",
            ThingKind.Rest => "rest",
            ThingKind.Slur => "slur",
            ThingKind.Dynamic => "dynamic",
            _ => "sign",
        };

    private static string Several(ThingKind kind) => kind == ThingKind.Finger ? "places of fingers" : One(kind) + "s";

    private string Note(MetThing met)
    {
        var note = (KnownNote)met.Thing;
        var (name, on) = (Labels.Note(note.Pitch, style), Labels.Note(note.Open, style));
        return met.Place is not { } at || at.IsOpen
            ? $"{name}, the open {on} string"
            : $"{name}, {ThingWords.Finger(at.Place)} on {on}";
    }

    private string Notes(IReadOnlyList<MetThing> notes)
    {
        string[] names = [.. notes.Select(n => ThingWords.Name(n.Thing, style)).Distinct()];
        return names.Length <= MostNamed
            ? English.List(names)
            : $"{string.Join(", ", names.Take(MostNamed - 1))} and {English.Number(names.Length - MostNamed + 1)} more";
    }
}
