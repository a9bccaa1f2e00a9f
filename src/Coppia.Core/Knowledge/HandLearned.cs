using Coppia.Core.Instruments;

namespace Coppia.Core.Knowledge;

/// <summary>What a class's hand can do on one instrument, to be asked for every note of a tune.</summary>
/// <param name="Strings">For each string, lowest sounding first, whether the class plays on it.</param>
internal sealed record HandLearned(IReadOnlyList<bool> Strings)
{
    private const int Words = (int)PlaceWord.Forward + 1;

    private readonly bool[] _places = new bool[5 * Words * 2];

    public bool Places(in FingerPlace place) => _places[Index(place)];

    public static HandLearned Of(Instrument instrument, ClassKnowledge known)
    {
        var hand = new HandLearned([.. instrument.Strings.Select((_, s) => known.Allows(instrument, s))]);
        foreach (var finger in Enumerable.Range(0, 5))
        {
            foreach (var word in Enum.GetValues<PlaceWord>())
            {
                foreach (var reach in new[] { false, true })
                {
                    var place = new FingerPlace(finger, word, reach);
                    hand._places[Index(place)] = known.Allows(instrument, place);
                }
            }
        }

        return hand;
    }

    private static int Index(in FingerPlace place) =>
        (place.Finger * Words + (int)place.Word) * 2 + (place.Reach ? 1 : 0);
}
