namespace Coppia.Tests;

/// <summary>Our notation against tonal, a general music-theory library.</summary>
public class TheoryTests
{
    [Fact]
    public void Scales_key_signatures_and_midi_numbers_agree_with_tonal()
    {
        var keys = Enumerable.Range(-7, 15).Select(f => new KeySignature(f)).ToArray();
        var pitches = Enumerable
            .Range(0, 63)
            .SelectMany(step => Enumerable.Range(-2, 5).Select(alter => Pitch.FromStep(step, alter)))
            .ToArray();
        string Plain(Pitch p) => p.Letter + p.AccidentalText;
        var tonal = Outside.Ask(
            "theory.mjs",
            new
            {
                tonics = keys.Select(k => Plain(k.TonicInOctave(4))),
                minorTonics = keys.Select(k => Plain(new KeySignature(k.Fifths, Mode.Minor).TonicInOctave(4))),
                pitches = pitches.Select(p => p.ToString()),
            }
        );

        IEnumerable<string> Scale(KeySignature key) =>
            Enumerable.Range(0, 7).Select(i => Plain(key.Apply(Pitch.FromStep(key.TonicInOctave(4).Step + i))));
        foreach (var (i, key) in keys.Index())
        {
            Assert.Equal(tonal.GetProperty("majors")[i].GetProperty("notes").EnumerateArray().Select(n => n.GetString()), Scale(key));
            Assert.Equal(tonal.GetProperty("majors")[i].GetProperty("alteration").GetInt32(), key.Fifths);
            Assert.Equal(
                tonal.GetProperty("minors")[i].EnumerateArray().Select(n => n.GetString()),
                Scale(new KeySignature(key.Fifths, Mode.Minor))
            );
        }

        Assert.Equal(tonal.GetProperty("midi").EnumerateArray().Select(m => m.GetInt32()), pitches.Select(p => p.Midi));
    }
}
