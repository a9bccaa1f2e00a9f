using System.Text.RegularExpressions;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>
/// A K: field or the properties of a V: field: tonic, mode, signs of its own, clef and octave (ABC standard 2.1,
/// sections 3.1.14 and 4.6).
/// </summary>
internal sealed partial record AbcKey
{
    private static readonly Dictionary<string, Mode> Modes = new(StringComparer.OrdinalIgnoreCase)
    {
        [""] = Mode.Major,
        ["maj"] = Mode.Major,
        ["ion"] = Mode.Major,
        ["m"] = Mode.Minor,
        ["min"] = Mode.Minor,
        ["aeo"] = Mode.Minor,
        ["dor"] = Mode.Dorian,
        ["phr"] = Mode.Phrygian,
        ["lyd"] = Mode.Lydian,
        ["mix"] = Mode.Mixolydian,
        ["loc"] = Mode.Locrian,
    };

    private static readonly Dictionary<string, Clef> Clefs = new(StringComparer.OrdinalIgnoreCase)
    {
        ["treble"] = Clef.Treble,
        ["G"] = Clef.Treble,
        ["G2"] = Clef.Treble,
        ["alto"] = Clef.Alto,
        ["C"] = Clef.Alto,
        ["C3"] = Clef.Alto,
        ["tenor"] = Clef.Tenor,
        ["C4"] = Clef.Tenor,
        ["bass"] = Clef.Bass,
        ["F"] = Clef.Bass,
        ["F4"] = Clef.Bass,
    };

    /// <summary>The signature, or null where the field names none.</summary>
    public KeySignature? Key { get; private set; }

    /// <summary>What single letters are changed to that the signature leaves or changes otherwise.</summary>
    public IReadOnlyDictionary<Letter, int>? Own { get; private set; }

    public Clef? Clef { get; private set; }

    /// <summary>Octaves that the notes are moved.</summary>
    public int Octave { get; private set; }

    /// <summary>The line is for drums or has no clef at all.</summary>
    public bool IsUnpitched { get; private set; }

    public string? Name { get; private set; }

    /// <summary>What is no key; null where all is well.</summary>
    public string? Wrong { get; private set; }

    /// <summary>Sentences about what is left out.</summary>
    public List<string> LeftOut { get; } = [];

    /// <summary>Reads a K: field.</summary>
    public static AbcKey Of(string value)
    {
        var read = new AbcKey();
        var words = WordPattern().Matches(value).Select(m => m.Value).ToArray();
        var at = 0;
        if (words.Length > 0)
            at = read.Signature(words);
        if (read.Wrong is null)
            read.Properties(words[at..], inKeyLine: true);
        return read;
    }

    /// <summary>Reads what stands behind the name of a voice in a V: field.</summary>
    public static AbcKey OfVoice(string properties)
    {
        var read = new AbcKey();
        read.Properties([.. WordPattern().Matches(properties).Select(m => m.Value)], inKeyLine: false);
        return read;
    }

    /// <summary>The tonic and what belongs to it, as far as the first property.</summary>
    /// <returns>How many words it took.</returns>
    private int Signature(string[] words)
    {
        if (words[0] is "none" or "Hp" or "HP")
        {
            // The pipes' scale has F sharp and C sharp; HP prints no signature, Hp prints them and a natural G.
            Key = new KeySignature(words[0] == "none" ? 0 : 2);
            return 1;
        }

        if (
            words[0].Contains('=', StringComparison.Ordinal) && !SignsPattern().IsMatch(words[0])
            || ClefOf(words[0]) is not null && words[0].Length > 1
        )
            return 0;
        if (KeyPattern().Match(words[0]) is not { Success: true } match)
        {
            Wrong = Say("abc.key.is-not-a-key", ("words", words[0]));
            return 0;
        }

        var (taken, mode, explicitly) = ModeOf(words, match.Groups[3].Value);
        if (!Modes.TryGetValue(Short(mode), out var known))
        {
            Wrong = Say("abc.key.is-not-a-mode", ("mode", mode));
            return taken;
        }

        var named = Named(match.Groups[1].Value[0], match.Groups[2].Value, known);
        if (named is null)
        {
            Wrong = Say("abc.key.would-need-more-than-seven-sharps-or", ("words", words[0]));
            return taken;
        }

        var own = words[taken..].TakeWhile(w => SignsPattern().IsMatch(w)).ToArray();
        SetKey(named.Value, explicitly, [.. own.SelectMany(w => SignPattern().Matches(w)).Select(SignOf)]);
        return taken + own.Length;
    }

