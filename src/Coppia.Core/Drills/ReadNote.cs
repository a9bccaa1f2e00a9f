using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>A note that was named, or told by its line or space: what was misread (craft 14).</summary>
internal sealed record ReadNote(Player Player, Pitch Shown, KeySignature Key)
{
    private Clef Clef => Player.Instrument.FirstClef;

    private StaffPlace Place => StaffPlace.Of(Shown, Clef);

    public Diagnosis OfName(NameReply reply)
    {
        // Without an octave the name is taken as near the note as it goes.
        var steps = ((int)reply.Letter - (int)Shown.Letter + 10) % 7 - 3;
        var answered = reply.Octave is { } octave
            ? new Pitch(reply.Letter, reply.Alter, octave)
            : Pitch.FromStep(Shown.Step + steps, reply.Alter);
        Clef[] clefs = [.. Clef.All.Where(c => c != Clef && c.PitchAt(Place.Height).Letter == answered.Letter)];
        var kind = KindOf(answered, exactly: reply.Octave is not null, inOtherClef: clefs.Length > 0);
        return new Diagnosis(kind, Shown, answered) { Clefs = kind == MistakeKind.OtherClef ? clefs : [] };
    }

    /// <summary>The kinds in their order, the first that gives exactly this name.</summary>
    /// <param name="exactly">The answer's octave is known.</param>
    private MistakeKind KindOf(Pitch answered, bool exactly, bool inOtherClef)
    {
        if (answered == Shown)
            return MistakeKind.Right;
        var byKey = Key.AlterOf(Shown.Letter);
        switch (answered.Step - Shown.Step)
        {
            case 0 when Shown.Alter == byKey && byKey != 0 && answered.Alter == 0:
                return MistakeKind.ForgotSignature;
            case 0 when Shown.Alter != byKey && answered.Alter == byKey:
                return MistakeKind.ForgotAccidental;
            case 0:
                return MistakeKind.LowHigh;
            case 1 or -1:
                return MistakeKind.OneStep;
        }

        // Whoever reads another place reads what the signature makes of it, or forgets that besides.
        var readThere = answered.Alter == 0 || answered.Alter == Key.AlterOf(answered.Letter);
        // Only what lies on the staff is counted from an end of it.
        var fromAbove = Clef.PitchAt(StaffPlace.TopLine - Place.Height);
        if (
            readThere
            && Place.OnStaff
            && (exactly ? fromAbove.Step == answered.Step : fromAbove.Letter == answered.Letter)
        )
            return MistakeKind.WrongEnd;
        if (answered.Letter == Shown.Letter)
            return answered.Alter == Shown.Alter ? MistakeKind.WrongOctave : MistakeKind.Unclear;
        return readThere && inOtherClef ? MistakeKind.OtherClef : MistakeKind.Unclear;
    }

    /// <summary>A line or space, told or written on.</summary>
    public Diagnosis OfStaff(StaffPlace place)
    {
        var apart = place.Height - Place.Height;
        Clef[] clefs = [.. Clef.All.Where(c => c != Clef && c.HeightOf(Shown) == place.Height)];
        var kind =
            apart == 0 ? MistakeKind.Right
            : Math.Abs(apart) == 1 ? MistakeKind.OneStep
            : Place.OnStaff && place.Height == StaffPlace.TopLine - Place.Height ? MistakeKind.WrongEnd
            : clefs.Length > 0 ? MistakeKind.OtherClef
            : apart % 7 == 0 ? MistakeKind.WrongOctave
            : MistakeKind.Unclear;
        return new Diagnosis(kind, Shown, Key.Apply(Clef.PitchAt(place.Height)))
        {
            Clefs = kind == MistakeKind.OtherClef ? clefs : [],
        };
    }
}
