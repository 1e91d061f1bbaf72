using Kondiba.Core.Facts;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Sessions;

/// <summary>Someone of the kitchen.</summary>
/// <param name="You">Whether it is who asks.</param>
public sealed record PersonView(Guid Id, string Name, Role Role, bool You);

/// <summary>A name to sign in with, and its password.</summary>
public sealed record Credentials(string Name, string Password);

/// <summary>A changed password.</summary>
/// <param name="Old">The one before.</param>
/// <param name="New">The one from now on.</param>
public sealed record PasswordChange(string Old, string New);

/// <summary>An invitation, told once.</summary>
/// <param name="Path">Where the helper chooses a name and a password.</param>
/// <param name="Until">It is good until then.</param>
public sealed record InvitationLink(string Path, Instant Until);

/// <summary>Signing in happens before a kitchen is known, so people are found over all kitchens here, and only here.</summary>
internal sealed class PeopleStore(
    KondibaContext db, IdentityErrorDescriber? describer = null) : UserOnlyStore<Person, KondibaContext, Guid>(db, describer)
{
    public override IQueryable<Person> Users => base.Users.IgnoreQueryFilters();

    public override Task<Person?> FindByIdAsync(string userId, CancellationToken cancellationToken = default)
    {
        var id = ConvertIdFromString(userId);
        return Users.SingleOrDefaultAsync(p => p.Id == id, cancellationToken);
    }
}

/// <summary>The people of a kitchen, for its owner.</summary>
internal static class People
{
    private static readonly Duration InvitationLasts = Duration.FromDays(7);

    public static void MapPeople(this RouteGroupBuilder api)
    {
        var people = api.MapGroup("/people").WithTags("People").RequireAuthorization(Sessions.Owners);
        people.MapGet("", async (HttpContext context, KondibaContext db) =>
        {
            var me = Sessions.PersonOf(context.User);
            return TypedResults.Ok(
                await db.Users.OrderBy(p => p.UserName)
                    .Select(p => new PersonView(p.Id, p.UserName!, p.Role, p.Id == me))
                    .ToListAsync(db.Gone));
        }).WithName("GetPeople");
        people.MapPost("", async Task<Results<NoContent, Refused>> (
            Credentials input, HttpContext context, KondibaContext db, UserManager<Person> users) =>
        {
            var (person, errors) = await AddAsync(input, db.KitchenId, Role.Owner, users);
            if (errors is not null)
                return errors;
            await SignInCookie.EnterAsync(context, person!);
            return TypedResults.NoContent();
        }).WithName("AddOwner").WithSummary("Gives the kitchen an owner with a name and a password, and signs in as them.");
        people.MapPost("/invitations", async (KondibaContext db, IClock clock) =>
        {
            var secret = Secret.New();
            var invitation = new Invitation
            {
                KitchenId = db.KitchenId,
                TokenHash = Secret.Hash(
                secret),
                Until = clock.GetCurrentInstant() + InvitationLasts
            };
            db.Add(invitation);
            await db.SaveChangesAsync();
            return TypedResults.Ok(new InvitationLink($"/join/{secret}", invitation.Until));
        }).WithName("Invite").WithSummary("Makes a link by which one helper can join the kitchen.");
        people.MapDelete("/{id:guid}", async Task<Results<NoContent, NotFound, Declined>> (
            Guid id, HttpContext context, KondibaContext db) =>
        {
            if (id == Sessions.PersonOf(context.User))
                return new Declined(StatusCodes.Status409Conflict, "refused.yourself", "refused.another-owner");
            return await db.Users.Where(p => p.Id == id).ExecuteDeleteAsync() == 1 ? TypedResults.NoContent() : TypedResults.NotFound();
        }).WithName("RemovePerson").WithSummary("Removes someone; they are signed out everywhere.");
    }

    /// <summary>Adds someone to a kitchen, or says what is wrong with the name or the password.</summary>
    internal static async Task<(Person? Person, Refused? Errors)> AddAsync(
        Credentials input, Guid kitchen, Role role, UserManager<Person> users)
    {
        var person = new Person { UserName = input.Name.Trim(), KitchenId = kitchen, Role = role };
        var made = await users.CreateAsync(person, input.Password);
        return made.Succeeded
            ? (person, null)
            : (null, Refused.Of(Errors(made), "refused.cannot-use-password"));
    }

    internal static IEnumerable<Problem> Errors(IdentityResult result) => result.Errors.Select(e => e.Code switch
    {
        "DuplicateUserName" => new("name", "refused.name-taken", ""),
        "InvalidUserName" => new("name", "refused.no-name", ""),
        "PasswordTooShort" => new("password", Message.Of("refused.short-password", ("least", Sessions.ShortestPassword)), ""),
        "PasswordRequiresUniqueChars" => new("password", "refused.plain-password", ""),
        NotGuessed.Code => new("password", "refused.guessed-password", ""),
        "PasswordMismatch" => new("password", "refused.password-mismatch", ""),
        _ => new Problem("name", Message.ByText(e.Description), ""),
    });
}
