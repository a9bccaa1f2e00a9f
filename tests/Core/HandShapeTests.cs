using Coppia.Core.Wording.Room;

namespace Coppia.Tests;

/// <summary>Every key's shape on every string. Source: craft 5 and 19, common practice.</summary>
public class HandShapeTests
{
    private static IReadOnlyList<HandShape> Shapes(
        string instrument,
        int fifths,
        ScaleForm form = ScaleForm.Major,
        string position = "I"
    ) => HandShape.InKey(Lines.Instrument(instrument), new ScaleKey(fifths, form), position);

    private static IEnumerable<string> Names(string instrument, IEnumerable<HandShape> shapes) =>
        shapes.Select(s => ShapeWords.Name(s, Lines.Instrument(instrument)));

    [Theory]
    [InlineData("violin", 2, "3–4 2–3 2–3 1–2")]
    [InlineData("violin", 0, "2–3 1–2 1–2 0–1")]
    [InlineData("violin", -2, "1–2 0–1 0–1 and 3–4 3–4")]
    [InlineData("violin", -3, "0–1 0–1 and 3–4 3–4 2–3")]
    [InlineData("violin", 3, "3–4 3–4 2–3 2–3")]
    [InlineData("cello", 2, "forward 1–2–4 forward 1–2–4 1–3–4 1–3–4")]
    [InlineData("cello", -2, "1–2–4 1–2–4 back 1–2–4 back 1–2–4")]
    [InlineData("bass", 2, "1–2 1–4 1–4 1–4")]
    public void A_shape_is_named_by_what_touches_or_by_its_fingers(string instrument, int fifths, string names) =>
        Assert.Equal(names, string.Join(' ', Names(instrument, Shapes(instrument, fifths))));

    [Fact] // Craft 19, common practice: violin B flat major.
    public void B_flat_major_on_the_violin()
    {
        string Signs(int s) =>
            string.Join(
                ' ',
                Shapes("violin", -2)[s].Spots.Select(p => Labels.FingerSign(p.Placement.Pair, HouseStyle.Default))
            );
        Assert.Equal(["1 L2 3 4", "L1 L2 3 4", "L1 L2 3 L4", "L1 L2 3 L4"], Enumerable.Range(0, 4).Select(Signs));
    }

    [Fact] // Craft 5: where the open string is not in the key, say so.
    public void An_open_string_outside_the_key_is_known()
    {
        Assert.Equal([true, true, true, false], Shapes("violin", -2).Select(s => s.OpenInKey));
        Assert.Equal([false, true, true, true], Shapes("cello", 2).Select(s => s.OpenInKey));
    }

    // A major scale is whole, whole, half, whole, whole, whole, half: on each string the half steps lie where the key
    // has them.
    [Fact]
    public void Half_steps_are_where_neighbouring_places_are_one_semitone_apart()
    {
        foreach (var instrument in StringSection.All)
        {
            var found = 0;
            foreach (var fifths in Enumerable.Range(-7, 15))
            {
                var key = new ScaleKey(fifths, ScaleForm.Major);
                foreach (var shape in HandShape.InKey(instrument, key, "I"))
                {
                    foreach (var (lower, upper) in shape.HalfSteps)
                    {
                        Pitch At(int n) =>
                            n == 0
                                ? instrument.Strings[shape.String]
                                : shape.Spots.First(p => p.Placement.Semitones == n).Pitch;
                        var degree = ((int)At(lower).Letter - (int)key.Tonic.Letter + 7) % 7;
                        Assert.True(degree is 2 or 6, $"{instrument.Id} {key}: {At(lower)} to {At(upper)}");
                        found++;
                    }
                }
            }
            // Four fingers on a string hold one half step in most keys; the bass's three span a whole step only.
            Assert.True(found > 15, $"{instrument.Id}: {found} half steps in fifteen keys");
        }
    }

    [Theory] // The raised notes of the minors; common practice.
    [InlineData(ScaleForm.NaturalMinor, "A B C D E F G")]
    [InlineData(ScaleForm.HarmonicMinor, "A B C D E F G♯")]
    [InlineData(ScaleForm.MelodicMinor, "A B C D E F♯ G♯")]
    public void Three_minors(ScaleForm form, string notes)
    {
        var key = new ScaleKey(0, form);
        Assert.Equal(
            notes,
            string.Join(' ', Enumerable.Range(Pitch.Parse("A3").Step, 7).Select(step => key.OnStep(step).Name))
        );
    }

