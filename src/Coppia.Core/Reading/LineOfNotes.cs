using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Reading;

/// <summary>The reachable notes of one line, with their order in the tune, and what stands out among them.</summary>
internal sealed class LineOfNotes(PlayerReading reading, IReadOnlyList<ReadingNote> line)
{
    /// <summary>How many notes on are still "within a few notes".</summary>
    private const int AFewNotes = 4;

    /// <summary>Most hints of one kind: more would not be heard.</summary>
    private const int MostOfAKind = 3;

    private readonly Instrument _instrument = reading.Player.Instrument;

    private static Placement At(ReadingNote note) => note.Placement!.Value;

    private HandFrame FrameOf(in Placement p) => _instrument.Frames[p.Frame];

    private bool SharePosition(in Placement a, in Placement b) => FrameOf(a).SharesPosition(FrameOf(b));

    /// <summary>Neighbouring notes, in order.</summary>
    private IEnumerable<(ReadingNote From, ReadingNote To)> Steps() => line.Zip(line.Skip(1));

    public IEnumerable<Remark> Strings()
    {
        int[] used = [.. line.Select(n => At(n).String).Distinct().Order()];
        if (used.Length > 0)
            yield return new Remark(new StringsUsed(used), []);
    }

    /// <summary>
    /// Which fingers are used on each string, where that tells the shape of the hand: one after the other where the
    /// hand opens or closes on a string, for no hand has a finger closed and stretched at once.
    /// </summary>
    public IEnumerable<Remark> Shapes()
    {
        if (_instrument.ShapeNaming != ShapeNaming.Fingers)
            yield break;
        (Pair[] Fingers, ReadingNote[] Notes)[] all =
        [
            .. line.Where(n => !At(n).IsOpen)
                .GroupBy(n => (At(n).String, At(n).Frame))
                .Select(g =>
                    (Fingers: g.Select(n => At(n).Pair).Distinct().OrderBy(p => p.Finger).ToArray(), Notes: g.ToArray())
                )
                .Where(g => g.Fingers.Length > 1),
        ];
        var shapes = all.Index()
            .Where(s =>
                !all.Index()
                    .Any(o => o.Index != s.Index && Holds(o.Item.Fingers, s.Item.Fingers, orEqual: o.Index < s.Index))
            )
            .Select(s => s.Item)
            .OrderBy(s => s.Fingers[0].String)
            .ToArray();
        if (shapes.Length > 0)
            yield return new Remark(
                new HandOnStrings([.. shapes.Select(s => s.Fingers)]),
                Ids(shapes.SelectMany(s => s.Notes))
            );

        static bool Holds(Pair[] more, Pair[] fewer, bool orEqual) =>
            fewer.All(more.Contains) && (orEqual || more.Length > fewer.Length);
    }

    public IEnumerable<Remark> LowAndHigh() =>
        line.Where(n => At(n).Word is PlaceWord.Low or PlaceWord.High or PlaceWord.Back or PlaceWord.Forward)
            .GroupBy(n => (Finger: At(n).Pair with { String = 0 }, At(n).Semitones))
            .OrderBy(g => g.Key.Semitones)
            .Select(g => new Remark(
                new OffItsPlace(
                    g.Key.Finger,
                    g.Key.Semitones,
                    [.. g.Select(n => (n.Note.Pitch, At(n).String)).Distinct()]
                ),
                Ids(g)
            ));

    public IEnumerable<Remark> OneFingerSeveralPlaces()
    {
        var places = new SortedDictionary<(int String, int Finger), List<ReadingNote>>();
        for (var i = 0; i < line.Count; i++)
        {
            for (var k = i + 1; k < Math.Min(line.Count, i + AFewNotes); k++)
            {
                var (a, b) = (At(line[i]), At(line[k]));
                if (
                    a.IsOpen
                    || (a.String, a.Finger) != (b.String, b.Finger)
                    || a.Semitones == b.Semitones
                    || !SharePosition(a, b)
                )
                    continue;
                if (!places.TryGetValue((a.String, a.Finger), out var found))
                    places[(a.String, a.Finger)] = found = [];
                found.AddRange([line[i], line[k]]);
            }
        }

        return places.Select(p =>
        {
            var each = p.Value.DistinctBy(n => At(n).Semitones).OrderBy(n => At(n).Semitones);
            return new Remark(
                new SeveralPlaces(p.Key.String, p.Key.Finger, [.. each.Select(n => (At(n).Pair, n.Note.Pitch))]),
                Ids(p.Value)
            );
        });
    }

    public IEnumerable<Remark> TwoHeights() =>
        Once(
            from step in Steps()
            let a = At(step.From)
            let b = At(step.To)
            where a.Finger > 0 && a.Finger == b.Finger && a.Semitones != b.Semitones
            where Math.Abs(a.String - b.String) == 1 && SharePosition(a, b)
            let lower = a.String < b.String ? a : b
            let upper = a.String < b.String ? b : a
            select new Remark(new OneFingerTwoHeights(lower.Pair, upper.Pair), Ids([step.From, step.To]))
        );

