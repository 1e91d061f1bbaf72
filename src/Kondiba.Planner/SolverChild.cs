using System.Text.Json;
using Kondiba.Core.Planning;

namespace Kondiba.Planning;

/// <summary>What a search is given, on one line.</summary>
/// <param name="Problem">What is to be done.</param>
/// <param name="Limits">How long to search.</param>
/// <param name="Before">A solution to start from.</param>
/// <param name="Near">One to stay near to.</param>
public sealed record SolverTask(PlanProblem Problem, Limits Limits, Solution? Before, Solution? Near);

/// <summary>A line of what a search answers.</summary>
/// <param name="Found">A solution.</param>
/// <param name="Last">Whether it is the answer: those before it were better ones on the way.</param>
public sealed record SolverAnswer(Solution Found, bool Last);

/// <summary>
/// A search in a process of its own: reads what to do from its input, writes what it finds to its output, ends when its input does.
/// </summary>
public static class SolverChild
{
    /// <summary>What the program is started with to be one.</summary>
    public const string Argument = "solve";

    /// <summary>Searches.</summary>
    /// <param name="input">The task; kept open by whoever wants the answer.</param>
    /// <param name="output">For the answers.</param>
    public static int Run(TextReader input, TextWriter output)
    {
        var task = JsonSerializer.Deserialize<SolverTask>(input.ReadLine()!)!;

        // Whoever asked is gone when the input ends: nobody waits for an answer.
        var watch = new Thread(() =>
        {
            input.ReadLine();
            Environment.Exit(0);
        })
        { IsBackground = true };
        watch.Start();
        var turn = new Lock();
        Write(new(PlanModel.Solve(task.Problem, task.Limits, task.Before, task.Near, better => Write(new(better, false))), true));
        return 0;

        void Write(SolverAnswer answer)
        {
            lock (turn)
            {
                output.WriteLine(JsonSerializer.Serialize(answer));
                output.Flush();
            }
        }
    }
}
