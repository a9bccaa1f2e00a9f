using Coppia.Data.Store;
using Dapper;

namespace Coppia.Data.Stand;

/// <summary>What teachers have set on tunes, so that one can tell whether anything has changed.</summary>
public sealed class TuneMarks(Database database)
{
    /// <summary>For each tune that has any: its pins, chosen octaves and changes of the bow as one text.</summary>
    public IReadOnlyDictionary<long, string> All()
    {
        using var connection = database.Open();
        return connection
            .Query<(long Tune, string Marks)>(
                """
                SELECT tune_id, group_concat(mark, ' ') FROM (
                    SELECT tune_id, 'p' || instrument || note_id || string || finger AS mark FROM pin
                    UNION ALL SELECT tune_id, 'f' || instrument FROM printed_fingers
                    UNION ALL SELECT tune_id, 'o' || instrument || octaves FROM octave_choice
                    UNION ALL SELECT tune_id, 'b' || note_id || kind || refused FROM bow_change
                    ORDER BY tune_id, mark)
                GROUP BY tune_id
                """
            )
            .ToDictionary(m => m.Tune, m => m.Marks);
    }
}
