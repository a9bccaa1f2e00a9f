using System.Text.RegularExpressions;
using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Formats.Abc;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Letters;

/// <summary>
/// What a teacher types before the letters or fingers themselves: a title, the key, the meter, the instrument. Each has
/// a line of its own, with its name before a colon or without: <c>Key: D</c>, <c>D major</c>, <c>2 sharps</c>,
/// <c>3/4</c>, <c>For: cello</c>.
/// </summary>
internal sealed partial class TypedHead
{
    public string Title { get; private set; } = "";

    public KeySignature? Key { get; private set; }

    public TimeSignature? Time { get; private set; }

    public Instrument? Instrument { get; private set; }

    public Clef? Clef { get; private set; }

    /// <summary>For whom it is: as said, else the one that reads the clef, else the violin.</summary>
    public Instrument For =>
        Instrument ?? (Clef is { } clef ? StringSection.UsualReaderOf(clef) : StringSection.Violin);

    /// <summary>Takes a line that belongs to the head.</summary>
    /// <returns>False where it is music.</returns>
    public bool Take(string line, int number, List<SourceError> errors)
    {
        if (NamedPattern().Match(line) is { Success: true } named)
        {
            var (name, value) = (named.Groups[1].Value.ToLowerInvariant(), named.Groups[2].Value.Trim());
            if (!TakeNamed(name, value))
                errors.Add(Wrong(name, value, new SourcePosition(number, named.Groups[2].Index + 1)));
            return true;
        }

        if (BareMeterPattern().IsMatch(line) && AbcFields.Meter(line.Trim()) is ({ } meter, null))
            Time = meter;
        else if (BareKeyPattern().IsMatch(line) && KeyOf(line.Trim()) is { } key)
            Key = key;
        else
            return false;
        return true;
    }

    /// <summary>False where the value is none.</summary>
    private bool TakeNamed(string name, string value)
    {
        switch (name)
        {
            case "title":
                Title = value;
                return true;
            case "key":
                var key = KeyOf(value);
                Key = key ?? Key;
                return key is not null;
            case "time" or "meter":
                var (time, wrong) = AbcFields.Meter(value);
                Time = wrong is null && time is not null ? time : Time;
                return wrong is null && time is not null;
            case "for" or "instrument":
                var instrument = PrintedFor.Named(value);
                Instrument = instrument ?? Instrument;
                return instrument is not null;
            case "clef":
                var clef = Clef.Named(value);
                Clef = clef ?? Clef;
                return clef is not null;
            default:
                return true;
        }
    }

    private static SourceError Wrong(string name, string value, SourcePosition at) =>
        name switch
        {
            "key" => new SourceError(
                at,
                Say("letters.typed-head.is-not-a-key", ("value", value)),
                Say("letters.typed-head.a-key-such-as-d-b-major")
            ),
            "clef" => new SourceError(
                at,
                Say("letters.typed-head.is-not-a-clef", ("value", value)),
                Say("letters.typed-head.clefs")
            ),
            "time" or "meter" => new SourceError(
                at,
                Say("abc.reader.is-not-a-meter", ("value", value)),
                Say("letters.typed-head.a-meter-such-as-4-4-3")
            ),
            _ => new SourceError(
                at,
                Say("letters.typed-head.is-not-an-instrument", ("value", value)),
                Core.Wording.Terms.Labels.Instruments
            ),
        };

    /// <summary>True for a line that only the head of typed letters or fingers has.</summary>
    public static bool IsHead(string line) =>
        NamedPattern().IsMatch(line) || BareMeterPattern().IsMatch(line) || BareKeyPattern().IsMatch(line);

    private static KeySignature? KeyOf(string words)
    {
        if (SignsPattern().Match(words) is { Success: true } signs)
        {
            var count = signs.Groups[1].Value.ToLowerInvariant() is "no" or "0" ? 0 : signs.Groups[1].Value[0] - '0';
            return new KeySignature(
                signs.Groups[2].Value.StartsWith("sharp", StringComparison.OrdinalIgnoreCase) ? count : -count
            );
        }

        var read = words.Length == 0 ? null : AbcKey.Of(char.ToUpperInvariant(words[0]) + words[1..]);
        return read is { Wrong: null, Own: null } ? read.Key : null;
    }

    [GeneratedRegex(@"^\s*(Title|Key|Time|Meter|For|Instrument|Clef)\s*:\s*(.*?)\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex NamedPattern();

    [GeneratedRegex(@"^\s*[0-9]{1,2}/[0-9]{1,2}\s*$")]
    private static partial Regex BareMeterPattern();

    [GeneratedRegex(
        @"^\s*(?:[A-Ga-g](?:#|b|♯|♭)?\s+(?:major|minor)|(?:no|[0-7])\s+(?:sharps?|flats?))\s*$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex BareKeyPattern();

    [GeneratedRegex(@"^(no|[0-7])\s+(sharps?|flats?)$", RegexOptions.IgnoreCase)]
    private static partial Regex SignsPattern();
}
