using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Data.Door;
using Coppia.Data.Exercises;
using Coppia.Data.Keeping;
using Coppia.Data.Lessons;
using Coppia.Data.Logbook;
using Coppia.Data.Records;
using Coppia.Data.Room;
using Coppia.Data.Stand;
using Coppia.Data.Store;
using Coppia.Data.Tunes;
using Coppia.Formats.Records;
using Coppia.Server.Asked;
using Coppia.Server.Classes;
using Coppia.Server.Demo;
using Coppia.Server.Desk;
using Coppia.Server.Door;
using Coppia.Server.Drills;
using Coppia.Server.Exercises;
using Coppia.Server.Keeping;
using Coppia.Server.Learn;
using Coppia.Server.Lessons;
using Coppia.Server.Logbook;
using Coppia.Server.Records;
using Coppia.Server.Room;
using Coppia.Server.Shapes;
using Coppia.Server.Stand;
using Coppia.Server.Tunes;
using Coppia.Server.Writing;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.Timeouts;
using Microsoft.Data.Sqlite;
using Serilog;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server;

/// <summary>Puts the application together: services, endpoints, the built front end.</summary>
public static class CoppiaApp
{
    /// <summary>Largest body of a request, in bytes; an upload of 5 MB with what a form adds.</summary>
    private const int MostBodyBytes = 6 * 1024 * 1024;

    /// <summary>True while the build writes the OpenAPI document; nothing may be left behind on disk then.</summary>
    public static bool DescribingOnly { get; } =
        System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    /// <param name="options">Where and on what to run.</param>
    /// <param name="adjust">Last changes to the builder; a test puts its own host in.</param>
    /// <exception cref="StartRefusedException">It cannot run there.</exception>
    /// <exception cref="InvalidDataException">The library cannot be used.</exception>
    public static WebApplication Build(ServerOptions options, Action<WebApplicationBuilder>? adjust = null)
    {
        var builder = WebApplication.CreateBuilder(
            new WebApplicationOptions { ContentRootPath = AppContext.BaseDirectory }
        );
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
        Guard(app, options);
        MapRooms(app.Refusing());
        app.MapNothing();
        app.MapPage(options.WebFolder);
        if (!DescribingOnly)
            Prepare(app, options, folder);
        return app;
    }

    /// <summary>What every request passes, in its order.</summary>
    private static void Guard(WebApplication app, ServerOptions options)
    {
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
    }

    private static void MapRooms(IEndpointRouteBuilder api)
    {
        api.MapSignIn();
        api.MapHealth();
        api.MapInstruments();
        api.MapTunes();
        api.MapTuneFiles();
        api.MapTuneBooks();
        api.MapTuneLines();
        api.MapTuneKeys();
        api.MapLearnerLines();
        api.MapWriting();
        api.MapReadings();
        api.MapTogether();
        api.MapLadders();
        api.MapBows();
        api.MapStyles();
        api.MapShapes();
        api.MapExercises();
        api.MapSheets();
        api.MapDrills();
        api.MapClasses();
        api.MapRecords();
        api.MapLogbook();
        api.MapKnown();
        api.MapWork();
        api.MapLinks();
        api.MapLessons();
        api.MapTuning();
        api.MapDesk();
        api.MapPieces();
        api.MapBooklet();
        api.MapLearn();
        api.MapLearnDesk();
        api.MapKeeping();
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
        services.AddProblemDetails(o =>
            o.CustomizeProblemDetails = c => Problems.Complete(c.HttpContext, c.ProblemDetails)
        );
        services.AddExceptionHandler<ProblemExceptions>();
        services.AddResponseCompression(o => o.EnableForHttps = true);
        services.AddHttpContextAccessor();
        services.AddRequestTimeouts(o =>
            o.DefaultPolicy = new RequestTimeoutPolicy
            {
                Timeout = options.Patience,
                TimeoutStatusCode = 503,
                WriteTimeoutResponse = context => TookTooLong(options.Patience).ExecuteAsync(context),
            }
        );
        services.Configure<Microsoft.AspNetCore.HostFiltering.HostFilteringOptions>(o =>
            o.AllowedHosts = [.. Listening.Names(options)]
        );
        builder.WebHost.ConfigureKestrel(k =>
        {
            k.Limits.MaxRequestBodySize = MostBodyBytes;
            k.AddServerHeader = false;
            if (Listening.Certificate(options) is { } certificate)
                k.ConfigureHttpsDefaults(https => https.ServerCertificate = certificate);
        });
    }

