using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>A teacher's own fingers on the stand, and what is said before a line.</summary>
[Collection(nameof(OnStage))]
public class PinTests(Stage stage)
{
    private const string Source = "X:1\nT:Pinned Pears\nM:4/4\nL:1/4\nK:D\nF G A G|F E D2|]";

    private void OpenOwn(string title)
    {
        stage.OpenKept(Source.Replace("Pinned Pears", title, StringComparison.Ordinal));
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D2 D3 A0 D3 D2 D1 D0");
    }

    private void WaitFor(string pairs) => Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == pairs);

    [Fact]
    public void A_key_takes_another_finger_it_is_kept_and_undone()
    {
        OpenOwn("Pinned Pears");
        stage.Press(Keys.ArrowRight + Keys.ArrowRight);
        stage.Press("a");
        WaitFor("D2 D3 D4 D3 D2 D1 D0");
        Stage.WaitUntil(() =>
            stage.Text("[aria-label='Why here']").Contains("You chose this one", StringComparison.Ordinal)
        );
        stage.Browser.Navigate().Refresh();
        WaitFor("D2 D3 D4 D3 D2 D1 D0");
        stage.Press(Keys.ArrowRight + Keys.ArrowRight);
        stage.Button("Let Coppia choose").Click();
        WaitFor("D2 D3 A0 D3 D2 D1 D0");
        stage.Press("u");
        WaitFor("D2 D3 D4 D3 D2 D1 D0");
    }

    [Fact] // The key goes round all ways and back to Coppia's own; where there is one way only, it says so.
    public void The_key_for_another_way_goes_round_and_back()
    {
        OpenOwn("Round Pears");
        stage.Press(Keys.ArrowRight + Keys.ArrowRight + "a");
        WaitFor("D2 D3 D4 D3 D2 D1 D0");
        stage.Press("a");
        WaitFor("D2 D3 A0 D3 D2 D1 D0");
        Stage.WaitUntil(() =>
            !stage.Text("[aria-label='Why here']").Contains("You chose this one", StringComparison.Ordinal)
        );
        stage.Press(Keys.Home + "a");
        Stage.WaitUntil(() =>
            stage.Text("body").Contains("There is only one way to play this F♯.", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Another_octave_is_chosen_kept_and_undone()
    {
        OpenOwn("Low Pears");
        stage.Press("3");
        WaitFor("D3 D4 A0 D4 D3 D1 D0");
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.XPath("//button[contains(., 'Octave: an octave lower')]"))
                    .FirstOrDefault()
            )
            .Click();
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.XPath("//*[@role='menuitem'][contains(., 'two octaves lower')]"))
                    .FirstOrDefault()
            )
            .Click();
        WaitFor("C-x4 G0 G1 G0 C-x4 C-x2 C1");
        stage.Browser.Navigate().Refresh();
        WaitFor("C-x4 G0 G1 G0 C-x4 C-x2 C1");
        Stage.WaitUntil(() =>
            stage
                .Text("[aria-label='Good to know']")
                .Contains("two octaves lower than printed, as you chose", StringComparison.Ordinal)
        );
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.XPath("//button[contains(., 'Octave: two octaves lower')]"))
                    .FirstOrDefault()
            )
            .Click();
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.XPath("//*[@role='menuitem'][contains(., 'Let Coppia choose')]"))
                    .FirstOrDefault()
            )
            .Click();
        WaitFor("D3 D4 A0 D4 D3 D1 D0");
        stage.Press("u");
        WaitFor("C-x4 G0 G1 G0 C-x4 C-x2 C1");
    }

    [Fact] // Quick work loses nothing: each change starts from what the one before has kept.
    public void Two_fingers_changed_in_one_breath_are_both_kept_and_both_undone()
    {
        OpenOwn("Hasty Pears");
        stage.Press(Keys.ArrowRight + Keys.ArrowRight + "a" + Keys.End + "aaa");
        WaitFor("D2 D3 D4 D3 D2 D1 G4");
        stage.Press("uuuu");
        WaitFor("D2 D3 A0 D3 D2 D1 D0");
    }

    [Fact]
    public void A_real_alternative_is_taken_with_a_click()
    {
        OpenOwn("Clicked Pears");
        stage.Press(Keys.ArrowRight + Keys.ArrowRight);
        stage.Button("D4").Click();
        WaitFor("D2 D3 D4 D3 D2 D1 D0");
    }

    [Fact]
    public void Before_a_line_each_remark_leads_to_its_notes()
    {
        stage.OpenTune("Snow on the Sill", "violin");
        stage.Press("l");
        Stage.WaitUntil(() =>
            stage
                .Text("[aria-label='Before this line']")
                .Contains("L1, between the nut and tape 1", StringComparison.Ordinal)
        );
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("[aria-label='Before this line'] button"))
                    .FirstOrDefault(b => b.Text.StartsWith("L1,", StringComparison.Ordinal))
            )
            .Click();
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector(".engraved .is-same")).Count > 1);
        stage.Press("l");
    }

    [Fact]
    public void The_print_can_say_it_above_each_line()
    {
        stage.OpenTune("Snow on the Sill", "violin");
        var id = stage.Browser.Url.Split('/')[^1].Split('?')[0];
        stage.Open($"/tunes/{id}/print?for=violin&rows=pair&before=yes");
        Stage.WaitUntil(() => stage.Text("[data-testid=sheet]").Contains("Strings D and A.", StringComparison.Ordinal));
    }
}
