using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>Questions about keys: signatures, hand shapes, scales (craft 12).</summary>
internal static class KeyQuestions
{
    private const int MostSigns = 4;

    /// <summary>
    /// The keys of a first year by their signatures, from the key that is usually first (craft 15, common practice).
    /// </summary>
    private static readonly int[] UsualFifths = [2, 1, 0, 3, -1, -2];

    /// <summary>The signatures up to the key's own; without a key up to four sharps and four flats.</summary>
    /// <exception cref="SheetImpossibleException">The key has no signs.</exception>
    public static IReadOnlyList<Candidate> Signatures(SheetRequest request)
    {
        var asked = AskedKey(request)?.Fifths;
        if (asked == 0)
            throw request.Impossible(SheetFault.KeyTooPlain);
        var (least, most) = asked is { } f ? (Math.Min(0, f), Math.Max(0, f)) : (-MostSigns, MostSigns);
        var all = Enumerable.Range(least, most - least + 1);
        return
        [
            .. (asked is null ? Known(request, [.. all]) : all).Select(fifths => new Candidate(
                ForEach(request, new SignatureQuestion(fifths, Written: false)),
                Math.Max(0, Math.Abs(fifths) - 1),
                Math.Sign(fifths),
                fifths
            )
            {
                // There is nothing to write for a signature without signs.
                OtherForm = fifths == 0 ? null : ForEach(request, new SignatureQuestion(fifths, Written: true)),
            }),
        ];
    }

    /// <summary>The shape of each string in the asked key, or in the usual keys.</summary>
    /// <exception cref="SheetImpossibleException">A string that is not there, or no shape.</exception>
    public static IReadOnlyList<Candidate> Shapes(SheetRequest request)
    {
        var keys = AskedKey(request) is { } key
            ? [key]
            : UsualKeys(request).Select(f => new ScaleKey(f, ScaleForm.Major));
        var letters = StringLetters(request);
        Candidate[] pool = [.. keys.SelectMany(k => letters.Select(s => Shape(request, k, s))).OfType<Candidate>()];
        return pool.Length > 0 ? pool : throw request.Impossible(SheetFault.TooFewNotes);
    }

    private static Candidate? Shape(SheetRequest request, ScaleKey key, Letter letter)
    {
        var each = request
            .Players.Select(p =>
            {
                var at = p.Instrument.Strings.Index().First(s => s.Item.Letter == letter).Index;
                var position = HandShape.BestPosition(p.Instrument, key);
                return (At: at, Position: position, Shape: HandShape.InKey(p.Instrument, key, position)[at]);
            })
            .ToArray();
        if (each.Any(e => e.Shape.Spots.Count < 2))
            return null;
        var moved = each.Max(e => e.Shape.Spots.Count(s => s.Placement.Word != PlaceWord.Regular));
        return new Candidate(
            [.. each.Select(e => new ShapeQuestion(key, e.At, e.Position, Drawn: false))],
            Math.Min(2, moved),
            key,
            string.Join(' ', each[0].Shape.Spots.Select(s => $"{s.Placement.Finger}{s.Placement.Semitones}"))
        )
        {
            OtherForm = [.. each.Select(e => new ShapeQuestion(key, e.At, e.Position, Drawn: true))],
        };
    }

    /// <summary>Letters of the strings that are asked for, or of all that every player has and may use.</summary>
    internal static Letter[] StringLetters(SheetRequest request)
    {
        foreach (var player in request.Players)
        {
            foreach (var letter in request.Strings.Where(l => player.Instrument.Strings.All(s => s.Letter != l)))
                throw new SheetImpossibleException(SheetFault.NoSuchString, request.Kind, player.Instrument)
                {
                    String = letter,
                };
        }

        return
        [
            .. request
                .First.Instrument.Strings.Select(s => s.Letter)
                .Where(l => request.Strings.Count == 0 || request.Strings.Contains(l))
                .Where(l =>
                    request.Players.All(p =>
                        p.Instrument.Strings.Index().Any(s => s.Item.Letter == l && p.PlaysOn(s.Index))
                    )
                ),
        ];
    }

    /// <summary>Scales to be built from their first notes: of the asked key, or of the usual keys.</summary>
    /// <exception cref="SheetImpossibleException">The instrument holds no such scale.</exception>
    public static IReadOnlyList<Candidate> Scales(SheetRequest request)
    {
        var keys = AskedKey(request) is { } key
            ? [key]
            : UsualKeys(request).Select(f => new ScaleKey(f, ScaleForm.Major));
        Candidate[] pool = [.. keys.SelectMany(k => Scales(request, k))];
        return pool.Length > 0
            ? pool
            : throw new SheetImpossibleException(SheetFault.OutOfReach, request.Kind, request.First.Instrument)
            {
                Key = request.MusicKey,
                Possible = request.Octaves,
                PossibleKeys =
                [
                    .. UsualKeys(request)
                        .Select(f => new ScaleKey(f, ScaleForm.Major))
                        .Where(k => Scales(request, k).Any()),
                ],
            };
    }

    private static IEnumerable<Candidate> Scales(SheetRequest request, ScaleKey key)
    {
        var ground = NoteStock.Of(request with { Key = key, From = [] });
        var steps = 7 * request.Octaves;
        for (var n = 0; n + steps < ground.Count; n++)
        {
            // The notes of a scale lie side by side for everybody.
            if (ground.First(n).Pitch.Letter != key.Tonic.Letter || !SideBySide(ground, n, steps))
                continue;
            yield return new Candidate(
                [.. ground.Notes[n].Select(t => new ScaleQuestion(t.Pitch, key, request.Octaves))],
                Math.Min(3, Math.Abs(key.Fifths)),
                key
            );
        }
    }

    internal static bool SideBySide(NoteStock ground, int from, int steps) =>
        ground.Notes[from].Zip(ground.Notes[from + steps]).All(t => t.Second.Pitch.Step - t.First.Pitch.Step == steps);

    private static IReadOnlyList<int> UsualKeys(SheetRequest request) => Known(request, UsualFifths);

    /// <summary>The signatures that everybody knows; all of them where that leaves nothing to choose from.</summary>
    private static IReadOnlyList<int> Known(SheetRequest request, IReadOnlyList<int> fifths)
    {
        int[] known = [.. fifths.Where(f => request.Players.All(p => p.Known.Knows(new KnownKey(f))))];
        return known.Length > 1 ? known : fifths;
    }

    private static ScaleKey? AskedKey(SheetRequest request) =>
        request.Key ?? (request.From.Count > 0 ? request.MusicKey : null);

    private static Question[] ForEach(SheetRequest request, Question question) =>
        [.. request.Players.Select(_ => question)];
}
