namespace Coppia.Core;

public enum RemarkKind { Strings, LowHigh, TwoPlaces, TwoHeights, Touching, KeepDown, Prepare, SetHand, Shift, Signs }

/// <summary>One thing a teacher says before a line.</summary>
/// <param name="Kind">What it is about.</param>
/// <param name="Text">One short sentence.</param>
/// <param name="NoteIds">The notes it points at.</param>
public sealed record Remark(RemarkKind Kind, string Text, IReadOnlyList<string> NoteIds);

/// <summary>What a teacher says before a line is played, the shortest list that matters (handbook 7, common practice).</summary>
public static class BeforeLine
{
    /// <summary>How many notes on are still "within a few notes".</summary>
    private const int AFewNotes = 4;

    /// <param name="reading">The tune as the instrument reads it.</param>
    /// <param name="firstBar">Order of the line's first bar, from 0.</param>
    /// <param name="endBar">Order of the bar after the line.</param>
    public static IReadOnlyList<Remark> Of(Reading reading, int firstBar, int endBar)
    {
        var bars = reading.Score.Bars.Skip(firstBar).Take(endBar - firstBar).ToHashSet(ReferenceEqualityComparer.Instance);
        var line = new LineOfNotes(reading, [.. reading.Notes.Where(n => bars.Contains(n.Note.Bar) && n.Placement is not null)]);
        return
        [
            .. line.Strings(),
            .. line.LowAndHigh(),
            .. line.OneFingerTwoPlaces(AFewNotes),
            .. line.TwoHeights(),
            .. line.Touching(),
            .. line.KeepDown(AFewNotes),
            .. line.Prepare(),
            .. line.SetTheHand(),
            .. line.Shifts(),
            .. SignsToNotice.Of([.. reading.Score.Bars.Skip(firstBar).Take(endBar - firstBar)]),
        ];
    }
}

/// <summary>The reachable notes of one line, and what stands out among them.</summary>
internal sealed class LineOfNotes(Reading reading, IReadOnlyList<ReadingNote> notes)
{
    private readonly Instrument _instrument = reading.Instrument;
    private readonly HouseStyle _style = reading.Style;

    private static Placement At(ReadingNote note) => note.Placement!.Value;

    private string Sign(ReadingNote note) => Labels.FingerSign(At(note), _style);

    private string Name(ReadingNote note) => Labels.Note(note.Note.Pitch, _style);

    private string StringName(int s) => _instrument.StringName(s);

    private string Tape(ReadingNote note) => Tapes.Words(At(note).Semitones, _style.TapesOf(_instrument));

    /// <summary>Neighbouring notes, in order.</summary>
    private IEnumerable<(ReadingNote From, ReadingNote To)> Steps() => notes.Zip(notes.Skip(1));

    public IEnumerable<Remark> Strings()
    {
        var used = notes.Select(n => At(n).String).Distinct().Order().Select(StringName).ToArray();
        if (used.Length > 0) yield return new Remark(RemarkKind.Strings, used.Length == 1 ? $"Only the {used[0]} string." : $"Strings: {Words.List(used)}.", []);
    }

    public IEnumerable<Remark> LowAndHigh() =>
        notes.Where(n => At(n).Word is PlaceWord.Low or PlaceWord.High or PlaceWord.Back or PlaceWord.Forward)
            .GroupBy(n => (At(n).String, Sign: Sign(n), Name: Name(n)))
            .Select(g => new Remark(RemarkKind.LowHigh, $"{g.Key.Sign} on {StringName(g.Key.String)} for {g.Key.Name}: {Tape(g.First())}.", Ids(g)));

    public IEnumerable<Remark> OneFingerTwoPlaces(int within)
    {
        var said = new HashSet<(int, int, int, int)>();
        for (var i = 0; i < notes.Count; i++)
        {
            for (var k = i + 1; k < Math.Min(notes.Count, i + within); k++)
            {
                var (a, b) = (At(notes[i]), At(notes[k]));
                if (a.Finger == 0 || a.Finger != b.Finger || a.String != b.String || a.Semitones == b.Semitones || PositionOf(a) != PositionOf(b)) continue;
                if (!said.Add((a.String, a.Finger, Math.Min(a.Semitones, b.Semitones), Math.Max(a.Semitones, b.Semitones)))) continue;
                yield return new Remark(RemarkKind.TwoPlaces,
                    $"{a.Finger} on {StringName(a.String)} in two places: {PlaceWordOf(a)} for {Name(notes[i])}, {PlaceWordOf(b)} for {Name(notes[k])}; slide it.", Ids([notes[i], notes[k]]));
            }
        }
    }

    public IEnumerable<Remark> TwoHeights() => OncePerText(
        from step in Steps()
        let a = At(step.From)
        let b = At(step.To)
        where a.Finger > 0 && a.Finger == b.Finger && Math.Abs(a.String - b.String) == 1 && a.Semitones != b.Semitones && PositionOf(a) == PositionOf(b)
        select new Remark(RemarkKind.TwoHeights,
            $"{a.Finger} at two heights: {PlaceWordOf(a)} on {StringName(a.String)}, {PlaceWordOf(b)} on {StringName(b.String)}.", Ids([step.From, step.To])));

