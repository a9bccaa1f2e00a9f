using Coppia.Core.Drills;
using Coppia.Core.Wording.Drills;

namespace Coppia.Tests;

/// <summary>
/// What every kind of mistake would have given, enumerated from the tables of craft 1 to 3 with figures of its own, for
/// every answer that can be given; and the order of craft 14: the first kind that gives exactly the answer is the one
/// that is told.
/// </summary>
public class DiagnosisOracleTests
{
    private const string Letters = "CDEFGAB";
    private const string SharpOrder = "FCGDAEB";

    /// <summary>Half steps above C of the letters.</summary>
    private static readonly int[] White = [0, 2, 4, 5, 7, 9, 11];

    /// <summary>
    /// Open strings as MIDI key numbers, lowest first, as written; and the pitch on the bottom line of the clef as
    /// letter steps.
    /// </summary>
    private static readonly Dictionary<string, (int[] Open, int BottomLine, string Clef)> Table = new()
    {
        ["violin"] = ([55, 62, 69, 76], 30, "treble"), // E4
        ["viola"] = ([48, 55, 62, 69], 24, "alto"), // F3
        ["cello"] = ([36, 43, 50, 57], 18, "bass"), // G2
        ["bass"] = ([40, 45, 50, 55], 18, "bass"),
    };

    private static readonly (string Name, int BottomLine)[] Clefs =
    [
        ("treble", 30),
        ("alto", 24),
        ("tenor", 22),
        ("bass", 18),
    ];

    /// <summary>
    /// Half steps above the open string under a finger in first position (craft 3); null where the hand has no such
    /// place.
    /// </summary>
    private static int? Under(string who, int finger, PlaceWord word) =>
        (who, finger, word) switch
        {
            (_, 0, PlaceWord.Open) => 0,
            ("violin" or "viola", 4, PlaceWord.Forward) => 8,
            ("violin" or "viola", > 0, PlaceWord.Low) => ByLetter[finger] - 1,
            ("violin" or "viola", > 0, PlaceWord.Regular) => ByLetter[finger],
            ("violin" or "viola", > 0, PlaceWord.High) => ByLetter[finger] + 1,
            ("cello", > 0, PlaceWord.Regular) => finger + 1,
            ("cello", 1, PlaceWord.Back) => 1,
            ("cello", > 1, PlaceWord.Forward) => finger + 2,
            ("bass", 1, PlaceWord.Regular) => 2,
            ("bass", 2, PlaceWord.Regular) => 3,
            ("bass", 4, PlaceWord.Regular) => 4,
            _ => null,
        };

    private static readonly int[] ByLetter = [0, 2, 4, 5, 7];

    /// <summary>The open strings as letter steps: G3 D4 A4 E5, C3 G3 D4 A4.</summary>
    private static readonly Dictionary<string, int[]> OpenSteps = new()
    {
        ["violin"] = [25, 29, 33, 37],
        ["viola"] = [21, 25, 29, 33],
    };

    /// <summary>In half position a cello's hand stands a half step lower, a bass's too.</summary>
    private static int? InHalf(string who, int finger, PlaceWord word) =>
        who is "cello" or "bass" && finger > 0 && word == PlaceWord.Regular && Under(who, finger, word) is { } at
            ? at - 1
            : null;

    private static int Alter(int fifths, int letter)
    {
        var place = SharpOrder.IndexOf(Letters[letter], StringComparison.Ordinal);
        return fifths > place ? 1
            : fifths < 0 && 6 - place < -fifths ? -1
            : 0;
    }

    private static int Midi(int step, int alter) => 12 * (step / 7 + 1) + White[step % 7] + alter;

    private static int InKey(int step, int fifths) => Midi(step, Alter(fifths, step % 7));

    /// <summary>Notes of first position, in the key and beside it, that a beginner's hand plays.</summary>
    private static IEnumerable<(int Step, int Alter)> Shown(string who, int fifths)
    {
        var open = Table[who].Open;
        for (var step = 14; step < 48; step++)
        {
            foreach (var alter in new[] { -1, 0, 1 }.Where(a => Math.Abs(a - Alter(fifths, step % 7)) <= 1))
            {
                if (
                    Midi(step, alter) >= open[0]
                    && Midi(step, alter) <= open[3] + (who == "bass" ? 4 : 5)
                    && $"{Letters[step % 7]}{alter}" is not ("E1" or "B1" or "C-1" or "F-1")
                )
                    yield return (step, alter);
            }
        }
    }

    private static Player Player(string who) => new(Lines.Instrument(who));

    private static Pitch PitchOf(int step, int alter) => new((Letter)(step % 7), alter, step / 7);