    private static IResult TookTooLong(TimeSpan patience)
    {
        var seconds = patience.TotalSeconds.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture);
        return Results.Problem(
            statusCode: 503,
            title: Say("server.coppia-app.this-took-longer-than-seconds-and-was", ("totalSeconds", seconds))
        );
    }

    private static void AddLibrary(IServiceCollection services, ServerOptions options, LibraryFolder folder)
    {
        services.AddSingleton(TimeProvider.System);
        services.AddSingleton(folder);
        services.AddSingleton(options);
        services.AddSingleton<Backup>();
        services.AddSingleton(s => new Database(
            folder.Database,
            file => s.GetRequiredService<Backup>().KeepBeforeUpdate(file),
            options.MostPages
        ));
        AddRepositories(services);
        services.AddSingleton<ClassCopies>();
        services.AddSingleton<LibraryNames>();
        services.AddSingleton<ClassFiles>();
        services.AddSingleton<ClassTable>();
        services.AddSingleton<Asker>();
        services.AddMemoryCache(o => o.SizeLimit = Readings.Room);
        services.AddSingleton<SchoolCalendar>();
        services.AddSingleton<HouseStyles>();
        services.AddSingleton<ClassMemory>();
        services.AddSingleton<HeldMemory>();
        services.AddSingleton<WrittenMemory>();
        services.AddSingleton<DeskText>();
        services.AddSingleton<TuneMarks>();
        services.AddSingleton<EverythingOut>();
        services.AddSingleton<EverythingIn>();
        services.AddSingleton<LibraryRestore>();
        services.AddSingleton<Health>();
        AddAsked(services);
        // A library that is thrown away at the end is not backed up.
        if (!DescribingOnly && !options.ThrowAway)
            services.AddHostedService<Caretaker>();
    }

    private static void AddRepositories(IServiceCollection services)
    {
        AddPutAway<TuneRepository>(services);
        AddPutAway<StyleRepository>(services);
        AddPutAway<SheetRepository>(services);
        AddPutAway<TaskRepository>(services);
        AddPutAway<LessonRepository>(services);
        services.AddSingleton<PinRepository>();
        services.AddSingleton<OctaveRepository>();
        services.AddSingleton<BowRepository>();
        services.AddSingleton<TeacherRepository>();
        services.AddSingleton<ClassRepository>();
        services.AddSingleton<LearnerRepository>();
        services.AddSingleton<KnownRepository>();
        services.AddSingleton<LinkRepository>();
        services.AddSingleton<WorkRepository>();
        services.AddSingleton<HandInRepository>();
        services.AddSingleton<BookletRepository>();
        services.AddSingleton<LearnerLineRepository>();
        services.AddSingleton<ReportRepository>();
        services.AddSingleton<LogRepository>();
    }

    /// <summary>What lets go by itself of what was put away long ago.</summary>
    private static void AddPutAway<T>(IServiceCollection services)
        where T : class, IPutAway
    {
        services.AddSingleton<T>();
        services.AddSingleton<IPutAway>(s => s.GetRequiredService<T>());
    }

    /// <summary>What is made anew for each request, because it answers for who asks.</summary>
    private static void AddAsked(IServiceCollection services)
    {
        services.AddScoped<Asker>();
        services.AddScoped<Own>();
        services.AddScoped<Readings>();
        services.AddScoped<Together>();
        services.AddScoped<TunesOfClass>();
        services.AddScoped<TuneShelf>();
        services.AddScoped<TuneList>();
        services.AddScoped<TuneFits>();
        services.AddScoped<SheetParts>();
        services.AddScoped<SheetFiles>();
        services.AddScoped<KeptSheets>();
        services.AddScoped<DrillRounds>();
        services.AddScoped<KnownPlan>();
        services.AddScoped<SetWork>();
        services.AddScoped<ClassLog>();
        services.AddScoped<LearnerLogs>();
        services.AddScoped<KeptTasks>();
        services.AddScoped<Pieces>();
        services.AddScoped<BroughtPieces>();
        services.AddScoped<LearnDesks>();
        services.AddScoped<LearnReports>();
        services.AddScoped<LessonPlanner>();
        services.AddScoped<DemoSeed>();
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
            using var scope = app.Services.CreateScope();
            scope.ServiceProvider.GetRequiredService<DemoSeed>().PutIn(demo);
        }
        catch (SqliteException e)
        {
            throw new InvalidDataException(Database.MessageOf(database.File, e), e);
        }
    }
}
