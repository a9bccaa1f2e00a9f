using System.Text;
using Coppia.Formats.Books;

namespace Coppia.Bench;

/// <summary>
/// A made-up tune of any length over an instrument's whole range: seeded steps and leaps in G major, some notes
/// slurred.
/// </summary>
internal static class LongTune
{
    public static string Abc(int notes, Instrument player)
    {
        var random = new Random(11);
        var text = new StringBuilder($"X:1\nT:Long\nM:4/4\nL:1/8\nK:G clef={player.FirstClef.Name}\n");
        var names = Range(player);
        var at = names.Length / 2;
        for (var i = 0; i < notes; i++)
        {
            at = Math.Clamp(at + random.Next(-3, 4), 0, names.Length - 1);
            text.Append(i % 8 == 2 ? "(" : "").Append(names[at]).Append(i % 8 == 3 ? ")" : "");
            if (i % 8 == 7 && i < notes - 1)
                text.Append(i % 32 == 31 ? "|\n" : "|");
        }

        return text.Append("|]\n").ToString();
    }

    /// <summary>The lines of such a tune as songs A A B A, so that three of four lines come again.</summary>
    public static string Songs(int notes, Instrument player)
    {
        var text = Abc(notes, player).TrimEnd().TrimEnd(']').Split('\n');
        var (head, lines) = (text[..5], text[5..]);
        var songs = lines.Chunk(2).Where(c => c.Length == 2).SelectMany(c => new[] { c[0], c[0], c[1], c[0] });
        return $"{string.Join('\n', head)}\n{string.Join('\n', songs)}]\n";
    }

    public static Score Score(int notes, Instrument? player = null) =>
        TuneReader.Read(Abc(notes, player ?? StringSection.Violin)).Score!;

    /// <summary>Every note of G major that some finger reaches, as ABC writes it.</summary>
    private static string[] Range(Instrument player)
    {
        var key = new KeySignature(1);
        return
        [
            .. Enumerable
                .Range(player.Strings[0].Step, 40)
                .Select(step => key.Apply(Pitch.FromStep(step)))
                .Where(p => Placements.Of(player, p, 0).Any())
                .Select(p =>
                    p.Octave >= 5
                        ? p.Letter.ToString().ToLowerInvariant() + new string('\'', p.Octave - 5)
                        : p.Letter + new string(',', 4 - p.Octave)
                ),
        ];
    }
}
