namespace Coppia.Core;

/// <summary>Says why the chosen way beats the next best, naming this note's own neighbours.</summary>
internal static class ChoiceWords
{
    public static string Of(Fingering fingering, int index, HouseStyle style)
    {
        var noted = fingering.Notes[index];
        if (noted.Placement is not { } chosen) return "";
        if (noted.Pinned) return "You chose this one; the notes around it follow.";
        if (noted.Beyond) return $"No allowed position reaches it: this is beyond what the class has learned, in {fingering.Instrument.Frames[chosen.Frame].Spoken}.";

        // What lies in positions the class does not use is no real alternative to a beginner.
        var others = noted.Others.Where(o => fingering.Instrument.Frames[o.Placement.Frame].AllowedByDefault).ToArray();
        if (others.Length == 0) return "";

        var (before, after) = Neighbours(fingering, index);
        var other = others[0].Placement;
        var reason = Reason(fingering, chosen, other, before, after, style);
        var price = Price(fingering, index, chosen, other, style);
        return $"{reason}{Sentence($"{Name(other, fingering.Instrument)} also works{(price is null ? "" : $", but {price}")}")}";
    }

    private static (FingeredNote? Before, FingeredNote? After) Neighbours(Fingering fingering, int index) =>
        (index > 0 ? fingering.Notes[index - 1] : null, index + 1 < fingering.Notes.Count ? fingering.Notes[index + 1] : null);

    private static string Reason(Fingering fingering, Placement chosen, Placement other, FingeredNote? before, FingeredNote? after, HouseStyle style)
    {
        var strings = fingering.Instrument;
        string Called(FingeredNote n) => Labels.Note(n.Note.Pitch, style);
        var afterHere = after?.Placement?.String == chosen.String;
        var beforeHere = before?.Placement?.String == chosen.String;
        var name = Name(chosen, strings);
        if (chosen.String != other.String)
        {
            if (beforeHere && afterHere) return $"{name}: {Called(before!)} before and {Called(after!)} after are on the {strings.StringName(chosen.String)} string, so the bow stays. ";
            if (afterHere) return $"{name}: the next note, {Called(after!)}, is on the {strings.StringName(chosen.String)} string anyway. ";
            if (beforeHere) return $"{name}: {Called(before!)} before it is on the {strings.StringName(chosen.String)} string already. ";
        }

        if (chosen.IsOpen) return $"{name}: no finger to place. ";
        var frame = strings.Frames[chosen.Frame];
        return strings.Frames[other.Frame].Position != frame.Position ? $"{name}: the hand stays in {frame.Spoken}. " : $"{name} lies best under the hand here. ";
    }

    private static string? Price(Fingering fingering, int index, Placement chosen, Placement other, HouseStyle style)
    {
        var instrument = fingering.Instrument;
        var (before, after) = Neighbours(fingering, index);
        bool Crosses(FingeredNote? n, Placement p) => n?.Placement is { } at && at.String != p.String;
        var slurredIn = fingering.Notes[index].Note.Slurred;
        var slurredOut = after?.Note.Slurred ?? false;
        if (Crosses(before, other) && slurredIn && !Crosses(before, chosen) || Crosses(after, other) && slurredOut && !Crosses(after, chosen)) return "you would cross strings inside the slur";
        if (instrument.Frames[other.Frame].Position != instrument.Frames[chosen.Frame].Position) return $"the hand would have to shift to {instrument.Frames[other.Frame].Spoken}";
        if (Crosses(after, other) && !Crosses(after, chosen) && Crosses(before, other) && !Crosses(before, chosen)) return "you would cross to it and straight back";
        if (Crosses(after, other) && !Crosses(after, chosen)) return $"you would cross right after, for {Labels.Note(after!.Note.Pitch, style)}";
        if (Crosses(before, other) && !Crosses(before, chosen)) return $"you would cross to it from {Labels.Note(before!.Note.Pitch, style)}";
        if (instrument.Frames[other.Frame].Stretch != Stretch.None && instrument.Frames[chosen.Frame].Stretch == Stretch.None) return "the hand would have to stretch";
        if (other is { Word: PlaceWord.High, Finger: 4 }) return "high 4 is a stretch";
        if (OneFingerTwice(before, other) || OneFingerTwice(after, other)) return $"finger {other.Finger} would have to slide";
        if (chosen.IsOpen) return "it needs a finger where the open string rings by itself";
        return null;
    }

    private static bool OneFingerTwice(FingeredNote? n, Placement p) =>
        n?.Placement is { } at && at.Finger == p.Finger && at.Finger > 0 && at.String == p.String && at.Semitones != p.Semitones;

    private static string Name(Placement p, Instrument instrument)
    {
        var name = instrument.StringName(p.String);
        if (p.IsOpen) return $"Open {name}";
        var word = p.Word switch { PlaceWord.Low => "low ", PlaceWord.High => "high ", PlaceWord.Back or PlaceWord.Forward => "stretched ", _ => "" };
        return $"{word}{p.Finger} on {name}";
    }

    private static string Sentence(string words) => char.ToUpperInvariant(words[0]) + words[1..] + ".";
}
