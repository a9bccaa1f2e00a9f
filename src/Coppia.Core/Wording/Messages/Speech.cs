namespace Coppia.Core.Wording.Messages;

/// <summary>How a language counts.</summary>
/// <param name="Plural">
/// The form of a noun after a number, by the Unicode Consortium's plural rules (CLDR): "one", "few", "many", "other".
/// </param>
/// <param name="Spelled">A number in words, where the language spells it: "three"; figures beyond.</param>
internal sealed record Speech(Func<int, string> Plural, Func<int, string> Spelled)
{
    /// <summary>One thing, and several or none (CLDR); small numbers are spelled.</summary>
    public static readonly Speech English = new(
        n => n == 1 ? "one" : "other",
        n => Catalogue.Say("terms.number", ("n", n))
    );
}
