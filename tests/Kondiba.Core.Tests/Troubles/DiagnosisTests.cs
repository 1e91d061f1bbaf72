using Kondiba.Core.Reference;
using Kondiba.Core.Troubles;
using static System.Math;

namespace Kondiba.Core.Tests.Troubles;

/// <summary>What went wrong and why: common practice, row by row, and by counting over made-up histories.</summary>
public sealed class DiagnosisTests
{
    private static readonly TroubleTables Tables = ReferenceData.Shipped.Troubles;
    private static readonly Dictionary<string, int> NothingSeen = [];

    private static Diagnosis Of(string sign, params (string Question, bool Yes)[] answers) =>
        Diagnosis.Of(Tables.Sign(sign)!, answers.ToDictionary(a => a.Question, a => a.Yes), NothingSeen, Tables);

    // The rows of what common practice knows, each with what the maker would have noticed.
    [Theory]
    [InlineData("thick", "too-cool", "cooler:yes")]
    [InlineData("thick", "overheated", "overheated:yes")]
    [InlineData("thick", "unthinned", "thinned:no cooler:no")]
    [InlineData("thick", "seized", "pasty:yes water:yes")]
    [InlineData("sheer", "too-hot", "hotter:yes")]
    [InlineData("sheer", "over-thinned", "thinned-much:yes")]
    [InlineData("sheer", "needs-two", "one-coat:yes hotter:no thinned-much:no")]
    [InlineData("foot", "not-drained", "drained:no")]
    [InlineData("foot", "too-thin", "hotter:yes thinned-much:yes")]
    [InlineData("foot", "laid-too-soon", "set-down-quick:yes drained:yes")]
    [InlineData("slides", "wet-piece", "damp:yes cold-piece:no")]
    [InlineData("slides", "sweating", "cold-piece:yes")]
    [InlineData("cracks", "expands", "cold-piece:yes")]
    [InlineData("cracks", "coat-too-thick", "thick-coat:yes")]
    [InlineData("cracks", "set-too-cold", "freezer:yes cold-piece:no")]
    [InlineData("leaks", "damaged", "pierced:yes")]
    [InlineData("leaks", "lay-flat", "flat:yes pierced:no old:no")]
    [InlineData("leaks", "kept-too-long", "old:yes")]
    [InlineData("sticky", "condensation", "long-chill:yes humid:yes")]
    [InlineData("sticky", "not-set", "warm-room:yes long-chill:no")]
    [InlineData("streaks", "out-of-temper", "tempers:yes slow-smear:yes")]
    [InlineData("streaks", "stood-warm", "warm-room:yes slow-smear:no")]
    [InlineData("specks", "unmelted", "lumps:yes")]
    [InlineData("specks", "crumbs-in-pot", "crumbs:yes")]
    [InlineData("off-stick", "not-glued", "glued:no")]
    [InlineData("off-stick", "too-long-in", "lingered:yes")]
    [InlineData("off-stick", "coat-heavy", "thick-coat:yes cooler:yes")]
    [InlineData("sprinkles", "too-late", "dull-when-put:yes")]
    [InlineData("sprinkles", "too-heavy", "heavy-bits:yes")]
    [InlineData("drizzle", "too-runny", "runs-on-paper:yes")]
    [InlineData("drizzle", "drizzle-cool", "drags-on-paper:yes cooler:yes")]
    [InlineData("drizzle", "tip-small", "small-tip:yes cooler:no")]
    [InlineData("mould", "mould-not-set", "clings:yes")]
    [InlineData("mould", "overfilled", "brimful:yes")]
    [InlineData("bubbles", "not-tapped", "tapped:no")]
    [InlineData("bubbles", "air-stirred-in", "stirred-hard:yes")]
    public void What_was_noticed_points_at_its_cause(string sign, string cause, string noticed)
    {
        var answers = noticed.Split(' ').Select(n => (n.Split(':')[0], n.EndsWith("yes", StringComparison.Ordinal))).ToArray();
        Assert.All(answers, a => Assert.NotNull(Tables.Question(a.Item1)));
        Assert.Contains(cause, Of(sign, answers).Causes.Take(2).Select(c => c.Cause.Code));
    }

