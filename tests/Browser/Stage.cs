using System.Diagnostics;
using System.Net.Http.Json;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Coppia.Server;
using Coppia.Server.Door;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

namespace Coppia.Tests;

/// <summary>The application on demo data, and a headless Chromium looking at it.</summary>
public sealed class Stage : IAsyncLifetime
{
    private readonly Gate _gate = new();
    private ServerOptions? _options;
    private WebApplication? _server;
    private ChromeDriver? _browser;
    private (int Width, int Height) _viewport = (1280, 800);

    public Room Room { get; } = new();

    /// <summary>
    /// Whose browser this test looks at: what is waited for in vain is told with what stands there instead.
    /// </summary>
    private static readonly AsyncLocal<Stage?> Looked = new();

    public ChromeDriver Browser
    {
        get
        {
            Looked.Value = this;
            return _browser ?? throw new InvalidOperationException("The browser is not started.");
        }
    }

    public string Address { get; private set; } = "";

    public async ValueTask InitializeAsync()
    {
        string[] demo =
        [
            "--web",
            Path.Combine(Lines.Root(), "build/web"),
            "--demo",
            Path.Combine(Lines.Root(), "demo"),
            "--port",
            "0",
        ];
        _options = ServerOptions.Parse(demo)!;
        // In this process: what one stage has compiled the next need not. The server's tests start the program.
        _server = CoppiaApp.Build(_options, b => b.Services.AddSingleton<IStartupFilter>(_gate));
        await _server.StartAsync();
        Address = _server.Urls.First();
        StartBrowser();
    }

