using System.Text.Json.Serialization;
using Coppia.Data;
using FluentValidation;
using Microsoft.Extensions.FileProviders;
using Serilog;

namespace Coppia.Server;

/// <summary>Puts the application together: services, endpoints, the built front end.</summary>
public static class CoppiaApp
{
    /// <summary>So long what was deleted can come back; the screens say so.</summary>
    private const int DaysDeletedStay = 30;

    /// <summary>True while the build writes the OpenAPI document; nothing may be left behind on disk then.</summary>
    public static bool DescribingOnly { get; } = System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    /// <param name="options">Where and on what to run.</param>
    /// <param name="adjust">Last changes to the builder; a test puts its own host in.</param>
    public static WebApplication Build(ServerOptions options, Action<WebApplicationBuilder>? adjust = null)
    {
        var builder = WebApplication.CreateBuilder(new WebApplicationOptions { ContentRootPath = AppContext.BaseDirectory });
        if (!DescribingOnly)
        {
            Directory.CreateDirectory(options.DataFolder);
            builder.WebHost.UseUrls($"http://{options.Host}:{FreePort(options)}");
        }

        ConfigureLogging(builder, DescribingOnly ? null : options.DataFolder);
        builder.Services.ConfigureHttpJsonOptions(json =>
        {
            json.SerializerOptions.Converters.Add(new JsonStringEnumConverter(System.Text.Json.JsonNamingPolicy.CamelCase));
            json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
        });
        builder.Services.AddProblemDetails();
        builder.Services.AddExceptionHandler<ProblemExceptions>();
        builder.Services.AddOpenApi(
            "v1",
            o =>
            {
                o.AddDocumentTransformer(
                    (document, _, _) =>
                    {
                        document.Info.Title = "Coppia";
                        document.Info.Version = "1";
                        return Task.CompletedTask;
                    }
                );
                o.AddSchemaTransformer(
                    (schema, context, _) =>
                    {
                        // A value type always has all of its parts; left to itself the document calls them optional.
                        if (context.JsonTypeInfo.Type.IsValueType && schema.Properties is { Count: > 0 } parts)
                            schema.Required = parts.Keys.ToHashSet();
                        return Task.CompletedTask;
                    }
                );
            }
        );
        builder.Services.AddResponseCompression(o => o.EnableForHttps = true);
        builder.Services.AddSingleton<IValidator<TuneRequest>, TuneRequestRules>();
        builder.Services.AddSingleton<IValidator<StyleRequest>, StyleRules>();
        builder.Services.AddSingleton(TimeProvider.System);
        builder.Services.AddSingleton(_ => new Database(Path.Combine(options.DataFolder, "coppia.db")));
        builder.Services.AddSingleton<TuneRepository>();
        builder.Services.AddSingleton<PinRepository>();
        builder.Services.AddSingleton<OctaveRepository>();
        builder.Services.AddSingleton<BowRepository>();
        builder.Services.AddSingleton<StyleRepository>();
        builder.Services.AddSingleton<SheetRepository>();
        builder.Services.AddSingleton<Styles>();
        builder.Services.AddMemoryCache(o => o.SizeLimit = Readings.Room);
        builder.Services.AddSingleton<Readings>();
        builder.Services.AddSingleton<SheetParts>();
        builder.Services.AddSingleton<SheetFiles>();
        // A page from elsewhere must not reach a teacher's own server through a name that points here.
        builder.Services.Configure<Microsoft.AspNetCore.HostFiltering.HostFilteringOptions>(o =>
            o.AllowedHosts = options.Host is "127.0.0.1" or "localhost" ? ["127.0.0.1", "localhost"] : ["*"]
        );
        builder.WebHost.ConfigureKestrel(k =>
        {
            k.Limits.MaxRequestBodySize = 6 * 1024 * 1024;
            k.AddServerHeader = false;
        });

        adjust?.Invoke(builder);
        var app = builder.Build();
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.UseResponseCompression();
        ServeFrontEnd(app, options.WebFolder);
        app.MapHealth();
        app.MapInstruments();
        app.MapTunes();
        app.MapTuneFiles();
        app.MapTuneBooks();
        app.MapTuneLines();
        app.MapWriting();
        app.MapReadings();
        app.MapBows();
        app.MapStyles();
        app.MapShapes();
        app.MapExercises();
        app.MapSheets();
        app.MapDrills();
        app.MapGet("/api/{**rest}", () => Results.Problem(statusCode: 404, title: "There is nothing at this address."))
            .ExcludeFromDescription();
        app.MapFallback(() => Results.File(Path.Combine(options.WebFolder, "index.html"), "text/html")).ExcludeFromDescription();
        if (!DescribingOnly)
            Prepare(app, options);
        return app;
    }

