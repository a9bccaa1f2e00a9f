/** Notes that the engraver sets in a second (measured on a slow laptop; long tunes take as long in proportion). */
const NOTES_A_SECOND = 400

/** Said while the engraver works; for a long tune also how long that may take. */
export function Working({ notes }: { notes: number }) {
  const seconds = Math.round(notes / NOTES_A_SECOND / 5) * 5
  return (
    <p role="status" className="no-print py-16 text-center text-soft">
      Engraving the tune…
      {seconds >= 5 && ` ${notes.toLocaleString()} notes take about ${seconds} seconds.`}
    </p>
  )
}
