using System.Globalization;
using System.Text.Json;
using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>Bow, counting, form and sound on the stand. Sources: craft 8 to 11, common practice.</summary>
[Collection(nameof(OnTheSide))]
public class BowAndFormTests(Stage stage)
{
    private void OpenOwn(string title, string meter, string music)
    {
        stage.OpenKept($"X:1\nT:{title}\nM:{meter}\nL:1/4\nK:D\n{music}");
        Stage.WaitUntil(() => stage.Labels().Length > 0);
    }

    private void Panel(string name) =>
        Stage
            .Wait(() => stage.Browser.FindElements(By.CssSelector("[role=tab]")).FirstOrDefault(t => t.Text == name))
            .Click();

    private string[] Bows() =>
        [
            .. (
                (IReadOnlyCollection<object>)
                    stage.Browser.ExecuteScript(
                        "return [...document.querySelectorAll('[data-bow]')].map(e => e.dataset.bow)"
                    )!
            ).Select(o => (string)o),
        ];

    private void WithRow(string key, Action look)
    {
        stage.Press(key);
        try
        {
            look();
        }
        finally
        {
            stage.Press(key);
        }
    }

    [Fact] // Three strokes to a bar of 3/4: every second bar begins up; binding the last two mends it.
    public void A_proposal_is_taken_shown_kept_and_undone()
    {
        OpenOwn("Proposed Plums", "3/4", "D E F|G A B|c3|]");
        WithRow(
            "b",
            () =>
            {
                Stage.WaitUntil(() => string.Join(' ', Bows()) == "down up down up down up down");
                Panel("Bow");
                stage.Button("Take all 2").Click();
                Stage.WaitUntil(() => string.Join(' ', Bows()) == "down up down up down");
                Stage.WaitUntil(() =>
                    stage.Text("[aria-label=Bow]").Contains("Every bar begins down.", StringComparison.Ordinal)
                );
                Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector(".engraved g.slur")).Count == 2);
                stage.Browser.Navigate().Refresh();
                Stage.WaitUntil(() => string.Join(' ', Bows()) == "down up down up down");
                Panel("Bow");
                stage.Find("[aria-label^='Take back: Bar 1']").Click();
                Stage.WaitUntil(() => string.Join(' ', Bows()) == "down up down up down up");
                stage.Press("u");
                Stage.WaitUntil(() => string.Join(' ', Bows()) == "down up down up down");
            }
        );
    }

    [Fact]
    public void A_refused_change_gives_way_to_another_and_can_be_allowed_again()
    {
        OpenOwn("Refused Plums", "3/4", "D E F|G A B|c3|]");
        Panel("Bow");
        stage.Find("[aria-label^='Refuse: Bar 1: slur']").Click();
        stage.Find("[aria-label^='Take: Bar 1: hook']");
        stage.Button("Allow them again").Click();
        stage.Find("[aria-label^='Take: Bar 1: slur']");
    }

    [Fact]
    public void A_repeat_that_comes_back_the_other_way_is_said_and_mended()
    {
        OpenOwn("Returning Plums", "3/4", "|:D E F:|");
        WithRow(
            "b",
            () =>
            {
                Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-bow-again=up]")).Count == 1);
                Panel("Bow");
                Stage.WaitUntil(() =>
                    stage
                        .Text("[aria-label=Bow]")
                        .Contains("with the bow the other way round", StringComparison.Ordinal)
                );
                stage.Find("[aria-label^='Take: Bar 1: lift']").Click();
                Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-bow-again]")).Count == 0);
            }
        );
    }

    [Fact] // A dotted half down and a quarter up drift to the tip.
    public void The_ribbon_marks_strokes_that_run_out()
    {
        OpenOwn("Drifting Plums", "4/4", "D3 E|F3 G|A4|]");
        WithRow(
            "r",
            () =>
            {
                Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-travel]")).Count >= 5);
                Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-runs-out]")).Count > 0);
                Panel("Bow");
                Stage.WaitUntil(() =>
                    stage
                        .Text("[aria-label=Bow]")
                        .Contains(
                            "3 beats down, 1 up. The up bow must travel three times as fast",
                            StringComparison.Ordinal
                        )
                );
            }
        );
    }

    [Fact]
    public void The_bar_is_counted_and_its_values_part()
    {
        OpenOwn("Counted Plums", "4/4", "A/A/ A/4A/4A/4A/4 A z|]");
        Panel("Count");
        Stage.WaitUntil(() =>
            stage.Text("[data-testid=bar-count]").Replace(" ", "", StringComparison.Ordinal) == "1&2e&a3(4)"
        );
        stage.Press(Keys.End);
        Stage.WaitUntil(() =>
            stage.Text("figcaption").Contains("This quarter is four sixteenths.", StringComparison.Ordinal)
        );
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-value]")).Count == 8);
    }

    [Fact]
    public void Form_traps_and_trouble_are_told_and_lead_to_their_notes()
    {
        OpenOwn("Formed Plums", "4/4", "D E F G|A4|B A G F|E4|D E F G|A4|B A G E|D4|]");
        Panel("Form");
        Stage.WaitUntil(() =>
            stage
                .Text("[aria-label=Form]")
                .Contains("Two lines, one to learn and one nearly the same.", StringComparison.Ordinal)
        );
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("[aria-label=Form] button"))
                    .FirstOrDefault(b =>
                        b.Text.Contains(
                            "Line 2 is nearly line 1: the last note of bar 7 is E instead of F♯",
                            StringComparison.Ordinal
                        )
                    )
            )
            .Click();
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector(".engraved .is-same")).Count == 1);
        Stage.WaitUntil(() => stage.Text("[data-line='2']").Contains("A′", StringComparison.Ordinal));
        stage.Press(Keys.ArrowDown);
        Stage.WaitUntil(() => stage.Find("[data-line='2']").GetAttribute("aria-current") == "true");
    }

    [Fact]
    public void Trouble_spots_are_marked_on_the_paper_and_printed_with_the_line_map()
    {
        stage.OpenTune("The Cellar Stairs", "bass");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-trouble]")).Count > 0);
        var id = stage.Browser.Url.Split('/')[^1].Split('?')[0];
        stage.Open($"/tunes/{id}/print?for=bass&rows=pair,place&form=yes");
        Stage.WaitUntil(() =>
            stage.Text("[data-testid=form-sheet]").Contains("a shift to third position", StringComparison.Ordinal)
        );
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-travel]")).Count > 0);
    }

    [Fact]
    public void It_is_heard_from_any_note_the_cursor_follows_and_nothing_plays_by_itself()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        Stage.WaitUntil(() => stage.Find("section[aria-label='Hear it'] button").Text == "Hear it");
        stage.Browser.ExecuteScript(
            "document.querySelector(\"section[aria-label='Hear it'] input[type=checkbox]\").click()"
        ); // no count-in
        stage.Find("#b3n1 .notehead").Click();
        stage.Press(" ");
        Stage.WaitUntil(() => stage.Find("section[aria-label='Hear it'] button").Text == "Stop");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("#b3n3.is-now")).Count == 1);
        stage.Press(" ");
        Stage.WaitUntil(() => stage.Find("section[aria-label='Hear it'] button").Text == "Hear it");
    }

    [Fact]
    public void A_loop_comes_back_to_its_beginning()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        stage.Browser.ExecuteScript(
            "document.querySelector(\"section[aria-label='Hear it'] input[type=checkbox]\").click()"
        );
        stage.Find("#b3n2 .notehead").Click();
        stage.Press("[");
        stage.Press(Keys.ArrowRight + "]");
        Stage.WaitUntil(() => stage.Find("select[aria-label=Loop]").GetAttribute("value") == "own");
        stage.Press(" ");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("#b3n2.is-now")).Count == 1);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("#b3n3.is-now")).Count == 1);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("#b3n2.is-now")).Count == 1);
        stage.Press(" ");
    }

    [Theory]
    [InlineData("Bow")]
    [InlineData("Count")]
    [InlineData("Form")]
    public void Axe_finds_nothing_on_the_panels(string panel)
    {
        stage.OpenTune("The Ash Grove", "cello");
        Panel(panel);
        stage.Find($"section[aria-label='{panel}'] li, section[aria-label='{panel}'] figure");
        Assert.Empty(stage.Findings());
    }

    [Fact] // All rows together stay apart from one another.
    public void Rows_do_not_overlap()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        stage.Press("ncbr");
        try
        {
            Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-travel]")).Count > 0);
            double Top(string css) =>
                Convert.ToDouble(
                    stage.Browser.ExecuteScript(
                        $"return document.querySelector({JsonSerializer.Serialize(css)}).getBoundingClientRect().top"
                    ),
                    CultureInfo.InvariantCulture
                );
            Stage.WaitUntil(() => Top("[data-label]") < Top("[data-bow]"));
            Stage.WaitUntil(() => Top("[data-bow]") + 10 < Top("[data-travel]"));
        }
        finally
        {
            stage.Press("ncbr");
        }
    }
}
