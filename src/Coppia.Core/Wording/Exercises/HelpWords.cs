using Coppia.Core.Counting;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Exercises;

/// <summary>A question that leads on, and what is so.</summary>
public sealed record HelpStep(string Ask, string Say);

/// <summary>
/// Help where a learner hesitates: of a note the reading questions one by one (craft 1 and 14), else the rule in steps.
/// </summary>
public static class HelpWords
{
    public static IReadOnlyList<HelpStep> Of(SheetItem item, Player player) =>
        item.Question switch
        {
            NoteQuestion { Kind: QuestionKind.LineOrSpace } q => [.. Reading(q, player).Take(2)],
            NoteQuestion { Kind: QuestionKind.Stem } q => Stem(q, player),
            NoteQuestion { Kind: QuestionKind.Write } q => Writing(q, player),
            NoteQuestion { Kind: QuestionKind.Find } q => Finding(q, player),
            NoteQuestion { Kind: QuestionKind.Finger } q => [.. Reading(q, player), .. Finding(q, player)],
            NoteQuestion q => Reading(q, player),
            SignatureQuestion q => Signature(q, player),
            ShapeQuestion q => Shape(q, player),
            ScaleQuestion q => Scale(q, player.Style),
            BeatQuestion q => Beats(q),
            BarsQuestion { Kind: QuestionKind.Count } => Counting(player.Style),
            BarsQuestion { Kind: QuestionKind.Bow } q => Bowing(q),
            BarsQuestion => Difference,
            PenQuestion q => Pen(q, player),
            _ => [],
        };

    private static List<HelpStep> Reading(NoteQuestion asked, Player player)
    {
        var (note, style) = (asked.Note, player.Style);
        var place = StaffPlace.Of(note, player.Instrument.FirstClef);
        var letter = Bare(note, style);
        var steps = new List<HelpStep>
        {
            new(
                Say("exercises.help.line-or-space"),
                place.OnLine
                    ? Say("exercises.help.a-line-goes-through-its-head")
                    : Say("exercises.help.it-fills-a-space-or-hangs-at")
            ),
            new(Say("exercises.help.which-one-counted-from-the-bottom"), English.Sentence(place.Words())),
            new(
                Say("exercises.help.which-letter-is-that"),
                Say(
                    "exercises.help.clef-has-on-line",
                    ("letter", letter),
                    ("firstClef", player.Instrument.FirstClef.Name),
                    ("clef", Clef(player)),
                    ("line", player.Instrument.FirstClef.Line)
                )
            ),
        };
        var byKey = asked.Key.AlterOf(note.Letter);
        steps.Add(new HelpStep(Say("exercises.help.what-does-the-key-signature-do-to"), ByKey(letter, byKey)));
        if (note.Alter != byKey)
            steps.Add(
                new HelpStep(
                    Say("exercises.help.is-there-a-sign-before-it-or"),
                    Say("exercises.help.yes-and-it-holds-to-the-barline")
                )
            );
        steps.Add(new HelpStep(Say("exercises.help.so-what-is-its-name"), $"{Labels.Note(note, style)}."));
        return steps;
    }

    private static string ByKey(string letter, int alter) =>
        alter == 0
            ? Say("exercises.help.nothing-stays", ("letter", letter))
            : Say(
                "exercises.help.it-makes-every",
                ("letter", letter),
                ("what", alter > 0 ? Say("exercises.help.sharp") : Say("exercises.help.flat"))
            );

    private static string Clef(Player player) => Labels.Note(player.Instrument.FirstClef.SignPitch, player.Style);

    private static string Bare(Pitch note, HouseStyle style) =>
        Labels.Note(new Pitch(note.Letter, 0, note.Octave), style);

    private static HelpStep[] Stem(NoteQuestion asked, Player player)
    {
        var place = StaffPlace.Of(asked.Note, player.Instrument.FirstClef);
        var lies =
            place.StemUp ? Say("exercises.help.below-it")
            : place.Height == StaffPlace.MiddleLine ? Say("exercises.help.it-is-the-middle-line")
            : Say("exercises.help.above-it");
        return
        [
            new(Say("exercises.help.where-is-the-middle-line"), Say("exercises.help.it-is-line-3-counted-from-the")),
            new(Say("exercises.help.does-the-head-lie-below-it-or"), lies),
            new(
                Say("exercises.help.which-way-does-the-stem-go"),
                place.StemUp
                    ? Say("exercises.help.below-up-at-the-right")
                    : Say("exercises.help.on-it-and-above-down-at-the")
            ),
        ];
    }

