using Coppia.Core.Bowing;
using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Exercises;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Drills;

/// <summary>
/// What happened in an answer, said to the learner; the mistake, not the learner, is spoken of (craft 14).
/// </summary>
public static class JudgementWords
{
    /// <summary>One or two sentences.</summary>
    public static string Of(Judgement judgement, SheetItem item, Player player)
    {
        if (judgement.IsRight)
            return Right(judgement, item, player);
        return judgement switch
        {
            Diagnosis d => DiagnosisWords.Of(d, player),
            StemJudgement s => OfStem(s),
            SignatureJudgement s => OfSignature(s, player),
            ShapeJudgement s => OfShape(s, player),
            ScaleJudgement s => OfScale(s, player),
            BeatJudgement b => OfBeats(b, item),
            CountJudgement c => OfCount(c, player.Style),
            BowJudgement b => OfBow(b),
            DifferenceJudgement => Say("drills.judgement.these-two-are-alike-here-compare-the"),
            PenJudgement p => p.Kind == MistakeKind.PenAstray
                ? Say("drills.judgement.some-of-the-ink-lies-away-from")
                : Say("drills.judgement.a-part-of-the-sign-is-missing"),
            _ => "",
        };
    }

    private static string Right(Judgement judgement, SheetItem item, Player player)
    {
        if (judgement is PenJudgement pen)
            return pen.OnPaper
                ? Say("drills.judgement.on-paper-then-lay-it-beside-the")
                : Say("drills.judgement.yes-the-ink-lies-on-the-sign");
        var answer = QuestionWords.Answer(item, player);
        return answer.Length is > 0 and < 60
            ? Say("drills.judgement.right-yes", ("answer", answer))
            : Say("drills.judgement.yes");
    }

    private static string OfStem(StemJudgement judgement)
    {
        var lies =
            judgement.Place.Height == StaffPlace.MiddleLine ? Say("drills.judgement.is-on-the-middle-line")
            : judgement.Place.StemUp ? Say("drills.judgement.lies-below-the-middle-line")
            : Say("drills.judgement.lies-above-the-middle-line");
        return judgement.Kind == MistakeKind.StemSide
            ? Say("drills.judgement.the-direction-is-right-an-up-stem")
            : Say(
                "drills.judgement.this-head-the-stem-goes-of-it",
                ("lies", lies),
                (
                    "what",
                    judgement.Place.StemUp
                        ? Say("drills.judgement.up-at-the-right")
                        : Say("drills.judgement.down-at-the-left")
                )
            );
    }

    private static string OfSignature(SignatureJudgement judgement, Player player)
    {
        var (style, key) = (player.Style, judgement.Key);
        var name = Labels.Key(key, style);
        return judgement.Kind switch
        {
            MistakeKind.OtherSigns => Say(
                "drills.judgement.look-at-the-sign-itself-has",
                ("name", name),
                ("signs", key.Fifths < 0 ? Say("drills.judgement.flats") : Say("drills.judgement.sharps"))
            ),
            MistakeKind.LastSign => Say(
                key.Fifths switch
                {
                    > 0 => "drills.judgement.that-is-the-last-sharp-the-key",
                    -1 => "drills.judgement.that-is-the-flat-itself-one-flat",
                    _ => "drills.judgement.that-is-the-last-flat-the-key",
                },
                ("name", name)
            ),
            MistakeKind.RelativeMinor => Say("drills.judgement.the-minor-key-has-these-signs-too", ("name", name)),
            MistakeKind.SignCount => Say(
                "drills.judgement.count-the-signs-once-more-has",
                ("name", name),
                ("signature", Labels.Signature(key, style))
            ),
            MistakeKind.SignLetter
            or MistakeKind.SignOrder
            or MistakeKind.SignPlace
            or MistakeKind.OneStep
            or MistakeKind.OtherClef => OfSigns(judgement, player),
            _ => Say("drills.judgement.not-this-one-has", ("name", name), ("signature", Labels.Signature(key, style))),
        };
    }

    /// <summary>The key is right, and one of its signs is not.</summary>
    private static string OfSigns(SignatureJudgement judgement, Player player)
    {
        var (style, key, clef) = (player.Style, judgement.Key, player.Instrument.FirstClef.Name);
        var letter = judgement.Letter is { } l ? Labels.Note(new Pitch(l, 0, 4), style) : "";
        return judgement.Kind switch
        {
            MistakeKind.SignLetter => Say(
                key.AlterOf(judgement.Letter!.Value) != 0
                    ? "drills.judgement.the-key-is-right-its-signature"
                    : "drills.judgement.the-key-is-right-but-it-leaves",
                ("letter", letter),
                ("signature", Labels.Signature(key, style))
            ),
            MistakeKind.SignOrder => Say(
                "drills.judgement.the-right-letters-in-another-order",
                ("orderOfSigns", ShapeWords.OrderOfSigns(style))
            ),
            MistakeKind.SignPlace => Say(
                "drills.judgement.the-right-letter-but-this-sign-is",
                ("where", Where(judgement)),
                ("firstClef", clef)
            ),
            MistakeKind.OneStep => Say(
                "drills.judgement.one-step-off-is",
                ("letter", letter),
                ("where", Where(judgement))
            ),
            _ => Say("drills.judgement.that-is-how-another-clef-has-it", ("firstClef", clef)),
        };
    }

    private static string Where(SignatureJudgement judgement) =>
        judgement.Place is { } place ? At(place) : Say("drills.judgement.elsewhere");

