using Coppia.Core.Counting;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Terms;

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
            NoteQuestion { Kind: ExerciseKind.LineOrSpace } q => [.. Reading(q, player).Take(2)],
            NoteQuestion { Kind: ExerciseKind.Stems } q => Stem(q, player),
            NoteQuestion { Kind: ExerciseKind.WriteIt } q => Writing(q, player),
            NoteQuestion { Kind: ExerciseKind.FindIt } q => Finding(q, player),
            NoteQuestion { Kind: ExerciseKind.FingerIt } q => [.. Reading(q, player), .. Finding(q, player)],
            NoteQuestion q => Reading(q, player),
            SignatureQuestion q => Signature(q, player),
            ShapeQuestion q => Shape(q, player),
            ScaleQuestion q => Scale(q, player.Style),
            BeatQuestion q => Beats(q),
            BarsQuestion { Kind: ExerciseKind.CountIt } => Counting(player.Style),
            BarsQuestion { Kind: ExerciseKind.BowIt } q => Bowing(q),
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
                "Line or space?",
                place.OnLine ? "A line goes through its head." : "It fills a space, or hangs at a line’s edge."
            ),
            new("Which one, counted from the bottom?", English.Sentence(place.Words())),
            new(
                "Which letter is that?",
                $"{letter}: {player.Instrument.FirstClef.Name} clef has {Clef(player)} on line "
                    + $"{player.Instrument.FirstClef.Line}."
            ),
        };
        var byKey = asked.Key.AlterOf(note.Letter);
        steps.Add(
            new HelpStep(
                "What does the key signature do to that letter?",
                byKey == 0
                    ? $"Nothing: {letter} stays {letter}."
                    : $"It makes every {letter} {(byKey > 0 ? "sharp" : "flat")}."
            )
        );
        if (note.Alter != byKey)
            steps.Add(
                new HelpStep("Is there a sign before it, or earlier in the bar?", "Yes, and it holds to the barline.")
            );
        steps.Add(new HelpStep("So what is its name?", $"{Labels.Note(note, style)}."));
        return steps;
    }

    private static string Clef(Player player) => Labels.Note(player.Instrument.FirstClef.SignPitch, player.Style);

    private static string Bare(Pitch note, HouseStyle style) =>
        Labels.Note(new Pitch(note.Letter, 0, note.Octave), style);

    private static HelpStep[] Stem(NoteQuestion asked, Player player)
    {
        var place = StaffPlace.Of(asked.Note, player.Instrument.FirstClef);
        var lies =
            place.StemUp ? "Below it."
            : place.Height == StaffPlace.MiddleLine ? "It is the middle line."
            : "Above it.";
        return
        [
            new("Where is the middle line?", "It is line 3, counted from the bottom."),
            new("Does the head lie below it, or on it and above?", lies),
            new(
                "Which way does the stem go?",
                place.StemUp ? "Below: up, at the right." : "On it and above: down, at the left."
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
                    "Which note is the open string?",
                    $"{Labels.Note(player.Instrument.Strings[pair.String], style)}."
                )
            );
            steps.Add(
                new HelpStep(
                    "Which letter lies under that finger?",
                    $"{Bare(note, style)}: {Labels.Note(note, style)} in this key."
                )
            );
        }

        steps.Add(new HelpStep($"Where does {clef.Name} clef have {Clef(player)}?", $"On line {clef.Line}."));
        steps.Add(
            new HelpStep(
                $"Count the letters from there to {Bare(note, style)}.",
                English.Sentence(StaffPlace.Of(note, clef).Words())
            )
        );
        return steps;
    }

    private static HelpStep[] Finding(NoteQuestion asked, Player player)
    {
        if (Answers.To(asked with { Kind = ExerciseKind.FindIt }, player) is not PairAnswer { Place: var at })
            return [];
        var open = player.Instrument.Strings[at.String];
        return
        [
            new("Which string?", $"The {Labels.Note(open, player.Style)} string."),
            new("Open, or which finger?", $"{Labels.PlaceName(at.Pair, player)}."),
        ];
    }

    private static HelpStep[] Signature(SignatureQuestion asked, Player player)
    {
        var (key, style) = (new KeySignature(asked.Fifths), player.Style);
        var name = Labels.Key(key, style);
        var order = new HelpStep("In which order do the signs come?", ShapeWords.OrderOfSigns(style));
        if (asked.Written)
        {
            var places = SignaturePlaces.Of(key, player.Instrument.FirstClef).Select(p => p.Words());
            return
            [
                new("Sharps or flats, and how many?", $"{name} has {Labels.Signature(key, style)}."),
                order,
                new("Where does each stand?", English.Sentence(English.List([.. places]))),
            ];
        }

        var rule =
            key.Fifths > 0 ? "The major key lies a half step above the last sharp."
            : key.Fifths < -1 ? "The major key is named by the last flat but one."
            : key.Fifths == -1 ? "One flat alone is learned by heart."
            : "Without signs it is the key of C.";
        return
        [
            new("Sharps or flats, and how many?", English.Sentence(Labels.Signature(key, style))),
            order,
            new("Which major key is that?", $"{rule} {name}."),
        ];
    }

    private static HelpStep[] Shape(ShapeQuestion asked, Player player)
    {
        var shape = ((ShapeAnswer)Answers.To(asked, player)).Shape;
        var notes = English.List([.. shape.Spots.Select(s => Labels.Note(s.Pitch, player.Style))]);
        var near = shape.HalfSteps.Count == 0 ? "None." : English.Sentence(Halves(shape, player));
        return
        [
            new("Which notes does the key have on this string?", $"{notes}."),
            new("Where do two of them lie a half step apart?", near),
            new("Which shape is that?", $"{English.Capital(ShapeWords.Name(shape, player.Instrument))}."),
        ];
    }

    private static string Halves(Shapes.HandShape shape, Player player)
    {
        return English.List([
            .. shape.HalfSteps.Select(h => $"{(h.Lower == 0 ? "the open string" : At(h.Lower))} and {At(h.Upper)}"),
        ]);

        string At(int semitones) =>
            Labels.Note(shape.Spots.First(s => s.Placement.Semitones == semitones).Pitch, player.Style);
    }

    private static HelpStep[] Scale(ScaleQuestion asked, HouseStyle style)
    {
        var key = asked.Key.Signature;
        return
        [
            new("Which notes does the key change?", English.Sentence(Labels.Signature(key, style))),
            new("How does a major scale go?", "Whole, whole, half, whole, whole, whole, half."),
            new(
                "What is a half step under the fingers?",
                "Two fingers that touch, or the open string and a finger close to the nut."
            ),
        ];
    }

    private static HelpStep[] Beats(BeatQuestion asked)
    {
        var time = asked.Row.Bars[0].Time!.Value;
        return
        [
            new(
                "What does the upper number say?",
                $"Each bar holds {English.Number(time.Beats)} {(time.Beats == 1 ? "beat" : "beats")}."
            ),
            new("What does the lower number say?", $"A beat is one of {time.Unit} parts of a whole note."),
            new(
                "Say the beats aloud while you point. Where do they end?",
                "Write the number of beats over each note, then add them up."
            ),
        ];
    }

    private static HelpStep[] Counting(HouseStyle style) =>
        [
            new("Where does beat 1 begin?", "Right after each barline."),
            new("What does a long note do?", "It goes on counting, beat after beat."),
            new("What about a rest?", "It is counted too, in brackets."),
            new("What comes inside a beat?", $"Two notes in a beat: {Halves(style)}."),
        ];

    /// <summary>What is said for two eighths on the first beat.</summary>
    private static string Halves(HouseStyle style)
    {
        var half = new Fraction(1, 2);
        return string.Join(
            ' ',
            new[] { Fraction.Zero, half }.Select((within, part) => CountWords.Said(Struck(within, part), style))
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
                "How does it begin?",
                asked.Music.Bars[0].IsPickUp ? "With a pick-up, so that the full bar begins down." : "Down."
            ),
            new("What does a curve do?", "All notes under it go in one direction; with dots the bow stops between."),
            new("What does a lift do?", "The bow is set anew and goes down."),
            new("And else?", "Down and up take turns."),
        ];

    private static readonly HelpStep[] Difference =
    [
        new("Do both bars have the same rhythm?", "Tap the one, then the other."),
        new("Do the heads lie at the same heights?", "Go along both bars, note by note."),
    ];

    private static HelpStep[] Pen(PenQuestion asked, Player player) =>
        asked.Note is { } note
            ? [new("Where does it belong?", English.Sentence(StaffPlace.Of(note, player.Instrument.FirstClef).Words()))]
            : [new("Where do you begin?", "At the top, and without haste.")];
}
