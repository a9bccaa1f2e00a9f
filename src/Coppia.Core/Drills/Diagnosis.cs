using Coppia.Core.Exercises;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Drills;

/// <summary>What happened when a note was answered.</summary>
/// <param name="Kind">The first kind that fits.</param>
/// <param name="Shown">The note that was shown.</param>
/// <param name="Answered">The note that the answer names or sounds; null for a pair that the hand does not have.</param>
public sealed record Diagnosis(MistakeKind Kind, Pitch Shown, Pitch? Answered) : Judgement(Kind)
{
    /// <summary>For another clef: those in which the note would have the answer's letter.</summary>
    public IReadOnlyList<Clef> Clefs { get; init; } = [];

    /// <summary>For another instrument: whose finger it is.</summary>
    public Instrument? Other { get; init; }

    /// <summary>Where the note is played.</summary>
    public Placement? Place { get; init; }

    /// <summary>In which form the note was asked.</summary>
    public ExerciseKind AskedAs { get; init; } = ExerciseKind.NameIt;

    /// <param name="player">Who answers; the note is shown in the instrument's first clef.</param>
    /// <param name="shown">The written note.</param>
    /// <param name="key">The signature that it is shown under; a note that it would alter otherwise has an accidental.</param>
    public static Diagnosis Of(Player player, Pitch shown, KeySignature key, Reply reply)
    {
        var height = PlainPlace.HeightOf(player.Instrument, new ScaleKey(key.Fifths, ScaleForm.Major));
        var ways = PlainPlace.All(player, shown, height);
        var asked = new Asked(player, shown, key, ways);
        return asked.Judge(reply) with { Place = ways.Count > 0 ? ways[0] : null };
    }

    /// <summary>A note with all that is known of it.</summary>
    private sealed record Asked(Player Player, Pitch Shown, KeySignature Key, IReadOnlyList<Placement> Ways)
    {
        private Clef Clef => Player.Instrument.FirstClef;

        private int Height => Clef.HeightOf(Shown);

        public Diagnosis Judge(Reply reply) =>
            reply switch
            {
                NameReply name => OfName(name),
                PairReply pair => OfPair(pair),
                SpotReply spot => OfSpot(spot),
                StaffReply staff => OfStaff(staff.Place),
                _ => throw new ArgumentOutOfRangeException(nameof(reply), reply, null),
            };

        private Diagnosis OfName(NameReply reply)
        {
            // Without an octave the name is taken as near the note as it goes.
            var steps = ((int)reply.Letter - (int)Shown.Letter + 10) % 7 - 3;
            var answered = reply.Octave is { } octave
                ? new Pitch(reply.Letter, reply.Alter, octave)
                : Pitch.FromStep(Shown.Step + steps, reply.Alter);
            if (answered == Shown)
                return new Diagnosis(MistakeKind.Right, Shown, answered);
            return Misread(answered, exactly: reply.Octave is not null) ?? new Diagnosis(MistakeKind.Unclear, Shown, answered);
        }

        private Diagnosis OfPair(PairReply reply)
        {
            var sound = Sounding(reply);
            if (Ways.Any(w => w.String == reply.String && w.Finger == reply.Finger && w.Word == reply.Word) || sound?.Midi == Shown.Midi)
                return new Diagnosis(MistakeKind.Right, Shown, Shown);
            if (sound is { } answered && Misread(answered, exactly: true) is { } misread)
                return misread;
            if (Ways is [var plain, ..])
            {
                if (plain.String == reply.String && plain.Finger == reply.Finger)
                    return new Diagnosis(MistakeKind.LowHigh, Shown, sound);
                if (WhoseFinger(plain, reply) is { } other)
                    return new Diagnosis(MistakeKind.OtherInstrument, Shown, sound) { Other = other };
                if (Math.Abs(plain.String - reply.String) == 1 && plain.Finger == reply.Finger && plain.Word == reply.Word)
                    return new Diagnosis(MistakeKind.NeighbourString, Shown, sound);
            }

            return new Diagnosis(MistakeKind.Unclear, Shown, sound);
        }

        /// <summary>A named note that is looked for on the fingerboard: nothing was read.</summary>
        private Diagnosis OfSpot(SpotReply reply)
        {
            var midi = Player.Instrument.Strings[reply.String].Midi + reply.Semitones;
            var spelled = Spelling.InKey(midi, Key);
            var plain = Ways.Count > 0 ? Ways[0] : (Placement?)null;
            var kind =
                (midi - Shown.Midi) % 12 == 0 ? MistakeKind.WrongOctave
                : plain?.String == reply.String && Math.Abs(midi - Shown.Midi) == 1 ? MistakeKind.LowHigh
                : plain is { } at && Math.Abs(at.String - reply.String) == 1 && at.Semitones == reply.Semitones
                    ? MistakeKind.NeighbourString
                : MistakeKind.Unclear;
            return new Diagnosis(kind, Shown, spelled);
        }

