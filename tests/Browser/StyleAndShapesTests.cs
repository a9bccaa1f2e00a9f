using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>House style, shapes and taping sheet as a teacher works with them.</summary>
[Collection(nameof(OnStage))]
public class StyleAndShapesTests(Stage stage)
{
    private string Printed(string setting) => stage.Find($"[data-example={setting}]").GetAttribute("data-printed")!;

    private void Choose(string setting, string option) =>
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector($"section[aria-label='{setting}'] [role=radio]"))
                    .FirstOrDefault(e => e.Text == option)
            )
            .Click();

    private void SaveStyle()
    {
        stage.Button("Save");
        stage.Button("Save").Click();
        Stage.WaitUntil(() => stage.Text("[role=status]").Contains("is saved", StringComparison.Ordinal));
    }

    [Fact]
    public void Each_choice_shows_at_once_on_its_example_and_is_saved_only_when_asked()
    {
        stage.Open("/style");
        Stage.WaitUntil(() => Printed("fourthFinger") == "D2 D3 D4 D3 D3 D4 A1 A0 D3");
        Choose("Open string or fourth finger", "Open first");
        Stage.WaitUntil(() => Printed("fourthFinger") == "D2 D3 A0 D3 D3 D4 A1 A0 D3");
        stage.Button("Undo changes").Click();
        Stage.WaitUntil(() => Printed("fourthFinger") == "D2 D3 D4 D3 D3 D4 A1 A0 D3");
    }

    [Fact]
    public void A_saved_style_is_used_on_the_stand()
    {
        stage.Open("/style");
        Choose("Low and high fingers", "↓2 ↑3");
        SaveStyle();
        stage.OpenTune("Snow on the Sill", "violin");
        Stage.WaitUntil(() => stage.Labels().FirstOrDefault() == "D-↓1");
        stage.Open("/style");
        Choose("Low and high fingers", "L2 H3");
        SaveStyle();
        stage.OpenTune("Snow on the Sill", "violin");
        Stage.WaitUntil(() => stage.Labels().FirstOrDefault() == "D-L1");
    }

    [Fact] // Craft 19, common practice: cello B flat major.
    public void A_key_shows_its_shapes_and_its_scale_with_pairs()
    {
        stage.Open("/shapes?for=cello&key=-2");
        Stage.WaitUntil(() =>
            string.Join(' ', stage.Labels()).StartsWith("G2 G4 D0 D-x1 D2 D4 A0 A-x1", StringComparison.Ordinal)
        );
        Stage.WaitUntil(() =>
            stage
                .Find("svg[role=img]")
                .GetAttribute("aria-label")!
                .Contains("D string: back 1–2–4", StringComparison.Ordinal)
        );
        Stage.WaitUntil(() =>
            stage
                .Text("main")
                .Contains(
                    "Against D major: C is natural, E is flat, F is natural, B is flat.",
                    StringComparison.Ordinal
                )
        );
        Stage.WaitUntil(() =>
            stage.Browser.FindElements(By.CssSelector("section[aria-label*=octave] .engraved")).Count == 4
        );
    }

    [Fact]
    public void A_shape_takes_the_teachers_name_and_gives_it_back()
    {
        stage.Open("/shapes?for=violin&key=2");
        stage.Button("Name “2–3”").Click();
        stage.Find("[role=dialog] input").SendKeys("the twins");
        stage.Button("Keep the name").Click();
        Stage.WaitUntil(() => stage.Text("svg[role=img]").Contains("the twins", StringComparison.Ordinal));
        stage.Button("Name “2–3”").Click();
        stage.Button("Back to “2–3”").Click();
        Stage.WaitUntil(() => !stage.Text("svg[role=img]").Contains("the twins", StringComparison.Ordinal));
    }

    [Fact]
    public void All_four_instruments_stand_on_one_page()
    {
        stage.Open("/shapes/all?key=-1");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("svg[role=img]")).Count == 5);
        // The bass lives in both (craft 6).
        foreach (var position in new[] { "In half position", "In first position" })
            Stage.WaitUntil(() => stage.Text("main").Contains(position, StringComparison.Ordinal));
        Assert.Empty(stage.Findings());
    }

    [Fact] // At 100 percent a CSS millimetre prints as a millimetre (CSS Values and Units, absolute lengths).
    public void The_strip_is_true_to_scale()
    {
        stage.Open("/taping");
        stage.Find("[data-check-line]");
        var width = Convert.ToDouble(
            stage.Browser.ExecuteScript(
                "return document.querySelector('[data-check-line]').getBoundingClientRect().width"
            ),
            System.Globalization.CultureInfo.InvariantCulture
        );
        Assert.Equal(100 * 96 / 25.4, width, 1.0);
        Stage.WaitUntil(() => stage.Text("main").Contains("Check every tape by ear", StringComparison.Ordinal));
        Stage.WaitUntil(() => stage.Text("table").Contains("36.0 mm", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("/style", "[data-example=lowHigh]")]
    [InlineData("/shapes?for=bass&key=-1", "[data-label]")]
    [InlineData("/classes/1", "section[aria-labelledby=ask] li")]
    [InlineData("/classes/1/logbook", "#help")]
    [InlineData("/classes/1/learners/2", "[role=img] svg")]
    [InlineData("/desk", "#kept-tasks")]
    [InlineData("/desk/1", "[data-testid=palette]")]
    [InlineData("/desk/1/try?for=cello", "[data-caret]")]
    [InlineData("/desk/1/sheet", "[data-testid=task-page]")]
    [InlineData("/classes/1/pieces", "[data-piece] svg")]
    [InlineData("/classes/1/booklet", "[aria-label='In the booklet'] li")]
    [InlineData("/classes/1/booklet/print", "[data-booklet-piece] svg")]
    [InlineData("/taping", "table")]
    public void Axe_finds_nothing(string path, string ready)
    {
        stage.Open(path);
        stage.Find(ready);
        Assert.Empty(stage.Findings());
    }
}
