using Kondiba.Core.Planning;

namespace Kondiba.Planning;

/// <summary>What the environment tells the planner, under the prefix KONDIBA__.</summary>
public sealed record PlannerSettings
{
    /// <summary>PostgreSQL connection string.</summary>
    public string Database { get; init; } = "";

    /// <summary>How hard a plan is bettered, in the solver's own time: 1 takes some seconds on an idle core.</summary>
    public double Effort { get; init; } = Planner.Full.Effort;
}
