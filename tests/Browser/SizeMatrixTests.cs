using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>
/// Every screen at every size: nothing covers anything, nothing scrolls sideways, everything can be hit with a finger.
/// </summary>
[Collection(nameof(OnEverySize))]
public class SizeMatrixTests(Stage stage)
{
    private static readonly string Looks = File.ReadAllText(Path.Combine(Lines.Root(), "tests/Browser/looks.js"));

    /// <summary>
    /// A phone, a laptop at 400 % (WCAG 2.2, 1.4.10: 320 pixels wide) and at 200 %, a tablet, a laptop and a desk.
    /// </summary>
    public static readonly TheoryData<int, int> Sizes = new()
    {
        { 320, 844 },
        { 390, 844 },
        { 640, 400 },
        { 820, 1180 },
        { 1280, 800 },
        { 1920, 1080 },
    };

    /// <summary>A size at which a screen is opened, and to which its window is then drawn or turned.</summary>
    public static readonly TheoryData<(int Width, int Height)[]> Windows =
    [
        new[] { (390, 844), (320, 844), (640, 400) },
        new[] { (1280, 800), (820, 1180), (1920, 1080) },
    ];

    private static readonly (string Path, string Ready)[] Screens =
    [
        ("/tunes", "[data-tune]"),
        ("/shapes?for=bass&key=-3", "[data-label]"),
        ("/shapes?for=cello&key=-3", "[data-label]"),
        ("/exercises", "li > button"),
        ("/keeping", "#backups"),
        ("/classes", "form"),
        ("/cards", "#which"),
        ("/shapes/all?key=2", "svg[role=img]"),
        ("/style", "[data-example=lowHigh] svg"),
        ("/taping", "[data-strip]"),
        ("/week", "main li"),
        ("/desk/1/sheet", "[data-testid=task-page]"),
        ("/classes/1/week", "h2"),
        ("/classes/1", "section[aria-labelledby=ask] li"),
        ("/classes/1/plan", "[data-note]"),
        ("/classes/1/logbook", "#help"),
        ("/classes/1/learners/2", "[role=img] svg"),
        ("/desk", "#kept-tasks"),
        ("/desk/1", "[data-testid=palette]"),
        ("/desk/1/try?for=cello", "[data-caret]"),
        ("/classes/1/pieces", "[data-piece] svg"),
        ("/classes/1/booklet", "[aria-label='In the booklet'] li"),
    ];

    /// <summary>Of the lesson's; where they are whole on a phone and on a desk, they are between.</summary>
    private static readonly (string Path, string Ready)[] OfTheLesson =
    [
        ("/tunes/2?for=all", "[data-label]"),
        ("/tunes/2/calls", "tbody"),
        ("/tunes/2/caller", "[data-testid=pair]"),
        ("/tunes/2/ladders?for=bass", "[data-label]"),
        ("/tuning", "[data-testid=heard]"),
        ("/lesson/1/1", "[data-step]"),
        ("/lesson/1/1/print", "tr"),
    ];

    /// <summary>The hardest of the demo: many positions, low and high fingers in eighths, plucked and bowed.</summary>
    private static readonly (string Tune, string Instrument)[] Hard =
    [
        ("Night Train over the Marsh", "cello"),
        ("The Ash Grove", "bass"),
        ("The Old Mill Reel", "cello"),
        ("The Chromatic Caterpillar", "viola"),
    ];

    private string[] Wrong(string call) =>
        [
            .. ((IReadOnlyCollection<object>)stage.Browser.ExecuteScript($"{Looks}; return {call}")!).Select(o =>
                (string)o
            ),
        ];

    private double Gap(string of) =>
        Convert.ToDouble(
            stage.Browser.ExecuteScript($"{Looks}; return Math.min(1000, gaps().{of})"),
            System.Globalization.CultureInfo.InvariantCulture
        );

