namespace Coppia.Tests;

[Collection(nameof(OnStage))]
public class TunesScreenTests(Stage stage)
{
    private void Paste(string text)
    {
        stage.Open("/tunes");
        stage.TypeTune(text);
    }

    [Fact] // The rows are from craft 19, common practice: cello D major from open D.
    public void A_stranger_pastes_a_tune_presses_3_and_reads_cello_fingers()
    {
        Paste("X:1\nT:Pasted Scale\nM:4/4\nL:1/4\nK:D\nD E F G | A B c d |]");
        Stage.WaitUntil(() => stage.Text("[data-testid=found]").Contains("Pasted Scale", StringComparison.Ordinal));
        stage.Button("Keep and open").Click();
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D1 D2 D3 A0 A1 A2 A3");
        stage.Press("3");
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D1 D3 D4 A0 A1 A3 A4");
    }

    [Fact]
    public void An_error_stands_beside_the_text_with_its_line_and_column_and_the_text_stays()
    {
        const string text = "X:1\nK:D\nD E [F";
        Paste(text);
        Stage.WaitUntil(() =>
            stage.Text("[aria-label='What cannot be read']").StartsWith("Line 3, column 5", StringComparison.Ordinal)
        );
        Assert.True(stage.IsOff("Keep and open"));
        Assert.Equal(text, stage.Find("textarea").GetAttribute("value"));
        stage.Button("Line 3, column 5").Click();
        Assert.Equal(
            "[",
            stage.Browser.ExecuteScript(
                "const t = document.querySelector('textarea'); return t.value.slice(t.selectionStart, t.selectionEnd)"
            )
        );
    }

    [Fact]
    public void A_file_is_taken_and_a_bad_file_can_be_mended()
    {
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.abc");
        File.WriteAllText(file, "X:1\nT:From a file\nK:D\nD [E");
        stage.Open("/tunes");
        stage.Find("input[type=file]").SendKeys(file);
        Stage.WaitUntil(() =>
            stage.Find("textarea").GetAttribute("value")!.Contains("From a file", StringComparison.Ordinal)
        );
        File.WriteAllText(file, "X:1\nT:From a file\nK:D\nD E|]");
        stage.Find("input[type=file]").SendKeys(file);
        Stage.WaitUntil(() => string.Join(' ', stage.Labels()) == "D0 D1");
        File.Delete(file);
    }

    [Fact]
    public void A_tune_is_duplicated_deleted_and_brought_back()
    {
        stage.Open(Stage.Searching("The Tin Ferry"));
        stage.Menu("The Tin Ferry", "Duplicate");
        Stage.WaitUntil(() => stage.Listed("The Tin Ferry (copy)"));
        stage.Menu("The Tin Ferry (copy)", "Delete");
        Stage.WaitUntil(() => !stage.Listed("The Tin Ferry (copy)"));
        stage.Button("Undo").Click();
        Stage.WaitUntil(() => stage.Listed("The Tin Ferry (copy)"));
        stage.Menu("The Tin Ferry (copy)", "Delete");
        Stage.WaitUntil(() => !stage.Listed("The Tin Ferry (copy)"));
    }

    [Fact]
    public void Search_narrows_the_list()
    {
        stage.Open("/tunes");
        stage.Find("[data-tune]");
        stage.Press("/");
        stage.Press("bramble");
        Stage.WaitUntil(() => stage.Listed("Bramble Lane") && !stage.Listed("Moth and Candle"));
        Stage.Retype(stage.Find("input[type=search]"), "moth");
        Stage.WaitUntil(() => stage.Listed("Moth and Candle") && !stage.Listed("Bramble Lane"));
        stage.Press("zzz");
        Stage.WaitUntil(() =>
            stage.Text("main").Contains("No word of a title or composer begins with", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void The_later_of_two_windows_is_told_and_sees_both_texts()
    {
        stage.Open(Stage.Searching("Snow on the Sill"));
        stage.Menu("Snow on the Sill", "Duplicate");
        Stage.WaitUntil(() => stage.Listed("Snow on the Sill (copy)"));
        stage.Menu("Snow on the Sill (copy)", "Rename or edit");
        var title = stage.Find("[role=dialog] input");
        title.SendKeys(" mine");
        stage.Browser.ExecuteScript(
            """
            const id = [...document.querySelectorAll('[data-tune]')].find(e =>
              e.textContent.startsWith('Snow on the Sill (copy)')).getAttribute('href').split('/').pop();
            return fetch('/api/tunes/' + id, { method: 'PUT', headers: { 'Content-Type': 'application/json' }, body:
              JSON.stringify({ version: 1, source: 'X:1\nK:D\nD|]', title: 'Snow elsewhere' }) });
            """
        );
        stage.Button("Save").Click();
        Stage.WaitUntil(() =>
            stage.Text("[aria-label='The other save']").Contains("Snow elsewhere", StringComparison.Ordinal)
        );
        stage.Button("Save mine over it").Click();
        Stage.WaitUntil(() => stage.Listed("Snow on the Sill (copy) mine"));
    }

    [Fact]
    public void Axe_finds_nothing()
    {
        stage.Open("/tunes");
        stage.Find("[data-tune]");
        Assert.Empty(stage.Findings());
    }
}
