using Kondiba.Data;
using Microsoft.AspNetCore.Identity;

namespace Kondiba.Web.Sessions;

/// <summary>Refuses passwords that are guessed first: runs along the keyboard, one thing over and over, the name itself.</summary>
internal sealed class NotGuessed : IPasswordValidator<Person>
{
    /// <summary>Code of the error.</summary>
    public const string Code = "PasswordGuessed";

    private const int Run = 4;

    private static readonly string[] Rows =
        ["01234567890", "abcdefghijklmnopqrstuvwxyz", "qwertzuiop", "qwertyuiop", "asdfghjkl", "yxcvbnm", "zxcvbnm"];

    private static readonly string[] Words =
        ["password", "passwort", "kondiba", "chocolate", "strawberry", "letmein", "welcome", "iloveyou"];

    public Task<IdentityResult> ValidateAsync(UserManager<Person> manager, Person user, string? password) => Task.FromResult(
        IsGuessed((password ?? "").ToLowerInvariant(), (user.UserName ?? "").ToLowerInvariant())
            ? IdentityResult.Failed(new IdentityError { Code = Code, Description = "" })
            : IdentityResult.Success);

    /// <summary>Whether less than a run of letters is left once what everyone tries is taken out.</summary>
    private static bool IsGuessed(string password, string name)
    {
        var left = password;
        foreach (var tried in Words.Append(name).Where(w => w.Length >= Run))
            left = left.Replace(tried, "", StringComparison.Ordinal);
        var runs = Enumerable.Range(0, Math.Max(0, left.Length - Run + 1))
            .Where(i => Rows.Any(r => Along(r, left[i..(i + Run)])))
            .SelectMany(i => Enumerable.Range(i, Run))
            .ToHashSet();
        return left.Length - runs.Count < Run;
    }

    private static bool Along(string row, string run) =>
        row.Contains(run, StringComparison.Ordinal) || row.Contains(string.Concat(run.Reverse()), StringComparison.Ordinal);
}
