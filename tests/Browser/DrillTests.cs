using System.Text.Json;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Coppia.Tests;

/// <summary>Questions answered on the screen, and cards: by keyboard, by pointer, on a laptop and on a phone.</summary>
[Collection(nameof(OnPaper))]
public class DrillTests(Stage stage)
{
    private static readonly string Mary = Bars(
        """[{"note":"D4","value":"1/4"},{"note":"E4","value":"1/4"},{"note":"F#4","value":"1/2"}]""",
        """[{"note":"D4","value":"1/4"},{"note":"G4","value":"1/4"},{"note":"F#4","value":"1/2"}]"""
    );

    private static string Bars(params string[] bars) =>
        $$"""{"meter":"4/4","fifths":2,"clef":"treble","bars":[{{string.Join(',', bars)}}]}""";

    /// <summary>Lays questions for the violin on the bench, and opens them to be answered.</summary>
    private void Answer(params (string Kind, string Question)[] questions)
    {
        var parts = questions.Select(
            (q, i) =>
                new
                {
                    request = new
                    {
                        kind = q.Kind,
                        octaves = 1,
                        seed = 1,
                    },
                    items = new[]
                    {
                        new
                        {
                            id = $"q{i}",
                            pinned = false,
                            questions = new { violin = JsonDocument.Parse(q.Question).RootElement },
                        },
                    },
                }
        );
        var doc = new
        {
            heading = "Friday",
            nameLine = true,
            instruments = new[] { "violin" },
            parts,
        };
        var draft = JsonSerializer.Serialize(
            new
            {
                id = (int?)null,
                version = 1,
                doc,
            }
        );
        stage.Open("/style");
        stage.Browser.ExecuteScript(
            "localStorage.clear(); localStorage.setItem('coppia.kept.class', '0'); "
                + "localStorage.setItem('coppia.kept.bench', arguments[0])",
            draft
        );
        stage.Open("/exercises/answer");
        stage.Find("#asked");
    }

    /// <summary>Waits for a question with its picture: before that, what is pressed may still move away.</summary>
    private void IsAsked(int number, int of) =>
        Stage.WaitUntil(() =>
            stage.Text("main").Contains($"Question {number} of {of}", StringComparison.Ordinal)
            && stage.Browser.FindElements(By.CssSelector("main [aria-busy=true]")).Count == 0
        );

    /// <summary>Has the answer shown.</summary>
    private void ShowMe()
    {
        stage.Browser.ExecuteScript("arguments[0].click()", stage.Button("Show me"));
        stage.Find("[data-mistake=shown]");
    }

    private string Verdict() => stage.Find("[data-mistake]").GetAttribute("data-mistake")!;

    private void IsAsked(string words) =>
        Stage.WaitUntil(() =>
            stage.Text("#asked") == words
            && stage.Browser.FindElements(By.CssSelector("main [aria-busy=true]")).Count == 0
        );

    private void Check(string mistake)
    {
        CheckByEnter();
        Assert.Equal(mistake, Verdict());
    }

    /// <summary>
    /// Enter checks once what was pressed with the pointer has let go of the focus; before that it would press it
    /// again.
    /// </summary>
    private void CheckByEnter()
    {
        stage.Button("Check");
        Stage.WaitUntil(() =>
            (bool)stage.Browser.ExecuteScript("return !document.activeElement.closest('button, [role=button], input')")!
        );
        stage.Press(Keys.Enter);
    }

    private void Click(string css, int at = 0) =>
        Stage
            .Wait(() =>
                stage.Browser.FindElements(By.CssSelector(css)).ElementAtOrDefault(at) is { Displayed: true } e
                    ? e
                    : null
            )
            .Click();

