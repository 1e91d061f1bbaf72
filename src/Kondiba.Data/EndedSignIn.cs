using NodaTime;

namespace Kondiba.Data;

/// <summary>A sign-in that somebody ended: its cookie opens nothing any more, wherever a copy of it is.</summary>
public sealed class EndedSignIn
{
    /// <summary>What the cookie calls itself.</summary>
    public required Guid Id { get; init; }

    /// <summary>When the cookie is over by itself and need not be remembered longer.</summary>
    public required Instant Until { get; init; }
}
