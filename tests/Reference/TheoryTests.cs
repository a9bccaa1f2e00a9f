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
            Assert.Equal(
                tonal.GetProperty("majors")[i].GetProperty("notes").EnumerateArray().Select(n => n.GetString()),
                Scale(key)
            );
            Assert.Equal(tonal.GetProperty("majors")[i].GetProperty("alteration").GetInt32(), key.Fifths);
            Assert.Equal(
                tonal.GetProperty("minors")[i].EnumerateArray().Select(n => n.GetString()),
                Scale(new KeySignature(key.Fifths, Mode.Minor))
            );
        }

        // The answers of exercises: the letters of a signature, and a scale with its half steps.
        foreach (var (i, key) in keys.Index())
        {
            var player = new Player(StringSection.Violin);
            string[] notes =
            [
                .. tonal.GetProperty("majors")[i].GetProperty("notes").EnumerateArray().Select(n => n.GetString()!),
            ];
            var signature = (SignatureAnswer)Answers.To(new SignatureQuestion(key.Fifths, Written: false), player);
            Assert.Equal(notes[0], Plain(signature.Key.TonicInOctave(4)));
            Assert.Equal(
                notes.Where(n => n.Length > 1).Select(n => n[..1]).Order(),
                signature.Key.ChangedLetters.Select(l => l.ToString()).Order()
            );
            var scale = (ScaleAnswer)
                Answers.To(
                    new ScaleQuestion(key.TonicInOctave(4), new ScaleKey(key.Fifths, ScaleForm.Major), 1),
                    player
                );
            Assert.Equal([.. notes, notes[0]], scale.Notes.Select(Plain));
        }

        Assert.Equal(tonal.GetProperty("midi").EnumerateArray().Select(m => m.GetInt32()), pitches.Select(p => p.Midi));
    }
}
