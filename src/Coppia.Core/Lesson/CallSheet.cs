using Coppia.Core.Music;
using Coppia.Core.Reading;

namespace Coppia.Core.Lesson;

/// <summary>What to call to each section of a mixed class, note by note (craft 16, common practice).</summary>
/// <param name="Sections">The tune as each section reads it; sections may read lines of their own.</param>
/// <param name="Lines">The lines of the tune as the first section has them.</param>
public sealed record CallSheet(IReadOnlyList<PlayerReading> Sections, IReadOnlyList<CallLine> Lines)
{
    /// <param name="sections">One reading a section, at least one; all of the same tune.</param>
    public static CallSheet Of(IReadOnlyList<PlayerReading> sections)
    {
        var lead = sections[0];
        var cues = CuesOf(sections);
        var held = new Fraction[sections.Count];
        return new CallSheet(sections, [.. lead.Tune.Form.Lines.Select(l => LineOf(l.FirstBar, l.EndBar))]);

        CallLine LineOf(int first, int end)
        {
            CallMoment[] moments =
            [
                .. Enumerable.Range(first, end - first).SelectMany(b => MomentsIn(sections, b, held, cues)),
            ];
            return new CallLine(first, end, moments, SectionsApart.In(sections.Count, moments));
        }
    }

    /// <summary>The note of a moment as it is printed, on the line of the first section that plays.</summary>
    public Pitch Printed(CallMoment moment)
    {
        var (section, does) = moment.Sections.Index().First(s => s.Item.Note is not null);
        return Sections[section].Tune.Notes[does.Note!.Note.Index].Pitch;
    }

    /// <summary>
    /// How often each moment of a bar is called in all, where the same comes again at once: "open A, four times". Those
    /// that follow the first of their like have 0; grace notes and rests are called by themselves.
    /// </summary>
    /// <param name="call">What is called; equal for what sounds equal.</param>
    public static IReadOnlyList<int> Times(IReadOnlyList<CallMoment> bar, Func<CallMoment, string> call)
    {
        var times = new int[bar.Count];
        for (var i = 0; i < times.Length; )
        {
            var next = i + 1;
            while (next < times.Length && IsLike(bar[i], bar[next]))
                next++;
            times[i] = next - i;
            i = next;
        }

        return times;

        bool IsLike(CallMoment a, CallMoment b) =>
            !a.IsGrace
            && !b.IsGrace
            && !a.IsRest
            && call(a) == call(b)
            && a.Sections.Zip(b.Sections).All(s => s.First.Note?.Note.Pitch == s.Second.Note?.Note.Pitch);
    }

    /// <summary>The moments of one bar, in order.</summary>
    /// <param name="held">Until when each section holds its last note, in whole notes from this bar's barline; is led
    /// on.</param>
    private static IEnumerable<CallMoment> MomentsIn(
        IReadOnlyList<PlayerReading> sections,
        int order,
        Fraction[] held,
        ILookup<(int Section, string NoteId), Cue> cues
    )
    {
        var bar = sections[0].Score.Bars[order];
        var end = bar.StartsAt + bar.Length;
        var begins = BeginningIn(sections, order);
        foreach (var moment in Silences(bar, begins, held))
            At(begins, moment, sections.Count);
        var moments = begins.ToArray();
        foreach (var (i, (moment, notes)) in moments.Index())
        {
            var next = i + 1 < moments.Length ? moments[i + 1].Key.Onset : Max(end, moment.Onset);
            var does = new SectionDoes[sections.Count];
            for (var s = 0; s < does.Length; s++)
            {
                does[s] = new SectionDoes(notes[s], Holds: notes[s] is null && held[s] > moment.Onset);
                if (notes[s] is { Note: { IsGrace: false } note })
                    held[s] = note.Onset + note.Length;
            }

            var called = notes.Index().Where(n => n.Item is not null).SelectMany(n => cues[(n.Index, n.Item!.Note.Id)]);
            yield return new CallMoment(
                bar,
                order,
                moment.Onset,
                next - moment.Onset,
                moment.IsGrace,
                does,
                [.. called]
            );
        }

        for (var s = 0; s < held.Length; s++)
            held[s] -= end;
    }

