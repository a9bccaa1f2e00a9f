namespace Coppia.Core.Music;

/// <summary>Signs printed on one note.</summary>
[Flags]
public enum Marks
{
    None = 0,
    Staccato = 1,
    Tenuto = 2,
    Accent = 4,
    StrongAccent = 8,
    Fermata = 16,
    UpBow = 32,
    DownBow = 64,

    /// <summary>A lift (retake, comma) after the note: the next stroke starts down again.</summary>
    LiftAfter = 128,
    Trill = 256,

    /// <summary>A wedge: shorter than a dot.</summary>
    Wedge = 512,

    /// <summary>A small circle or 0: the open string.</summary>
    OpenString = 1 << 10,
    Harmonic = 1 << 11,
    Thumb = 1 << 12,

    /// <summary>The roll of folk tunes (~).</summary>
    Roll = 1 << 13,
    LowerMordent = 1 << 14,
    UpperMordent = 1 << 15,
    Turn = 1 << 16,
    InvertedTurn = 1 << 17,

    /// <summary>Slid into from below.</summary>
    Slide = 1 << 18,

    /// <summary>Plucked by the left hand (+).</summary>
    LeftHandPluck = 1 << 19,
    SnapPluck = 1 << 20,
    Arpeggio = 1 << 21,
}

/// <summary>A wedge under the staff that opens or closes.</summary>
public enum Hairpin
{
    None,
    Louder,
    Softer,
}

/// <summary>A grace note before a main note; it takes no time of its own.</summary>
public sealed record GraceNote(string Id, Pitch Pitch, NoteValue Value, bool Slashed);

/// <summary>A note or a rest in a bar, as printed.</summary>
public sealed record ScoreEvent
{
    /// <summary>Stable name made of bar and order (<c>b3n2</c>); the same source always gives the same ids.</summary>
    public string Id { get; init; } = "";

    /// <summary>The written pitch; null for a rest.</summary>
    public Pitch? Pitch { get; init; }

    /// <summary>Further pitches sounding together (a double stop).</summary>
    public IReadOnlyList<Pitch> Chord { get; init; } = [];

    public NoteValue Value { get; init; } = NoteValue.Quarter;

    /// <summary>A rest that fills its bar whatever the bar's length.</summary>
    public bool IsBarRest { get; init; }

    /// <summary>Moment within the bar, in whole notes from the barline.</summary>
    public Fraction Onset { get; init; }

    /// <summary>Sounding length; differs from the value's only for a bar rest.</summary>
    public Fraction Length { get; init; }

    /// <summary>The note is tied to the next one.</summary>
    public bool TiedOn { get; init; }

    /// <summary>How many slurs begin and end on this note.</summary>
    public int SlurStarts { get; init; }

    public int SlurStops { get; init; }

    public bool TupletStart { get; init; }

    public bool TupletStop { get; init; }

    public Marks Marks { get; init; }

    /// <summary>Which way the source draws its stem; null where it leaves that to the engraver.</summary>
    public bool? StemUp { get; init; }

    /// <summary>A printed finger number, 0–4.</summary>
    public int? PrintedFinger { get; init; }

    /// <summary>The finger that takes over on the same note where two are printed (1-2), 0–4.</summary>
    public int? PrintedFingerTo { get; init; }

    /// <summary>Dynamic sign at this note (p, mf …), or null.</summary>
    public string? Dynamic { get; init; }

    /// <summary>Words above the staff at this note (a tempo word, pizz., arco), or null.</summary>
    public string? Words { get; init; }

    /// <summary>A hairpin that begins on this note.</summary>
    public Hairpin Hairpin { get; init; }

    /// <summary>The hairpin that was open ends with this note.</summary>
    public bool HairpinStop { get; init; }

    /// <summary>
    /// Words to sing, one text a verse; a syllable whose word goes on ends with a hyphen, one that is missing is empty.
    /// </summary>
    public IReadOnlyList<string> Lyrics { get; init; } = [];

    /// <summary>A clef printed before this note in the middle of its bar, or null.</summary>
    public Clef? ClefChange { get; init; }

    public IReadOnlyList<GraceNote> Graces { get; init; } = [];

    public SourcePosition At { get; init; }

    public bool IsRest => Pitch is null;

    /// <summary>How many slurs go on after it; a slur sign that stands on a rest binds no notes.</summary>
    /// <param name="before">How many were open before it.</param>
    public int OpenSlurs(int before) => IsRest ? before : Math.Max(0, before + SlurStarts - SlurStops);

    public bool Has(Marks mark) => (Marks & mark) != 0;
}

/// <summary>How a bar ends.</summary>
public enum Barline
{
    Plain,
    Double,
    Final,
    None,
}

/// <summary>One printed bar.</summary>
public sealed record Bar
{
    /// <summary>
    /// Printed number; a pick-up is 0, and a bar that is not counted has the number of the one before.
    /// </summary>
    public int Number { get; init; }

    /// <summary>The number that the source prints where counting on would give another one; null elsewhere.</summary>
    public int? SourceNumber { get; init; }

    /// <summary>
    /// The second half of a bar that a repeat or a line break cuts in two; it has no number of its own.
    /// </summary>
    public bool IsUncounted { get; init; }

    /// <summary>Letter or word of the part that begins here (a rehearsal mark), or null.</summary>
    public string? Label { get; init; }

    public string Id { get; init; } = "";

    public IReadOnlyList<ScoreEvent> Events { get; init; } = [];

