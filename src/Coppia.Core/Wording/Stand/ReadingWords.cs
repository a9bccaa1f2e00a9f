using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Stand;

/// <summary>
/// A reading in the words and labels of its house style: what screens, sheets, exports and the command line print.
/// </summary>
public sealed class ReadingWords
{
    private readonly PlayerReading _reading;
    private readonly Dictionary<string, string> _counts;
    private readonly LetterOctaves _octaves;
    private readonly Lazy<FormWords> _form;
    private readonly Lazy<RemarkWords> _remarks;
    private readonly Lazy<TroubleWords> _trouble;
    private readonly Lazy<string[]> _warnings;
    private readonly Lazy<Dictionary<string, ScoreEvent>> _values;
    private readonly Lazy<Dictionary<int, BowAmount>> _amounts;

    public ReadingWords(PlayerReading reading)
    {
        _reading = reading;
        _octaves = new LetterOctaves(reading.Notes.Select(n => n.Note));
        Counts =
        [
            .. reading.Tune.Counts.Select(c => (c, CountWords.Syllable(c, Style))).Where(c => c.Item2.Length > 0),
        ];
        _counts = Counts.Where(c => c.Mark.Offset.IsZero).ToDictionary(c => c.Mark.EventId, c => c.Said);
        _form = new(() =>
            new FormWords(reading.Tune.Form, reading.Score, [.. reading.Notes.Select(n => n.Note)], Style)
        );
        _remarks = new(() => new RemarkWords(reading.Player, reading.Score.Waymarks));
        _trouble = new(() => new TroubleWords(reading.Fingering));
        _warnings = new(() => [.. reading.Warnings().Select(w => WarningOf(w, reading))]);
        _values = new(() => reading.Score.Events.ToDictionary(e => e.Id));
        _amounts = new(() =>
            reading.Tune.Travels.DistinctBy(t => t.Stroke.First).ToDictionary(t => t.Stroke.First, t => t.Amount)
        );
    }

    private HouseStyle Style => _reading.Player.Style;

    /// <summary>How the tune is built.</summary>
    public FormWords Form => _form.Value;

    /// <summary>What is said before a line.</summary>
    public RemarkWords Remarks => _remarks.Value;

    /// <summary>What makes its steps hard.</summary>
    public TroubleWords Trouble => _trouble.Value;

    /// <summary>The counting row: every counted moment at which something is said.</summary>
    public IReadOnlyList<(CountMark Mark, string Said)> Counts { get; }

    /// <summary>Note name as the house style prints it.</summary>
    public string Name(ReadingNote note) => _octaves.Name(note.Note.Pitch, Style);

    /// <summary>The pair as the house style prints it; "-" when out of reach.</summary>
    public string Label(ReadingNote note) => note.Placement is { } at ? Labels.Pair(at.Pair, _reading.Player) : "-";

    /// <summary>
    /// The counting syllable at a note's beginning; empty for a grace note and where nothing is said.
    /// </summary>
    public string Count(ReadingNote note) => note.Note.IsGrace ? "" : _counts.GetValueOrDefault(note.Note.Id, "");

    /// <summary>The position's printed name where the hand arrives in it; null where it stays.</summary>
    public string? NewPosition(ReadingNote note) =>
        note is { Arrives: true, Placement: { } at } ? _reading.Player.FrameOf(at).Position : null;

    /// <summary>A note as it is spoken of when one stands on it.</summary>
    public NoteSpoken Spoken(ReadingNote note)
    {
        var value = _values.Value.TryGetValue(note.Note.Id, out var e) ? e.Words(Style.ValueNames) : null;
        BowAmount? amount = _amounts.Value.TryGetValue(note.Note.Index, out var a) ? a : null;
        return NoteSpoken.Of(note, _reading.Player, value, amount, _reading.Tune.Bowing.Plucked[note.Note.Index]);
    }

    /// <summary>Why a note is played as it is.</summary>
    public Why Why(ReadingNote note) => Stand.Why.Of(_reading.Fingering, note.Note.Index, note.SignedEarlier);

    /// <summary>Notes that no finger reaches and double stops, a sentence each with its bar.</summary>
    public IReadOnlyList<string> Warnings => _warnings.Value;

    private static string WarningOf(ReadingWarning warning, PlayerReading reading)
    {
        if (warning.OutOfReach.Count == 0)
            return Say("stand.reading.double-stop-only-its-first-note-is", ("bar", warning.Bar.Spoken()));
        var pitches = warning.OutOfReach.Select(p => Labels.NoteAndNumber(p, reading.Player.Style));
        return Say(
            "stand.reading.no-finger-on-the-reaches",
            ("bar", warning.Bar.Spoken()),
            ("instrument", reading.Instrument.Name.ToLowerInvariant()),
            ("pitches", string.Join(", ", pitches))
        );
    }

    /// <summary>
    /// What the reader should know before the first note: octave, meter, what is beyond the class or out of reach.
    /// </summary>
    /// <param name="octaveChosen">The octave is the teacher's choice.</param>
    public IEnumerable<string> BeforeTheFirstNote(bool octaveChosen)
    {
        var beyond = _reading.Notes.Count(n => n is { Fingered.Beyond: true, Placement: not null });
        if (OctaveWords.Moved(_reading.OctavesMoved) is { } moved)
        {
            var why =
                octaveChosen ? Say("stand.reading.as-you-chose")
                : beyond + Warnings.Count > 0 ? Say("stand.reading.the-octave-that-fits-best")
                : Say("stand.reading.so-that-every-note-is-in-reach");
            yield return Say("stand.reading.written-than-printed", ("moved", moved), ("why", why));
        }

        if (Meter() is { } meter)
            yield return meter;
        if (beyond > 0)
            yield return Say(
                "stand.reading.beyond-what-the-class-has-learned",
                (
                    "what",
                    beyond == 1
                        ? Say("stand.reading.one-note-lies")
                        : Say("stand.reading.notes-lie", ("beyond", beyond))
                )
            );
        foreach (var warning in Warnings)
            yield return warning;
    }

    /// <summary>C and cut C are easily taken for a key (craft 1); null for other meters.</summary>
    public string? Meter()
    {
        var (half, quarter) = (new NoteValue(1).Words(Style.ValueNames), new NoteValue(2).Words(Style.ValueNames));
        var halves = Style.ValueNames == ValueNames.American ? Say("stand.reading.meter-note", ("half", half)) : half;
        var key = Say("stand.reading.the-key-comes-from-the-signature", ("key", Labels.Key(_reading.Score.Key, Style)));
        return _reading.Score.Time?.Symbol switch
        {
            TimeSymbol.Common => Say("stand.reading.the-c-on-the-staff-is-a", ("quarter", quarter), ("key", key)),
            TimeSymbol.Cut => Say("stand.reading.the-cut-c-on-the-staff-is", ("halves", halves), ("key", key)),
            _ => null,
        };
    }
}
