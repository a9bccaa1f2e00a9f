using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>Tunes of many pages: all of them are there, and a step costs no more than in a short one.</summary>
[Collection(nameof(OnStage))]
public class LongTuneTests(Stage stage)
{
    /// <summary>Keeps a tune of so many bars of four quarters and answers its address.</summary>
    private string Keep(int bars)
    {
        stage.Open("/tunes");
        var music = string.Concat(Enumerable.Range(0, bars).Select(b => b % 2 == 0 ? "DEFG|" : "ABAG|\n"));
        var id = stage.Browser.ExecuteAsyncScript(
            """
            const [source, done] = arguments
            fetch('/api/tunes', { method: 'POST', headers: { 'content-type': 'application/json' }, body:
              JSON.stringify({ source }) })
              .then((answer) => answer.json()).then((tune) => done(tune.summary.id))
            """,
            $"X:1\nT:Long Road {bars}\nM:4/4\nL:1/4\nK:D\n{music}"
        );
        return $"/tunes/{id}?for=violin";
    }

    private long Count(string css) =>
        (long)stage.Browser.ExecuteScript("return document.querySelectorAll(arguments[0]).length", css)!;

    private bool Is(string script, params object[] arguments) =>
        (bool)stage.Browser.ExecuteScript($"return {script}", arguments)!;

    [Fact]
    public void Every_page_is_drawn_as_it_comes_into_view_and_no_other()
    {
        stage.Open(Keep(bars: 160));
        Stage.WaitUntil(() => stage.Labels().Length > 0);
        Assert.True(Notes().Count < 320, "Pages that nobody sees are drawn.");
        var seen = new HashSet<string>();
        for (var top = 0L; top < Paper("scrollHeight"); top += Paper("clientHeight") / 2)
        {
            Show(top);
            seen.UnionWith(Notes());
        }

        Assert.Equal(640, seen.Count);
        // The room of a page is kept whether it is drawn or not, or what one looks at would slip away.
        var height = Paper("scrollHeight");
        foreach (var top in new[] { 0, height / 2, height })
            Show(top);
        Assert.Equal(height, Paper("scrollHeight"));

        void Show(long top)
        {
            stage.Browser.ExecuteScript(
                "document.querySelector('[data-testid=paper]').scrollTo({ top: arguments[0], behavior: 'instant' })",
                top
            );
            Stage.WaitUntil(() => Is(IsFull));
        }
    }

    /// <summary>
    /// Rows are drawn from the top of the view, or the heading, to its foot, or the last page's: no gap of two lines of
    /// music.
    /// </summary>
    private const string IsFull = """
        (() => {
          const paper = document.querySelector('[data-testid=paper]')
          const view = paper.getBoundingClientRect()
          const rows = [...paper.querySelectorAll('[data-label]')].map((e) => e.getBoundingClientRect().top).sort((a,
            b) => a - b)
          const from = paper.scrollTop === 0 ? rows[0] : view.top
          const to = paper.scrollTop + paper.clientHeight >= paper.scrollHeight - 1 ? rows.at(-1) : view.bottom
          const inView = [from, ...rows.filter((y) => from < y && y < to), to]
          return inView.every((y, i) => i === 0 || y - inView[i - 1] < 320)
        })()
        """;

    private HashSet<string> Notes() =>
        (
            (IReadOnlyCollection<object>)
                stage.Browser.ExecuteScript(
                    "return [...document.querySelectorAll('[data-page] [data-of]')].map((e) => e.dataset.of)"
                )!
        )
            .Cast<string>()
            .ToHashSet();

    private long Paper(string size) =>
        (long)stage.Browser.ExecuteScript("return document.querySelector('[data-testid=paper]')[arguments[0]]", size)!;

    [Fact]
    public void The_last_note_is_shown_at_once_and_a_step_draws_nothing_anew()
    {
        stage.Open(Keep(bars: 160));
        Stage.WaitUntil(() => stage.Labels().Length > 0);
        stage.Press(Keys.End);
        Stage.WaitUntil(() => Count("#b160n4.is-now") == 1 && Count("[data-of=b160n4].is-now") == 1);
        Stage.WaitUntil(() =>
            Is(
                """
                (() => {
                  const note = document.querySelector('#b160n4').getBoundingClientRect()
                  const paper = document.querySelector('[data-testid=paper]').getBoundingClientRect()
                  return note.top >= paper.top && note.bottom <= paper.bottom
                })()
                """
            )
        );
        // What the jump to the end brought into view is drawn first.
        var drawn = -1L;
        Stage.WaitUntil(() => drawn == (drawn = Count("[data-page] .engraved")) && drawn > 1);
        stage.Browser.ExecuteScript(
            """
            window.drawn = 0
            new MutationObserver((changes) => { for (const c of changes) window.drawn += c.addedNodes.length })
              .observe(document.querySelector('[data-testid=paper]'), { subtree: true, childList: true })
            """
        );
        stage.Press(Keys.ArrowLeft + Keys.ArrowLeft);
        Stage.WaitUntil(() => Count("#b160n2.is-now") == 1);
        Assert.Equal(0L, stage.Browser.ExecuteScript("return window.drawn"));
    }

    [Fact]
    public void A_long_engraving_can_be_stopped_and_the_next_tune_is_engraved()
    {
        stage.Open(Keep(bars: 1200));
        stage.Button("Stop").Click();
        Stage.WaitUntil(() =>
            stage.Text("[role=alert]").StartsWith("Engraving was stopped.", StringComparison.Ordinal)
        );
        stage.OpenTune("Harbour Lanterns", "violin");
    }

    [Fact] // The usual keys of tabs for who comes with the keyboard; after a click the stand's own keys walk the notes.
    public void Tabs_are_walked_by_keyboard_and_let_go_after_a_click()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        stage.Browser.ExecuteScript("document.querySelector('[role=tab][aria-selected=true]').focus()");
        stage.Press(Keys.ArrowRight);
        Stage.WaitUntil(() => stage.Text("[role=tab][aria-selected=true]") == "Before");
        Stage
            .Wait(() =>
                stage.Browser.FindElements(By.CssSelector("[role=tab]")).FirstOrDefault(t => t.Text == "Why here")
            )
            .Click();
        Stage.WaitUntil(() => stage.Text("[role=tab][aria-selected=true]") == "Why here");
        var before = stage.Text("[aria-label='Why here']");
        stage.Press(Keys.ArrowRight);
        Stage.WaitUntil(() => stage.Text("[aria-label='Why here']") != before);
        Assert.Equal("Why here", stage.Text("[role=tab][aria-selected=true]"));
    }
}
