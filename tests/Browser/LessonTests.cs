using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using UglyToad.PdfPig;

namespace Coppia.Tests;

/// <summary>
/// Monday's lesson: one tune for all sections, the caller, the run-sheet. Source: craft 11, 16 and 21. How large
/// letters must be to be read from the back of a room is common practice: a seventieth of a tenth of the distance, 67
/// mm for ten metres; a classroom's picture is about 1.6 m high, so that they need 4 % of its height.
/// </summary>
[Collection(nameof(OnPaper))]
public class LessonTests(Stage stage)
{
    private const double LeastLetter = 0.04;

    /// <summary>Height of a capital against the size of the type (both faces, measured).</summary>
    private const double Capital = 0.66;

    private static string[] Strings(object of) => [.. ((IReadOnlyCollection<object>)of).Select(o => (string)o)];

    private string[] Each(string css) =>
        Strings(
            stage.Browser.ExecuteScript(
                "return [...document.querySelectorAll(arguments[0])].map((e) => (e.innerText ?? e.textContent).trim())",
                css
            )!
        );

    private string One(string testId) => Each($"[data-testid={testId}]").FirstOrDefault("");

    private void ForTheClass()
    {
        stage.Open("/tunes");
        stage.Browser.ExecuteScript("localStorage.setItem('coppia.kept.class', '1')");
    }

    private string TuneId(string title)
    {
        stage.OpenTune(title, "violin");
        return stage.Browser.Url.Split("/tunes/")[1].Split('?', '/')[0];
    }

    private PdfDocument Printed()
    {
        var printed =
            (Dictionary<string, object>)
                stage.Browser.ExecuteCdpCommand(
                    "Page.printToPDF",
                    new() { ["preferCSSPageSize"] = true, ["printBackground"] = true }
                )!;
        return PdfDocument.Open(Convert.FromBase64String((string)printed["data"]!));
    }

    private static string Words(PdfDocument pdf) =>
        string.Join(' ', pdf.GetPages().SelectMany(p => p.GetWords()).Select(w => w.Text));

