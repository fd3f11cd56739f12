using Altrin.Web;
using Altrin.Web.Cli;

// The simulator answers from the command line without waking the web server.
return args is ["simulate", .. var files]
    ? SimulateCommand.Run(files, Console.OpenStandardInput, Console.OpenStandardOutput(), Console.Error)
    : await AltrinServer.Run(args);