    /// <summary>Only where that tells shapes apart; under a hand frame by semitone neighbours always touch.</summary>
    public IEnumerable<Remark> Touching() =>
        _instrument.ShapeNaming != ShapeNaming.Touching
            ? []
            : from step in Steps()
            let a = At(step.From)
            let b = At(step.To)
            where a.Finger > 0 && b.Finger > 0 && a.Finger != b.Finger
            where a.String == b.String && Math.Abs(a.Semitones - b.Semitones) == 1
            group (step, a.String) by (
                Lower: Math.Min(a.Finger, b.Finger),
                Upper: Math.Max(a.Finger, b.Finger)
            ) into pair
            orderby pair.Key.Lower
            select new Remark(
                new FingersTouch(pair.Key.Lower, pair.Key.Upper, [.. pair.Select(p => p.String).Distinct().Order()]),
                Ids(pair.SelectMany(p => new[] { p.step.From, p.step.To }))
            );

    public IEnumerable<Remark> KeepDown() => _instrument.KeepsFingersDown ? Once(EachKeepDown()).Take(MostOfAKind) : [];

    /// <summary>
    /// A finger in its closed place that is wanted again after a visit to the neighbouring string, from that note to
    /// the one that comes back. A stretched finger is let go.
    /// </summary>
    public IEnumerable<Remark> EachKeepDown()
    {
        for (var i = 0; i < line.Count; i++)
        {
            var held = At(line[i]);
            if (held.IsOpen || held.Word is PlaceWord.Back or PlaceWord.Forward)
                continue;
            for (var k = i + 2; k < Math.Min(line.Count, i + AFewNotes + 1) && LeavesDown(held, At(line[k - 1])); k++)
            {
                if (!At(line[k]).SamePair(held))
                    continue;
                yield return new Remark(
                    new FingerStays(held.Pair, At(line[i + 1]).String, line[i].Note.Pitch),
                    Ids([line[i], line[k]])
                );
                break;
            }
        }
    }

    /// <summary>A note on the neighbouring string, under another finger of the same position.</summary>
    private bool LeavesDown(in Placement held, in Placement other) =>
        Math.Abs(other.String - held.String) == 1 && other.Finger != held.Finger && SharePosition(other, held);

    public IEnumerable<Remark> Prepare() => Once(EachPrepare()).Take(MostOfAKind);

    /// <summary>
    /// A finger that is put down during an open string, from that note to the one it plays; not one that has stayed
    /// down for it.
    /// </summary>
    public IEnumerable<Remark> EachPrepare()
    {
        var stays = _instrument.KeepsFingersDown ? EachKeepDown().Select(r => r.NoteIds[^1]).ToHashSet() : [];
        return from step in Steps()
            let open = At(step.From)
            let next = At(step.To)
            where
                open.IsOpen
                && next.Finger >= 2
                && open.String != next.String
                && step.From.Note.Length >= Fraction.Quarter
            where !stays.Contains(step.To.Note.Id)
            select new Remark(new FingerReady(open.String, next.Pair, step.To.Note.Pitch), Ids([step.From, step.To]));
    }

    public IEnumerable<Remark> SetTheHand() => Once(EachSetting()).Take(MostOfAKind);

    /// <summary>
    /// A jump to 3 or 4 from the open string or from 1, on the note it reaches: the fingers between go down with it.
    /// </summary>
    public IEnumerable<Remark> EachSetting() =>
        from step in Steps()
        let start = At(step.From)
        let to = At(step.To)
        where start.Finger <= 1 && to.Finger >= 3 && start.String == to.String && SharePosition(start, to)
        let fingers = new FingerSet(
            FrameOf(to).Spots.Select(s => s.Finger).Where(f => f > start.Finger && f <= to.Finger)
        )
        where fingers.Count > 1
        select new Remark(new FingersTogether(start.IsOpen, to.Pair, fingers), Ids([step.To]));

    public IEnumerable<Remark> Shifts() =>
        from note in line
        where note.Arrives
        let at = At(note)
        select new Remark(
            new HandArrives(note.Note.Bar, at, note.Note.Pitch, CheckFor(note.Note.Pitch, at)),
            [note.Note.Id]
        );

    /// <summary>
    /// What to check a shift against: the note itself, or else the position's first finger, with a neighbouring open
    /// string.
    /// </summary>
    private ShiftCheck? CheckFor(Pitch pitch, Placement at)
    {
        if (OpenLike(pitch.Midi, at.String) is { } same)
            return same;
        var first = FrameOf(at).Spots[0];
        return OpenLike(_instrument.Strings[at.String].Midi + first.Semitones, at.String) is { } open
            ? open with
            {
                WithFinger = first.Finger,
            }
            : null;
    }

    /// <summary>A neighbouring open string that sounds the same note or its octave.</summary>
    private ShiftCheck? OpenLike(int midi, int s)
    {
        foreach (var other in new[] { s - 1, s + 1 })
        {
            if (other < 0 || other >= _instrument.Strings.Count)
                continue;
            var apart = Math.Abs(midi - _instrument.Strings[other].Midi);
            if (apart is 0 or 12)
                return new ShiftCheck(other, IsOctave: apart == 12, WithFinger: null);
        }

        return null;
    }

    private static string[] Ids(IEnumerable<ReadingNote> about) => [.. about.Select(n => n.Note.Id).Distinct()];

    /// <summary>Remarks that say the same are one, about the notes of all.</summary>
    private static IEnumerable<Remark> Once(IEnumerable<Remark> remarks) =>
        remarks.GroupBy(r => r.Fact).Select(g => new Remark(g.Key, [.. g.SelectMany(r => r.NoteIds).Distinct()]));
}
