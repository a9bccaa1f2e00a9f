using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>
/// Ways in on the screens (craft 20): letters and fingers with a live staff, books, and scores of several lines.
/// </summary>
[Collection(nameof(OnStage))]
public class WaysInTests(Stage stage)
{
    private const string Trio =
        "X:1\nT:Trio of the Yard\nM:4/4\nL:1/4\nK:D\nV:1 name=\"Violin\"\nV:2 name=\"Cello\" clef=bass\n[V:1]D E F "
        + "G|A4|]\nw:one two three four five\n[V:2]D, A,, D, A,,|D,4|]\n";

    private int Drawn() => stage.Browser.FindElements(By.CssSelector("[data-testid=live-staff] g.note")).Count;

    private void Drop(string name, string content) =>
        stage.Browser.ExecuteScript(
            "const files = new DataTransfer(); files.items.add(new File([arguments[1]], arguments[0])); "
                + "document.body.dispatchEvent(new DragEvent('drop', { dataTransfer: files, bubbles: true }))",
            name,
            content
        );

    [Theory]
    [InlineData("G A B G | C5 B A2", "note letters", 7)]
    [InlineData("D: 0 0 A: 0 0 | 1 1 0 -", "strings and fingers", 7)]
    [InlineData("X:1\nL:1/4\nK:D\nDEFG|]", "ABC", 4)]
    public void What_is_typed_is_recognised_and_drawn_beside_the_text(string text, string readAs, int notes)
    {
        stage.Open("/tunes");
        stage.TypeTune(text);
        Stage.WaitUntil(() =>
            stage.Text("[data-testid=found]").Contains($"read as {readAs}", StringComparison.Ordinal)
        );
        Stage.WaitUntil(() => Drawn() == notes);
        stage.TypeTune("");
    }

    [Fact]
    public void A_wrong_letter_is_told_with_its_place()
    {
        stage.Open("/tunes");
        stage.TypeTune("G A B\nG H A");
        Stage.WaitUntil(() =>
            stage
                .Text("[aria-label='What cannot be read']")
                .StartsWith("Line 2, column 3: “H” is not a note", StringComparison.Ordinal)
        );
        stage.TypeTune("");
    }

    [Fact]
    public void A_book_is_listed_and_some_of_it_is_kept()
    {
        stage.Open(Stage.Searching("Book Tune"));
        Drop(
            "three.abc",
            "X:1\nT:Book Tune One\nL:1/4\nK:D\nDEFG|]\n\nX:2\nT:Book Tune Torn\nK:D\nD[E\n\nX:3\nT:Book Tune "
                + "Three\nL:1/4\nK:G\nGABc|]\n"
        );
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-book-tune]")).Count == 3);
        Assert.Contains(
            "line 10, column 2: a chord begins with [ and never ends",
            stage.Text("[data-book-tune='2']"),
            StringComparison.Ordinal
        );
        stage.Find("[data-book-tune='1'] input").Click();
        stage.Button("Keep 1 tune").Click();
        Stage.WaitUntil(() =>
            stage
                .Browser.FindElements(By.CssSelector("[data-tune]"))
                .Any(t => t.Text.StartsWith("Book Tune Three", StringComparison.Ordinal))
        );
        Assert.DoesNotContain(
            stage.Browser.FindElements(By.CssSelector("[data-tune]")),
            t => t.Text.StartsWith("Book Tune One", StringComparison.Ordinal)
        );
        stage.Button("Undo").Click();
        Stage.WaitUntil(() =>
            !stage
                .Browser.FindElements(By.CssSelector("[data-tune]"))
                .Any(t => t.Text.StartsWith("Book Tune Three", StringComparison.Ordinal))
        );
    }

    [Fact]
    public void A_score_asks_which_line_is_for_whom_and_shows_its_words()
    {
        stage.Open("/tunes");
        stage.TypeTune(Trio);
        Stage.WaitUntil(() => stage.Text("[data-testid=found]").Contains("2 lines", StringComparison.Ordinal));
        stage.Button("Keep and open").Click();
        Stage.WaitUntil(() => stage.Text("[role=dialog]").Contains("Which line for whom", StringComparison.Ordinal));
        Assert.Empty(stage.Findings());
        stage.Button("Done").Click();
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D1 D2 D3 A0");
        stage.Press("3");
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 G1 D0 G1 D0");
        stage.Press("1");
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D1 D2 D3 A0");
        stage.Press("s");
        Stage.WaitUntil(() =>
            string.Join(' ', stage.Browser.FindElements(By.CssSelector("[data-words]")).Select(w => w.Text))
            == "one two three four five"
        );
        stage.Press("s");
    }

    [Fact] // The second is chosen while the first is still on its way: both hold.
    public void Two_lines_are_chosen_in_one_breath()
    {
        stage.Open("/tunes");
        stage.WithScript(
            Stage.Holding(@"asked.method === 'PUT' && /lines$/.test(to)"),
            () =>
            {
                stage.KeepTune(Trio.Replace("Trio of the Yard", "Trio in Haste", StringComparison.Ordinal));
                stage.Find("[role=dialog] select");
                ReadsLine("Viola").FindElements(By.TagName("option")).Single(o => o.Text == "Cello").Click();
                ReadsLine("Double bass").FindElements(By.TagName("option")).Single(o => o.Text == "Cello").Click();
                Stage.WaitUntil(() => (bool)stage.Browser.ExecuteScript("return window.isAsked")!);
                stage.Browser.ExecuteScript("window.letGo()");
                Stage.WaitUntil(() => new[] { "Viola", "Double bass" }.All(i => Chosen(ReadsLine(i)) == "Cello"));
                Assert.DoesNotContain("changed", stage.Text("[role=dialog]"), StringComparison.Ordinal);
            }
        );
    }

    private IWebElement ReadsLine(string instrument) =>
        stage
            .Browser.FindElements(By.CssSelector("[role=dialog] label"))
            .First(l => l.Text.StartsWith(instrument, StringComparison.Ordinal))
            .FindElement(By.TagName("select"));

    private static string? Chosen(IWebElement select) =>
        select.FindElements(By.TagName("option")).FirstOrDefault(o => o.Selected)?.Text;
}
