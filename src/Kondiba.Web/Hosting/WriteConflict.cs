using Kondiba.Core.Wording;
using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Kondiba.Web.Hosting;

/// <summary>Why the database refused a write: somebody else was first.</summary>
/// <param name="What">What happened.</param>
/// <param name="Remedy">What to do.</param>
internal sealed record WriteConflict(Message What, Message Remedy)
{
    private static readonly WriteConflict Meanwhile = new("refused.changed", "refused.reload");
    private static readonly WriteConflict SentTwice = new("refused.sent-twice", "refused.reload-to-see");
    private static readonly WriteConflict Busy = new("refused.busy", "refused.try-again");

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