    private static (Letter, int) SignOf(Match sign) =>
        (Enum.Parse<Letter>(sign.Groups[2].Value.ToUpperInvariant()), AlterOf(sign.Groups[1].Value));

    /// <summary>
    /// The mode, how many words were taken with it, and whether the signs which follow are all there are ("exp").
    /// </summary>
    private static (int Taken, string Mode, bool Explicitly) ModeOf(string[] words, string mode)
    {
        var taken = 1;
        if (mode.Length == 0 && words.Length > 1 && Modes.ContainsKey(Short(words[1])) && words[1].Length > 0)
            mode = words[taken++];
        var explicitly = mode == "exp";
        if (words.Length > taken && words[taken] == "exp")
        {
            explicitly = true;
            taken++;
        }

        return (taken, mode == "exp" ? "" : mode, explicitly);
    }

    /// <summary>
    /// The signature that has the signs; where none does, the nearest, and the letters that it reads otherwise.
    /// </summary>
    private void SetKey(KeySignature named, bool explicitly, IReadOnlyList<(Letter Letter, int Alter)> signs)
    {
        Key = named;
        if (signs.Count == 0 && !explicitly)
            return;
        var letters = Enum.GetValues<Letter>().ToDictionary(l => l, l => explicitly ? 0 : named.AlterOf(l));
        foreach (var (letter, alter) in signs)
            letters[letter] = alter;
        var nearest = Enumerable
            .Range(-7, 15)
            .Select(f => new KeySignature(f))
            .OrderByDescending(k => letters.Count(l => k.AlterOf(l.Key) == l.Value))
            .ThenBy(k => Math.Abs(k.Fifths - named.Fifths))
            .First();
        var own = letters.Where(l => nearest.AlterOf(l.Key) != l.Value).ToDictionary();
        Key = nearest.Fifths == named.Fifths ? named : WithTonic(nearest.Fifths, named);
        if (own.Count == 0)
            return;
        Own = own;
        LeftOut.Add(Say("abc.key.the-key-line-has-signs-that-no"));
    }

    /// <summary>The mode in which a signature has the named tonic, or major.</summary>
    private static KeySignature WithTonic(int fifths, KeySignature named)
    {
        var tonic = named.TonicInOctave(4);
        var mode = Enum.GetValues<Mode>()
            .Cast<Mode?>()
            .FirstOrDefault(m => new KeySignature(fifths, m!.Value).TonicInOctave(4) == tonic);
        return new KeySignature(fifths, mode ?? Mode.Major);
    }

    /// <summary>How a line looks or sounds elsewhere does not change what is printed.</summary>
    private static readonly HashSet<string> Quiet =
    [
        "sname",
        "snm",
        "subname",
        "stem",
        "stems",
        "staffscale",
        "stafflines",
        "gstems",
        "dyn",
        "lyrics",
        "program",
        "score",
        "staves",
        "merge",
        "up",
        "down",
        "cue",
        "gchord",
        "bracket",
        "brace",
    ];

