using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

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
            KnownNote note when news.Met.Place is { IsOpen: false } at => Say(
                "stand.news.with-the-on",
                ("pitch", Labels.Note(note.Pitch, style)),
                ("finger", ThingWords.Finger(at.Place)),
                ("open", Labels.Note(note.Open, style))
            ),
            KnownNote note => Say("stand.news.as-the-open-string", ("pitch", Labels.Note(note.Pitch, style))),
            _ when news.With.Count > 0 => $"{ThingWords.Name(news.Thing, style)} ({Notes(news.With)})",
            var thing => ThingWords.Name(thing, style),
        };

    /// <summary>"A note you have not met: A, first finger on G, bar 14, three times."</summary>
    public string Sentence(NewThing news) => $"{Opening(news.Thing)}: {Name(news)}, {Where(news.Met)}.";

    /// <summary>"bar 14, three times"; of a signature or meter only the bar.</summary>
    public static string Where(MetThing met)
    {
        if (met.Thing is KnownSign { Sign: LearnedSign.PickUp })
            return Say("stand.news.at-the-beginning");
        var bar = BarWords.Named(met.BarNumber);
        if (met.Thing is KnownKey or KnownMeter)
            return met.Times == 1 ? Say("stand.news.from-on", ("bar", bar)) : Say("stand.news.first-in", ("bar", bar));
        return met.Times switch
        {
            1 => Say("stand.news.where-once", ("what", met.BarNumber == 0 ? Say("stand.news.in-the-pick-up") : bar)),
            2 => Say("stand.news.first-in-twice", ("bar", bar)),
            var times => Say("stand.news.first-in-times", ("bar", bar), ("times", times)),
        };
    }

    /// <summary>
    /// How hard a tune is, in its parts: "two new notes (4), one new rhythm (3) and its hardest step (3): 10 in all";
    /// "nothing new; its hardest step (2)".
    /// </summary>
    public static string Parts(HowHard hard)
    {
        string[] step =
            hard.HardestStep > 0 ? [Say("stand.news.its-hardest-step", ("hardestStep", hard.HardestStep))] : [];
        if (hard.Count == 0)
            return string.Join("; ", step.Prepend(Say("stand.news.nothing-new")));
        string[] parts = [.. hard.Parts.Select(p => $"{Count(p)} ({English.Figure(p.Weight)})"), .. step];
        return parts.Length == 1
            ? parts[0]
            : Say("stand.news.in-all", ("parts", English.List(parts)), ("weight", hard.Weight));
    }

    /// <summary>"nothing new", "one new thing", "four new things".</summary>
    public static string Count(HowHard hard) => Count(hard.Count);

    /// <inheritdoc cref="Count(HowHard)"/>
    public static string Count(int things) =>
        things == 0 ? Say("stand.news.nothing-new") : Say("stand.news.count-new", ("things", things));

    private static string Count(HardPart part) =>
        Say(
            "stand.news.count-new-2",
            ("part", part.Count),
            ("what", part.Count == 1 ? One(part.Kind) : Several(part.Kind))
        );

    private static string Opening(KnownThing thing) =>
        thing switch
        {
            KnownNote => Say("stand.news.a-note-you-have-not-met"),
            KnownFinger => Say("stand.news.a-place-of-a-finger-you-have"),
            KnownPosition => Say("stand.news.a-position-you-have-not-played-in"),
            KnownKey => Say("stand.news.a-signature-you-have-not-read"),
            KnownMeter => Say("stand.news.a-meter-you-have-not-counted"),
            KnownValue => Say("stand.news.a-note-value-you-have-not-met"),
            KnownRest => Say("stand.news.a-rest-you-have-not-met"),
            KnownRhythm => Say("stand.news.a-rhythm-you-have-not-met"),
            KnownSlur => Say("stand.news.a-slur-you-have-not-bowed"),
            _ => Say("stand.news.a-sign-you-have-not-met"),
        };

    private static string One(ThingKind kind) =>
        kind switch
        {
            ThingKind.Position => Say("stand.news.position"),
            ThingKind.Finger => Say("stand.news.place-of-a-finger"),
            ThingKind.Note => Say("stand.news.note"),
            ThingKind.Key => Say("stand.news.signature"),
            ThingKind.Meter => Say("stand.news.meter"),
            ThingKind.Value => Say("stand.news.note-value"),
            ThingKind.Rhythm => Say("stand.news.rhythm"),
            ThingKind.Rest => Say("stand.news.rest"),
            ThingKind.Slur => Say("stand.news.slur"),
            ThingKind.Dynamic => Say("stand.news.dynamic"),
            _ => Say("stand.news.sign"),
        };

    private static string Several(ThingKind kind) =>
        kind == ThingKind.Finger
            ? Say("stand.news.places-of-fingers")
            : Say("stand.news.several", ("thing", One(kind)));

    private string Note(MetThing met)
    {
        var note = (KnownNote)met.Thing;
        var (name, on) = (Labels.Note(note.Pitch, style), Labels.Note(note.Open, style));
        return met.Place is not { } at || at.IsOpen
            ? Say("stand.news.the-open-string", ("name", name), ("on", on))
            : Say("stand.news.note-on", ("name", name), ("finger", ThingWords.Finger(at.Place)), ("on", on));
    }

    private string Notes(IReadOnlyList<MetThing> notes)
    {
        string[] names = [.. notes.Select(n => ThingWords.Name(n.Thing, style)).Distinct()];
        return names.Length <= MostNamed
            ? English.List(names)
            : Say(
                "stand.news.and-more",
                ("names", string.Join(", ", names.Take(MostNamed - 1))),
                ("names2", names.Length - MostNamed + 1)
            );
    }
}
