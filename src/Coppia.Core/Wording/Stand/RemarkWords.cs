using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Stand;

/// <summary>What a teacher says before a line, a short sentence each (craft 7).</summary>
/// <param name="player">Whose strings, positions and tapes are named.</param>
/// <param name="waymarks">All waymarks of the tune, which tell how far a da capo goes.</param>
public sealed class RemarkWords(Player player, Waymarks waymarks)
{
    /// <summary>Most bars whose numbers are read for one sign.</summary>
    private const int MostNamed = 4;

    private HouseStyle Style => player.Style;

    public string Of(Remark remark) =>
        remark.Fact switch
        {
            StringsUsed { Strings: [var only] } => $"Only the {String(only)} string.",
            StringsUsed used => $"Strings {English.List([.. used.Strings.Select(String)])}.",
            HandOnStrings hand => HandShapes(hand),
            OffItsPlace off => OffItsPlace(off),
            SeveralPlaces several => SeveralPlaces(several),
            OneFingerTwoHeights heights =>
                $"{heights.Lower.Finger} at two heights, {PlaceOn(heights.Lower)} and {PlaceOn(heights.Upper)}.",
            FingersTouch touch =>
                $"{touch.Lower} and {touch.Upper} touch on {English.List([.. touch.Strings.Select(String)])}.",
            FingerStays stays =>
                $"Keep {Sign(stays.Held)} down on {String(stays.Held.String)} while the {String(stays.Sounding)} "
                    + "string sounds; "
                    + $"{Name(stays.Pitch)} comes back.",
            FingerReady ready => $"During open {String(ready.Open)}, "
                + $"put {Sign(ready.Next)} on {String(ready.Next.String)} for {Name(ready.Pitch)}.",
            FingersTogether together =>
                $"From {(together.FromOpen ? "open" : "1 on")} {String(together.To.String)} to {Sign(together.To)}: "
                    + $"put {English.List([.. together.Fingers.Fingers.Select(Figure)])} down together.",
            HandArrives arrives => Arrives(arrives),
            NewToClass fresh => new NewsWords(Style).Sentence(fresh.News),
            SignsInLine signs => $"Look for: {string.Join(", ", signs.Signs.Select(s => SignInBars(s.Sign, s.Bars)))}.",
            _ => throw new ArgumentOutOfRangeException(nameof(remark), remark, "There are no words for this remark."),
        };

    /// <summary>"Hand shape 1–3–4 on D and 1–3–4 on A."; "Hand shape 1–3 on D; 1–3–4, then x1–3 on A."</summary>
    private string HandShapes(HandOnStrings hand)
    {
        string[] each =
        [
            .. hand
                .Fingers.GroupBy(f => f[0].String)
                .Select(s => $"{string.Join(", then ", s.Select(Shape))} on {String(s.Key)}"),
        ];
        var several = each.Length < hand.Fingers.Count;
        return $"Hand shape {(several ? string.Join("; ", each) : English.List(each))}.";

        string Shape(IReadOnlyList<Pair> fingers) => string.Join('–', fingers.Select(Sign));
    }

    private string OffItsPlace(OffItsPlace off)
    {
        var notes = off.Notes.Select(n => $"{Name(n.Pitch)} on {String(n.String)}").Distinct();
        return $"{Sign(off.Finger)}, {TapeWords.Of(off.Semitones, Style.TapesOf(player.Instrument))}: "
            + $"{English.List([.. notes])}.";
    }

    private string SeveralPlaces(SeveralPlaces several)
    {
        string[] each = [.. several.Places.Select(p => $"{Place(p.Pair)} for {Name(p.Pitch)}")];
        return $"{several.Finger} on {String(several.String)} in {English.Number(each.Length)} places, "
            + $"{English.List(each)}: slide it.";
    }

    private string Arrives(HandArrives arrives)
    {
        var at = arrives.At;
        var check = arrives.Check is { } against ? $" Check {Check(against)}." : "";
        return $"{arrives.Bar.Spoken()}: to {player.FrameOf(at).Spoken}, {Sign(at.Pair)} on {String(at.String)} "
            + $"for {Name(arrives.Pitch)}.{check}";
    }

    private string Check(ShiftCheck check)
    {
        var what = check.WithFinger is { } finger ? $"the hand with {finger}" : "it";
        return $"{what} against open {String(check.Open)} ({(check.IsOctave ? "an octave" : "the same note")})";
    }

    private string SignInBars(Sign sign, IReadOnlyList<int> bars)
    {
        var where =
            bars.Count > MostNamed
                ? $"{bars.Count} bars"
                : string.Join(", ", bars.Select(n => n == 0 ? "pick-up" : Figure(n)));
        return $"{SignName(sign)} ({where})";
    }

    private string SignName(Sign sign) =>
        sign.Kind switch
        {
            SignKind.Words => $"“{sign.Text}”",
            SignKind.Repeat => sign.Times > 2 ? $"repeat, {English.Number(sign.Times)} times in all" : "repeat",
            SignKind.Waymark => WaymarkWords.Printed(sign.Mark, waymarks),
            SignKind.Ending => $"ending {sign.Text}",
            SignKind.Dynamic => sign.Text ?? "",
            SignKind.Rest => "rest",
            SignKind.Slur => "slur",
            SignKind.Dots => "dots",
            SignKind.Accent => "accent",
            SignKind.Fermata => "fermata",
            _ => "lift",
        };

    private string PlaceOn(Pair pair) => $"{Place(pair)} on {String(pair.String)}";

    private static string Place(Pair pair) =>
        pair.Word switch
        {
            PlaceWord.Low => "low",
            PlaceWord.High => "high",
            PlaceWord.Back => "reaching back",
            PlaceWord.Forward => "stretched",
            _ => "regular",
        };

    private static string Figure(int n) => n.ToString(CultureInfo.InvariantCulture);

    private string Sign(Pair pair) => Labels.FingerSign(pair, Style);

    private string Name(Pitch pitch) => Labels.Note(pitch, Style);

    private string String(int s) => Labels.Note(player.Instrument.Strings[s], Style);
}
