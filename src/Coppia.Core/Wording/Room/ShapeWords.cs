using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

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
        return touching.Length == 0 ? Say("room.shape.none-touch") : English.List(touching);
    }

    private static string Lead(HandFrame frame, Instrument instrument) =>
        frame.Stretch switch
        {
            Stretch.Back => Say("room.shape.back"),
            Stretch.Forward => Say("room.shape.forward"),
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
            .Select(l =>
                Say(
                    "room.shape.changes-is",
                    ("what", Labels.Note(new Pitch(l, 0, 4), style)),
                    ("alterName", AlterName(key.AlterOf(l)))
                )
            )
            .ToArray();
        return changed.Length == 0
            ? Say("room.shape.the-same-notes-as", ("scale", Labels.Scale(compared, style)))
            : Say(
                "room.shape.changes-against",
                ("scale", Labels.Scale(compared, style)),
                ("changed", string.Join(", ", changed))
            );
    }

    /// <summary>"Sharps come in the order F C G D A E B, flats the other way round." (craft 1)</summary>
    public static string OrderOfSigns(HouseStyle style)
    {
        var order = KeySignature.OrderOfSharps.Select(l => Labels.Note(new Pitch(l, 0, 4), style));
        return Say("room.shape.sharps-come-in-the-order-flats-the", ("order", string.Join(' ', order)));
    }

    /// <summary>A form of the scale, to choose from.</summary>
    public static string Form(ScaleForm form) =>
        form switch
        {
            ScaleForm.Major => Say("room.shape.major"),
            ScaleForm.NaturalMinor => Say("room.shape.natural-minor"),
            ScaleForm.HarmonicMinor => Say("room.shape.harmonic"),
            _ => Say("room.shape.melodic"),
        };

    /// <summary>A signature in short: "2 ♯", "no sharps or flats".</summary>
    public static string Short(KeySignature key) =>
        key.Fifths == 0 ? Labels.NoSigns : $"{Math.Abs(key.Fifths)} {(key.Fifths > 0 ? '♯' : '♭')}";

    /// <summary>
    /// What to know about a scale or arpeggio of which some notes are not allowed; null where all are.
    /// </summary>
    public static string? Outside(int notes) =>
        notes == 0 ? null : Say("room.shape.beyond-the-allowed-positions", ("notes", notes));

    private static string AlterName(int alter) =>
        alter switch
        {
            2 => Say("room.shape.double-sharp"),
            1 => Say("room.shape.sharp"),
            0 => Say("room.shape.natural"),
            -1 => Say("room.shape.flat"),
            _ => Say("room.shape.double-flat"),
        };
}
