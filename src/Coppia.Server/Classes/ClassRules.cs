using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Classes;

/// <summary>What a class and its learners may be.</summary>
internal static class ClassRules
{
    public static RefusedException NoClass(long id) =>
        RefusedException.NotHere(Say("classes.class.there-is-no-class-it-may-have", ("id", id)));

    public static RefusedException NoLearner() =>
        RefusedException.NotHere(Say("asked.asker.there-is-no-such-learner-in-this"));

    public static LearnerRecord RecordOf(long @class, LearnerRequest l) =>
        new()
        {
            ClassId = @class,
            Nickname = l.Nickname.Trim(),
            Instrument = l.Instrument,
            Size = l.Size,
            Tapes = LearnerView.TextOf(l.Tapes),
        };

    /// <summary>What a class cannot be called, or how long its lesson cannot be; null for nothing.</summary>
    public static string? Wrong(string name, int minutes) =>
        Checks.FirstWrong(new ClassRequest(name, [], LessonMinutes: minutes))?.Wrong;

    public static string? Wrong(IReadOnlyList<LearnerRequest> learners, int present = 0)
    {
        if (present + learners.Count > Limits.MostLearners)
            return Say("classes.class.a-class-has-at-most-learners", ("mostLearners", Limits.MostLearners));
        foreach (var (i, l) in learners.Index())
        {
            var wrong =
                LearnerList.Wrong(l.Nickname, l.Instrument, l.Size)
                ?? (
                    l.Tapes is { } tapes
                    && (tapes.Count > Limits.HighestTape || tapes.Any(t => t is < 1 or > Limits.HighestTape))
                        ? Say("classes.class.expected-tapes-1-to-half-steps", ("highestTape", Limits.HighestTape))
                        : null
                );
            if (wrong is not null)
                return Say("classes.class.wrong-learner", ("i", i + 1), ("nickname", l.Nickname), ("wrong", wrong));
        }

        return null;
    }
}
