using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>
/// One page grid: going through the menu, the eye finds the title where it was before. The places are our own.
/// </summary>
[Collection(nameof(OnEverySize))]
public class PageGridTests(Stage stage)
{
    /// <summary>The screens that are read from top to bottom; stand, bench and staff are tables to work at.</summary>
    private static readonly string[] Pages =
    [
        "/week",
        "/tunes",
        "/shapes?for=viola&key=-3",
        "/desk",
        "/desk/1",
        "/desk/new?level=2&key=D",
        "/cards",
        "/classes",
        "/classes/1",
        "/classes/1/plan",
        "/classes/1/logbook",
        "/classes/1/learners/2",
        "/classes/1/pieces",
        "/classes/1/booklet",
        "/lesson",
        "/lesson/1/1",
        "/tuning",
        "/taping",
        "/style",
        "/keeping",
    ];

    private static readonly string[] Tables =
    [
        "/tunes/2?for=cello",
        "/tunes/2?for=all",
        "/tunes/2/print?for=bass",
        "/tunes/2/caller",
        "/tunes/2/calls",
        "/tunes/2/ladders?for=bass",
        "/tunes/2/write?for=violin",
        "/write",
        "/exercises",
        "/exercises/print",
        "/desk/1/try?for=cello",
        "/desk/1/sheet",
        "/shapes/all?key=2",
        "/classes/1/week",
        "/classes/1/links",
        "/classes/1/booklet/print",
        "/lesson/1/1/print",
        "/lesson/1/1/missed",
    ];

    private const string Placed = """
        const [h1] = document.querySelectorAll('main h1')
        if (!h1) return ''
        const { left, top } = h1.getBoundingClientRect()
        const inside = h1.closest('header').parentElement
        return [Math.round(left), Math.round(top), getComputedStyle(inside).maxWidth].join()
        """;

    [Theory]
    [InlineData(1280, 800, 32, 68)]
    [InlineData(390, 844, 16, 68)]
    public void Every_page_has_its_title_at_the_same_place_and_one_of_three_widths(
        int width,
        int height,
        int left,
        int top
    )
    {
        stage.SetViewport(width, height);
        try
        {
            var places = Pages.Select(page => (page, Place(page).Split(','))).ToList();
            Assert.All(places, p => Assert.Equal((p.page, $"{left},{top}"), (p.page, string.Join(',', p.Item2[..2]))));
            Assert.InRange(places.Select(p => p.Item2[2]).Distinct().Count(), 2, 3);
        }
        finally
        {
            stage.SetViewport(1280, 800);
        }
    }

    private string Place(string page)
    {
        stage.Open(page);
        Stage.WaitUntil(() => (string)stage.Browser.ExecuteScript(Placed)! != "");
        return (string)stage.Browser.ExecuteScript(Placed)!;
    }

    [Fact]
    public void Where_nothing_answers_a_page_says_so_and_can_be_tried_again() =>
        stage.WithScript(
            """
            const real = window.fetch
            window.fetch = (asked, ...rest) =>
              new URL(asked.url ?? asked, location).pathname.startsWith('/api/')
                ? Promise.reject(new TypeError('Failed to fetch'))
                : real(asked, ...rest)
            """,
            () =>
            {
                foreach (var page in (string[])["/week", "/shapes", "/cards", "/taping", "/write", "/exercises"])
                {
                    stage.Open(page);
                    Stage.WaitUntil(() =>
                        stage.Text("body").Contains("Coppia does not answer.", StringComparison.Ordinal)
                        && stage.Text("body").Contains("Try again", StringComparison.Ordinal)
                    );
                }
            }
        );

    [Fact]
    public void The_tab_says_of_every_page_what_it_is_and_a_heading_stands_over_it()
    {
        var titles = new List<string>();
        foreach (var page in Pages.Concat(Tables))
        {
            stage.Open(page);
            Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("main h1")).Count > 0);
            Stage.WaitUntil(() => stage.Browser.Title.EndsWith(" · Coppia", StringComparison.Ordinal));
            titles.Add(stage.Browser.Title);
        }
        Assert.Empty(titles.GroupBy(t => t).Where(g => g.Count() > 1).Select(g => g.Key));
    }
}
