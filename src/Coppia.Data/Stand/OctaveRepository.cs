using Coppia.Data.Store;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Stand;

/// <summary>Owns the table of chosen octaves.</summary>
public sealed class OctaveRepository(Database database)
{
    /// <summary>Octaves that the teacher chose, −4 to 4, or null.</summary>
    public int? Of(long tuneId, string instrument)
    {
        using var connection = database.Open();
        return connection.ExecuteScalar<int?>(
            "SELECT octaves FROM octave_choice WHERE tune_id = @tuneId AND instrument = @instrument",
            new { tuneId, instrument }
        );
    }

    /// <summary>Keeps a choice where the former one is still the one that the chooser saw.</summary>
    /// <returns>Whether it was.</returns>
    public bool Choose(long tuneId, string instrument, int? octaves, int? was)
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var now = connection.ExecuteScalar<int?>(
            "SELECT octaves FROM octave_choice WHERE tune_id = @tuneId AND instrument = @instrument",
            new { tuneId, instrument },
            step
        );
        if (now != was)
            return false;
        Keep(connection, step, tuneId, instrument, octaves);
        step.Commit();
        return true;
    }

    /// <summary>Keeps a choice; null lets the tune find its own octave again.</summary>
    public void Choose(long tuneId, string instrument, int? octaves)
    {
        using var connection = database.Open();
        Keep(connection, null, tuneId, instrument, octaves);
    }

    private static void Keep(
        SqliteConnection connection,
        SqliteTransaction? step,
        long tuneId,
        string instrument,
        int? octaves
    )
    {
        connection.Execute(
            octaves is null
                ? "DELETE FROM octave_choice WHERE tune_id = @tuneId AND instrument = @instrument"
                : """
                INSERT INTO octave_choice (tune_id, instrument, octaves) VALUES (@tuneId, @instrument, @octaves)
                ON CONFLICT DO UPDATE SET octaves = @octaves
                """,
            new
            {
                tuneId,
                instrument,
                octaves,
            },
            step
        );
    }
}
