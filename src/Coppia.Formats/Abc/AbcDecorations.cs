using Coppia.Core.Music;

namespace Coppia.Formats.Abc;

/// <summary>Signs gathered before the note they belong to.</summary>
internal sealed class AbcPending
{
    public Marks Marks;
    public int SlurStarts;
    public int? Finger;
    public int? FingerTo;
    public Hairpin Hairpin;
    public bool HairpinStop;
    public Clef? Clef;
    public string? Dynamic;
    public string? Words;
    public List<GraceNote> Graces = [];
    public SourcePosition? GracesOpen;
    public int TupletActual = 1;
    public int TupletNormal = 1;
    public int TupletLeft;
    public bool TupletStart;
    public SourcePosition? TupletAt;
}

/// <summary>ABC decorations that Coppia reads and writes (ABC standard 2.1, section 4.14).</summary>
internal static class AbcDecorations
{
    private static readonly Dictionary<string, Marks> Named = new()
    {
        ["upbow"] = Marks.UpBow,
        ["downbow"] = Marks.DownBow,
        ["accent"] = Marks.Accent,
        [">"] = Marks.Accent,
        ["emphasis"] = Marks.Accent,
        ["fermata"] = Marks.Fermata,
        ["tenuto"] = Marks.Tenuto,
        ["breath"] = Marks.LiftAfter,
        ["trill"] = Marks.Trill,
        ["staccato"] = Marks.Staccato,
        ["marcato"] = Marks.StrongAccent,
        ["^"] = Marks.StrongAccent,
        ["invertedfermata"] = Marks.Fermata,
        ["wedge"] = Marks.Wedge,
        ["open"] = Marks.OpenString,
        ["harmonic"] = Marks.Harmonic,
        ["thumb"] = Marks.Thumb,
        ["roll"] = Marks.Roll,
        ["lowermordent"] = Marks.LowerMordent,
        ["mordent"] = Marks.LowerMordent,
        ["uppermordent"] = Marks.UpperMordent,
        ["pralltriller"] = Marks.UpperMordent,
        ["turn"] = Marks.Turn,
        ["invertedturn"] = Marks.InvertedTurn,
        ["slide"] = Marks.Slide,
        ["+"] = Marks.LeftHandPluck,
        ["plus"] = Marks.LeftHandPluck,
        ["snap"] = Marks.SnapPluck,
        ["arpeggio"] = Marks.Arpeggio,
    };

    /// <summary>How each mark is written.</summary>
    public static readonly IReadOnlyList<(Marks Mark, string Abc)> Written =
    [
        (Marks.Staccato, "."),
        (Marks.UpBow, "u"),
        (Marks.DownBow, "v"),
        (Marks.Accent, "!accent!"),
        (Marks.StrongAccent, "!marcato!"),
        (Marks.Fermata, "!fermata!"),
        (Marks.Tenuto, "!tenuto!"),
        (Marks.LiftAfter, "!breath!"),
        (Marks.Trill, "!trill!"),
        (Marks.Wedge, "!wedge!"),
        (Marks.OpenString, "!open!"),
        (Marks.Harmonic, "!harmonic!"),
        (Marks.Thumb, "!thumb!"),
        (Marks.Roll, "!roll!"),
        (Marks.LowerMordent, "!lowermordent!"),
        (Marks.UpperMordent, "!uppermordent!"),
        (Marks.Turn, "!turn!"),
        (Marks.InvertedTurn, "!invertedturn!"),
        (Marks.Slide, "!slide!"),
        (Marks.LeftHandPluck, "!plus!"),
        (Marks.SnapPluck, "!snap!"),
        (Marks.Arpeggio, "!arpeggio!"),
    ];

    public static readonly IReadOnlyList<string> Dynamics =
    [
        "pppp",
        "ppp",
        "pp",
        "p",
        "mp",
        "mf",
        "f",
        "ff",
        "fff",
        "ffff",
        "sfz",
        "sf",
        "fp",
        "rf",
        "rfz",
        "fz",
        "sfp",
        "pf",
    ];

    /// <summary>The decoration that a letter stands for before a note, unless the source says otherwise.</summary>
    public static string? Shorthand(char c) =>
        c switch
        {
            '.' => "staccato",
            '~' => "roll",
            'u' => "upbow",
            'v' => "downbow",
            'H' => "fermata",
            'J' => "slide",
            'L' => "accent",
            'M' => "lowermordent",
            'O' => "coda",
            'P' => "uppermordent",
            'R' => "roll",
            'S' => "segno",
            'T' => "trill",
            _ => null,
        };

    /// <summary>False for a decoration that Coppia leaves out.</summary>
    public static bool Apply(string name, AbcPending pending)
    {
        if (Named.TryGetValue(name, out var mark))
            pending.Marks |= mark;
        else if (name is ['0' or '1' or '2' or '3' or '4'])
            (pending.Finger, pending.FingerTo) = (
                pending.Finger ?? name[0] - '0',
                pending.Finger is null ? null : name[0] - '0'
            );
        else if (Dynamics.Contains(name))
            pending.Dynamic = name;
        else if (name is "<(" or "crescendo(")
            pending.Hairpin = Hairpin.Louder;
        else if (name is ">(" or "diminuendo(")
            pending.Hairpin = Hairpin.Softer;
        else if (name is "<)" or ">)" or "crescendo)" or "diminuendo)")
            pending.HairpinStop = true;
        else
            return name is "nil" or "";
        return true;
    }
}
