using System.Text.Json;
using Coppia.Core.Composition;

namespace Coppia.Tests;

/// <summary>
/// Short pieces and the rules that each breaks, signed by hand before the program ran. Source: craft 13 (the rules),
/// craft 12 (stems); that a rest may follow a given last note is common practice.
/// </summary>
public class CompositionTableTests
{
    /// <summary>
    /// task | piece, its bars parted by / | broken rules with their bars; "key N" before the piece is another
    /// signature.
    /// </summary>
    private const string Signed = """
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 |
        violin | G3 G3 G3 G3 / G3 G3 G3 D4 / G3 G3 G3 G3 / G3 G3 G3 G3 |
        violin | D4 D4 D4 D4 / D4 D4 D4 D4 / D4 D4 D4 D4 / D4 D4 D4 G3 |
        violin | G3 A3 B3 C4 D4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 1 beats
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 / C4 B3 A3 G3 | 3 beats
        violin | G3 A3 B3 / D4 B3 A3 D4 / C4 B3 A3 / C4 B3 A3 G3 | 1 beats, 3 beats
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / / C4 B3 A3 G3 | 3 beats
        violin | G3 A3 B3 C4 / D4 B3 D4 A3 / C4 B3 A3 B3 / C4 B3 A3 G3 | 2 fixed
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 D4 | 4 fixed
        violin | G3 A3 B3 C4 / D4 B3 A3 G3 / C4 B3 A3 B3 / C4 B3 A3 D4 | 2 fixed, 4 fixed
        violin | G3 A3 B3 C4 / D4 B3 D4 r / C4 B3 A3 B3 / C4 B3 A3 G3 |
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 G3 r |
        violin | E4 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 1 note
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / C4 F#3 A3 B3 / C4 B3 A3 G3 | 3 note
        violin | G4 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 1 note
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G4 | 4 fixed, 4 note
        violin | G3 A3 Bb3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 1 note
        violin | G3 A3 B3 C4 E4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 1 beats, 1 note
        violin | G3e A3e A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 1 value, 1 value
        violin | G3h B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 1 value
        violin | G3h. C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 1 value
        violin | G3w / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 1 value
        violin | rh B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 1 value
        violin | r A3 B3 C4 / r B3 A3 D4 / r B3 r B3 / r B3 A3 G3 |
        violin | r A3 B3 C4 / r B3 A3 D4 / r B3 r B3 / r r A3 G3 | 4 rests
        violin | r r r r / r r r r / r r r r / r r r r | 1 only-rests, 2 fixed, 2 rests, 4 fixed
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 | 4 length
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 / G3 A3 B3 G3 | 5 length
        violin | / / / | 1 beats, 2 beats, 2 fixed, 3 beats, 4 beats, 4 fixed
        cello  | D3 E3 F#3 G3 / A3 G3 F#3 E3 / D3 E3 F#3 G3 / A3 F#3 E3 D3 |
        cello  | D3 D3 D3 D3 / D3 D3 D3 D3 / D3 D3 D3 D3 / D3 D3 D3 D3 |
        cello  | A3 A3 D3 D3 / A3 A3 D3 D3 / A3 A3 D3 D3 / A3 A3 D3 D3 |
        cello  | key 0: D3 E3 F3 G3 / A3 G3 F#3 E3 / D3 E3 F#3 G3 / A3 F#3 E3 D3 | 1 accidental
        cello  | D3 E3 F#3 G3 / A3 G3 F3 E3 / D3 E3 F#3 G3 / A3 F#3 E3 D3 | 2 accidental
        cello  | D3 E3 F#3 G3 / A3 G3 F#3 E3 / D3 E3 F#3 G#3 / A3 F#3 E3 D3 | 3 note
        cello  | D3 E3 F#3 G3 / A3 G3 F#3 E3 / D3 E3 F#3 G3 / A3 B3 E3 D3 | 4 note
        cello  | D3 E3 F#3 G3 / A3 G3 F#3 E3 / D3 E3 F#3 G3 / A3 F#3 E3 D4 | 4 note
        cello  | A2 E3 F#3 G3 / A3 G3 F#3 E3 / D3 E3 F#3 G3 / A3 F#3 E3 D3 | 1 note
        cello  | r E3 r G3 / A3 G3 F#3 E3 / r E3 F#3 G3 / A3 F#3 E3 r |
        cello  | r E3 r G3 / A3 r F#3 E3 / r E3 r G3 / A3 F#3 E3 D3 | 3 rests
        cello  | D3 E3 F#3 G3 A3 / A3 G3 F#3 E3 / D3 E3 F#3 G3 / A3 F#3 E3 D3 | 1 beats
        viola  | C3 D3 E3 / F3h E3 / D3h. / E3 D3 C3 |
        viola  | C3h. / G3h. / G3h. / C3h. |
        viola  | rh. / C3h. / D3h. / C3h. |
        viola  | C3 D3 E3 F3 / F3h E3 / D3h. / E3 D3 C3 | 1 beats
        viola  | C3h E3h / F3h E3 / D3h. / E3 D3 C3 | 1 beats
        viola  | C3 D3 E3 / F3h E3 / D3h. / C3 D3 E3 | 4 fixed
        viola  | C3 D3 E3 / F3e G3e E3h / D3h. / E3 D3 C3 | 2 value, 2 value
        viola  | r r E3 / r F3 E3 / D3h. / E3 D3 C3 | 2 rests
        viola  | C3 D3 Eb3 / F3h E3 / / E3 D3 C3 | 1 note, 3 beats
        viola  | C3 D3 E3 / F3h E3 | 3 length
        bass   | G2 B2 / D3h |
        bass   | G2h / D3h |
        bass   | G2 r / D3h | 1 rests
        bass   | G2 E2 / D3h | 1 note
        bass   | G2h. / D3 | 1 beats, 1 value, 2 beats
        natural| D4 E4 F#4 G4 / A4 G4 F4 E4 | 1 note
        natural| key 2: D4 E4 F#4 G4 / A4 G4 F4 E4 | 1 accidental
        sharp  | D4 E4 F4 G4 / A4 G4 F#4 E4 | 1 accidental
        sharp  | D4 E4 F#4 G4 / A4 G4 F#4 E4 |
        hand   | D4' E4' F#4' G4' |
        hand   | B4, A4' G4' D4' |
        hand   | B4' A4' G4' D4' | 1 stem
        hand   | D5, A4, G4' D4' | 1 stem
        hand   | D4` E4' F#4' G4' | 1 stem
        hand   | D5; A4' G4' D4' | 1 stem
        hand   | D4 E4' F#4' G4' | 1 stem
        hand   | D4w |
        hand   | D4w' | 1 stem
        hand   | D4@0.2' E4@-0.2' F#4' G4' |
        hand   | D4@0.4' E4' F#4@-0.45' G4' | 1 head, 1 head
        hand   | D4h' G4h' |
        """;