    /// <summary>The kind of an answer by string and finger, in the order in which kinds are looked for.</summary>
    private static MistakeKind OfPair(string who, int step, int alter, int fifths, int s, int finger, PlaceWord word)
    {
        var (open, note) = (Table[who].Open, Midi(step, alter));
        var all = Ways(who, step, alter).ToArray();
        var inHalf = who == "bass" && HoldsMore(fifths) ? Half : First;
        var plain = all.OrderByDescending(w => w.Finger == 0)
            .ThenByDescending(w => w.String)
            .ThenBy(w => w.Position != inHalf)
            .FirstOrDefault();
        var ways = all.Where(w => w.Finger == 0 || w.Position == plain.Position).ToArray();
        var sounds = Under(who, finger, word) is { } at ? open[s] + at : (int?)null;
        if (sounds == note || all.Any(w => (w.String, w.Finger, w.Word) == (s, finger, word)) && !Stretched())
            return MistakeKind.Right;
        if (sounds is { } octave && (octave - note) % 12 == 0)
            return MistakeKind.WrongOctave;
        if (ways.Any(w => Math.Abs(w.String - s) == 1 && (w.Finger, w.Word) == (finger, word)))
            return MistakeKind.NeighbourString;
        if (finger > 0 && Table.Keys.Any(other => other != who && Plays(other)))
            return MistakeKind.OtherInstrument;
        if (ways.Any(w => w.Finger > 0 && (w.String, w.Finger) == (s, finger)))
            return MistakeKind.LowHigh;
        if (alter != 0 && alter == Alter(fifths, step % 7) && sounds == Midi(step, 0))
            return MistakeKind.ForgotSignature;
        return sounds == InKey(step + 1, fifths) || sounds == InKey(step - 1, fifths)
            ? MistakeKind.OneStep
            : MistakeKind.Unclear;

        bool Plays(string other)
        {
            for (var o = 0; o < 4; o++)
            {
                if ((Table[other].Open[o] - open[s]) % 12 == 0 && Under(other, finger, word) == note - open[s])
                    return true;
            }

            return false;
        }

        // Where a stretch is the plain way, its finger without it is the place that it was not put to.
        bool Stretched() =>
            all.Any(w => w.String == s && w.Finger == finger && w.Word is PlaceWord.Back or PlaceWord.Forward);
    }

    private const int First = 1;
    private const int Half = 0;

    /// <summary>
    /// The bass's hand is set by the key: in half position where that holds more of its notes (craft 5).
    /// </summary>
    private static bool HoldsMore(int fifths)
    {
        var inKey = Enumerable.Range(0, 7).Select(l => InKey(28 + l, fifths) % 12).ToHashSet();
        return Held(1) > Held(2);

        int Held(int from) =>
            Table["bass"].Open.Sum(o => Enumerable.Range(from, 3).Count(h => inKey.Contains((o + h) % 12)));
    }

    /// <summary>
    /// All pairs that play a note in half and first position; by letter on violin and viola, where only first is
    /// learned.
    /// </summary>
    private static IEnumerable<(int String, int Finger, PlaceWord Word, int Position)> Ways(
        string who,
        int step,
        int alter
    )
    {
        foreach (var (s, finger, word) in Pairs())
        {
            var open = Table[who].Open[s];
            if (
                Under(who, finger, word) is { } at
                && open + at == Midi(step, alter)
                && OwnLetter(who, s, step, open + at, finger, word)
            )
                yield return (s, finger, word, First);
            if (InHalf(who, finger, word) is { } half && open + half == Midi(step, alter))
                yield return (s, finger, word, Half);
        }
    }

    private static bool OwnLetter(string who, int s, int step, int note, int finger, PlaceWord word)
    {
        if (who is not ("violin" or "viola"))
            return true;
        var letters = step - OpenSteps[who][s];
        return letters == finger + (word == PlaceWord.Forward ? 1 : 0)
            // A raised open letter: first finger against the nut. Two half steps off its own finger: the neighbour's.
            || letters == 0 && finger == 1 && word == PlaceWord.Low
            || letters is > 0 and < 5
                && Math.Abs(note - Table[who].Open[s] - ByLetter[letters]) > 1
                && word == PlaceWord.Regular;
    }

    private static IEnumerable<(int String, int Finger, PlaceWord Word)> Pairs() =>
        from s in Enumerable.Range(0, 4)
        from finger in Enumerable.Range(0, 5)
        from word in Enum.GetValues<PlaceWord>()
        where finger == 0 == (word == PlaceWord.Open)
        select (s, finger, word);

    /// <summary>The kind of a name.</summary>
    private static MistakeKind OfName(string who, int step, int alter, int fifths, int letter, int answered)
    {
        var (_, bottom, own) = Table[who];
        var away = ((letter - step % 7 + 10) % 7) - 3;
        var byKey = Alter(fifths, step % 7);
        if (away == 0)
        {
            return answered == alter ? MistakeKind.Right
                : alter == byKey && byKey != 0 && answered == 0 ? MistakeKind.ForgotSignature
                : alter != byKey && answered == byKey ? MistakeKind.ForgotAccidental
                : MistakeKind.LowHigh;
        }

        if (Math.Abs(away) == 1)
            return MistakeKind.OneStep;
        var plain = answered == 0 || answered == Alter(fifths, letter);
        var height = step - bottom;
        if (plain && height is >= 0 and <= 8 && (bottom + 8 - height) % 7 == letter)
            return MistakeKind.WrongEnd;
        return plain && Clefs.Any(c => c.Name != own && (c.BottomLine + height + 70) % 7 == letter)
            ? MistakeKind.OtherClef
            : MistakeKind.Unclear;
    }

