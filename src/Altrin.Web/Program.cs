using Altrin.Web;
using Altrin.Web.Cli;

// The command line answers without waking the web server.
return args switch
{
    ["simulate", .. var files] => SimulateCommand.Run(files, Console.OpenStandardInput, Console.OpenStandardOutput(), Console.Error),
    ["look", .. var rest] => LookCommand.Run(rest, Console.OpenStandardOutput(), Console.Error).GetAwaiter().GetResult(),
    ["read", .. var files] => ReadCommand.Run(files, Console.OpenStandardInput, Console.OpenStandardOutput(), Console.Error),
    ["plan", .. var rest] => PlanCommands.Plan(rest, Console.OpenStandardInput, Console.OpenStandardOutput(), Console.Error),
    ["order", .. var files] => PlanCommands.Order(files, Console.OpenStandardInput, Console.OpenStandardOutput(), Console.Error),
    ["diagnose", .. var rest] => DiagnoseCommand.Run(rest, Console.OpenStandardInput, Console.OpenStandardOutput(), Console.Error),
    ["callout", .. var rest] => CallOutCommand.Run(rest, Console.OpenStandardInput, Console.OpenStandardOutput(), Console.Error),
    ["export", .. var rest] =>
        ExportCommand.Run(rest, Console.OpenStandardInput, Console.OpenStandardOutput(), Console.Error, DateTime.Now),
    ["import", .. var rest] => ImportCommand.Run(rest, Console.OpenStandardInput, Console.OpenStandardOutput(), Console.Error),
    ["restore", .. var rest] => RestoreCommand.Run(rest, Console.Out, Console.Error),
    _ => await AltrinServer.Run(args),
};