    private static List<HelpStep> Writing(NoteQuestion asked, Player player)
    {
        var (note, style, clef) = (asked.Note, player.Style, player.Instrument.FirstClef);
        var steps = new List<HelpStep>();
        if (asked is { ByPair: true, Place: { } pair })
        {
            steps.Add(
                new HelpStep(
                    Say("exercises.help.which-note-is-the-open-string"),
                    $"{Labels.Note(player.Instrument.Strings[pair.String], style)}."
                )
            );
            steps.Add(
                new HelpStep(
                    Say("exercises.help.which-letter-lies-under-that-finger"),
                    Say("exercises.help.in-this-key", ("bare", Bare(note, style)), ("note", Labels.Note(note, style)))
                )
            );
        }

        steps.Add(
            new HelpStep(
                Say("exercises.help.where-does-clef-have", ("clef", clef.Name), ("clef2", Clef(player))),
                Say("exercises.help.on-line", ("line", clef.Line))
            )
        );
        steps.Add(
            new HelpStep(
                Say("exercises.help.count-the-letters-from-there-to", ("bare", Bare(note, style))),
                English.Sentence(StaffPlace.Of(note, clef).Words())
            )
        );
        return steps;
    }

    private static HelpStep[] Finding(NoteQuestion asked, Player player)
    {
        if (Answers.To(asked with { Kind = QuestionKind.Find }, player) is not PairAnswer { Place: var at })
            return [];
        var open = player.Instrument.Strings[at.String];
        return
        [
            new(
                Say("exercises.help.which-string"),
                Say("exercises.help.the-string", ("open", Labels.Note(open, player.Style)))
            ),
            new(Say("exercises.help.open-or-which-finger"), $"{Labels.PlaceName(at.Pair, player)}."),
        ];
    }

    private static HelpStep[] Signature(SignatureQuestion asked, Player player)
    {
        var (key, style) = (new KeySignature(asked.Fifths), player.Style);
        var name = Labels.Key(key, style);
        var order = new HelpStep(
            Say("exercises.help.in-which-order-do-the-signs-come"),
            ShapeWords.OrderOfSigns(style)
        );
        if (asked.Written)
        {
            var places = SignaturePlaces.Of(key, player.Instrument.FirstClef).Select(p => p.Words());
            return
            [
                new(
                    Say("exercises.help.sharps-or-flats-and-how-many"),
                    Say("exercises.help.signature-has", ("name", name), ("signature", Labels.Signature(key, style)))
                ),
                order,
                new(Say("exercises.help.where-does-each-stand"), English.Sentence(English.List([.. places]))),
            ];
        }

        var rule =
            key.Fifths > 0 ? Say("exercises.help.the-major-key-lies-a-half-step")
            : key.Fifths < -1 ? Say("exercises.help.the-major-key-is-named-by-the")
            : key.Fifths == -1 ? Say("exercises.help.one-flat-alone-is-learned-by-heart")
            : Say("exercises.help.without-signs-it-is-the-key-of");
        return
        [
            new(Say("exercises.help.sharps-or-flats-and-how-many"), English.Sentence(Labels.Signature(key, style))),
            order,
            new(Say("exercises.help.which-major-key-is-that"), $"{rule} {name}."),
        ];
    }

    private static HelpStep[] Shape(ShapeQuestion asked, Player player)
    {
        var shape = ((ShapeAnswer)Answers.To(asked, player)).Shape;
        var notes = English.List([.. shape.Spots.Select(s => Labels.Note(s.Pitch, player.Style))]);
        var near = shape.HalfSteps.Count == 0 ? Say("exercises.help.none") : English.Sentence(Halves(shape, player));
        return
        [
            new(Say("exercises.help.which-notes-does-the-key-have-on"), $"{notes}."),
            new(Say("exercises.help.where-do-two-of-them-lie-a"), near),
            new(
                Say("exercises.help.which-shape-is-that"),
                $"{English.Capital(ShapeWords.Name(shape, player.Instrument))}."
            ),
        ];
    }

