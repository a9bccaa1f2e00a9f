using Coppia.Data.Classes;
using Coppia.Server.Asked;

namespace Coppia.Server.Classes;

/// <summary>What a class and its learners may be.</summary>
internal static class ClassRules
{
    private const int LongestName = 80;

    public static RefusedException NoClass(long id) =>
        RefusedException.NotHere($"There is no class {id}; it may have been deleted.");

    public static RefusedException NoLearner() =>
        RefusedException.NotHere("There is no such learner in this class; it may have been deleted.");

    public static LearnerRecord RecordOf(long @class, LearnerRequest l) =>
        new()
        {
            ClassId = @class,
            Nickname = l.Nickname.Trim(),
            Instrument = l.Instrument,
            Size = l.Size,
            Tapes = LearnerView.TextOf(l.Tapes),
        };

    public static string? Wrong(string name, int minutes) =>
        name.Trim().Length is 0 or > LongestName ? $"Expected a name of 1 to {LongestName} characters for the class."
        : minutes is < 5 or > 240 ? "Expected a lesson of 5 to 240 minutes."
        : null;

    public static string? Wrong(IReadOnlyList<LearnerRequest> learners, int present = 0)
    {
        if (present + learners.Count > LearnerList.MostLearners)
            return $"A class has at most {LearnerList.MostLearners} learners.";
        foreach (var (i, l) in learners.Index())
        {
            var wrong =
                LearnerList.Wrong(l.Nickname, l.Instrument, l.Size)
                ?? (
                    l.Tapes is { } tapes && (tapes.Count > 12 || tapes.Any(t => t is < 1 or > 12))
                        ? "expected tapes 1 to 12 half steps above the nut"
                        : null
                );
            if (wrong is not null)
                return $"Learner {i + 1}, {l.Nickname}: {wrong}.";
        }

        return null;
    }
}
