using Coppia.Cli;

Console.OutputEncoding = new System.Text.UTF8Encoding(false);
return args switch
{
    ["read", .. var rest] => ReadCommand.Run(rest, Console.Out, Console.Error),
    ["sheet", .. var rest] => SheetCommand.Run(rest, Console.Out, Console.Error),
    ["diagnose", .. var rest] => DiagnoseCommand.Run(rest, Console.Out, Console.Error),
    _ => Wrong(),
};

static int Wrong()
{
    Console.Error.WriteLine($"usage: {ReadCommand.Usage}\n       {SheetCommand.Usage}\n       {DiagnoseCommand.Usage}");
    return 2;
}
