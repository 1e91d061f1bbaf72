using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Kondiba.Data;

/// <summary>What the database's errors mean.</summary>
public static class WriteErrors
{
    /// <summary>Whether a write failed as there is a row with its key already.</summary>
    public static bool IsSentTwice(this DbUpdateException error) =>
        error.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation };
}
