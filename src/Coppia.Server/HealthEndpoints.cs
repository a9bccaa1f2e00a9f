using Coppia.Data;

namespace Coppia.Server;

public sealed record HealthView(string Status, string Version);

internal static class HealthEndpoints
{
    public static void MapHealth(this WebApplication app) =>
        app.MapGet(
                "/api/health",
                (Database database) =>
                {
                    using var connection = database.Open();
                    return new HealthView("ok", typeof(HealthEndpoints).Assembly.GetName().Version!.ToString(3));
                }
            )
            .WithName("getHealth");
}
