using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Core.Reading;

/// <summary>The reachable notes of one line, with their order in the tune, and what stands out among them.</summary>
internal sealed class LineOfNotes(PlayerReading reading, IReadOnlyList<(int Index, ReadingNote Note)> line)
{
    /// <summary>How many notes on are still "within a few notes".</summary>
    private const int AFewNotes = 4;

    /// <summary>Most hints of one kind: more would not be heard.</summary>
    private const int MostOfAKind = 3;

    private readonly Instrument _instrument = reading.Instrument;
    private readonly HouseStyle _style = reading.Style;
    private readonly ReadingNote[] _notes = [.. line.Select(n => n.Note)];

    private static Placement At(ReadingNote note) => note.Placement!.Value;

    private string Sign(ReadingNote note) => Labels.FingerSign(At(note), _style);

    private string Name(ReadingNote note) => Labels.Note(note.Note.Pitch, _style);

    private string StringName(int s) => Labels.Note(_instrument.Strings[s], _style);

    private string PositionOf(Placement p) => _instrument.Frames[p.Frame].Position;

    /// <summary>Neighbouring notes, in order.</summary>
    private IEnumerable<(ReadingNote From, ReadingNote To)> Steps() => _notes.Zip(_notes.Skip(1));

    public IEnumerable<Remark> Strings()
    {
        var used = _notes.Select(n => At(n).String).Distinct().Order().Select(StringName).ToArray();
        if (used.Length > 0)
            yield return new Remark(
                RemarkKind.Strings,
                used.Length == 1 ? $"Only the {used[0]} string." : $"Strings {English.List(used)}.",
                []
            );
    }

    /// <summary>Which fingers a hand frame uses on each string; on violin and viola the touching fingers say it better.</summary>
    public IEnumerable<Remark> Shapes()
    {
        if (_instrument.FingersByLetter)
            yield break;
        var shapes = _notes
            .Where(n => !At(n).IsOpen)
            .GroupBy(n => At(n).String)
            .OrderBy(g => g.Key)
            .Select(g => (String: g.Key, Fingers: g.Select(Sign).Distinct().OrderBy(f => f[^1]).ToArray(), Notes: g.ToArray()))
            .Where(g => g.Fingers.Length > 1)
            .ToArray();
        if (shapes.Length > 0)
            yield return new Remark(
                RemarkKind.Shape,
                $"Hand shape {English.List([.. shapes.Select(s => $"{string.Join('–', s.Fingers)} on {StringName(s.String)}")])}.",
                Ids(shapes.SelectMany(s => s.Notes))
            );
    }

    public IEnumerable<Remark> LowAndHigh() =>
        _notes
            .Where(n => At(n).Word is PlaceWord.Low or PlaceWord.High or PlaceWord.Back or PlaceWord.Forward)
            .GroupBy(n => (Sign: Sign(n), At(n).Semitones))
            .OrderBy(g => g.Key.Semitones)
            .Select(g => new Remark(
                RemarkKind.LowHigh,
                $"{g.Key.Sign}, {Tapes.Words(g.Key.Semitones, _style.TapesOf(_instrument))}: {English.List([.. g.Select(n => $"{Name(n)} on {StringName(At(n).String)}").Distinct()])}.",
                Ids(g)
            ));

    public IEnumerable<Remark> OneFingerSeveralPlaces()
    {
        var places = new SortedDictionary<(int String, int Finger), List<ReadingNote>>();
        for (var i = 0; i < _notes.Length; i++)
        {
            for (var k = i + 1; k < Math.Min(_notes.Length, i + AFewNotes); k++)
            {
                var (a, b) = (At(_notes[i]), At(_notes[k]));
                if (
                    a.Finger == 0
                    || a.Finger != b.Finger
                    || a.String != b.String
                    || a.Semitones == b.Semitones
                    || PositionOf(a) != PositionOf(b)
                )
                    continue;
                if (!places.TryGetValue((a.String, a.Finger), out var found))
                    places[(a.String, a.Finger)] = found = [];
                found.AddRange([_notes[i], _notes[k]]);
            }
        }

        return places.Select(p =>
        {
            var each = p
                .Value.DistinctBy(n => At(n).Semitones)
                .OrderBy(n => At(n).Semitones)
                .Select(n => $"{PlaceWordOf(At(n))} for {Name(n)}")
                .ToArray();
            return new Remark(
                RemarkKind.TwoPlaces,
                $"{p.Key.Finger} on {StringName(p.Key.String)} in {(each.Length == 2 ? "two" : "three")} places, {English.List(each)}: slide it.",
                Ids(p.Value)
            );
        });
    }

    public IEnumerable<Remark> TwoHeights() =>
        OncePerText(
            from step in Steps()
            let a = At(step.From)
            let b = At(step.To)
            where
                a.Finger > 0
                && a.Finger == b.Finger
                && Math.Abs(a.String - b.String) == 1
                && a.Semitones != b.Semitones
                && PositionOf(a) == PositionOf(b)
            let lower = a.String < b.String ? a : b
            let upper = a.String < b.String ? b : a
            select new Remark(
                RemarkKind.TwoHeights,
                $"{a.Finger} at two heights, {PlaceWordOf(lower)} on {StringName(lower.String)} and {PlaceWordOf(upper)} on {StringName(upper.String)}.",
                Ids([step.From, step.To])
            )
        );

