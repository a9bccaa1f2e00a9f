using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Formats.Records;

namespace Coppia.Server.Stand;

/// <summary>One thing that is new to the class in a tune.</summary>
/// <param name="Thing">The line by which records name it.</param>
/// <param name="Kind">What kind of thing it is.</param>
/// <param name="Name">What it is called: "A, first finger on G".</param>
/// <param name="Text">A sentence with where it first comes and how often.</param>
/// <param name="Where">Where it first comes and how often.</param>
/// <param name="BarId">The bar in which it first comes.</param>
/// <param name="NoteIds">Every note or rest that has it.</param>
/// <param name="Weight">What it weighs in how hard the tune is.</param>
/// <param name="With">The lines of notes that come with it.</param>
public sealed record NewThingView(
    string Thing,
    ThingKind Kind,
    string Name,
    string Text,
    string Where,
    string BarId,
    IReadOnlyList<string> NoteIds,
    int Weight,
    IReadOnlyList<string> With
);

/// <summary>What is new to a class in a tune, and how hard that makes it.</summary>
/// <param name="Count">New things to teach.</param>
/// <param name="Weight">What they weigh together.</param>
/// <param name="Words">"one new thing".</param>
/// <param name="Parts">How hard it is, told in parts.</param>
public sealed record NewsView(
    IReadOnlyList<NewThingView> Things,
    int Count,
    int Weight,
    Reach Reach,
    string Words,
    string Parts
)
{
    /// <returns>Null where no record of the class is kept.</returns>
    internal static NewsView? Of(News news, PlayerReading reading, Player player)
    {
        if (player.Known.Things is null)
            return null;
        var (words, hard) = (new NewsWords(player.Style), HowHard.Of(news, HowHard.HardestStepOf(reading)));
        return new NewsView(
            [
                .. news.Of.Select(n => new NewThingView(
                    Thing: ThingText.Of(n.Thing),
                    Kind: n.Thing.Kind,
                    Name: words.Name(n),
                    Text: words.Sentence(n),
                    Where: NewsWords.Where(n.Met),
                    BarId: n.Met.BarId,
                    NoteIds: n.Met.NoteIds,
                    Weight: HowHard.WeightOf(n),
                    With: [.. n.With.Select(w => ThingText.Of(w.Thing))]
                )),
            ],
            hard.Count,
            hard.Weight,
            hard.Reach,
            NewsWords.Count(hard),
            NewsWords.Parts(hard)
        );
    }
}
