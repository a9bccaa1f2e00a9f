using System.Text.RegularExpressions;
using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>
/// What a page fetches before it shows something: on a child's phone every kilobyte is waited for. The limits are our
/// own.
/// </summary>
[Collection(nameof(OnTheSide))]
public partial class FirstLoadTests(Stage stage)
{
    private const string Fetched = """
        return performance.getEntriesByType('resource')
          .filter((r) => r.name.endsWith('.js'))
          .map((r) => [new URL(r.name).pathname, r.encodedBodySize, r.decodedBodySize])
        """;

    [Theory]
    [InlineData("/learn/nobody", "learn.html", 170_000)]
    [InlineData("/tunes", "index.html", 200_000)]
    public void A_first_screen_fetches_little_script_and_all_of_it_at_once(string address, string page, int mostBytes)
    {
        // As on a phone that was never here: no worker of an earlier visit answers.
        stage.Load("/keeping");
        stage.Browser.ExecuteAsyncScript(
            """
            const [done] = arguments
            navigator.serviceWorker
              .getRegistrations()
              .then((all) => Promise.all(all.map((worker) => worker.unregister())))
              .then(done)
            """
        );
        stage.Load(address);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.TagName("h1")).Count > 0);
        var fetched = ((IReadOnlyCollection<object>)stage.Browser.ExecuteScript(Fetched)!)
            .Cast<IReadOnlyCollection<object>>()
            .Select(r => r.ToArray())
            .ToDictionary(r => (string)r[0], r => (Sent: (long)r[1], Whole: (long)r[2]));
        var named = Script()
            .Matches(File.ReadAllText(Path.Combine(Lines.Root(), "build/web", page)))
            .Select(m => m.Groups[1].Value);
        // Asked for by the page itself: none waits until another has come.
        Assert.Equal(named.Order(), fetched.Keys.Order());
        Assert.InRange(fetched.Values.Sum(f => f.Sent), mostBytes / 3, mostBytes);
        Assert.All(fetched.Values.Where(f => f.Whole > 2_000), f => Assert.True(f.Sent < f.Whole / 2));
    }

    [Fact]
    public void The_engraver_comes_after_the_first_paint()
    {
        stage.SaveData(false);
        try
        {
            stage.Load("/tunes");
            string Hired() =>
                (string)
                    stage.Browser.ExecuteScript(
                        """
                        const all = performance.getEntriesByType('resource')
                        const worker = all.find((r) => r.name.includes('engraver.worker'))
                        const [paint] = performance.getEntriesByName('first-contentful-paint')
                        return !worker || !paint ? '' : worker.startTime > paint.startTime ? 'after' : 'before'
                        """
                    )!;
            Stage.WaitUntil(() => Hired() != "");
            Assert.Equal("after", Hired());
        }
        finally
        {
            stage.SaveData(true);
        }
    }

    [Fact]
    public void A_screen_that_cannot_be_fetched_says_so_and_comes_when_it_can()
    {
        stage.Load("/keeping");
        stage.Find("#backups");
        stage.Browser.ExecuteCdpCommand("Network.clearBrowserCache", []);
        stage.WithoutNetwork(() =>
        {
            stage.Find("nav a[href='/cards']").Click();
            Stage.WaitUntil(() => stage.Text("h1") == "This page could not be fetched");
        });
        stage.Button("Try again").Click();
        Stage.WaitUntil(() => stage.Text("h1") == "Cards");
    }

    [GeneratedRegex("\"(/assets/[^\"]*\\.js)\"")]
    private static partial Regex Script();
}
