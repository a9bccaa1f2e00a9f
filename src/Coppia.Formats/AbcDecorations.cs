using Coppia.Core.Music;

namespace Coppia.Formats;

/// <summary>Signs gathered before the note they belong to.</summary>
internal sealed class AbcPending
{
    public Marks Marks;
    public int SlurStarts;
    public int? Finger;
    public string? Dynamic;
    public string? Words;
    public List<GraceNote> Graces = [];
    public SourcePosition? GracesOpen;
    public int TupletActual = 1;
    public int TupletNormal = 1;
    public int TupletLeft;
    public bool TupletStart;
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
    ];

    public static readonly IReadOnlyList<string> Dynamics = ["pppp", "ppp", "pp", "p", "mp", "mf", "f", "ff", "fff", "ffff", "sfz"];

    public static Marks? Shorthand(char c) =>
        c switch
        {
            '.' => Marks.Staccato,
            'u' => Marks.UpBow,
            'v' => Marks.DownBow,
            'H' => Marks.Fermata,
            'L' => Marks.Accent,
            'T' => Marks.Trill,
            _ => null,
        };

    /// <summary>False for a decoration that Coppia leaves out.</summary>
    public static bool Apply(string name, AbcPending pending)
    {
        if (Named.TryGetValue(name, out var mark))
            pending.Marks |= mark;
        else if (name is ['0' or '1' or '2' or '3' or '4'])
            pending.Finger = name[0] - '0';
        else if (Dynamics.Contains(name))
            pending.Dynamic = name;
        else
            return false;
        return true;
    }
}
