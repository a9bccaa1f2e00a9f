using Coppia.Cli;
using static Coppia.Core.Wording.Messages.Catalogue;

Console.OutputEncoding = new System.Text.UTF8Encoding(false);
return args switch
{
    ["read", .. var rest] => ReadCommand.Run(rest, Console.Out, Console.Error),
    ["sheet", .. var rest] => SheetCommand.Run(rest, Console.Out, Console.Error),
    ["desk", .. var rest] => DeskCommand.Run(rest, Console.Out, Console.Error),
    ["slips", .. var rest] => SlipsCommand.Run(rest, Console.Out, Console.Error),
    ["call", .. var rest] => CallCommand.Run(rest, Console.Out, Console.Error),
    ["diagnose", .. var rest] => DiagnoseCommand.Run(rest, Console.Out, Console.Error),
    ["backup", .. var rest] => BackupCommand.Run(rest, Console.Out, Console.Error),
    ["restore", .. var rest] => RestoreCommand.Run(rest, Console.Out, Console.Error),
    ["teacher", .. var rest] => TeacherCommand.Run(rest, Console.In, Console.Out, Console.Error),
    _ => Wrong(),
};

static int Wrong()
{
    string[] usages =
    [
        ReadCommand.Usage,
        SheetCommand.Usage,
        DeskCommand.Usage,
        DiagnoseCommand.Usage,
        CallCommand.Usage,
        SlipsCommand.Usage,
        BackupCommand.Usage,
        RestoreCommand.Usage,
        TeacherCommand.Usage,
    ];
    Console.Error.WriteLine(Say("cli.program.wrong-usage", ("usages", string.Join("\n       ", usages))));
    return 2;
}
