using Coppia.Core.Knowledge;
using Coppia.Data.Classes;
using Coppia.Data.Exercises;
using Coppia.Server.Asked;
using Coppia.Server.Classes;
using Coppia.Server.Stand;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Learn;

/// <summary>The learner whose link it is, and what is theirs; another's is not there for them.</summary>
internal sealed class Own(
    Asker asker,
    SetWork set,
    Readings readings,
    LearnerLineRepository lines,
    SheetRepository sheets
)
{
    private LearnerRecord? _who;

    /// <exception cref="InvalidOperationException">No link was opened.</exception>
    public LearnerRecord Who =>
        _who ?? throw new InvalidOperationException("Only the addresses of a learner's link know a learner.");

    /// <summary>Says whose link it is; all that follows is for that learner, in their class.</summary>
    public void Open(LearnerRecord who, ClassRecord? one)
    {
        _who = who;
        asker.AsksFor(one);
    }

    public Player Player => asker.PlayerOf(Who);

    /// <summary>What is set to the learner and still shown.</summary>
    public IReadOnlyList<WorkRecord> Work => set.Of(Who);

    /// <summary>A tune that is set to the learner, on their line.</summary>
    /// <exception cref="RefusedException">It is not set to them, or is gone.</exception>
    public KeptTune Tune(long tune)
    {
        if (Work.All(w => w.TuneId != tune))
            throw RefusedException.NotHere(Say("learn.own.this-tune-is-not-set-to-you"));
        return readings.Kept(tune).For(Who.Instrument).On(lines.Of(Who.Id).FirstOrDefault(l => l.TuneId == tune)?.Line);
    }

    /// <summary>A sheet that is set to the learner.</summary>
    /// <exception cref="RefusedException">It is not set to them, or is gone.</exception>
    public SheetRecord Sheet(long sheet) =>
        Work.Any(w => w.SheetId == sheet) && sheets.Find(sheet) is { } kept
            ? kept
            : throw RefusedException.NotHere(Say("learn.own.this-sheet-is-not-set-to-you"));
}
