using Coppia.Core.Bowing;
using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Exercises;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Terms;

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
            DifferenceJudgement =>
                "These two are alike here. Compare the bars note by note from the left: the height first, "
                    + "then the length.",
            PenJudgement p => p.Kind == MistakeKind.PenAstray
                ? "Some of the ink lies away from the sign. Follow its line slowly."
                : "A part of the sign is missing. Go over all of it.",
            _ => "",
        };
    }

    private static string Right(Judgement judgement, SheetItem item, Player player)
    {
        if (judgement is PenJudgement pen)
            return pen.OnPaper
                ? "On paper, then: lay it beside the model and compare."
                : "Yes, the ink lies on the sign.";
        var answer = QuestionWords.Answer(item, player);
        return answer.Length is > 0 and < 60 ? $"Yes, {answer}." : "Yes.";
    }

    private static string OfStem(StemJudgement judgement)
    {
        var lies =
            judgement.Place.Height == StaffPlace.MiddleLine ? "is on the middle line"
            : judgement.Place.StemUp ? "lies below the middle line"
            : "lies above the middle line";
        return judgement.Kind == MistakeKind.StemSide
            ? "The direction is right. An up stem stands at the right of its head, a down stem at its left."
            : $"This head {lies}: the stem goes "
                + $"{(judgement.Place.StemUp ? "up, at the right" : "down, at the left")} of it.";
    }

    private static string OfSignature(SignatureJudgement judgement, Player player)
    {
        var (style, key) = (player.Style, judgement.Key);
        var signs = key.Fifths < 0 ? "flats" : "sharps";
        var letter = judgement.Letter is { } l ? Labels.Note(new Pitch(l, 0, 4), style) : "";
        var name = Labels.Key(key, style);
        return judgement.Kind switch
        {
            MistakeKind.OtherSigns => $"Look at the sign itself: {name} has {signs}.",
            MistakeKind.LastSign when key.Fifths > 0 =>
                $"That is the last sharp. The key lies a half step above it: {name}.",
            MistakeKind.LastSign when key.Fifths == -1 => $"That is the flat itself. One flat is {name}.",
            MistakeKind.LastSign => $"That is the last flat. The key is named by the flat before it: {name}.",
            MistakeKind.RelativeMinor => $"The minor key has these signs too. The major key is {name}.",
            MistakeKind.SignLetter when key.AlterOf(judgement.Letter!.Value) != 0 =>
                $"The key is right. Its signature changes {letter} too: {Labels.Signature(key, style)}.",
            MistakeKind.SignLetter =>
                $"The key is right, but it leaves {letter} as it is: {Labels.Signature(key, style)}.",
            MistakeKind.SignOrder => $"The right letters in another order. {ShapeWords.OrderOfSigns(style)}",
            MistakeKind.SignPlace => $"The right letter, but this sign is written {Where(judgement)} in "
                + $"{player.Instrument.FirstClef.Name} clef.",
            MistakeKind.OneStep => $"One step off: {letter} is {Where(judgement)}.",
            MistakeKind.OtherClef =>
                $"That is how another clef has it. This is {player.Instrument.FirstClef.Name} clef.",
            MistakeKind.SignCount => $"Count the signs once more: {name} has {Labels.Signature(key, style)}.",
            _ => $"Not this one: {name} has {Labels.Signature(key, style)}.",
        };
    }

    private static string Where(SignatureJudgement judgement) => judgement.Place is { } place ? At(place) : "elsewhere";

    /// <summary>"on line 3", "in space 1", "just below the staff".</summary>
    private static string At(StaffPlace place) =>
        place.OnStaff ? (place.OnLine ? "on " : "in ") + place.Words() : place.Words();

    private static string OfShape(ShapeJudgement judgement, Player player)
    {
        if (judgement.Kind == MistakeKind.OtherShape)
        {
            var name = ShapeWords.Name(judgement.Shape, player.Instrument);
            return $"Another shape: this one is {name}. Look at which fingers stand close together.";
        }

        if (judgement.Spot is { } spot)
        {
            var finger = Labels.FingerSign(spot.Placement.Pair, player.Style);
            var place = $"{Labels.Note(spot.Pitch, player.Style)} with {finger}";
            if (judgement.Semitones is not { } put)
                return $"One finger is missing: {place}.";
            var off = put > spot.Placement.Semitones ? "too high" : "too low";
            return $"Finger {spot.Placement.Finger} is a half step {off}: the key has {place}.";
        }

        return "One spot too many: the key has no note there.";
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
            return $"The scale begins on this {Labels.Note(notes[0], style)}{place}.";
        }

        var (from, to) = (Labels.Note(notes[judgement.Degree - 1], style), Labels.Note(notes[judgement.Degree], style));
        var size = judgement.IsHalf ? "a half step: they lie close together" : "a whole step";
        return judgement.Kind switch
        {
            MistakeKind.HalfSteps => $"The notes are right. From {from} to {to} is {size}.",
            MistakeKind.StepTooSmall => $"Too near: after {from} comes {to}, {size}.",
            _ => $"Too far: after {from} comes {to}, {size}.",
        };
    }

    private static string OfBeats(BeatJudgement judgement, SheetItem item)
    {
        var (holds, wanted) = (Beats(judgement.Holds / judgement.Beat), Beats(judgement.Wanted / judgement.Beat));
        if (item.Answer is SumAnswer)
            return $"Count along: the bar holds {holds}, and the meter wants {wanted}.";
        var bar = item.Answer is BarlinesAnswer ? $"Bar {judgement.Bar + 1} then holds" : "With it the bar holds";
        return judgement.Kind == MistakeKind.ForgotDot
            ? $"Nearly: the dot adds half of the value again. Without it the bar holds {holds}, not {wanted}."
            : $"{bar} {holds}; the meter wants {wanted}.";
    }

    /// <summary>"3 beats", "1 beat", "3½ beats".</summary>
    private static string Beats(Fraction beats) =>
        $"{English.Mixed(beats)} {(beats > Fraction.Whole || beats.IsZero ? "beats" : "beat")}";

    private static string OfCount(CountJudgement judgement, HouseStyle style)
    {
        var said = CountWords.Said(judgement.Mark, style);
        var beat = judgement.Mark.Beat + 1;
        return judgement.Kind switch
        {
            MistakeKind.RestCount => $"A rest is counted too, in brackets: here ({said}).",
            MistakeKind.HeldCount => $"A long note goes on counting: here {said}.",
            _ when judgement.Mark.Within.IsZero => $"Beat {beat} begins here: {said}.",
            _ => $"This note comes inside beat {beat}: {said}.",
        };
    }

    private static string OfBow(BowJudgement judgement)
    {
        var way = judgement.Way == BowDirection.Down ? "down" : "up";
        var note = $"note {judgement.Note + 1}";
        return judgement.Kind switch
        {
            MistakeKind.FirstStroke => "A tune without a pick-up begins down.",
            MistakeKind.PickUpStroke =>
                $"It begins with a pick-up: bow it {way}, so that the first full bar begins down.",
            MistakeKind.SlurStroke => $"Notes under one curve share a stroke: {note} goes on {way}.",
            MistakeKind.AfterLift => $"After a lift the bow is set anew: {note} is {way}.",
            _ => $"Each new stroke turns the bow: {note} is {way}.",
        };
    }
}
