using Coppia.Core.Fingering;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;

namespace Coppia.Core.Wording;

/// <summary>What makes a step hard (craft 11).</summary>
public sealed class TroubleWords(Fingers fingers)
{
    private readonly Player _player = fingers.Player;

    /// <summary>The step and what makes it hard: "F♯ (D2) to B (A1), a string crossing with another finger."</summary>
    public string Of(TroubleSpot spot)
    {
        var (before, now) = (fingers.Notes[spot.From], fingers.Notes[spot.To]);
        var withFinger = spot.Parts.Any(p => p.Part == TroublePart.CrossingWithFinger);
        string[] said =
        [
            .. spot
                .Parts.OrderByDescending(p => p.Points)
                .Select(p => p.Part)
                .Where(p => p != TroublePart.Crossing || !withFinger)
                .Select(part => Part(part, now)),
        ];
        return $"{Called(before)} to {Called(now)}, {English.List(said)}.";
    }

    /// <summary>What kind of spot it is.</summary>
    public static string Title(TroubleSpot spot) => spot.IsSlip ? "The likeliest slip in this line" : "Trouble spot";

    /// <summary>The bar that it falls in: "Bar 6".</summary>
    public string Where(TroubleSpot spot) => fingers.Notes[spot.To].Note.Bar.Spoken();

    private string Called(FingeredNote note) =>
        $"{Labels.Note(note.Note.Pitch, _player.Style)} ({(note.Placement is { } at ? Labels.Pair(at.Pair, _player) : "-")})";

    private string Part(TroublePart part, FingeredNote now) =>
        part switch
        {
            TroublePart.Crossing => "a string crossing",
            TroublePart.CrossingWithFinger => "a string crossing with another finger",
            TroublePart.SkippedString => "a skipped string",
            TroublePart.Leap => "a leap",
            TroublePart.FingerMoves => $"finger {now.Placement?.Finger} slides",
            TroublePart.TwoHeights => $"finger {now.Placement?.Finger} at two heights",
            TroublePart.Stretch => "a stretch",
            TroublePart.Shift when now.Placement is { } at => $"a shift to {_player.FrameOf(at).Spoken}",
            TroublePart.QuickNote => "quick notes",
            TroublePart.SlurOverCrossing => "slurred over the crossing",
            TroublePart.Beyond => "beyond what the class has learned",
            _ => "an odd rhythm",
        };
}
