using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;

namespace Coppia.Tests;

/// <summary>Before all else that a server does with a request; while it is closed, requests come in and wait.</summary>
internal sealed class Gate : IStartupFilter
{
    private volatile TaskCompletionSource _opened = Opened();

    private static TaskCompletionSource Opened()
    {
        var open = new TaskCompletionSource();
        open.SetResult();
        return open;
    }

    public void Close() => _opened = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);

    public void Open() => _opened.TrySetResult();

    public Action<IApplicationBuilder> Configure(Action<IApplicationBuilder> next) =>
        app =>
        {
            app.Use(
                async (context, go) =>
                {
                    await _opened.Task.WaitAsync(context.RequestAborted);
                    await go(context);
                }
            );
            next(app);
        };
}
