import { usePieces } from '../desk'
import { useClass } from '../register/queries'
import { several } from '../ui/several'
import { TextLink } from '../ui/TextLink'

/** What learners have handed in and nobody has read. */
export function ToRead({ id }: { id: number }) {
  const pieces = usePieces(id).data?.pieces.filter((p) => p.state === 'handedIn') ?? []
  const learners = useClass(id).data?.learners ?? []
  if (pieces.length === 0) return null
  const names = pieces.flatMap((p) => learners.find((l) => l.id === p.learnerId)?.nickname ?? [])
  return (
    <section aria-labelledby="to-read">
      <h2 id="to-read" className="mb-1 text-xl">
        Waits to be read
      </h2>
      <p>
        <TextLink to={`/classes/${id}/pieces`}>{several(pieces.length, 'piece')}</TextLink> from {names.join(', ')}
      </p>
    </section>
  )
}
