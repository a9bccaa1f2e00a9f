using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;

namespace Coppia.Tests;

/// <summary>
/// A library and a browser of its own, for hands that may delete and rename anything, beside the other tests.
/// </summary>
[CollectionDefinition(nameof(WithAMonkey))]
public sealed class WithAMonkey : ICollectionFixture<Stage>;

/// <summary>
/// Four times 100 keys, presses, words, ways back and forward and loadings anew, always the same ones; after each the
/// screen must be whole. COPPIA_MONKEY asks for so many other hands besides, at each of the four sizes.
/// </summary>
[Collection(nameof(WithAMonkey))]
public class MonkeyTests(Stage stage)
{
    private const int Actions = 100;
    private static readonly string Folder = Path.Combine(Lines.Root(), "tests/Browser");
    private static readonly string Looks = File.ReadAllText(Path.Combine(Folder, "looks.js"));

    private static readonly string[] Screens =
    [
        "/tunes",
        "/shapes",
        "/taping",
        "/style",
        "/shapes/all",
        "/cards",
        "/exercises",
        "/tunes/1",
        "/tunes/4?for=bass",
        "/tunes/12?for=viola",
        "/tunes/3/print",
        "/keeping",
        "/classes",
        "/classes/1",
        "/classes/1/plan",
        "/classes/1/logbook",
        "/classes/1/learners/2",
        "/desk",
        "/desk/1",
        "/desk/1/try?for=bass",
        "/classes/1/pieces",
        "/classes/1/booklet",
        "/tunes/2?for=all",
        "/tunes/3/caller",
        "/tuning",
        "/lesson",
        "/lesson/1/1",
    ];

    private static readonly string[] PlainKeys =
    [
        Keys.ArrowRight,
        Keys.ArrowLeft,
        Keys.ArrowUp,
        Keys.ArrowDown,
        Keys.Home,
        Keys.End,
        Keys.Escape,
        Keys.Tab,
        Keys.Shift + Keys.Tab,
        Keys.Enter,
        " ",
        .. "pncbraulew1234[]?/".Select(c => $"{c}"),
    ];

    /// <summary>Pages of a tune that no key walks note by note.</summary>
    private static readonly string[] Papers = ["/print", "/calls", "/caller", "/ladders"];

    /// <summary>What takes typed words away because that is what it is for.</summary>
    private static readonly string[] TakesAway =
    [
        "Keep and open",
        "Empty the field",
        "Try the example",
        "Bring",
        "Undo",
        "Another",
        "Save",
        "Discard",
        "Delete",
        "Duplicate",
        "Use this style",
        "Keep the name",
        "Back to “",
        "Take the other",
        "Edit",
        "More for",
        "Rename",
        // Another sheet or part, with fields of its own.
        "First sheet",
        "A new sheet",
        "A sheet for it",
        "As it was",
        "Take the part out",
        "settings of",
        "Done",
        "+",
        "Add it",
        "A step of your own",
    ];

    /// <summary>
    /// What can be pressed where nothing covers it. Files, downloads and printing are the browser’s own.
    /// </summary>
    private const string Pressable = """
        const pressed = 'a[href], button, input, select, [role=radio], [role=tab], [role=menuitem], [role=button], '
          + 'g.note, label, h1';
        const all = [...document.querySelectorAll(pressed)]
          .filter((e) => !e.disabled && !(e.getAttribute('href') ?? '').startsWith('/api') &&
            e.textContent !== 'Choose files' && !e.parentElement.querySelector(':scope > input[type=file]') &&
              e.localName !== 'select')
          .map((e) => ({ e, r: e.getBoundingClientRect() }))
          .filter(({ r }) => r.width > 0 && r.left >= 0 && r.top >= 0 && r.right <= innerWidth &&
            r.bottom <= innerHeight)
          .filter(({ e, r }) => e.contains(document.elementFromPoint(r.left + r.width / 2, r.top + r.height / 2)));
        if (all.length === 0) return null;
        const { e, r } = all[arguments[0] % all.length];
        return JSON.stringify({ x: Math.round(r.left + r.width / 2), y: Math.round(r.top + r.height / 2),
          name: (e.getAttribute('aria-label') ?? e.textContent).trim().slice(0, 60) });
        """;

