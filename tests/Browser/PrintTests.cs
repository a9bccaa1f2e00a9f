using System.Globalization;
using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>The printed page.</summary>
[Collection(nameof(OnPaper))]
public class PrintTests(Stage stage)
{
    private void OpenPrint(string search) =>
        OpenPrint(stage.Browser.Url.Split("/tunes/")[1].Split('?', '/')[0], search);

    private void OpenPrint(string id, string search)
    {
        stage.Open($"/tunes/{id}/print?for=violin&{search}");
        Stage.WaitUntil(() => stage.Labels().Length > 0);
        stage.Button("Print, or save as PDF");
    }

    /// <summary>How many bars each line has, page by page.</summary>
    private long[][] Lines() =>
        [
            .. (
                (IReadOnlyCollection<object>)
                    stage.Browser.ExecuteScript(
                        """
                        return [...document.querySelectorAll('[data-testid=sheet]')].map((sheet) =>
                          [...sheet.querySelectorAll('g.system')].map((line) =>
                            line.querySelectorAll('g.measure').length));
                        """
                    )!
            ).Select(page => ((IReadOnlyCollection<object>)page).Select(n => (long)n).ToArray()),
        ];

    private static string Source(int bars) =>
        $"X:1\nT:Of {bars} bars\nM:4/4\nL:1/4\nK:D\n{string.Join('|', Enumerable.Repeat("D E F G", bars))}|]";

    [Fact] // Whatever number of bars a tune has, no page ends on a line of one.
    public void No_page_ends_on_a_line_of_one_bar()
    {
        const int fewest = 5;
        const int most = 12;
        var widest = 0L;
        for (var bars = fewest; bars <= most; bars++)
        {
            OpenPrint($"{stage.Keep(Source(bars))}", "rows=pair");
            var pages = Lines();
            Assert.Equal(bars, pages.Sum(page => page.Sum()));
            Assert.All(pages, page => Assert.True(page[^1] >= 2, $"{bars} bars: {string.Join(' ', page)}"));
            widest = Math.Max(widest, pages.Max(page => page.Max()));
        }

        // One of them has a bar more than fit on a line: by itself that bar would stand alone.
        Assert.InRange(widest + 1, fewest, most);
    }

    // A staff of five lines is four spaces high; a CSS millimetre prints as a millimetre (CSS Values and Units,
    // absolute lengths).
    [Theory]
    [InlineData(7)]
    [InlineData(8)]
    [InlineData(9)]
    [InlineData(10)]
    public void The_staff_is_as_high_as_was_chosen(int millimetres)
    {
        stage.OpenTune("Three Grey Geese", "violin");
        OpenPrint($"rows=pair&staff={millimetres}");
        var height = Convert.ToDouble(
            stage.Browser.ExecuteScript(
                """
                const lines = [...document.querySelector('g.staff').querySelectorAll(':scope > path')].map((l) =>
                  l.getBoundingClientRect());
                const middle = (l) => (l.top + l.bottom) / 2;
                return middle(lines.at(-1)) - middle(lines[0]);
                """
            ),
            CultureInfo.InvariantCulture
        );
        Assert.InRange(height / 96 * 25.4, millimetres - 0.15, millimetres + 0.15);
    }

    [Fact]
    public void The_staff_that_was_chosen_is_that_of_the_next_tune_too()
    {
        stage.OpenTune("Three Grey Geese", "violin");
        OpenPrint("rows=pair");
        stage.Find("select option[value='9']").Click();
        Stage.WaitUntil(() => stage.Browser.Url.Contains("staff=9", StringComparison.Ordinal));
        stage.OpenTune("Snow on the Sill", "viola");
        OpenPrint("rows=pair");
        Assert.Equal("9", stage.Find("select").GetAttribute("value"));
        stage.Find("select option[value='8']").Click();
    }

    [Fact] // "runs out" stands clear of every stroke of the ribbon, the thick one above all.
    public void What_runs_out_says_so_beside_its_line()
    {
        stage.OpenKept("X:1\nT:Out of bow\nM:4/4\nL:1/4\nK:D\n(D4|E4|F4|G4)|A (B c d)|(D4|E4|F4|G4)|]");
        Stage.WaitUntil(() => stage.Labels().Length > 0);
        OpenPrint("rows=pair,place");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-runs-out]")).Count > 0);
        var nearest = Convert.ToDouble(
            stage.Browser.ExecuteScript(
                """
                const words = [...document.querySelectorAll('[data-ribbon] text')].filter((t) =>
                  t.textContent === 'runs out');
                const gaps = words.flatMap((w) => {
                  const r = w.getBoundingClientRect();
                  const top = r.top + r.height * 0.3;
                  return [...document.querySelectorAll('[data-travel]')].flatMap((line) => {
                    const l = line.getBoundingClientRect();
                    return l.right < r.left || l.left > r.right ? [] : [Math.max(top - l.bottom, l.top - r.bottom)];
                  });
                });
                return words.length === 0 ? -100 : Math.min(100, ...gaps);
                """
            ),
            CultureInfo.InvariantCulture
        );
        Assert.True(nearest >= 1, $"{nearest} px");
    }
}
