import type { ReactNode } from 'react'
import { Button } from '../ui/Button'
import { TextLink } from '../ui/TextLink'

/** Where no class is chosen: which one; and with none at all, three ways in. */
export function FirstWays({
  classes,
  onChoose,
}: {
  classes: readonly { id: number; name: string }[]
  onChoose: (id: number) => void
}) {
  if (classes.length > 0)
    return (
      <>
        <p className="mb-3">A week is a class’s own. Which one?</p>
        <ul className="flex flex-wrap gap-3">
          {classes.map((c) => (
            <li key={c.id}>
              <Button onClick={() => onChoose(c.id)}>{c.name}</Button>
            </li>
          ))}
        </ul>
      </>
    )
  return (
    <ul className="flex max-w-3xl flex-col">
      <Way link={<TextLink to="/tunes#add">Put in a tune</TextLink>}>
        From paper, a file or letters such as D E F G: Coppia says string and finger for every note, on violin, viola,
        cello and bass.
      </Way>
      <Way link={<TextLink to="/classes">Make a class</TextLink>}>
        Paste the nicknames and say what the class can play: then every tune tells what is new in it, and lessons plan
        themselves.
      </Way>
      <Way link={<span className="font-bold">Look around in the demo</span>}>
        <kbd>./coppia demo</kbd> opens a made-up school beside this one, with tunes, a class and eight weeks of records.
        It is thrown away at the end.
      </Way>
    </ul>
  )
}

function Way({ link, children }: { link: ReactNode; children: ReactNode }) {
  return (
    <li className="border-b border-line py-4">
      <span className="font-head text-xl">{link}</span>
      <p className="mt-1">{children}</p>
    </li>
  )
}