    private void StartBrowser()
    {
        _isTouched = true;
        _browser?.Dispose();
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless",
            "--no-sandbox",
            "--disable-gpu",
            // in a container shared memory is too small for a large page: its tab would crash
            "--disable-dev-shm-usage",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--hide-scrollbars",
            "--force-device-scale-factor=1",
            // What the microphone hears is a file, and nobody is asked whether it may.
            "--use-fake-ui-for-media-stream",
            "--use-fake-device-for-media-stream",
            $"--use-file-for-fake-audio-capture={Room.Path}",
            "--window-size=1280,800"
        );
        var service = ChromeDriverService.CreateDefaultService("/usr/bin/chromedriver");
        service.SuppressInitialDiagnosticInformation = true;
        options.PageLoadTimeout = TimeSpan.FromSeconds(60);
        _browser = new ChromeDriver(service, options);
        Resize(_viewport.Width, _viewport.Height);
        SaveData(true);
        // Where a test does not choose one, no class is wanted: another test’s must not speak in it.
        Browser.ExecuteCdpCommand(
            "Page.addScriptToEvaluateOnNewDocument",
            new Dictionary<string, object?>
            {
                ["source"] = """
                try {
                  localStorage.getItem('coppia.kept.class') ?? localStorage.setItem('coppia.kept.class', '0')
                } catch {}
                """,
            }
        );
    }

    public async ValueTask DisposeAsync()
    {
        _browser?.Dispose();
        Room.Dispose();
        if (_server is not null)
        {
            await _server.StopAsync();
            await _server.DisposeAsync();
            SqliteConnection.ClearAllPools();
            Directory.Delete(_options!.DataFolder, recursive: true);
        }
    }

    /// <summary>The server answers nobody while something is done, as when a network drops.</summary>
    public void Unanswered(Action look)
    {
        _isTouched = true;
        _gate.Close();
        try
        {
            look();
        }
        finally
        {
            _gate.Open();
        }
    }

    /// <summary>No request leaves the page while something is done.</summary>
    public void WithoutNetwork(Action look)
    {
        Network(offline: true);
        try
        {
            look();
        }
        finally
        {
            Network(offline: false);
        }
    }

    private void Network(bool offline)
    {
        _isTouched = true;
        Browser.ExecuteCdpCommand("Network.enable", []);
        Browser.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new Dictionary<string, object?>
            {
                ["offline"] = offline,
                ["latency"] = 0,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
    }

    /// <summary>
    /// Runs a script in every page that is loaded, before its own, until <paramref name="look"/> is done. The first
    /// page is loaded for it; what it has put there stays when a link is followed.
    /// </summary>
    public void WithScript(string source, Action look)
    {
        var script =
            (Dictionary<string, object?>)
                Browser.ExecuteCdpCommand(
                    "Page.addScriptToEvaluateOnNewDocument",
                    new Dictionary<string, object?> { ["source"] = source }
                )!;
        _isTouched = true;
        try
        {
            look();
        }
        finally
        {
            _isTouched = true;
            Browser.ExecuteCdpCommand("Page.removeScriptToEvaluateOnNewDocument", script);
        }
    }

    /// <summary>
    /// A script for <see cref="WithScript"/>: a request for which the condition holds, of <c>asked</c> and its address
    /// <c>to</c>, waits until the page is told letGo(); isAsked tells that there is one.
    /// </summary>
    public static string Holding(string condition) =>
        $$"""
            const real = window.fetch;
            const held = new Promise((done) => (window.letGo = done));
            window.isAsked = false;
            window.fetch = async (asked, ...rest) => {
              const to = asked.url ?? asked;
              if ({{condition}}) { window.isAsked = true; await held; }
              return real(asked, ...rest);
            };
            """;

    /// <summary>
    /// Looks once more in a new browser where the browser itself crashed on the way; what is looked at must hold then
    /// too.
    /// </summary>
    public void Surviving(Action look)
    {
        try
        {
            look();
        }
        catch (WebDriverException crash) when (IsCrash(crash))
        {
            Console.WriteLine($"A new browser is started: {crash.Message}");
            StartBrowser();
            look();
        }
    }

    /// <summary>The driver says so of a crashed page, or hears nothing more of it.</summary>
    private static bool IsCrash(WebDriverException e) =>
        e is WebDriverTimeoutException || e.Message.Contains("crashed", StringComparison.Ordinal);

    public void SetViewport(int width, int height)
    {
        _viewport = (width, height);
        try
        {
            Resize(width, height);
        }
        catch (WebDriverException crash) when (IsCrash(crash))
        {
            // The page that crashed was the last test's.
            Console.WriteLine($"A new browser is started: {crash.Message}");
            StartBrowser();
        }
    }

    /// <summary>What a page loads ahead of need it leaves; whoever looks at that switches it on.</summary>
    public void SaveData(bool on) =>
        Browser.ExecuteCdpCommand(
            "Emulation.setDataSaverOverride",
            new Dictionary<string, object?> { ["dataSaverEnabled"] = on }
        );

    private void Resize(int width, int height) =>
        Browser.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = false,
            }
        );

    /// <summary>
    /// Opens a page as a link within Coppia does, where that is possible: the page before is left, and nothing that was
    /// asked of the server is remembered. What outlives a page that is loaded anew is looked at with
    /// <see cref="Load"/>.
    /// </summary>
    public void Open(string path)
    {
        if (_isTouched || !Went(path))
            Load(path);
    }

    /// <summary>
    /// Loads a page anew; in a new browser where a page crashed the one before, so that one crash does not fail all
    /// tests to come.
    /// </summary>
    public void Load(string path)
    {
        // A page that crashes does so while it loads.
        Surviving(() =>
        {
            Browser.Navigate().GoToUrl(Address + path);
            WaitUntil(IsDrawn);
        });
        _isTouched = false;
    }

    /// <summary>Whether the page that is there could go to another; to itself it is loaded anew.</summary>
    private bool Went(string path)
    {
        try
        {
            if (!(bool)Browser.ExecuteAsyncScript(Going, Address, path)!)
                return false;
            WaitUntil(IsDrawn);
            return true;
        }
        catch (WebDriverException)
        {
            return false;
        }
    }

    private bool IsDrawn() => (bool)Browser.ExecuteScript("return document.querySelector('main *') !== null")!;

    private static readonly string Going = File.ReadAllText(Path.Combine(Lines.Root(), "tests/Browser/go.js"));

    /// <summary>A test has put a script of its own into the page, or cut it off: it is not as Coppia made it.</summary>
    private bool _isTouched = true;

    /// <summary>
    /// The list of the tunes whose titles have these words: of a long list only what is in view is drawn.
    /// </summary>
    public static string Searching(string title) => $"/tunes?q={Uri.EscapeDataString(title)}";

    /// <summary>
    /// Chooses from the menu of a tune in the list. While the list narrows a row may be drawn anew under the hand.
    /// </summary>
    public void Menu(string title, string choice) =>
        WaitUntil(() =>
        {
            if (Browser.FindElements(By.CssSelector("[role=menu]")).Count == 0)
                Find($"[aria-label='More for {title}']").Click();
            var found = Browser.FindElements(By.CssSelector("[role=menuitem]")).FirstOrDefault(e => e.Text == choice);
            found?.Click();
            return found is not null;
        });

    /// <summary>Whether a tune is drawn in the list: of a long one only what is in view is.</summary>
    public bool Listed(string title) =>
        Browser
            .FindElements(By.CssSelector("[data-tune]"))
            .Any(e => e.Text.StartsWith(title, StringComparison.Ordinal));

    /// <summary>Opens a demo tune on the stand and waits until it is engraved.</summary>
    public void OpenTune(string title, string instrument)
    {
        var path = $"/tunes/{NumberOf(title)}?for={instrument}";
        Surviving(() =>
        {
            Open(path);
            WaitUntil(() => Labels().Length > 0);
        });
    }

    /// <summary>
    /// A kept tune's number, asked of the server itself: a page to look it up would be drawn for nothing.
    /// </summary>
    private long NumberOf(string title) =>
        Api("GET", $"/api/tunes?search={Uri.EscapeDataString(title)}")
            .GetProperty("tunes")[0]
            .GetProperty("id")
            .GetInt64();

    /// <summary>Opens a tune on the stand where it does not matter how it is entered.</summary>
    public void OpenKept(string source) => Open($"/tunes/{Keep(source)}");

    /// <summary>Keeps a tune where it does not matter how it is entered, and tells its number.</summary>
    public long Keep(string source) =>
        Api("POST", "/api/tunes", new { source }).GetProperty("summary").GetProperty("id").GetInt64();

    /// <summary>Asks the server itself, where it does not matter how a page would.</summary>
    public JsonElement Api(string method, string path, object? body = null)
    {
        using var client = new HttpClient();
        using var request = new HttpRequestMessage(new HttpMethod(method), Address + path)
        {
            Content = body is null ? null : JsonContent.Create(body),
        };
        using var answer = client.Send(request);
        using var reader = new StreamReader(answer.Content.ReadAsStream());
        var text = reader.ReadToEnd();
        Assert.True(answer.IsSuccessStatusCode, text);
        return text.Length == 0 ? default : JsonSerializer.Deserialize<JsonElement>(text);
    }

    /// <summary>The pair row as it is drawn, in reading order.</summary>
    public string[] Labels() =>
        [
            .. (
                (IReadOnlyCollection<object>)
                    Browser.ExecuteScript(
                        "return [...document.querySelectorAll('[data-label]')].map(e => e.dataset.label)"
                    )!
            ).Select(o => (string)o),
        ];

    /// <summary>From the stand to the tune's first sheet of exercises.</summary>
    public void FirstSheet() => Wait(() => Browser.FindElements(By.LinkText("First sheet")).FirstOrDefault()).Click();

    public void Press(string keys) => new OpenQA.Selenium.Interactions.Actions(Browser).SendKeys(keys).Perform();

    /// <summary>
    /// Types into the field for a new tune, in place of what another test has left there: it is kept until it is added.
    /// </summary>
    public void TypeTune(string text)
    {
        Find("[data-tune], main h2"); // the list is there: nothing moves any more
        Retype(Find("textarea"), text);
    }

    /// <summary>Adds a tune as a teacher does, and leaves what is then asked or shown to the test.</summary>
    public void KeepTune(string text)
    {
        Open("/tunes");
        TypeTune(text);
        Button("Keep and open").Click();
    }

    /// <summary>Types a text in place of what a field holds, as a hand does it.</summary>
    public static void Retype(IWebElement field, string text) =>
        field.SendKeys(Keys.Control + "a" + Keys.Null + Keys.Delete + text);

    public IWebElement Find(string css) => Wait(() => Browser.FindElements(By.CssSelector(css)).FirstOrDefault());

    /// <summary>
    /// A button that can be pressed and holds still: a press on one that is off yet, or moves away, would be lost.
    /// </summary>
    public IWebElement Button(string text)
    {
        System.Drawing.Point? before = null;
        return Wait(() =>
        {
            var button = Buttons(text).FirstOrDefault(b => b.Enabled);
            var isStill = button is not null && button.Location == before;
            before = button?.Location;
            return isStill ? button : null;
        });
    }

    /// <summary>The way back that a message offers; a screen's own Undo is another.</summary>
    public IWebElement MessageUndo() =>
        Wait(() => Browser.FindElements(By.XPath("//*[@role='status']//button[.='Undo']")).FirstOrDefault());

    /// <summary>Whether a button is there and cannot be pressed.</summary>
    public bool IsOff(string text) => !Wait(() => Buttons(text).FirstOrDefault()).Enabled;

    private IReadOnlyCollection<IWebElement> Buttons(string text) =>
        Browser.FindElements(
            By.XPath(
                $"//button[normalize-space()='{text}'] | //*[@role='radio'][starts-with(normalize-space(),'{text}')]"
            )
        );

    public string Text(string css) => Wait(() => Browser.FindElements(By.CssSelector(css)).FirstOrDefault()?.Text);

    public static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    /// <summary>Waits up to a minute for something to be there: much else may run on this machine.</summary>
    /// <param name="said">What is waited for, as the test says it.</param>
    public static T Wait<T>(Func<T?> look, [CallerArgumentExpression(nameof(look))] string said = "")
        where T : class
    {
        var patience = Stopwatch.StartNew();
        var pause = 50;
        while (patience.Elapsed < Patience)
        {
            try
            {
                if (look() is { } found)
                    return found;
            }
            catch (Exception e) when (e is StaleElementReferenceException or JavaScriptException)
            {
                // The screen was drawn anew between looking and touching, or is not drawn yet; look again.
            }

            // Each look costs a page and its driver time; what comes later is looked for more seldom.
            Thread.Sleep(pause);
            pause = Math.Min(pause + 25, 200);
        }

        throw new TimeoutException(
            $"Within {Patience.TotalSeconds} seconds there was not: {said}\n{Looked.Value?.Whereabouts()}"
        );
    }

    /// <summary>The address, what the page says, and what its console complains of.</summary>
    private string Whereabouts()
    {
        try
        {
            var console = Browser.Manage().Logs.GetLog(LogType.Browser).Select(entry => $"console: {entry.Message}");
            var dialog = Browser.FindElements(By.CssSelector("[role=dialog]")).Select(d => $"dialog: {d.Text}");
            return string.Join(
                '\n',
                [Browser.Url, .. console, .. dialog, Browser.FindElement(By.CssSelector("main")).Text]
            );
        }
        catch (WebDriverException e)
        {
            return $"The browser does not say where it is: {e.Message}";
        }
    }

    public static void WaitUntil(Func<bool> holds, [CallerArgumentExpression(nameof(holds))] string said = "") =>
        Wait(() => holds() ? "" : null, said);

    /// <summary>What axe-core finds on the screen.</summary>
    public string[] Findings()
    {
        if (Browser.ExecuteScript("return !window.axe") is true)
            Browser.ExecuteScript(File.ReadAllText(Path.Combine(Lines.Root(), "web/node_modules/axe-core/axe.min.js")));
        var found =
            (IReadOnlyCollection<object>)
                Browser.ExecuteAsyncScript(
                    """
                    const done = arguments[0];
                    const told = (v) => v.id + ': ' + v.nodes.slice(0, 3).map((n) => n.html).join(' ');
                    axe.run({ resultTypes: ['violations'] }).then((r) => done(r.violations.map(told)));
                    """
                )!;
        return [.. found.Select(o => (string)o)];
    }
}

[CollectionDefinition(nameof(OnStage))]
public sealed class OnStage : ICollectionFixture<Stage>;

/// <summary>Printed pages, in a browser of their own beside the other tests.</summary>
[CollectionDefinition(nameof(OnPaper))]
public sealed class OnPaper : ICollectionFixture<Stage>;

/// <summary>Writing, bow and form: a third server and browser, so that no one collection outlasts the others.</summary>
[CollectionDefinition(nameof(OnTheSide))]
public sealed class OnTheSide : ICollectionFixture<Stage>;

/// <summary>A stage for one class that takes long, so that the others need not wait for it.</summary>
[CollectionDefinition(nameof(OnEverySize))]
public sealed class OnEverySize : ICollectionFixture<Stage>;
