namespace Coppia.Core.Music;

/// <summary>
/// Accidentals through one bar: a sign holds for its line or space, in its octave, to the barline (craft 1).
/// </summary>
/// <param name="key">The signature at the beginning of the staff.</param>
/// <param name="ofLetter">What a source does to single letters in every octave beside its signature; null for
/// nothing.</param>
public sealed class Accidentals(KeySignature key, IReadOnlyDictionary<Letter, int>? ofLetter = null)
{
    private readonly Dictionary<int, int> _signs = [];

    /// <summary>What a note on this staff step sounds if nothing is printed before it.</summary>
    public int InForce(int step)
    {
        if (_signs.TryGetValue(step, out var alter))
            return alter;
        var letter = Pitch.FromStep(step).Letter;
        return ofLetter is not null && ofLetter.TryGetValue(letter, out var own) ? own : key.AlterOf(letter);
    }

    /// <summary>True when an accidental earlier in this bar decides the step, not the key signature.</summary>
    public bool SignedEarlier(int step) => _signs.ContainsKey(step);

    /// <summary>Records a printed sign.</summary>
    public void Print(int step, int alter) => _signs[step] = alter;

    /// <summary>True when the pitch needs a printed sign here; the sign then counts as printed.</summary>
    public bool PrintIfNeeded(Pitch pitch)
    {
        if (InForce(pitch.Step) == pitch.Alter)
            return false;
        Print(pitch.Step, pitch.Alter);
        return true;
    }

    /// <summary>For every pitch of a bar in printed order (graces, chords included): does it need a sign?</summary>
    /// <param name="bar">The bar.</param>
    /// <param name="tiedIn">Staff steps of notes tied over from the bar before; they repeat no sign.</param>
    public static IReadOnlyDictionary<string, bool[]> Shown(Bar bar, IReadOnlySet<int> tiedIn)
    {
        var state = new Accidentals(bar.Key);
        var shown = new Dictionary<string, bool[]>();
        var first = true;
        foreach (var e in bar.Events)
        {
            foreach (var grace in e.Graces)
                shown[grace.Id] = [state.PrintIfNeeded(grace.Pitch)];
            if (e.Pitch is { } pitch)
            {
                var atStart = first;
                shown[e.Id] =
                [
                    .. new[] { pitch }
                        .Concat(e.Chord)
                        .Select(p => !(atStart && tiedIn.Contains(p.Step)) && state.PrintIfNeeded(p)),
                ];
            }

            first = false;
        }

        return shown;
    }

    /// <summary>Staff steps that the last note of a bar ties over its barline.</summary>
    public static IReadOnlySet<int> TiedOut(Bar bar) =>
        bar.Events is [.., { TiedOn: true, Pitch: { } pitch } last]
            ? new[] { pitch }.Concat(last.Chord).Select(p => p.Step).ToHashSet()
            : new HashSet<int>();
}
