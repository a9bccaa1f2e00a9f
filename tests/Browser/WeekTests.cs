namespace Coppia.Tests;

/// <summary>Where Coppia opens: what the week is about, and for a newcomer the ways in.</summary>
[Collection(nameof(OnTheSide))]
public class WeekTests(Stage stage)
{
    private bool Says(string words) => stage.Text("main").Contains(words, StringComparison.Ordinal);

    private const string NeverHere = "localStorage.removeItem('coppia.kept.class')";

    [Fact]
    public void Coppia_opens_on_the_week_of_the_only_class_without_asking()
    {
        Only(
            "[{ id: 1, name: 'Weir strings, year 1' }]",
            () =>
            {
                stage.Load("/");
                Stage.WaitUntil(() => stage.Browser.Url.EndsWith("/week", StringComparison.Ordinal));
                Stage.WaitUntil(() => Says("Next lesson: ") && Says("It begins with:") && Says("Its caller"));
                // The demo: who asked for help, and who has been silent for long.
                Stage.WaitUntil(() => Says("Ines") && Says("Dov"));
                Stage.WaitUntil(() =>
                    Says("of 12 done") && Says("2 pieces from Enid, Kit") && Says("Within reach next")
                );
                Assert.Equal(3, stage.Browser.FindElements(OpenQA.Selenium.By.CssSelector("main ol li")).Count);
                Assert.Empty(stage.Browser.FindElements(OpenQA.Selenium.By.CssSelector("header select")));
                foreach (var width in new[] { 320, 390, 820, 1280 })
                {
                    stage.SetViewport(width, 844);
                    Stage.WaitUntil(() =>
                        (bool)stage.Browser.ExecuteScript("return document.documentElement.scrollWidth <= innerWidth")!
                    );
                }
            }
        );
    }

    [Fact]
    public void Whoever_has_no_class_yet_sees_three_ways_in()
    {
        Only(
            "[]",
            () =>
            {
                stage.Load("/");
                Stage.WaitUntil(() => Says("Put in a tune") && Says("Make a class") && Says("Look around in the demo"));
            }
        );
    }

    /// <summary>As in a library with these classes and no others, on a machine where Coppia was never opened.</summary>
    private void Only(string classes, Action look) =>
        stage.WithScript(
            $$"""
            {{NeverHere}}
            const real = window.fetch
            window.fetch = (asked, ...rest) =>
              new URL(asked.url ?? asked, location).pathname === '/api/classes/names'
                ? Promise.resolve(Response.json({{classes}}))
                : real(asked, ...rest)
            """,
            () =>
            {
                try
                {
                    look();
                }
                finally
                {
                    stage.Browser.ExecuteScript("localStorage.setItem('coppia.kept.class', '0')");
                }
            }
        );
}
