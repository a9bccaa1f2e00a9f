using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>Not a test: refreshes the pictures in docs/screenshots from the demo data. Run by ./coppia shots.</summary>
[Collection(nameof(OnStage))]
public class Shots(Stage stage)
{
    private static readonly string? Folder = Environment.GetEnvironmentVariable("SHOTS_FOLDER");

    private void Save(string name)
    {
        if (Folder is null) return;
        Thread.Sleep(500); // let the last transition end
        stage.Browser.GetScreenshot().SaveAsFile(Path.Combine(Folder, name + ".png"));
    }

    [Fact(Explicit = true)]
    public void Refresh()
    {
        stage.Open("/tunes");
        stage.Find("[data-tune]");
        Save("tunes");

        stage.OpenTune("Harbour Lanterns", "violin");
        stage.Press("ncb");
        stage.Press(Keys.ArrowDown + Keys.ArrowRight + Keys.ArrowRight);
        Save("stand-violin");
        stage.Press("ncb");
        stage.OpenTune("Night Train over the Marsh", "cello");
        stage.Press(Keys.ArrowRight);
        Save("stand-cello");
        stage.OpenTune("The Cellar Stairs", "bass");
        stage.Press(Keys.ArrowDown + Keys.ArrowDown);
        Save("stand-bass");

        var id = stage.Browser.Url.Split('/')[^1].Split('?')[0];
        stage.Open($"/tunes/{id}/print?for=bass&rows=pair,count,bow");
        stage.Find("[data-label]");
        Save("print");
    }
}
