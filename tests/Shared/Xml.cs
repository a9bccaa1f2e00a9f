namespace Coppia.Tests;

/// <summary>Small MusicXML files, written by hand after MusicXML 4.0.</summary>
internal static class Xml
{
    /// <summary>A score of parts, each a name and its measures.</summary>
    public static string Score(string head, params (string Name, string Measures)[] parts) =>
        $"<?xml version=\"1.0\"?>\n<score-partwise version=\"4.0\">{head}<part-list>"
        + string.Concat(
            parts.Select((p, i) => $"<score-part id=\"P{i + 1}\"><part-name>{p.Name}</part-name></score-part>")
        )
        + "</part-list>"
        + string.Concat(parts.Select((p, i) => $"<part id=\"P{i + 1}\">{p.Measures}</part>"))
        + "</score-partwise>";

    /// <summary>One part of 4/4 in C with four divisions of a quarter; each text is the content of a measure.</summary>
    public static string Bars(params string[] measures) => Score("", ("Violin", Measures(measures)));

    public static string Measures(params string[] measures) =>
        string.Concat(
            measures.Select((m, i) => $"<measure number=\"{i + 1}\">{(i == 0 ? Attributes() : "")}{m}</measure>")
        );

    public static string Attributes(
        string clef = "G2",
        string time = "<beats>4</beats><beat-type>4</beat-type>",
        string more = ""
    ) =>
        "<attributes><divisions>4</divisions><key><fifths>0</fifths></key>"
        + $"<time>{time}</time>{more}{Clef(clef)}</attributes>";

    public static string Clef(string clef, int staff = 0) =>
        $"<clef{(staff > 0 ? $" number=\"{staff}\"" : "")}><sign>{clef[0]}</sign><line>{clef[1]}</line></clef>";

    /// <summary>Notes such as <c>C4:4 z:8 F#4:4</c>: pitch and duration in quarters of a quarter.</summary>
    public static string Notes(string notes, int voice = 1, int staff = 0, string more = "") =>
        string.Concat(
            notes
                .Split(' ')
                .Select(n =>
                {
                    var (name, duration) = (n.Split(':')[0], int.Parse(n.Split(':')[1]));
                    var type = duration switch
                    {
                        16 => "whole",
                        12 => "half",
                        8 => "half",
                        6 => "quarter",
                        4 => "quarter",
                        2 => "eighth",
                        _ => "16th",
                    };
                    return $"<note>{(name == "z" ? "<rest/>" : Pitched(name))}<duration>{duration}</duration>"
                        + $"<voice>{voice}</voice>"
                        + $"<type>{type}</type>{(duration is 12 or 6 ? "<dot/>" : "")}"
                        + $"{(staff > 0 ? $"<staff>{staff}</staff>" : "")}{more}</note>";
                })
        );

    public static string Pitched(string name)
    {
        var pitch = Pitch.Parse(name);
        return $"<pitch><step>{pitch.Letter}</step><alter>{pitch.Alter}</alter><octave>{pitch.Octave}</octave></pitch>";
    }

    public static string Backup(int duration) => $"<backup><duration>{duration}</duration></backup>";

    public static string Forward(int duration) => $"<forward><duration>{duration}</duration></forward>";

    public static string Direction(string type, string more = "") =>
        $"<direction><direction-type>{type}</direction-type>{more}</direction>";
}
