using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Troubles;

/// <summary>A question that tells causes apart, answered with yes or no.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Ask">The question.</param>
/// <param name="Usual">How often the answer is yes where a cause says nothing of it.</param>
public sealed record Question(string Code, string Ask, Sourced<Share> Usual);

/// <summary>A reason why something goes wrong.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">What it is.</param>
/// <param name="Weight">How common it is beside the sign's other causes.</param>
/// <param name="Yes">How often a question's answer is yes when this is the cause.</param>
/// <param name="Now">What to do now.</param>
/// <param name="Next">What to do next time.</param>
public sealed record Cause(
    string Code, string Name, Sourced<Share> Weight, IReadOnlyDictionary<string, Sourced<Share>> Yes, string Now, string Next);

/// <summary>Something that is seen or felt.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">What it looks like.</param>
/// <param name="Causes">What it can come from.</param>
public sealed record Sign(string Code, string Name, IReadOnlyList<Cause> Causes)
{
    /// <summary>The cause of that code, or null.</summary>
    public Cause? Cause(string code) => Causes.FirstOrDefault(c => c.Code == code);
}

/// <summary>What goes wrong, and why.</summary>
/// <param name="AsIf">The causes' weights count as if the kitchen had seen the sign so often.</param>
/// <param name="Likely">So sure of a cause, nothing more is asked.</param>
/// <param name="Questions">What tells causes apart.</param>
/// <param name="Signs">What is seen or felt.</param>
public sealed record TroubleTables(
    Sourced<Share> AsIf, Sourced<Share> Likely, IReadOnlyList<Question> Questions, IReadOnlyList<Sign> Signs)
{
    /// <summary>The sign of that code, or null.</summary>
    public Sign? Sign(string code) => Signs.FirstOrDefault(s => s.Code == code);

    /// <summary>The question of that code, or null.</summary>
    public Question? Question(string code) => Questions.FirstOrDefault(q => q.Code == code);
}
