using Coppia.Core.Fingering;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>The notes of a key on one string of one player, from the open string up.</summary>
/// <param name="String">0 = lowest sounding string.</param>
/// <param name="Tones">The open string where it belongs to the key, then the fingers.</param>
internal sealed record StringTones(int String, IReadOnlyList<StringTone> Tones)
{
    /// <summary>
    /// For each asked string that all players have, what each plays on it; in the order of the first player's strings.
    /// </summary>
    /// <exception cref="SheetImpossibleException">A string that is not there.</exception>
    public static IReadOnlyList<StringTones[]> Of(SheetRequest request) =>
        [
            .. KeyQuestions
                .StringLetters(request)
                .Select(letter => Shared([.. request.Players.Select(p => OnString(request, p, letter))]))
                .Where(each => each.All(t => t.Tones.Count > 1)),
        ];

    /// <summary>Several players get the notes of a string that all of them have there.</summary>
    private static StringTones[] Shared(StringTones[] each)
    {
        if (each.Length == 1)
            return each;
        var all = each.Select(t => t.Tones.Select(Name)).Aggregate((a, b) => a.Intersect(b)).ToHashSet();
        return [.. each.Select(t => t with { Tones = [.. t.Tones.Where(x => all.Contains(Name(x)))] })];

        static (Letter, int) Name(StringTone tone) => (tone.Pitch.Letter, tone.Pitch.Alter);
    }

    private static StringTones OnString(SheetRequest request, Player player, Letter letter)
    {
        var at = player.Instrument.Strings.Index().First(s => s.Item.Letter == letter).Index;
        return OnString(request, player, at);
    }

    /// <param name="at">0 = lowest sounding string.</param>
    public static StringTones OnString(SheetRequest request, Player player, int at)
    {
        var (instrument, key) = (player.Instrument, request.MusicKey);
        var shape = HandShape.InKey(instrument, key, HandShape.BestPosition(instrument, key))[at];
        var fingers = shape
            .Spots.Where(s =>
                player.Allows(s.Placement) && Knows(s.Pitch) && request.Stretches(player, s.Placement, s.Pitch)
            )
            .Select(s => new StringTone(s.Pitch, s.Placement.Finger, s.Placement.Semitones));
        return new StringTones(
            at,
            [
                .. shape.OpenInKey ? [new StringTone(instrument.Strings[at], 0, 0)] : Array.Empty<StringTone>(),
                .. fingers,
            ]
        );

        bool Knows(Pitch pitch) => player.Known.Knows(new KnownNote(instrument.Id, instrument.Strings[at], pitch));
    }

    /// <summary>A tone as a note of an exercise; tones beyond the highest begin again below it.</summary>
    public PairedNote Note(int tone, NoteValue value)
    {
        var at = Tones[Math.Min(tone, Tones.Count - 1)];
        return new PairedNote(at.Pitch, value, new Pin(String, at.Finger));
    }
}

/// <summary>A note under a finger of one string; finger 0 is the open string.</summary>
internal readonly record struct StringTone(Pitch Pitch, int Finger, int Semitones);