    /// <summary>
    /// What is watched, what is wrong with the screen, and the fields in view by the screen and their names, with what
    /// they hold, and the one that has the focus. What is searched for belongs to the address, and goes with it; what a
    /// choice is searched by goes with the search.
    /// </summary>
    private const string Look = """
        if (!window.watched) return null;
        // Where another instrument or style is another form, its choice is part of the name.
        const form = /^\/(style|taping)/.test(location.pathname) &&
          document.querySelector('[role=radio][aria-checked=true]');
        const name = (e) => location.pathname + ' '
          + (e.closest('[role=dialog]')?.querySelector('h2')?.textContent ?? '') + ' '
          + (form ? form.textContent.replace(/, not saved| \(in use\)/g, '') : '') + ' '
          + (e.getAttribute('aria-label') ?? e.closest('label')?.firstChild?.textContent ?? '');
        const fields = document.querySelectorAll('textarea:not([readonly]), input:not([role=combobox])');
        const all = [...fields].filter((e) => !/checkbox|radio|range|file|search/.test(e.type));
        const main = document.querySelector('main');
        const odd = main && /.{0,30}(NaN|undefined|Coppia failed here).{0,30}/.exec(main.textContent);
        return JSON.stringify({
          ...watched(),
          screen: [
            !main?.querySelector('h1') && 'it has no heading',
            /^.tunes.*print$/.test(location.pathname)
              && document.querySelector('.sheets:not(:has(g.measure))') && 'nothing is engraved',
            odd && odd[0],
            ...sideways(),
          ].filter(Boolean),
          fields: all.map((e) => [name(e), e.value]),
          focused: all.includes(document.activeElement) ? name(document.activeElement) : null,
        });
        """;

    private readonly List<string> _past = [];
    private readonly Dictionary<string, string> _typed = [];

    private sealed record Seen(
        string[] Errors,
        int Devices,
        int Sounding,
        int Ahead,
        bool IsPlaying,
        string[] Screen,
        string[][] Fields,
        string? Focused
    );

    private sealed record Target(int X, int Y, string Name);

    private T? Ask<T>(string script, params object[] given)
        where T : class =>
        stage.Browser.ExecuteScript(script, given) is string json
            ? JsonSerializer.Deserialize<T>(json, JsonSerializerOptions.Web)
            : null;

    /// <summary>A desk, a phone, a small window and a tablet.</summary>
    private static readonly (int Width, int Height)[] Sizes = [(1280, 800), (390, 844), (640, 400), (820, 1180)];

    public static TheoryData<int, int, int> Hands()
    {
        _ = int.TryParse(
            Environment.GetEnvironmentVariable("COPPIA_MONKEY"),
            NumberStyles.None,
            CultureInfo.InvariantCulture,
            out var more
        );
        return new(
            Enumerable.Range(0, Sizes.Length * (1 + more)).Select(i => (Sizes[i % 4].Width, Sizes[i % 4].Height, i + 1))
        );
    }

    [Theory]
    [MemberData(nameof(Hands))]
    public void Whatever_hands_do_every_screen_holds(int width, int height, int seed)
    {
        stage.SetViewport(width, height);
        stage.WithScript(File.ReadAllText(Path.Combine(Folder, "watch.js")), () => Play(new Random(seed)));
    }

    private void Play(Random roll)
    {
        stage.Open("/tunes");
        for (var step = 1; step <= Actions; step++)
        {
            Do(roll);
            Holds(step);
            if (step % 25 == 0)
                KeysAreAlive();
        }

        foreach (var path in new[] { "/tunes", "/shapes", "/taping", "/style", "/shapes/all", "/cards" })
        {
            stage.Open(path);
            stage.Find("h1");
            Assert.Empty(stage.Findings());
        }
    }

