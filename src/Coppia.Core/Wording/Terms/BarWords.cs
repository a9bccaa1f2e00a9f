using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Terms;

/// <summary>What a bar is called.</summary>
public static class BarWords
{
    /// <summary>"Bar 6", or "Pick-up".</summary>
    public static string Spoken(this Bar bar) =>
        bar.Number == 0 ? Say("terms.bar.pick-up") : Say("terms.bar.spoken-bar", ("bar", bar.Number));

    /// <summary>"bar 6", or "the pick-up", within a sentence.</summary>
    public static string Named(this Bar bar) => Named(bar.Number);

    /// <inheritdoc cref="Named(Bar)"/>
    public static string Named(int number) =>
        number == 0 ? Say("terms.bar.the-pick-up") : Say("terms.bar.named-bar", ("number", number));
}
