using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Exercises;

/// <summary>The picture of a question for who cannot see it: what is drawn, not what it is called.</summary>
public static class PictureWords
{
    public static string Of(SheetItem item, Player player)
    {
        var clef = player.Instrument.FirstClef;
        return item.Question switch
        {
            NoteQuestion { Kind: ExerciseKind.WriteIt } q => $"An empty staff. {Signs(q.Key, player)}",
            NoteQuestion { Kind: ExerciseKind.LineOrSpace } q =>
                $"A note at place {StaffPlace.Of(q.Note, clef).Height + 1} of the staff, "
                    + "lines and spaces counted from the bottom line up.",
            NoteQuestion { Kind: ExerciseKind.Stems } q =>
                $"A head without a stem: {StaffPlace.Of(q.Note, clef).Words()}.",
            NoteQuestion q => $"A note: {StaffPlace.Of(q.Note, clef).Words()}. {Signs(q.Key, player)}{Accidental(q)}",
            SignatureQuestion { Written: false } q => $"A key signature: {Count(q.Fifths)}.",
            SignatureQuestion => $"An empty staff with a {clef.Name} clef.",
            PenQuestion => "A pale sign to trace.",
            BeatQuestion q => $"{q.Row.Time}: {Values(q.Row, q.Gap, player)}.",
            BarsQuestion { Kind: ExerciseKind.SpotDifference } q => $"{q.Music.Time}: {Notes(q.Music, player)}.",
            BarsQuestion q => $"{q.Music.Time}: {Values(q.Music, null, player)}.",
            ScaleQuestion q => $"The first note of the scale: {Labels.Note(q.First, player.Style)}.",
            _ => "",
        };
    }

    private static string Signs(KeySignature key, Player player) =>
        $"{English.Capital(player.Instrument.FirstClef.Name)} clef, {Count(key.Fifths)}.";

    private static string Count(int fifths) =>
        fifths == 0
            ? Labels.NoSigns
            : $"{English.Number(Math.Abs(fifths))} "
                + $"{(fifths > 0 ? "sharp" : "flat")}{(Math.Abs(fifths) == 1 ? "" : "s")}";

    private static string Accidental(NoteQuestion q) =>
        q.Note.Alter == q.Key.AlterOf(q.Note.Letter) ? ""
        : q.Note.Alter > 0 ? " A sharp stands before it."
        : q.Note.Alter < 0 ? " A flat stands before it."
        : " A natural stands before it.";

    /// <summary>Values with what is printed at them; bars are parted.</summary>
    private static string Values(Score music, int? gap, Player player) =>
        string.Join(
            "; ",
            music.Bars.Select(b =>
                string.Join(", ", b.Events.Select((e, i) => i == gap ? "a gap" : Value(e, player) + Curves(e)))
            )
        );

    private static string Notes(Score music, Player player) =>
        string.Join(
            "; ",
            music.Bars.Select(b =>
                string.Join(
                    ", ",
                    b.Events.Select(e =>
                        e.Pitch is { } p
                            ? $"{Labels.NoteAndNumber(p, player.Style)} {Value(e, player)}"
                            : Value(e, player)
                    )
                )
            )
        );

    private static string Value(ScoreEvent e, Player player) => e.Words(player.Style.ValueNames);

    private static string Curves(ScoreEvent e) =>
        (e.SlurStarts > 0 ? " (a slur begins)" : "")
        + (e.SlurStops > 0 ? " (the slur ends)" : "")
        + (e.Has(Marks.Staccato) ? " (dot)" : "")
        + (e.Has(Marks.LiftAfter) ? " (lift after it)" : "")
        + (e.TiedOn ? " (tied on)" : "");
}