    private static string Halves(Shapes.HandShape shape, Player player)
    {
        return English.List([
            .. shape.HalfSteps.Select(h =>
                Say(
                    "exercises.help.halves-and",
                    ("what", h.Lower == 0 ? Say("exercises.help.the-open-string") : At(h.Lower)),
                    ("at", At(h.Upper))
                )
            ),
        ]);

        string At(int semitones) =>
            Labels.Note(shape.Spots.First(s => s.Placement.Semitones == semitones).Pitch, player.Style);
    }

    private static HelpStep[] Scale(ScaleQuestion asked, HouseStyle style)
    {
        var key = asked.Key.Signature;
        return
        [
            new(Say("exercises.help.which-notes-does-the-key-change"), English.Sentence(Labels.Signature(key, style))),
            new(
                Say("exercises.help.how-does-a-major-scale-go"),
                Say("exercises.help.whole-whole-half-whole-whole-whole")
            ),
            new(
                Say("exercises.help.what-is-a-half-step-under-the"),
                Say("exercises.help.two-fingers-that-touch-or-the-open")
            ),
        ];
    }

    private static HelpStep[] Beats(BeatQuestion asked)
    {
        var time = asked.Row.Bars[0].Time!.Value;
        return
        [
            new(
                Say("exercises.help.what-does-the-upper-number-say"),
                Say("exercises.help.each-bar-holds", ("beats", time.Beats))
            ),
            new(
                Say("exercises.help.what-does-the-lower-number-say"),
                Say("exercises.help.a-beat-is-one-of-parts-of", ("unit", time.Unit))
            ),
            new(
                Say("exercises.help.say-the-beats-aloud-while-you-point"),
                Say("exercises.help.write-the-number-of-beats-over-each")
            ),
        ];
    }

    private static HelpStep[] Counting(HouseStyle style) =>
        [
            new(Say("exercises.help.where-does-beat-1-begin"), Say("exercises.help.right-after-each-barline")),
            new(
                Say("exercises.help.what-does-a-long-note-do"),
                Say("exercises.help.it-goes-on-counting-beat-after-beat")
            ),
            new(Say("exercises.help.what-about-a-rest"), Say("exercises.help.it-is-counted-too-in-brackets")),
            new(
                Say("exercises.help.what-comes-inside-a-beat"),
                Say("exercises.help.two-notes-in-a-beat", ("halves", Halves(style)))
            ),
        ];

    /// <summary>What is said for two eighths on the first beat.</summary>
    private static string Halves(HouseStyle style)
    {
        var half = new Fraction(1, 2);
        return string.Join(
            ' ',
            new[] { Fraction.Zero, half }.Select((within, part) => CountWords.Syllable(Struck(within, part), style))
        );

        CountMark Struck(Fraction within, int part) =>
            new("", Fraction.Zero, CountKind.Struck)
            {
                Beat = 0,
                Within = within,
                Length = new Fraction(1, 8),
                OnEighth = true,
                Rhythm = style.Counting == CountingSystem.Words ? new BeatRhythm("1/2 1/2", part) : null,
            };
    }

    private static HelpStep[] Bowing(BarsQuestion asked) =>
        [
            new(
                Say("exercises.help.how-does-it-begin"),
                asked.Music.Bars[0].IsPickUp
                    ? Say("exercises.help.with-a-pick-up-so-that-the")
                    : Say("exercises.help.down")
            ),
            new(Say("exercises.help.what-does-a-curve-do"), Say("exercises.help.all-notes-under-it-go-in-one")),
            new(Say("exercises.help.what-does-a-lift-do"), Say("exercises.help.the-bow-is-set-anew-and-goes")),
            new(Say("exercises.help.and-else"), Say("exercises.help.down-and-up-take-turns")),
        ];

    private static readonly HelpStep[] Difference =
    [
        new(Say("exercises.help.do-both-bars-have-the-same-rhythm"), Say("exercises.help.tap-the-one-then-the-other")),
        new(Say("exercises.help.do-the-heads-lie-at-the-same"), Say("exercises.help.go-along-both-bars-note-by-note")),
    ];

    private static HelpStep[] Pen(PenQuestion asked, Player player) =>
        asked.Note is { } note
            ?
            [
                new(
                    Say("exercises.help.where-does-it-belong"),
                    English.Sentence(StaffPlace.Of(note, player.Instrument.FirstClef).Words())
                ),
            ]
            : [new(Say("exercises.help.where-do-you-begin"), Say("exercises.help.at-the-top-and-without-haste"))];
}
