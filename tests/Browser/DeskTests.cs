using System.Globalization;
using OpenQA.Selenium;
using UglyToad.PdfPig;

namespace Coppia.Tests;

/// <summary>
/// Composing as it happens in a class: a task made by the teacher, two learners on two instruments, and the booklet on
/// paper. Source: craft 13; stems and heads by craft 12; a cellist's piece on the violin by craft 16.
/// </summary>
[Collection(nameof(OnTheSide))]
public class DeskTests(Stage stage)
{
    private const string Title = "Friday’s tune";

    private bool Says(string words) =>
        ((string)stage.Browser.ExecuteScript("return document.body.innerText")!).Contains(
            words,
            StringComparison.Ordinal
        );

    private void Follow(string words) =>
        Stage
            .Wait(() => stage.Browser.FindElements(By.PartialLinkText(words)).FirstOrDefault(l => l.Displayed))
            .Click();

    private static void Choose(IWebElement select, string words) =>
        Stage.Wait(() => select.FindElements(By.TagName("option")).FirstOrDefault(o => o.Text == words)).Click();

    private static string Text(object value) => Convert.ToString(value, CultureInfo.InvariantCulture)!;

    /// <summary>Asks the server as the page does.</summary>
    private string Ask(string method, string path, string body = "") =>
        Text(
            stage.Browser.ExecuteScript(
                """
                const r = new XMLHttpRequest()
                r.open(arguments[0], arguments[1], false)
                r.setRequestHeader('content-type', 'application/json')
                r.send(arguments[2])
                return r.responseText
                """,
                method,
                path,
                body
            )!
        );

    /// <summary>Where learners' pages are; those of the demo class.</summary>
    private string PageOf(string nickname)
    {
        var id = Text(
            stage.Browser.ExecuteScript(
                "return JSON.parse(arguments[0]).learners.find((l) => l.nickname === arguments[1]).id",
                Ask("GET", "/api/classes/1"),
                nickname
            )!
        );
        Ask("POST", "/api/classes/1/links", $$"""{"learners":[{{id}}]}""");
        return Text(
            stage.Browser.ExecuteScript(
                "return new URL(JSON.parse(arguments[0]).find((l) => l.nickname === arguments[1]).address).pathname",
                Ask("GET", "/api/classes/1/links"),
                nickname
            )!
        );
    }

    /// <summary>What stands on the staff: bars parted by |, each note by its height in half-spaces.</summary>
    private string Written() =>
        Text(
            stage.Browser.ExecuteScript(
                """
                return [...document.querySelectorAll('[data-testid=desk-staff] [data-bar]')]
                  .map((bar) => [...bar.querySelectorAll('[data-note]')].map((n) =>
                    n.dataset.height).join(' ')).join(' | ')
                """
            )!
        );

    /// <summary>Presses the staff at a caret or a note, at a height in half-spaces.</summary>
    private void PressStaff(string at, double height, int beside = 0)
    {
        var point =
            (IReadOnlyList<object>)
                stage.Browser.ExecuteScript(
                    """
                    const on = document.querySelector(arguments[0])
                    const svg = on.closest('svg')
                    const [low, , , , high] = [...svg.querySelectorAll('line')].map((l) =>
                      l.getBoundingClientRect().top)
                    const head = on.dataset.note ? [...on.querySelectorAll('path')].at(-1) ?? on : on
                    const { left, width } = (on.dataset.note ? head : on).getBoundingClientRect()
                    return [left + width / 2 + arguments[2], low - (arguments[1] * (low - high)) / 8]
                    """,
                    at,
                    height,
                    beside
                )!;
        var pointer = new OpenQA.Selenium.Interactions.PointerInputDevice(
            OpenQA.Selenium.Interactions.PointerKind.Mouse
        );
        var press = new OpenQA.Selenium.Interactions.ActionSequence(pointer);
        press.AddAction(
            pointer.CreatePointerMove(
                OpenQA.Selenium.Interactions.CoordinateOrigin.Viewport,
                (int)Math.Round(Convert.ToDouble(point[0], CultureInfo.InvariantCulture)),
                (int)Math.Round(Convert.ToDouble(point[1], CultureInfo.InvariantCulture)),
                TimeSpan.Zero
            )
        );
        press.AddAction(pointer.CreatePointerDown(OpenQA.Selenium.Interactions.MouseButton.Left));
        press.AddAction(pointer.CreatePointerUp(OpenQA.Selenium.Interactions.MouseButton.Left));
        stage.Browser.PerformActions([press]);
    }

    private void OpenDesk(string nickname)
    {
        stage.Open(PageOf(nickname));
        Follow(Title);
        stage.Find("[data-caret]");
        // The palette shows what the keys write.
        stage.Find("[data-palette]");
    }

