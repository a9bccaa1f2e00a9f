using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>
/// A class as a teacher makes it and works with it: made in a minute, its plan ticked, a tune learned and taken back.
/// </summary>
[Collection(nameof(OnTheSide))]
public class ClassTests(Stage stage)
{
    private void Button(string words) =>
        stage.Browser.FindElements(By.TagName("button")).Last(b => b.Text == words).Click();

    private bool Says(string words) =>
        ((string)stage.Browser.ExecuteScript("return document.body.innerText")!).Contains(
            words,
            StringComparison.Ordinal
        );

    [Fact]
    public void A_class_is_made_in_a_minute_and_everything_is_then_for_it()
    {
        stage.Open("/classes");
        stage.Find("form textarea").SendKeys("Mo violin 1/2\nNell flute\n");
        Stage.WaitUntil(() =>
            Says("is not an instrument; expected violin, viola, cello or bass")
            || Says("expected an instrument after the name")
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
        Stage.WaitUntil(() =>
            stage.Browser.FindElements(By.CssSelector("section[aria-label='New to Mill Lane'] li")).Count > 1
        );
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-new]")).Count > 0);

        // A learned tune makes known what it contains, once looked at; and it can be taken back.
        Button("Learned …");
        Stage.WaitUntil(() => Says("This will become known."));
        Button("Mark as learned");
        Stage.WaitUntil(() => Says("Nothing in it is new to Mill Lane."));
        stage.MessageUndo().Click();
        Stage.WaitUntil(() =>
            stage.Browser.FindElements(By.CssSelector("section[aria-label='New to Mill Lane'] li")).Count > 1
        );

        // The plan: a note ticked on the fingerboard brings its finger along.
        stage.Find("a[href='/classes']").Click();
        Stage.Wait(() => stage.Browser.FindElements(By.LinkText("What it knows")).LastOrDefault()).Click();
        var low = "[data-note='note violin D4 F4']";
        Assert.Equal("false", stage.Find(low).GetAttribute("aria-pressed"));
        stage.Find(low).Click();
        Stage.WaitUntil(() => stage.Find(low).GetAttribute("aria-pressed") == "true");
        Assert.Equal("true", stage.Find("button[aria-label$='low second finger']").GetAttribute("aria-pressed"));
        Stage.WaitUntil(() => Says("Ticked by hand"));
        stage.Find("button[aria-label='Take back: Ticked by hand']").Click();
        Stage.WaitUntil(() => stage.Find(low).GetAttribute("aria-pressed") == "false");

        // The library for the class, and without it again.
        stage.Open("/tunes?reach=next");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-tune]")).Count > 0);
        Stage.WaitUntil(() => Says("new thing"));
        stage.Browser.ExecuteScript("localStorage.setItem('coppia.kept.class', '0')");
    }

    /// <summary>The network, which a test can take away: every request then fails as it does without one.</summary>
    private const string Network = """
        const real = window.fetch
        window.fetch = (...asked) => (window.away ? Promise.reject(new TypeError('Failed to fetch')) : real(...asked))
        """;

    private void TakeAway(bool away) =>
        stage.Browser.ExecuteScript(
            "window.away = arguments[0]; if (!arguments[0]) window.dispatchEvent(new Event('online'))",
            away
        );

    /// <summary>
    /// Sunday evening (craft 15): whom to ask and why; a learner's own page; a deletion taken back with all that was
    /// kept.
    /// </summary>
    [Fact]
    public void The_logbook_tells_whom_to_ask_and_a_deleted_learner_comes_back_whole()
    {
        stage.Open("/classes/1");
        Stage.WaitUntil(() => Says("Asked for help with “Three Grey Geese”"));
        Assert.Equal(2, stage.Browser.FindElements(By.CssSelector("section[aria-labelledby=ask] li")).Count);
        Stage.Wait(() => stage.Browser.FindElements(By.LinkText("Logbook")).FirstOrDefault()).Click();
        Stage.WaitUntil(() =>
            stage.Browser.FindElements(By.CssSelector("section[aria-labelledby=minutes] tbody tr")).Count == 12
        );
        Assert.Contains("Dov", stage.Find("section[aria-labelledby=quiet]").Text, StringComparison.Ordinal);
        Assert.Contains("Jun", stage.Find("section[aria-labelledby=help]").Text, StringComparison.Ordinal);
        stage.Find("section[aria-labelledby=minutes] tbody a").Click();
        Stage.WaitUntil(() =>
            Says("Minutes a day") && stage.Browser.FindElements(By.CssSelector("[role=img] svg")).Count > 1
        );
        var before = stage.Find("main").Text;
        Button("Change or delete");
        Button("Delete Ada …");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.LinkText("Save the record first")).Count == 1);
        Button("Delete");
        Stage.WaitUntil(() => Says("Ada is deleted.") && stage.Browser.FindElements(By.LinkText("Ada")).Count == 0);
        Button("Undo");
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("section[aria-labelledby=learners] a"))
                    .FirstOrDefault(a => a.Text.StartsWith("Ada", StringComparison.Ordinal))
            )
            .Click();
        Stage.WaitUntil(() => Says("Minutes a day") && stage.Find("main").Text == before);
    }

    /// <summary>
    /// A learner on a phone (craft 22): the week, the tune with its ladder, and minutes that are kept while the network
    /// is away.
    /// </summary>
    [Fact]
    public void A_learner_sees_the_week_on_a_phone_and_nothing_is_lost_without_a_network()
    {
        var learners = new[]
        {
            new
            {
                nickname = "Pim",
                instrument = "violin",
                size = "1/2",
            },
        };
        var made = stage.Api(
            "POST",
            "/api/classes",
            new
            {
                name = "Mill Lane, phones",
                learners,
                start = new { stage = "restsAndEighths" },
            }
        );
        var one = $"/api/classes/{made.GetProperty("id")}";
        var pim = stage.Api("GET", $"{one}/links")[0].GetProperty("learnerId").GetInt64();
        stage.Api("POST", $"{one}/links", new { learners = new[] { pim } });
        stage.Api(
            "POST",
            $"{one}/tasks",
            new
            {
                kind = "tune",
                tuneId = 14,
                tempo = 80,
                due = "2099-01-01",
            }
        );
        var link = new Uri(stage.Api("GET", $"{one}/links")[0].GetProperty("address").GetString()!).AbsolutePath;
        stage.SetViewport(390, 844);
        try
        {
            stage.WithScript(Network, () => stage.Open(link));
            Stage.WaitUntil(() => Says("Hello, Pim") && Says("First Frost"));
            TakeAway(true);
            Button("I practised without the phone");
            stage.Find("section[aria-label=Practise] input").SendKeys(Keys.Backspace + Keys.Backspace + "12");
            Button("Add");
            stage.Browser.FindElements(By.CssSelector("button[aria-pressed=false]"))[0].Click();
            Stage.WaitUntil(() => Says("on your phone only"));
            Assert.Contains("12", stage.Find("section[aria-labelledby=minutes]").Text, StringComparison.Ordinal);
            Assert.Equal(0, stage.Api("GET", $"/api{link}").GetProperty("days").GetArrayLength());
            TakeAway(false);
            Stage.WaitUntil(() => !Says("on your phone only"));
            Assert.Contains("12", stage.Find("section[aria-labelledby=minutes]").Text, StringComparison.Ordinal);
            Assert.Equal(1, stage.Api("GET", $"{one}/tasks")[0].GetProperty("done").GetArrayLength());
            Assert.Equal(12, stage.Api("GET", $"/api{link}").GetProperty("days")[0].GetProperty("minutes").GetInt32());

            // What the page is made of, and what is set, opens without a network; what was reached is told when there
            // is one again.
            stage.Open(link);
            Stage.WaitUntil(() =>
                (bool)stage.Browser.ExecuteScript("return document.documentElement.hasAttribute('data-kept-here')")!
            );
            stage.Unanswered(() =>
            {
                stage.Open(link);
                Stage.Wait(() => stage.Browser.FindElements(By.LinkText("First Frost")).FirstOrDefault()).Click();
                Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector(".engraved g.note")).Count > 20);
                Stage.WaitUntil(() => stage.Find("[aria-current=step]").Text == "60");
                for (var clean = 0; clean < 3; clean++)
                    Button("That was clean");
                Stage.WaitUntil(() => stage.Find("[aria-current=step]").Text == "66");
            });
            Stage.WaitUntil(() =>
                stage
                    .Api("GET", $"{one}/learners/{pim}/logbook")
                    .GetProperty("tunes")[0]
                    .GetProperty("steps")
                    .GetArrayLength() == 1
            );
            Assert.Equal(
                60,
                stage.Api("GET", $"{one}/learners/{pim}/logbook").GetProperty("tunes")[0].GetProperty("best").GetInt32()
            );
            Stage.WaitUntil(() =>
                (bool)stage.Browser.ExecuteScript("return document.documentElement.scrollWidth <= innerWidth")!
            );
        }
        finally
        {
            stage.SetViewport(1280, 800);
        }
    }
}
