using System.Runtime.InteropServices;
using Coppia.Formats.Books;

namespace Coppia.Tests;

/// <summary>
/// What costs time and memory grows with the text and no faster, whatever a text repeats (OWASP ASVS 4.0.3, 5.1.3 and
/// 12.1.2: input is bounded; common practice). What is counted is the processor's own time for this thread and the
/// bytes that it takes, so that neither a slow machine nor a busy one is told from a text that costs too much.
/// </summary>
public partial class GrowthTests
{
    private const int Short = 1_500;
    private const int Longer = 16;

    /// <summary>A whole reading has many linear parts, in which a quadratic one is seen only in long tunes.</summary>
    private const int Notes = 2_000;
    private const int LongerTune = 6;

    /// <summary>
    /// So many times as long may cost so many times as much: linear is the length itself, and what no longer fits the
    /// processor's own memory is half as slow again; quadratic is its square.
    /// </summary>
    private static double Most(int longer) => 2.5 * longer;

    /// <summary>Below that much a clock tells little.</summary>
    private static readonly TimeSpan Little = TimeSpan.FromMilliseconds(40);

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
                Most(LongerTune)
            );
        }
    }

    private static string Note(string more) =>
        "<measure><attributes><divisions>1</divisions></attributes><note><pitch><step>D</step><octave>4</octave>"
        + $"</pitch><duration>4</duration>{more}</note></measure>";

    private static string Times(string repeated, int characters) =>
        string.Concat(Enumerable.Repeat(repeated, 1 + characters / repeated.Length));

    private static void Linear(string what, Func<int, string> text) =>
        Linear(what, source => TuneReader.Read(source), text(Short), text(Longer * Short), Most(Longer));

    private static void Linear<T>(string what, Action<T> work, T few, T many, double most)
    {
        Cost.Of(() => work(few)); // what is read for the first time is compiled first
        var (little, much) = (Cost.Of(() => work(few)), Cost.Of(() => work(many)));
        // What is collected or compiled meanwhile falls to this thread now and then, and only ever adds.
        for (var again = 0; again < 8 && !IsLinear(); again++)
            (little, much) = (little.Or(Cost.Of(() => work(few))), much.Or(Cost.Of(() => work(many))));
        Assert.True(IsLinear(), $"{what}: {little}; {much}");

        bool IsLinear() =>
            (much.Time < Little || much.Time < most * little.Time) && much.Bytes < most * little.Bytes + 1_000_000;
    }

    private readonly record struct Cost(TimeSpan Time, long Bytes)
    {
        public static Cost Of(Action work)
        {
            var (bytes, time) = (GC.GetAllocatedBytesForCurrentThread(), ThreadTime());
            work();
            return new(ThreadTime() - time, GC.GetAllocatedBytesForCurrentThread() - bytes);
        }

        public Cost Or(Cost other) => new(other.Time < Time ? other.Time : Time, Math.Min(Bytes, other.Bytes));

        public override string ToString() => $"{Time.TotalMilliseconds:F0} ms, {Bytes:N0} bytes";
    }

    /// <summary>The processor's time for this thread (POSIX clock_gettime; 3 is this clock on Linux).</summary>
    private static TimeSpan ThreadTime()
    {
        Assert.Equal(0, GetTime(3, out var spent));
        return TimeSpan.FromSeconds(spent.Seconds) + TimeSpan.FromTicks(spent.Nanoseconds / 100);
    }

    [StructLayout(LayoutKind.Sequential)]
    private readonly struct Spent
    {
        public readonly long Seconds;
        public readonly long Nanoseconds;
    }

    [LibraryImport("libc", EntryPoint = "clock_gettime")]
    private static partial int GetTime(int clock, out Spent spent);
}