    /// <summary>The notes that begin in a bar, by their moments, one a section.</summary>
    private static SortedDictionary<Moment, ReadingNote?[]> BeginningIn(
        IReadOnlyList<PlayerReading> sections,
        int order
    )
    {
        var begins = new SortedDictionary<Moment, ReadingNote?[]>();
        foreach (var (s, reading) in sections.Index().Where(r => order < r.Item.Score.Bars.Count))
        {
            var (at, graces) = (Fraction.Zero, 0);
            foreach (var note in reading.NotesIn(order, order + 1))
            {
                graces = note.Note.Onset == at ? graces : 0;
                at = note.Note.Onset;
                var moment = new Moment(at, note.Note.IsGrace ? graces++ : int.MaxValue);
                At(begins, moment, sections.Count)[s] = note;
            }
        }

        return begins;
    }

    /// <summary>The notes that begin at a moment, one a section; none yet where it is new.</summary>
    private static ReadingNote?[] At(SortedDictionary<Moment, ReadingNote?[]> begins, Moment moment, int sections) =>
        begins.TryGetValue(moment, out var found) ? found : begins[moment] = new ReadingNote?[sections];

    /// <summary>Where a rest is printed and no section sounds on, in order.</summary>
    /// <param name="begins">The notes that the sections begin.</param>
    /// <param name="held">Until when each section holds its last note of the bars before.</param>
    private static Moment[] Silences(Bar bar, SortedDictionary<Moment, ReadingNote?[]> begins, Fraction[] held)
    {
        var silences = new List<Moment>();
        using var notes = begins.GetEnumerator();
        var more = notes.MoveNext();
        var until = held.Max();
        foreach (var rest in bar.Events.Where(e => e.IsRest))
        {
            var moment = new Moment(bar.StartsAt + rest.Onset, int.MaxValue);
            for (; more && notes.Current.Key.Onset <= moment.Onset; more = notes.MoveNext())
                until = notes.Current.Value.Select(n => EndOf(n?.Note)).Append(until).Max();
            if (until <= moment.Onset)
                silences.Add(moment);
        }

        return [.. silences];
    }

    /// <summary>A grace note takes no time of its own.</summary>
    private static Fraction EndOf(SoundingNote? note) =>
        note is { IsGrace: false } ? note.Onset + note.Length : Fraction.Zero;

    private static Fraction Max(Fraction a, Fraction b) => a > b ? a : b;

    /// <summary>
    /// By section and note what else is called there: line by line, as it is said before the line. A section whose
    /// fingers do not stay down, the bass, is only told where its hand goes.
    /// </summary>
    private static ILookup<(int Section, string NoteId), Cue> CuesOf(IReadOnlyList<PlayerReading> sections)
    {
        var cues = new List<((int, string) At, Cue Cue)>();
        foreach (var (s, reading) in sections.Index())
        {
            foreach (var line in reading.Tune.Form.Lines)
            {
                var notes = new LineOfNotes(
                    reading,
                    [
                        .. reading
                            .NotesIn(line.FirstBar, line.EndBar)
                            .Where(n => n is { Placement: not null, Note.IsGrace: false }),
                    ]
                );
                IEnumerable<Remark> hand = reading.Instrument.KeepsFingersDown
                    ? [.. notes.EachKeepDown(), .. notes.EachPrepare(), .. notes.EachSetting()]
                    : [];
                cues.AddRange(hand.Concat(notes.Shifts()).Select(r => ((s, r.NoteIds[0]), new Cue(s, r.Fact))));
            }
        }

        return cues.ToLookup(c => c.At, c => c.Cue);
    }

    /// <summary>A moment of a bar; grace notes come before the note they lean on.</summary>
    private readonly record struct Moment(Fraction Onset, int Grace) : IComparable<Moment>
    {
        public bool IsGrace => Grace < int.MaxValue;

        public int CompareTo(Moment other) => (Onset, Grace).CompareTo((other.Onset, other.Grace));
    }
}