    /// <summary>Waits for the screen to come to rest, then tells what is still wrong on it.</summary>
    private void Expect(string where, params string[] calls)
    {
        foreach (var call in calls)
        {
            var wrong = Array.Empty<string>();
            try
            {
                Stage.WaitUntil(() => (wrong = Wrong(call)).Length == 0);
            }
            catch (TimeoutException)
            {
                Assert.Fail($"{where}, {call}: {string.Join("; ", wrong.Take(5))}");
            }
        }
    }

    private void At(int width, int height, Action look)
    {
        stage.SetViewport(width, height);
        try
        {
            stage.Surviving(look);
        }
        finally
        {
            stage.Browser.ExecuteScript("localStorage.removeItem('coppia.rows')");
            stage.SetViewport(1280, 800);
        }
    }

    private void AllRows() =>
        stage.Browser.ExecuteScript(
            "localStorage.setItem('coppia.rows', '[\"pair\",\"name\",\"count\",\"bow\",\"place\"]')"
        );

    [Theory]
    [MemberData(nameof(Windows))]
    public void Every_screen_is_whole((int Width, int Height)[] window) =>
        At(
            window[0].Width,
            window[0].Height,
            () =>
            {
                foreach (var (path, ready) in (IEnumerable<(string, string)>)[.. Screens, .. OfTheLesson])
                {
                    stage.Open(path);
                    stage.Find(ready);
                    foreach (var (width, height) in window)
                    {
                        stage.SetViewport(width, height);
                        Expect($"{path} at {width}×{height}", "sideways()", "overlaps()", "smallTargets(24)");
                    }

                    // Back to the size at which the next is opened.
                    foreach (var (width, height) in window.Reverse())
                    {
                        stage.SetViewport(width, height);
                        UnfoldTools();
                        Expect($"{path} with its tools at {width}×{height}", "sideways()", "smallTargets(24)");
                    }
                }
            }
        );

    [Theory]
    [MemberData(nameof(Sizes))]
    public void The_stand_is_whole_with_all_rows_and_so_is_its_print(int width, int height) =>
        At(
            width,
            height,
            () =>
            {
                stage.Open("/tunes");
                foreach (var (tune, instrument) in Hard)
                {
                    AllRows();
                    stage.OpenTune(tune, instrument);
                    Expect($"{tune}, {instrument}", "sideways()", "overlaps()");
                    Assert.True(Gap("row") >= 4, $"{tune}, {instrument}: {Gap("row")} px between two of a row");
                    Assert.True(Gap("words") >= 3, $"{tune}, {instrument}: {Gap("words")} px between words and a stem");
                    // Paper is as wide on every screen.
                    if ((width, height) is not ((390, 844) or (1280, 800)))
                        continue;
                    var print = stage.Browser.Url.Replace(
                        "?for=",
                        "/print?rows=pair,name,count,bow,place&before=yes&form=yes&for=",
                        StringComparison.Ordinal
                    );
                    stage.Open(print[stage.Address.Length..]);
                    stage.Find("[data-testid=form-sheet]");
                    Stage.WaitUntil(() => stage.Labels().Length > 0);
                    Expect($"{tune}, {instrument}, print", "sideways()", "overlaps()");
                }
            }
        );

