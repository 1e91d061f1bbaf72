using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Troubles;

/// <summary>A cause with how likely it is.</summary>
/// <param name="Cause">The cause.</param>
/// <param name="Likely">How likely, as a share of all causes of the sign.</param>
/// <param name="Because">What speaks for it, strongest first, and what against.</param>
/// <param name="SeenHere">How often it was the cause in this kitchen.</param>
public sealed record RankedCause(Cause Cause, double Likely, IReadOnlyList<Message> Because, int SeenHere);

/// <summary>
/// What a sign comes from, by Bayes' rule: how common each cause is, in the trade and in this kitchen, times how well the answers fit it.
/// </summary>
/// <param name="Sign">What was seen.</param>
/// <param name="Causes">The likeliest first.</param>
/// <param name="Next">The question whose answer tells most; null when none would change much, or one cause is sure enough.</param>
public sealed record Diagnosis(Sign Sign, IReadOnlyList<RankedCause> Causes, Question? Next)
{
    // An answer that is this many times likelier under a cause than under the others is given as a reason.
    private const double Tells = 1.5;

    // Below this many bits a question is not worth asking.
    private const double LeastWorth = 0.02;

    /// <summary>Ranks the causes.</summary>
    /// <param name="sign">What was seen.</param>
    /// <param name="answers">By the question's code, yes or no; what nobody knows is left out.</param>
    /// <param name="seenHere">By the cause's code, how often it was the cause in this kitchen.</param>
    /// <param name="tables">What goes wrong, and why.</param>
    /// <param name="unknown">Codes of questions that nobody can answer, which are not asked again.</param>
    public static Diagnosis Of(
        Sign sign,
        IReadOnlyDictionary<string, bool> answers,
        IReadOnlyDictionary<string, int> seenHere,
        TroubleTables tables,
        params IReadOnlyCollection<string> unknown)
    {
        var likely = Likely(sign, answers, seenHere, tables);
        var ranked = sign.Causes.Zip(likely)
            .OrderByDescending(c => c.Second)
            .Select(c => new RankedCause(
                c.First, c.Second, Reasons(c.First, sign, answers, tables), seenHere.GetValueOrDefault(c.First.Code)))
            .ToList();
        var sure = ranked[0].Likely >= tables.Likely.Value.Si;
        return new(sign, ranked, sure ? null : Best(sign, likely, [.. answers.Keys, .. unknown], tables));
    }

    /// <summary>How much is learned of the cause by an answer, in bits, on average.</summary>
    internal static double Worth(Question question, Sign sign, IReadOnlyList<double> likely)
    {
        var yes = sign.Causes.Zip(likely).Sum(c => c.Second * YesOf(c.First, question));
        return Doubt(likely)
            - (yes * Doubt(After(question, true, sign, likely)))
            - ((1 - yes) * Doubt(After(question, false, sign, likely)));
    }

    internal static double YesOf(Cause cause, Question question) =>
        (cause.Yes.GetValueOrDefault(question.Code) ?? question.Usual).Value.Si;

    private static List<double> Likely(
        Sign sign, IReadOnlyDictionary<string, bool> answers, IReadOnlyDictionary<string, int> seenHere, TroubleTables tables)
    {
        var weights = sign.Causes.Sum(c => c.Weight.Value.Si);
        List<double> likely =
        [
            .. sign.Causes.Select(c =>
                (tables.AsIf.Value.Si * c.Weight.Value.Si / weights) + seenHere.GetValueOrDefault(c.Code)),
        ];
        foreach (var (code, yes) in answers)
        {
            if (tables.Question(code) is { } question)
                likely = After(question, yes, sign, likely);
        }

        return Shared(likely);
    }

    private static List<double> After(Question question, bool yes, Sign sign, IReadOnlyList<double> likely) =>
        Shared([.. sign.Causes.Zip(likely).Select(c => c.Second * Fits(c.First, question, yes))]);

    private static double Fits(Cause cause, Question question, bool yes) => yes ? YesOf(cause, question) : 1 - YesOf(cause, question);

    private static List<double> Shared(List<double> likely)
    {
        var all = likely.Sum();
        return [.. likely.Select(l => l / all)];
    }

    private static double Doubt(IEnumerable<double> likely) => -likely.Where(l => l > 0).Sum(l => l * Log2(l));

    private static Question? Best(Sign sign, List<double> likely, HashSet<string> settled, TroubleTables tables)
    {
        var best = tables.Questions
            .Where(q => !settled.Contains(q.Code))
            .Select(q => (Question: q, Worth: Worth(q, sign, likely)))
            .MaxBy(q => q.Worth);
        return best.Worth >= LeastWorth ? best.Question : null;
    }

    private static List<Message> Reasons(Cause cause, Sign sign, IReadOnlyDictionary<string, bool> answers, TroubleTables tables)
    {
        return
        [
            .. from answer in answers
               let question = tables.Question(answer.Key)
               where question is not null
               let others = sign.Causes.Where(c => c != cause).Average(c => Fits(c, question, answer.Value))
               let times = Fits(cause, question, answer.Value) / others
               where times is >= Tells or <= 1 / Tells
               orderby Abs(Log(times)) descending
               select Says(question, answer.Value, times > 1),
        ];

        static Message Says(Question question, bool yes, bool speaksFor) => Message.Of(
            (yes, speaksFor) switch
            {
                (true, true) => "troubles.yes-for",
                (false, true) => "troubles.no-for",
                (true, false) => "troubles.yes-against",
                _ => "troubles.no-against",
            },
            ("question", Message.ByText(question.Ask)));
    }
}
