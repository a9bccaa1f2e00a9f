using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Classes;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Classes;
using Coppia.Server.Asked;

namespace Coppia.Server.Classes;

/// <summary>Everything that the class that is asked for may know, and does; and how it came to.</summary>
internal sealed class KnownPlan(Asker asker, KnownRepository known)
{
    /// <summary>As its record is now.</summary>
    /// <exception cref="RefusedException">There is no such class.</exception>
    public PlanView Now()
    {
        var one = asker.ClassAnew();
        var (style, knows) = (asker.Style, asker.Known);
        return new PlanView(
            [.. asker.Section.Select(i => SectionPlan.Of(new Player(i, style, knows)))],
            [
                .. TeachingPlan
                    .Shared(knows)
                    .Select(p => new PlanPartView(
                        p.Part,
                        PlanWords.Part(p.Part),
                        [
                            .. p.Things.Select(t =>
                                TickView.Of(t, ThingWords.Name(t, style), PlanWords.Short(t, style), knows)
                            ),
                        ]
                    )),
            ],
            KnownChangeView.Of(known.Of(one.Id), style),
            one.KnownVersion
        );
    }
}
