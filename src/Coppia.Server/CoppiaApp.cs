using Coppia.Data;
using Coppia.Formats;
using FluentValidation;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.Timeouts;
using Microsoft.Data.Sqlite;
using Serilog;

namespace Coppia.Server;

/// <summary>Puts the application together: services, endpoints, the built front end.</summary>
public static class CoppiaApp
{
    /// <summary>Largest body of a request, in bytes; an upload of 5 MB with what a form adds.</summary>
    private const int MostBodyBytes = 6 * 1024 * 1024;

    /// <summary>True while the build writes the OpenAPI document; nothing may be left behind on disk then.</summary>
    public static bool DescribingOnly { get; } = System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    /// <param name="options">Where and on what to run.</param>
    /// <param name="adjust">Last changes to the builder; a test puts its own host in.</param>
    /// <exception cref="StartRefusedException">It cannot run there.</exception>
    /// <exception cref="InvalidDataException">The library cannot be used.</exception>
    public static WebApplication Build(ServerOptions options, Action<WebApplicationBuilder>? adjust = null)
    {
        var builder = WebApplication.CreateBuilder(new WebApplicationOptions { ContentRootPath = AppContext.BaseDirectory });
        var folder = new LibraryFolder(options.DataFolder);
        if (!DescribingOnly)
        {
            builder.WebHost.UseUrls([.. Listening.Addresses(options)]);
            folder.Prepare();
        }

        AddLogs(builder, DescribingOnly ? null : folder);
        AddHttp(builder, options);
        AddLibrary(builder.Services, options, folder);
        builder.Services.AddSignIn(DescribingOnly ? null : folder);
        builder.Services.AddOpenApi("v1", ApiDescription.Configure);
        adjust?.Invoke(builder);

        var app = builder.Build();
        app.SendSafeHeaders();
        app.UseExceptionHandler();
        app.UseStatusCodePages();
        app.RefuseOtherSites();
        app.RefuseOtherCharsets();
        app.UseResponseCompression();
        app.ServeFiles(options.WebFolder);
        app.UseRouting();
        app.UseRequestTimeouts();
        app.UseAuthentication();
        app.UseAuthorization();
        app.UseRateLimiter();
        app.MapSignIn();
        app.MapHealth();
        app.MapInstruments();
        app.MapTunes();
        app.MapTuneFiles();
        app.MapTuneBooks();
        app.MapTuneLines();
        app.MapLearnerLines();
        app.MapWriting();
        app.MapReadings();
        app.MapTogether();
        app.MapLadders();
        app.MapBows();
        app.MapStyles();
        app.MapShapes();
        app.MapExercises();
        app.MapSheets();
        app.MapDrills();
        app.MapClasses();
        app.MapRecords();
        app.MapLogbook();
        app.MapKnown();
        app.MapWork();
        app.MapLessons();
        app.MapTuning();
        app.MapDesk();
        app.MapPieces();
        app.MapLearn();
        app.MapKeeping();
        app.MapNothing();
        app.MapPage(options.WebFolder);
        if (!DescribingOnly)
            Prepare(app, options, folder);
        return app;
    }

    private static void AddLogs(WebApplicationBuilder builder, LibraryFolder? folder)
    {
        var logs = new Logs(TimeProvider.System);
        builder.Logging.ClearProviders();
        builder.Services.AddSingleton(logs);
        // A log of its own: the process's one would be closed for all servers by the first that stops.
        builder.Services.AddSerilog(logger => logs.Configure(logger, folder), preserveStaticLogger: true);
    }

