import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { KeyOffer, Together } from '../api/client'
import { useDeleteTune } from '../tunes'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { useToast } from '../ui/toasts'
import { useKeyOffers, useTakeKey } from './queries'

/** So many keys are shown at first; the print’s own is among them. */
const FIRST = 3

/** The keys that fit all sections, weighed by what is new to the class; one press takes one. */
export function KeyOffers({ id, together }: { id: number; together: Together }) {
  const [open, setOpen] = useState(false)
  const [all, setAll] = useState(false)
  const offers = useKeyOffers(id, together.sections.map((s) => s.key).join(','), open)
  const shown = offers.data?.filter((o, i) => all || i < FIRST || o.isPrint)
  return (
    <section className="mt-4">
      <h2 className="text-base">The key that fits all</h2>
      {!open && (
        <Button size="small" onClick={() => setOpen(true)}>
          Weigh the keys
        </Button>
      )}
      {open && !offers.data && !offers.error && <p role="status">Weighing every key for each section …</p>}
      {open && (
        <Asked of={offers}>
          <ol className="mt-1">
            {shown?.map((o) => (
              <Offer key={o.fifths} id={id} offer={o} best={o === offers.data?.[0]} />
            ))}
          </ol>
          {offers.data && shown && shown.length < offers.data.length && (
            <Button size="small" onClick={() => setAll(true)}>
              All {offers.data.length} keys
            </Button>
          )}
        </Asked>
      )}
    </section>
  )
}

function Offer({ id, offer, best }: { id: number; offer: KeyOffer; best: boolean }) {
  const navigate = useNavigate()
  const toast = useToast()
  const take = useTakeKey()
  const remove = useDeleteTune()
  const press = () =>
    take.mutate(
      { id, fifths: offer.fifths },
      {
        onSuccess: ({ summary }) => {
          void navigate(`/tunes/${summary.id}?for=all`)
          toast({
            text: `Kept as a tune of its own: “${summary.title}”. The print stays as it is.`,
            action: {
              label: 'Undo',
              // By then this list is gone, and with it whatever would wait for an answer.
              run: () => {
                void navigate(`/tunes/${id}?for=all`)
                remove.mutate(summary.id)
              },
            },
          })
        },
        onError: (refusal) => toast({ text: refusal.message }),
      },
    )
  return (
    <li className="border-b border-line py-1.5">
      <div className="flex items-baseline justify-between gap-2">
        <span>
          <b>{offer.name}</b> {best && <span className="text-sm font-bold text-spruce">fits best</span>}
          <span className="block text-sm text-soft">{offer.moved}</span>
        </span>
        {!offer.isPrint && (
          <Button size="small" kind={best ? 'go' : undefined} disabled={take.isPending} onClick={press}>
            Take it
          </Button>
        )}
      </div>
      <p className={`text-sm ${offer.outOfReach > 0 ? 'text-brick' : ''}`}>{offer.fits}</p>
      {offer.new.length > 0 && offer.outOfReach === 0 && <p className="text-fine text-soft">{offer.new.join(' · ')}</p>}
    </li>
  )
}
