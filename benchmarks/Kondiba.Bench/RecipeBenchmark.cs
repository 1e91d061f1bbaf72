using BenchmarkDotNet.Attributes;
using Kondiba.Core.Colour;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Bench;

[MemoryDiagnoser]
public class RecipeBenchmark
{
    private readonly Tint[] eight = [.. ReferenceData.Shipped.Tints.Take(8)];

    [Params("#8fd0c8", "#1c8787", "#4a3a6e")]
    public string Target { get; set; } = "";

    [Benchmark(Description = "a recipe from 8 colours")]
    public Recipe Find() =>
        Recipe.For(
            Spectrum.LabOf(Target),
            ReferenceData.Shipped.Colour.BrightWhite,
            eight,
            Quantities.Of<Mass>(240, "g"),
            ReferenceData.Shipped.Colour);
}
