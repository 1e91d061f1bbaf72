using Kondiba.Core.Wording;

namespace Kondiba.Core.QuickEntry;

/// <summary>Collects what was not understood; nothing is told twice.</summary>
internal sealed class Notes(string text)
{
    public List<NotUnderstood> All { get; } = [];

    public void Tell((int Start, int End) stretch, Message reason, IReadOnlyList<ChipChoice> choices)
    {
        if (stretch.End > stretch.Start && !All.Exists(n => n.Start == stretch.Start && n.Length == stretch.End - stretch.Start))
            All.Add(new(stretch.Start, stretch.End - stretch.Start, text[stretch.Start..stretch.End], reason, choices));
    }
}
