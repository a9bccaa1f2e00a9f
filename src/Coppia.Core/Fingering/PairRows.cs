namespace Coppia.Core.Fingering;

/// <summary>
/// One row for each two neighbours of a line, with a number for every pair of their choices. The rows lie together in
/// blocks that are small enough to be forgotten cheaply: one array for a long tune would be kept until everything is
/// cleared away.
/// </summary>
internal sealed class PairRows<T>
{
    private const int RowsInBlock = 32;

    private readonly T[][] _blocks;
    private readonly (int Start, int Length)[] _rows;

    /// <param name="like">Rows of the same lengths.</param>
    public PairRows(int[][] like)
    {
        _rows = new (int, int)[like.Length];
        _blocks = new T[(like.Length + RowsInBlock - 1) / RowsInBlock][];
        for (var block = 0; block < _blocks.Length; block++)
        {
            var length = 0;
            for (var i = block * RowsInBlock; i < Math.Min(like.Length, (block + 1) * RowsInBlock); i++)
            {
                _rows[i] = (length, like[i].Length);
                length += like[i].Length;
            }

            _blocks[block] = new T[length];
        }
    }

    public int Count => _rows.Length;

    public Span<T> this[int row] => _blocks[row / RowsInBlock].AsSpan(_rows[row].Start, _rows[row].Length);
}
