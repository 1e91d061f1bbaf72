using System.Diagnostics;
using System.Text.Json;
using Kondiba.Core.Planning;
using Microsoft.Extensions.Logging;

namespace Kondiba.Planning;

/// <summary>Looks for plans in processes of their own, one for each search: when one comes to grief, that search alone does.</summary>
public sealed class SolverProcess(ILogger<SolverProcess> log)
{
    // What is bettered gives way to first plans, and to whoever looks at a page.
    private const ProcessPriorityClass Bettering = ProcessPriorityClass.BelowNormal;

    private static readonly Action<ILogger, int, Exception?> Broke = LoggerMessage.Define<int>(
        LogLevel.Warning, default, "A solver ended with {Code} before it had an answer.");

    /// <summary>
    /// Looks for the best plan; tried once more with half the effort when the solver comes to grief, and left at what there was when it
    /// does again.
    /// </summary>
    /// <inheritdoc cref="Solver"/>
    public Solution Solve(
        PlanProblem problem, Limits limits, Solution? before, Solution? near, Action<Solution>? better, CancellationToken stop) =>
        Once(new(problem, limits, before, near), better, stop)
        ?? Once(new(problem, limits with { Effort = limits.Effort / 2 }, before, near), better, stop)
        ?? before
        ?? Solution.None;

    /// <summary>The answer of one process; null when it came to grief.</summary>
    private Solution? Once(SolverTask task, Action<Solution>? better, CancellationToken stop)
    {
        Solution? best = null;
        using var process = Process.Start(new ProcessStartInfo("dotnet", [typeof(SolverChild).Assembly.Location, SolverChild.Argument])
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
        })!;
        if (better is not null)
            process.PriorityClass = Bettering;
        using var ended = stop.Register(() => process.Kill(entireProcessTree: true));
        try
        {
            process.StandardInput.WriteLine(JsonSerializer.Serialize(task));
            process.StandardInput.Flush();
            while (process.StandardOutput.ReadLine() is { } line)
            {
                var answer = JsonSerializer.Deserialize<SolverAnswer>(line)!;
                best = answer.Found;
                if (answer.Last)
                    return best;
                better?.Invoke(best);
            }

            process.WaitForExit();
        }
        catch (IOException)
        {
            // It was gone before it had read the task.
        }

        if (stop.IsCancellationRequested)
            return best ?? task.Before ?? Solution.None;
        Broke(log, process.ExitCode, null);
        return null;
    }
}
