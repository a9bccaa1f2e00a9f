using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Keeping;

/// <summary>
/// The numbers that a library has given away, table by table. A backup that takes its place knows only those of its own
/// day; what phones and browsers remember under later ones must not become another class's.
/// </summary>
internal static class UsedNumbers
{
    private sealed record Used(string Table, long Last);

    /// <summary>Lets a library count on from where another has counted to.</summary>
    /// <param name="from">The library that was there; one that cannot be read is left aside.</param>
    /// <param name="into">The one that takes its place, with today's tables.</param>
    public static void Carry(string from, string into)
    {
        Used[] used;
        try
        {
            using var read = new SqliteConnection($"Data Source={from};Mode=ReadOnly;Pooling=False");
            used =
            [
                .. read.Query<Used>(
                    "SELECT name AS \"Table\", seq AS Last FROM sqlite_sequence WHERE name <> 'SchemaVersions'"
                ),
            ];
        }
        catch (SqliteException)
        {
            return;
        }

        using var write = new SqliteConnection($"Data Source={into};Pooling=False");
        write.Execute("UPDATE sqlite_sequence SET seq = max(seq, @Last) WHERE name = @Table", used);
    }
}
