using System.Globalization;
using Coppia.Core.Music;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.MusicXml;

/// <summary>
/// Makes one line of the notes of one voice on one staff of a part; where the voice is silent there are rests.
/// </summary>
internal sealed class MusicXmlLine
{
    /// <summary>Most lines of one part; each has every bar, so that their number must not grow with the text.</summary>
    private const int MostLines = 16;

    private readonly MusicXmlPart _part;
    private readonly LeftOut _leftOut;
    private readonly Dictionary<int, List<TimedNote>> _notes;
    private readonly List<TimedSign> _waiting = [];
    private Clef? _clef;
    private int _expected = 1;

    private MusicXmlLine(
        MusicXmlPart part,
        (int Staff, string Voice) voice,
        Dictionary<int, List<TimedNote>> notes,
        LeftOut leftOut,
        TuneSize size
    ) => (_part, (Staff, Voice), _notes, _leftOut, Draft) = (part, voice, notes, leftOut, new BarDraft(size));

    public int Staff { get; }

    public string Voice { get; }

    public string Key { get; private set; } = "";

    public string Name { get; private set; } = "";

    public BarDraft Draft { get; }

    private int BarsWithNotes => _notes.Values.Count(n => n.Any(x => !x.Event.IsRest));

    /// <summary>The lines of a part that have notes, staff by staff; with silence those that only rest too.</summary>
    public static IReadOnlyList<MusicXmlLine> Of(
        MusicXmlPart part,
        string id,
        string name,
        LeftOut leftOut,
        bool withSilence,
        TuneSize size
    )
    {
        var voices = VoicesOf(part);
        MusicXmlLine[] lines =
        [
            .. voices
                .Select(v => new MusicXmlLine(part, v.Key, v.Value, leftOut, size))
                .Where(l => withSilence || l.BarsWithNotes > 0)
                .OrderByDescending(l => l.BarsWithNotes)
                .Take(MostLines)
                .OrderBy(l => l.Staff)
                .ThenBy(l =>
                    int.TryParse(l.Voice, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : int.MaxValue
                ),
        ];
        if (voices.Count > lines.Length && voices.Count > MostLines)
            leftOut.Add(
                Say("musicxml.line.of-a-part-with-many-voices-only", ("mostLines", MostLines)),
                part.Measures[0].At
            );
        foreach (var line in lines)
        {
            line.SetName(part, id, name, isAlone: lines.Count(l => l.Staff == line.Staff) == 1);
            line.Build();
        }

        return lines;
    }

    /// <summary>The notes of each voice, by the orders of their measures.</summary>
    private static Dictionary<(int Staff, string Voice), Dictionary<int, List<TimedNote>>> VoicesOf(MusicXmlPart part)
    {
        var voices = new Dictionary<(int Staff, string Voice), Dictionary<int, List<TimedNote>>>();
        foreach (var (i, measure) in part.Measures.Index())
        {
            foreach (var note in measure.Notes)
            {
                if (!voices.TryGetValue((note.Staff, note.Voice), out var notes))
                    voices[(note.Staff, note.Voice)] = notes = [];
                if (!notes.TryGetValue(i, out var ofBar))
                    notes[i] = ofBar = [];
                ofBar.Add(note);
            }
        }

        return voices;
    }

    /// <param name="isAlone">It is the only line of its staff.</param>
    private void SetName(MusicXmlPart part, string id, string name, bool isAlone)
    {
        Key = part.Staves == 1 && isAlone ? id : $"{id}/{Staff}{(isAlone ? "" : $"/{Voice}")}";
        Name =
            name
            + (part.Staves == 1 ? "" : Say("musicxml.line.of-staff", ("staff", Staff)))
            + (isAlone ? "" : Say("musicxml.line.of-voice", ("voice", Voice)));
    }

    /// <summary>
    /// The line that a single reader takes: the first whose notes fill at least half as many bars as the fullest has.
    /// </summary>
    public static MusicXmlLine Main(IReadOnlyList<MusicXmlLine> lines)
    {
        var most = lines.Max(l => l.BarsWithNotes);
        return lines.First(l => 2 * l.BarsWithNotes >= most);
    }

    private void Build()
    {
        foreach (var (i, measure) in _part.Measures.Index())
        {
            if (measure.StartsLine)
                Draft.BreakLine();
            var end = new MusicXmlBarEnd(Draft);
            foreach (var barline in measure.Barlines)
                end.Read(barline);
            (Draft.Key, Draft.Time) = (measure.Key, measure.Time);
            if (measure.Label is { } label)
                Draft.Label(label);
            Draft.Mark(measure.Waymarks);
            Number(measure);
            Fill(measure, _notes.GetValueOrDefault(i) ?? []);
            end.End();
            Draft.Clef = _clef ?? Draft.Clef;
        }

        foreach (var sign in _waiting)
            _leftOut.Add(Say("musicxml.line.a-sign-after-the-last-note-is"), _part.Measures[^1].At);
    }

    /// <summary>The source's own numbers, where they are not what counting gives.</summary>
    private void Number(MusicXmlMeasure measure)
    {
        var isFirst = Draft.Bars.Count == 0;
        if (!isFirst && measure.IsImplicit)
        {
            Draft.Uncounted();
            return;
        }

        if (isFirst && measure.IsImplicit)
            return;
        var isPart = measure.Time is { } meter && measure.Length < meter.BarLength;
        // A part of a bar has a number of its own only where one is printed.
        if (
            int.TryParse(measure.Number, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            && (number > _expected || number == _expected && isPart && !isFirst)
        )
        {
            Draft.NextNumber = number;
            _expected = number;
        }

        // A pick-up has no number here, whatever the source says.
        if (!isFirst || !isPart)
            _expected++;
    }

    private void Fill(MusicXmlMeasure measure, List<TimedNote> notes)
    {
        var coming = new Coming(
            new Queue<TimedSign>(_waiting.Concat(measure.Signs.Where(s => s.Staff == Staff)).OrderBy(s => s.Position)),
            new Queue<TimedClef>(measure.Clefs.Where(c => c.Staff == Staff).OrderBy(c => c.Position))
        );
        _waiting.Clear();
        var at = Fraction.Zero;
        foreach (var note in notes.OrderBy(n => n.Position))
        {
            if (note.Position > at)
                Rest(note.Position - at, measure, at, coming);
            else if (note.Position < at)
            {
                _leftOut.Add(Say("musicxml.line.a-note-that-begins-before-the-last"), note.Event.At, measure.Number);
                continue;
            }

            Add(note.Event, note.Position, coming);
            at = note.Position + note.Duration;
        }

        if (notes.Count == 0)
            Silence(measure, coming);
        else if (measure.Length > at)
            Rest(measure.Length - at, measure, at, coming);
        // What stands after the last note belongs to it, or to the next note where it begins something.
        foreach (var sign in coming.Signs)
        {
            if (sign.Begins || !Draft.ChangeLast(sign.Apply))
                _waiting.Add(sign with { Position = Fraction.Zero });
        }

        foreach (var clef in coming.Clefs)
            _clef = clef.Clef;
    }

    /// <summary>What of a measure has not been reached yet.</summary>
    private readonly record struct Coming(Queue<TimedSign> Signs, Queue<TimedClef> Clefs);

    private void Add(ScoreEvent e, Fraction position, Coming coming)
    {
        Clef? change = null;
        while (coming.Clefs.TryPeek(out var clef) && clef.Position <= position)
            change = coming.Clefs.Dequeue().Clef;
        if (change is not null && change != (_clef ?? Draft.Clef))
        {
            if (Draft.BarIsEmpty)
                Draft.Clef = change;
            else
                e = e with { ClefChange = change };
        }

        _clef = change ?? _clef;
        while (coming.Signs.TryPeek(out var sign) && sign.Position <= position)
            e = coming.Signs.Dequeue().Apply(e);
        Draft.Add(e);
    }

    private void Rest(Fraction length, MusicXmlMeasure measure, Fraction from, Coming coming)
    {
        foreach (var value in NoteValue.Split(length) ?? [])
        {
            Add(new ScoreEvent { Value = value, At = measure.At }, from, coming);
            from += value.Length;
        }
    }

    private void Silence(MusicXmlMeasure measure, Coming coming)
    {
        if (measure.Time is not { } time || measure.Length != time.BarLength && !measure.Length.IsZero)
            Rest(measure.Length, measure, Fraction.Zero, coming);
        if (!Draft.BarIsEmpty || measure.Time is null)
            return;
        var rest = new ScoreEvent
        {
            Value = new NoteValue(0),
            IsBarRest = true,
            At = measure.At,
        };
        Add(rest, Fraction.Zero, coming);
    }
}