    private void Properties(IEnumerable<string> words, bool inKeyLine)
    {
        foreach (var word in words)
        {
            var at = word.IndexOf('=', StringComparison.Ordinal);
            var (property, value) = at > 0 ? (word[..at].ToLowerInvariant(), word[(at + 1)..].Trim('"')) : ("", word);
            switch (property)
            {
                case "clef":
                    ReadClef(value, named: true);
                    break;
                case "" when ClefOf(value) is not null || ClefPattern().IsMatch(value):
                    ReadClef(value, named: false);
                    break;
                case "octave" when int.TryParse(value, out var octave) && octave is >= -4 and <= 4:
                    Octave += octave;
                    break;
                case "name" or "nm":
                    Name = AbcText.Plain(value.Replace("\\n", " ", StringComparison.Ordinal));
                    break;
                case var quiet when Quiet.Contains(quiet):
                    break;
                case "transpose" or "t" or "middle" or "m" or "shift" or "sound":
                    LeftOut.Add(Say("abc.key.is-left-out-the-notes-stay-where", ("word", word)));
                    break;
                case "" when SignsPattern().IsMatch(value):
                    LeftOut.Add(Say("abc.key.in-the-key-line-is-left-out", ("word", word)));
                    break;
                default:
                    if (inKeyLine)
                        LeftOut.Add(Say("abc.key.in-the-key-line-is-left-out", ("word", word)));
                    break;
            }
        }
    }

    private void ReadClef(string value, bool named)
    {
        var match = ClefPattern().Match(value);
        var name = match.Success ? match.Groups[1].Value : value;
        if (name is "perc" or "percussion" or "P" or "none" or "tab" or "TAB")
        {
            IsUnpitched = name is not "none";
            return;
        }

        if (Clefs.TryGetValue(name, out var clef))
        {
            Clef = clef;
            if (match.Groups[2].Success)
                LeftOut.Add(Say("abc.key.the-at-the-clef-is-left-out", ("groups", match.Groups[2].Value)));
        }
        else
        {
            LeftOut.Add(Say("abc.key.is-not-a-clef-that-coppia-reads", ("value", value)));
            if (named)
                Clef ??=
                    name.StartsWith('F') || name.StartsWith("bass", StringComparison.Ordinal) || name == "baritone"
                        ? Clef.Bass
                        : Clef.Treble;
        }
    }

    private static Clef? ClefOf(string word) =>
        Clefs.GetValueOrDefault(ClefPattern().Match(word) is { Success: true } m ? m.Groups[1].Value : word);

    private static int AlterOf(string sign) =>
        sign switch
        {
            "^^" => 2,
            "^" => 1,
            "_" => -1,
            "__" => -2,
            _ => 0,
        };

    private static string Short(string mode) => mode.Length > 3 ? mode[..3] : mode;

    private static KeySignature? Named(char tonic, string accidental, Mode mode)
    {
        var alter = accidental switch
        {
            "#" or "♯" => 1,
            "b" or "♭" => -1,
            _ => 0,
        };
        var letter = Enum.Parse<Letter>(tonic.ToString());
        for (var fifths = -7; fifths <= 7; fifths++)
        {
            var key = new KeySignature(fifths, mode);
            var found = key.TonicInOctave(4);
            if (found.Letter == letter && found.Alter == alter)
                return key;
        }

        return null;
    }

    [GeneratedRegex("[^\\s\"=]+=\"[^\"]*\"|\"[^\"]*\"|[^\\s]+")]
    private static partial Regex WordPattern();

    [GeneratedRegex("^([A-G])([#b♯♭]?)([A-Za-z]*)$")]
    private static partial Regex KeyPattern();

    [GeneratedRegex(@"(\^\^|\^|__|_|=)([A-Ga-g])")]
    private static partial Regex SignPattern();

    [GeneratedRegex(@"^(?:(?:\^\^|\^|__|_|=)[A-Ga-g])+$")]
    private static partial Regex SignsPattern();

    [GeneratedRegex(@"^([A-Za-z]+[1-5]?)([+\-_^]8)$")]
    private static partial Regex ClefPattern();
}