    private static void ConfigureLogging(WebApplicationBuilder builder, string? dataFolder)
    {
        builder.Logging.ClearProviders();
        builder.Services.AddSerilog(logger =>
        {
            logger
                .MinimumLevel.Information()
                .MinimumLevel.Override("Microsoft", Serilog.Events.LogEventLevel.Warning)
                .WriteTo.Console(
                    restrictedToMinimumLevel: Serilog.Events.LogEventLevel.Warning,
                    formatProvider: System.Globalization.CultureInfo.InvariantCulture
                );
            if (dataFolder is not null)
            {
                logger.WriteTo.File(
                    Path.Combine(dataFolder, "logs", "coppia-.log"),
                    formatProvider: System.Globalization.CultureInfo.InvariantCulture,
                    rollingInterval: RollingInterval.Day,
                    retainedFileCountLimit: 14
                );
            }
        });
    }

    /// <summary>The asked-for port; where the usual one is taken and none was asked for, any free one.</summary>
    private static int FreePort(ServerOptions options)
    {
        if (options.Port != ServerOptions.UsualPort || options.Host != "127.0.0.1")
            return options.Port;
        using var probe = new System.Net.Sockets.Socket(
            System.Net.Sockets.AddressFamily.InterNetwork,
            System.Net.Sockets.SocketType.Stream,
            System.Net.Sockets.ProtocolType.Tcp
        );
        probe.SetSocketOption(System.Net.Sockets.SocketOptionLevel.Socket, System.Net.Sockets.SocketOptionName.ReuseAddress, true);
        try
        {
            probe.Bind(new System.Net.IPEndPoint(System.Net.IPAddress.Loopback, options.Port));
            return options.Port;
        }
        catch (System.Net.Sockets.SocketException)
        {
            return 0;
        }
    }

    private static void ServeFrontEnd(WebApplication app, string webFolder)
    {
        if (!Directory.Exists(webFolder))
            return;
        var files = new PhysicalFileProvider(Path.GetFullPath(webFolder));
        app.UseDefaultFiles(new DefaultFilesOptions { FileProvider = files });
        app.UseStaticFiles(
            new StaticFileOptions
            {
                FileProvider = files,
                // File names under assets carry a hash of their content.
                OnPrepareResponse = c =>
                    c.Context.Response.Headers.CacheControl = c.Context.Request.Path.StartsWithSegments("/assets")
                        ? "public, max-age=31536000, immutable"
                        : "no-cache",
            }
        );
    }

    private static void Prepare(WebApplication app, ServerOptions options)
    {
        var tunes = app.Services.GetRequiredService<TuneRepository>();
        var clock = app.Services.GetRequiredService<TimeProvider>();
        var tooOld = clock.GetUtcNow().UtcDateTime.AddDays(-DaysDeletedStay);
        tunes.Purge(tooOld);
        app.Services.GetRequiredService<StyleRepository>().Purge(tooOld);
        app.Services.GetRequiredService<SheetRepository>().Purge(tooOld);
        if (options.DemoFolder is { } demo)
            DemoSeed.PutInto(tunes, demo);
    }
}
