using System.Globalization;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

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
            StringsUsed { Strings: [var only] } => Say("stand.remark.only-the-string", ("only", String(only))),
            StringsUsed used => Say(
                "stand.remark.of-strings",
                ("strings", English.List([.. used.Strings.Select(String)]))
            ),
            HandOnStrings hand => HandShapes(hand),
            OffItsPlace off => OffItsPlace(off),
            SeveralPlaces several => SeveralPlaces(several),
            OneFingerTwoHeights heights => Say(
                "stand.remark.at-two-heights-and",
                ("finger", heights.Lower.Finger),
                ("placeOn", PlaceOn(heights.Lower)),
                ("placeOn2", PlaceOn(heights.Upper))
            ),
            FingersTouch touch => Say(
                "stand.remark.and-touch-on",
                ("lower", touch.Lower),
                ("upper", touch.Upper),
                ("strings", English.List([.. touch.Strings.Select(String)]))
            ),
            HandArrives arrives => Arrives(arrives),
            NewToClass fresh => new NewsWords(Style).Sentence(fresh.News),
            SignsInLine signs => Say(
                "stand.remark.look-for",
                ("signs", string.Join(", ", signs.Signs.Select(s => SignInBars(s.Sign, s.Bars))))
            ),
            _ => Prepared(remark),
        };

    /// <summary>A finger that stays, or is there before it is needed.</summary>
    private string Prepared(Remark remark) =>
        remark.Fact switch
        {
            FingerStays stays => Say(
                "stand.remark.keep-down-on-while-the-string-sounds",
                ("held", Sign(stays.Held)),
                ("string", String(stays.Held.String)),
                ("sounding", String(stays.Sounding)),
                ("pitch", Name(stays.Pitch))
            ),
            FingerReady ready => Say(
                "stand.remark.during-open-put-on-for",
                ("open", String(ready.Open)),
                ("next", Sign(ready.Next)),
                ("string", String(ready.Next.String)),
                ("pitch", Name(ready.Pitch))
            ),
            FingersTogether together => Say(
                "stand.remark.from-to-put-down-together",
                ("what", together.FromOpen ? Say("stand.remark.open") : Say("stand.remark.1-on")),
                ("string", String(together.To.String)),
                ("to", Sign(together.To)),
                ("fingers", English.List([.. together.Fingers.Fingers.Select(Figure)]))
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(remark), remark, "There are no words for this remark."),
        };

    /// <summary>"Hand shape 1–3–4 on D and 1–3–4 on A."; "Hand shape 1–3 on D; 1–3–4, then x1–3 on A."</summary>
    private string HandShapes(HandOnStrings hand)
    {
        string[] each =
        [
            .. hand
                .Fingers.GroupBy(f => f[0].String)
                .Select(s =>
                    Say(
                        "stand.remark.hand-shapes-on",
                        ("s", string.Join(Say("stand.remark.then"), s.Select(Shape))),
                        ("key", String(s.Key))
                    )
                ),
        ];
        var several = each.Length < hand.Fingers.Count;
        return Say("stand.remark.hand-shape", ("what", several ? string.Join("; ", each) : English.List(each)));

        string Shape(IReadOnlyList<Pair> fingers) => string.Join('–', fingers.Select(Sign));
    }

    private string OffItsPlace(OffItsPlace off)
    {
        var notes = off
            .Notes.Select(n =>
                Say("stand.remark.off-its-place-on", ("pitch", Name(n.Pitch)), ("string", String(n.String)))
            )
            .Distinct();
        return $"{Sign(off.Finger)}, {TapeWords.Of(off.Semitones, Style.TapesOf(player.Instrument))}: "
            + $"{English.List([.. notes])}.";
    }

    private string SeveralPlaces(SeveralPlaces several)
    {
        string[] each =
        [
            .. several.Places.Select(p =>
                Say("stand.remark.several-places-for", ("place", Place(p.Pair)), ("pitch", Name(p.Pitch)))
            ),
        ];
        return Say(
            "stand.remark.on-in-places-slide-it",
            ("finger", several.Finger),
            ("string", String(several.String)),
            ("each", each.Length),
            ("each2", English.List(each))
        );
    }

    private string Arrives(HandArrives arrives)
    {
        var at = arrives.At;
        var check = arrives.Check is { } against ? Say("stand.remark.arrives-check", ("check", Check(against))) : "";
        return Say(
            "stand.remark.to-on-for",
            ("bar", arrives.Bar.Spoken()),
            ("frameOf", player.FrameOf(at).Spoken),
            ("pair", Sign(at.Pair)),
            ("string", String(at.String)),
            ("pitch", Name(arrives.Pitch)),
            ("check", check)
        );
    }

    private string Check(ShiftCheck check)
    {
        var what = check.WithFinger is { } finger
            ? Say("stand.remark.the-hand-with", ("finger", finger))
            : Say("stand.remark.it");
        return Say(
            "stand.remark.against-open",
            ("what", what),
            ("open", String(check.Open)),
            ("what2", check.IsOctave ? Say("stand.remark.an-octave") : Say("stand.remark.the-same-note"))
        );
    }

    private string SignInBars(Sign sign, IReadOnlyList<int> bars)
    {
        var where =
            bars.Count > MostNamed
                ? Say("stand.remark.sign-in-bars-bars", ("bars", bars.Count))
                : string.Join(", ", bars.Select(n => n == 0 ? Say("stand.remark.pick-up") : Figure(n)));
        return $"{SignName(sign)} ({where})";
    }

    private string SignName(Sign sign) =>
        sign.Kind switch
        {
            SignKind.Words => $"“{sign.Text}”",
            SignKind.Repeat => sign.Times > 2
                ? Say("stand.remark.repeat-times-in-all", ("times", sign.Times))
                : Say("stand.remark.repeat"),
            SignKind.Waymark => WaymarkWords.Printed(sign.Mark, waymarks),
            SignKind.Ending => Say("stand.remark.sign-name-ending", ("sign", sign.Text)),
            SignKind.Dynamic => sign.Text ?? "",
            SignKind.Rest => Say("stand.remark.rest"),
            SignKind.Slur => Say("stand.remark.slur"),
            SignKind.Dots => Say("stand.remark.dots"),
            SignKind.Accent => Say("stand.remark.accent"),
            SignKind.Fermata => Say("stand.remark.fermata"),
            _ => Say("stand.remark.lift"),
        };

    private string PlaceOn(Pair pair) =>
        Say("stand.remark.place-on-on", ("place", Place(pair)), ("string", String(pair.String)));

    private static string Place(Pair pair) =>
        pair.Word switch
        {
            PlaceWord.Low => Say("stand.remark.low"),
            PlaceWord.High => Say("stand.remark.high"),
            PlaceWord.Back => Say("stand.remark.reaching-back"),
            PlaceWord.Forward => Say("stand.remark.stretched"),
            _ => Say("stand.remark.regular"),
        };

    private static string Figure(int n) => n.ToString(CultureInfo.InvariantCulture);

    private string Sign(Pair pair) => Labels.FingerSign(pair, Style);

    private string Name(Pitch pitch) => Labels.Note(pitch, Style);

    private string String(int s) => Labels.Note(player.Instrument.Strings[s], Style);
}
