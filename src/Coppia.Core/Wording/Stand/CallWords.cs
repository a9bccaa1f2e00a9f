using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>What a teacher calls to the sections of a mixed class (craft 16).</summary>
/// <param name="called">What sections are called, where it is not their instrument: those with lines of their own. Null
/// for none.</param>
public sealed class CallWords(CallSheet sheet, IReadOnlyList<string?>? called = null)
{
    private readonly ReadingWords[] _words = [.. sheet.Sections.Select(s => new ReadingWords(s))];

    /// <summary>
    /// A note that all sections play, in the house style's name for it; the first that plays where they differ.
    /// </summary>
    public string Name(CallMoment moment)
    {
        foreach (var (s, does) in moment.Sections.Index())
        {
            if (does.Note is { } note)
                return _words[s].Name(note);
        }

        return Say("stand.call.rest");
    }

    /// <summary>The pair as a section's row prints it: "D3"; "-" out of reach, empty where it begins no note.</summary>
    public string Label(CallMoment moment, int section) =>
        moment.Sections[section].Note is { } note ? _words[section].Label(note) : "";

    /// <summary>
    /// Everything that is called at a moment: "violins and violas 3 on D, cellos 4 on D, basses open G; violins keep 3
    /// down". The same for all is called once: "all open D".
    /// </summary>
    public string Call(CallMoment moment) =>
        string.Join("; ", Cues(moment).Prepend(Pairs(moment)).Where(w => w.Length > 0));

    /// <summary>The pairs alone, sections with the same pair together.</summary>
    public string Pairs(CallMoment moment)
    {
        if (moment.IsRest)
            return Say("stand.call.all-rest");
        var playing = moment.Sections.Index().Where(s => s.Item.Note is not null).ToArray();
        var differ = playing.Select(s => NameOf(s.Index, s.Item.Note!)).Distinct().Count() > 1;
        return Together(
            playing.Select(s =>
                (s.Index, PairSpoken(s.Index, s.Item.Note!) + (differ ? ForNote(s.Index, s.Item.Note!) : ""))
            )
        );
    }

    /// <summary>
    /// Fingers that stay or get ready, hands that are set or move; each said once for the sections that share it.
    /// </summary>
    public IEnumerable<string> Cues(CallMoment moment) =>
        moment
            .Cues.GroupBy(c => c.Fact.Kind)
            .Select(g => Together(g.Select(c => (c.Section, Of(c))).Where(c => c.Item2.Length > 0).Distinct()))
            .Where(w => w.Length > 0);

    /// <summary>A remark for one section: "Basses open G in bars 1 and 2, where the others finger."</summary>
    public string Of(OwnWay own)
    {
        var (player, who, bars) = (
            PlayerOf(own.Section),
            English.Capital(Section(own.Section)),
            English.Bars(own.Bars)
        );
        return own.Kind switch
        {
            OwnWayKind.Open => Say(
                "stand.call.in-where-the-others-finger",
                ("who", who),
                ("place", Place(own.At.Pair, player)),
                ("bars", bars)
            ),
            OwnWayKind.Fingers => Say(
                "stand.call.in-where-the-others-play-open-strings",
                ("who", who),
                ("place", Place(own.At.Pair, player)),
                ("bars", bars)
            ),
            _ => Say(
                "stand.call.alone-move-the-hand-in-to",
                ("who", who),
                ("bars", bars),
                ("frameOf", player.FrameOf(own.At).Spoken)
            ),
        };
    }

    /// <summary>Those who play an instrument, as they are called: "violins", "basses".</summary>
    public string Section(int section) => called?[section] ?? English.Plural(sheet.Sections[section].Instrument.Id);

    private Player PlayerOf(int section) => sheet.Sections[section].Player;

    private string NameOf(int section, ReadingNote note) => Labels.Note(note.Note.Pitch, PlayerOf(section).Style);

    /// <summary>" for F♯"; an open string says its note by itself.</summary>
    private string ForNote(int section, ReadingNote note) =>
        note.Placement is { IsOpen: true } ? "" : Say("stand.call.for-note-for", ("nameOf", NameOf(section, note)));

    private string PairSpoken(int section, ReadingNote note) =>
        note.Placement is { } at ? Place(at.Pair, PlayerOf(section)) : Say("stand.call.out-of-reach");

    /// <summary>"open D", "low 2 on A".</summary>
    private static string Place(Pair pair, Player player) => English.LowerFirst(Labels.PlaceName(pair, player));

    private string Of(Cue cue)
    {
        var player = PlayerOf(cue.Section);
        return cue.Fact switch
        {
            FingerStays stays => Say(
                "stand.call.keep-down",
                ("fingerSign", Labels.FingerSign(stays.Held, player.Style))
            ),
            FingerReady ready => Say("stand.call.get-ready", ("place", Place(ready.Next, player))),
            FingersTogether set => Say(
                "stand.call.set-together",
                ("fingers", English.List([.. set.Fingers.Fingers.Select(f => English.Figure(f))]))
            ),
            HandArrives arrives => Say("stand.call.of-to", ("frameOf", player.FrameOf(arrives.At).Spoken)),
            _ => "",
        };
    }

    /// <summary>What sections are told, those that are told the same together; "all" where every section is.</summary>
    private string Together(IEnumerable<(int Section, string Told)> each) =>
        string.Join(
            ", ",
            each.GroupBy(e => e.Told)
                .Select(g => (Who: g.Select(e => e.Section).ToArray(), Told: g.Key))
                .Select(g =>
                    sheet.Sections.Count == 1 ? g.Told
                    : g.Who.Length == sheet.Sections.Count ? Say("stand.call.together-all", ("told", g.Told))
                    : $"{English.List([.. g.Who.Select(Section)])} {g.Told}"
                )
        );
}
