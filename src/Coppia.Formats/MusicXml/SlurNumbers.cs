using Coppia.Core.Music;

namespace Coppia.Formats.MusicXml;

/// <summary>
/// Numbers the slurs of a score so that nested ones stay apart: each takes the lowest number free when it begins
/// (MusicXML allows 1 to 16).
/// </summary>
internal sealed class SlurNumbers
{
    private readonly Dictionary<string, List<int>> _starts = [];
    private readonly Dictionary<string, List<int>> _stops = [];

    public SlurNumbers(Score score)
    {
        var open = new Stack<int>();
        foreach (var e in score.Events)
        {
            for (var k = 0; k < e.SlurStops && open.Count > 0; k++)
                Add(_stops, e.Id, open.Pop());
            for (var k = 0; k < e.SlurStarts; k++)
            {
                var number = Enumerable.Range(1, 16).FirstOrDefault(n => !open.Contains(n), 16);
                open.Push(number);
                Add(_starts, e.Id, number);
            }
        }
    }

    public IReadOnlyList<int> Starts(string id) => _starts.TryGetValue(id, out var numbers) ? numbers : [];

    public IReadOnlyList<int> Stops(string id) => _stops.TryGetValue(id, out var numbers) ? numbers : [];

    private static void Add(Dictionary<string, List<int>> to, string id, int number)
    {
        if (!to.TryGetValue(id, out var numbers))
            to[id] = numbers = [];
        numbers.Add(number);
    }
}