    [Fact]
    public void Every_sign_and_cause_says_what_to_do()
    {
        Assert.Equal(14, Tables.Signs.Count);
        Assert.All(Tables.Signs.SelectMany(s => s.Causes), c =>
        {
            Assert.True(c.Now.Length > 10 && c.Next.Length > 10);
            Assert.All(c.Yes.Keys, q => Assert.NotNull(Tables.Question(q)));
            Assert.NotEmpty(c.Yes);
        });
        Assert.All(Tables.Questions, q => Assert.Contains(Tables.Signs.SelectMany(s => s.Causes), c => c.Yes.ContainsKey(q.Code)));
    }

    /// <summary>With nothing known, the question is the one that tells most: its worth by going through every case.</summary>
    [Fact]
    public void With_no_evidence_it_asks_what_tells_most()
    {
        foreach (var sign in Tables.Signs)
        {
            var all = sign.Causes.Sum(c => c.Weight.Value.Si);
            var best = Tables.Questions.MaxBy(q => MutualInformation(sign, q, all))!;
            Assert.Equal(best.Code, Of(sign.Code).Next?.Code);
        }
    }

    [Fact]
    public void Over_made_up_histories_the_first_cause_is_right_four_times_in_five()
    {
        var random = new Random(17);
        var (right, all) = (0, 0);
        for (var i = 0; i < 4000; i++)
        {
            var sign = Tables.Signs[i % Tables.Signs.Count];
            var cause = Drawn(sign, random);
            var answers = new Dictionary<string, bool>();
            var told = Diagnosis.Of(sign, answers, NothingSeen, Tables);
            while (told.Next is { } question)
            {
                answers[question.Code] = random.NextDouble() < (cause.Yes.GetValueOrDefault(question.Code) ?? question.Usual).Value.Si;
                told = Diagnosis.Of(sign, answers, NothingSeen, Tables);
            }

            right += told.Causes[0].Cause == cause ? 1 : 0;
            all++;
        }

        Assert.InRange(right / (double)all, 0.8, 1);
    }

    [Fact]
    public void Few_questions_are_enough()
    {
        var random = new Random(19);
        List<int> asked = [];
        for (var i = 0; i < 1400; i++)
        {
            var sign = Tables.Signs[i % Tables.Signs.Count];
            var cause = Drawn(sign, random);
            var answers = new Dictionary<string, bool>();
            while (Diagnosis.Of(sign, answers, NothingSeen, Tables).Next is { } question)
                answers[question.Code] = random.NextDouble() < (cause.Yes.GetValueOrDefault(question.Code) ?? question.Usual).Value.Si;
            asked.Add(answers.Count);
        }

        Assert.InRange(asked.Average(), 1, 3);
    }

    [Fact]
    public void What_it_was_here_before_counts()
    {
        var sign = Tables.Sign("foot")!;
        var seen = new Dictionary<string, int> { ["laid-too-soon"] = 9 };
        var told = Diagnosis.Of(sign, new Dictionary<string, bool>(), seen, Tables);
        Assert.Equal("laid-too-soon", told.Causes[0].Cause.Code);
        Assert.Equal(9, told.Causes[0].SeenHere);
        Assert.Equal("not-drained", Of("foot").Causes[0].Cause.Code);
    }

    [Fact]
    public void Shares_come_to_all_of_it_and_reasons_are_given()
    {
        var told = Of("sticky", ("long-chill", true), ("humid", true), ("tempers", false));
        Assert.Equal(1, told.Causes.Sum(c => c.Likely), 9);
        Assert.Equal(["troubles.yes-for", "troubles.yes-for"], told.Causes[0].Because.Select(b => b.Code));
        Assert.All(told.Causes[1].Because, b => Assert.Equal("troubles.yes-against", b.Code));
    }

    private static Cause Drawn(Sign sign, Random random)
    {
        var at = random.NextDouble() * sign.Causes.Sum(c => c.Weight.Value.Si);
        return sign.Causes.First(c => (at -= c.Weight.Value.Si) < 0);
    }

    /// <summary>Of cause and answer, from the table of how often both come together.</summary>
    private static double MutualInformation(Sign sign, Question question, double all)
    {
        var together = sign.Causes.Select(c =>
        {
            var (likely, yes) = (c.Weight.Value.Si / all, (c.Yes.GetValueOrDefault(question.Code) ?? question.Usual).Value.Si);
            return (likely, Yes: likely * yes, No: likely * (1 - yes));
        }).ToList();
        var (yeses, noes) = (together.Sum(t => t.Yes), together.Sum(t => t.No));
        return together.Sum(t => (t.Yes * Log2(t.Yes / (t.likely * yeses))) + (t.No * Log2(t.No / (t.likely * noes))));
    }
}
