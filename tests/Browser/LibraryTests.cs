using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>
/// A library of a school: thousands of tunes, backups that go and come. It has a server and a browser of its own.
/// </summary>
public sealed class LibraryTests(Stage stage) : IClassFixture<Stage>
{
    private const int Many = 5_000;

    private static readonly HttpClient Client = new();

    private int Drawn() => stage.Browser.FindElements(By.CssSelector("[data-tune]")).Count;

    private async Task<int> Total() =>
        (await Client.GetFromJsonAsync<JsonElement>($"{stage.Address}/api/tunes")).GetProperty("total").GetInt32();

    /// <summary>Adds tunes up to five thousand, numbered from the first.</summary>
    private async Task Fill()
    {
        for (var from = await Total(); from < Many; from += 100)
        {
            var tunes = Enumerable
                .Range(from, Math.Min(100, Many - from))
                .Select(i => new
                {
                    source = "X:1\nM:3/4\nL:1/4\nK:G\nG A B|\n",
                    title = $"Weir Round {i:0000}",
                    composer = "Coppia demo",
                });
            using var kept = await Client.PostAsJsonAsync($"{stage.Address}/api/tunes/many", new { tunes });
            kept.EnsureSuccessStatusCode();
        }
    }

    [Fact]
    public async Task Of_five_thousand_tunes_only_those_in_view_are_drawn_and_each_is_found()
    {
        await Fill();
        stage.Open("/tunes");
        var total = await Total();
        Stage.WaitUntil(() =>
            stage.Text("output")
            == string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{total:N0} tunes")
        );
        Stage.WaitUntil(() => Drawn() is > 5 and < 60);
        Assert.Equal(
            total,
            int.Parse(
                stage.Find("[aria-label=Tunes] li").GetAttribute("aria-setsize")!,
                System.Globalization.CultureInfo.InvariantCulture
            )
        );

        // Far down by the scroll bar.
        stage.Browser.ExecuteScript(
            "const l = document.querySelector('[aria-label=Tunes]').parentElement; l.scrollTop = l.scrollHeight"
        );
        Stage.WaitUntil(() => stage.Text("main").Contains("Weir Round 4999", StringComparison.Ordinal) && Drawn() < 60);

        // By the beginnings of two words.
        stage.Press("/");
        stage.Press("rou 4321");
        Stage.WaitUntil(() =>
            stage.Text("output") == "1 tune"
            && stage.Text("[data-tune]").StartsWith("Weir Round 4321", StringComparison.Ordinal)
        );
        Assert.Empty(stage.Findings());

        // Coming back finds it again.
        stage.Find("[data-tune]").Click();
        Stage.WaitUntil(() => stage.Labels().Length == 3);
        stage.Browser.Navigate().Back();
        Stage.WaitUntil(() => stage.Text("output") == "1 tune");
    }

    [Fact]
    public async Task Tunes_are_chosen_by_instrument_and_key_and_put_in_order()
    {
        await Fill();
        stage.Open("/tunes");
        void Choose(string what, string option) =>
            Stage
                .Wait(() =>
                    stage
                        .Browser.FindElements(By.CssSelector($"select[aria-label='{what}'] option"))
                        .FirstOrDefault(o => o.Text == option)
                )
                .Click();
        // Two of the demo's tunes are printed for the cello, one is in E flat (demo/tunes.json).
        Choose("Printed for", "Cello");
        Stage.WaitUntil(() =>
            stage.Text("output") == "2 tunes"
            && stage.Text("[data-tune]").StartsWith("Night Train", StringComparison.Ordinal)
        );
        Choose("Printed for", "any instrument");
        Choose("In the key", "E♭ major");
        Stage.WaitUntil(() => stage.Text("[data-tune]").StartsWith("Snow on the Sill", StringComparison.Ordinal));
        Choose("In the key", "any key");
        Choose("Order", "shortest first");
        Stage.WaitUntil(() => stage.Text("main").Contains("1 bar\n", StringComparison.Ordinal));
        Choose("Order", "last added");
        Stage.WaitUntil(() => stage.Browser.Url.Contains("order=added", StringComparison.Ordinal));
        Stage.WaitUntil(() => !stage.Text("[data-tune]").StartsWith("Bramble", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_backup_is_saved_brought_back_and_undone_by_a_teacher()
    {
        var file = Path.Combine(Path.GetTempPath(), $"coppia-test-{Guid.NewGuid():N}.db");
        await File.WriteAllBytesAsync(
            file,
            await Client.GetByteArrayAsync($"{stage.Address}/api/keeping/backup"),
            TestContext.Current.CancellationToken
        );
        try
        {
            var before = await Total();
            stage.KeepTune("X:1\nT:After the Backup\nM:3/4\nL:1/4\nK:G\nG A B|");
            Stage.WaitUntil(() => stage.Labels().Length == 3);
            stage.Open("/keeping");
            stage.Find("input[accept='.db']").SendKeys(file);
            stage.Button("Bring it back").Click();
            Stage.WaitUntil(() =>
                stage.Text("[role=status].fixed").Contains($"with {before} tunes", StringComparison.Ordinal)
            );
            Assert.Equal(before, await Total());
            stage.Button("Undo").Click();
            Stage.WaitUntil(() =>
                stage.Text("[role=status].fixed").Contains($"with {before + 1} tunes", StringComparison.Ordinal)
            );
            Assert.Equal(before + 1, await Total());
            Assert.Empty(stage.Findings());

            // A file that is none is refused in words.
            await File.WriteAllTextAsync(
                file,
                "no backup" + new string('x', 5000),
                Encoding.UTF8,
                TestContext.Current.CancellationToken
            );
            stage.Find("input[accept='.db']").SendKeys(file);
            stage.Button("Bring it back").Click();
            Stage.WaitUntil(() =>
                stage.Text("main [role=alert]").Contains("is not a backup of Coppia", StringComparison.Ordinal)
            );
        }
        finally
        {
            File.Delete(file);
        }
    }

    [Fact]
    public async Task What_is_deleted_is_on_one_page_and_comes_back()
    {
        stage.Open(Stage.Searching("Bramble Lane"));
        stage.Menu("Bramble Lane", "Delete");
        Stage.WaitUntil(() => Drawn() == 0);
        var before = await Total();
        stage.Open("/keeping");
        stage.Find("[aria-label='Bring back Bramble Lane']").Click();
        Stage.WaitUntil(() =>
            stage.Text("[aria-labelledby=deleted]").Contains("Nothing is deleted.", StringComparison.Ordinal)
        );
        Assert.Equal(before + 1, await Total());
    }
}
