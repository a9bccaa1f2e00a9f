using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>
/// What a learner says on a phone: seen in every window, told where it is refused, forgotten when one leaves.
/// </summary>
[Collection(nameof(OnTheSide))]
public class LearnerTests(Stage stage)
{
    private string _link = "";
    private string _class = "";

    /// <summary>A class of one, with a tune set.</summary>
    private void Make(string name)
    {
        var learners = new[]
        {
            new
            {
                nickname = "Wren",
                instrument = "viola",
                size = "14\"",
            },
        };
        _class = $"/api/classes/{stage.Api("POST", "/api/classes", new { name, learners }).GetProperty("id")}";
        var wren = stage.Api("GET", $"{_class}/links")[0].GetProperty("learnerId").GetInt64();
        stage.Api("POST", $"{_class}/links", new { learners = new[] { wren } });
        stage.Api(
            "POST",
            $"{_class}/tasks",
            new
            {
                kind = "tune",
                tuneId = 14,
                due = "2099-01-01",
            }
        );
        _link = new Uri(stage.Api("GET", $"{_class}/links")[0].GetProperty("address").GetString()!).AbsolutePath;
    }

    private bool Says(string words) => stage.Text("body").Contains(words, StringComparison.Ordinal);

    private void Add(string minutes)
    {
        stage.Button("I practised without the phone").Click();
        stage.Find("section[aria-label=Practise] input").SendKeys(Keys.Backspace + Keys.Backspace + minutes);
        stage.Button("Add").Click();
    }

    private bool Shows(string minutes) => stage.Text("section[aria-labelledby=minutes]").Split('\n').Contains(minutes);

    [Fact]
    public void Two_windows_of_one_phone_see_what_the_other_says_and_nothing_is_lost()
    {
        Make("Two windows");
        stage.Load(_link);
        Stage.WaitUntil(() => Says("Hello, Wren"));
        var first = stage.Browser.CurrentWindowHandle;
        stage.Browser.SwitchTo().NewWindow(WindowType.Tab);
        var second = stage.Browser.CurrentWindowHandle;
        try
        {
            stage.Load(_link);
            Stage.WaitUntil(() => Says("Hello, Wren"));
            stage.Unanswered(() =>
            {
                Add("12");
                Stage.WaitUntil(() => Says("1 thing") && Shows("12"));
                stage.Browser.SwitchTo().Window(first);
                Stage.WaitUntil(() => Shows("12"));
                stage.Find("button[aria-pressed=false]").Click();
                Stage.WaitUntil(() => Says("2 things"));
                Add("5");
                Stage.WaitUntil(() => Says("3 things") && Shows("17"));
                stage.Browser.SwitchTo().Window(second);
                Stage.WaitUntil(() =>
                    Says("3 things") && Shows("17") && stage.Find("button[aria-pressed=true]").Displayed
                );
            });
            foreach (var window in new[] { second, first })
            {
                stage.Browser.SwitchTo().Window(window);
                Stage.WaitUntil(() => stage.Browser.FindElements(By.TagName("details")).Count == 0);
                Stage.WaitUntil(() => Shows("17"));
            }
            Assert.Equal(17, stage.Api("GET", $"/api{_link}").GetProperty("days")[0].GetProperty("minutes").GetInt32());
            Assert.Equal(1, stage.Api("GET", $"{_class}/tasks")[0].GetProperty("done").GetArrayLength());
        }
        finally
        {
            stage.Browser.SwitchTo().Window(second).Close();
            stage.Browser.SwitchTo().Window(first);
        }
    }

    [Fact]
    public void What_is_refused_says_why_and_is_let_go_by_the_learner()
    {
        Make("A phone whose clock is wrong");
        stage.WithScript(
            "const ahead = 5 * 86400000; const D = Date; "
                + "Date = class extends D { constructor(...a) { a.length ? super(...a) : super(D.now() + ahead) } }",
            () =>
            {
                stage.Load(_link);
                Stage.WaitUntil(() => Says("Hello, Wren"));
                Add("12");
                Stage.WaitUntil(() => Says("It lies ahead of today."));
                Assert.Equal(0, stage.Api("GET", $"/api{_link}").GetProperty("days").GetArrayLength());
                stage.Button("Let it go").Click();
                Stage.WaitUntil(() => !Says("Not taken"));
            }
        );
    }

    [Fact]
    public void Whoever_leaves_a_device_leaves_nothing_there()
    {
        Make("A phone of the house");
        stage.Load(_link);
        Stage.WaitUntil(() =>
            (bool)stage.Browser.ExecuteScript("return document.documentElement.dataset.keptHere === ''")!
        );
        Assert.NotEqual("", Left());
        stage.Button("Start practising").Click();
        stage.Browser.FindElement(By.LinkText("First Frost")).Click();
        Stage.WaitUntil(() => Says("Practise the trouble spots"));
        stage.Browser.Navigate().Back();
        stage.Button("This phone is not mine: leave").Click();
        stage.Button("Leave").Click();
        Stage.WaitUntil(() => Says("Nothing of you is left here"));
        Stage.WaitUntil(() => Left() == "");
    }

    /// <summary>Whatever of this browser's stores speaks of the learner.</summary>
    private string Left() =>
        (string)
            stage.Browser.ExecuteAsyncScript(
                """
                const [link, done] = arguments
                const stored = () => new Promise((take) => {
                  indexedDB.open('coppia').onsuccess = ({ target }) => {
                    const asked = target.result.transaction('waiting').objectStore('waiting').getAllKeys()
                    asked.onsuccess = () => { target.result.close(); take(asked.result.map(String)) }
                  }
                })
                const cached = async () =>
                  (await Promise.all((await caches.keys()).map(async (name) => (await caches.open(name)).keys())))
                    .flat()
                    .map((r) => r.url)
                Promise.all([stored(), cached()]).then(([waiting, urls]) =>
                  done(
                    [...Object.keys(localStorage), ...Object.keys(sessionStorage), ...waiting, ...urls]
                      .filter((kept) => kept.includes(link))
                      .join('\n'),
                  ),
                )
                """,
                _link.Split('/')[^1]
            )!;
}
