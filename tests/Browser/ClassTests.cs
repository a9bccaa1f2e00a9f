using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>A class as a teacher makes it and works with it: made in a minute, its plan ticked, a tune learned and taken back.</summary>
[Collection(nameof(OnTheSide))]
public class ClassTests(Stage stage)
{
    private void Button(string words) => stage.Browser.FindElements(By.TagName("button")).Last(b => b.Text == words).Click();

    private bool Says(string words) =>
        ((string)stage.Browser.ExecuteScript("return document.body.innerText")!).Contains(words, StringComparison.Ordinal);

    [Fact]
    public void A_class_is_made_in_a_minute_and_everything_is_then_for_it()
    {
        stage.Open("/classes");
        stage.Find("form textarea").SendKeys("Mo violin 1/2\nNell flute\n");
        Stage.WaitUntil(() =>
            Says("is not an instrument; expected violin, viola, cello or bass") || Says("expected an instrument after the name")
        );
        stage.Find("form textarea").SendKeys(Keys.Control + "a");
        stage.Find("form textarea").SendKeys("Mo violin 1/2\nNell cello 3/4\n");
        stage.Browser.FindElements(By.CssSelector("form input"))[0].SendKeys("Mill Lane");
        Stage.WaitUntil(() => Says("Make the class of 2"));
        Stage.WaitUntil(() => stage.Find("form button[type=submit]").Enabled);
        stage.Find("form button[type=submit]").Click();
        Stage.WaitUntil(() => Says("1 violin and 1 cello"));
        // What the D-major scale needs (craft 15, 19).
        Stage.WaitUntil(() => Says("D 0 1 3 4"));
        Assert.Contains("Mill Lane", stage.Find("header select option:checked").Text, StringComparison.Ordinal);

        // Its stand tells what is new, and where it first comes.
        stage.Open("/tunes/2?for=violin");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("section[aria-label='New to Mill Lane'] li")).Count > 1);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-new]")).Count > 0);

        // A learned tune makes known what it contains, once looked at; and it can be taken back.
        Button("Learned …");
        Stage.WaitUntil(() => Says("This will become known."));
        Button("Mark as learned");
        Stage.WaitUntil(() => Says("Nothing in it is new to Mill Lane."));
        Button("Undo");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("section[aria-label='New to Mill Lane'] li")).Count > 1);

        // The plan: a note ticked on the fingerboard brings its finger along.
        stage.Find("a[href='/classes']").Click();
        stage.Browser.FindElements(By.LinkText("What it knows"))[^1].Click();
        var low = "[data-note='note violin D4 F4']";
        Assert.Equal("false", stage.Find(low).GetAttribute("aria-pressed"));
        stage.Find(low).Click();
        Stage.WaitUntil(() => stage.Find(low).GetAttribute("aria-pressed") == "true");
        Assert.Equal("true", stage.Find("button[aria-label='low second finger']").GetAttribute("aria-pressed"));
        Stage.WaitUntil(() => Says("Ticked by hand"));
        stage.Find("button[aria-label='Take back: Ticked by hand']").Click();
        Stage.WaitUntil(() => stage.Find(low).GetAttribute("aria-pressed") == "false");

        // The library for the class, and without it again.
        stage.Open("/tunes?reach=next");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-tune]")).Count > 0);
        Stage.WaitUntil(() => Says("new thing"));
        stage.Browser.ExecuteScript("localStorage.removeItem('coppia.kept.class')");
    }
}
