using Coppia.Core.Bowing;
using Coppia.Core.Exercises;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>Down and up signs over notes with slurs, hooks and lifts (craft 8 and 12).</summary>
internal static class BowDrill
{
    /// <exception cref="WrongReplyException">There are more or fewer signs than notes.</exception>
    public static BowJudgement Judge(BarsQuestion asked, BowAnswer answer, StrokesReply reply)
    {
        ScoreEvent[] notes = [.. asked.Music.Events.Where(e => !e.IsRest)];
        if (reply.Signs.Count != notes.Length)
            throw new WrongReplyException(QuestionKind.Bow);
        var begins = answer.Strokes.Index().ToDictionary(s => s.Item.NoteId, s => s.Index);
        var stroke = -1;
        for (var n = 0; n < notes.Length; n++)
        {
            var isNew = begins.TryGetValue(notes[n].Id, out var next);
            stroke = isNew ? next : stroke;
            var way = answer.Strokes[stroke].Way;
            // Within a stroke its sign may stand again, but no other.
            if (reply.Signs[n] == way || !isNew && reply.Signs[n] is null)
                continue;
            var kind =
                !isNew ? MistakeKind.SlurStroke
                : n == 0 && asked.Music.Bars[0].IsPickUp ? MistakeKind.PickUpStroke
                : n == 0 ? MistakeKind.FirstStroke
                : notes[n - 1].Has(Marks.LiftAfter) ? MistakeKind.AfterLift
                : MistakeKind.TurnStroke;
            return new BowJudgement(kind, n, way);
        }

        return new BowJudgement(MistakeKind.Right, 0, BowDirection.Down);
    }
}
