using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>
/// The same questions for another instrument: in its clef, in an octave that it can play, at its own places.
/// </summary>
public static class AnotherInstrument
{
    /// <summary>
    /// By how many octaves notes are moved, the smallest move first, downwards before upwards (craft 6).
    /// </summary>
    private static readonly int[] Moves = [0, -1, 1, -2, 2, -3, 3];

    /// <summary>
    /// Each question as the other player gets it; null where that hand or instrument has nothing to ask for it.
    /// </summary>
    /// <param name="asked">Questions, not music to play.</param>
    public static IReadOnlyList<Question?> Of(IReadOnlyList<Question> asked, Player from, Player to)
    {
        var pitches = asked.SelectMany(Pitches).ToArray();
        var octaves = Moves.MaxBy(o => pitches.Count(p => IsPlayed(p.AddOctaves(o), to)));
        return [.. asked.Select(q => Answered(For(q, from, to, octaves), to))];
    }

    private static bool IsPlayed(Pitch pitch, Player player) =>
        PlainPlace.Of(player, pitch, player.Instrument.FirstHeight) is not null;

    /// <summary>Notes that are to be played; others are only lines and spaces.</summary>
    private static IEnumerable<Pitch> Pitches(Question question) =>
        question switch
        {
            NoteQuestion { Kind: not (QuestionKind.LineOrSpace or QuestionKind.Stem) } q => [q.Note],
            BarsQuestion q => q.Music.Events.Select(e => e.Pitch).OfType<Pitch>(),
            ScaleQuestion q => [q.First, q.First.AddOctaves(q.Octaves)],
            _ => [],
        };

    private static Question? For(Question question, Player from, Player to, int octaves) =>
        question switch
        {
            NoteQuestion { Kind: QuestionKind.LineOrSpace or QuestionKind.Stem } q => q with
            {
                Note = AtSamePlace(q.Note, from, to),
            },
            NoteQuestion q => Note(q with { Note = q.Note.AddOctaves(octaves) }, to),
            SignatureQuestion => question,
            ShapeQuestion q => Shape(q, from, to),
            PenQuestion { Note: { } note } q => q with { Note = AtSamePlace(note, from, to) },
            PenQuestion => question,
            BeatQuestion q => q with { Row = OnAnOpenString(q.Row, to) },
            BarsQuestion q => q with { Music = Moved(q.Music, to, octaves) },
            ScaleQuestion q => q with { First = q.First.AddOctaves(octaves) },
            _ => null,
        };

    /// <summary>A question that has no answer there is left out.</summary>
    private static Question? Answered(Question? question, Player to)
    {
        try
        {
            return question is null ? null : SheetItem.Of(question, to).Question;
        }
        catch (InvalidQuestionException)
        {
            return null;
        }
    }

    private static Pitch AtSamePlace(Pitch note, Player from, Player to)
    {
        var there = to.Instrument.FirstClef.PitchAt(from.Instrument.FirstClef.HeightOf(note));
        return new Pitch(there.Letter, note.Alter, there.Octave);
    }

    /// <summary>At its plain place; asked by string and finger only where these mean this note.</summary>
    private static NoteQuestion? Note(NoteQuestion asked, Player to)
    {
        var key = new ScaleKey(asked.Key.Fifths, ScaleForm.Major);
        if (PlainPlace.Of(to, asked.Note, PlainPlace.HeightOf(to.Instrument, key)) is not { } at)
            return null;
        return asked with
        {
            Place = asked.Place is null ? null : at.Pair,
            ByPair = asked.ByPair && PairNote.Of(to, at.Pair, asked.Key) == asked.Note,
        };
    }

    private static ShapeQuestion? Shape(ShapeQuestion asked, Player from, Player to)
    {
        var letter = from.Instrument.Strings[asked.String].Letter;
        var at = to
            .Instrument.Strings.Index()
            .Where(s => s.Item.Letter == letter)
            .Select(s => (int?)s.Index)
            .FirstOrDefault();
        return at is { } s
            ? asked with
            {
                String = s,
                Position = HandShape.BestPosition(to.Instrument, asked.Key),
            }
            : null;
    }

    private static Score OnAnOpenString(Score row, Player to)
    {
        var note = row.Events.Select(e => e.Pitch).OfType<Pitch>().Select(p => (Pitch?)p).FirstOrDefault();
        var open = to.Instrument.Strings.Where(s => s.Letter == note?.Letter).Select(s => (Pitch?)s).FirstOrDefault();
        return Moved(row, to, note is { } n && open is { } o ? o.Octave - n.Octave : 0);
    }

    private static Score Moved(Score music, Player to, int octaves)
    {
        var moved = music.MovedByOctaves(octaves);
        var clef = to.Instrument.FirstClef;
        return moved with
        {
            Clef = clef,
            Bars =
            [
                .. moved.Bars.Select(b =>
                    b with
                    {
                        Clef = clef,
                        Events = [.. b.Events.Select(e => e with { ClefChange = null })],
                    }
                ),
            ],
        };
    }
}
