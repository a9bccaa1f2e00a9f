using Coppia.Data.Keeping;
using Coppia.Data.Store;
using Coppia.Server.Asked;
using Coppia.Server.Door;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Keeping;

/// <summary>A kept backup.</summary>
/// <param name="Why">day, update, restore or damaged.</param>
public sealed record BackupView(string Name, DateTime MadeAt, long Bytes, string Why);

/// <summary>How the library is kept.</summary>
/// <param name="Folder">Where the backups are.</param>
/// <param name="DaysKept">How many daily backups stay.</param>
/// <param name="ThrownAway">The library is there to be tried, and nothing of it is kept by itself.</param>
public sealed record KeepingView(string Folder, int DaysKept, bool ThrownAway, IReadOnlyList<BackupView> Backups);

/// <summary>What came of a restore.</summary>
/// <param name="Former">Name of the backup that the former library is in.</param>
public sealed record RestoredView(string Former, int Tunes);

/// <summary>Backups, everything out and in again.</summary>
internal static class KeepingEndpoints
{
    private const long MostBytes = 500L * 1024 * 1024;

    public static void MapKeeping(this IEndpointRouteBuilder api)
    {
        var keeping = api.MapGroup("/api/keeping");
        keeping.DisableRequestTimeout();
        keeping.MapGet("", Show).WithName("getKeeping");
        keeping.MapGet("/backup", MakeBackup).WithName("downloadBackup").Produces<FileStreamHttpResult>(200, Binary);
        keeping.MapGet("/backups/{name}", Download).WithName("downloadKeptBackup").ProducesProblem(404);
        keeping
            .MapPost("/backups/{name}/restore", RestoreKept)
            .WithName("restoreKeptBackup")
            .ProducesProblem(404)
            .ProducesProblem(422);
        keeping
            .MapPost("/restore", RestoreSent)
            .WithName("restoreBackup")
            .Accepts<IFormFile>(Binary)
            .Produces<RestoredView>()
            .ProducesProblem(413)
            .ProducesProblem(422);
        keeping
            .MapGet("/everything", Out)
            .WithName("downloadEverything")
            .Produces<FileStreamHttpResult>(200, "application/zip");
        keeping
            .MapPost("/everything", TakeIn)
            .WithName("takeEverythingIn")
            .Accepts<IFormFile>("application/zip")
            .Produces<TakenIn>()
            .ProducesProblem(413)
            .ProducesProblem(422);
    }

    private const string Binary = "application/octet-stream";

    private static KeepingView Show(Backup backup, LibraryFolder folder, ServerOptions options) =>
        new(
            folder.Backups,
            Backup.DaysKept,
            options.ThrowAway,
            [.. backup.Kept().Select(f => new BackupView(f.Name, f.LastWriteTimeUtc, f.Length, Backup.WhyOf(f.Name)))]
        );

    private static FileStreamHttpResult MakeBackup(Backup backup, LibraryFolder folder, Database database)
    {
        var file = Path.Combine(folder.Path, $"sending-{Guid.NewGuid():N}.db");
        Backup.Write(database.File, file);
        return TypedResults.File(Passing(file), Binary, backup.NewName());
    }

    private static FileStreamHttpResult Download(Backup backup, string name) =>
        backup.Kept().FirstOrDefault(f => f.Name == name) is { } file
            ? TypedResults.File(file.OpenRead(), Binary, file.Name)
            : throw NoBackup(name);

    private static RestoredView RestoreKept(Backup backup, LibraryRestore restore, string name) =>
        backup.Kept().FirstOrDefault(f => f.Name == name) is { } file
            ? Restored(restore, file.FullName)
            : throw NoBackup(name);

    private static async Task<RestoredView> RestoreSent(
        HttpContext context,
        LibraryFolder folder,
        LibraryRestore restore
    )
    {
        await using var sent = await Received(context, folder);
        return sent is null ? throw TooLarge() : Restored(restore, sent.Name);
    }

    private static RestoredView Restored(LibraryRestore restore, string file)
    {
        try
        {
            return restore.From(file);
        }
        catch (InvalidDataException e)
        {
            // The file's own place says nothing to the one who sent it.
            throw new RefusedException(
                422,
                e.Message.Replace(file, Say("keeping.keeping.the-file"), StringComparison.Ordinal)
            );
        }
    }

    private static FileStreamHttpResult Out(EverythingOut everything, Backup backup, LibraryFolder folder, Asker asker)
    {
        var file = Passing(Path.Combine(folder.Path, $"sending-{Guid.NewGuid():N}.zip"), FileMode.CreateNew);
        everything.Write(file, asker.Gone);
        file.Position = 0;
        return TypedResults.File(file, "application/zip", Path.ChangeExtension(backup.NewName(), "zip"));
    }

    private static async Task<TakenIn> TakeIn(
        HttpContext context,
        EverythingIn everything,
        LibraryFolder folder,
        Asker asker
    )
    {
        await using var sent = await Received(context, folder);
        if (sent is null)
            throw TooLarge();
        try
        {
            return everything.Read(sent, asker.Gone);
        }
        catch (FormatException e)
        {
            throw new RefusedException(422, e.Message);
        }
    }

    /// <summary>The body as a file of its own that is gone when it is closed; null for one that is too large.</summary>
    private static async Task<FileStream?> Received(HttpContext context, LibraryFolder folder)
    {
        if (context.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } size)
            size.MaxRequestBodySize = MostBytes;
        if (context.Request.ContentLength > MostBytes)
            return null;
        var file = Passing(Path.Combine(folder.Path, $"received-{Guid.NewGuid():N}"), FileMode.CreateNew);
        try
        {
            await context.Request.Body.CopyToAsync(file, context.RequestAborted);
            await file.FlushAsync(context.RequestAborted);
            file.Position = 0;
            return file;
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }
    }

    private static FileStream Passing(string file, FileMode mode = FileMode.Open) =>
        new(
            file,
            new FileStreamOptions
            {
                Mode = mode,
                Access = FileAccess.ReadWrite,
                Share = FileShare.ReadWrite | FileShare.Delete,
                Options = FileOptions.DeleteOnClose,
                UnixCreateMode = mode == FileMode.Open ? null : UnixFileMode.UserRead | UnixFileMode.UserWrite,
            }
        );

    private static RefusedException NoBackup(string name) =>
        new RefusedException(404, Say("keeping.there-is-no-backup", ("name", name)));

    private static RefusedException TooLarge() =>
        new RefusedException(413, Say("keeping.the-file-is-larger-than-mb", ("mostBytes", MostBytes / 1024 / 1024)));
}