    [Fact]
    public void From_the_task_to_the_booklet_with_two_learners_on_two_instruments()
    {
        MakeAndSetTheTask();
        TheCellistWritesFourBars();
        TheViolinistWritesWithoutANetwork();
        TheTeacherReadsAndAccepts();
        TheBookletIsPrinted();
        TheViolinistPlaysTheCellistsPiece();
    }

    private void MakeAndSetTheTask()
    {
        stage.Open("/desk");
        Follow("Four bars on one string, endings given");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-testid=palette]")).Count == 4);
        Stage.Retype(stage.Find("form input"), Title);
        stage.Button("Keep it").Click();
        Stage.WaitUntil(() => Says($"“{Title}” is kept."));
        Choose(stage.Find("header select"), "Weir strings, year 1");
        stage.Button("Set it to Weir strings, year 1").Click();
        stage.Find("[role=dialog] button[type=submit]").Click();
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[role=dialog]")).Count == 0);
        // Of one class there is no choosing; here no class is wanted again.
        stage.Browser.ExecuteScript(
            "localStorage.setItem('coppia.kept.class', '0');"
                + "dispatchEvent(new StorageEvent('storage', { key: 'coppia.kept.class' }))"
        );

        // On paper: a page for each instrument, with the palette and the rules.
        Follow("Print it");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-testid=task-page]")).Count == 4);
        using var pdf = Printed();
        Assert.Equal(4, pdf.NumberOfPages);
        var cello = pdf.GetPage(3).Text.Replace(" ", "", StringComparison.Ordinal);
        Assert.Contains("D0D1D3D4A0", cello, StringComparison.Ordinal);
        Assert.Contains("Atmostfiverests.", cello, StringComparison.Ordinal);
    }

    private PdfDocument Printed()
    {
        var printed =
            (Dictionary<string, object>)
                stage.Browser.ExecuteCdpCommand(
                    "Page.printToPDF",
                    new Dictionary<string, object?> { ["preferCSSPageSize"] = true }
                )!;
        return PdfDocument.Open(Convert.FromBase64String((string)printed["data"]));
    }

    /// <summary>With the palette, a bar of five beats, and the way back from it.</summary>
    private void TheCellistWritesFourBars()
    {
        OpenDesk("Jun");
        Assert.Equal(" | 8 |  | 4", Written()); // A3 on the fifth line, D3 on the third
        foreach (var pitch in new[] { "D3", "E3", "F#3", "G3", "A3", "G3", "F#3" })
            stage.Find($"[data-palette='{pitch}']").Click();
        Assert.Equal("4 5 6 7 | 8 7 6 8 |  | 4", Written());
        stage.Press("1234"); // the keys do the same
        stage.Press(Keys.ArrowLeft + "5");
        Stage.WaitUntil(() => Written() == "4 5 6 7 | 8 7 6 8 | 4 5 6 7 8 | 4");
        Stage.WaitUntil(() =>
            stage.Text("[data-testid=findings]").Contains("5 beats here; in 4/4 a bar has 4.", StringComparison.Ordinal)
        );
        Assert.StartsWith("Bar 3", stage.Text("[data-testid=findings]"), StringComparison.Ordinal);
        // A given note stays, whatever is pressed.
        PressStaff("[data-note='2.4']", 8);
        stage.Press(Keys.Backspace);
        Assert.Equal("4 5 6 7 | 8 7 6 8 | 4 5 6 7 8 | 4", Written());
        stage.Button("Undo").Click();
        Stage.WaitUntil(() => Written() == "4 5 6 7 | 8 7 6 8 | 4 5 6 7 | 4");
        Stage.WaitUntil(() => stage.Text("[data-testid=rules-kept]").StartsWith("So far", StringComparison.Ordinal));

        // Loaded anew it is as it was.
        stage.Browser.Navigate().Refresh();
        Stage.WaitUntil(() => Written() == "4 5 6 7 | 8 7 6 8 | 4 5 6 7 | 4");
        stage.Press("4r2");
        stage.Button("Try higher").Click();
        Stage.WaitUntil(() => Written() == "4 5 6 7 | 8 7 6 8 | 4 5 6 7 | 7 rest 6 4");
        stage.Button("It is finished").Click();
        Stage.WaitUntil(() => Says("All rules are kept."));
        stage.Button("Hand it in").Click();
        Stage.WaitUntil(() => stage.Text("[data-testid=desk-state]").StartsWith("Handed in", StringComparison.Ordinal));
        Assert.False(stage.Find("[data-palette]").Enabled);
    }

    private void TheViolinistWritesWithoutANetwork()
    {
        OpenDesk("Bram");
        Assert.Equal(" | 3 |  | -1", Written()); // A4 in the second space, D4 under the first line
        stage.Press("1155");
        Stage.WaitUntil(() => Written() == "-1 -1 3 3 | 3 |  | -1");
        Stage.WaitUntil(() => Kept() == 6);
        stage.WithoutNetwork(() =>
        {
            stage.Press("432");
            Stage.WaitUntil(() => Says("This piece is on your phone."));
            Assert.Equal("-1 -1 3 3 | 2 1 0 3 |  | -1", Written());
        });

        stage.Browser.ExecuteScript("window.dispatchEvent(new Event('online'))");
        Stage.WaitUntil(() => Kept() == 9);
        // A press on the staff writes what lies there: B4 is not in the palette.
        PressStaff("[data-caret]", 4);
        Stage.WaitUntil(() => Written() == "-1 -1 3 3 | 2 1 0 3 | 4 | -1");
        Stage.WaitUntil(() =>
            stage
                .Text("[data-testid=findings]")
                .Contains("B4 is not one of this task’s notes.", StringComparison.Ordinal)
        );
        stage.Button("Try lower").Click();
        Stage.WaitUntil(() => Written() == "-1 -1 3 3 | 2 1 0 3 | 3 | -1");
        stage.Button("Undo").Click();
        stage.Button("Undo").Click();
        stage.Press("1155432");
        Stage.WaitUntil(() => Written() == "-1 -1 3 3 | 2 1 0 3 | -1 -1 3 3 | 2 1 0 -1");
        stage.Button("It is finished").Click();
        Stage.WaitUntil(() => Says("All rules are kept."));
        Assert.Contains("Bar 1 comes again", stage.Text("[data-testid=advice]"), StringComparison.Ordinal);
        stage.Button("Hand it in").Click();
        Stage.WaitUntil(() => stage.Text("[data-testid=desk-state]").StartsWith("Handed in", StringComparison.Ordinal));
    }

    private string Link() => stage.Browser.Url.Split("/learn/")[1].Split('/')[0];

    private string Work() => stage.Browser.Url.Split("/desk/")[1].Split('?')[0];

    /// <summary>How many notes the server has.</summary>
    private long Kept() =>
        (long)
            stage.Browser.ExecuteScript(
                "return JSON.parse(arguments[0]).piece.bars.flat().length",
                Ask("GET", $"/api/learn/{Link()}/desk/{Work()}")
            )!;

    private IWebElement Row(string nickname) =>
        Stage.Wait(() =>
            stage
                .Browser.FindElements(By.CssSelector("[data-piece]"))
                .FirstOrDefault(r => r.Text.StartsWith(nickname, StringComparison.Ordinal))
        );

    private IWebElement InRow(string nickname, By by) =>
        Stage.Wait(() => Row(nickname).FindElements(by).FirstOrDefault());

    /// <summary>Presses a button of a row that holds still: pictures over it may still be growing.</summary>
    private void InRow(string nickname, string button)
    {
        System.Drawing.Point? before = null;
        Stage.WaitUntil(() =>
        {
            var found = Row(nickname)
                .FindElements(By.TagName("button"))
                .FirstOrDefault(b => b.Text == button && b.Enabled);
            var isStill = found is not null && found.Location == before;
            before = found?.Location;
            if (isStill)
                found!.Click();
            return isStill;
        });
    }

    private void TheTeacherReadsAndAccepts()
    {
        stage.Open("/classes/1");
        Follow(Title);
        Stage.WaitUntil(() => Says("To read 2"));
        Assert.Contains("All rules are kept", Row("Jun").Text, StringComparison.Ordinal);
        Stage.WaitUntil(() => Row("Jun").FindElements(By.CssSelector(".engraved g.note")).Count == 15);
        InRow("Jun", "Remark");
        Choose(InRow("Jun", By.CssSelector("select[aria-label=About]")), "bar 3");
        Choose(
            InRow("Jun", By.CssSelector("select[aria-label='Ready words']")),
            "I like this bar: sing it to someone."
        );
        InRow("Jun", "Say it");
        Stage.WaitUntil(() => Row("Jun").Text.Contains("Bar 3: I like this bar", StringComparison.Ordinal));
        InRow("Jun", "Accept");
        Stage.WaitUntil(() => Says("Accepted 1"));
        InRow("Bram", "Accept");
        Stage.WaitUntil(() => Says("Accepted 2"));
    }

    private void TheBookletIsPrinted()
    {
        // Whatever other tests have left of the demo class: a booklet of these two.
        stage.Open("/classes/1/booklet");
        Ask(
            "PUT",
            "/api/classes/1/booklet",
            """{"title":"Our first tunes","perPage":2,"pairs":true,"names":true,"shown":true,"pieces":[]}"""
        );
        stage.Open("/classes/1/booklet");
        foreach (var who in new[] { "Jun", "Bram" })
        {
            Stage
                .Wait(() =>
                    stage
                        .Browser.FindElements(By.XPath($"//li[contains(., '{who}')]//button[starts-with(., 'Put in')]"))
                        .FirstOrDefault()
                )
                .Click();
            Stage.WaitUntil(() => stage.Text("[aria-label='In the booklet']").Contains(who, StringComparison.Ordinal));
        }

        Stage.WaitUntil(() =>
            Ask("GET", "/api/classes/1/booklet").Split("\"pieces\":[")[1].Contains(',', StringComparison.Ordinal)
        );
        Follow("Print, or save as PDF");
        // Sixteen quarters each, one of the cellist's a rest.
        const int pairs = 15 + 16;
        Stage.WaitUntil(() =>
            stage.Browser.FindElements(By.CssSelector("[data-booklet-piece] [data-label]")).Count == pairs
        );
        using var pdf = Printed();
        // Title, contents, and both pieces on one page.
        Assert.Equal(3, pdf.NumberOfPages);
        static string Plain(string text) => text.Replace(" ", "", StringComparison.Ordinal);
        Assert.Contains("Ourfirsttunes", Plain(pdf.GetPage(1).Text), StringComparison.Ordinal);
        Assert.Contains("Jun’spieceCello3", Plain(pdf.GetPage(2).Text), StringComparison.Ordinal);
        var last = Plain(pdf.GetPage(3).Text);
        Assert.Contains("Jun’spiece", last, StringComparison.Ordinal);
        Assert.Contains("Bram’spiece", last, StringComparison.Ordinal);
        Assert.Equal(pairs, System.Text.RegularExpressions.Regex.Count(last, "[DA][0-4]"));
    }

    private void TheViolinistPlaysTheCellistsPiece()
    {
        stage.Open(PageOf("Bram"));
        Follow("Jun’s piece");
        Stage.WaitUntil(() => stage.Labels().Length == 15);
        Assert.Equal("D0 D1 D2 D3 A0 D3 D2 A0", string.Join(' ', stage.Labels().Take(8)));
    }

    // Craft 12 and 13: the head clearly on its line or in its space, the stem by rule, the accidental before the head
    // at its height.
    [Fact]
    public void Heads_stems_and_signs_by_hand_are_judged_where_the_child_put_them()
    {
        stage.Open("/desk");
        var task = Ask(
            "POST",
            "/api/desk/tasks",
            """
            {"title":"By hand","task":{"level":0,"instruments":["violin"],"key":"C","meter":"2/4","bars":1,
              "steps":["2","3","#4","5","7"],
             "values":["1/4"],"fixed":[],"byHand":true}}
            """
        );
        var id = Text(stage.Browser.ExecuteScript("return JSON.parse(arguments[0]).id", task)!);
        stage.Open($"/desk/{id}/try?for=violin");
        stage.Find("[data-caret]");
        var findings = () =>
            stage.Browser.FindElements(By.CssSelector("[data-testid=findings]")).FirstOrDefault()?.Text ?? "";

        // Between the second line and the space above it.
        PressStaff("[data-caret]", 2.5);
        Stage.WaitUntil(() => findings().Contains("Line or space?", StringComparison.Ordinal));
        stage.Press(Keys.Backspace);
        Stage.WaitUntil(() => findings() == "");

        // F in the first space and B on the third line; F has a sharp in this palette, and no signature makes it.
        PressStaff("[data-caret]", 1);
        PressStaff("[data-caret]", 4);
        Stage.WaitUntil(() =>
            findings().Contains("Without its sharp this is another note; F♯4 is meant.", StringComparison.Ordinal)
        );
        stage.Button("Sharps ♯").Click();
        PressStaff("[data-note='1.1']", 4); // at the height of the other line
        Stage.WaitUntil(() =>
            findings().Contains("The sign stands at another height than its head.", StringComparison.Ordinal)
        );
        PressStaff("[data-note='1.1']", 1);
        Stage.WaitUntil(() => findings() == "");

        stage.Button("It is finished").Click();
        Stage.WaitUntil(() => findings().Contains("This note has no stem yet.", StringComparison.Ordinal));
        stage.Button("Stems").Click();
        PressStaff("[data-note='1.1']", 4, beside: 6); // up on the right
        PressStaff("[data-note='1.2']", 7, beside: 6); // up, where it belongs down
        Stage.WaitUntil(() =>
            findings().Contains("On the middle line and above it stems point down.", StringComparison.Ordinal)
        );
        PressStaff("[data-note='1.2']", 1, beside: 6); // down, on the wrong side
        Stage.WaitUntil(() =>
            findings().Contains("A stem that points down stands on the left of its head.", StringComparison.Ordinal)
        );
        PressStaff("[data-note='1.2']", 1, beside: -6);
        Stage.WaitUntil(() => Says("All rules are kept."));
    }
}