    /// <summary>The clef at its beginning.</summary>
    public Clef Clef { get; init; } = Clef.Treble;

    /// <summary>The clef at its end.</summary>
    public Clef ClefAtEnd => Events.LastOrDefault(e => e.ClefChange is not null)?.ClefChange ?? Clef;

    public KeySignature Key { get; init; }

    /// <summary>The time signature in force; null in free meter.</summary>
    public TimeSignature? Time { get; init; }

    public bool RepeatStart { get; init; }

    public bool RepeatEnd { get; init; }

    /// <summary>How often the section that ends here is played in all, 2 to 8.</summary>
    public int RepeatTimes { get; init; } = 2;

    /// <summary>Da capo, segno and their kind.</summary>
    public Waymarks Waymarks { get; init; }

    /// <summary>Number of the ending that begins here ("1", "2", "1,2"), or null.</summary>
    public string? EndingStart { get; init; }

    public bool EndingStop { get; init; }

    public Barline Barline { get; init; } = Barline.Plain;

    /// <summary>The source starts a new line of music after this bar.</summary>
    public bool LineBreakAfter { get; init; }

    public bool IsPickUp { get; init; }

    public SourcePosition At { get; init; }

    /// <summary>The clef in which one of its events is read.</summary>
    public Clef ClefOf(ScoreEvent e) =>
        Events.TakeWhile(x => x.Onset <= e.Onset).LastOrDefault(x => x.ClefChange is not null)?.ClefChange ?? Clef;

    /// <summary>Sum of the lengths of what the bar holds, in whole notes.</summary>
    public Fraction Length => Events.Aggregate(Fraction.Zero, (sum, e) => sum + e.Length);

    /// <summary>
    /// It fills up the bar before it, which a repeat, an ending or a double bar cut in two: an upbeat in the middle of
    /// a tune.
    /// </summary>
    public bool IsUpbeat { get; init; }

    /// <summary>
    /// It is counted among the bars: a whole one, or the first part of one; no pick-up, and not the rest of a bar that
    /// was cut.
    /// </summary>
    public bool IsCounted => !IsPickUp && !IsUncounted && !IsUpbeat;

    /// <summary>
    /// How far into a full bar this bar's first event lies: a pick-up starts late, and so does the rest of a bar that
    /// was cut.
    /// </summary>
    public Fraction StartsAt =>
        !IsCounted && Time is { } time && Length < time.BarLength ? time.BarLength - Length : Fraction.Zero;
}

/// <summary>What is printed: one voice of one part. Pitches are as written, not as sounding.</summary>
public sealed record Score
{
    /// <summary>Most notes and rests a tune may have.</summary>
    public const int MostEvents = 20_000;

    /// <summary>Most notes and rests of one bar, grace notes included: far more than the freest cadenza has.</summary>
    public const int MostInBar = 1_000;

    public string Title { get; init; } = "";

    public string? Composer { get; init; }

    /// <summary>The instrument the source names, by its everyday name, or null.</summary>
    public string? InstrumentName { get; init; }

    public Clef Clef { get; init; } = Clef.Treble;

    public KeySignature Key { get; init; }

    public TimeSignature? Time { get; init; }

    /// <summary>Beats a minute and the value of one beat, where the source gives them.</summary>
    public (Fraction Beat, int PerMinute)? Tempo { get; init; }

    /// <summary>Tempo word or words ("Allegretto"), or null.</summary>
    public string? TempoWords { get; init; }

    /// <summary>The labels of the parts in the order in which they are played (AABA), or null.</summary>
    public string? PartOrder { get; init; }

    public IReadOnlyList<Bar> Bars
    {
        get;
        init
        {
            field = value;
            Waymarks = value.Aggregate(Waymarks.None, (all, b) => all | b.Waymarks);
        }
    } = [];

    /// <summary>All waymarks of the tune together.</summary>
    public Waymarks Waymarks { get; private init; }

    public IEnumerable<ScoreEvent> Events => Bars.SelectMany(b => b.Events);

    /// <summary>The same score with every pitch, grace and chord note moved by whole octaves.</summary>
    public Score MovedByOctaves(int octaves) =>
        octaves == 0
            ? this
            : this with
            {
                Bars = [.. Bars.Select(b => b with { Events = Moved(b.Events, e => Moved(e, octaves)) })],
            };

    private static ScoreEvent Moved(ScoreEvent e, int octaves) =>
        e with
        {
            Pitch = e.Pitch?.AddOctaves(octaves),
            Chord = Moved(e.Chord, p => p.AddOctaves(octaves)),
            Graces = Moved(e.Graces, g => g with { Pitch = g.Pitch.AddOctaves(octaves) }),
        };

    /// <summary>
    /// Each of a few things moved; most notes have no chord and no graces, and nothing is made for those.
    /// </summary>
    private static IReadOnlyList<T> Moved<T>(IReadOnlyList<T> things, Func<T, T> move)
    {
        if (things.Count == 0)
            return things;
        var moved = new T[things.Count];
        for (var i = 0; i < moved.Length; i++)
            moved[i] = move(things[i]);
        return moved;
    }

    /// <summary>The same score on another clef throughout.</summary>
    public Score OnClef(Clef clef) =>
        this with
        {
            Clef = clef,
            Bars =
            [
                .. Bars.Select(b =>
                    b with
                    {
                        Clef = clef,
                        Events = [.. b.Events.Select(e => e.ClefChange is null ? e : e with { ClefChange = null })],
                    }
                ),
            ],
        };
}
