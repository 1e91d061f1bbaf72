using Kondiba.Core.Coatings;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Looks;

/// <summary>A pattern whose every field stands for something in the trade tables.</summary>
internal sealed record Drizzle(int Index, PatternDraft Draft, PatternKind Kind, Coating Coating, CoatingColour Colour)
{
    /// <summary>Key of the pot it is taken from.</summary>
    public string Pot => Coating.Pot(Colour);
}

/// <summary>Coating that is drawn from a bag onto a line's pieces.</summary>
internal sealed record Bagged(Dip For, Coating Coating, CoatingColour Colour, Message What, Figure<Mass> PerPiece, Sourced<Share>? OffPiece)
{
    /// <summary>Key of the pot it is taken from.</summary>
    public string Pot => Coating.Pot(Colour);

    /// <summary>For all pieces, spoilt ones too, and what falls beside them.</summary>
    public Mass Total => PerPiece.Value * (For.Count.Value * (1 + For.Centre.Spoil.Value.Si) * (1 + (OffPiece?.Value.Si ?? 0)));
}
