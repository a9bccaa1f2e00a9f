using System.Globalization;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Coppia.Tests;

/// <summary>
/// The writing staff in the browser (craft 20): sixteen bars by keys alone, by pointer alone, by fingerboard alone.
/// </summary>
[Collection(nameof(OnTheSide))]
public class WritingTests(Stage stage)
{
    /// <summary>Sixteen bars of quarters in D major; each letter is the nearest to the one before.</summary>
    private static readonly string Tune = string.Concat(Enumerable.Repeat("DEFGABAGFGABAGFEDEFGABCDDCBAGFED", 2));

    /// <summary>
    /// Lines and spaces of the tune in treble clef, 0 the lowest line (craft 1), and its places on the violin (craft
    /// 19).
    /// </summary>
    private static readonly (string Letter, int Height, string Place)[] Scale =
    [
        ("D", -1, "1-0"),
        ("E", 0, "1-2"),
        ("F", 1, "1-4"),
        ("G", 2, "1-5"),
        ("A", 3, "2-0"),
        ("B", 4, "2-2"),
        ("C", 5, "2-4"),
        ("D", 6, "2-5"),
    ];

    private static IEnumerable<(string Letter, int Height, string Place)> Notes()
    {
        var now = -1;
        foreach (var letter in Tune)
        {
            var note = Scale.Where(s => s.Letter == $"{letter}").MinBy(s => Math.Abs(s.Height - now));
            now = note.Height;
            yield return note;
        }
    }

    private void Fresh()
    {
        stage.Open("/tunes");
        stage.Browser.ExecuteScript("localStorage.removeItem('coppia.kept.writing')");
        stage.Open("/write");
        stage.Find("[data-caret]");
    }

    private string Doc() =>
        (string?)
            stage.Browser.ExecuteScript("return JSON.parse(localStorage.getItem('coppia.kept.writing'))?.state?.doc")
        ?? "";

    private int Written() => stage.Browser.FindElements(By.CssSelector("[data-testid=writing-staff] g.note")).Count;

    private string Said() => stage.Text("[data-testid=said]");

    private void Control(string key) =>
        new Actions(stage.Browser).KeyDown(Keys.Control).SendKeys(key).KeyUp(Keys.Control).Perform();

    private static string? s_byKeys;

    private string ByKeys() => s_byKeys ??= TypedByKeys();

    private string TypedByKeys()
    {
        Fresh();
        stage.Press(Tune.ToLowerInvariant());
        Stage.WaitUntil(() => Written() == Tune.Length);
        return Doc();
    }

    [Fact]
    public void Sixteen_bars_by_keys_are_those_by_fingerboard()
    {
        var byKeys = ByKeys();
        Assert.Contains("<measure number=\"16\"", byKeys, StringComparison.Ordinal);
        Fresh();
        foreach (var (_, _, place) in Notes())
            stage.Browser.ExecuteScript(
                "document.querySelector(arguments[0]).dispatchEvent(new MouseEvent('click', { bubbles: true }))",
                $"[data-place='{place}']"
            );
        Stage.WaitUntil(() => Written() == Tune.Length);
        Assert.Equal(byKeys, Doc());
    }

    [Fact]
    public void Sixteen_bars_by_keys_are_those_by_pointer()
    {
        var byKeys = ByKeys();
        Fresh();
        var count = 0;
        foreach (var (_, height, _) in Notes())
        {
            Press(height);
            count++;
            // The next is pressed behind the last, which must be there to be seen.
            Stage.WaitUntil(() => Written() == count);
        }

        Assert.Equal(byKeys, Doc());
    }

