using System.CommandLine;
using Coppia.Data.Keeping;
using Coppia.Data.Store;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Cli;

/// <summary><c>coppia backup [FILE] [--data DIR]</c>: the whole library as one file, also while it is in use.</summary>
public static class BackupCommand
{
    public const string Usage = "coppia backup [FILE] [--data DIR]";

    private static readonly Argument<string?> To = new("FILE") { DefaultValueFactory = _ => null };
    internal static readonly Option<string> Data = new Option<string>("--data")
    {
        DefaultValueFactory = _ => LibraryFolder.Usual,
    };

    /// <summary>Prints where the backup is; 2 with one line on standard error where none is made.</summary>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        var asked = new RootCommand { To, Data }.Parse(args);
        if (asked.Errors.Count > 0)
            return Files.Refuse(error, Say("cli.usage", ("usage", Usage)));
        var folder = new LibraryFolder(asked.GetValue(Data)!);
        if (!File.Exists(folder.Database))
            return Files.Refuse(error, Say("cli.backup.there-is-no-library-in-expected-a", ("path", folder.Path)));
        var file = Path.GetFullPath(asked.GetValue(To) ?? new Backup(folder, TimeProvider.System).NewName());
        if (Directory.Exists(file))
            file = Path.Combine(file, new Backup(folder, TimeProvider.System).NewName());
        try
        {
            Backup.Write(folder.Database, file);
        }
        catch (InvalidDataException e)
        {
            return Files.Refuse(error, e.Message);
        }

        output.WriteLine(Say("cli.backup.the-library-is-backed-up-in", ("file", file)));
        return 0;
    }
}

/// <summary>
/// <c>coppia restore FILE [--data DIR]</c>: puts a backup in the library's place after a look at it; the library that
/// was there is kept.
/// </summary>
public static class RestoreCommand
{
    public const string Usage = "coppia restore FILE [--data DIR]";

    private static readonly Argument<string> From = new("FILE");

    /// <summary>
    /// Prints where the former library is; 2 with one line on standard error where nothing was changed.
    /// </summary>
    public static int Run(string[] args, TextWriter output, TextWriter error)
    {
        var asked = new RootCommand { From, BackupCommand.Data }.Parse(args);
        if (asked.Errors.Count > 0)
            return Files.Refuse(error, Say("cli.usage", ("usage", Usage)));
        var folder = new LibraryFolder(asked.GetValue(BackupCommand.Data)!);
        try
        {
            var former = new Backup(folder, TimeProvider.System).Restore(Path.GetFullPath(asked.GetValue(From)!));
            output.WriteLine(Say("cli.backup.the-library-in-is-that-of-the", ("path", folder.Path)));
            if (former is not null)
                output.WriteLine(Say("cli.backup.the-one-that-was-there-is-kept", ("former", former)));
            return 0;
        }
        catch (InvalidDataException e)
        {
            return Files.Refuse(error, e.Message);
        }
    }
}
