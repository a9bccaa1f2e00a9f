using Coppia.Server.Door;

namespace Coppia.Tests;

/// <summary>No request takes for ever, and none costs more than it is long (common practice).</summary>
public sealed class PatienceTests
{
    /// <summary>A server that waits no longer than nobody can answer in.</summary>
    private sealed class Hurried : RunningServer
    {
        protected override ServerOptions Adjusted(ServerOptions options) =>
            options with
            {
                Patience = TimeSpan.FromMilliseconds(10),
            };
    }

    private static string Long =>
        "X:1\nT:Long\nM:4/4\nL:1/4\nK:D\n" + string.Concat(Enumerable.Repeat("DEFG|ABcd|\n", 2_400));

    [Fact]
    public async Task What_takes_too_long_is_stopped_and_said()
    {
        await using var server = new Hurried();
        await server.InitializeAsync();
        // Not by a request: that would take too long too.
        var tunes = new Data.Tunes.TuneRepository(
            new Data.Store.Database(Path.Combine(server.Folder, "coppia.db")),
            TimeProvider.System
        );
        tunes.Add(SomeLibrary.Tune("Long") with { Source = Long });
        var answer = await server.Send(HttpMethod.Get, "/api/tunes/1/reading?instrument=cello");
        Assert.Equal(503, answer.Status);
        Assert.Equal(
            "This took longer than 0.01 seconds and was stopped. Nothing was changed; try it with a shorter tune.",
            answer.Body.GetProperty("title").GetString()
        );
    }

    [Fact]
    public async Task A_tune_of_the_greatest_length_is_read()
    {
        await using var server = new RunningServer();
        await server.InitializeAsync();
        var id = await server.Keep(Long);
        foreach (var instrument in new[] { "violin", "viola", "cello", "bass" })
        {
            using var reading = await server.Client.GetAsync(
                $"/api/tunes/{id}/reading?instrument={instrument}",
                TestContext.Current.CancellationToken
            );
            Assert.Equal(200, (int)reading.StatusCode);
        }
    }

    [Fact]
    public void Whoever_leaves_is_not_worked_for()
    {
        using var left = new CancellationTokenSource();
        left.Cancel();
        var score = Coppia.Formats.Books.TuneReader.Read(Long).Score!;
        var player = new Player(StringSection.Violin, HouseStyle.Default);
        var music = Core.Reading.TuneMusic.Of(score, HouseStyle.Default);
        Assert.Throws<OperationCanceledException>(() =>
            Core.Reading.PlayerReading.Of(music, StringSection.Violin, player, stop: left.Token)
        );
        Assert.Throws<OperationCanceledException>(() => music.Advice(stop: left.Token));
    }
}
