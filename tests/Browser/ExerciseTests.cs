using OpenQA.Selenium;
using UglyToad.PdfPig;

namespace Coppia.Tests;

/// <summary>The exercise bench and its printed sheets.</summary>
[Collection(nameof(OnPaper))]
public class ExerciseTests(Stage stage)
{
    private void OpenBench()
    {
        stage.Open("/tunes");
        stage.Browser.ExecuteScript("localStorage.clear(); localStorage.setItem('coppia.kept.class', '0')");
        stage.Open("/exercises");
        stage.Find("li > button");
    }

    private void Add(string kind) =>
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("li > button"))
                    .FirstOrDefault(b => b.Enabled && b.Text.Split('\n').Contains(kind))
            )
            .Click();

    private int Drawn() => stage.Browser.FindElements(By.CssSelector(".sheet-paper .engraved svg g.measure")).Count;

    /// <summary>
    /// Where each question has its signs and notes, to be compared: the engraver's ids differ from time to time.
    /// </summary>
    private string[] Questions() =>
        [
            .. (
                (IReadOnlyCollection<object>)
                    stage.Browser.ExecuteScript(
                        "return [...document.querySelectorAll('[data-item]')].map((i) => "
                            + "i.querySelector('.engraved').innerHTML.match(/translate[^)]*/g).join())"
                    )!
            ).Cast<string>(),
        ];

    private void Tool(int question, string name)
    {
        var item = stage.Browser.FindElements(By.CssSelector("[data-item]"))[question];
        var button = item.FindElement(By.CssSelector($"button[aria-label='{name}']"));
        stage.Browser.ExecuteScript("arguments[0].click()", button);
    }

    [Fact]
    public void A_press_puts_questions_on_the_sheet_and_another_like_it_makes_new_ones()
    {
        OpenBench();
        Assert.Contains("An empty sheet", stage.Text("main"), StringComparison.Ordinal);
        Add("Name the notes");
        Stage.WaitUntil(() => Drawn() == 12);
        var first = Questions();
        Tool(2, "Pin: it stays");
        stage.Button("Another like it").Click();
        Stage.WaitUntil(() => Drawn() == 12 && !Questions().SequenceEqual(first));
        // What is pinned stays in its place.
        Assert.Equal(first[2], Questions()[2]);
        Assert.Equal("2", stage.Find("input[aria-label=Seed]").GetAttribute("value"));

        Tool(0, "Take it out");
        Stage.WaitUntil(() => Drawn() == 11);
        stage.Press("u");
        Stage.WaitUntil(() => Drawn() == 12);
        Assert.Empty(stage.Findings());

        // What lies on the bench outlives loading anew.
        var now = Questions();
        stage.Browser.Navigate().Refresh();
        Stage.WaitUntil(() => Drawn() == 12 && Questions().SequenceEqual(now));
    }

    [Fact] // Nothing typed is lost to what the server makes meanwhile.
    public void What_is_typed_while_questions_are_made_stays()
    {
        stage.WithScript(
            Stage.Holding(@"/exercises\/part$/.test(to)"),
            () =>
            {
                OpenBench();
                Add("Name the notes");
                Stage.WaitUntil(() => stage.Browser.ExecuteScript("return isAsked") is true);
                IWebElement Heading() => stage.Find("input[aria-label='Heading of the sheet']");
                Heading().SendKeys("Tuesday");
                Assert.Equal("Tuesday", Heading().GetAttribute("value"));
                stage.Browser.ExecuteScript("letGo()");
                Stage.WaitUntil(() => Drawn() == 12);
                Assert.Equal("Tuesday", Heading().GetAttribute("value"));
            }
        );
    }

    /// <summary>A part of each kind with three questions or bars, from the first tune where one is needed.</summary>
    private const string LayOnTheBench = """
        const [kinds, done] = arguments;
        const part = (kind) => fetch('/api/exercises/part', {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ instruments: ['violin'], request: { kind, octaves: 1, seed: 1, count: 3,
            ...(kind === 'chunk' && { tuneId: 1 }) } }),
        }).then((made) => made.json());
        const item = (i) => ({ id: i.id, pinned: false, questions: { violin: i.each.violin.question } });
        Promise.all(kinds.map(part)).then((parts) => {
          const doc = { heading: '', nameLine: true, instruments: ['violin'], parts: parts.map((p) => ({ request:
            p.request, items: p.items.map(item) })) };
          localStorage.setItem('coppia.kept.bench', JSON.stringify({ id: null, version: 1, doc }));
          done();
        });
        """;

    [Fact]
    public void Every_kind_is_drawn_with_its_answers()
    {
        OpenBench();
        string[] kinds = [.. ExerciseKind.All.Where(k => k.Id is not "bass-frames").Select(k => k.Id)];
        stage.Browser.ExecuteAsyncScript(LayOnTheBench, (object)kinds);
        stage.Open("/exercises");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-part]")).Count == kinds.Length);
        Stage.WaitUntil(() =>
            (bool)
                stage.Browser.ExecuteScript(
                    "return [...document.querySelectorAll('[data-item]')].every((i) => i.querySelector('.engraved svg, "
                        + "svg[role=img]'))"
                )!
        );
        stage
            .Browser.FindElements(By.CssSelector("main input[type=checkbox]"))
            .First(c => c.FindElement(By.XPath("..")).Text == "Answers")
            .Click();
        Stage.WaitUntil(() => stage.Text(".sheet-paper h1").StartsWith("Key:", StringComparison.Ordinal));
        Assert.Empty(stage.Findings());
    }

    [Fact]
    public void A_sheet_is_kept_and_found_again()
    {
        OpenBench();
        Add("Write the counting");
        Stage.WaitUntil(() => Drawn() >= 12);
        Stage.Retype(stage.Find("input[aria-label='Heading of the sheet']"), "Counting on Friday");
        stage.Button("Keep").Click();
        Stage.WaitUntil(() => stage.Text("[role=status]").Contains("is kept", StringComparison.Ordinal));
        var kept = Questions();
        stage.Find("button[aria-label='More about the sheet']").Click();
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("[role=menuitem]"))
                    .FirstOrDefault(m => m.Text == "A new sheet")
            )
            .Click();
        Stage.WaitUntil(() => stage.Text("main").Contains("An empty sheet", StringComparison.Ordinal));
        stage.Find("button[aria-label='More about the sheet']").Click();
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("[role=menuitem]"))
                    .FirstOrDefault(m => m.Text.StartsWith("Kept sheets", StringComparison.Ordinal))
            )
            .Click();
        Assert.Empty(stage.Findings());
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("[role=dialog] li > button"))
                    .FirstOrDefault(b => b.Text.Contains("Counting on Friday", StringComparison.Ordinal))
            )
            .Click();
        Stage.WaitUntil(() => Questions().SequenceEqual(kept));
    }

    [Fact] // What cannot be made is said, and the sheet stays as it is.
    public void What_cannot_be_made_is_said_beside_the_choice()
    {
        OpenBench();
        Add("Half and first position");
        Assert.Contains("can be made for the double bass", stage.Text("[role=alert]"), StringComparison.Ordinal);
        Assert.Contains("An empty sheet", stage.Text("main"), StringComparison.Ordinal);
    }

    [Fact] // From the stand at one press; from the sheet to the stand, to be heard and looped.
    public void The_first_sheet_of_a_tune_and_its_exercise_on_the_stand()
    {
        stage.OpenTune("Three Grey Geese", "violin");
        stage.FirstSheet();
        Stage.WaitUntil(() => Drawn() > 12);
        Assert.Equal(
            "First sheet: Three Grey Geese",
            stage.Find("input[aria-label='Heading of the sheet']").GetAttribute("value")
        );
        // It is printed as it lies there, though nothing was changed.
        var drawn = Drawn();
        stage.Button("Print").Click();
        Stage.WaitUntil(() => stage.Browser.Url.Contains("/print", StringComparison.Ordinal) && Drawn() >= drawn);
        stage.Browser.Navigate().Back();
        Stage.WaitUntil(() => Drawn() == drawn);
        stage.Browser.ExecuteScript(
            "document.querySelector(\"[data-part='1'] button[aria-label='Open on the stand']\").click()"
        );
        Stage.WaitUntil(() =>
            stage.Browser.Url.Contains("/tunes/", StringComparison.Ordinal) && stage.Labels().Length > 8
        );
        Assert.StartsWith("Scale", stage.Text("h1"), StringComparison.Ordinal);
    }

    [Theory] // ISO 216: A4 is 210 × 297 mm; US letter is 8.5 × 11 inches. A point is 1/72 inch.
    [InlineData("a4", 595, 842)]
    [InlineData("letter", 612, 792)]
    public void Four_instruments_print_on_pages_of_their_own_with_their_keys(string paper, int width, int height)
    {
        OpenBench();
        foreach (var other in new[] { "Viola", "Cello", "Double bass" })
        {
            Stage
                .Wait(() =>
                    stage
                        .Browser.FindElements(By.CssSelector("fieldset:not([disabled]) label"))
                        .FirstOrDefault(l => l.Text == other)
                )
                .Click();
            Stage.WaitUntil(() =>
                stage.Browser.FindElements(By.CssSelector("fieldset:not([disabled]) label")).Any(l => l.Text == other)
            );
        }

        Add("String and finger");
        Stage.WaitUntil(() => Drawn() == 12);
        stage.Button("Print").Click();
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-testid=sheet]")).Count == 8);
        Stage.WaitUntil(() => Drawn() == 8 * 12);
        stage
            .Browser.FindElements(By.CssSelector("[role=radio]"))
            .First(r => r.Text == (paper == "a4" ? "A4" : "Letter"))
            .Click();
        Stage.WaitUntil(() => Drawn() == 8 * 12);
        Assert.Empty(stage.Findings());

        var printed =
            (Dictionary<string, object>)
                stage.Browser.ExecuteCdpCommand(
                    "Page.printToPDF",
                    new() { ["preferCSSPageSize"] = true, ["printBackground"] = false }
                )!;
        using var pdf = PdfDocument.Open(Convert.FromBase64String((string)printed["data"]));
        Assert.Equal(8, pdf.NumberOfPages);
        string[] texts = [.. pdf.GetPages().Select(p => string.Concat(p.GetWords().Select(w => w.Text)))];
        Assert.All(
            pdf.GetPages(),
            p => Assert.Equal((width, height), ((int)Math.Round(p.Width), (int)Math.Round(p.Height)))
        );
        foreach (var (n, name) in new[] { "violin", "viola", "cello", "doublebass" }.Index())
        {
            Assert.Contains($"For{name}", texts[2 * n], StringComparison.Ordinal);
            Assert.Contains("Name", texts[2 * n], StringComparison.Ordinal);
            Assert.Contains("Key:", texts[2 * n + 1], StringComparison.Ordinal);
            // The key has string and finger, the sheet has not.
            Assert.Contains("D0", texts[2 * n + 1], StringComparison.Ordinal);
            Assert.DoesNotContain("D0", texts[2 * n], StringComparison.Ordinal);
        }
    }

    [Fact] // Room for pencils: 9 mm from the bottom line to the top one where nothing else is chosen.
    public void The_staff_is_for_young_hands()
    {
        OpenBench();
        Add("Write the note");
        Stage.WaitUntil(() => Drawn() == 12);
        stage.Button("Print").Click();
        Stage.WaitUntil(() => Drawn() == 24);
        var height = Convert.ToDouble(
            stage.Browser.ExecuteScript(
                """
                const lines = [...document.querySelector('g.staff').querySelectorAll(':scope > path')].map((l) =>
                  l.getBoundingClientRect());
                const middle = (l) => (l.top + l.bottom) / 2;
                return middle(lines.at(-1)) - middle(lines[0]);
                """
            ),
            System.Globalization.CultureInfo.InvariantCulture
        );
        Assert.InRange(height / 96 * 25.4, 8.85, 9.15);
        // What is to be written is not there, its ledger lines neither; in the key it is.
        Assert.Equal(
            "hidden",
            stage.Browser.ExecuteScript(
                "return getComputedStyle(document.querySelector('[data-testid=sheet] g.note')).visibility"
            )
        );
        Assert.Equal(
            "visible",
            stage.Browser.ExecuteScript(
                "const sheet = document.querySelectorAll('[data-testid=sheet]')[1];"
                    + "return getComputedStyle(sheet.querySelector('g.note')).visibility"
            )
        );
    }

    [Fact]
    public void A_sheet_is_copied_for_another_instrument_with_the_same_questions()
    {
        OpenBench();
        Add("Line or space?");
        Stage.WaitUntil(() => Drawn() == 12);
        var heights = HeadHeights();
        stage.Button("More").Click();
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("[role=menuitem]"))
                    .FirstOrDefault(m => m.Text == "Copy for cello")
            )
            .Click();
        Stage.WaitUntil(() => stage.Text("main").Contains("For cello", StringComparison.Ordinal) && Drawn() == 12);
        Assert.Equal(heights, HeadHeights());
        stage.Press("u");
        Stage.WaitUntil(() => stage.Text("main").Contains("For violin", StringComparison.Ordinal));
    }

    /// <summary>Where each question's head lies above the lowest line of its staff, in half spaces.</summary>
    private long[] HeadHeights() =>
        [
            .. (
                (IReadOnlyCollection<object>)
                    stage.Browser.ExecuteScript(
                        """
                        const middle = (e) => { const r = e.getBoundingClientRect(); return (r.top + r.bottom) / 2 };
                        return [...document.querySelectorAll('[data-item]')].map((item) => {
                          const lines = [...item.querySelectorAll('g.staff > path')].slice(0, 5).map(middle);
                          const head = middle(item.querySelector('.notehead'));
                          return Math.round((lines[4] - head) / ((lines[4] - lines[0]) / 8));
                        });
                        """
                    )!
            ).Cast<long>(),
        ];
}