    [Fact] // What is said under a low note stands clear of it.
    public void Labels_of_the_house_styles_examples_are_clear_of_low_notes()
    {
        stage.Open("/style");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-example] svg")).Count > 8);
        var gap = Convert.ToDouble(
            stage.Browser.ExecuteScript($"{Looks}; return Math.min(1000, labelGap())"),
            System.Globalization.CultureInfo.InvariantCulture
        );
        Assert.InRange(gap, 3, 100);
    }

    [Theory] // The paper comes first and keeps at least half the height.
    [InlineData(390, 844)]
    [InlineData(640, 400)]
    public void On_a_small_window_the_paper_keeps_half_the_height(int width, int height) =>
        At(
            width,
            height,
            () =>
            {
                stage.OpenTune("The Ash Grove", "violin");
                Stage.WaitUntil(() =>
                    stage.Browser.FindElements(By.CssSelector("section[aria-label='Hear it']")).Count == 1
                );
                var paper = stage.Find("[data-testid=paper]");
                Assert.InRange(paper.Size.Height, height / 2, height);
                var rest = stage.Find("aside");
                Assert.True(rest.Location.Y >= paper.Location.Y && rest.Location.X >= paper.Location.X);
                foreach (var tab in stage.Browser.FindElements(By.CssSelector("[role=tab]")))
                {
                    tab.Click();
                    Expect($"panel {tab.Text}", "sideways()", "smallTargets(24)");
                }
            }
        );

    // WCAG 2.2, 2.5.5: what a learner's hand needs is 44 pixels; the places of a fingerboard lie as close as on the
    // wood.
    [Fact]
    public void A_learners_way_is_wide_enough_for_a_finger() =>
        At(
            390,
            844,
            () =>
            {
                stage.Open("/tunes");
                stage.Find("[data-tune]");
                Expect("tunes", "smallTargets(44)");
                stage.OpenTune("Harbour Lanterns", "violin");
                const string ownPlaces = "smallTargets(44).filter((t) => !/ string/.test(t))";
                Expect("stand", ownPlaces);
                UnfoldTools();
                Expect("tools", ownPlaces);
                stage.Press(Keys.Escape);
                stage.Find("[aria-label='Sound, loop and drone']").Click();
                Expect("sound", ownPlaces);
            }
        );

    [Fact] // Menus and tools fold behind one bar; with it one goes everywhere.
    public void One_bar_leads_everywhere_on_a_phone() =>
        At(
            390,
            844,
            () =>
            {
                stage.OpenTune("Harbour Lanterns", "violin");
                stage.Find("[aria-label='Next note']").Click();
                Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("g.note.is-now")).Count == 1);
                UnfoldTools();
                stage.Button("Name").Click();
                Stage.WaitUntil(() =>
                    stage.Browser.FindElements(By.CssSelector(".row-label")).Any(e => e.Text == "Name")
                );
                stage.Press(Keys.Escape);
                Stage.WaitUntil(() =>
                    stage.Browser.FindElements(By.CssSelector("[aria-label='Rows under the notes']")).Count == 0
                );
                stage.Find("[aria-label=Menu]").Click();
                Stage
                    .Wait(() =>
                        stage.Browser.FindElements(By.CssSelector("nav a")).FirstOrDefault(a => a.Text == "Shapes")
                    )
                    .Click();
                stage.Find("[data-label]");
                Assert.Empty(stage.Browser.FindElements(By.CssSelector("nav a"))); // it folds when it has led somewhere
                Assert.Empty(stage.Findings());
            }
        );

    [Fact] // A note is met by a finger beside its head, wherever on the staff.
    public void A_finger_beside_a_note_means_it() =>
        At(
            390,
            844,
            () =>
            {
                stage.OpenTune("Harbour Lanterns", "violin");
                // While the page is still being laid out a note moves away from under the finger.
                Stage.WaitUntil(() => Tapped() == stage.Find("g.note.is-now").GetAttribute("id"));
                string Tapped() =>
                    (string)
                        stage.Browser.ExecuteScript(
                            """
                            const note = document.querySelectorAll('g.note')[2];
                            const head = note.querySelector('.notehead').getBoundingClientRect();
                            const line = note.closest('.staff').querySelector(':scope > path:last-of-type');
                            const staff = line.getBoundingClientRect();
                            document.elementFromPoint(head.left - 6, staff.top).dispatchEvent(
                              new MouseEvent('click', { bubbles: true, clientX: head.left - 6, clientY: staff.top }));
                            return note.id;
                            """
                        )!;
            }
        );

    /// <summary>Opens the tools where they are folded.</summary>
    private void UnfoldTools() =>
        stage
            .Browser.FindElements(By.CssSelector("button[aria-expanded=false]"))
            .FirstOrDefault(b => b.Text == "Tools")
            ?.Click();
}