    private void Do(Random roll)
    {
        switch (roll.Next(100))
        {
            case < 35:
                Press(PlainKeys[roll.Next(PlainKeys.Length)]);
                break;
            case < 80:
                Click(roll);
                break;
            case < 90:
                Type(roll);
                break;
            case < 93:
                Go("back", () => stage.Browser.Navigate().Back());
                break;
            case < 95:
                Go("forward", () => stage.Browser.Navigate().Forward());
                break;
            case < 97:
                Go("reload", () => stage.Browser.Navigate().Refresh());
                break;
            default:
                var path = Screens[roll.Next(Screens.Length)];
                Go(path, () => stage.Open(path));
                break;
        }
    }

    private void Press(string key)
    {
        var names = key.Select(c => c < 0xE000 ? $"{c}" : $"U+{(int)c:X4}");
        _past.Add("key " + string.Join('+', names));
        // As the button does.
        if (key == "u")
            Forget("Undo");
        // Enter presses what has the focus.
        if (key is "\uE007" or " ")
            Forget(
                (string)
                    stage.Browser.ExecuteScript(
                        "const e = document.activeElement; "
                            + "return e.getAttribute('aria-label') ?? e.textContent.slice(0, 60)"
                    )!
            );
        stage.Press(key);
    }

    private void Click(Random roll)
    {
        if (Ask<Target>(Pressable, roll.Next()) is not { } target)
            return;
        _past.Add($"press {target.Name}");
        Forget(target.Name);
        new Actions(stage.Browser, TimeSpan.FromMilliseconds(1)).MoveToLocation(target.X, target.Y).Click().Perform();
    }

    private void Forget(string pressed)
    {
        // A size takes the measured length away, another style or instrument shows its own fields.
        if (
            TakesAway.Any(t => pressed.Contains(t, StringComparison.Ordinal))
            || stage.Browser.Url.Contains("/taping", StringComparison.Ordinal)
        )
            _typed.Clear();
    }

    private void Type(Random roll)
    {
        string[] words = ["328,5", "D E F G|", "\n", "Little Owl ", "x", "-1", "?"];
        var text = words[roll.Next(words.Length)];
        var which = roll.Next();
        try
        {
            var fields = stage
                .Browser.FindElements(By.CssSelector("textarea:not([readonly]), input:not([type]), input[type=search]"))
                .Where(e => e.Displayed)
                .ToArray();
            if (fields.Length == 0)
                return;
            _past.Add($"type {text.Trim()}");
            fields[which % fields.Length].SendKeys(text);
        }
        catch (WebDriverException e) when (e is ElementNotInteractableException or StaleElementReferenceException)
        {
            // It lies under a dialog, or has just gone.
        }
    }

    private void Go(string where, Action go)
    {
        _past.Add(where);
        go();
        if (!stage.Browser.Url.StartsWith(stage.Address, StringComparison.Ordinal))
            stage.Open("/tunes");
    }

    /// <summary>What must be so after whatever was done, at once or when the screen has come to rest.</summary>
    private void Holds(int step)
    {
        var wrong = new List<string>();
        var patience = Stopwatch.StartNew();
        do
        {
            if (wrong.Count > 0)
                Thread.Sleep(50);
            wrong.Clear();
            if (Ask<Seen>($"{Looks}; {Look}") is { } seen)
                wrong.AddRange(WrongWith(seen));
            else
                wrong.Add("there is no page");
        } while (wrong.Count > 0 && patience.Elapsed < Stage.Patience);
        Expect(wrong.Count == 0, step, string.Join("; ", wrong));
    }

    private IEnumerable<string> WrongWith(Seen seen)
    {
        foreach (var error in seen.Errors.Concat(seen.Screen))
            yield return error;
        if (seen.Devices > 1)
            yield return $"{seen.Devices} sound devices are open";
        // Where all sections play, each has a note of its own.
        var sections =
            stage.Browser.Url.Contains("for=all", StringComparison.Ordinal)
            || stage.Browser.Url.Contains("/caller", StringComparison.Ordinal);
        if (seen.Sounding > (sections ? 4 : 1))
            yield return $"{seen.Sounding} notes sound at once";
        if (!seen.IsPlaying && seen.Ahead > 0)
            yield return "it sounds, and nothing can stop it";
        foreach (var pair in seen.Fields)
        {
            if (pair[0] == seen.Focused)
                _typed[pair[0]] = pair[1];
            else if (_typed.TryGetValue(pair[0], out var typed) && pair[1] != typed)
                yield return $"“{typed}” is gone from {pair[0]}: “{pair[1]}”";
        }
    }