    /// <summary>Presses a line or space behind the last note that is written.</summary>
    private void Press(int height)
    {
        var at =
            (IReadOnlyDictionary<string, object>)
                stage.Browser.ExecuteScript(
                    """
                    const lines = [...document.querySelectorAll('[data-staff-line]')].filter((l) =>
                      l.querySelector('g.staff'))
                    const line = lines.at(-1)
                    line.scrollIntoView({ block: 'center', behavior: 'instant' })
                    const paths = [...line.querySelector('g.staff').querySelectorAll(':scope > path')].slice(0,
                      5).map((p) => p.getBoundingClientRect().top)
                    const bar = [...line.querySelectorAll('g.measure')].at(-1).getBoundingClientRect()
                    const last = [...line.querySelectorAll('g.notehead')].at(-1)?.getBoundingClientRect()
                    return { x: last ? last.right + 12 : bar.left + bar.width / 2, y:
                      paths[4] - (arguments[0] * (paths[4] - paths[0])) / 8 }
                    """,
                    height
                )!;
        int Number(string name) => (int)Math.Round(Convert.ToDouble(at[name], CultureInfo.InvariantCulture));
        new Actions(stage.Browser).MoveToLocation(Number("x"), Number("y")).Click().Perform();
    }

    [Fact] // Every change is undone, to the very score that was.
    public void Undo_goes_back_to_the_beginning_and_redo_to_the_end()
    {
        Fresh();
        stage.Press("defg" + "t" + "u" + Keys.Backspace + "x" + "-ab+h");
        // The hold comes last: what is kept then is all of it.
        Stage.WaitUntil(() => Doc().Contains("<fermata", StringComparison.Ordinal));
        var doc = Doc();
        for (var i = 0; i < 11; i++)
            Control("z");
        Stage.WaitUntil(() => Written() == 0);
        for (var i = 0; i < 11; i++)
            Control("y");
        Stage.WaitUntil(() => Doc() == doc);
    }

    [Fact] // Each step of the caret says what is there, and what the bar has left.
    public void A_screen_reader_hears_where_the_caret_is()
    {
        Fresh();
        Assert.Equal("4 beats left in bar 1", stage.Text("[data-testid=left]"));
        stage.Press("def");
        Stage.WaitUntil(() => Said() == "After F♯4, quarter, bar 1, beat 3.");
        Stage.WaitUntil(() => stage.Text("[data-testid=left]") == "1 beat left in bar 1");
        stage.Press(Keys.ArrowLeft);
        Stage.WaitUntil(() => Said() == "After E4, quarter, bar 1, beat 2.");
        stage.Press(Keys.Home);
        Stage.WaitUntil(() => Said() == "At the beginning, before D4, quarter, bar 1, beat 1.");
        Control("a");
        Stage.WaitUntil(() => Said() == "3 selected, to bar 1.");
        Assert.Equal("polite", stage.Find("[data-testid=said]").GetAttribute("aria-live"));
    }

    [Fact] // The ghost under the pointer names its note and its pair: E on line 1 is the first finger on D (craft 19).
    public void The_note_under_the_pointer_is_named_with_its_pair()
    {
        Fresh();
        Press(0);
        Stage.WaitUntil(() => Written() == 1);
        stage.Press("f");
        Stage.WaitUntil(() => Written() == 2);
        var line = stage.Find("g.notehead");
        new Actions(stage.Browser).MoveToElement(line).Perform();
        Stage.WaitUntil(() => stage.Text("[data-ghost]").Contains("E · D1", StringComparison.Ordinal));
    }

    [Fact] // A note is taken at its head and let go a space higher.
    public void A_note_is_dragged_to_another_height()
    {
        Fresh();
        stage.Press("def");
        Stage.WaitUntil(() => Written() == 3);
        var head = stage.Browser.FindElements(By.CssSelector("g.notehead"))[1];
        new Actions(stage.Browser).ClickAndHold(head).MoveByOffset(0, -2 * StepPx()).Release().Perform();
        Stage.WaitUntil(() => Said() == "After G4, quarter, bar 1, beat 2.");
    }

    [Fact] // By touch: a tap writes, and the palette's buttons do what the keys do.
    public void A_tap_writes_a_note()
    {
        Fresh();
        stage.Press("d");
        Stage.WaitUntil(() => Written() == 1);
        var head = stage.Find("g.notehead");
        var finger = new PointerInputDevice(PointerKind.Touch);
        var tap = new ActionBuilder();
        tap.AddAction(finger.CreatePointerMove(head, 40, -StepPx(), TimeSpan.Zero));
        tap.AddAction(finger.CreatePointerDown(MouseButton.Left));
        tap.AddAction(finger.CreatePointerUp(MouseButton.Left));
        ((IActionExecutor)stage.Browser).PerformActions(tap.ToActionSequenceList());
        Stage.WaitUntil(() => Said() == "After E4, quarter, bar 1, beat 2.");
        stage.Button("half").Click();
        stage.Find("[data-testid=writing-staff]");
        stage.Press("f");
        Stage.WaitUntil(() => Said() == "After F♯4, half, bar 1, beat 3.");
    }

