using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Classes;

/// <summary>A class's plan in words.</summary>
public static class PlanWords
{
    public static string Part(PlanPart part) =>
        part switch
        {
            PlanPart.Keys => Say("classes.plan.signatures"),
            PlanPart.Meters => Say("classes.plan.meters"),
            PlanPart.Values => Say("classes.plan.note-values"),
            PlanPart.Rests => Say("classes.plan.rests"),
            PlanPart.Rhythms => Say("classes.plan.rhythms-in-a-beat"),
            PlanPart.Bow => Say("classes.plan.the-bow"),
            PlanPart.Loudness => Say("classes.plan.loud-and-soft"),
            PlanPart.Signs => Say("classes.plan.signs-on-the-page"),
            _ => throw new ArgumentOutOfRangeException(nameof(part), part, "There are no words for this part."),
        };

    /// <summary>
    /// What a section can play on each string, lowest first: "G 0 1 2 3"; strings not in use are left out.
    /// </summary>
    public static IReadOnlyList<string> Strings(Player player)
    {
        var instrument = player.Instrument;
        return
        [
            .. instrument
                .Strings.Index()
                .Select(s =>
                    (
                        Letter: Labels.Note(s.Item, player.Style),
                        Fingers: (player.Known.Things ?? new HashSet<KnownThing>())
                            .OfType<KnownNote>()
                            .Where(n => n.Instrument == instrument.Id && n.Open == s.Item)
                            .OrderBy(n => n.Semitones)
                            .Select(n => TeachingPlan.FirstWay(instrument, s.Index, n.Pitch))
                            .Where(w => w is not null)
                            .Select(w => Labels.FingerSign(w!.Value.Pair, player.Style))
                            .Distinct()
                            .ToArray()
                    )
                )
                .Where(s => s.Fingers.Length > 0)
                .Select(s => $"{s.Letter} {string.Join(' ', s.Fingers)}"),
        ];
    }

    /// <summary>
    /// What a small button under the part's name bears: "D" for a signature, "half" for a rest, "slur 2", else the
    /// thing's name.
    /// </summary>
    public static string Short(KnownThing thing, HouseStyle style) =>
        thing switch
        {
            KnownKey key => Labels.Note(new KeySignature(key.Fifths).TonicInOctave(4), style),
            KnownRest rest => rest.Value.Words(style.ValueNames),
            KnownRhythm rhythm => ThingWords.Rhythm(rhythm.Pattern),
            KnownSlur slur => Say(
                "classes.plan.short-slur",
                ("notes", slur.Notes),
                ("what", slur.Notes == KnownSlur.Most ? "+" : "")
            ),
            KnownSign { Sign: LearnedSign.Hairpin } => "< >",
            KnownSign { Sign: LearnedSign.Accidental } => "♯ ♭ ♮",
            KnownSign { Sign: LearnedSign.Endings } => Say("classes.plan.endings"),
            KnownSign { Sign: LearnedSign.Syncopation } => Say("classes.plan.across-the-beat"),
            _ => ThingWords.Name(thing, style),
        };
}
