/** What there is to do where nothing lies on the bench yet. */
export function EmptyBench() {
  return (
    <div className="mx-auto max-w-xl py-16 text-center">
      <h2 className="mb-3 text-2xl">An empty sheet</h2>
      <p className="mb-2">
        Choose at the left what to train: each press puts a set of questions, or music to play, on the sheet. Kinds can
        be mixed.
      </p>
      <p className="mb-2">
        The answers come with it. With more than one instrument ticked above, each gets the same content on a page of
        its own, in its clef and octave.
      </p>
      <p>
        From a tune: on the stand, <strong>First sheet</strong> makes a page of its notes, its scale, its rhythm and its
        trouble spots.
      </p>
    </div>
  )
}
