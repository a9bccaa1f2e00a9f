/** Keys and what they do. */
export function KeyTable({ keys }: { keys: readonly (readonly [keys: string, what: string])[] }) {
  return (
    <dl className="grid grid-cols-[7rem_1fr] gap-y-2">
      {keys.map(([pressed, what]) => (
        <div key={pressed} className="contents">
          <dt className="flex gap-1">
            {pressed.split(' ').map((k) => (
              <kbd key={k}>{k}</kbd>
            ))}
          </dt>
          <dd>{what}</dd>
        </div>
      ))}
    </dl>
  )
}
