using System.Globalization;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Counting;

public enum CountKind
{
    Struck,
    Held,
    Rest,
}

/// <summary>One counting syllable and where it stands.</summary>
/// <param name="EventId">The printed note or rest it belongs to.</param>
/// <param name="Offset">How far into that note or rest, in whole notes.</param>
/// <param name="Text">What is said: "1", "&amp;", "ti", "lan".</param>
/// <param name="Kind">Said with a new note, while a note is held, or in a rest (printed in brackets).</param>
public sealed record CountMark(string EventId, Fraction Offset, string Text, CountKind Kind);

/// <summary>
/// The counting row in the school's system (handbook 9, common practice): every new note, every beat that is held, every beat of rest. Whatever the system,
/// the beginning of each beat is said exactly once.
/// </summary>
public static class Counts
{
    public static IReadOnlyList<CountMark> Of(Score score, HouseStyle style)
    {
        var marks = new List<CountMark>();
        var tied = false;
        foreach (var bar in score.Bars)
        {
            var beat = BeatOf(bar.Time, style);
            var words = style.Counting == CountingSystem.Words ? BeatWords(bar, beat, tied, style) : [];
            foreach (var e in bar.Events)
            {
                var at = bar.StartsAt + e.Onset;
                var kind =
                    e.IsRest ? CountKind.Rest
                    : tied ? CountKind.Held
                    : CountKind.Struck;
                var first = words.GetValueOrDefault(e.Id) ?? Said(kind, e.Value, at, beat, style.Counting);
                if (first.Length > 0)
                    marks.Add(new CountMark(e.Id, Fraction.Zero, first, kind));
                var end = at + e.Length;
                for (var n = at.WholeTimes(beat) + 1; ; n++)
                {
                    var later = new Fraction(n, 1) * beat;
                    if (later >= end)
                        break;
                    var goesOn = e.IsRest ? CountKind.Rest : CountKind.Held;
                    marks.Add(new CountMark(e.Id, later - at, Said(goesOn, e.Value, later, beat, style.Counting), goesOn));
                }

                tied = e.TiedOn;
            }
        }

        return marks;
    }

    /// <summary>The length of one counted beat. A word holds a whole felt beat, in compound time a dotted one.</summary>
    public static Fraction BeatOf(TimeSignature? time, HouseStyle style) =>
        time is not { } t ? Fraction.Quarter
        : t.IsCompound && (style.Compound == CompoundCounting.DottedBeats || style.Counting == CountingSystem.Words) ? t.FeltBeat
        : t.Beat;

    private static string Said(CountKind kind, NoteValue value, Fraction at, Fraction beat, CountingSystem system)
    {
        var beats = at / beat;
        var whole = beats.Numerator / beats.Denominator;
        var within = new Fraction(beats.Numerator % beats.Denominator, beats.Denominator);
        return system switch
        {
            CountingSystem.Numbers => within.IsZero ? Number(whole) : Between(within, "e", "&", "a", "&", "a"),
            CountingSystem.Te => within.IsZero ? Number(whole) : Between(within, "ta", "te", "ta", "la", "li"),
            _ when kind == CountKind.Rest => within.IsZero || value.Length < beat ? "sh" : "",
            _ when kind == CountKind.Held => within.IsZero
                ? system == CountingSystem.Ta
                    ? "a"
                    : "–"
                : "",
            _ => Ta(value.Length / beat, within),
        };
    }

    /// <summary>Syllables inside a beat: its sixteenths and the halves between, or its thirds. Finer moments have none.</summary>
    private static string Between(Fraction within, string first, string half, string last, string third, string twoThirds) =>
        (within.Numerator, within.Denominator) switch
        {
            (1, 4) => first,
            (1, 2) => half,
            (3, 4) => last,
            (1, 3) => third,
            (2, 3) => twoThirds,
            _ => "",
        };

    /// <summary>ta, ti-ti, tika-tika; thirds of a beat are tri-o-la.</summary>
    private static string Ta(Fraction length, Fraction within)
    {
        if (within.Denominator == 3 || length.Denominator == 3)
            return within.Numerator switch
            {
                0 => "tri",
                1 => "o",
                _ => "la",
            };
        if (length >= Fraction.Whole)
            return "ta";
        if (length > new Fraction(1, 2))
            return "tim";
        if (length == new Fraction(1, 2))
            return "ti";
        return within.Denominator >= 4 ? "ka" : "ti";
    }

    /// <summary>For every beat that new notes fill by themselves, the syllables of its word; a longer note takes the word of a whole beat.</summary>
    private static Dictionary<string, string> BeatWords(Bar bar, Fraction beat, bool tiedIn, HouseStyle style)
    {
        var said = new Dictionary<string, string>();
        foreach (var group in bar.Events.Index().GroupBy(e => (bar.StartsAt + e.Item.Onset).WholeTimes(beat)))
        {
            var events = group.ToArray();
            if (events.Any(e => e.Item.IsRest || IsTiedIn(e.Index)) || !OnTheBeat(events[0].Item, group.Key))
                continue;
            var lengths = events.Select(e => e.Item.Length / beat).ToArray();
            var alone = events.Length == 1 && lengths[0] >= Fraction.Whole;
            var total = lengths.Aggregate(Fraction.Zero, (sum, l) => sum + l);
            if (!alone && total != Fraction.Whole)
                continue;
            var pattern = alone ? "1" : string.Join(' ', lengths.Select(l => l.ToString()));
            if (WordRhythms.Syllables(pattern, style) is not { } syllables)
                continue;
            foreach (var (e, syllable) in events.Zip(syllables))
                said[e.Item.Id] = syllable;
        }

        return said;

        bool IsTiedIn(int index) => index == 0 ? tiedIn : bar.Events[index - 1].TiedOn;
        bool OnTheBeat(ScoreEvent e, long whole) => bar.StartsAt + e.Onset == new Fraction(whole, 1) * beat;
    }

    private static string Number(long beatsBefore) => (beatsBefore + 1).ToString(CultureInfo.InvariantCulture);
}
