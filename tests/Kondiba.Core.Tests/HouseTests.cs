using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;
using Mono.Cecil;
using NetArchTest.Rules;

namespace Kondiba.Core.Tests;

/// <summary>
/// How the house stands: Core knows nobody but time, a solver and distributions, and the tables it ships can be believed.
/// </summary>
public class HouseTests
{
    [Fact]
    public void Core_knows_neither_web_nor_database_nor_clock()
    {
        var result = Types.InAssembly(typeof(KitchenTables).Assembly).ShouldNot().HaveDependencyOnAny(
            "Microsoft.AspNetCore", "Microsoft.EntityFrameworkCore", "Npgsql", "System.Net", "Kondiba.Data", "Kondiba.Web",
            "NodaTime.SystemClock", "System.IO.File").GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
        Assert.Equal(
            ["Google.OrTools", "MathNet.Numerics", "NodaTime"],
            typeof(KitchenTables).Assembly.GetReferencedAssemblies()
                .Select(a => a.Name!)
                .Where(n => !n.StartsWith("System", StringComparison.Ordinal))
                .Order());
    }

    [Fact]
    public void No_namespace_of_Core_knows_one_that_knows_it()
    {
        const string core = "Kondiba.Core.";
        using var assembly = AssemblyDefinition.ReadAssembly(typeof(KitchenTables).Assembly.Location);
        var knows = assembly.MainModule.Types
            .Where(t => t.Namespace.StartsWith(core, StringComparison.Ordinal))
            .GroupBy(t => t.Namespace)
            .ToDictionary(g => g.Key, g => g.SelectMany(Named).Where(n => n != g.Key).ToHashSet());

        Assert.Contains("Kondiba.Core.Centres", knows["Kondiba.Core.Films"]);

        // Whoever knows only what is out already goes out; what is left over goes round in a circle.
        while (knows.FirstOrDefault(n => !n.Value.Overlaps(knows.Keys)).Key is { } lowest)
            knows.Remove(lowest);
        Assert.Empty(knows.Select(n => $"{n.Key} knows {string.Join(", ", n.Value.Intersect(knows.Keys))}"));

        static IEnumerable<string> Named(TypeDefinition type) =>
            type.NestedTypes.SelectMany(Named).Concat(Of(type.BaseType))
                .Concat(type.Interfaces.SelectMany(i => Of(i.InterfaceType)))
                .Concat(type.Fields.SelectMany(f => Of(f.FieldType)))
                .Concat(type.Methods.SelectMany(m => Of(m.ReturnType).Concat(m.Parameters.SelectMany(p => Of(p.ParameterType)))))
                .Concat(type.Methods.Where(m => m.HasBody).SelectMany(m => m.Body.Instructions).SelectMany(i => i.Operand switch
                {
                    TypeReference t => Of(t),
                    MethodReference m => Of(m.DeclaringType).Concat(m is GenericInstanceMethod g ? g.GenericArguments.SelectMany(Of) : []),
                    FieldReference f => Of(f.DeclaringType).Concat(Of(f.FieldType)),
                    _ => [],
                }));

        static IEnumerable<string> Of(TypeReference? type)
        {
            for (; type is not null; type = type is TypeSpecification { ElementType: var element } ? element : type.DeclaringType)
            {
                if (type is GenericInstanceType generic)
                    foreach (var name in generic.GenericArguments.SelectMany(Of))
                        yield return name;
                if (type.Namespace.StartsWith(core, StringComparison.Ordinal))
                    yield return type.Namespace;
            }
        }
    }

    [Fact]
    public void No_method_is_longer_than_sixty_lines_and_no_choice_stands_within_another()
    {
        var methods =
            from file in Directory.EnumerateFiles(Path.Combine(DocsTests.Root, "src"), "*.cs", SearchOption.AllDirectories)
            where !file.Split(Path.DirectorySeparatorChar).Any(f => f is "obj" or "bin" or "Migrations" or "node_modules")
            from node in CSharpSyntaxTree.ParseText(File.ReadAllText(file), path: file).GetRoot().DescendantNodes()
            where node is BaseMethodDeclarationSyntax or LocalFunctionStatementSyntax
            select node;
        var all = methods.ToList();
        Assert.True(all.Count > 1000);
        Assert.Empty(all.Where(m => LinesOf(m) > 60).Select(m => $"{m.GetLocation().GetLineSpan()} has {LinesOf(m)} lines"));
        Assert.Empty(all.SelectMany(m => m.DescendantNodes().OfType<ConditionalExpressionSyntax>())
            .Where(c => c.Parent is ConditionalExpressionSyntax or ParenthesizedExpressionSyntax { Parent: ConditionalExpressionSyntax })
            .Select(c => $"{c.GetLocation().GetLineSpan()} is a choice within a choice"));

        static int LinesOf(SyntaxNode node)
        {
            var span = node.SyntaxTree.GetLineSpan(node.Span);
            return span.EndLinePosition.Line - span.StartLinePosition.Line + 1;
        }
    }

    [Fact]
    public void Codes_in_the_trade_tables_are_unique_and_values_are_sane()
    {
        var tables = ReferenceData.Shipped;
        Assert.Equal(tables.Centres.Count, tables.Centres.Select(c => c.Code).Distinct().Count());
        Assert.Equal(tables.Vessels.Count, tables.Vessels.Select(c => c.Code).Distinct().Count());
        Assert.Equal(tables.Coatings.Count, tables.Coatings.Select(c => c.Code).Distinct().Count());
        Assert.All(tables.Coatings, c => Assert.Equal(c.Colours.Count, c.Colours.Select(k => k.Code).Distinct().Count()));
        Assert.All(tables.Coatings.SelectMany(c => c.Colours), c => Assert.Matches("^#[0-9a-f]{6}$", c.Srgb));
        Assert.All(tables.Coatings, c => Assert.All(c.Thinners, t => Assert.NotNull(tables.Thinner(t))));
        Assert.All(tables.Centres, c => Assert.InRange(c.UsualDepth.Value.Si, 0.05, c.Deepest.Value.Si));

        // The same measures that a maker's own centre must pass, density too.
        Assert.All(tables.Centres, c => Assert.Empty(OwnCheck.Of(OwnTables.Entered(c), tables)));
        Assert.All(tables.Coatings, c => Assert.Empty(OwnCheck.Of(OwnTables.Entered(c), tables)));
    }
}
