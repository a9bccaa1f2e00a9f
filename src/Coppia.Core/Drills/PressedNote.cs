using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>
/// A note that was answered by string and finger, or by a spot on the fingerboard: what the hand took it for (craft
/// 14).
/// </summary>
/// <param name="Ways">Every pair by which the class may play it, the plain one first.</param>
internal sealed record PressedNote(Player Player, Pitch Shown, KeySignature Key, IReadOnlyList<Placement> Ways)
{
    public Diagnosis OfPair(PairReply reply)
    {
        var sound = PairSound.Of(Player.Instrument, reply.String, reply.Finger, reply.Word, Key);
        var found = new Diagnosis(MistakeKind.Unclear, Shown, sound) { Pressed = reply };
        if (Ways.Any(w => w.String == reply.String && IsPair(w, reply)) || sound?.Midi == Shown.Midi)
            return found with { Kind = MistakeKind.Right, Answered = Shown };
        // Letter and sound are another octave's, or another string's.
        if (sound is { } heard && (heard.Midi - Shown.Midi) % 12 == 0)
            return found with
            {
                Kind = MistakeKind.WrongOctave,
                Answered = new Pitch(Shown.Letter, Shown.Alter, heard.Octave),
            };
        if (First(w => Math.Abs(w.String - reply.String) == 1 && IsPair(w, reply)) is { } beside)
            return found with { Kind = MistakeKind.NeighbourString, Place = beside };
        if (WhoseFinger(reply) is { } other)
            return found with { Kind = MistakeKind.OtherInstrument, Other = other };
        if (reply.Finger > 0 && First(w => w.String == reply.String && w.Finger == reply.Finger) is { } there)
            return found with { Kind = MistakeKind.LowHigh, Place = there };
        if (
            sound is { } natural
            && Key.AlterOf(Shown.Letter) == Shown.Alter
            && Shown.Alter != 0
            && natural.Midi == Natural(Shown).Midi
        )
            return found with { Kind = MistakeKind.ForgotSignature, Answered = Natural(Shown) };
        foreach (var step in new[] { 1, -1 })
        {
            if (
                sound is { } next
                && Key.Apply(Pitch.FromStep(Shown.Step + step)) is var besides
                && next.Midi == besides.Midi
            )
                return found with { Kind = MistakeKind.OneStep, Answered = besides };
        }

        return found;
    }

    /// <summary>A named note that is looked for on the fingerboard: nothing was read.</summary>
    public Diagnosis OfSpot(SpotReply reply)
    {
        var midi = Player.Instrument.Strings[reply.String].Midi + reply.Semitones;
        var plain = Ways.Count > 0 ? Ways[0] : (Placement?)null;
        var kind =
            (midi - Shown.Midi) % 12 == 0 ? MistakeKind.WrongOctave
            : plain?.String == reply.String && Math.Abs(midi - Shown.Midi) == 1 ? MistakeKind.LowHigh
            : plain is { } at && Math.Abs(at.String - reply.String) == 1 && at.Semitones == reply.Semitones
                ? MistakeKind.NeighbourString
            : MistakeKind.Unclear;
        return new Diagnosis(kind, Shown, Spelling.InKey(midi, Key)) { Pressed = reply };
    }

    private static Pitch Natural(Pitch note) => new(note.Letter, 0, note.Octave);

    private static bool IsPair(in Placement way, PairReply reply) =>
        way.Finger == reply.Finger && way.Word == reply.Word;

    /// <summary>The first way of the plain one's position that fits: what a class has learned of this note.</summary>
    private Placement? First(Func<Placement, bool> fits)
    {
        foreach (var way in Ways)
        {
            if (fits(way) && Player.FrameOf(way).SharesPosition(Player.FrameOf(Ways[0])))
                return way;
        }

        return null;
    }

    /// <summary>The instrument on whose string of this name that finger gives exactly the note shown.</summary>
    private Instrument? WhoseFinger(PairReply reply)
    {
        var open = Player.Instrument.Strings[reply.String];
        return reply.Finger == 0
            ? null
            : StringSection
                .All.Where(other => other.Id != Player.Instrument.Id)
                .Select(Player.Style.Fingered)
                .FirstOrDefault(other =>
                    other
                        .Strings.Index()
                        .Any(s =>
                            s.Item.Letter == open.Letter
                            && PairSound.Of(other, s.Index, reply.Finger, reply.Word, Key) is { } sound
                            && sound.Midi - s.Item.Midi == Shown.Midi - open.Midi
                        )
                );
    }
}
