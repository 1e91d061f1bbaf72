using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Kondiba.Web.Hosting;

/// <summary>Why the database refused a write: somebody else was first.</summary>
/// <param name="What">What happened.</param>
/// <param name="Remedy">What to do.</param>
internal sealed record WriteConflict(string What, string Remedy)
{
    private static readonly WriteConflict Meanwhile = new(
        "Someone else changed this.", "Reload it and make your change again.");
    private static readonly WriteConflict SentTwice = new("This was sent already.", "Reload the page to see it.");
    private static readonly WriteConflict Busy = new("Someone else changed this at the same moment.", "Try again.");

    /// <summary>The conflict that an error stands for; null when it is another kind of error.</summary>
    public static WriteConflict? Of(Exception? error) => error switch
    {
        DbUpdateConcurrencyException => Meanwhile,
        DbUpdateException { InnerException: PostgresException inner } => Of(inner),
        PostgresException { SqlState: PostgresErrorCodes.UniqueViolation } => SentTwice,
        PostgresException { SqlState: PostgresErrorCodes.ForeignKeyViolation } => Meanwhile,
        PostgresException { SqlState: PostgresErrorCodes.SerializationFailure or PostgresErrorCodes.DeadlockDetected } => Busy,
        InvalidOperationException { InnerException: { } inner } => Of(inner),
        _ => null,
    };
}
