using Coppia.Core.Bowing;
using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Reading;

/// <summary>One sounding note as a player reads it.</summary>
/// <param name="Fingered">The note and its pair.</param>
/// <param name="Bow">Direction of its stroke.</param>
/// <param name="BowAgain">Its direction the second time through a repeat, where that differs.</param>
/// <param name="SignedEarlier">An accidental earlier in the bar decides its name.</param>
/// <param name="Arrives">The hand arrives here in another position; first position is no news at the start.</param>
public sealed record ReadingNote(
    FingeredNote Fingered,
    BowDirection Bow,
    BowDirection? BowAgain,
    bool SignedEarlier,
    bool Arrives
)
{
    public SoundingNote Note => Fingered.Note;

    public Placement? Placement => Fingered.Placement;
}

/// <summary>Something that a player should know before relying on a reading.</summary>
/// <param name="Bar">Where.</param>
/// <param name="OutOfReach">Pitches that no finger reaches; empty for a double stop, of which only the first note is
/// fingered.</param>
public sealed record ReadingWarning(Bar Bar, IReadOnlyList<Pitch> OutOfReach);

/// <summary>One tune as one player reads it: what every screen, sheet and export shows.</summary>
/// <param name="Tune">What all players of the tune share.</param>
/// <param name="Player">Who reads.</param>
/// <param name="Score">The tune in the player's clef and octave.</param>
/// <param name="OctavesMoved">Whole octaves the written notes were moved from the print; 0 when they stayed.</param>
/// <param name="ClefChanged">The reader's clef is not the printed one.</param>
/// <param name="Fingering">String and finger of every note.</param>
/// <param name="Notes">Sounding notes in written order.</param>
/// <param name="Shapes">The key's places on each string, lowest string first.</param>
/// <param name="Trouble">The hardest steps.</param>
public sealed record PlayerReading(
    TuneMusic Tune,
    Player Player,
    Score Score,
    int OctavesMoved,
    bool ClefChanged,
    Fingers Fingering,
    IReadOnlyList<ReadingNote> Notes,
    IReadOnlyList<StringShape> Shapes,
    IReadOnlyList<TroubleSpot> Trouble
)
{
    private readonly Lazy<int[]> _firstNotes = new(() => FirstNotes(Score, Notes));

    public Instrument Instrument => Player.Instrument;

    /// <summary>The strings that the tune is played on, lowest first.</summary>
    public IReadOnlyList<int> StringsInUse =>
        [.. Notes.Where(n => n.Placement is not null).Select(n => n.Placement!.Value.String).Distinct().Order()];

    /// <summary>Sound checks on the bowing with these fingers.</summary>
    public BowCheck BowCheck => BowCheck.Of(Fingering, Tune.Bowing);

    /// <summary>What to say before each line of the tune.</summary>
    /// <param name="news">What is new to the class in the tune; null where no record is kept.</param>
    public IEnumerable<IReadOnlyList<Remark>> BeforeLines(News? news = null) =>
        Tune.Form.Lines.Select(l => BeforeLine.Of(this, l.FirstBar, l.EndBar, news));

    /// <summary>
    /// The same fingers as they are to somebody whose hands have learned more since: what is beyond them is less.
    /// </summary>
    /// <param name="now">The same instrument in the same style.</param>
    public PlayerReading SeenBy(Player now)
    {
        var fingering = Fingering.SeenBy(now);
        return this with
        {
            Player = now,
            Fingering = fingering,
            Notes = [.. Notes.Select((n, i) => n with { Fingered = fingering.Notes[i] })],
            Trouble = TroubleSpot.Of(fingering, Tune.Form.Lines),
        };
    }

    /// <summary>The same reading, its steps weighed for a class by what is new to it; the fingers stay.</summary>
    public PlayerReading WeighedFor(ClassKnowledge known) =>
        this with
        {
            Trouble = TroubleSpot.Of(Fingering, Tune.Form.Lines, known),
        };

    /// <param name="printed">The tune as printed.</param>
    /// <param name="printedFor">The instrument it is printed for.</param>
    /// <param name="player">Who reads it.</param>
    /// <param name="pins">Pairs that the teacher fixed, by note id.</param>
    /// <param name="bows">Changes of the printed bowing.</param>
    /// <param name="chosenOctaves">Octaves that the teacher moves the written notes; null lets the tune find its
    /// own.</param>
    /// <exception cref="ImpossiblePinException">A pin cannot sound its note.</exception>
    /// <exception cref="ImpossibleBowEditException">A change of the bowing cannot be made.</exception>
    public static PlayerReading Of(
        Score printed,
        Instrument printedFor,
        Player player,
        IReadOnlyDictionary<string, Pin>? pins = null,
        IReadOnlyCollection<BowEdit>? bows = null,
        int? chosenOctaves = null
    ) => Of(TuneMusic.Of(printed, player.Style, bows), printedFor, player, pins, chosenOctaves);

    /// <param name="tune">The music in the player's house style.</param>
    /// <param name="stop">Nobody waits for it any more.</param>
    /// <inheritdoc
    /// cref="Of(Score, Instrument, Player, IReadOnlyDictionary{string, Pin}?, IReadOnlyCollection{BowEdit}?, int?)"/>
    public static PlayerReading Of(
        TuneMusic tune,
        Instrument printedFor,
        Player player,
        IReadOnlyDictionary<string, Pin>? pins = null,
        int? chosenOctaves = null,
        CancellationToken stop = default
    )
    {
        var own = printedFor.Id == player.Instrument.Id;
        var octaves = chosenOctaves ?? OctavesOf(tune.Notes, printedFor, player);
        var clef = own ? tune.Score.Clef : player.Instrument.FirstClef;
        var score = tune.Score.MovedByOctaves(octaves);
        if (!own)
            score = score.OnClef(clef);
        var sounding = ReferenceEquals(score, tune.Score) ? tune.Notes : SoundingNote.Of(score);
        var fingering = Fingers.Choose(score, sounding, player, pins, stop: stop);
        return new PlayerReading(
            Tune: tune,
            Player: player,
            Score: score,
            OctavesMoved: octaves,
            ClefChanged: clef != tune.Score.Clef,
            Fingering: fingering,
            Notes: Rows(fingering, tune.Bowing),
            Shapes: StringShape.InKey(player, score.Key, MostUsedFrame(fingering)),
            Trouble: TroubleSpot.Of(fingering, tune.Form.Lines)
        );
    }

    /// <summary>How far a tune moves by itself: not at all for the instrument it is printed for.</summary>
    public static int OctavesOf(IReadOnlyList<SoundingNote> printed, Instrument printedFor, Player player) =>
        printedFor.Id == player.Instrument.Id ? 0 : OctaveFit.OctavesFor(printed, player);

    /// <summary>Notes that no finger reaches, and double stops, bar by bar.</summary>
    public IEnumerable<ReadingWarning> Warnings() =>
        Notes
            .Where(n => n.Placement is null)
            .GroupBy(n => n.Note.Bar)
            .Select(g => new ReadingWarning(g.Key, [.. g.Select(n => n.Note.Pitch).Distinct()]))
            .Concat(Score.Bars.Where(b => b.Events.Any(e => e.Chord.Count > 0)).Select(b => new ReadingWarning(b, [])));

    /// <summary>The notes of some bars, in order.</summary>
    /// <param name="firstBar">Order of the first bar, from 0.</param>
    /// <param name="endBar">Order of the bar after the last; past the last bar it is the end.</param>
    public IEnumerable<ReadingNote> NotesIn(int firstBar, int endBar)
    {
        var firsts = _firstNotes.Value;
        for (var i = firsts[firstBar]; i < firsts[Math.Min(endBar, firsts.Length - 1)]; i++)
            yield return Notes[i];
    }

    /// <summary>
    /// For each bar the order of its first note, or of the next one where it has none; then the number of notes.
    /// </summary>
    private static int[] FirstNotes(Score score, IReadOnlyList<ReadingNote> notes)
    {
        var firsts = new int[score.Bars.Count + 1];
        var note = 0;
        for (var bar = 0; bar < score.Bars.Count; bar++)
        {
            firsts[bar] = note;
            while (note < notes.Count && ReferenceEquals(notes[note].Note.Bar, score.Bars[bar]))
                note++;
        }

        firsts[^1] = notes.Count;
        return firsts;
    }

    private static List<ReadingNote> Rows(Fingers fingering, Bows bowing)
    {
        var rows = new List<ReadingNote>(fingering.Notes.Count);
        var player = fingering.Player;
        Bar? bar = null;
        var accidentals = new Accidentals(default);
        int? height = null;
        foreach (var (i, noted) in fingering.Notes.Index())
        {
            var note = noted.Note;
            if (!ReferenceEquals(bar, note.Bar))
            {
                bar = note.Bar;
                accidentals = new Accidentals(bar.Key);
            }

            var earlier =
                accidentals.SignedEarlier(note.Pitch.Step) && accidentals.InForce(note.Pitch.Step) == note.Pitch.Alter;
            accidentals.PrintIfNeeded(note.Pitch);
            var arrives = false;
            if (noted.Placement is { IsOpen: false } at)
            {
                var now = player.FrameOf(at).Height;
                arrives = now != (height ?? player.Instrument.FirstHeight);
                height = now;
            }

            rows.Add(
                new ReadingNote(noted, bowing.Directions[i], bowing.Again[i], SignedEarlier: earlier, Arrives: arrives)
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
        ?? fingering.Player.Instrument.FirstFrame;
}