    private static void AddHttp(WebApplicationBuilder builder, ServerOptions options)
    {
        var services = builder.Services;
        services.ConfigureHttpJsonOptions(json => JsonParts.MakeStrict(json.SerializerOptions));
        services.Configure<RouteHandlerOptions>(o => o.ThrowOnBadRequest = true);
        services.Configure<FormOptions>(o =>
        {
            o.MultipartBodyLengthLimit = MostBodyBytes;
            o.ValueCountLimit = 16;
        });
        services.AddProblemDetails(o => o.CustomizeProblemDetails = c => Problems.Complete(c.HttpContext, c.ProblemDetails));
        services.AddExceptionHandler<ProblemExceptions>();
        services.AddResponseCompression(o => o.EnableForHttps = true);
        services.AddHttpContextAccessor();
        services.AddSingleton<Waiting>();
        services.AddRequestTimeouts(o =>
            o.DefaultPolicy = new RequestTimeoutPolicy
            {
                Timeout = options.Patience,
                TimeoutStatusCode = 503,
                WriteTimeoutResponse = context =>
                    Results
                        .Problem(
                            statusCode: 503,
                            title: $"This took longer than {options.Patience.TotalSeconds:0.##} seconds and was stopped. "
                                + "Nothing was changed; try it with a shorter tune."
                        )
                        .ExecuteAsync(context),
            }
        );
        services.Configure<Microsoft.AspNetCore.HostFiltering.HostFilteringOptions>(o => o.AllowedHosts = [.. Listening.Names(options)]);
        builder.WebHost.ConfigureKestrel(k =>
        {
            k.Limits.MaxRequestBodySize = MostBodyBytes;
            k.AddServerHeader = false;
            if (Listening.Certificate(options) is { } certificate)
                k.ConfigureHttpsDefaults(https => https.ServerCertificate = certificate);
        });
    }

    private static void AddLibrary(IServiceCollection services, ServerOptions options, LibraryFolder folder)
    {
        services.AddSingleton<IValidator<TuneRequest>, TuneRequestRules>();
        services.AddSingleton<IValidator<StyleRequest>, StyleRules>();
        services.AddSingleton(TimeProvider.System);
        services.AddSingleton(folder);
        services.AddSingleton(options);
        services.AddSingleton<Backup>();
        services.AddSingleton(s => new Database(
            folder.Database,
            file => s.GetRequiredService<Backup>().KeepBeforeUpdate(file),
            options.MostPages
        ));
        services.AddSingleton<TuneRepository>();
        services.AddSingleton<PinRepository>();
        services.AddSingleton<OctaveRepository>();
        services.AddSingleton<BowRepository>();
        services.AddSingleton<StyleRepository>();
        services.AddSingleton<SheetRepository>();
        services.AddSingleton<TeacherRepository>();
        services.AddSingleton<ClassRepository>();
        services.AddSingleton<LearnerRepository>();
        services.AddSingleton<KnownRepository>();
        services.AddSingleton<LinkRepository>();
        services.AddSingleton<WorkRepository>();
        services.AddSingleton<TaskRepository>();
        services.AddSingleton<HandInRepository>();
        services.AddSingleton<BookletRepository>();
        services.AddSingleton<LessonRepository>();
        services.AddSingleton<LearnerLineRepository>();
        services.AddSingleton<Pieces>();
        services.AddSingleton<ReportRepository>();
        services.AddSingleton<LogRepository>();
        services.AddSingleton<ClassCopies>();
        services.AddSingleton<LibraryNames>();
        services.AddSingleton<ClassFiles>();
        services.AddSingleton<ClassTable>();
        services.AddSingleton<Styles>();
        services.AddSingleton<ForWhom>();
        services.AddMemoryCache(o => o.SizeLimit = Readings.Room);
        services.AddSingleton<Readings>();
        services.AddSingleton<Together>();
        services.AddSingleton<TunesOfClass>();
        services.AddSingleton<Lessons>();
        services.AddSingleton<TuneMarks>();
        services.AddSingleton<TuneFits>();
        services.AddSingleton<SheetParts>();
        services.AddSingleton<SheetFiles>();
        services.AddSingleton<EverythingOut>();
        services.AddSingleton<EverythingIn>();
        services.AddSingleton<LibraryRestore>();
        services.AddSingleton<Health>();
        services.AddSingleton<DemoSeed>();
        // A library that is thrown away at the end is not backed up.
        if (!DescribingOnly && !options.ThrowAway)
            services.AddHostedService<Keeping>();
    }

    private static void Prepare(WebApplication app, ServerOptions options, LibraryFolder folder)
    {
        var inUse = folder.Use();
        app.Lifetime.ApplicationStopped.Register(inUse.Dispose);
        var database = app.Services.GetRequiredService<Database>();
        Listening.DemandSignIn(options, app.Services.GetRequiredService<TeacherRepository>().Any());
        if (options.DemoFolder is not { } demo)
            return;
        try
        {
            app.Services.GetRequiredService<DemoSeed>().PutIn(demo);
        }
        catch (SqliteException e)
        {
            throw new InvalidDataException(Database.Said(database.File, e), e);
        }
    }
}