    private void Choose(string name) =>
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("main button[aria-pressed]"))
                    .FirstOrDefault(b => b.Text.Trim() == name)
            )
            .Click();

    /// <summary>Presses a place of the drawn fingerboard, in its middle.</summary>
    private void PressBoard(params string[] places)
    {
        foreach (var place in places)
            Click($"[data-place='{place}']");
    }

    /// <summary>Where a line or space is on the screen, by the engraved staff lines.</summary>
    private (int X, int Y) OnStaff(int height, double along)
    {
        // The picture may still find its place.
        (int, int)? before = null;
        Stage.WaitUntil(() =>
        {
            var now = StaffAt(height, along);
            var isStill = now == before;
            before = now;
            return isStill;
        });
        return before!.Value;
    }

    private (int X, int Y) StaffAt(int height, double along)
    {
        var found =
            (IReadOnlyDictionary<string, object>)
                Stage.Wait(() =>
                    stage.Browser.ExecuteScript(
                        """
                        const lines = [...document.querySelectorAll('main .engraved g.staff > path')].slice(0,
                          5).map((p) => p.getBoundingClientRect());
                        if (lines.length < 5) return null;
                        const [top, bottom] = [lines[0].top + lines[0].height / 2, lines[4].top + lines[4].height / 2];
                        return { x: Math.round(lines[0].left + arguments[1] * lines[0].width), y:
                          Math.round(bottom - arguments[0] * (bottom - top) / 8) };
                        """,
                        height,
                        along
                    )
                );
        return ((int)(long)found["x"], (int)(long)found["y"]);
    }

    private void PressStaff(params int[] heights)
    {
        stage.Find("[data-testid=staff]");
        foreach (var height in heights)
        {
            var (x, y) = OnStaff(height, 0.7);
            new Actions(stage.Browser).MoveToLocation(x, y).Click().Perform();
        }
    }

    [Fact]
    public void A_round_of_cards_is_answered_by_the_keyboard_alone()
    {
        stage.Open("/cards");
        stage.Browser.ExecuteScript("localStorage.clear(); localStorage.setItem('coppia.kept.class', '0')");
        stage.Open("/cards");
        Assert.Empty(stage.Findings());
        stage.Button("Deal twelve cards").Click();
        // The D string in D major in order: D E F sharp G, and down again.
        string[] keys = ["d", "e", "f+", "g", "f#", "e", "d", "e", "f+", "g", "f+", "e"];
        foreach (var (i, key) in keys.Index())
        {
            Stage.WaitUntil(() => stage.Text("main").Contains($"Question {i + 1} of 12", StringComparison.Ordinal));
            stage.Press(key);
            Check("right");
            if (i == 0)
            {
                Assert.Equal("Yes, D.", stage.Text("[data-testid=verdict]"));
                Assert.Empty(stage.Findings());
            }

            stage.Press(Keys.Enter);
        }

        Assert.Equal("all", stage.Find("h1[data-grade]").GetAttribute("data-grade"));
        Stage.WaitUntil(() => stage.Text("main").Contains("All 12 right", StringComparison.Ordinal));
        Assert.Empty(stage.Findings());
        // The next stage is one press away.
        stage.Button("Go on to one string, mixed").Click();
        Stage.WaitUntil(() => stage.Text("main").Contains("Question 1 of 12", StringComparison.Ordinal));
    }

    [Fact]
    public void A_mistake_is_told_and_asked_again_and_a_round_outlives_loading_anew()
    {
        Answer(
            ("name-it", """{"note":"F#4","fifths":2}"""),
            ("line-or-space", """{"note":"B4"}"""),
            ("name-it", """{"note":"A4","fifths":2}""")
        );
        IsAsked("Which note is this?");
        // Help comes one step at a time: a question, then what is so.
        // The first question comes by itself where one hesitates.
        Stage.WaitUntil(() => stage.Text("aside[aria-label=Help] li") == "Line or space?");
        stage.Press("?");
        Stage.WaitUntil(() =>
            stage.Text("aside[aria-label=Help] li").Contains("It fills a space", StringComparison.Ordinal)
        );
        stage.Press("?");
        Stage.WaitUntil(() =>
            stage.Text("aside[aria-label=Help] li:nth-child(2)") == "Which one, counted from the bottom?"
        );
        stage.Press("f");
        Check("forgot-signature");
        Assert.Contains("makes every F sharp", stage.Text("[data-testid=verdict]"), StringComparison.Ordinal);
        stage.Press(Keys.Enter);
        // Its own next question: which signature that is.
        IsAsked("Choose the key, and the letters that it changes.");
        Choose("D major");
        stage.Press("fc");
        Check("right");
        stage.Press(Keys.Enter);

        IsAsked("Line or space, and which one?");
        stage.Browser.Navigate().Refresh();
        IsAsked("Line or space, and which one?");
        Stage.WaitUntil(() => stage.Text("main").Contains("Question 2 of 3", StringComparison.Ordinal));
        stage.Press("l3");
        Check("right");
        stage.Press(Keys.Enter);
        ShowMe();
        Assert.Equal("The answer: A.", stage.Text("[data-testid=verdict]"));
        stage.Press(Keys.Enter);
        ShowMe();
        stage.Press(Keys.Enter);

        Assert.Equal("morePractice", stage.Find("h1[data-grade]").GetAttribute("data-grade"));
        Assert.Contains("1 of 3 at once", stage.Text("main"), StringComparison.Ordinal);
        Assert.Contains("Read the key signature first", stage.Text("main ul"), StringComparison.Ordinal);
        stage.Button("The same sheet again").Click();
        Stage.WaitUntil(() => stage.Text("main").Contains("Question 1 of 3", StringComparison.Ordinal));
    }

    /// <summary>Every kind, with the right answer given by a hand: kind, question, what the hand does.</summary>
    private (string Kind, string Question, Action Hand)[] EveryKind() =>
        [
            ("name-it", """{"note":"F#4","fifths":2}""", () => stage.Press("f+")),
            ("finger-it", """{"note":"F4","fifths":0}""", () => stage.Press("d2l")),
            ("write-it", """{"name":"F#","octave":4,"string":"D","fifths":2}""", () => PressStaff(1)),
            ("find-it", """{"note":"F#4","string":"D","fifths":2}""", () => PressBoard("1-4")),
            ("line-or-space", """{"note":"F4"}""", () => stage.Press("s1")),
            ("stems", """{"note":"A4","fifths":0}""", DrawStemUp),
            (
                "signature",
                """{"fifths":-1}""",
                () =>
                {
                    Choose("F major");
                    stage.Press("b");
                }
            ),
            ("signature", """{"key":"D","write":true}""", () => PressStaff(8, 5)),
            (
                "hand-shape",
                """{"key":"D","string":"D","position":"I","draw":true}""",
                () => PressBoard("1-2", "1-4", "1-5", "1-7")
            ),
            ("hand-shape", """{"key":"D","string":"D","position":"I","draw":false}""", () => Choose("2–3")),
            ("pen-work", """{"sign":"quarter-rest"}""", () => stage.Button("I wrote it on paper").Click()),
            ("beat-sums", """{"task":"gap","meter":"4/4","values":["1/4","?","1/4"]}""", () => Choose("half")),
            (
                "beat-sums",
                """{"task":"barlines","meter":"3/4","values":["1/4","1/2","3/4"]}""",
                () => Click("button[aria-label='Barline after note 2']")
            ),
            (
                "beat-sums",
                """{"task":"is-it-right","meter":"4/4","values":["1/4","1/4","1/4"]}""",
                () => Choose("too short")
            ),
            (
                "count-it",
                Bars(
                    """[{"note":"D4","value":"1/2"},{"note":"D4","value":"1/8"},"""
                        + """{"note":"D4","value":"1/8"},{"rest":true,"value":"1/4"}]"""
                ),
                () =>
                {
                    stage.Press("12");
                    Choose("3");
                    stage.Press("&(4");
                }
            ),
            (
                "bow-it",
                Mary,
                () =>
                {
                    // Down, up, down, up, down, up: once down, twice up.
                    for (var n = 0; n < 6; n++)
                    for (var press = 0; press <= n % 2; press++)
                        Click($"button[aria-label^='Note {n + 1}:']");
                }
            ),
            ("spot-difference", Mary, () => Click("main .engraved g.note .notehead", 4)),
            (
                "scale-builder",
                """{"first":"D4","key":"D","octaves":1}""",
                () =>
                {
                    PressBoard("1-0", "1-2", "1-4", "1-5", "2-0", "2-2", "2-4", "2-5");
                    Click("button[aria-label='Half step from note 3 to note 4']");
                    Click("button[aria-label='Half step from note 7 to note 8']");
                }
            ),
        ];

    private void DrawStemUp()
    {
        stage.Find("[data-testid=stem]");
        var head = Stage.Wait(() =>
            stage.Browser.FindElements(By.CssSelector("main .engraved g.note .notehead")).FirstOrDefault()
        );
        var (place, size) = (head.Location, head.Size);
        new Actions(stage.Browser)
            .MoveToLocation(place.X + size.Width, place.Y + size.Height / 2)
            .ClickAndHold()
            .MoveByOffset(0, -40)
            .Release()
            .Perform();
        Assert.Equal("up right", stage.Find("[data-stem]").GetAttribute("data-stem"));
    }

    [Fact]
    public void Every_kind_is_answered_by_hand()
    {
        var kinds = EveryKind();
        Answer([.. kinds.Select(k => (k.Kind, k.Question))]);
        foreach (var (i, (kind, _, hand)) in kinds.Index())
        {
            IsAsked(i + 1, kinds.Length);
            hand();
            CheckByEnter();
            Assert.Equal($"{kind} right", $"{kind} {Verdict()}");
            stage.Press(Keys.Enter);
        }

        Assert.Equal("all", stage.Find("h1[data-grade]").GetAttribute("data-grade"));
    }

    [Fact]
    public void On_a_phone_every_kind_fits_and_can_be_read_aloud()
    {
        stage.SetViewport(390, 844);
        try
        {
            var kinds = EveryKind();
            Answer([.. kinds.Select(k => (k.Kind, k.Question))]);
            for (var i = 0; i < kinds.Length; i++)
            {
                IsAsked(i + 1, kinds.Length);
                if (stage.Browser.FindElements(By.CssSelector("main [role=img]")).Count > 0)
                    Stage.WaitUntil(() =>
                        stage.Browser.FindElements(By.CssSelector("main .engraved svg, main svg")).Count > 0
                    );
                Assert.Empty(stage.Findings());
                Stage.WaitUntil(() =>
                    (bool)stage.Browser.ExecuteScript("return document.documentElement.scrollWidth <= innerWidth")!
                );
                // Shown twice: the question, and the same once more.
                for (var n = 0; n < 2; n++)
                {
                    ShowMe();
                    stage.Press(Keys.Enter);
                }
            }

            Stage.WaitUntil(() =>
                stage.Text("main").Contains($"0 of {kinds.Length} at once", StringComparison.Ordinal)
            );
        }
        finally
        {
            stage.SetViewport(1280, 800);
        }
    }

    [Fact]
    public void A_sign_is_traced_by_hand()
    {
        Answer(("pen-work", """{"sign":"quarter-note","note":"B4"}"""));
        stage.Find("[data-testid=ink]");
        // Ink far from the note is no note.
        var (x, y) = OnStaff(8, 0.95);
        new Actions(stage.Browser).MoveToLocation(x, y).ClickAndHold().MoveByOffset(-30, 60).Release().Perform();
        Check("pen-astray");
        stage.Press(Keys.Enter);
        // Over its head to and fro, then down its stem.
        var note = Stage.Wait(() =>
            stage.Browser.FindElements(By.CssSelector("[data-trace] .engraved g.note .notehead")).FirstOrDefault()
        );
        var stem = stage.Find("[data-trace] .engraved g.note .stem");
        var pen = new Actions(stage.Browser);
        var (head, size) = (note.Location, note.Size);
        for (var row = 4; row < size.Height - 3; row += 4)
        {
            var inset = Math.Abs(row - size.Height / 2) / 2 + 3;
            pen.MoveToLocation(head.X + inset, head.Y + row)
                .ClickAndHold()
                .MoveToLocation(head.X + size.Width - inset, head.Y + row)
                .Release();
        }

        pen.MoveToLocation(stem.Location.X + 1, stem.Location.Y + 2)
            .ClickAndHold()
            .MoveToLocation(stem.Location.X + 1, stem.Location.Y + stem.Size.Height - 2)
            .Release()
            .Perform();
        Check("right");
    }

    [Fact]
    public void What_cannot_be_answered_here_says_where_it_can()
    {
        stage.Open("/style");
        stage.Browser.ExecuteScript("localStorage.clear(); localStorage.setItem('coppia.kept.class', '0')");
        stage.Open("/exercises/answer");
        Stage.WaitUntil(() => stage.Text("main").Contains("The bench is empty", StringComparison.Ordinal));
        Assert.Empty(stage.Findings());
    }
}
