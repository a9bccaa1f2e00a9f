namespace Coppia.Core.Music;

/// <summary>Where a note lies on the staff, in the words a teacher uses: lines and spaces are counted from the bottom.</summary>
/// <param name="Height">Half-spaces above the bottom line; 0 = line 1.</param>
public readonly record struct StaffPlace(int Height)
{
    private const int TopLine = 8;
    private static readonly string[] Ordinals = ["", "first", "second", "third", "fourth", "fifth", "sixth", "seventh"];

    public static StaffPlace Of(Pitch pitch, Clef clef) => new(clef.HeightOf(pitch));

    public bool OnLine => Height % 2 == 0;

    /// <summary>"line 3", "space 1", "under the first ledger line below", "on the second ledger line above".</summary>
    public string Words
    {
        get
        {
            if (Height is >= 0 and <= TopLine)
                return OnLine ? $"line {Height / 2 + 1}" : $"space {Height / 2 + 1}";

            var beyond = Height < 0 ? -Height : Height - TopLine;
            var side = Height < 0 ? "below" : "above";
            var ledger = beyond / 2;
            if (OnLine)
                return $"on the {Ordinal(ledger)} ledger line {side}";
            if (ledger == 0)
                return Height < 0 ? "just below the staff" : "just above the staff";
            return Height < 0 ? $"under the {Ordinal(ledger)} ledger line below" : $"above the {Ordinal(ledger)} ledger line above";
        }
    }

    private static string Ordinal(int n) => n < Ordinals.Length ? Ordinals[n] : $"{n}th";
}
