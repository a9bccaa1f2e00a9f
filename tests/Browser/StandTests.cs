using OpenQA.Selenium;

namespace Coppia.Tests;

[Collection(nameof(OnStage))]
public class StandTests(Stage stage)
{
    private string Why => stage.Text("[aria-label='Why here']");

    private string[] Systems() =>
        [
            .. (
                (IReadOnlyCollection<object>)
                    stage.Browser.ExecuteScript(
                        "return [...document.querySelectorAll('.engraved g.system')].map(e => e.id)"
                    )!
            ).Select(o => (string)o),
        ];

    [Fact]
    public void Arrow_keys_walk_note_by_note_and_the_fingerboard_follows()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        Stage.WaitUntil(() => Why.StartsWith("A", StringComparison.Ordinal));
        stage.Press(Keys.ArrowRight);
        // D5: third finger on the A string
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-now='2-5']")).Count == 1);
        Stage.WaitUntil(() => Why.Contains("on tape 3", StringComparison.Ordinal));
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("g.note.is-now")).Count == 1);
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
        var rows = () =>
            stage
                .Browser.FindElements(By.CssSelector("[aria-label='Rows under the notes'] [aria-pressed=true]"))
                .Select(e => e.Text.Trim())
                .ToArray();
        Stage.WaitUntil(() => rows().SequenceEqual(["Pair"]));
        stage.Press("b");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-bow]")).Count > 0);
        stage.OpenTune("Harbour Lanterns", "violin");
        Stage.WaitUntil(() => rows().SequenceEqual(["Pair", "Bow"]));
        stage.Press("b");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-bow]")).Count == 0);
    }

    [Fact]
    public void A_place_clicked_on_the_fingerboard_is_shown_on_the_staff()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        stage.Browser.ExecuteScript(
            "document.querySelector('[data-place=\"1-4\"]').dispatchEvent(new MouseEvent('click', { bubbles: true }))"
        );
        // F sharp
        Stage.WaitUntil(() => stage.Text("[aria-label='On the staff']").Contains("space 1", StringComparison.Ordinal));
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[aria-label='On the staff'] img")).Count == 1);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector(".engraved .is-same")).Count > 0);
        stage.Press(Keys.Escape);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[aria-label='Why here']")).Count == 1);
    }

    [Fact] // Issue of equal distances: the fret-like spacing shrinks by the twelfth root of two (equal temperament).
    public void The_fingerboard_is_drawn_to_scale()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        double Y(int index) =>
            Convert.ToDouble(
                stage.Browser.ExecuteScript(
                    "return parseFloat(document.querySelectorAll('svg[role=group] "
                        + $"rect.fill-maple')[{index}].getAttribute('y')) + 2 - 34"
                ),
                System.Globalization.CultureInfo.InvariantCulture
            );
        Assert.Equal(Tapes.Distance(1, 4) / Tapes.Distance(1, 2), Y(1) / Y(0), 0.01);
        Assert.Equal(Tapes.Distance(1, 5) / Tapes.Distance(1, 2), Y(2) / Y(0), 0.01);
    }

    [Fact]
    public void The_octave_move_is_said()
    {
        stage.OpenTune("Harbour Lanterns", "bass");
        Stage.WaitUntil(() =>
            stage.Text("[data-testid=paper]").Contains("Written an octave lower than printed", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void The_line_map_goes_to_a_line()
    {
        stage.OpenTune("The Ash Grove", "violin");
        Stage.WaitUntil(() => Systems().Length > 3);
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
        Stage.WaitUntil(() =>
            stage.Text("[role=dialog]").Contains("the note before, the next note", StringComparison.Ordinal)
        );
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
        Assert.Empty(stage.Findings());
    }

    [Theory]
    [InlineData("violin")]
    [InlineData("cello")]
    public void Axe_finds_nothing(string instrument)
    {
        stage.OpenTune("The Old Mill Reel", instrument);
        Assert.Empty(stage.Findings());
    }

    [Fact]
    public void Nothing_is_fetched_from_another_host()
    {
        stage.OpenTune("Harbour Lanterns", "cello");
        var hosts =
            (IReadOnlyCollection<object>)
                stage.Browser.ExecuteScript(
                    "return [...new Set(performance.getEntriesByType('resource').map(r => new "
                        + "URL(r.name).origin))].filter(o => o !== location.origin && o !== 'null')"
                )!;
        Assert.Empty(hosts);
    }

    /// <summary>Texts of one row that come within half a pixel of their right neighbour.</summary>
    private string[] Touching() =>
        [
            .. (
                (IReadOnlyCollection<object>)
                    stage.Browser.ExecuteScript(
                        """
                        const rows = {}
                        document.querySelectorAll('.engraved > svg').forEach((page, i) =>
                          page.querySelectorAll('text').forEach((t) => {
                          const box = t.getBoundingClientRect()
                          if (!t.textContent.trim()) return;
                          const row = `${i} ${Math.round(t.getAttribute('y'))}`;
                          (rows[row] ??= []).push([box.left, box.right, t.textContent]);
                        }))
                        return Object.values(rows).flatMap((row) => row.sort((a, b) => a[0] - b[0])
                          .filter((t, i) => row[i + 1] && row[i + 1][0] - t[1] < 0.5).map((t) => t[2]))
                        """
                    )!
            ).Select(o => (string)o),
        ];

    [Theory] // The hardest: low, high and stretched fingers in eighths, many positions, whole notes counted to four.
    [InlineData("The Old Mill Reel", "cello")]
    [InlineData("The Clockmaker's Daughter", "viola")]
    [InlineData("The Tin Ferry", "bass")]
    [InlineData("Bramble Lane", "violin")]
    public void No_text_under_the_notes_touches_its_neighbour(string tune, string instrument)
    {
        stage.OpenTune(tune, instrument);
        Stage.WaitUntil(() => Touching().Length == 0);
        stage.Press("nc");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector(".row-label")).Any(e => e.Text == "Count"));
        Stage.WaitUntil(() => Touching().Length == 0);
        stage.Press("nc");
    }

    [Fact] // However much there is to say before a line, it stands clear of the notes below it and of the rows above.
    public void What_is_printed_before_a_line_covers_nothing()
    {
        stage.OpenTune("The Ash Grove", "bass");
        var id = stage.Browser.Url.Split('/')[^1].Split('?')[0];
        stage.Open($"/tunes/{id}/print?for=bass&rows=pair&before=yes");
        Stage.WaitUntil(() => stage.Text("[data-testid=sheet]").Contains("Look for: repeat", StringComparison.Ordinal));
        Stage.WaitUntil(() =>
            (bool)
                stage.Browser.ExecuteScript(
                    """
                    const boxes = (css) => [...document.querySelectorAll(css)].map((e) => e.getBoundingClientRect())
                    const words = boxes('.engraved > p')
                    const things = boxes('.engraved .notehead, .engraved [data-label], .engraved [data-trouble]')
                    return words.length > 3 && words.every((w) => things.every((t) => t.bottom <= w.top ||
                      t.top >= w.bottom || t.right <= w.left || t.left >= w.right))
                    """
                )!
        );
    }
}
