using System.ComponentModel.DataAnnotations;
using Coppia.Core.Instruments;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Asked;

/// <summary>
/// A number of a request that has limits. They stand in the API's description, and what lies beyond them is refused
/// (<see cref="Checks"/>) by the sentence of this key, which has places for {least} and {most}.
/// </summary>
[AttributeUsage(AttributeTargets.Property)]
internal sealed class WithinAttribute(int least, int most, string sentence) : RangeAttribute(least, most)
{
    public override string FormatErrorMessage(string name) => Say(sentence, ("least", Minimum), ("most", Maximum));
}

/// <summary>
/// A text of a request that may be so long, blanks around it left out; refused by the sentence of this key, which has
/// a place for {most}.
/// </summary>
[AttributeUsage(AttributeTargets.Property)]
internal sealed class AtMostAttribute(int most, string sentence) : StringLengthAttribute(most)
{
    public override bool IsValid(object? value) =>
        value is not string text
        || text.Trim().Length is var length && length >= MinimumLength && length <= MaximumLength;

    public override string FormatErrorMessage(string name) => Say(sentence, ("most", MaximumLength));
}

/// <summary>
/// The id of an instrument, or nothing; refused by the sentence of this key, which has a place for {instruments}.
/// </summary>
[AttributeUsage(AttributeTargets.Property)]
internal sealed class OneOfFourAttribute(string sentence) : ValidationAttribute
{
    public override bool IsValid(object? value) =>
        value is null or "" || StringSection.Named((string)value) is not null;

    public override string FormatErrorMessage(string name) => Say(sentence, ("instruments", Labels.Instruments));
}
