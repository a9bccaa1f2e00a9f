using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>
/// Signing in as a teacher does it, on a Coppia of its own: once there is a sign-in, everybody needs one.
/// </summary>
public sealed class DoorTests(Stage stage) : IClassFixture<Stage>
{
    private void Type(string label, string text) =>
        stage
            .Browser.FindElements(By.TagName("label"))
            .Last(l => l.Text.StartsWith(label, StringComparison.Ordinal))
            .FindElement(By.TagName("input"))
            .SendKeys(text);

    private void Button(string words) =>
        Stage.Wait(() => stage.Browser.FindElements(By.TagName("button")).LastOrDefault(b => b.Text == words)).Click();

    private bool Says(string words) =>
        ((string)stage.Browser.ExecuteScript("return document.body.innerText")!).Contains(
            words,
            StringComparison.Ordinal
        );

    private bool IsClosed =>
        stage.Browser.FindElements(By.CssSelector("input[autocomplete=current-password]")).Count > 0;

    private void SignIn(string passphrase)
    {
        Type("Your name", "Rosalind");
        Type("Passphrase", passphrase);
        Button("Sign in");
    }

    [Fact]
    public void A_first_sign_in_closes_the_door_and_what_was_typed_waits_behind_it()
    {
        stage.Open("/keeping");
        Button("Give yourself a sign-in");
        Type("Name", "Rosalind");
        Type("Passphrase", "too short");
        Button("From now on sign in");
        Stage.WaitUntil(() => Says("passphrase of 12 to 200 characters"));
        Type("Passphrase", ", now long enough");
        Button("From now on sign in");
        Stage.WaitUntil(() => Says("Rosalind · you"));

        Button("Sign out");
        Stage.WaitUntil(() => IsClosed);
        SignIn("something else then");
        Stage.WaitUntil(() => Says("The name or the passphrase is not right."));
        stage.Open("/tunes");
        Stage.WaitUntil(() => IsClosed);
        SignIn("too short, now long enough");
        Stage.WaitUntil(() => !IsClosed && stage.Browser.FindElements(By.CssSelector("[data-tune]")).Count > 3);

        // A sign-in that ends meanwhile covers the screen and takes nothing from it.
        stage.Find("textarea").SendKeys("Title: Weir\nD E F");
        stage.Browser.ExecuteScript(
            "const r = new XMLHttpRequest(); r.open('POST', '/api/teachers/1/everywhere', false); r.send(); "
                + "return r.status"
        );
        stage.Find("textarea").SendKeys(" G");
        Stage.WaitUntil(() => IsClosed);
        SignIn("too short, now long enough");
        Stage.WaitUntil(() => !IsClosed);
        Assert.Equal("Title: Weir\nD E F G", stage.Find("textarea").GetAttribute("value"));
    }
}
