using Coppia.Core.Music;
using Coppia.Formats.Source;

namespace Coppia.Formats.Abc;

/// <summary>What all voices of one ABC tune share while it is read.</summary>
/// <param name="size">How much it may have.</param>
internal sealed class AbcTune(TuneSize size)
{
    private readonly Dictionary<char, string> _userSigns = [];

    public string Title { get; set; } = "";

    public TuneSize Size => size;

    public List<string> Composers { get; } = [];

    public TimeSignature? Time { get; set; }

    public Fraction? Unit { get; set; }

    public AbcKey Key { get; set; } = AbcKey.Of("C");

    public (Fraction Beat, int PerMinute)? Tempo { get; set; }

    public string? TempoWords { get; set; }

    /// <summary>The order of the parts, of a P: line in the header.</summary>
    public string? PartOrder { get; set; }

    /// <summary>The number of the first bar, where the source counts from another than 1.</summary>
    public int? FirstBarNumber { get; set; }

    /// <summary>A single ! ends a line of music, as old sources have it.</summary>
    public bool BreaksAtExclamation { get; set; }

    /// <summary>V: lines of the header.</summary>
    public List<(string Value, SourcePosition At)> HeaderVoices { get; } = [];

    public List<SourceError> Errors { get; } = [];

    public LeftOut LeftOut { get; } = new();

    public Fraction StartUnit => Unit ?? AbcFields.DefaultUnit(Time);

    /// <summary>U: gives a letter a decoration of the tune's own (ABC standard 2.1, section 4.16).</summary>
    public void DefineSign(string value)
    {
        var at = value.IndexOf('=', StringComparison.Ordinal);
        if (at > 0 && value[..at].Trim() is [var letter])
            _userSigns[letter] = value[(at + 1)..].Trim().Trim('!', '+');
    }

    /// <summary>The decoration that a letter stands for here, by its name; null where it stands for none.</summary>
    public string? SignOf(char letter) =>
        _userSigns.TryGetValue(letter, out var own) ? own : AbcDecorations.Shorthand(letter);
}
