using Kondiba.Core.Prep;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <content>What the hands do in one go is one task.</content>
internal sealed partial class OrderTasks
{
    // What cannot wait longer than that is stood by.
    private static readonly Duration StoodBy = Duration.FromMinutes(10);

    // What was joined into a step, one after the other, by its code.
    private readonly Dictionary<string, List<WorkStep>> joint = [];

    /// <summary>
    /// Steps that follow on one another without a wait, or with one that is stood by, by the same hands for the same pieces are one.
    /// </summary>
    private List<WorkStep> Joined(List<WorkStep> work)
    {
        for (var i = 0; i < work.Count;)
        {
            var step = work[i];
            if (work.Where(s => s.After.Contains(step.Code)).ToList() is not [var next] || !GoOn(step, next, work))
            {
                i++;
                continue;
            }

            joint[next.Code] = [.. joint.GetValueOrDefault(step.Code) ?? [step], .. joint.GetValueOrDefault(next.Code) ?? [next]];
            work[work.IndexOf(next)] = next with
            {
                Rule = next.Rule with { Name = $"{step.Rule.Called}, {next.Rule.Called}" },
                Says = Message.Then(step.Says, next.Says),
                Why = Message.Then(step.Why, next.Why),
                Hands = step.Hands + (step.Rule.Wait?.Value ?? Duration.Zero) + next.Hands,
                After = [.. step.After.Concat(next.After).Where(a => a != step.Code).Distinct()],
                Amounts = [.. step.Amounts, .. next.Amounts],
                Pots = [.. step.Pots.Union(next.Pots)],
            };
            work.RemoveAt(i);
            i = 0;
        }

        return work;
    }

    private bool GoOn(WorkStep step, WorkStep next, List<WorkStep> work) =>
        step.Stage is Stage.Fill or Stage.Prep
            && next.Stage == step.Stage
            && (step.Rule is { Wait: null, AtMost: null, Best: null } || step.Rule.AtMost?.Value <= StoodBy)
            && next.After.All(a => a == step.Code || !work.Exists(s => s.Code == a))
            && step.Hands + next.Hands <= tables.Reference.Planning.Longest.Value;
}