    /// <summary>Only where fingers are numbered by letter; in a hand frame by semitone neighbours always touch.</summary>
    public IEnumerable<Remark> Touching() =>
        !_instrument.FingersByLetter
            ? []
            : from step in Steps()
            let a = At(step.From)
            let b = At(step.To)
            where a.Finger > 0 && b.Finger > 0 && a.String == b.String && Math.Abs(a.Semitones - b.Semitones) == 1 && a.Finger != b.Finger
            group (step, a.String) by (Lower: Math.Min(a.Finger, b.Finger), Upper: Math.Max(a.Finger, b.Finger)) into pair
            orderby pair.Key.Lower
            select new Remark(
                RemarkKind.Touching,
                $"{pair.Key.Lower} and {pair.Key.Upper} touch on {English.List([.. pair.Select(p => p.String).Distinct().Order().Select(StringName)])}.",
                Ids(pair.SelectMany(p => new[] { p.step.From, p.step.To }))
            );

    /// <summary>A finger in its closed place that is wanted again after a visit to the neighbouring string. A stretched finger is let go.</summary>
    public IEnumerable<Remark> KeepDown()
    {
        if (!_instrument.KeepsFingersDown)
            return [];
        var found = new List<Remark>();
        for (var i = 0; i < _notes.Length; i++)
        {
            var held = At(_notes[i]);
            if (held.Finger == 0 || held.Word is PlaceWord.Back or PlaceWord.Forward)
                continue;
            for (var k = i + 2; k < Math.Min(_notes.Length, i + AFewNotes + 1); k++)
            {
                var between = _notes[(i + 1)..k].Select(At).ToArray();
                if (
                    !between.All(p => Math.Abs(p.String - held.String) == 1 && p.Finger != held.Finger && PositionOf(p) == PositionOf(held))
                )
                    break;
                if (!At(_notes[k]).SamePair(held))
                    continue;
                found.Add(
                    new Remark(
                        RemarkKind.KeepDown,
                        $"Keep {Sign(_notes[i])} down on {StringName(held.String)} while {StringName(between[0].String)} sounds; {Name(_notes[i])} comes back.",
                        Ids([_notes[i], _notes[k]])
                    )
                );
                break;
            }
        }

        return OncePerText(found).Take(MostOfAKind);
    }

    public IEnumerable<Remark> Prepare() =>
        OncePerText(
                from step in Steps()
                let open = At(step.From)
                let next = At(step.To)
                where open.IsOpen && next.Finger >= 2 && open.String != next.String && step.From.Note.Length >= Fraction.Quarter
                select new Remark(
                    RemarkKind.Prepare,
                    $"During open {StringName(open.String)}, put {Sign(step.To)} on {StringName(next.String)} for {Name(step.To)}.",
                    Ids([step.From, step.To])
                )
            )
            .Take(MostOfAKind);

    /// <summary>A jump to 3 or 4 from the open string or from 1: the fingers between go down with it.</summary>
    public IEnumerable<Remark> SetTheHand() =>
        OncePerText(
                from step in Steps()
                let start = At(step.From)
                let to = At(step.To)
                where start.Finger <= 1 && start.String == to.String && to.Finger >= 3 && PositionOf(start) == PositionOf(to)
                let fingers = _instrument
                    .Frames[to.Frame]
                    .Spots.Where(s => s.Finger > start.Finger && s.Finger <= to.Finger)
                    .Select(s => s.Finger.ToString(CultureInfo.InvariantCulture))
                    .ToArray()
                where fingers.Length > 1
                select new Remark(
                    RemarkKind.SetHand,
                    $"From {(start.IsOpen ? "open" : "1 on")} {StringName(start.String)} to {Sign(step.To)}: put {English.List(fingers)} down together.",
                    Ids([step.To])
                )
            )
            .Take(MostOfAKind);

    public IEnumerable<Remark> Shifts()
    {
        foreach (var (index, note) in line)
        {
            if (reading.ArrivesIn(index) is null)
                continue;
            var at = At(note);
            var check = CheckFor(note.Note.Pitch, at) is { } words ? $" Check {words}." : "";
            yield return new Remark(
                RemarkKind.Shift,
                $"{note.Note.Bar.Spoken}: to {_instrument.Frames[at.Frame].Spoken}, {Sign(note)} on {StringName(at.String)} for {Name(note)}.{check}",
                [note.Note.Id]
            );
        }
    }

    /// <summary>What to check a shift against: the note itself, or else the position's first finger, with a neighbouring open string.</summary>
    private string? CheckFor(Pitch pitch, Placement at)
    {
        if (OpenLike(pitch.Midi, at.String) is { } same)
            return $"it against open {same}";
        var first = _instrument.Frames[at.Frame].Spots[0];
        return OpenLike(_instrument.Strings[at.String].Midi + first.Semitones, at.String) is { } open
            ? $"the hand with {first.Finger} against open {open}"
            : null;
    }

    /// <summary>A neighbouring open string that sounds the same note or its octave.</summary>
    private string? OpenLike(int midi, int s)
    {
        foreach (var other in new[] { s - 1, s + 1 })
        {
            if (other < 0 || other >= _instrument.Strings.Count)
                continue;
            var apart = Math.Abs(midi - _instrument.Strings[other].Midi);
            if (apart is 0 or 12)
                return $"{StringName(other)} ({(apart == 0 ? "the same note" : "an octave")})";
        }

        return null;
    }

    private static string PlaceWordOf(Placement p) =>
        p.Word switch
        {
            PlaceWord.Low => "low",
            PlaceWord.High => "high",
            PlaceWord.Back => "reaching back",
            PlaceWord.Forward => "stretched",
            _ => "regular",
        };

    private static string[] Ids(IEnumerable<ReadingNote> about) => [.. about.Select(n => n.Note.Id).Distinct()];

    private static IEnumerable<Remark> OncePerText(IEnumerable<Remark> remarks) =>
        remarks.GroupBy(r => r.Text).Select(g => g.First() with { NoteIds = [.. g.SelectMany(r => r.NoteIds).Distinct()] });
}
