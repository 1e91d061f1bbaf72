using Microsoft.EntityFrameworkCore;
using Npgsql;

namespace Kondiba.Data;

/// <summary>What the database's errors mean.</summary>
public static class WriteErrors
{
    /// <summary>Whether a write failed as there is a row with its key already.</summary>
    public static bool IsSentTwice(this DbUpdateException error) =>
        error.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation };

    /// <summary>
    /// Writes a row in place of one with its key. Written twice at once, one of the two finds the other's row when it looks again.
    /// </summary>
    /// <param name="db">The database.</param>
    /// <param name="write">Looks for the row, changes or adds it, and saves.</param>
    public static async Task<T> WriteOverAsync<T>(this KondibaContext db, Func<Task<T>> write)
    {
        try
        {
            return await write();
        }
        catch (DbUpdateException e) when (e.IsSentTwice())
        {
            db.ChangeTracker.Clear();
            return await write();
        }
    }
}