    /// <summary>task | piece | advice with its bar, + for what is good.</summary>
    private const string Noticed = """
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 A3 B3 / C4 B3 A3 G3 | 3 repetition+, 4 ending+
        violin | G3 G3 G3 G3 / G3 G3 G3 D4 / G3 G3 G3 G3 / G3 G3 G3 G3 | 2 leap, 3 repetition+, 4 ending+
        violin | G3 D4 C4 B3 / A3 A3 B3 D4 / G3 C4 B3 D4 / D4 B3 A3 G3 | 1 balance+, 3 leap, 4 repetition, 4 ending+
        violin | G3 A3 C4 B3 / D4 C4 A3 D4 / B3 G3 G3 A3 / B3 C4 D4 G3 | 4 repetition, 4 ending+
        violin | G3 A3 B3 C4 / D4 B3 A3 D4 / C4 B3 |
        cello  | D3 D3 D3 D3 / D3 D3 D3 D3 / D3 D3 D3 D3 / D3 D3 D3 D3 | 1 one-note, 4 ending+
        cello  | E3 E3 E3 E3 / E3 E3 E3 E3 / E3 E3 E3 E3 / E3 E3 E3 E3 | 1 one-note, 4 ending
        cello  | D3 E3 F#3 D3 / E3 F#3 G3 E3 / F#3 G3 A3 F#3 / G3 F#3 E3 D3 | 2 repetition+, 4 ending+
        cello  | D3 E3 F#3 G3 / A3 G3 F#3 E3 / D3 E3 F#3 G3 / A3 F#3 E3 F#3 | 3 repetition+, 4 ending
        cello  | r r r r / r r r D3 / r r r r / r r r r |
        viola  | C3h. / G3h. / G3h. / C3h. | 2 leap, 3 repetition+, 4 ending+
        open   | G3 D4 G3 D4 / G3 D4 G3h | 1 repetition+, 2 ending+
        cello  | D3 D3 D3 D3 / E3 E3 E3 A3 / F#3 F#3 F#3 F#3 / E3 E3 D3 D3 | 3 repetition+, 4 ending+
        cello  | D3 D3 D3 E3 / G3 A3 F#3 A3 / E3 G3 D3 F#3 / G3 E3 F#3 D3 | 4 ending+
        open   | G3h D4h / G3h D4h | 2 repetition+, 2 ending
        bass   | G2 B2 / D3h | 2 ending
        violin | G3h A3 B3 / D4 C4 A3 D4 / B3 G3 D4h / C4h D4 G3 | 3 balance+, 4 repetition+, 4 ending+
        violin | G3h A3 B3 / D4 C4h A3 / B3e C4e D4 A3h / C4h. G3 | 4 repetition, 4 ending+
        violin | r r G3 r / r A3 r r / r r r r / B3 r r G3 |
        cello  | D3 r r r / r D3 r r / r r r D3 / r r r D3 |
        """;

