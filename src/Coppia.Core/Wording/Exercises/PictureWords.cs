using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Exercises;

/// <summary>The picture of a question for who cannot see it: what is drawn, not what it is called.</summary>
public static class PictureWords
{
    public static string Of(SheetItem item, Player player)
    {
        var clef = player.Instrument.FirstClef;
        return item.Question switch
        {
            NoteQuestion { Kind: QuestionKind.Write } q => Say(
                "exercises.picture.an-empty-staff",
                ("signs", Signs(q.Key, player))
            ),
            NoteQuestion { Kind: QuestionKind.LineOrSpace } q => Say(
                "exercises.picture.a-note-at-place-of-the-staff",
                ("height", StaffPlace.Of(q.Note, clef).Height + 1)
            ),
            NoteQuestion { Kind: QuestionKind.Stem } q => Say(
                "exercises.picture.a-head-without-a-stem",
                ("note", StaffPlace.Of(q.Note, clef).Words())
            ),
            NoteQuestion q => Say(
                "exercises.picture.a-note",
                ("note", StaffPlace.Of(q.Note, clef).Words()),
                ("signs", Signs(q.Key, player)),
                ("accidental", Accidental(q))
            ),
            SignatureQuestion { Written: false } q => Say(
                "exercises.picture.a-key-signature",
                ("count", Count(q.Fifths))
            ),
            SignatureQuestion => Say("exercises.picture.an-empty-staff-with-a-clef", ("clef", clef.Name)),
            PenQuestion => Say("exercises.picture.a-pale-sign-to-trace"),
            BeatQuestion q => $"{q.Row.Time}: {Values(q.Row, q.Gap, player)}.",
            BarsQuestion { Kind: QuestionKind.Difference } q => $"{q.Music.Time}: {Notes(q.Music, player)}.",
            BarsQuestion q => $"{q.Music.Time}: {Values(q.Music, null, player)}.",
            ScaleQuestion q => Say(
                "exercises.picture.the-first-note-of-the-scale",
                ("first", Labels.Note(q.First, player.Style))
            ),
            _ => "",
        };
    }

    private static string Signs(KeySignature key, Player player) =>
        Say(
            "exercises.picture.signs-clef",
            ("firstClef", English.Capital(player.Instrument.FirstClef.Name)),
            ("count", Count(key.Fifths))
        );

    private static string Count(int fifths) =>
        fifths == 0
            ? Labels.NoSigns
            : Say(fifths > 0 ? "exercises.picture.sharps" : "exercises.picture.flats", ("count", Math.Abs(fifths)));

    private static string Accidental(NoteQuestion q) =>
        q.Note.Alter == q.Key.AlterOf(q.Note.Letter) ? ""
        : q.Note.Alter > 0 ? Say("exercises.picture.a-sharp-stands-before-it")
        : q.Note.Alter < 0 ? Say("exercises.picture.a-flat-stands-before-it")
        : Say("exercises.picture.a-natural-stands-before-it");

    /// <summary>Values with what is printed at them; bars are parted.</summary>
    private static string Values(Score music, int? gap, Player player) =>
        string.Join(
            "; ",
            music.Bars.Select(b =>
                string.Join(
                    ", ",
                    b.Events.Select((e, i) => i == gap ? Say("exercises.picture.a-gap") : Value(e, player) + Curves(e))
                )
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
        (e.SlurStarts > 0 ? Say("exercises.picture.a-slur-begins") : "")
        + (e.SlurStops > 0 ? Say("exercises.picture.the-slur-ends") : "")
        + (e.Has(Marks.Staccato) ? Say("exercises.picture.dot") : "")
        + (e.Has(Marks.LiftAfter) ? Say("exercises.picture.lift-after-it") : "")
        + (e.TiedOn ? Say("exercises.picture.tied-on") : "");
}
