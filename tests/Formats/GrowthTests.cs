using System.Diagnostics;
using Coppia.Formats.Books;

namespace Coppia.Tests;

/// <summary>
/// What costs time and memory grows with the text and no faster, whatever a text repeats (OWASP ASVS 4.0.3, 5.1.3 and
/// 12.1.2: input is bounded; common practice). Growth is a ratio of the same reading at two lengths, so that no machine
/// is too slow for it.
/// </summary>
[Collection(nameof(ByItself))]
public class GrowthTests
{
    private const int Short = 6_000;
    private const int Longer = 4;

    /// <summary>Linear is 4; a text four times as long that takes 16 times as long is quadratic.</summary>
    private const double Most = 8;

    /// <summary>
    /// A whole reading has many linear parts, in which one quadratic part is seen only in long tunes; and what no
    /// longer fits the processor's own memory is half as slow again. Linear is 6, quadratic 36.
    /// </summary>
    private const int Notes = 2_000;
    private const int LongerTune = 6;
    private const double MostOfATune = 18;

    /// <summary>Below that much a clock tells little.</summary>
    private static readonly TimeSpan Little = TimeSpan.FromMilliseconds(60);

    private const string Head = "X:1\nT:t\nM:4/4\nL:1/4\nK:D\n";

    /// <summary>Every sign that ABC has.</summary>
    public static TheoryData<string> Signs() => [.. "Dz|:[]{}()\"!+-~^_=<>.,'/\\&*$%29T \nV".Select(c => $"{c}")];

    /// <summary>The sign alone and before some others; before all with COPPIA_THOROUGH=1.</summary>
    private static IEnumerable<string> Pairs(string first)
    {
        var every = Environment.GetEnvironmentVariable("COPPIA_THOROUGH") == "1" ? 1 : 5;
        return Signs().Where((s, i) => (i + first[0]) % every == 0).Select(s => first + s.Data).Append(first);
    }

    [Theory]
    [MemberData(nameof(Signs))]
    public void Whatever_sign_an_ABC_body_repeats(string first)
    {
        foreach (var repeated in Pairs(first))
        {
            Linear(repeated, n => Head + Times(repeated, n) + "\nDDDD|\n");
            Linear($"typed {repeated}", n => Times(repeated, n));
        }
    }

    [Theory]
    [InlineData("T:a\n")]
    [InlineData("C:a\n")]
    [InlineData("w:a\n")]
    [InlineData("%%a\n")]
    [InlineData("P:A\n")]
    [InlineData("V:1 clef=bass\n")]
    [InlineData("U:T=!trill!\n")]
    [InlineData("+:a\n")]
    [InlineData("r:a\n")]
    [InlineData("K:D ^f\n")]
    [InlineData("\\u0041")]
    [InlineData("&amp;")]
    public void Whatever_field_an_ABC_head_repeats(string repeated)
    {
        Linear(repeated, n => $"X:1\nT:t\n{Times(repeated, n)}\nM:4/4\nL:1/4\nK:D\nDDDD|\n");
        Linear($"after the key {repeated}", n => $"{Head}{Times(repeated, n)}\nDDDD|\n");
        Linear($"in a title {repeated}", n => $"X:1\nT:{Times(repeated.TrimEnd(), n)}\nM:4/4\nL:1/4\nK:D\nDDDD|\n");
    }

    [Theory]
    [InlineData("Z200|")]
    [InlineData("[V:1]D|")]
    [InlineData("[K:D]")]
    [InlineData("[K:")]
    [InlineData("[1")]
    [InlineData("(3")]
    [InlineData("(9:8:9")]
    [InlineData("{D}")]
    [InlineData("!trill!D")]
    [InlineData("\"Am\"")]
    [InlineData("D999/")]
    [InlineData("[DF]-")]
    [InlineData("|1 D :|2 D |]")]
    [InlineData("D: 0 1 ")]
    [InlineData("F# ")]
    public void Whatever_word_a_tune_repeats(string repeated)
    {
        Linear(repeated, n => Head + Times(repeated, n) + "\nDDDD|\n");
        Linear($"typed {repeated}", n => Times(repeated, n));
    }

