using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Fingering;
using Coppia.Core.Form;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;
using Coppia.Core.Wording;

namespace Coppia.Core.Reading;

/// <summary>Everything that is shown for one sounding note.</summary>
/// <param name="Fingered">The note and its pair.</param>
/// <param name="Name">Note name as the house style prints it.</param>
/// <param name="Label">The pair as the house style prints it; "-" when out of reach.</param>
/// <param name="Bow">Direction of its stroke.</param>
/// <param name="Count">The counting syllable at its beginning; empty for a grace note.</param>
/// <param name="BowAgain">Its direction the second time through a repeat, where that differs.</param>
/// <param name="SignedEarlier">An accidental earlier in the bar decides its name.</param>
public sealed record ReadingNote(
    FingeredNote Fingered,
    string Name,
    string Label,
    BowDirection Bow,
    BowDirection? BowAgain,
    string Count,
    bool SignedEarlier
)
{
    public SoundingNote Note => Fingered.Note;

    public Placement? Placement => Fingered.Placement;
}

/// <summary>One tune as one instrument reads it in one house style: what every screen, sheet and export shows.</summary>
/// <param name="Score">The tune in this instrument's clef and octave.</param>
/// <param name="Instrument">Who reads.</param>
/// <param name="Style">House style used.</param>
/// <param name="OctavesMoved">Whole octaves the written notes were moved from the print; 0 when they stayed.</param>
/// <param name="ClefChanged">The reader's clef is not the printed one.</param>
/// <param name="Notes">Sounding notes in written order.</param>
/// <param name="Counts">The counting row, rests and held beats included.</param>
/// <param name="Shapes">The key's places on each string, lowest string first.</param>
/// <param name="Fingering">The fingering the notes come from.</param>
/// <param name="Order">Bars in the order of playing.</param>
/// <param name="Bowing">Every stroke in the order of playing.</param>
/// <param name="Travels">Where each stroke goes along the bow.</param>
/// <param name="Form">How the tune is built.</param>
/// <param name="Trouble">Its hardest steps.</param>
public sealed record PlayerReading(
    Score Score,
    Instrument Instrument,
    HouseStyle Style,
    int OctavesMoved,
    bool ClefChanged,
    IReadOnlyList<ReadingNote> Notes,
    IReadOnlyList<CountMark> Counts,
    IReadOnlyList<StringShape> Shapes,
    Fingers Fingering,
    IReadOnlyList<PlayedBar> Order,
    Bows Bowing,
    IReadOnlyList<BowTravel> Travels,
    TuneForm Form,
    IReadOnlyList<TroubleSpot> Trouble
)
{
    /// <param name="printed">The tune as printed.</param>
    /// <param name="printedFor">The instrument it is printed for.</param>
    /// <param name="instrument">The instrument that reads it.</param>
    /// <param name="bows">Changes of the printed bowing.</param>
    /// <param name="chosenOctaves">Octaves that the teacher moves the written notes; null lets the tune find its own.</param>
    /// <exception cref="ImpossiblePinException">A pin cannot sound its note.</exception>
    /// <exception cref="ImpossibleBowEditException">A change of the bowing cannot be made.</exception>
    public static PlayerReading Of(
        Score printed,
        Instrument printedFor,
        Instrument instrument,
        HouseStyle style,
        IReadOnlyDictionary<string, Pin>? pins = null,
        IReadOnlyCollection<BowEdit>? bows = null,
        int? chosenOctaves = null
    )
    {
        var own = printedFor.Id == instrument.Id;
        var octaves = chosenOctaves ?? OctavesOf(printed, printedFor, instrument);
        var clef = own ? printed.Clef : instrument.FirstClef;
        var score = BowEdits.Apply(printed, bows ?? []).MovedByOctaves(octaves);
        if (!own)
            score = score.OnClef(clef);

        var fingering = Fingers.Choose(score, instrument, style, pins);
        var order = PlayOrder.Of(score);
        SoundingNote[] sounding = [.. fingering.Notes.Select(n => n.Note)];
        var bowing = Bows.Follow(sounding, score.Bars, order, style.AfterLongRest);
        var counts = Counting.Counts.Of(score, style);
        var form = TuneForm.Of(score, sounding, order, style);
        return new PlayerReading(
            score,
            instrument,
            style,
            octaves,
            clef != printed.Clef,
            Rows(fingering, bowing, counts, style),
            counts,
            StringShape.InKey(instrument, score.Key, MostUsedFrame(fingering)),
            fingering,
            order,
            bowing,
            BowPlace.Along(sounding, bowing.Strokes, style.LoudBow),
            form,
            TroubleSpot.Of(fingering, form.Lines, style)
        );
    }

    /// <summary>How far a tune moves by itself: not at all for the instrument it is printed for.</summary>
    public static int OctavesOf(Score printed, Instrument printedFor, Instrument instrument) =>
        printedFor.Id == instrument.Id ? 0 : OctaveFit.OctavesFor(printed, instrument);

    /// <summary>Notes that no finger reaches, and notes beyond what the class has learned, each in a sentence with its bar.</summary>
    public IEnumerable<string> Warnings()
    {
        foreach (var group in Notes.Where(n => n.Placement is null).GroupBy(n => n.Note.Bar.Spoken))
            yield return $"{group.Key}: no finger on the {Instrument.Name.ToLowerInvariant()} reaches {string.Join(", ", group.Select(n => Labels.NoteAndNumber(n.Note.Pitch, Style)).Distinct())}.";
        foreach (var bar in Score.Bars.Where(b => b.Events.Any(e => e.Chord.Count > 0)))
            yield return $"{bar.Spoken}: double stop; only its first note is given a string and finger.";
    }

    /// <summary>The position's name where a finger first plays after the hand moved; null where it stays. First position is not named at the start.</summary>
    public string? ArrivesIn(int index)
    {
        if (Notes[index].Placement is not { IsOpen: false } at)
            return null;
        var position = Instrument.Frames[at.Frame].Position;
        for (var i = index - 1; i >= 0; i--)
        {
            if (Notes[i].Placement is { IsOpen: false } before)
                return Instrument.Frames[before.Frame].Height == Instrument.Frames[at.Frame].Height ? null : position;
        }

        return position == "I" ? null : position;
    }

    private static IReadOnlyList<ReadingNote> Rows(Fingers fingering, Bows bowing, IReadOnlyList<CountMark> counts, HouseStyle style)
    {
        var sounding = fingering.Notes.Select(n => n.Note).ToArray();
        var said = counts.Where(c => c.Offset.IsZero).ToDictionary(c => c.EventId, c => c.Text);
        var octaves = sounding
            .GroupBy(n => n.Pitch.Letter)
            .ToDictionary(g => g.Key, g => (IReadOnlyList<int>)[.. g.Select(n => n.Pitch.Octave).Distinct().Order()]);
        var rows = new List<ReadingNote>(sounding.Length);
        Bar? bar = null;
        var accidentals = new Accidentals(default);
        foreach (var (i, noted) in fingering.Notes.Index())
        {
            var note = noted.Note;
            if (!ReferenceEquals(bar, note.Bar))
            {
                bar = note.Bar;
                accidentals = new Accidentals(bar.Key);
            }

            var earlier = accidentals.SignedEarlier(note.Pitch.Step) && accidentals.InForce(note.Pitch.Step) == note.Pitch.Alter;
            accidentals.NeedsSign(note.Pitch);
            rows.Add(
                new ReadingNote(
                    noted,
                    Labels.NoteInOctave(note.Pitch, octaves[note.Pitch.Letter], style),
                    noted.Placement is { } at ? Labels.Pair(at, fingering.Instrument, style) : "-",
                    bowing.Directions[i],
                    bowing.Again[i],
                    note.IsGrace ? "" : said.GetValueOrDefault(note.Id, ""),
                    earlier
                )
            );
        }

        return rows;
    }

    private static int MostUsedFrame(Fingers fingering) =>
        fingering
            .Notes.Where(n => n.Placement is { IsOpen: false } && !n.Beyond)
            .GroupBy(n => n.Placement!.Value.Frame)
            .OrderByDescending(g => g.Count())
            .ThenBy(g => g.Key)
            .Select(g => (int?)g.Key)
            .FirstOrDefault()
        ?? fingering.Instrument.Frames.Index().First(f => f.Item.Position == "I").Index;
}
