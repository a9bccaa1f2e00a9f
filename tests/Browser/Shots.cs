using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>Not a test: refreshes the pictures in docs/screenshots from the demo data. Run by ./coppia shots.</summary>
[Collection(nameof(OnStage))]
public class Shots(Stage stage)
{
    private static readonly string? Folder = Environment.GetEnvironmentVariable("SHOTS_FOLDER");

    private void Save(string name)
    {
        if (Folder is null)
            return;
        Thread.Sleep(700); // let the last transition end
        stage.Browser.GetScreenshot().SaveAsFile(Path.Combine(Folder, name + ".png"));
    }

    private void SaveStand(string name, string title, string instrument, string keys, string panel = "Why here")
    {
        stage.OpenTune(title, instrument);
        stage.Press(keys);
        Stage
            .Wait(() => stage.Browser.FindElements(By.CssSelector("[role=tab]")).FirstOrDefault(t => t.Text == panel))
            .Click();
        Save(name);
    }

    [Fact(Explicit = true)]
    public void Refresh()
    {
        stage.Load("/keeping");
        stage.Browser.ExecuteScript("localStorage.setItem('coppia.kept.class', '1')");
        stage.Load("/week");
        Stage.WaitUntil(() =>
            stage.Text("main").Contains("It begins with", StringComparison.Ordinal)
            && stage.Text("main").Contains("A sheet that prepares it", StringComparison.Ordinal)
        );
        Save("week");
        stage.Open("/tunes");
        stage.Find("[data-tune]");
        Save("tunes");

        stage.Browser.ExecuteScript("localStorage.removeItem('coppia.kept.writing')");
        stage.Open("/write");
        stage.Find("[data-caret]");
        stage.Press("defgabagfedef" + "-gf+e");
        Stage.WaitUntil(() =>
            stage.Browser.FindElements(By.CssSelector("[data-testid=writing-staff] g.note")).Count == 16
        );
        var heads = stage.Browser.FindElements(By.CssSelector("g.notehead"));
        new OpenQA.Selenium.Interactions.Actions(stage.Browser).MoveToElement(heads[4]).Perform();
        Save("writing");
        stage.KeepTune(
            "X:1\nT:Trio in the Yard\nC:Coppia demo\nM:4/4\nL:1/4\nK:D\nV:1 name=\"Violin\"\nV:2 name=\"Viola\" "
                + "clef=alto\nV:3 name=\"Cello\" clef=bass\n[V:1]D E F G|A4|]\n[V:2]A, A, D D|F4|]\n[V:3]D, A,, "
                + "D, A,,|D,4|]\n"
        );
        stage.Find("[role=dialog]");
        stage.Button("Done").Click();

        // The rows that are switched on stay on from one tune to the next.
        SaveStand("stand-violin", "Harbour Lanterns", "violin", "cbr" + Keys.ArrowDown + Keys.ArrowRight);
        stage.OpenTune("The Cellar Stairs", "bass");

        var id = stage.Browser.Url.Split('/')[^1].Split('?')[0];
        stage.Open($"/tunes/{id}/print?for=cello&rows=pair,count,bow");
        stage.Find("[data-label]");
        Save("print");

        stage.SetViewport(390, 844);
        SaveStand("stand-phone", "Harbour Lanterns", "violin", Keys.ArrowDown + Keys.ArrowRight, "Board");
        stage.SetViewport(1280, 800);

        stage.Open("/shapes?for=violin&key=-2");
        stage.Find("[data-label]");
        Save("shapes");
        stage.OpenTune("Three Grey Geese", "violin");
        stage.FirstSheet();
        Stage.WaitUntil(() =>
            stage.Browser.FindElements(By.CssSelector(".sheet-paper .engraved svg g.measure")).Count > 12
        );
        stage.Browser.FindElement(By.CssSelector("[data-part='0'] button[aria-label*='settings']")).Click();
        Save("exercises");
        stage.Browser.ExecuteScript("localStorage.removeItem('coppia.kept.cards')");
        stage.Open("/cards?round=11");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("main .engraved g.note")).Count == 1);
        stage.Press("d" + Keys.Enter);
        stage.Find("[data-mistake]");
        stage.Press(Keys.Enter);
        Stage.WaitUntil(() => stage.Text("main").Contains("Question 2", StringComparison.Ordinal));
        stage.Press("f" + Keys.Enter);
        stage.Find("[data-mistake]");
        stage.Press("???");
        Save("cards");
        stage.Open("/style");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-example] svg")).Count > 8);
        Save("style");
        stage.OpenTune("Three Grey Geese", "violin");
        stage.Press("bbb5");
        Stage.WaitUntil(() => stage.Labels().Length > 150);
        stage.Press(Keys.ArrowRight + Keys.ArrowRight);
        Save("stand-all");
        stage.SetViewport(1920, 1080);
        stage.Open("/tunes/2/caller");
        stage.Find("[data-testid=pair]");
        stage.Press(Keys.ArrowDown + Keys.ArrowDown + Keys.ArrowRight + Keys.ArrowRight + "4");
        Save("caller");
        stage.SetViewport(1280, 800);
        stage.Open("/lesson/1/1");
        stage.Find("[data-step]");
        Save("lesson");
        stage.Open("/classes/1/plan");
        stage.Find("[data-note]");
        Save("class-plan");
        stage.Open("/classes/1");
        Stage.WaitUntil(() => stage.Text("main").Contains("Kite Weather", StringComparison.Ordinal));
        Save("class");
        stage.Open("/classes/1/pieces");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-piece] .engraved g.note")).Count > 60);
        Save("pieces");
        stage.Open("/classes/1/logbook");
        stage.Find("section[aria-labelledby=help] dt");
        Save("logbook");
        var links = (string)
            stage.Browser.ExecuteScript(
                """
                const send = (method, body) => {
                  const r = new XMLHttpRequest()
                  r.open(method, '/api/classes/1/links', false)
                  r.setRequestHeader('content-type', 'application/json')
                  r.send(body)
                  return r.responseText
                }
                send('POST', JSON.stringify({ learners: [1, 8] }))
                return JSON.parse(send('GET')).filter((l) => l.address).map((l) => l.address).join(' ')
                """
            )!;
        stage.SetViewport(390, 844);
        stage.Open(new Uri(links.Split(' ')[0]).AbsolutePath);
        Stage.WaitUntil(() => stage.Text("main").Contains("Hello, Ada", StringComparison.Ordinal));
        Save("learner-phone");
        stage.SetViewport(1280, 800);
        stage.Open(new Uri(links.Split(' ')[1]).AbsolutePath);
        Stage.Wait(() => stage.Browser.FindElements(By.PartialLinkText("My first tune")).FirstOrDefault()).Click();
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("[data-note]")).Count == 14);
        Save("desk");
    }
}
