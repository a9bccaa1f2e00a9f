using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>Key signatures: which key one is and what it changes, and writing it (craft 1 and 12).</summary>
internal static class KeyDrill
{
    public static SignatureJudgement Judge(SignatureQuestion asked, KeyReply reply)
    {
        var key = new KeySignature(asked.Fifths);
        var kind = OfTonic(key, reply);
        if (kind != MistakeKind.Right)
            return new SignatureJudgement(kind, key);
        Letter[] changed = [.. key.ChangedLetters];
        Letter[] wrong = [.. changed.Except(reply.Changed), .. reply.Changed.Except(changed)];
        return wrong.Length == 0
            ? new SignatureJudgement(MistakeKind.Right, key)
            : new SignatureJudgement(MistakeKind.SignLetter, key, wrong[0]);
    }

    private static MistakeKind OfTonic(KeySignature key, KeyReply reply)
    {
        if (Is(key.TonicInOctave(4)))
            return MistakeKind.Right;
        if (key.Fifths != 0 && Is(new KeySignature(-key.Fifths).TonicInOctave(4)))
            return MistakeKind.OtherSigns;
        if (
            key.ChangedLetters.Any()
            && key.ChangedLetters.Last() == reply.Tonic
            && reply.Alter == Math.Sign(key.Fifths)
        )
            return MistakeKind.LastSign;
        if (Is(new KeySignature(key.Fifths, Mode.Minor).TonicInOctave(4)))
            return MistakeKind.RelativeMinor;
        int[] near = [key.Fifths - 1, key.Fifths + 1];
        return near.Where(KeySignature.IsOne).Any(f => Is(new KeySignature(f).TonicInOctave(4)))
            ? MistakeKind.SignCount
            : MistakeKind.Unclear;

        bool Is(Pitch tonic) => tonic.Letter == reply.Tonic && tonic.Alter == reply.Alter;
    }

    public static SignatureJudgement Judge(
        SignatureQuestion asked,
        SignatureAnswer answer,
        SignsReply reply,
        Player player
    )
    {
        var key = new KeySignature(asked.Fifths);
        if (reply.Places.SequenceEqual(answer.Places) && (reply.Alter == Math.Sign(key.Fifths) || key.Fifths == 0))
            return new SignatureJudgement(MistakeKind.Right, key);
        if (key.Fifths != 0 && reply.Places.Count > 0 && reply.Alter != Math.Sign(key.Fifths))
            return new SignatureJudgement(MistakeKind.OtherSigns, key);
        var clef = player.Instrument.FirstClef;
        Letter[] letters = [.. key.ChangedLetters];
        Letter[] written = [.. reply.Places.Select(p => clef.PitchAt(p.Height).Letter)];
        if (
            reply.Places.Count > 1
            && Clef.All.Any(c => c != clef && SignaturePlaces.Of(key, c).SequenceEqual(reply.Places))
        )
            return new SignatureJudgement(MistakeKind.OtherClef, key);
        if (written.Length != letters.Length)
            return new SignatureJudgement(MistakeKind.SignCount, key);
        for (var i = 0; i < letters.Length; i++)
        {
            if (reply.Places[i] == answer.Places[i])
                continue;
            var apart = reply.Places[i].Height - answer.Places[i].Height;
            var kind =
                written[i] == letters[i] ? MistakeKind.SignPlace
                : letters.Contains(written[i]) ? MistakeKind.SignOrder
                : Math.Abs(apart) == 1 ? MistakeKind.OneStep
                : MistakeKind.SignLetter;
            return new SignatureJudgement(kind, key, letters[i], answer.Places[i]);
        }

        return new SignatureJudgement(MistakeKind.Unclear, key);
    }
}
