using Kondiba.Core.Wording;

namespace Kondiba.Web.Formats;

/// <summary>What an import changes, or why it changes nothing.</summary>
/// <param name="Changes">What it changes, in words.</param>
/// <param name="Problems">What is wrong, line by line; with any of them nothing is changed.</param>
/// <param name="Done">Whether the changes were made.</param>
public sealed record ImportPlan(IReadOnlyList<Message> Changes, IReadOnlyList<ImportProblem> Problems, bool Done = false)
{
    // Who has so many mistakes to mend reads no further.
    private const int MostProblems = 100;

    /// <summary>Nothing is changed, as something is wrong.</summary>
    internal static ImportPlan Not(IEnumerable<ImportProblem> problems) => new([], [.. problems.OrderBy(p => p.Line).Take(MostProblems)]);
}

/// <summary>Something wrong in a file.</summary>
/// <param name="Line">Number of its line in the file, the first is 1; 0 where lines say nothing.</param>
/// <param name="Field">Column or path of the value.</param>
/// <param name="Reason">What is wrong with it, and what to do.</param>
public sealed record ImportProblem(int Line, string Field, Message Reason);

/// <summary>A file as text.</summary>
public sealed record FileText(string Text);
