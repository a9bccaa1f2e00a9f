using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Room;

/// <summary>What hand shapes are called, and what a key changes (craft 5).</summary>
public static class ShapeWords
{
    /// <summary>
    /// Descriptive name: which neighbours touch ("1–2"), or frame and fingers ("back 1–2–4"); empty where no finger
    /// stands.
    /// </summary>
    public static string Name(HandShape shape, Instrument instrument)
    {
        if (shape.Frame is not { } frame || shape.Spots.Count == 0)
            return "";
        if (instrument.ShapeNaming == ShapeNaming.Fingers)
            return Lead(frame, instrument) + string.Join('–', shape.Spots.Select(p => p.Placement.Finger).Distinct());
        string[] touching = [.. shape.Touching.Select(t => $"{t.Lower}–{t.Upper}")];
        return touching.Length == 0 ? "none touch" : English.List(touching);
    }

    private static string Lead(HandFrame frame, Instrument instrument) =>
        frame.Stretch switch
        {
            Stretch.Back => "back ",
            Stretch.Forward => "forward ",
            _ => frame.Height == instrument.FirstHeight ? "" : frame.Position + " ",
        };

    /// <summary>
    /// Which letters change against another key: "Against D major: C is natural, B is flat."; nothing against itself.
    /// </summary>
    public static string Changes(ScaleKey key, ScaleKey compared, HouseStyle style)
    {
        if (key == compared)
            return "";
        var changed = Enum.GetValues<Letter>()
            .Where(l => key.AlterOf(l) != compared.AlterOf(l))
            .Select(l => $"{Labels.Note(new Pitch(l, 0, 4), style)} is {AlterName(key.AlterOf(l))}")
            .ToArray();
        return changed.Length == 0
            ? $"The same notes as {Labels.Scale(compared, style)}."
            : $"Against {Labels.Scale(compared, style)}: {string.Join(", ", changed)}.";
    }

    /// <summary>"Sharps come in the order F C G D A E B, flats the other way round." (craft 1)</summary>
    public static string OrderOfSigns(HouseStyle style)
    {
        var order = KeySignature.OrderOfSharps.Select(l => Labels.Note(new Pitch(l, 0, 4), style));
        return $"Sharps come in the order {string.Join(' ', order)}, flats the other way round.";
    }

    /// <summary>A form of the scale, to choose from.</summary>
    public static string Form(ScaleForm form) =>
        form switch
        {
            ScaleForm.Major => "Major",
            ScaleForm.NaturalMinor => "Natural minor",
            ScaleForm.HarmonicMinor => "Harmonic",
            _ => "Melodic",
        };

    /// <summary>A signature in short: "2 ♯", "no sharps or flats".</summary>
    public static string Short(KeySignature key) =>
        key.Fifths == 0 ? Labels.NoSigns : $"{Math.Abs(key.Fifths)} {(key.Fifths > 0 ? '♯' : '♭')}";

    /// <summary>
    /// What to know about a scale or arpeggio of which some notes are not allowed; null where all are.
    /// </summary>
    public static string? Outside(int notes) =>
        notes == 0 ? null : $"{notes} {(notes == 1 ? "note lies" : "notes lie")} beyond the allowed positions.";

    private static string AlterName(int alter) =>
        alter switch
        {
            2 => "double sharp",
            1 => "sharp",
            0 => "natural",
            -1 => "flat",
            _ => "double flat",
        };
}
