namespace Kondiba.Core.Wares;

/// <summary>A sheet of labels, by its measures in mm.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="PageWide">Of the page.</param>
/// <param name="PageHigh">Of the page.</param>
/// <param name="Across">Labels in a row.</param>
/// <param name="Down">Rows.</param>
/// <param name="Wide">Of a label.</param>
/// <param name="High">Of a label.</param>
/// <param name="Left">From the page's edge to the first label.</param>
/// <param name="Top">From the page's edge to the first row.</param>
/// <param name="PitchX">From the left of a label to the left of the next.</param>
/// <param name="PitchY">From the top of a row to the top of the next.</param>
public sealed record LabelStock(
    string Code,
    string Name,
    double PageWide,
    double PageHigh,
    int Across,
    int Down,
    double Wide,
    double High,
    double Left,
    double Top,
    double PitchX,
    double PitchY);