        /// <summary>A line or space, told or written on.</summary>
        private Diagnosis OfStaff(StaffPlace place)
        {
            var answered = Key.Apply(Clef.PitchAt(place.Height));
            var apart = place.Height - Height;
            Clef[] clefs = [.. Clef.All.Where(c => c != Clef && c.HeightOf(Shown) == place.Height)];
            var kind =
                apart == 0 ? MistakeKind.Right
                : Math.Abs(apart) == 1 ? MistakeKind.OneStep
                : place.Height == StaffPlace.TopLine - Height ? MistakeKind.WrongEnd
                : clefs.Length > 0 ? MistakeKind.OtherClef
                : apart % 7 == 0 ? MistakeKind.WrongOctave
                : MistakeKind.Unclear;
            return new Diagnosis(kind, Shown, answered) { Clefs = kind == MistakeKind.OtherClef ? clefs : [] };
        }

        /// <summary>Mistakes of reading: what tells them is the note that was taken for the one shown.</summary>
        /// <param name="exactly">The answer's octave is known.</param>
        private Diagnosis? Misread(Pitch answered, bool exactly)
        {
            var apart = answered.Step - Shown.Step;
            var byKey = Key.AlterOf(Shown.Letter);
            MistakeKind? kind = apart switch
            {
                0 when Shown.Alter == byKey && byKey != 0 && answered.Alter == 0 => MistakeKind.ForgotSignature,
                0 when Shown.Alter != byKey && answered.Alter == byKey => MistakeKind.ForgotAccidental,
                0 => MistakeKind.LowHigh,
                1 or -1 => MistakeKind.OneStep,
                _ => null,
            };
            if (kind is { } found)
                return new Diagnosis(found, Shown, answered);
            var fromAbove = Clef.PitchAt(StaffPlace.TopLine - Height);
            if (exactly ? fromAbove.Step == answered.Step : fromAbove.Letter == answered.Letter)
                return new Diagnosis(MistakeKind.WrongEnd, Shown, answered);
            if (answered.Letter == Shown.Letter)
                return answered.Alter == Shown.Alter ? new Diagnosis(MistakeKind.WrongOctave, Shown, answered) : null;
            Clef[] clefs = [.. Clef.All.Where(c => c != Clef && c.PitchAt(Height).Letter == answered.Letter)];
            return clefs.Length > 0 ? new Diagnosis(MistakeKind.OtherClef, Shown, answered) { Clefs = clefs } : null;
        }

        /// <summary>What a pair sounds, spelled by the key, or as the shown note a half step away that the key does not have.</summary>
        private Pitch? Sounding(PairReply reply)
        {
            if (PairSound.Of(Player.Instrument, reply.String, reply.Finger, reply.Word, Key) is not { } sound)
                return null;
            var inKey = Key.AlterOf(sound.Letter) == sound.Alter;
            var off = sound.Midi - Shown.Midi + Shown.Alter;
            return !inKey && Math.Abs(sound.Midi - Shown.Midi) == 1 && off is >= -1 and <= 1
                ? new Pitch(Shown.Letter, off, Shown.Octave)
                : sound;
        }

        /// <summary>The instrument that would play the note of this name on the string of this name with that finger.</summary>
        private Instrument? WhoseFinger(in Placement plain, PairReply reply)
        {
            if (reply.String != plain.String)
                return null;
            var letter = Player.Instrument.Strings[plain.String].Letter;
            var semitones = plain.Semitones;
            return StringSection.All.FirstOrDefault(other => other.Id != Player.Instrument.Id && Plays(other, letter, semitones, reply));
        }

        private bool Plays(Instrument other, Letter letter, int semitones, PairReply reply)
        {
            foreach (var (s, open) in other.Strings.Index())
            {
                if (open.Letter != letter)
                    continue;
                var steps = Shown.Step - Player.Instrument.Strings[Ways[0].String].Step;
                var step = open.Step + steps;
                var alter = open.Midi + semitones - Pitch.FromStep(step).Midi;
                var player = new Player(other, Player.Style);
                return PlainPlace.Of(player, Pitch.FromStep(step, alter), other.FirstHeight) is { } at
                    && at.String == s
                    && at.Finger == reply.Finger
                    && at.Word == reply.Word;
            }

            return false;
        }
    }
}
