using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text;
using System.Text.Json;
using OpenQA.Selenium;

namespace Coppia.Tests;

/// <summary>
/// A page of another site, open in the teacher's own browser, changes nothing and reads nothing; and no text of a tune
/// runs as a script (OWASP ASVS 4.0.3, 4.2.2, 5.2.7, 5.3.3, 13.2.3, 14.4.3, 14.4.7).
/// </summary>
[Collection(nameof(OnStage))]
public sealed class HostilePageTests(Stage stage)
{
    private static readonly HttpClient Client = new();

    private async Task<string> Library() =>
        (await Client.GetFromJsonAsync<JsonElement>($"{stage.Address}/api/tunes?order=changed")).GetRawText();

    /// <summary>A site at another port, which is another origin (RFC 6454, 3.2.1), with one page.</summary>
    private static async Task Serve(TcpListener site, string page, CancellationToken stop)
    {
        var answer = Encoding.UTF8.GetBytes(
            "HTTP/1.1 200 OK\r\nContent-Type: text/html; charset=utf-8\r\nContent-Length: "
                + $"{Encoding.UTF8.GetByteCount(page)}\r\nConnection: close\r\n\r\n{page}"
        );
        while (!stop.IsCancellationRequested)
        {
            try
            {
                using var caller = await site.AcceptTcpClientAsync(stop);
                var stream = caller.GetStream();
                _ = await stream.ReadAsync(new byte[8192], stop);
                await stream.WriteAsync(answer, stop);
            }
            catch (Exception e) when (e is OperationCanceledException or IOException)
            {
                // The browser has left, or the test is over.
            }
        }
    }

    [Fact]
    public async Task It_changes_nothing_reads_nothing_and_shows_nothing_of_ours()
    {
        using var site = new TcpListener(IPAddress.Loopback, 0);
        site.Start();
        using var over = new CancellationTokenSource();
        var page = $$"""
            <!doctype html><title>Elsewhere</title><p id=done></p>
            <iframe id=frame src="{{stage.Address}}/tunes"></iframe>
            <iframe name=sink></iframe>
            <form id=form method=post enctype="text/plain" target=sink
              action="{{stage.Address}}/api/tunes/deleted"><input name='[1,2,3,"' value='"]'></form>
            <script type=module>
              const tries = []
              const attempt = async (what, path, options) => {
                try { const r = await fetch('{{stage.Address}}' + path, options);
                  tries.push(what + ' ' + (r.type === 'opaque' ? 'sent' : r.status)) }
                catch { tries.push(what + ' refused') }
              }
              const json = { 'Content-Type': 'application/json' }
              await attempt('read', '/api/tunes')
              await attempt('delete', '/api/tunes/1', { method: 'DELETE' })
              await attempt('put', '/api/tunes/1', { method: 'PUT', headers: json, body:
                '{"version":1,"source":"K:D\\nD|"}' })
              await attempt('json', '/api/tunes', { method: 'POST', headers: json, body: '{"source":"D E F"}' })
              await attempt('blind', '/api/tunes', { method: 'POST', mode: 'no-cors', body: '{"source":"D E F"}' })
              await attempt('blind restore', '/api/keeping/restore', { method: 'POST', mode: 'no-cors', body: 'x' })
              await attempt('blind duplicate', '/api/tunes/1/duplicate', { method: 'POST', mode: 'no-cors' })
              document.getElementById('form').submit()
              setTimeout(() => (document.getElementById('done').textContent = tries.join(', ')), 1500)
            </script>
            """;
        var serving = Serve(site, page, over.Token);
        var before = await Library();
        stage.Browser.Navigate().GoToUrl($"http://localhost:{((IPEndPoint)site.LocalEndpoint).Port}/");
        Stage.WaitUntil(() => stage.Browser.FindElement(By.Id("done")).Text.Length > 0);
        var tries = stage.Browser.FindElement(By.Id("done")).Text;
        // Not even that an answer came is told; that what was sent did nothing is seen in the library.
        Assert.Equal(
            "read refused, delete refused, put refused, json refused, blind refused, blind restore refused, "
                + "blind duplicate refused",
            tries
        );
        stage.Browser.SwitchTo().Frame("frame");
        Assert.Empty(stage.Browser.FindElements(By.CssSelector("main, #root")));
        stage.Browser.SwitchTo().DefaultContent();
        Assert.Equal(before, await Library());
        await over.CancelAsync();
        await serving;
        stage.Load("/tunes"); // our own page is as it was
        stage.Find("[data-tune]");
    }

    [Fact] // A script that a text would start says so in the window.
    public async Task No_text_of_a_tune_runs_as_a_script()
    {
        const string evil = "<img src=x onerror=window.ran=1><script>window.ran=1</script>";
        using var kept = await Client.PostAsJsonAsync(
            $"{stage.Address}/api/tunes",
            new
            {
                title = $"Evil {evil}",
                composer = evil,
                source = $"X:1\nT:{evil}\nM:4/4\nL:1/4\nQ:\"{evil}\" 1/4=90\nP:A\nK:D\nP:A\n\"^{evil}\"D E F "
                    + $"G|\nw:{evil.Replace(' ', '~')} {evil.Replace(' ', '~')}\n",
            }
        );
        var id = (await kept.Content.ReadFromJsonAsync<JsonElement>())
            .GetProperty("summary")
            .GetProperty("id")
            .GetInt64();
        bool Ran() => (bool)stage.Browser.ExecuteScript("return window.ran !== undefined")!;
        stage.Load(Stage.Searching("Evil"));
        Stage.WaitUntil(() => stage.Text("[data-tune]").StartsWith("Evil <img", StringComparison.Ordinal));
        Assert.False(Ran());
        stage.Load($"/tunes/{id}?for=violin");
        Stage.WaitUntil(() => stage.Labels().Length == 4);
        Assert.False(Ran());
        stage.Load($"/tunes/{id}/print?for=violin&rows=pair");
        Stage.WaitUntil(() => stage.Browser.FindElements(By.CssSelector("g.note")).Count > 0);
        Assert.False(Ran());
        // And if one did get in, the browser would not run it.
        stage.Browser.ExecuteScript(
            "const s = document.createElement('script'); s.textContent = 'window.ran = 1'; document.body.append(s)"
        );
        Assert.False(Ran());
        using var gone = await Client.DeleteAsync(
            new Uri($"{stage.Address}/api/tunes/{id}"),
            TestContext.Current.CancellationToken
        );
    }
}
