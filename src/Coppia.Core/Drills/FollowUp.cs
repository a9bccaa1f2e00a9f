using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>What is asked after a mistake: the same again in a form that shows it (craft 14).</summary>
public static class FollowUp
{
    /// <summary>The next question; after a right answer null.</summary>
    /// <param name="asked">The question that was answered wrongly.</param>
    public static Question? After(Diagnosis diagnosis, NoteQuestion asked, Player player)
    {
        switch (diagnosis.Kind)
        {
            case MistakeKind.Right:
                return null;
            case MistakeKind.ForgotSignature:
                return new SignatureQuestion(asked.Key.Fifths, Written: false);
            case MistakeKind.OneStep or MistakeKind.WrongEnd or MistakeKind.Unclear when OnStaff(asked.Note, player):
                return new NoteQuestion(ExerciseKind.LineOrSpace, asked.Note, asked.Key);
            case MistakeKind.OtherClef:
                // The note on the clef's own line: what the sign is there to tell.
                return new NoteQuestion(ExerciseKind.NameIt, player.Instrument.FirstClef.SignPitch, default);
            case MistakeKind.WrongOctave or MistakeKind.LowHigh or MistakeKind.OtherInstrument when diagnosis.Place is { } at:
                return new NoteQuestion(ExerciseKind.FindIt, asked.Note, asked.Key, at.Pair);
            case MistakeKind.NeighbourString when diagnosis.Place is { } at:
                return new NoteQuestion(ExerciseKind.NameIt, player.Instrument.Strings[at.String], asked.Key);
            default:
                return asked;
        }
    }

    private static bool OnStaff(Pitch note, Player player) => StaffPlace.Of(note, player.Instrument.FirstClef).OnStaff;
}
