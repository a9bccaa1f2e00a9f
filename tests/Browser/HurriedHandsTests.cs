using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Coppia.Tests;

/// <summary>Keys, focus, undo, drafts and errors under hands that do not wait.</summary>
[Collection(nameof(OnStage))]
public class HurriedHandsTests(Stage stage)
{
    private string Now() =>
        (string)stage.Browser.ExecuteScript("return document.querySelector('g.note.is-now')?.id ?? ''")!;

    private string Focused() =>
        (string)
            stage.Browser.ExecuteScript(
                "const e = document.activeElement; return e.getAttribute('aria-label') ?? (e.matches('input, textarea, "
                    + "main, body') ? e.localName : e.textContent.trim())"
            )!;

    private string Status() => stage.Text("[role=status].fixed");

    private IWebElement Place(string place) => stage.Find($"[data-place='{place}']");

    private void Click(IWebElement element) => new Actions(stage.Browser).MoveToElement(element).Click().Perform();

    private string AddressOf(string title)
    {
        stage.Open(Stage.Searching(title));
        return Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("[data-tune]"))
                    .FirstOrDefault(e => e.Text.Contains(title, StringComparison.Ordinal))
            )
            .GetAttribute("href")![stage.Address.Length..];
    }

    private void Dispatch(string css, string name, string text) =>
        stage.Browser.ExecuteScript(
            """
            const [css, name, text] = arguments;
            const data = new DataTransfer();
            data.items.add(new File([text], name));
            const target = document.querySelector(css);
            for (const kind of ['dragenter', 'dragover', 'drop'])
              target.dispatchEvent(new DragEvent(kind, { bubbles: true, cancelable: true, dataTransfer: data }));
            """,
            css,
            name,
            text
        );

    [Fact] // A key that follows at once does not keep the focus on what was pressed: Enter would press that again.
    public void What_a_pointer_pressed_lets_go_though_a_key_follows_at_once()
    {
        stage.Open("/shapes");
        stage.Find("main button");
        var held = stage.Browser.ExecuteScript(
            """
            const button = document.querySelector('main button');
            const tell = (Kind, type, more) => button.dispatchEvent(new Kind(type, { bubbles: true, ...more }));
            tell(PointerEvent, 'pointerdown');
            button.focus();
            tell(PointerEvent, 'pointerup');
            tell(KeyboardEvent, 'keydown', { key: 'x' });
            return document.activeElement === button;
            """
        );
        Assert.Equal(true, held);
        Stage.WaitUntil(() => (bool)stage.Browser.ExecuteScript("return document.activeElement.localName === 'main'")!);
    }

    [Fact]
    public void After_the_fingerboard_was_pressed_the_arrows_walk_and_Esc_goes_back()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        stage.Press(Keys.ArrowRight + Keys.ArrowRight);
        var second = Stage.Wait(() => Now() is { Length: > 0 } id ? id : null);
        Click(Place("2-2"));
        Stage.WaitUntil(() => stage.Text("aside h2").StartsWith("B A string", StringComparison.Ordinal));
        stage.Press(Keys.Escape);
        Stage.WaitUntil(() => Now() == second);
        Click(Place("2-2"));
        Stage.WaitUntil(() => Now().Length == 0);
        stage.Press(Keys.ArrowRight);
        Stage.WaitUntil(() => Now().Length > 0 && Now() != second);
    }

    [Fact] // Whatever was clicked, the keys are the stand’s: 2 shows the viola and the arrows walk.
    public void After_a_click_on_any_control_the_keys_are_the_stands()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        Action[] clicks =
        [
            () => Click(stage.Button("Violin")),
            () => Click(stage.Button("Name")),
            () => Click(stage.Button("Name")),
            () =>
                Click(
                    Stage.Wait(() =>
                        stage.Browser.FindElements(By.CssSelector("[role=tab]")).FirstOrDefault(t => t.Text == "Form")
                    )
                ),
            () =>
                Click(
                    Stage.Wait(() =>
                        stage.Browser.FindElements(By.CssSelector("label")).FirstOrDefault(t => t.Text == "Clicks")
                    )
                ),
            () => Click(stage.Find("section[aria-label='Hear it'] input[type=range]")),
            () => Click(stage.Find("[data-line='1']")),
            () => Click(stage.Find("[data-testid=paper] h1")),
            () => Click(stage.Find("[data-label]")),
        ];
        foreach (var click in clicks)
        {
            click();
            Stage.WaitUntil(() => Focused() is "main" or "body");
            stage.Press(Keys.Home);
            Stage.WaitUntil(() =>
                Now() == (string)stage.Browser.ExecuteScript("return document.querySelector('g.note').id")!
            );
            var first = Now();
            stage.Press(Keys.ArrowRight);
            Stage.WaitUntil(() => Now() != first);
            stage.Press("2");
            Stage.WaitUntil(() => stage.Browser.Url.EndsWith("for=viola", StringComparison.Ordinal));
            stage.Press("1");
            Stage.WaitUntil(() => stage.Browser.Url.EndsWith("for=violin", StringComparison.Ordinal));
        }
    }

    [Fact] // By keyboard one goes from place to place, and every other key is still the stand’s.
    public void The_fingerboard_keeps_only_its_arrows()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        stage.Browser.ExecuteScript("document.querySelector('[data-place][tabindex=\"0\"]').focus()");
        stage.Press(Keys.ArrowDown + Keys.ArrowDown + Keys.Enter);
        Stage.WaitUntil(() => stage.Text("aside h2").StartsWith("E D string", StringComparison.Ordinal));
        stage.Press(Keys.Escape);
        Stage.WaitUntil(() => Now().Length > 0);
        stage.Press("3");
        Stage.WaitUntil(() => stage.Browser.Url.EndsWith("for=cello", StringComparison.Ordinal));
    }

    [Fact]
    public void What_vanishes_under_the_focus_hands_it_on()
    {
        stage.Open("/tunes");
        stage.TypeTune("");
        stage.Browser.ExecuteScript(
            "[...document.querySelectorAll('button')].find(b => b.textContent === 'Try the example').focus()"
        );
        stage.Press(Keys.Enter);
        Stage.WaitUntil(() =>
            stage.Find("textarea").GetAttribute("value")!.Contains("First Frost", StringComparison.Ordinal)
        );
        Assert.Equal("textarea", Focused());
        // A button that is switched off while it has the focus.
        stage.Open("/style");
        stage.Find("input[maxlength='80']").SendKeys("!");
        Stage.WaitUntil(() => stage.Button("Undo changes").Displayed);
        stage.Browser.ExecuteScript(
            "[...document.querySelectorAll('button')].find(b => b.textContent === 'Undo changes').focus()"
        );
        stage.Press(Keys.Enter);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.XPath("//button[.='Undo changes']")).Count == 0);
        Stage.WaitUntil(() => Focused() is not ("body" or ""));
    }

    [Fact] // Hands can tear the focus out of an open menu; Esc still closes it, and the keys are the screen’s.
    public void Esc_closes_a_menu_that_has_lost_the_focus()
    {
        stage.Open(Stage.Searching("The Ash Grove"));
        stage.Find("[aria-label='More for The Ash Grove']").Click();
        stage.Find("[role=menu]");
        stage.Browser.ExecuteScript("document.activeElement.blur()");
        stage.Press(Keys.Escape);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[role=menu]")).Count == 0);
        stage.Press("/");
        Stage.WaitUntil(() => (bool)stage.Browser.ExecuteScript("return document.activeElement.type === 'search'")!);
    }

    [Fact]
    public void A_screen_that_is_come_to_has_the_focus()
    {
        stage.Open("/tunes");
        stage.Find("[data-tune]");
        stage.Press(Keys.ArrowDown + Keys.ArrowDown + Keys.Enter);
        Stage.WaitUntil(() => stage.Labels().Length > 0);
        Stage.WaitUntil(() => Focused() == "main");
        stage.Press("w");
        Stage.WaitUntil(() => stage.Browser.Url.Contains("/print", StringComparison.Ordinal) && Focused() == "main");
        stage.Press(Keys.Escape);
        Stage.WaitUntil(() => !stage.Browser.Url.Contains("/print", StringComparison.Ordinal) && Focused() == "main");
    }

    [Fact] // A pin of the violin is not taken back while the cello is in view, and undo says what it has undone.
    public void Undo_undoes_what_is_seen_and_says_it()
    {
        stage.OpenTune("Harbour Lanterns", "violin");
        var before = stage.Labels();
        stage.Press(Keys.Home + "a");
        Stage.WaitUntil(() => !stage.Labels().SequenceEqual(before));
        var pinned = stage.Labels();
        stage.Press("3");
        Stage.WaitUntil(() => stage.Browser.Url.EndsWith("for=cello", StringComparison.Ordinal));
        stage.Press("u");
        Stage.WaitUntil(() =>
            Status()
                .Contains(
                    "Nothing was changed for the cello. The last change is for the violin: finger of A, pick-up.",
                    StringComparison.Ordinal
                )
        );
        stage.Press("1");
        Stage.WaitUntil(() => stage.Labels().SequenceEqual(pinned));
        stage.Press("u");
        Stage.WaitUntil(() => stage.Labels().SequenceEqual(before));
        Stage.WaitUntil(() => Status().Contains("Undone: finger of A, pick-up (violin).", StringComparison.Ordinal));
    }

    [Fact] // One player at most: two quick presses, another instrument, another screen end in one sound or in silence.
    public void Hear_it_is_one_sound_or_none()
    {
        long Watched(string what) => (long)stage.Browser.ExecuteScript($"return watched().{what}")!;
        void Silent() =>
            Stage.WaitUntil(() =>
                Watched("ahead") == 0 && stage.Browser.FindElements(By.XPath("//button[.='Stop']")).Count == 0
            );
        stage.WithScript(
            File.ReadAllText(Path.Combine(Lines.Root(), "tests/Browser/watch.js")),
            () =>
            {
                stage.OpenTune("Harbour Lanterns", "violin");
                new Actions(stage.Browser).MoveToElement(stage.Button("Hear it")).Click().Click().Perform();
                Silent();
                new Actions(stage.Browser).MoveToElement(stage.Button("Hear it")).Click().Click().Click().Perform();
                Stage.WaitUntil(() => Watched("sounding") == 1);
                stage.Press("2");
                Stage.WaitUntil(() => stage.Browser.Url.EndsWith("for=viola", StringComparison.Ordinal));
                Silent();
                stage.Press(" ");
                Stage.WaitUntil(() => Watched("sounding") == 1);
                stage.Find("a[href='/shapes']").Click();
                stage.Find("[data-label]");
                Stage.WaitUntil(() => Watched("devices") == 0 && Watched("ahead") == 0);
            }
        );
    }

    [Fact] // What is typed for a new tune outlives another screen, going back and loading anew.
    public void A_tune_that_is_being_typed_is_kept()
    {
        stage.Open("/tunes");
        stage.TypeTune("X:1\nT:Half Written\nK:D\nD E ");
        stage.Find("a[href='/shapes']").Click();
        stage.Find("[data-label]");
        stage.Browser.Navigate().Back();
        Stage.WaitUntil(() => stage.Find("textarea").GetAttribute("value") == "X:1\nT:Half Written\nK:D\nD E ");
        stage.Browser.Navigate().Refresh();
        Stage.WaitUntil(() => stage.Find("textarea").GetAttribute("value") == "X:1\nT:Half Written\nK:D\nD E ");
        stage.Button("Empty the field").Click();
        Stage.WaitUntil(() => stage.Find("textarea").GetAttribute("value") == "");
        stage.Button("Undo").Click();
        Stage.WaitUntil(() =>
            stage.Find("textarea").GetAttribute("value")!.Contains("Half Written", StringComparison.Ordinal)
        );
        stage.TypeTune("");
    }

    [Fact]
    public void An_edit_waits_until_it_is_saved_or_discarded()
    {
        var address = AddressOf("Bramble Lane");
        stage.Open(address);
        Stage.WaitUntil(() => stage.Labels().Length > 0);
        stage.Press("e");
        stage.Find("[role=dialog] input").SendKeys(" by night");
        stage.Press(Keys.Escape);
        Stage.WaitUntil(() => Status().Contains("are not saved; they wait in Edit", StringComparison.Ordinal));
        stage.Open("/taping");
        stage.Find("table");
        stage.Open(address);
        stage.Button("Edit (unsaved)").Click();
        Stage.WaitUntil(() => stage.Find("[role=dialog] input").GetAttribute("value") == "Bramble Lane by night");
        stage.Button("Discard my changes").Click();
        Stage.WaitUntil(() => stage.Find("[role=dialog] input").GetAttribute("value") == "Bramble Lane");
        stage.Button("Close").Click();
        stage.Button("Edit");
    }

    // The judgement of a text comes when it comes: a press before it is not lost, and a wrong text is not kept.
    [Theory]
    [InlineData("X:1\nT:Kept at Once\nK:D\nD E F G|]", true)]
    [InlineData("X:1\nT:Wrong at Once\nK:D\nD E [F", false)]
    public void A_tune_pasted_and_kept_in_one_breath(string text, bool isKept)
    {
        stage.WithScript(
            Stage.Holding(@"/tunes\/check$/.test(to)"),
            () =>
            {
                stage.KeepTune(text);
                if (isKept)
                {
                    Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D1 D2 D3");
                    return;
                }

                stage.Browser.ExecuteScript("letGo()");
                Stage.WaitUntil(() =>
                    stage
                        .Text("[aria-label='What cannot be read']")
                        .Contains("Line 4, column 5", StringComparison.Ordinal)
                );
                Assert.Equal(text, stage.Find("textarea").GetAttribute("value"));
                Assert.EndsWith("/tunes", stage.Browser.Url, StringComparison.Ordinal);
                Assert.True(stage.IsOff("Keep and open"));
            }
        );
    }

    [Fact] // Whoever keeps a text without looking how many tunes it holds loses none of them.
    public void The_other_tunes_of_a_text_wait_in_the_field()
    {
        const string text = "X:1\nT:First of Two\nK:D\nD E F G|]\n\nX:2\nT:Second of Two\nK:D\nG F E D|]";
        stage.KeepTune(text);
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D1 D2 D3");
        Assert.Contains("first of 2 tunes", stage.Text("[role=status]"), StringComparison.Ordinal);
        stage.Open("/tunes");
        Assert.Equal(text, stage.Find("textarea").GetAttribute("value"));
        stage.Button("Empty the field").Click();
    }

    [Fact] // What was left before it was there does not open afterwards, over the keys of the screen.
    public void Esc_takes_back_an_edit_that_has_not_opened_yet()
    {
        const string late = """
            const real = window.fetch; window.asked = 0;
            const held = new Promise((done) => (window.letGo = done));
            window.fetch = async (asked, ...rest) => {
              if (/tunes\/\d+$/.test(asked.url ?? asked)) { window.asked++; await held; window.asked = -1; }
              return real(asked, ...rest);
            };
            """;
        stage.WithScript(
            late,
            () =>
            {
                stage.Open(Stage.Searching("Bramble Lane"));
                stage.Menu("Bramble Lane", "Rename or edit");
                Stage.WaitUntil(() => (bool)stage.Browser.ExecuteScript("return window.asked > 0")!);
                stage.Press(Keys.Escape);
                stage.Browser.ExecuteAsyncScript("letGo(); setTimeout(arguments[0], 500)");
                Assert.Equal(true, stage.Browser.ExecuteScript("return window.asked < 0"));
                Assert.Empty(stage.Browser.FindElements(By.CssSelector("[role=dialog]")));
                stage.Press("/");
                Stage.WaitUntil(() =>
                    (bool)stage.Browser.ExecuteScript("return document.activeElement.type === 'search'")!
                );
            }
        );
    }

    // A draft outlives another style, another screen and loading anew; so does the name of a tape whose box was
    // cleared.
    [Fact]
    public void A_house_style_draft_waits_until_it_is_saved_or_undone()
    {
        stage.Open("/style");
        Stage.Retype(stage.Find("[aria-label='Violin: name of the tape at 2']"), "red");
        stage.Find("[aria-label='Violin: tape at 2 half steps']").Click();
        Stage.WaitUntil(() =>
            stage.Browser.FindElements(By.CssSelector("[aria-label='Violin: name of the tape at 2']")).Count == 0
        );
        stage.Find("a[href='/shapes']").Click();
        stage.Find("[data-label]");
        stage.Browser.Navigate().Back();
        stage.Browser.Navigate().Refresh();
        stage.Find("[aria-label='Violin: tape at 2 half steps']").Click();
        Stage.WaitUntil(() =>
            stage.Find("[aria-label='Violin: name of the tape at 2']").GetAttribute("value") == "red"
        );
        Stage.WaitUntil(() =>
            stage
                .Browser.FindElements(By.CssSelector("[role=radio]"))
                .Any(r => r.Text.EndsWith(", not saved", StringComparison.Ordinal))
        );
        stage.Button("Undo changes").Click();
        Stage.WaitUntil(() =>
            stage.Find("[aria-label='Violin: name of the tape at 2']").GetAttribute("value") != "red"
        );
        stage.Button("Bring my changes back").Click();
        Stage.WaitUntil(() =>
            stage.Find("[aria-label='Violin: name of the tape at 2']").GetAttribute("value") == "red"
        );
        stage.Button("Undo changes").Click();
    }

    [Fact] // What is changed while a style is being saved is a change of the saved one.
    public void A_name_typed_while_its_style_is_saved_stays()
    {
        stage.WithScript(
            Stage.Holding(@"asked.method !== 'GET' && /styles(.\d+)?$/.test(to)"),
            () =>
            {
                stage.Open("/style");
                IWebElement Name() => stage.Find("input[maxlength='80']");
                Stage.Retype(Name(), "Monday");
                stage.Button("Save").Click();
                Stage.WaitUntil(() => stage.Browser.ExecuteScript("return isAsked") is true);
                Name().SendKeys(" and Friday");
                stage.Browser.ExecuteScript("letGo()");
                Stage.WaitUntil(() => Status().Contains("“Monday” is saved", StringComparison.Ordinal));
                Stage.WaitUntil(() => Name().GetAttribute("value") == "Monday and Friday");
                stage.Button("Undo changes").Click();
                Stage.WaitUntil(() => Name().GetAttribute("value") == "Monday");
            }
        );
    }

    [Fact] // A second deletion does not take away the first one’s way back.
    public void Both_of_two_deleted_tunes_come_back()
    {
        stage.Open("/tunes");
        string[] titles = ["Moth and Candle", "Walking to the Weir"];
        foreach (var title in titles)
        {
            Stage.Retype(stage.Find("input[type=search]"), title);
            Stage.WaitUntil(() =>
                stage.Listed(title) && stage.Text("[data-tune]").StartsWith(title, StringComparison.Ordinal)
            );
            stage.Menu(title, "Delete");
            Stage.WaitUntil(() => !stage.Listed(title));
        }

        Stage.WaitUntil(() => stage.Browser.FindElements(By.XPath("//*[@role='status']//button[.='Undo']")).Count == 2);
        stage.Open("/tunes"); // the messages are gone, the list is not
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.TagName("button"))
                    .FirstOrDefault(b => b.Text.StartsWith("Deleted:", StringComparison.Ordinal))
            )
            .Click();
        foreach (var title in titles)
        {
            // Off while the one before is still on its way.
            stage.Find($"[aria-label='Bring back {title}']:enabled").Click();
            Stage.WaitUntil(() =>
                stage.Browser.FindElements(By.CssSelector($"[aria-label='Bring back {title}']")).Count == 0
            );
        }

        stage.Press(Keys.Escape);
        foreach (var title in titles)
        {
            // Of a long list only what is in view is drawn.
            Stage.Retype(stage.Find("input[type=search]"), title);
            Stage.WaitUntil(() => stage.Listed(title));
        }
    }

    [Fact] // A message belongs to its own file: nothing that was said of the last one stands beside it.
    public void A_new_file_sweeps_away_what_was_said_of_the_last()
    {
        stage.Open("/tunes");
        stage.TypeTune("");
        Dispatch("h1", "first.abc", "X:1\nK:D\nD [E");
        Stage.WaitUntil(() =>
            stage.Text("[aria-label='What cannot be read']").StartsWith("Line 3, column 3", StringComparison.Ordinal)
        );
        Assert.Contains("from “first.abc”", stage.Text("#add"), StringComparison.Ordinal);
        Dispatch("h1", "second.mxl", "PK this is no archive");
        Stage.WaitUntil(() => stage.Text("#add [role=alert]").StartsWith("“second.mxl”:", StringComparison.Ordinal));
        Assert.Empty(stage.Browser.FindElements(By.CssSelector("[aria-label='What cannot be read']")));
        Assert.Equal("", stage.Find("textarea").GetAttribute("value"));
        stage.Find("textarea").SendKeys("X");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("#add [role=alert]")).Count == 0);
        stage.TypeTune("");
    }

    [Fact] // A file that cannot be read never takes the place of what was typed.
    public void A_typed_text_is_put_aside_for_a_files_and_comes_back()
    {
        stage.Open("/tunes");
        stage.TypeTune("X:1\nT:My own\n");
        Dispatch("#add", "bad.abc", "X:1\nK:D\nD [E");
        Stage.WaitUntil(() => stage.Find("textarea").GetAttribute("value")!.Contains('[', StringComparison.Ordinal));
        stage.Button("Bring it back").Click();
        Stage.WaitUntil(() => stage.Find("textarea").GetAttribute("value") == "X:1\nT:My own\n");
        stage.TypeTune("");
    }

    [Theory]
    [InlineData("[data-tune]")]
    [InlineData("header")]
    [InlineData("input[type=search]")]
    [InlineData("textarea")]
    public void A_file_dropped_anywhere_on_Tunes_is_added(string where)
    {
        stage.Open("/tunes");
        stage.Find("[data-tune]");
        stage.TypeTune("");
        Dispatch(where, "dropped.abc", "X:1\nT:Dropped Feather\nM:2/4\nL:1/4\nK:D\nD E|F G|]");
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D1 D2 D3");
    }

    [Fact]
    public void Several_files_are_added_at_once_and_the_bad_one_is_named()
    {
        stage.Open("/tunes");
        stage.Find("[data-tune]");
        stage.Browser.ExecuteScript(
            """
            const data = new DataTransfer();
            for (const [name, note] of [['one.abc', 'D'], ['two.abc', '?'], ['three.abc', 'E']])
              data.items.add(new File([`X:1\nT:Of Three ${name}\nK:D\n${note}|]`], name));
            document.body.dispatchEvent(new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer: data }));
            """
        );
        Stage.WaitUntil(() => Status().Contains("2 of 3 files are in the list.", StringComparison.Ordinal));
        Stage.WaitUntil(() =>
            stage
                .Text("#add [role=alert]")
                .StartsWith("“two.abc”: line 4, column 1: there are no notes", StringComparison.Ordinal)
        );
        Stage.Retype(stage.Find("input[type=search]"), "Of Three");
        Stage.WaitUntil(() =>
            stage
                .Browser.FindElements(By.CssSelector("[data-tune]"))
                .Count(t => t.Text.StartsWith("Of Three", StringComparison.Ordinal)) == 2
        );
    }

    [Theory] // Nowhere does the browser leave Coppia for a file or a link that was dropped.
    [InlineData("/shapes?for=violin", "[data-label]")]
    [InlineData("/style", "[data-example]")]
    [InlineData("/taping", "table")]
    [InlineData("/shapes/all", "svg[role=img]")]
    public void A_drop_elsewhere_is_caught(string path, string ready)
    {
        stage.Open(path);
        stage.Find(ready);
        stage.Find("h1");
        var caught = stage.Browser.ExecuteScript(
            """
            const file = new DataTransfer();
            file.items.add(new File(['X:1'], 'a.abc'));
            const link = new DataTransfer();
            link.setData('text/uri-list', 'http://127.0.0.1/');
            return [file, link].every((data) => ['dragover', 'drop'].every((kind) =>
              !document.querySelector('h1').dispatchEvent(new DragEvent(kind, { bubbles: true, cancelable: true,
                dataTransfer: data }))));
            """
        );
        Assert.Equal(true, caught);
        if (stage.Browser.FindElements(By.CssSelector("header")).Count > 0)
            Stage.WaitUntil(() => Status().Contains("drop the file there", StringComparison.Ordinal));
    }

    /// <summary>
    /// Answers requests whose address holds some words with a fault of the server, as long as the page’s <c>fails</c>
    /// is true.
    /// </summary>
    private static string Failing(string words) =>
        $$"""
            const real = window.fetch; window.fails = true;
            window.fetch = (asked, ...rest) => window.fails && (asked.url ?? asked).includes('{{words}}')
              ? Promise.resolve(new Response(JSON.stringify({ title: 'Something went wrong in Coppia.' }),
                  { status: 500, headers: { 'Content-Type': 'application/problem+json' } }))
              : real(asked, ...rest);
            """;

    // A tune that exists is never called "not here": the fault is named, the text can be copied, and there is a way on.
    [Fact]
    public void A_failure_says_so_keeps_the_text_and_offers_a_way_on()
    {
        var address = AddressOf("The Tin Ferry");
        stage.WithScript(
            Failing("/reading"),
            () =>
            {
                stage.Open(address);
                Stage.WaitUntil(() => stage.Text("h1") == "“The Tin Ferry” cannot be shown");
                Assert.Equal("Something went wrong in Coppia.", stage.Text("[role=alert]"));
                Assert.Contains(
                    "T:The Tin Ferry",
                    stage.Find("textarea[readonly]").GetAttribute("value")!,
                    StringComparison.Ordinal
                );
                stage.Button("Edit").Click();
                stage.Find("[role=dialog] textarea");
                stage.Press(Keys.Escape);
                Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[role=dialog]")).Count == 0);
                stage.Browser.ExecuteScript("window.fails = false");
                stage.Button("Try again").Click();
                Stage.WaitUntil(() => stage.Labels().Length > 0);
            }
        );
    }

    [Fact] // A fault while a screen is drawn takes that screen only, and not the tune’s text.
    public void A_screen_that_cannot_be_drawn_says_so()
    {
        var address = AddressOf("The Tin Ferry");
        stage.WithScript(
            """
            const real = window.fetch; window.fails = true;
            window.fetch = (asked, ...rest) => window.fails && (asked.url ?? asked).includes('/reading')
              ? Promise.resolve(new Response('{"notes":[{}]}', { headers: { 'Content-Type': 'application/json' }
                })) : real(asked, ...rest);
            """,
            () =>
            {
                stage.Open(address);
                Stage.WaitUntil(() => stage.Text("h1") == "Coppia failed here");
                Stage.WaitUntil(() =>
                    stage
                        .Find("textarea[readonly]")
                        .GetAttribute("value")!
                        .Contains("T:The Tin Ferry", StringComparison.Ordinal)
                );
                stage.Find("main a[href='/tunes']").Click();
                stage.Find("[data-tune]");
            }
        );
    }

    [Fact]
    public void A_tune_with_an_instrument_that_there_is_not_is_shown_for_its_own()
    {
        stage.Open(AddressOf("Night Train over the Marsh") + "?for=theorbo");
        Stage.WaitUntil(() => stage.Labels().Length > 0);
        Assert.Equal("true", stage.Button("Cello").GetAttribute("aria-checked"));
        stage.Open(AddressOf("Night Train over the Marsh") + "/print?for=theorbo");
        Stage.WaitUntil(() => stage.Text(".sheets").Contains("For cello", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(
        "thirty",
        "“thirty” is no length; expected millimetres from the nut to the bridge as a number, such as 328 or 328.5."
    )]
    [InlineData(
        "1e9",
        "“1e9” is no length; expected millimetres from the nut to the bridge as a number, such as 328 or 328.5."
    )]
    [InlineData(
        "-1",
        "“-1” is no length; expected millimetres from the nut to the bridge as a number, such as 328 or 328.5."
    )]
    [InlineData("0", "The string length must be 150 to 1300 mm, measured from the nut to the bridge.")]
    [InlineData("1000000000", "The string length must be 150 to 1300 mm, measured from the nut to the bridge.")]
    public void A_length_that_is_none_is_said_and_cannot_be_printed(string typed, string said)
    {
        stage.Open("/taping");
        var field = stage.Find("input[inputmode=decimal]");
        Stage.Retype(field, typed);
        Stage.WaitUntil(() => stage.Text("[role=alert]") == said);
        Assert.True(stage.IsOff("Print, or save as PDF"));
        Assert.Empty(stage.Browser.FindElements(By.CssSelector("table, [data-strip]")));
        Assert.DoesNotContain("NaN", stage.Text("main"), StringComparison.Ordinal);
        Stage.Retype(stage.Find("input[inputmode=decimal]"), "");
        stage.Find("table");
    }

    // A whole step lies at 1 − 2^(−2/12) of the string (equal temperament): of 330.5 mm at 36.06, to half a millimetre
    // 36.
    [Theory]
    [InlineData("330.5")]
    [InlineData("330,5")]
    public void Commas_and_points_are_both_lengths(string typed)
    {
        stage.Open("/taping");
        var field = stage.Find("input[inputmode=decimal]");
        Stage.Retype(field, typed);
        Stage.WaitUntil(() => stage.Text("main").Contains("string length 330.5 mm", StringComparison.Ordinal));
        Stage.WaitUntil(() => stage.Text("tbody tr").EndsWith("36.0 mm", StringComparison.Ordinal));
        Stage.Retype(field, "");
    }
}
