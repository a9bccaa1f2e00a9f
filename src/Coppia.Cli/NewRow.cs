using System.Globalization;
using System.Text.Json;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Formats.Records;

namespace Coppia.Cli;

/// <summary>
/// One row of <c>coppia read --new</c>: a thing that is new to the class. The property order is the column order.
/// </summary>
/// <param name="Bar">Printed number of the bar in which it first comes; a pick-up is 0.</param>
/// <param name="Times">How often it comes.</param>
/// <param name="Weight">What it weighs in how hard the tune is, with the notes that come with it.</param>
/// <param name="Thing">The line by which a file names it.</param>
/// <param name="Words">What a teacher says of it.</param>
public sealed record NewRow(int Bar, int Times, int Weight, string Thing, string Words)
{
    public static void Write(News news, HouseStyle style, bool asJson, TextWriter output)
    {
        var words = new NewsWords(style);
        NewRow[] rows =
        [
            .. news.Of.Select(n => new NewRow(
                n.Met.BarNumber,
                n.Met.Times,
                HowHard.WeightOf(n),
                ThingText.Of(n.Thing),
                words.Sentence(n)
            )),
        ];
        if (asJson)
        {
            output.WriteLine(JsonSerializer.Serialize(rows, ReadCommand.Json));
            return;
        }

        output.WriteLine("bar\ttimes\tweight\tthing\twords");
        foreach (var row in rows)
            output.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{row.Bar}\t{row.Times}\t{row.Weight}\t{row.Thing}\t{row.Words}"
                )
            );
    }
}