    [Theory]
    [InlineData("violin")]
    [InlineData("viola")]
    [InlineData("cello")]
    [InlineData("bass")]
    public void The_first_kind_that_gives_exactly_the_pair_is_told(string who)
    {
        var player = Player(who);
        var wrong = new List<string>();
        var asked = 0;
        for (var fifths = -3; fifths <= 4; fifths++)
        {
            foreach (var (step, alter) in Shown(who, fifths))
            {
                foreach (var (s, finger, word) in Pairs())
                {
                    asked++;
                    var expected = OfPair(who, step, alter, fifths, s, finger, word);
                    var told = Diagnosis.Of(
                        player,
                        PitchOf(step, alter),
                        new KeySignature(fifths),
                        new PairReply(s, finger, word)
                    );
                    if (told.Kind != expected)
                        wrong.Add(
                            $"{fifths} {PitchOf(step, alter)} {"IIIIIIII"[..(s + 1)]} {word} {finger}: {told.Kind}, "
                                + $"expected {expected}"
                        );
                }
            }
        }

        Assert.True(asked > 10_000);
        Assert.True(wrong.Count == 0, $"{wrong.Count} of {asked}:\n{string.Join('\n', wrong.Take(20))}");
    }

    [Theory]
    [InlineData("violin")]
    [InlineData("viola")]
    [InlineData("cello")]
    [InlineData("bass")]
    public void The_first_kind_that_gives_exactly_the_name_is_told(string who)
    {
        var player = Player(who);
        var wrong = new List<string>();
        for (var fifths = -3; fifths <= 4; fifths++)
        {
            foreach (var (step, alter) in Shown(who, fifths))
            {
                for (var letter = 0; letter < 7; letter++)
                {
                    for (var answered = -1; answered <= 1; answered++)
                    {
                        var expected = OfName(who, step, alter, fifths, letter, answered);
                        var told = Diagnosis.Of(
                            player,
                            PitchOf(step, alter),
                            new KeySignature(fifths),
                            new NameReply((Letter)letter, answered)
                        );
                        if (told.Kind != expected)
                            wrong.Add(
                                $"{fifths} {PitchOf(step, alter)} {(Letter)letter}{answered}: {told.Kind}, "
                                    + $"expected {expected}"
                            );
                    }
                }
            }
        }

        Assert.True(wrong.Count == 0, $"{wrong.Count}:\n{string.Join('\n', wrong.Take(20))}");
    }

    /// <summary>Everything that is said of wrong answers, with the signature it is said under.</summary>
    private static IEnumerable<(int Fifths, string Said)> Sentences(string who)
    {
        var player = Player(who);
        foreach (var fifths in new[] { -3, 0, 2, 4 })
        {
            foreach (var (step, alter) in Shown(who, fifths).Where(n => n.Alter == Alter(fifths, n.Step % 7)))
            {
                Reply[] replies =
                [
                    .. Pairs().Select(p => new PairReply(p.String, p.Finger, p.Word)),
                    .. Enum.GetValues<Letter>().SelectMany(l => new[] { -1, 0, 1 }.Select(a => new NameReply(l, a))),
                    .. from s in Enumerable.Range(0, 4) from h in Enumerable.Range(0, 8) select new SpotReply(s, h),
                ];
                foreach (var reply in replies)
                {
                    var told = Diagnosis.Of(player, PitchOf(step, alter), new KeySignature(fifths), reply);
                    if (!told.IsRight)
                        yield return (fifths, DiagnosisWords.Of(told, player));
                }
            }
        }
    }

    [Theory]
    [InlineData("violin")]
    [InlineData("viola")]
    [InlineData("cello")]
    [InlineData("bass")]
    public void No_sentence_names_a_sign_that_the_key_has_not_or_says_that_A_is_open_A(string who)
    {
        var names = new System.Text.RegularExpressions.Regex("[A-G][♯♭]");
        var wrong = Sentences(who)
            .Distinct()
            .Where(s =>
                names
                    .Matches(s.Said)
                    .Any(m =>
                        Alter(s.Fifths, Letters.IndexOf(m.Value[0], StringComparison.Ordinal))
                        != (m.Value[1] == '♯' ? 1 : -1)
                    )
                || System.Text.RegularExpressions.Regex.IsMatch(
                    s.Said,
                    @"\b([A-G]) is open \1\b|finger is right.* open "
                )
            )
            .ToArray();
        Assert.True(wrong.Length == 0, string.Join('\n', wrong.Take(20)));
    }
}