    /// <summary>Esc leaves whatever is open; then the screen’s own keys work.</summary>
    private void KeysAreAlive()
    {
        stage.Press(Keys.Escape + Keys.Escape + Keys.Escape);
        var address = stage.Browser.Url[stage.Address.Length..].Split('?')[0];
        if (address == "/tunes")
        {
            stage.Press("/");
            Settle(
                () => (bool)stage.Browser.ExecuteScript("return document.activeElement.type === 'search'")!,
                _past.Count,
                "the key / is dead"
            );
        }
        else if (address == "/shapes")
        {
            string Title() => stage.Text("h1") + stage.Browser.Url;
            Stage.WaitUntil(() => Title().Length > 0);
            var before = Title();
            stage.Press(before.Contains("key=7", StringComparison.Ordinal) ? Keys.ArrowLeft : Keys.ArrowRight);
            Settle(() => Title() != before, _past.Count, "the arrow keys of Shapes are dead");
        }
        else if (address.EndsWith("/write", StringComparison.Ordinal))
        {
            string Caret() =>
                (string)
                    stage.Browser.ExecuteScript(
                        "const c = document.querySelector('[data-caret]'); "
                            + "return c ? `${c.closest('[data-staff-line]').dataset.staffLine} "
                            + "${c.getAttribute('x1')}` : ''"
                    )!;
            Settle(() => Caret().Length > 0, _past.Count, "the writing staff has no caret");
            // What was written may be rests alone, and nothing at all.
            if (stage.Browser.FindElements(By.CssSelector("[data-staff-line] :is(g.note, g.rest)")).Count == 0)
                return;
            // To the beginning and on from there, until the caret was seen in two places.
            var home = false;
            var places = new HashSet<string>();
            Settle(
                () =>
                {
                    stage.Press((home = !home) ? Keys.Home : Keys.ArrowRight);
                    places.Add(Caret());
                    return places.Count > 1;
                },
                _past.Count,
                "the keys of the writing staff are dead"
            );
        }
        else if (
            address.StartsWith("/tunes/", StringComparison.Ordinal)
            && !Papers.Any(p => address.EndsWith(p, StringComparison.Ordinal))
            && stage.Text("h1") != "This tune is not here"
        )
        {
            string Now() =>
                (string)stage.Browser.ExecuteScript("return document.querySelector('g.note.is-now')?.id ?? ''")!;
            Settle(
                () => stage.Browser.FindElements(By.CssSelector("g.note")).Count > 0,
                _past.Count,
                "the tune is not drawn"
            );
            stage.Press(Keys.Home);
            Settle(() => Now().Length > 0, _past.Count, "Home is dead");
            // From the only note of a tune, which may be tied on, there is nowhere to go.
            if (
                !(bool)
                    stage.Browser.ExecuteScript(
                        "const all = (c) => document.querySelectorAll(c).length; "
                            + "return all('g.note') - all('g.tie') > 1"
                    )!
            )
                return;
            var before = Now();
            stage.Press(Keys.ArrowRight);
            Settle(
                () => Now() is { Length: > 0 } now && now != before,
                _past.Count,
                "the arrow keys of the stand are dead"
            );
        }
    }

    private object? Whereabouts() => stage.Browser.ExecuteScript("return window.whereabouts?.()");

    private void Settle(Func<bool> holds, int step, string otherwise)
    {
        try
        {
            Stage.WaitUntil(holds);
        }
        catch (TimeoutException)
        {
            Expect(false, step, otherwise);
        }
    }

    private void Expect(bool holds, int step, string otherwise)
    {
        if (!holds)
            Assert.Fail(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"After action {step} on {stage.Browser.Url}: "
                        + $"{otherwise}\n{Whereabouts()}\n{string.Join("\n", _past.TakeLast(12))}"
                )
            );
    }
}