    [Theory]
    [InlineData("<measure/>")]
    [InlineData("<measure><note><rest/><duration>4</duration></note></measure>")]
    [InlineData("</part><part id='P2'><measure/>")]
    [InlineData("<x>")]
    [InlineData("<?a b?>")]
    [InlineData("<!-- a -->")]
    [InlineData("<measure><attributes><time><beats>4</beats><beat-type>4</beat-type></time></attributes></measure>")]
    public void Whatever_element_a_MusicXml_repeats(string repeated) =>
        Linear(
            repeated,
            n => $"<score-partwise><part-list/><part id='P1'>{Note("")}{Times(repeated, 4 * n)}</part></score-partwise>"
        );

    [Theory]
    [InlineData("<lyric><text>a</text></lyric>")]
    [InlineData("<notations><slur type='start'/></notations>")]
    [InlineData("<beam>begin</beam>")]
    public void Whatever_a_MusicXml_note_repeats(string repeated) =>
        Linear(
            repeated,
            n => $"<score-partwise><part-list/><part id='P1'>{Note(Times(repeated, 4 * n))}</part></score-partwise>"
        );

    [Theory] // The plainest music, and the longest bars that are read.
    [InlineData("DEFG|", 4)]
    [InlineData("AAAA|", 4)]
    [InlineData("(D/E/F/G/ A/B/c/d/)|", 8)]
    [InlineData("|:D4:|", 1)]
    [InlineData("[1DEFG:|[2 GFED|", 8)]
    [InlineData("D2 z E|", 2)]
    [InlineData("", 1_000)]
    public void A_reading_and_its_bows_grow_with_the_notes(string bar, int notes)
    {
        if (bar.Length == 0)
            bar = string.Concat(Enumerable.Repeat("DEFGABcd", notes / 8)) + "|";
        Score Of(int count) => TuneReader.Read(Head + Times(bar, count / notes * bar.Length - 1)).Score!;
        var (few, many) = (Of(Notes), Of(Notes * LongerTune));
        foreach (var instrument in new[] { StringSection.Violin, StringSection.Bass })
        {
            var player = new Player(instrument, HouseStyle.Default);
            Linear(
                $"{bar[..Math.Min(bar.Length, 20)]} on the {instrument.Name}",
                score => Core.Reading.PlayerReading.Of(score, StringSection.Violin, player).Tune.Advice(),
                few,
                many,
                MostOfATune
            );
        }
    }

    private static string Note(string more) =>
        "<measure><attributes><divisions>1</divisions></attributes><note><pitch><step>D</step><octave>4</octave>"
        + $"</pitch><duration>4</duration>{more}</note></measure>";

    private static string Times(string repeated, int characters) =>
        string.Concat(Enumerable.Repeat(repeated, 1 + characters / repeated.Length));

    private static void Linear(string what, Func<int, string> text) =>
        Linear(what, source => TuneReader.Read(source), text(Short), text(Longer * Short), Most);

    /// <summary>
    /// Both are measured in turn until it is so or they were ten times: what else the machine does only adds, so that
    /// the least time of each says what the work itself takes, however busy some of the turns were.
    /// </summary>
    private static void Linear<T>(string what, Action<T> work, T few, T many, double most)
    {
        var (least, longLeast) = (new Cost(), new Cost());
        for (var turn = 1; turn <= 10; turn++)
        {
            least = least.Or(Cost.Of(() => work(few)));
            longLeast = longLeast.Or(Cost.Of(() => work(many)));
            if (
                turn > 1
                && (longLeast.Time < Little || longLeast.Time < most * least.Time)
                && longLeast.Bytes < most * least.Bytes + 1_000_000
            )
                return;
        }

        Assert.Fail($"{what}: {least}; {longLeast}");
    }

    private sealed record Cost(TimeSpan Time, long Bytes)
    {
        public Cost()
            : this(TimeSpan.MaxValue, long.MaxValue) { }

        public static Cost Of(Action work)
        {
            // A short reading often fits between two collections, a long one never: what they take is seen in the
            // bytes.
            var paused = GC.GetTotalPauseDuration();
            var before = GC.GetAllocatedBytesForCurrentThread();
            var clock = Stopwatch.StartNew();
            work();
            return new(
                clock.Elapsed - (GC.GetTotalPauseDuration() - paused),
                GC.GetAllocatedBytesForCurrentThread() - before
            );
        }

        public Cost Or(Cost other) => new(other.Time < Time ? other.Time : Time, Math.Min(Bytes, other.Bytes));

        public override string ToString() => $"{Time.TotalMilliseconds:F0} ms, {Bytes:N0} bytes";
    }
}

/// <summary>Nothing else of the suite runs meanwhile.</summary>
[CollectionDefinition(nameof(ByItself), DisableParallelization = true)]
public class ByItself;
