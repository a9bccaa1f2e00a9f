using System.Globalization;
using Coppia.Formats.Books;

namespace Coppia.Tests;

/// <summary>
/// Tunes made up at random as ABC, the same for the same seed: steps, skips and many repeats, as beginners' music has
/// them.
/// </summary>
internal static class RandomTunes
{
    private static readonly string[] Keys = ["C", "G", "D", "A", "E", "F", "Bb", "Eb", "Am", "Em", "Dm", "Gm"];

    /// <summary>Notes of one or two beats, each under its own bow, in 4/4.</summary>
    /// <param name="lowest">Staff step of the lowest note.</param>
    /// <param name="highest">Staff step of the highest note.</param>
    public static Score Plain(int seed, int lowest, int highest)
    {
        var random = new Random(seed);
        var key = Keys[random.Next(Keys.Length)];
        var walk = new Walk(random, lowest, highest);
        return Read(
            key,
            "4/4",
            string.Join('|', Enumerable.Range(0, random.Next(4, 9)).Select(_ => PlainBar(random, walk)))
        );
    }

    /// <summary>A tune A A B A of four bars a part, with slurs, quick notes, rests and accidentals.</summary>
    public static Score Song(int seed, int lowest, int highest)
    {
        var random = new Random(seed);
        var key = Keys[random.Next(Keys.Length)];
        var walk = new Walk(random, lowest, highest);
        string[] Part() => [.. Enumerable.Range(0, 4).Select(_ => RoughBar(random, walk))];
        var (a, b) = (Part(), Part());
        string Line(string[] part) => string.Join('|', part);
        return Read(key, "4/4", $"{Line(a)}|\n{Line(a)}|\n{Line(b)}|\n{Line(a)}");
    }

    /// <summary>Bars as of a song that never come again.</summary>
    public static string[] Bars(int seed, int lowest, int highest, int count)
    {
        var random = new Random(seed);
        var walk = new Walk(random, lowest, highest);
        return [.. Enumerable.Range(0, count).Select(_ => RoughBar(random, walk))];
    }

    public static Score Read(string key, string meter, string music)
    {
        var read = TuneReader.Read($"X:1\nM:{meter}\nL:1/4\nK:{key}\n{music} |]\n");
        return read.Score ?? throw new InvalidOperationException(string.Join("; ", read.Errors) + "\n" + music);
    }

    private static string PlainBar(Random random, Walk walk)
    {
        var lengths = random.Next(4) switch
        {
            0 => new[] { 2, 2 },
            1 => [1, 1, 2],
            2 => [2, 1, 1],
            _ => [1, 1, 1, 1],
        };
        return string.Join(
            ' ',
            lengths.Select(l => Abc(walk.Next()) + (l == 1 ? "" : l.ToString(CultureInfo.InvariantCulture)))
        );
    }

    private static string RoughBar(Random random, Walk walk)
    {
        var lengths = random.Next(5) switch
        {
            0 => new[] { "", "", "2" },
            1 => ["/", "/", "/", "/", "2"],
            2 => ["", "/", "/", "", ""],
            3 => ["3/2", "/", "", ""],
            _ => ["/", "/", "/", "/", "/", "/", "/", "/"],
        };
        var slurFrom = random.Next(3) == 0 ? -1 : random.Next(lengths.Length - 1);
        var slurTo = slurFrom < 0 ? -1 : random.Next(slurFrom + 1, lengths.Length);
        return string.Join(
            ' ',
            lengths.Select(
                (length, i) =>
                {
                    if (i > 0 && i != slurFrom && i != slurTo && !(slurFrom < i && i < slurTo) && random.Next(14) == 0)
                        return "z" + length;
                    var sign = random.Next(9) == 0 ? new[] { "^", "_", "=" }[random.Next(3)] : "";
                    return (i == slurFrom ? "(" : "") + sign + Abc(walk.Next()) + length + (i == slurTo ? ")" : "");
                }
            )
        );
    }

    /// <summary>A staff step as ABC writes it: step 28 is C in octave 4.</summary>
    private static string Abc(int step)
    {
        var letter = "CDEFGAB"[step % 7];
        var octave = step / 7;
        return octave >= 5
            ? char.ToLowerInvariant(letter) + new string('\'', octave - 5)
            : letter + new string(',', 4 - octave);
    }

    private sealed class Walk(Random random, int lowest, int highest)
    {
        private int _at = random.Next(lowest, highest + 1);

        public int Next()
        {
            var now = _at;
            _at += random.Next(20) switch
            {
                < 6 => 0,
                < 14 => random.Next(2) * 2 - 1,
                < 18 => random.Next(2) * 4 - 2,
                _ => random.Next(-4, 5),
            };
            if (_at < lowest)
                _at = 2 * lowest - _at;
            if (_at > highest)
                _at = 2 * highest - _at;
            return now;
        }
    }
}
