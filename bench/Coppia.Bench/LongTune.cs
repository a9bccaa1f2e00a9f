using System.Text;
using Coppia.Core;
using Coppia.Formats;

namespace Coppia.Bench;

/// <summary>A made-up tune of any length: seeded steps and leaps over two octaves of G major, some notes slurred.</summary>
internal static class LongTune
{
    public static string Abc(int notes)
    {
        var random = new Random(11);
        var text = new StringBuilder("X:1\nT:Long\nM:4/4\nL:1/8\nK:G\n");
        var step = 4;
        var names = "G,A,B,C D E F G A B c d e f g a ".Chunk(2).Select(c => new string(c).Trim()).ToArray();
        for (var i = 0; i < notes; i++)
        {
            step = Math.Clamp(step + random.Next(-3, 4), 0, names.Length - 1);
            text.Append(i % 8 == 2 ? "(" : "").Append(names[step]).Append(i % 8 == 3 ? ")" : "");
            if (i % 8 == 7 && i < notes - 1) text.Append(i % 32 == 31 ? "|\n" : "|");
        }

        return text.Append("|]\n").ToString();
    }

    public static Score Score(int notes) => TuneReader.Read(Abc(notes)).Score!;
}
