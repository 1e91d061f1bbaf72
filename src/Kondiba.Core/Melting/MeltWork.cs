using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Setting;
using NodaTime;

namespace Kondiba.Core.Melting;

/// <summary>What melting a pot takes the hands, and how long it is then until it can be dipped in.</summary>
/// <param name="Hands">To weigh out, melt, stir and, where it wants it, temper.</param>
/// <param name="Waits">From then until it has come down to its dip temperature.</param>
/// <param name="Melt">How it melts.</param>
/// <param name="Seed">What is held back unmelted, to temper it; null where it sets by itself.</param>
public sealed record MeltWork(Duration Hands, Duration Waits, Melt Melt, Mass? Seed)
{
    /// <summary>Computes it.</summary>
    /// <param name="coating">What is melted.</param>
    /// <param name="mass">How much of it.</param>
    /// <param name="method">By what.</param>
    /// <param name="room">Temperature of the room.</param>
    /// <param name="times">Times by which the kitchen's melts by this method take longer than the model says.</param>
    /// <param name="c">Constants of melting.</param>
    /// <param name="setting">Constants of setting, for the coating's family.</param>
    public static MeltWork For(
        Coating coating, Mass mass, MeltMethod method, Temperature room, double times, MeltConstants c, SettingConstants setting)
    {
        var model = Melt.For(coating, mass, method, room, c, setting);
        var melt = model with { InAll = model.InAll * times };

        // A microwave is stood by; a bath or a pot only looked after, and melts on meanwhile.
        var tended = method.Level is null ? Duration.Min(melt.InAll, c.Tended.Value) : melt.InAll;
        var alone = melt.InAll - tended;
        var seeding = Seeding.For(coating, mass, melt.Settles, room, c, setting);
        return seeding is null
            ? new(c.Begin.Value + tended, alone + melt.CoolsToDip, melt, null)
            : new(c.Begin.Value + tended + c.Seeding.Value, alone, melt, seeding.Seed);
    }
}