    private static IEnumerable<(string Line, WritingTask Task, Piece Piece, string Expected)> Rows(string table) =>
        table
            .Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Select(line =>
            {
                var cells = line.Split('|', StringSplitOptions.TrimEntries);
                var task = SomePieces.Tasks[cells[0]];
                var keyed = cells[1].StartsWith("key", StringComparison.Ordinal);
                var text = (keyed ? cells[1][6..] : cells[1]).Replace('/', '|');
                KeySignature? key = keyed ? new KeySignature(cells[1][4] - '0') : null;
                return (line, task, SomePieces.Read(text, task, key), cells[2]);
            });

    private static string Name<T>(T kind)
        where T : struct, Enum => JsonNamingPolicy.KebabCaseLower.ConvertName(kind.ToString());

    [Fact]
    public void Each_piece_breaks_the_rules_that_were_signed_and_no_others()
    {
        var rows = Rows(Signed).ToArray();
        Assert.True(rows.Length >= 60);
        Assert.All(
            rows,
            r =>
                Assert.Equal(
                    Ordered(r.Expected),
                    Ordered(PieceRules.Broken(r.Piece, r.Task).Select(b => $"{b.Bar} {Name(b.Rule)}"))
                )
        );
    }

    private static string Ordered(string listed) => Ordered(listed.Split(", ", StringSplitOptions.RemoveEmptyEntries));

    private static string Ordered(IEnumerable<string> broken) =>
        string.Join(", ", broken.Order(StringComparer.Ordinal));

    [Fact] // Craft 13: advice names what is good too, and none of it is an error.
    public void What_is_to_be_noticed_in_a_piece() =>
        Assert.All(
            Rows(Noticed),
            r =>
                Assert.Equal(
                    r.Expected,
                    string.Join(
                        ", ",
                        Heard.In(r.Piece, r.Task).Select(a => $"{a.Bar} {Name(a.Kind)}{(a.IsGood ? "+" : "")}")
                    )
                )
        );
}
