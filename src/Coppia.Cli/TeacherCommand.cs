using System.CommandLine;
using Coppia.Data.Door;
using Coppia.Data.Keeping;
using Coppia.Data.Store;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Cli;

/// <summary>
/// <c>coppia teacher add|reset|remove NAME</c> and <c>coppia teacher list</c>: who may use the library, also where
/// somebody has forgotten the passphrase. It is read from standard input, so that it stands in no list of commands.
/// </summary>
public static class TeacherCommand
{
    public const string Usage =
        "coppia teacher add|reset|remove NAME [--data DIR]   |   coppia teacher list [--data DIR]";

    private static readonly Argument<string> What = new("WHAT");
    private static readonly Argument<string?> Name = new("NAME") { DefaultValueFactory = _ => null };

    /// <summary>0 when it is done; 2 with one line on standard error where nothing was changed.</summary>
    public static int Run(string[] args, TextReader input, TextWriter output, TextWriter error)
    {
        var asked = new RootCommand { What, Name, BackupCommand.Data }.Parse(args);
        if (asked.Errors.Count > 0)
            return Files.Refuse(error, Say("cli.usage", ("usage", Usage)));
        var (what, name) = (asked.GetValue(What), asked.GetValue(Name));
        if (what is not ("add" or "reset" or "remove" or "list") || name is null != (what == "list"))
            return Files.Refuse(error, Say("cli.usage", ("usage", Usage)));
        try
        {
            var folder = new LibraryFolder(asked.GetValue(BackupCommand.Data)!);
            folder.Prepare();
            var backup = new Backup(folder, TimeProvider.System);
            var teachers = new TeacherRepository(
                new Database(folder.Database, file => backup.KeepBeforeUpdate(file)),
                TimeProvider.System
            );
            return what switch
            {
                "list" => List(teachers, output),
                "add" => Add(teachers, name!, input, output, error),
                "reset" => Reset(teachers, name!, input, output, error),
                _ => Remove(teachers, name!, output, error),
            };
        }
        catch (InvalidDataException e)
        {
            return Files.Refuse(error, e.Message);
        }
    }

    private static int List(TeacherRepository teachers, TextWriter output)
    {
        foreach (var teacher in teachers.List())
            output.WriteLine(teacher.Name);
        return 0;
    }

    private static int Add(
        TeacherRepository teachers,
        string name,
        TextReader input,
        TextWriter output,
        TextWriter error
    )
    {
        if (Passphrase(name, input, output, error) is not { } passphrase)
            return 2;
        if (teachers.Add(name, passphrase) is not { } added)
            return Files.Refuse(error, Say("cli.teacher.there-is-a-teacher-already-another", ("name", name)));
        output.WriteLine(Say("cli.teacher.can-sign-in-now", ("added", added.Name)));
        return 0;
    }

    private static int Reset(
        TeacherRepository teachers,
        string name,
        TextReader input,
        TextWriter output,
        TextWriter error
    )
    {
        if (teachers.Named(name) is not { } teacher)
            return Unknown(name, teachers, error);
        if (Passphrase(name, input, output, error) is not { } passphrase)
            return 2;
        teachers.Change(teacher.Id, passphrase);
        output.WriteLine(Say("cli.teacher.has-another-passphrase-and-is-signed", ("teacher", teacher.Name)));
        return 0;
    }

    private static int Remove(TeacherRepository teachers, string name, TextWriter output, TextWriter error)
    {
        if (teachers.Named(name) is not { } teacher)
            return Unknown(name, teachers, error);
        teachers.Remove(teacher.Id);
        output.WriteLine(
            teachers.Any()
                ? Say("cli.teacher.cannot-sign-in-any-more", ("teacher", teacher.Name))
                : Say("cli.teacher.cannot-sign-in-any-more-nobody-needs", ("teacher", teacher.Name))
        );
        return 0;
    }

    private static string? Passphrase(string name, TextReader input, TextWriter output, TextWriter error)
    {
        output.WriteLine(
            Say(
                "cli.teacher.a-passphrase-of-characters-or-more",
                ("shortestPassphrase", TeacherRepository.ShortestPassphrase)
            )
        );
        var passphrase = input.ReadLine() ?? "";
        if (TeacherRepository.Wrong(name, passphrase) is not { } wrong)
            return passphrase;
        Files.Refuse(error, wrong);
        return null;
    }

    private static int Unknown(string name, TeacherRepository teachers, TextWriter error)
    {
        var names = string.Join(", ", teachers.List().Select(t => t.Name));
        return Files.Refuse(
            error,
            Say(
                "cli.teacher.there-is-no-teacher-expected",
                ("name", name),
                ("what", names.Length > 0 ? names : Say("cli.teacher.one-that-was-added-before"))
            )
        );
    }
}
