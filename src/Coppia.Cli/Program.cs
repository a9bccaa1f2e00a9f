using Coppia.Cli;

Console.OutputEncoding = new System.Text.UTF8Encoding(false);
return args is ["read", .. var rest] ? ReadCommand.Run(rest, Console.Out, Console.Error) : Wrong();

static int Wrong()
{
    Console.Error.WriteLine($"usage: {ReadCommand.Usage}");
    return 2;
}
