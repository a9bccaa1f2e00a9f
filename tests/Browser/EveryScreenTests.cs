using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>What holds on every screen: it fits, it is reached by keyboard, nothing is lost.</summary>
[Collection(nameof(OnStage))]
public class EveryScreenTests(Stage stage)
{
    private bool FitsTheWidth() =>
        (bool)
            stage.Browser.ExecuteScript(
                "return document.documentElement.scrollWidth <= document.documentElement.clientWidth + 1"
            )!;

    [Fact] // The first tune is on paper at once; whoever pays for what is loaded waits for it instead.
    public void The_engraver_is_there_before_it_is_needed()
    {
        stage.SaveData(false);
        try
        {
            stage.Load("/taping");
            Stage.WaitUntil(() =>
                (bool)
                    stage.Browser.ExecuteScript(
                        "return performance.getEntriesByType('resource').some((e) => e.name.includes('engraver'))"
                    )!
            );
        }
        finally
        {
            stage.SaveData(true);
        }
    }

    [Theory] // The main act at 1280×800 with no scroll: fingerboard, reasons and the sound bar are all in view.
    [InlineData("Harbour Lanterns", "violin")]
    [InlineData("Moth and Candle", "viola")]
    [InlineData("Night Train over the Marsh", "cello")]
    [InlineData("The Cellar Stairs", "bass")]
    public void The_stand_has_everything_in_view(string tune, string instrument)
    {
        stage.OpenTune(tune, instrument);
        bool InView(string css) =>
            (bool)
                stage.Browser.ExecuteScript(
                    "const r = document.querySelector(arguments[0]).getBoundingClientRect(); "
                        + "return r.top >= 0 && r.bottom <= innerHeight + 1 && r.right <= innerWidth + 1",
                    css
                )!;
        Stage.WaitUntil(() => InView("svg[role=group]"));
        Stage.WaitUntil(() => InView("[role=tablist]"));
        Stage.WaitUntil(() => InView("section[aria-label='Hear it']"));
        Stage.WaitUntil(() => InView(".engraved g.system"));
        Stage.WaitUntil(() => FitsTheWidth());
    }

    [Fact]
    public void The_stand_works_on_a_tablet()
    {
        stage.SetViewport(1180, 820);
        try
        {
            stage.OpenTune("The Tin Ferry", "viola");
            Stage.WaitUntil(() => FitsTheWidth());
            stage.Press(Keys.ArrowRight);
            Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("g.note.is-now")).Count == 1);
        }
        finally
        {
            stage.SetViewport(1280, 800);
        }
    }

    [Fact]
    public void Shapes_turn_by_the_arrow_keys_and_the_instrument_by_number()
    {
        stage.Load("/shapes?for=violin&key=0");
        Stage.WaitUntil(() => stage.Text("h1") == "C major");
        stage.Press(Keys.ArrowRight);
        Stage.WaitUntil(() => stage.Text("h1") == "G major");
        stage.Press(string.Concat(Enumerable.Repeat(Keys.ArrowLeft, 5))); // Quick presses all count.
        Stage.WaitUntil(() => stage.Text("h1") == "A♭ major");
        stage.Press(Keys.ArrowRight + Keys.ArrowRight + Keys.ArrowRight + "4");
        Stage.WaitUntil(() =>
            stage
                .Find("svg[role=img]")
                .GetAttribute("aria-label")!
                .StartsWith("E string: half 1–4", StringComparison.Ordinal)
        );
    }

    [Fact] // The first key taught is what others are compared with.
    public void The_comparison_key_can_be_chosen_for_one_look()
    {
        stage.Load("/shapes?for=violin&key=1&against=0");
        Stage.WaitUntil(() => stage.Text("main").Contains("Against C major: F is sharp.", StringComparison.Ordinal));
    }

    [Fact]
    public void Fingers_printed_in_the_source_count_when_wanted()
    {
        stage.OpenKept("X:1\nT:Printed Pears\nM:4/4\nL:1/4\nK:D\nF G !4!A G|F E D2|]");
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D2 D3 A0 D3 D2 D1 D0");
        stage.Find("[data-testid=paper] input[type=checkbox]").Click();
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D2 D3 D4 D3 D2 D1 D0");
        stage.Press("u");
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D2 D3 A0 D3 D2 D1 D0");
    }

    [Fact]
    public void A_second_style_is_made_used_and_the_first_comes_back()
    {
        stage.Load("/style");
        void SetName(string name)
        {
            Stage.Retype(stage.Find("input[maxlength='80']"), name);
            stage.Button("Save");
            stage.Button("Save").Click();
            Stage.WaitUntil(() => stage.Text("[role=status]").Contains($"“{name}” is saved", StringComparison.Ordinal));
        }

        SetName("Downstairs room");
        stage.Button("Duplicate").Click();
        Stage.WaitUntil(() => stage.Find("input[maxlength='80']").GetAttribute("value") == "Downstairs room (copy)");
        stage.Button("Use this style").Click();
        stage.Button("Downstairs room (copy) (in use)");
        stage.Button("Downstairs room").Click();
        stage.Button("Use this style").Click();
        stage.Button("Downstairs room (in use)");
        stage.Button("Downstairs room (copy)").Click();
        stage.Button("Delete").Click();
        Stage.WaitUntil(() => stage.Text("[role=status]").Contains("is deleted", StringComparison.Ordinal));
        SetName("Our style");
    }

    [Fact] // Words that are no words for their rhythm are refused in words, and nothing is saved.
    public void A_word_with_the_wrong_syllables_is_refused()
    {
        stage.Load("/style");
        var words = stage.Find("section[aria-label='Words for rhythms'] li:nth-child(2) input");
        words.SendKeys("-light");
        stage.Button("Save");
        stage.Button("Save").Click();
        Stage.WaitUntil(() => stage.Text("[role=alert]").Contains("needs 2 syllables", StringComparison.Ordinal));
        stage.Button("Undo changes").Click();
    }

    [Fact]
    public void The_counting_system_of_the_style_is_on_the_stand()
    {
        stage.Load("/style");
        void Choose(string option)
        {
            Stage
                .Wait(() =>
                    stage
                        .Browser.FindElements(By.CssSelector("section[aria-label='Counting'] [role=radio]"))
                        .FirstOrDefault(e => e.Text == option)
                )
                .Click();
            stage.Button("Save");
            stage.Button("Save").Click();
            Stage.WaitUntil(() => stage.Text("[role=status]").Contains("is saved", StringComparison.Ordinal));
        }

        Choose("ta ti-ti");
        try
        {
            stage.OpenTune("Three Grey Geese", "violin");
            Stage
                .Wait(() =>
                    stage.Browser.FindElements(By.CssSelector("[role=tab]")).FirstOrDefault(t => t.Text == "Count")
                )
                .Click();
            Stage.WaitUntil(() =>
                stage.Text("[data-testid=bar-count]").Replace(" ", "", StringComparison.Ordinal) == "tatiti"
            );
        }
        finally
        {
            stage.Load("/style");
            Choose("1 & 2 &");
        }
    }

    [Fact]
    public void An_unknown_tune_is_told_and_leads_back()
    {
        stage.Load("/tunes/99999?for=violin");
        Stage.WaitUntil(() => stage.Text("h1") == "This tune is not here");
        Stage.WaitUntil(() => stage.Text("main").Contains("it may have been deleted", StringComparison.Ordinal));
        stage.Find("main a").Click();
        stage.Find("[data-tune]");
    }
}
