using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Room;

/// <summary>
/// What is said of a tone that was heard: where the finger stands and which way to go, never a score (craft 4).
/// </summary>
public sealed class HeardWords(Player player)
{
    /// <summary>So far from its place a beginner's tone is called in tune, in cents (from memory).</summary>
    public const int InTune = 10;

    /// <summary>
    /// So far from the open string's own tone it is meant and to be tuned; farther off it is another string or a
    /// finger.
    /// </summary>
    public const int StillTheString = 100;

    /// <summary>Heights above the open string for which there are words.</summary>
    public const int Highest = 12;

    private HouseStyle Style => player.Style;

    /// <summary>"between tape 1 and tape 2, touching tape 1"; "the open string".</summary>
    public string Where(int semitones) => TapeWords.Of(semitones, Style.TapesOf(player.Instrument));

    /// <summary>The same with which way to go: "on tape 1, a little low".</summary>
    /// <param name="cents">From the place, −50 to 50.</param>
    public string Place(int semitones, double cents) => English.Capital(Where(semitones)) + Off(cents) + ".";

    /// <summary>What is said of an open string that is being tuned.</summary>
    /// <param name="cents">From its own tone.</param>
    public string Tuning(int @string, double cents) =>
        Math.Abs(cents) <= InTune ? Say("room.heard.is-in-tune", ("what", Name(@string)))
        : Math.Abs(cents) <= StillTheString / 2.0
            ? Say("room.heard.tuning-is", ("what", Name(@string)), ("off", Off(cents)[1..]))
        : Say(
            "room.heard.is-turn-slowly-a-little-at-a",
            ("what", Name(@string)),
            ("what2", cents < 0 ? Say("room.heard.low") : Say("room.heard.high"))
        );

    /// <summary>"This is the A string; D is asked for."</summary>
    public string WrongString(int heard, int asked) =>
        Say("room.heard.this-is-the-string-is-asked-for", ("heard", Name(heard)), ("asked", Name(asked)));

    /// <summary>"The right letter an octave too high."</summary>
    public string WrongOctave(int asked, bool higher) =>
        Say(
            "room.heard.this-is-an-octave-too-look-for",
            ("asked", Name(asked)),
            ("what", higher ? Say("room.heard.high") : Say("room.heard.low")),
            ("what2", higher ? Say("room.heard.lower") : Say("room.heard.higher"))
        );

    /// <summary>A tone that is no place on the string.</summary>
    public string NotOnString(int asked, bool below) =>
        below
            ? Say("room.heard.this-is-lower-than-the-string", ("asked", Name(asked)))
            : Say("room.heard.this-is-too-far-up-for-the", ("asked", Name(asked)));

    /// <summary>Nothing to hear.</summary>
    public string Silence(int asked) => Say("room.heard.play-a-long", ("asked", Name(asked)));

    /// <summary>Something that is no tone.</summary>
    public static string Noise => Say("room.heard.no-clear-tone");

    /// <summary>" a little low"; nothing where it is in tune.</summary>
    private static string Off(double cents) =>
        Math.Abs(cents) <= InTune ? ""
        : cents < 0 ? Say("room.heard.a-little-low")
        : Say("room.heard.a-little-high");

    private string Name(int @string) => Labels.Note(player.Instrument.Strings[@string], Style);
}
