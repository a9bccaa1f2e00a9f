using OpenQA.Selenium;

namespace Coppia.Tests;

[Collection(nameof(OnStage))]
public class StandTests(Stage stage)
{
    private string Why => stage.Text("[aria-label='Why here']");

    private string[] Systems() =>
        [.. ((IReadOnlyCollection<object>)stage.Browser.ExecuteScript("return [...document.querySelectorAll('.engraved g.system')].map(e => e.id)")!).Select(o => (string)o)];

    [Fact]
    public void Arrow_keys_walk_note_by_note_and_the_fingerboard_follows()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        Assert.StartsWith("A", Why, StringComparison.Ordinal);
        stage.Press(Keys.ArrowRight);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-now='2-5']")).Count == 1); // D5: third finger on the A string
        Assert.Contains("on tape 3", Why, StringComparison.Ordinal);
        Assert.Single(stage.Browser.FindElements(By.CssSelector(".engraved .is-now")));
        stage.Press(Keys.ArrowLeft);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-now='2-0']")).Count == 1);
        stage.Press(Keys.End);
        Stage.WaitUntil(() => Why.Contains("Bar 9", StringComparison.Ordinal));
    }

    [Fact]
    public void A_click_on_a_note_goes_there()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        stage.Find("#b3n2 .notehead").Click();
        Stage.WaitUntil(() => Why.Contains("Bar 2, beat 2", StringComparison.Ordinal));
    }

    [Fact]
    public void Rows_are_switched_by_key_and_remembered()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        var rows = () => stage.Browser.FindElements(By.CssSelector("[aria-label='Rows under the notes'] [aria-pressed=true]")).Select(e => e.Text.Trim()).ToArray();
        Assert.Equal(["Pair"], rows());
        stage.Press("b");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-bow]")).Count > 0);
        stage.OpenTune("Harbour Lanterns", "violin");
        Assert.Equal(["Pair", "Bow"], rows());
        stage.Press("b");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-bow]")).Count == 0);
    }

    [Fact]
    public void A_place_clicked_on_the_fingerboard_is_shown_on_the_staff()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        stage.Browser.ExecuteScript("document.querySelector('[data-place=\"1-4\"]').dispatchEvent(new MouseEvent('click', { bubbles: true }))");
        Stage.WaitUntil(() => stage.Text("[aria-label='On the staff']").Contains("space 1", StringComparison.Ordinal)); // F sharp
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[aria-label='On the staff'] img")).Count == 1);
        Assert.True(stage.Browser.FindElements(By.CssSelector(".engraved .is-same")).Count > 0);
        stage.Press(Keys.Escape);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[aria-label='Why here']")).Count == 1);
    }

    [Fact] // Issue of equal distances: the fret-like spacing shrinks by the twelfth root of two (equal temperament).
    public void The_fingerboard_is_drawn_to_scale()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        double Y(int index) => Convert.ToDouble(stage.Browser.ExecuteScript($"return parseFloat(document.querySelectorAll('svg[role=group] rect.fill-maple')[{index}].getAttribute('y')) + 2 - 34"), System.Globalization.CultureInfo.InvariantCulture);
        Assert.Equal(Tapes.Distance(1, 4) / Tapes.Distance(1, 2), Y(1) / Y(0), 0.01);
        Assert.Equal(Tapes.Distance(1, 5) / Tapes.Distance(1, 2), Y(2) / Y(0), 0.01);
    }

    [Fact]
    public void The_octave_move_is_said()
    {
        stage.OpenTune("Harbour Lanterns", "bass");
        Assert.Contains("Written an octave lower than printed", stage.Text("[data-testid=paper]"), StringComparison.Ordinal);
    }

    [Fact]
    public void The_line_map_goes_to_a_line()
    {
        stage.OpenTune("The Ash Grove", "violin");
        Assert.True(Systems().Length > 3);
        stage.Find("[data-line='3']").Click();
        Stage.WaitUntil(() => stage.Find("[data-line='3']").GetAttribute("aria-current") == "true");
        stage.Press(Keys.ArrowUp);
        Stage.WaitUntil(() => stage.Find("[data-line='2']").GetAttribute("aria-current") == "true");
    }

    [Fact]
    public void The_question_mark_lists_the_keys()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        stage.Press("?");
        Stage.WaitUntil(() => stage.Text("[role=dialog]").Contains("the note before, the next note", StringComparison.Ordinal));
        stage.Press(Keys.Escape);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[role=dialog]")).Count == 0);
    }

    [Theory]
    [InlineData("a4")]
    [InlineData("letter")]
    public void The_print_has_every_note_with_its_rows(string paper)
    {
        stage.OpenTune("The Ash Grove", "viola");
        var labels = stage.Labels();
        var id = stage.Browser.Url.Split('/')[^1].Split('?')[0];
        stage.Open($"/tunes/{id}/print?for=viola&rows=pair,bow&paper={paper}");
        Stage.WaitUntil(() => stage.Labels().Length == labels.Length);
        Assert.Equal(labels, stage.Labels());
        Assert.Empty(stage.Serious());
    }

    [Theory]
    [InlineData("violin")]
    [InlineData("cello")]
    public void Axe_finds_nothing_serious(string instrument)
    {
        stage.OpenTune("The Old Mill Reel", instrument);
        Assert.Empty(stage.Serious());
    }

    [Fact]
    public void Nothing_is_fetched_from_another_host()
    {
        stage.OpenTune("Harbour Lanterns", "cello");
        var hosts = (IReadOnlyCollection<object>)stage.Browser.ExecuteScript("return [...new Set(performance.getEntriesByType('resource').map(r => new URL(r.name).origin))].filter(o => o !== location.origin && o !== 'null')")!;
        Assert.Empty(hosts);
    }
}