    /// <summary>"on line 3", "in space 1", "just below the staff".</summary>
    private static string At(StaffPlace place) =>
        place.OnStaff
            ? (place.OnLine ? Say("drills.judgement.on") : Say("drills.judgement.in")) + place.Words()
            : place.Words();

    private static string OfShape(ShapeJudgement judgement, Player player)
    {
        if (judgement.Kind == MistakeKind.OtherShape)
        {
            var name = ShapeWords.Name(judgement.Shape, player.Instrument);
            return Say("drills.judgement.another-shape-this-one-is-look-at", ("name", name));
        }

        if (judgement.Spot is { } spot)
        {
            var finger = Labels.FingerSign(spot.Placement.Pair, player.Style);
            var place = Say(
                "drills.judgement.of-shape-with",
                ("pitch", Labels.Note(spot.Pitch, player.Style)),
                ("finger", finger)
            );
            if (judgement.Semitones is not { } put)
                return Say("drills.judgement.one-finger-is-missing", ("place", place));
            var off =
                put > spot.Placement.Semitones ? Say("drills.judgement.too-high") : Say("drills.judgement.too-low");
            return Say(
                "drills.judgement.finger-is-a-half-step-the-key",
                ("finger", spot.Placement.Finger),
                ("off", off),
                ("place", place)
            );
        }

        return Say("drills.judgement.one-spot-too-many-the-key-has");
    }

    private static string OfScale(ScaleJudgement judgement, Player player)
    {
        var style = player.Style;
        var notes = judgement.Scale.Notes;
        if (judgement.Degree == 0)
        {
            var place = judgement.Scale.Reading.Notes[0].Placement is { } at
                ? $": {English.LowerFirst(Labels.PlaceName(at.Pair, player))}"
                : "";
            return Say(
                "drills.judgement.the-scale-begins-on-this",
                ("notes", Labels.Note(notes[0], style)),
                ("place", place)
            );
        }

        var (from, to) = (Labels.Note(notes[judgement.Degree - 1], style), Labels.Note(notes[judgement.Degree], style));
        var size = judgement.IsHalf
            ? Say("drills.judgement.a-half-step-they-lie-close-together")
            : Say("drills.judgement.a-whole-step");
        return judgement.Kind switch
        {
            MistakeKind.HalfSteps => Say(
                "drills.judgement.the-notes-are-right-from-to-is",
                ("from", from),
                ("to", to),
                ("size", size)
            ),
            MistakeKind.StepTooSmall => Say(
                "drills.judgement.too-near-after-comes",
                ("from", from),
                ("to", to),
                ("size", size)
            ),
            _ => Say("drills.judgement.too-far-after-comes", ("from", from), ("to", to), ("size", size)),
        };
    }

    private static string OfBeats(BeatJudgement judgement, SheetItem item)
    {
        var (holds, wanted) = (Beats(judgement.Holds / judgement.Beat), Beats(judgement.Wanted / judgement.Beat));
        if (item.Answer is SumAnswer)
            return Say("drills.judgement.count-along-the-bar-holds-and-the", ("holds", holds), ("wanted", wanted));
        var bar =
            item.Answer is BarlinesAnswer
                ? Say("drills.judgement.bar-then-holds", ("bar", judgement.Bar + 1))
                : Say("drills.judgement.with-it-the-bar-holds");
        return judgement.Kind == MistakeKind.ForgotDot
            ? Say("drills.judgement.nearly-the-dot-adds-half-of-the", ("holds", holds), ("wanted", wanted))
            : Say("drills.judgement.the-meter-wants", ("bar", bar), ("holds", holds), ("wanted", wanted));
    }

    /// <summary>"3 beats", "1 beat", "3½ beats".</summary>
    private static string Beats(Fraction beats) =>
        Say(
            beats > Fraction.Whole || beats.IsZero ? "drills.judgement.beats" : "drills.judgement.beat",
            ("beats", English.Mixed(beats))
        );

    private static string OfCount(CountJudgement judgement, HouseStyle style)
    {
        var said = CountWords.Syllable(judgement.Mark, style);
        var beat = judgement.Mark.Beat + 1;
        return judgement.Kind switch
        {
            MistakeKind.RestCount => Say("drills.judgement.a-rest-is-counted-too-in-brackets", ("said", said)),
            MistakeKind.HeldCount => Say("drills.judgement.a-long-note-goes-on-counting-here", ("said", said)),
            _ when judgement.Mark.Within.IsZero => Say(
                "drills.judgement.beat-begins-here",
                ("beat", beat),
                ("said", said)
            ),
            _ => Say("drills.judgement.this-note-comes-inside-beat", ("beat", beat), ("said", said)),
        };
    }

    private static string OfBow(BowJudgement judgement)
    {
        var way = judgement.Way == BowDirection.Down ? Say("drills.judgement.down") : Say("drills.judgement.up");
        var note = Say("drills.judgement.of-bow-note", ("note", judgement.Note + 1));
        return judgement.Kind switch
        {
            MistakeKind.FirstStroke => Say("drills.judgement.a-tune-without-a-pick-up-begins"),
            MistakeKind.PickUpStroke => Say("drills.judgement.it-begins-with-a-pick-up-bow", ("way", way)),
            MistakeKind.SlurStroke => Say(
                "drills.judgement.notes-under-one-curve-share-a-stroke",
                ("note", note),
                ("way", way)
            ),
            MistakeKind.AfterLift => Say("drills.judgement.after-a-lift-the-bow-is-set", ("note", note), ("way", way)),
            _ => Say("drills.judgement.each-new-stroke-turns-the-bow-is", ("note", note), ("way", way)),
        };
    }
}