    [Fact]
    public void Key_five_shows_what_every_section_plays_and_what_is_called()
    {
        ForTheClass();
        stage.OpenTune("First Frost", "violin");
        stage.Press("5");
        Stage.WaitUntil(() => stage.Labels().Length == 4 * 25);
        // Rows section by section; the first bar of each.
        Assert.Equal(["D0", "D1", "D2", "D3"], stage.Labels()[..4]);
        Assert.Equal(["D0", "D1", "D4", "G0"], stage.Labels()[75..79]);
        stage.Press(Keys.ArrowRight + Keys.ArrowRight + Keys.ArrowRight);
        Stage.WaitUntil(() =>
            One("call").Contains("violins and violas 3 on D, cellos 4 on D, basses open G", StringComparison.Ordinal)
        );
        Assert.Contains("keep 3 down", One("call"), StringComparison.Ordinal);
        Assert.Contains(
            "Basses open G in bars 1 and 3, where the others finger.",
            stage.Text("aside"),
            StringComparison.Ordinal
        );
        // The note that one stands on is marked in all four rows.
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("g.row.is-now [data-label]")).Count == 4);

        stage.Press("g");
        Stage.WaitUntil(() =>
            stage.Browser.FindElements(By.CssSelector("g.measure:first-of-type > g.staff")).Count >= 4
        );
        Stage.WaitUntil(() => stage.Labels().Length == 4 * 25);
        Assert.Equal(["Violin", "Viola", "Cello", "Double bass"], Each("text.row-label")[..4]);
        stage.Press("g");
        Stage.WaitUntil(() => Each("text.row-label").Length > 0);
        stage.Press("4");
        Stage.WaitUntil(() => stage.Browser.Url.EndsWith("for=bass", StringComparison.Ordinal));
    }

    [Fact]
    public void The_key_that_fits_all_is_one_press_and_can_be_taken_back()
    {
        ForTheClass();
        stage.OpenKept("X:1\nT:Too High for All\nM:4/4\nL:1/4\nK:D\nd2 f2|e2 c2|B2 A2|F2 D2|]");
        Stage.WaitUntil(() => stage.Labels().Length > 0);
        stage.Press("5");
        stage.Button("Weigh the keys").Click();
        var best = Stage.Wait(() => stage.Browser.FindElements(By.CssSelector("aside ol li")).FirstOrDefault());
        Assert.Contains("fits best", best.Text, StringComparison.Ordinal);
        best.FindElement(By.TagName("button")).Click();
        Stage.WaitUntil(() => stage.Text("h1").StartsWith("Too High for All (", StringComparison.Ordinal));
        Assert.Empty(stage.Browser.FindElements(By.CssSelector("[aria-label='Out of reach']")));
        stage.MessageUndo().Click();
        Stage.WaitUntil(() => stage.Text("h1") == "Too High for All");
        Assert.NotEmpty(stage.Browser.FindElements(By.CssSelector("[aria-label='Out of reach']")));
    }

    // Craft 16: each learner takes the top or the bottom line. The lowest A of the top is open; the first below is an
    // open D.
    [Fact]
    public void A_duet_goes_by_who_sits_where()
    {
        ForTheClass();
        stage.KeepTune(
            "X:1\nT:Two at a Stand\nM:4/4\nL:1/4\nK:D\nV:1 name=\"Top\"\nV:2 name=\"Bottom\"\n[V:1]A2 "
                + "B2|A4|]\n[V:2]D E F2|D4|]"
        );
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "A0 A1 A0");
        // A score of two lines asks at once which is for whom.
        stage.Find("[role=dialog] details summary").Click();
        var line = stage.Find("[role=dialog] details select");
        Assert.StartsWith("Line for ", line.GetAttribute("aria-label"), StringComparison.Ordinal);
        line.FindElements(By.TagName("option")).Single(o => o.Text == "Bottom").Click();
        Stage.WaitUntil(() => Each("[role=status]").Any(t => t.Contains(": Bottom.", StringComparison.Ordinal)));
        Assert.Empty(stage.Findings());
        stage.Button("Done").Click();
        stage.Press("5");
        Stage.WaitUntil(() => One("call").Contains("violins (Bottom) open D", StringComparison.Ordinal));
        Assert.Contains("violins (Top)", One("call"), StringComparison.Ordinal);
    }

    [Fact]
    public void The_call_sheet_goes_on_paper()
    {
        ForTheClass();
        stage.Open($"/tunes/{TuneId("First Frost")}/calls");
        stage.Find("[data-testid=call-sheet] tbody");
        using var pdf = Printed();
        var words = Words(pdf);
        Assert.Equal(1, pdf.NumberOfPages);
        Assert.Contains("violins and violas 3 on D, cellos 4 on D, basses open G", words, StringComparison.Ordinal);
        Assert.Contains("A × 3", words, StringComparison.Ordinal);
        // Fewer sections, other calls.
        stage.Browser.FindElements(By.CssSelector("label")).First(l => l.Text == "Viola").Click();
        Stage.WaitUntil(() => One("call-sheet").Contains("violins 3 on D, cellos 4 on D", StringComparison.Ordinal));
    }

    [Fact]
    public void The_caller_is_read_from_ten_metres_and_moves_when_it_is_told()
    {
        ForTheClass();
        var id = TuneId("First Frost");
        stage.SetViewport(1920, 1080);
        try
        {
            stage.Open($"/tunes/{id}/caller");
            Stage.WaitUntil(() => One("name") == "D");
            foreach (
                var css in new[]
                {
                    "[data-testid=name]",
                    "[data-testid=pair]",
                    "[data-testid=next-pair]",
                    "[data-testid=next-name]",
                    "[data-testid=line]",
                    "dt",
                }
            )
            {
                var size = Convert.ToDouble(
                    stage.Browser.ExecuteScript(
                        "return Math.min(...[...document.querySelectorAll(arguments[0])].filter((e) => "
                            + "e.innerText).map((e) => parseFloat(getComputedStyle(e).fontSize)))",
                        css
                    ),
                    CultureInfo.InvariantCulture
                );
                Assert.True(size * Capital >= LeastLetter * 1080, $"{css}: {size} px");
            }

            // What is said next to what comes next.
            Assert.Equal(["D0", "D0", "D0", "D0"], Each("[data-testid=pair]"));
            Assert.Equal(["D1", "D1", "D1", "D1"], Each("[data-testid=next-pair]"));
            Assert.Equal("down", stage.Find("[data-testid=bow]").GetAttribute("data-bow"));
            Assert.StartsWith("Line 1", One("line"), StringComparison.Ordinal);
            // Nothing moves by itself.
            Thread.Sleep(1200);
            Assert.Equal("D", One("name"));
            stage.Press(Keys.ArrowRight);
            stage.Find("[data-testid=board]").Click();
            stage.Press(Keys.ArrowRight);
            Assert.Equal(["D3", "D3", "D4", "G0"], Each("[data-testid=pair]"));
            Assert.Equal(["A0", "A0", "A0", "G1"], Each("[data-testid=next-pair]"));
            // After its last note, 12 in the first, the line comes again in the next way; the next line is a key away.
            stage.Press(string.Concat(Enumerable.Repeat(Keys.ArrowRight, 9)));
            Assert.Equal(("D", "Finger it"), (One("name"), One("pass")));
            Assert.StartsWith("Line 1", One("line"), StringComparison.Ordinal);
            stage.Press(Keys.ArrowDown);
            Assert.StartsWith("Line 2", One("line"), StringComparison.Ordinal);
        }
        finally
        {
            stage.SetViewport(1280, 800);
        }
    }

    [Fact] // A bar of four quarters four times: say it, finger it, pluck it, bow it, with a bar counted in before each.
    public void The_metronome_goes_through_the_four_ways_and_stops()
    {
        ForTheClass();
        stage.Open($"/tunes/{TuneId("First Frost")}/caller?tempo=200&bars=0-1");
        Stage.WaitUntil(() => One("name") == "D");
        stage.Browser.ExecuteScript(
            """
            window.seen = []
            const look = () => {
              const now = ['pass', 'name'].map((id) =>
                document.querySelector(`[data-testid=${id}]`).innerText.trim()).join(' ')
              if (seen.at(-1) !== now) seen.push(now)
            }
            new MutationObserver(look).observe(document.querySelector('[data-testid=board]'), { subtree: true,
              childList: true, characterData: true })
            """
        );
        stage.Button("All four ways").Click();
        Stage.WaitUntil(() => stage.Browser.FindElements(By.XPath("//button[normalize-space()='Stop']")).Count > 0);
        Stage.WaitUntil(() => stage.Browser.FindElements(By.XPath("//button[normalize-space()='Start']")).Count > 0);
        var seen = Strings(stage.Browser.ExecuteScript("return window.seen")!);
        string[] ways = ["Say it", "Finger it", "Pluck it", "Bow it"];
        // A machine that is busy for longer than a beat passes one over, as a metronome must; none comes out of its
        // order, or twice.
        string[] steps = [.. ways.SelectMany(w => new[] { "D", "E", "F♯", "G" }.Select(n => $"{w} {n}"))];
        int[] order = [.. seen.SkipWhile(s => s == "Say it D").Select(s => Array.IndexOf(steps, s))];
        Assert.Equal(order.Where(at => at > 0).Distinct().Order(), order);
        Assert.Equal(ways, order.Select(at => ways[at / 4]).Prepend(ways[0]).Distinct());
    }

    [Fact]
    public void A_lesson_is_planned_changed_ticked_and_kept()
    {
        ForTheClass();
        stage.Open("/lesson");
        stage.Button("Plan a lesson").Click();
        Stage.WaitUntil(() => Titles().Length > 10);
        Assert.Equal("Tune the strings", Titles()[0]);
        Assert.Contains("Three Grey Geese, line 1", Titles());
        Assert.Equal("What to practise at home", Titles()[^1]);
        // What, how fast, by when: as it is set.
        Stage.WaitUntil(() =>
            stage
                .Find("[data-step]:last-child")
                .Text.Contains("Three Grey Geese to 66, about three minutes a day, by ", StringComparison.Ordinal)
        );

        // Left out, it waits; put back, it comes before what is for home; taken back, it is where it was.
        var before = Titles();
        More("Hand shapes of G major", "Leave out");
        Stage.WaitUntil(() => !Titles().Contains("Hand shapes of G major"));
        stage.Button("Put back").Click();
        Stage.WaitUntil(() => Titles()[^2] == "Hand shapes of G major");
        stage.Button("Undo").Click();
        Stage.WaitUntil(() => !Titles().Contains("Hand shapes of G major"));
        stage.Button("Undo").Click();
        Stage.WaitUntil(() => Titles().SequenceEqual(before));
        // From the keyboard: made again, and taken back.
        new Actions(stage.Browser)
            .KeyDown(Keys.Shift)
            .SendKeys("u")
            .KeyUp(Keys.Shift)
            .Perform();
        Stage.WaitUntil(() => !Titles().Contains("Hand shapes of G major"));
        new Actions(stage.Browser).KeyDown(Keys.Control).SendKeys("z").KeyUp(Keys.Control).Perform();
        Stage.WaitUntil(() => Titles().SequenceEqual(before));
        // Dragged before the first with the mouse, and by the menu back again.
        Drag(PointerKind.Mouse, from: 2, to: 0);
        Stage.WaitUntil(() => Titles()[0] == before[2]);
        More(before[2], "Later");
        Stage.WaitUntil(() => Titles()[1] == before[2]);
        // With a finger to its old place, and from the keyboard there and back.
        Drag(PointerKind.Touch, from: 1, to: 2);
        Stage.WaitUntil(() => Titles().SequenceEqual(before));
        stage.Press(Keys.Shift); // the keyboard is at hand again
        stage.Find($"[aria-label='Move {before[2]}']").SendKeys(" ");
        Stage.WaitUntil(() => Spoken().Contains($"{before[2]} would come to place 3 of ", StringComparison.Ordinal));
        stage.Press(Keys.ArrowUp);
        Stage.WaitUntil(() => Spoken().Contains("would come to place 2 of ", StringComparison.Ordinal));
        stage.Press(" ");
        Stage.WaitUntil(() => Titles()[1] == before[2]);
        stage.Button("Undo").Click();
        Stage.WaitUntil(() => Titles().SequenceEqual(before));

        // A step of one's own with minutes of its own.
        Stage.Retype(stage.Find("input[maxlength='200']"), "Birthday song");
        stage.Button("Add it").Click();
        Stage.WaitUntil(() => Titles()[^2] == "Birthday song");
        // Out of the network's reach it waits on the page, and is kept once there is one.
        stage.WithoutNetwork(() =>
        {
            stage.Find("[aria-label='Reached: Tune the strings']").Click();
            Stage.WaitUntil(() =>
                stage.Text("main").Contains("Your changes wait on this page", StringComparison.Ordinal)
            );
            More("Birthday song", "Earlier");
            Stage.WaitUntil(() => Titles()[^3] == "Birthday song");
            Assert.True(stage.Find("[aria-label='Reached: Tune the strings']").Selected);
        });
        Stage.WaitUntil(() => !stage.Text("main").Contains("Your changes wait", StringComparison.Ordinal));
        Stage.WaitUntil(() => Each("[data-testid=saving]").Length == 0);
        stage.Browser.Navigate().Refresh();
        Stage.WaitUntil(() => Titles() is [.., "Birthday song", _, _]);
        Assert.True(stage.Find("[aria-label='Reached: Tune the strings']").Selected);

        // Twice as often takes longer: 5 ways × 2 bars' line; the total follows.
        var total = stage.Text("[aria-live=polite] b");
        var repeats = stage.Find("[aria-label='Repeats of Three Grey Geese, line 1']");
        Stage.Retype(repeats, "9" + Keys.Enter);
        Stage.WaitUntil(() => stage.Text("[aria-live=polite] b") != total);
        // Too long for ten minutes: it says so, and what could wait; nothing is gone.
        var count = Titles().Length;
        var minutes = stage.Find("input[type=number][max='240'][min='5']");
        Stage.Retype(minutes, "10" + Keys.Tab);
        Stage.WaitUntil(() => stage.Text("main").Contains("too long", StringComparison.Ordinal));
        Assert.Equal(count, Titles().Length);

        stage.Find("[aria-label='Reached: Three Grey Geese, line 1']").Click();
        stage.Find("[aria-label='Reached: Three Grey Geese, whole, at its tempo']").Click();
        stage.Button("Keep as taught").Click();
        Stage.WaitUntil(() => stage.Text("main").Contains("Kept as taught", StringComparison.Ordinal));
        Stage.WaitUntil(() => Each("[data-testid=saving]").Length == 0);
        stage.Button("Mark it as learned …").Click();
        stage.Find("[role=dialog]");
        stage.Press(Keys.Escape);

        stage.Open(new Uri(stage.Browser.Url).AbsolutePath + "/print");
        stage.Find("[data-testid=run-sheet] tr");
        using (var pdf = Printed())
        {
            Assert.Equal(1, pdf.NumberOfPages);
            Assert.Contains("Birthday song", Words(pdf), StringComparison.Ordinal);
        }

        stage.Open(
            new Uri(stage.Browser.Url).AbsolutePath.Replace("/print", "/missed", StringComparison.Ordinal) + "?for=bass"
        );
        Stage.WaitUntil(() => stage.Labels().Length > 0);
        Assert.Equal("G0", stage.Labels()[0]);
        Assert.DoesNotContain("violin", stage.Text("[data-testid=missed]"), StringComparison.OrdinalIgnoreCase);

        // Next week: what was reached is known.
        stage.Open("/lesson");
        stage.Button("Plan a lesson").Click();
        Stage.WaitUntil(() => Titles().Length > 10);
        Assert.Contains(
            "known",
            stage
                .Browser.FindElements(By.CssSelector("[data-step]"))
                .First(r => r.Text.Contains("Geese, line 1", StringComparison.Ordinal))
                .Text,
            StringComparison.Ordinal
        );

        // Whatever the screens were for before, a step opens for the lesson's class.
        stage.Browser.ExecuteScript("localStorage.setItem('coppia.kept.class', '0')");
        stage.Open(new Uri(stage.Browser.Url).AbsolutePath);
        stage.Find("[data-step] a[href$='/2?for=all']").Click();
        Stage.WaitUntil(() => stage.Text("main").Contains("All of Weir strings, year 1", StringComparison.Ordinal));
    }

    private string[] Titles() =>
        Strings(
            stage.Browser.ExecuteScript(
                "return [...document.querySelectorAll('[data-step] p:first-of-type')].map((e) => "
                    + "e.firstChild.textContent)"
            )!
        );

    /// <summary>Drags a step by its handle over another.</summary>
    private void Drag(PointerKind kind, int from, int to)
    {
        var handles = stage.Browser.FindElements(By.CssSelector("[data-step] [aria-label^='Move ']"));
        var hand = new PointerInputDevice(kind);
        var way = new ActionBuilder()
            .AddAction(hand.CreatePointerMove(handles[from], 0, 0, TimeSpan.Zero))
            .AddAction(hand.CreatePointerDown(MouseButton.Left))
            .AddAction(hand.CreatePointerMove(handles[from], 0, to < from ? -10 : 10, TimeSpan.FromMilliseconds(80)))
            .AddAction(hand.CreatePointerMove(handles[to], 0, 0, TimeSpan.FromMilliseconds(200)))
            .AddAction(hand.CreatePointerUp(MouseButton.Left));
        stage.Browser.PerformActions(way.ToActionSequenceList());
    }

    /// <summary>What a screen reader was told last of something that is moved.</summary>
    private string Spoken() =>
        (string)stage.Browser.ExecuteScript("return document.querySelector('[id^=DndLiveRegion]')?.textContent ?? ''")!;

    private void More(string title, string choice) =>
        Stage.WaitUntil(() =>
        {
            if (stage.Browser.FindElements(By.CssSelector("[role=menu]")).Count == 0)
                stage.Find($"[aria-label='More for {title}']").Click();
            var found = stage
                .Browser.FindElements(By.CssSelector("[role=menuitem]"))
                .FirstOrDefault(e => e.Text == choice);
            found?.Click();
            return found is not null;
        });

    [Fact] // The player that ships with the program stands in for a child with an instrument.
    public void The_tuner_says_what_it_hears_and_never_a_score()
    {
        ForTheClass();
        stage.Open("/tuning");
        Stage.WaitUntil(() => Each("ol[aria-label=Order] li").Length == 9);
        Assert.StartsWith("1.", Each("ol[aria-label=Order] li")[0], StringComparison.Ordinal);
        Assert.Equal("Nobody is listening.", One("heard"));
        stage.Button("Listen to me");
        foreach (
            var (plays, place, heard) in new[]
            {
                ("in tune", false, "A is in tune."),
                ("a little low", false, "A is a little low."),
                ("on a wrong string", false, "This is the E string; A is asked for."),
                ("an octave too high", false, "This is A an octave too high: look for the lower one."),
                ("not at all", false, "Play a long A."),
                ("with noise only", false, "No clear tone: a long bow, and quiet in the room."),
                // C♯ on the A string lies on the second tape.
                ("with a finger, a little low", true, "On tape 2, a little low."),
            }
        )
        {
            var option = stage
                .Browser.FindElements(By.TagName("option"))
                .First(o => o.Text == $"a player who plays {plays}");
            option.Click();
            if (place)
                stage.Button("Where is my finger?").Click();
            if (stage.Browser.FindElements(By.XPath("//button[normalize-space()='Stop listening']")).Count == 0)
                stage.Button("Listen to me").Click();
            Stage.WaitUntil(() => One("heard") == heard, $"{plays}: {heard}, not {One("heard")}");
        }

        // Another A moves all strings.
        Stage.Retype(stage.Find("[aria-label='Frequency of A, in hertz']"), "442" + Keys.Tab);
        Stage.WaitUntil(() =>
            stage.Text("[aria-label=Strings] button[aria-pressed=true]").Contains("442.0", StringComparison.Ordinal)
        );
        Stage.Retype(stage.Find("[aria-label='Frequency of A, in hertz']"), "440" + Keys.Tab);
    }

    // A4 is 440 Hz (ISO 16), E5 seven tempered half steps above; the tone is a sawtooth's, as a bow makes it (Helmholtz
    // 1863).
    [Theory]
    [InlineData(440.0, 0, "A is in tune.")]
    [InlineData(440.0, -25, "A is a little low.")]
    [InlineData(659.255, 0, "This is the E string; A is asked for.")]
    public void The_microphone_hears_what_sounds_in_the_room(double hz, double cents, string heard)
    {
        stage.Room.Sounds(hz * Math.Pow(2, cents / 1200));
        stage.Open("/tuning");
        stage.Button("Listen to me").Click();
        Stage.WaitUntil(() => One("heard") == heard, $"{heard}, not {One("heard")}");
        stage.Button("Stop listening").Click();
    }

    [Fact]
    public void A_learner_climbs_the_ladder_of_a_trouble_spot()
    {
        ForTheClass();
        stage.Open($"/tunes/{TuneId("Three Grey Geese")}/ladders?for=cello");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-testid=ladder]")).Count == 3);
        Stage.WaitUntil(() => stage.Labels().Length > 20);
        // Bar 7 on the cello: E is 1 on D, G is 4, so 2, 3 and 4 come down at once; open D stands before them.
        Assert.Equal(["D1", "D4", "D0", "D1", "D4"], stage.Labels()[..5]);
        using var pdf = Printed();
        Assert.Contains("Two bars, bars 7 and 8", Words(pdf), StringComparison.Ordinal);
    }
}
