using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// Notes keep their names through edits, as a teacher expects of what was fixed on them. From memory of what an edit
/// is.
/// </summary>
public class ScoreEditTests
{
    private static Score Score(string music) => Lines.Score("D", music, "4/4");

    /// <summary>Pitches of an edited score, each with the id it has after the edit.</summary>
    private static string Carried(string before, string after) =>
        string.Join(' ', ScoreIds.Carry(Score(before), Score(after)).Events.Select(e => $"{e.Pitch}:{e.Id}"));

    [Theory]
    // A bar before it, a bar in the middle, one at the end.
    [InlineData("D E F G|A4", "B4|D E F G|A4", "B4:b1n1v2 D4:b1n1 E4:b1n2 F#4:b1n3 G4:b1n4 A4:b2n1")]
    [InlineData("D4|A4", "D4|G4|A4", "D4:b1n1 G4:b2n1v2 A4:b2n1")]
    [InlineData("D4|A4", "D4|A4|G4", "D4:b1n1 A4:b2n1 G4:b3n1")]
    // A neighbour changed, split, taken away; a name whose note is gone is free for the note in its place.
    [InlineData("D E F G|A4", "D E ^F A|A4", "D4:b1n1 E4:b1n2 F#4:b1n3 A4:b1n4 A4:b2n1")]
    [InlineData("D E F G|A4", "D E/E/ F G|A4", "D4:b1n1 E4:b1n2 E4:b1n3v2 F#4:b1n3 G4:b1n4 A4:b2n1")]
    [InlineData("D E F G|A4", "D E2 G|A4", "D4:b1n1 E4:b1n2 G4:b1n4 A4:b2n1")]
    // Two places at once, far apart.
    [InlineData("D4|E4|F4|G4", "A4|D4|E4|F4|G4|B4", "A4:b1n1v2 D4:b1n1 E4:b2n1 F#4:b3n1 G4:b4n1 B4:b6n1")]
    // Nothing in common.
    [InlineData("D4", "A2 B2", "A4:b1n1 B4:b1n2")]
    public void A_note_keeps_its_id_when_something_else_is_edited(string before, string after, string ids) =>
        Assert.Equal(ids, Carried(before, after));

    [Fact] // A name once given stays given: a second edit knows the first.
    public void Ids_are_carried_from_edit_to_edit()
    {
        var once = ScoreIds.Carry(Score("D4|A4"), Score("B4|D4|A4"));
        var twice = ScoreIds.Carry(once, Score("B4|c4|D4|A4"));
        Assert.Equal(["b1n1v2", "b2n1v2", "b1n1", "b2n1"], twice.Events.Select(e => e.Id));
    }

    [Fact]
    public void Ids_that_were_kept_are_given_back()
    {
        var edited = ScoreIds.Carry(Score("D4|A4"), Score("B4|D4|{G}A4"));
        var read = ScoreIds.With(Score("B4|D4|{G}A4"), ScoreIds.Of(edited));
        Assert.Equal(edited.Events.Select(e => e.Id), read.Events.Select(e => e.Id));
        Assert.Equal(edited.Bars.Select(b => b.Id), read.Bars.Select(b => b.Id));
        Assert.Equal("b2n1g1", read.Bars[2].Events[0].Graces[0].Id);
        Assert.Same(read, ScoreIds.With(read, ["b1n1"]));
    }

    [Fact] // In any pair of scores no id comes twice, and what was not touched keeps its own.
    public void No_two_notes_have_one_id() =>
        (from a in Gen.Int[0, 6].Array[0, 30] from b in Gen.Int[0, 6].Array[0, 30] select (a, b)).Sample(
            x =>
            {
                Score Of(int[] steps) =>
                    steps
                        .Aggregate(
                            new ScoreBuilder(Clef.Treble).In(new TimeSignature(4, 4)),
                            (score, step) => score.Note(Pitch.FromStep(30 + step))
                        )
                        .Build();
                var (before, after) = (Of(x.a), Of(x.b));
                var carried = ScoreIds.Carry(before, after);
                string[] ids = [.. ScoreIds.Of(carried)];
                Assert.Equal(ids.Length, ids.Distinct().Count());
                Assert.Equal(ScoreIds.Of(before), ScoreIds.Of(ScoreIds.Carry(before, Of(x.a))));
                // Whole bars at the beginning that are the same stay themselves.
                var same = before
                    .Bars.Zip(after.Bars)
                    .TakeWhile(p =>
                        p.First.Events.Select(e => e.Pitch).SequenceEqual(p.Second.Events.Select(e => e.Pitch))
                    );
                var untouched = same.Sum(p => p.First.Events.Count);
                Assert.Equal(
                    before.Events.Take(untouched).Select(e => e.Id),
                    carried.Events.Take(untouched).Select(e => e.Id)
                );
                // A tune with a bar put before it keeps all its notes.
                var whole = new Bar { Time = before.Time, Events = [new ScoreEvent { Value = new NoteValue(0) }] };
                Assert.Equal(
                    before.Events.Select(e => e.Id),
                    before.InsertBar(0, whole).Events.Skip(1).Select(e => e.Id)
                );
            },
            iter: Rounds.Of(500)
        );

    [Fact]
    public void A_note_is_changed_added_and_taken_away_where_it_stands()
    {
        var score = Score("D E F G|A4");
        var half = new ScoreEvent { Pitch = Pitch.Parse("B4"), Value = new NoteValue(1) };
        Assert.Equal("D4 B4 F#4 G4 A4", Pitches(score.Change("b1n2", e => e with { Pitch = Pitch.Parse("B4") })));
        Assert.Equal("b1n2", score.Change("b1n2", _ => half).Bars[0].Events[1].Id);
        Assert.Equal("D4 F#4 G4 A4", Pitches(score.Remove("b1n2")));
        Assert.Equal("D4 B4 E4 F#4 G4 A4", Pitches(score.InsertBefore("b1n2", half)));
        Assert.Equal("D4 E4 B4 F#4 G4 A4", Pitches(score.InsertAfter("b1n2", half)));
        Assert.Equal("A4", Pitches(score.RemoveBar(0)));
        Assert.Throws<KeyNotFoundException>(() => score.Remove("b9n9"));
        Assert.Equal(
            "0 1/4 1/2 1 5/4",
            string.Join(' ', score.InsertAfter("b1n2", half).Bars[0].Events.Select(e => e.Onset))
        );

        static string Pitches(Score s) => string.Join(' ', s.Events.Select(e => e.Pitch));
    }

    [Fact] // Common practice: a bar is full when its meter says so; the last barline is final.
    public void A_score_is_built_note_by_note()
    {
        var score = new ScoreBuilder(Clef.Bass)
            .In(new KeySignature(1))
            .In(new TimeSignature(3, 4))
            .Note("G2")
            .Rest()
            .Note("F#3")
            .Note("D3", new NoteValue(1, 1))
            .Build();
        Assert.Equal([3, 1], score.Bars.Select(b => b.Events.Count));
        Assert.Equal(["b1n1", "b1n2", "b1n3", "b2n1"], score.Events.Select(e => e.Id));
        Assert.Equal(Barline.Final, score.Bars[^1].Barline);
        Assert.Equal("G major", score.Key.Name);
    }
}