    [Fact] // A finger stands on one spot, and neighbours a half step apart touch: in every key, scale and position.
    public void No_finger_stands_on_two_spots_and_touching_neighbours_are_named()
    {
        foreach (var instrument in StringSection.All)
        {
            foreach (var position in new[] { "half", "I", "II", "III" })
            {
                foreach (
                    var key in from fifths in Enumerable.Range(-7, 15)
                    from form in Enum.GetValues<ScaleForm>()
                    select new ScaleKey(fifths, form)
                )
                {
                    foreach (var shape in HandShape.InKey(instrument, key, position))
                    {
                        var name = ShapeWords.Name(shape, instrument);
                        var where = $"{instrument.Id} {position} {key} string {shape.String}: {name}";
                        Assert.True(
                            shape.Spots.Select(p => p.Placement.Finger).Distinct().Count() == shape.Spots.Count,
                            where
                        );
                        Assert.True(
                            shape.Spots.Select(p => p.Placement.Semitones).Distinct().Count() == shape.Spots.Count,
                            where
                        );
                        if (instrument.Id is "violin" or "viola" && shape.Spots.Count > 0)
                            Assert.True(name == "none touch" == (shape.HalfSteps.Count == 0), where);
                    }
                }
            }
        }
    }

    [Theory] // Craft 3: a raised open letter is first finger against the nut; extended 4 plays C on the E string.
    [InlineData("violin", 4, 0, "L1 for G♯")]
    [InlineData("violin", 0, 3, "x4 for C")]
    [InlineData("violin", 2, 3, "")]
    [InlineData("violin", 0, 2, "")]
    public void What_a_finger_leaves_its_spot_for(string instrument, int fifths, int s, string besides) =>
        Assert.Equal(
            besides,
            string.Join(
                ", ",
                Shapes(instrument, fifths)[s]
                    .Besides.Select(p =>
                        $"{Labels.FingerSign(p.Placement.Pair, HouseStyle.Default)} for {p.Pitch.Name}"
                    )
            )
        );

    [Fact]
    public void Half_position_on_the_bass_holds_F_major()
    {
        var shapes = Shapes("bass", -1, position: "half");
        Assert.Equal(["half 1–4", "half 1–4", "half 2–4", "half 2–4"], Names("bass", shapes));
    }

    // Second and third position: finger f plays letter p − 1 + f above the open string (craft 3); the touching pairs
    // follow from the key.
    [Theory]
    [InlineData("II", 2, "2–3, 1–2, 1–2, none touch")]
    [InlineData("II", 0, "1–2, none touch, 3–4, 3–4")]
    [InlineData("II", -1, "none touch, 3–4, 3–4, 2–3")]
    [InlineData("III", 2, "1–2, none touch, 3–4, 3–4")]
    [InlineData("III", 0, "3–4, 3–4, 2–3, 2–3")]
    [InlineData("III", -1, "3–4, 2–3, 2–3, 1–2")]
    public void Higher_positions_of_the_violin(string position, int fifths, string names) =>
        Assert.Equal(names, string.Join(", ", Names("violin", Shapes("violin", fifths, position: position))));

    [Theory] // The position that the key suits: on the bass flats lie in half position.
    [InlineData("bass", -1, "half")]
    [InlineData("bass", -2, "half")]
    [InlineData("bass", 2, "I")]
    [InlineData("bass", 1, "I")]
    [InlineData("cello", -4, "I")]
    [InlineData("violin", 4, "I")]
    public void The_position_follows_the_key(string instrument, int fifths, string position) =>
        Assert.Equal(
            position,
            HandShape.BestPosition(Lines.Instrument(instrument), new ScaleKey(fifths, ScaleForm.Major))
        );

    [Theory] // The bass lives in half and first position in every key (craft 6); the others’ page shows one.
    [InlineData("bass", -1, "half I")]
    [InlineData("bass", 2, "half I")]
    [InlineData("cello", -4, "I")]
    [InlineData("viola", 0, "I")]
    [InlineData("violin", 4, "I")]
    public void A_page_of_all_shows_where_each_hand_lives(string instrument, int fifths, string positions) =>
        Assert.Equal(
            positions,
            string.Join(
                ' ',
                HandShape.PagePositions(Lines.Instrument(instrument), new ScaleKey(fifths, ScaleForm.Major))
            )
        );
}