    /// <summary>Only where fingers are numbered by letter; in a hand frame by semitone neighbours always touch.</summary>
    public IEnumerable<Remark> Touching() => !_instrument.FingersByLetter ? [] : OncePerText(
        from step in Steps()
        let a = At(step.From)
        let b = At(step.To)
        where a.Finger > 0 && b.Finger > 0 && a.String == b.String && Math.Abs(a.Semitones - b.Semitones) == 1 && a.Finger != b.Finger
        select new Remark(RemarkKind.Touching, $"{Math.Min(a.Finger, b.Finger)} and {Math.Max(a.Finger, b.Finger)} touch on {StringName(a.String)}.", Ids([step.From, step.To])));

    public IEnumerable<Remark> KeepDown(int within)
    {
        if (!_instrument.KeepsFingersDown) return [];
        var found = new List<Remark>();
        for (var i = 0; i < notes.Count; i++)
        {
            var held = At(notes[i]);
            if (held.Finger == 0) continue;
            for (var k = i + 2; k < Math.Min(notes.Count, i + within + 1); k++)
            {
                var between = notes.Skip(i + 1).Take(k - i - 1).Select(At).ToArray();
                if (!between.All(p => Math.Abs(p.String - held.String) == 1 && p.Finger != held.Finger)) break;
                if (At(notes[k]) is var back && !back.SamePair(held)) continue;
                found.Add(new Remark(RemarkKind.KeepDown, $"Keep {Sign(notes[i])} down on {StringName(held.String)} while {StringName(between[0].String)} sounds; {Name(notes[i])} comes back.", Ids([notes[i], notes[k]])));
                break;
            }
        }

        return OncePerText(found);
    }

    public IEnumerable<Remark> Prepare() => OncePerText(
        from step in Steps()
        let open = At(step.From)
        let next = At(step.To)
        where open.IsOpen && next.Finger >= 2 && open.String != next.String && step.From.Note.Length >= Fraction.Quarter
        select new Remark(RemarkKind.Prepare, $"During open {StringName(open.String)}, put {Sign(step.To)} on {StringName(next.String)} for {Name(step.To)}.", Ids([step.From, step.To])));

    public IEnumerable<Remark> SetTheHand() => OncePerText(
        from step in Steps()
        let start = At(step.From)
        let to = At(step.To)
        where start.IsOpen && start.String == to.String && to.Finger >= 3
        let fingers = reading.Instrument.Frames[to.Frame].Spots.Where(s => s.Finger <= to.Finger).Select(s => s.Finger.ToString(System.Globalization.CultureInfo.InvariantCulture)).ToArray()
        select new Remark(RemarkKind.SetHand, $"From open {StringName(start.String)} to {Sign(step.To)}: put {Words.List(fingers)} down together.", Ids([step.To])));

    public IEnumerable<Remark> Shifts()
    {
        foreach (var note in notes)
        {
            var index = reading.Notes.Index().First(n => ReferenceEquals(n.Item, note)).Index;
            if (reading.ArrivesIn(index) is null) continue;
            var at = At(note);
            var check = OpenToCheckAgainst(note.Note.Pitch, at.String) is { } open ? $" Check it against open {open}." : "";
            yield return new Remark(RemarkKind.Shift, $"Bar {note.Note.Bar.Number}: to {_instrument.Frames[at.Frame].Spoken}, {Sign(note)} on {StringName(at.String)} for {Name(note)}.{check}", [note.Note.Id]);
        }
    }

    /// <summary>A neighbouring open string that sounds the same note or its octave.</summary>
    private string? OpenToCheckAgainst(Pitch pitch, int s)
    {
        foreach (var other in new[] { s - 1, s + 1 })
        {
            if (other < 0 || other >= _instrument.Strings.Count) continue;
            var apart = Math.Abs(pitch.Midi - _instrument.Strings[other].Midi);
            if (apart is 0 or 12) return $"{StringName(other)} ({(apart == 0 ? "the same note" : "an octave")})";
        }

        return null;
    }

    private string PositionOf(Placement p) => _instrument.Frames[p.Frame].Position;

    private static string PlaceWordOf(Placement p) => p.Word switch
    {
        PlaceWord.Low => "low",
        PlaceWord.High => "high",
        PlaceWord.Back => "reaching back",
        PlaceWord.Forward => "stretched",
        _ => "regular",
    };

    private static string[] Ids(IEnumerable<ReadingNote> about) => [.. about.Select(n => n.Note.Id)];

    private static IEnumerable<Remark> OncePerText(IEnumerable<Remark> remarks) =>
        remarks.GroupBy(r => r.Text).Select(g => g.First() with { NoteIds = [.. g.SelectMany(r => r.NoteIds).Distinct()] });
}