    /// <summary>From a line to the next space, in pixels.</summary>
    private int StepPx() =>
        (int)
            Math.Round(
                Convert.ToDouble(
                    stage.Browser.ExecuteScript(
                        "const p = [...document.querySelector('g.staff').querySelectorAll(':scope > path')].slice(0, "
                            + "5).map((x) => x.getBoundingClientRect().top); return (p[4] - p[0]) / 8"
                    ),
                    CultureInfo.InvariantCulture
                )
            );

    [Fact] // Esc leaves the title: the keys write notes again.
    public void What_is_written_waits_and_is_kept_as_a_tune()
    {
        Fresh();
        Stage.Retype(stage.Find("input[maxlength]"), "Written by Hand");
        stage.Press(Keys.Escape + "defgabc");
        Stage.WaitUntil(() => Written() == 7);
        stage.Open("/tunes");
        stage.Find("[data-tune]");
        stage.Open("/write");
        Stage.WaitUntil(() => Written() == 7);
        stage.Button("Keep and open").Click();
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D1 D2 D3 A0 A1 A2");
        Assert.Equal("Written by Hand", stage.Text("h1"));
    }

    [Fact] // One wrong note is mended from the stand without any text being seen.
    public void A_kept_tune_is_mended_from_the_stand()
    {
        stage.KeepTune("Title: To be Mended\nKey: D\nD E F G | A B A2");
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D1 D2 D3 A0 A1 A0");
        stage.Press("m");
        Stage.WaitUntil(() => Written() == 7);
        stage.Press(Keys.ArrowRight + Keys.ArrowRight + Keys.ArrowUp);
        Stage.WaitUntil(() => Said() == "After F♯4, quarter, bar 1, beat 2.");
        stage.Button("Save").Click();
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D2 D2 D3 A0 A1 A0");
    }

    [Fact] // Another clef or key: the notes stay at their pitch, or where they are on the staff.
    public void Clef_key_and_meter_change_afterwards()
    {
        Fresh();
        stage.Press("defg");
        Stage.WaitUntil(() => Written() == 4);
        Choose("Key", "no sharps or flats");
        Stage.WaitUntil(() => Doc().Contains("<fifths>0</fifths>", StringComparison.Ordinal));
        Assert.Equal("After G4, quarter, bar 1, beat 4.", Said());
        Assert.Contains("<accidental>sharp</accidental>", Doc(), StringComparison.Ordinal);
        Choose("Meter", "3/4");
        Stage.WaitUntil(() => Doc().Contains("<measure number=\"2\"", StringComparison.Ordinal));
        Choose("Clef", "alto");
        Stage.WaitUntil(() => Doc().Contains("<sign>C</sign>", StringComparison.Ordinal));
        Assert.Contains("<step>D</step><octave>4</octave>", Doc(), StringComparison.Ordinal);
    }

    private void Choose(string label, string option) =>
        Stage
            .Wait(() =>
                stage
                    .Browser.FindElements(By.CssSelector("label"))
                    .FirstOrDefault(l => l.Text.StartsWith(label, StringComparison.Ordinal))
                    ?.FindElements(By.TagName("option"))
                    .FirstOrDefault(o => o.Text == option)
            )
            .Click();

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(820, 1180)]
    [InlineData(390, 844)]
    public void It_fits_and_nothing_is_wrong_with_it(int width, int height)
    {
        stage.SetViewport(width, height);
        try
        {
            Fresh();
            stage.Press("defg");
            Stage.WaitUntil(() => Written() == 4);
            Stage.WaitUntil(() =>
                (bool)
                    stage.Browser.ExecuteScript(
                        "return document.documentElement.scrollWidth <= document.documentElement.clientWidth + 1"
                    )!
            );
            Assert.Empty(stage.Findings());
        }
        finally
        {
            stage.SetViewport(1280, 800);
        }
    }
}
