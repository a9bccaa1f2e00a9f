import { useParams } from 'react-router'
import { useMe } from '../signin'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { SideNote } from '../ui/Said'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { useClass, useEndLink, useLinks, useRenewLinks } from '../register/queries'
import { PrintEnd } from '../ui/PrintEnd'

/** A card for each learner with their link, to print and cut. */
export function LinkCards() {
  const id = Number(useParams().id)
  const links = useLinks(id)
  const name = useClass(id).data?.summary.name
  const renew = useRenewLinks(id)
  const end = useEndLink(id)
  const me = useMe().data
  const toast = useToast()
  const tell = (problem: Error) => toast({ text: problem.message })
  const all = links.data ?? []
  const without = all.filter((l) => l.address === null)
  return (
    <Screen title={`Links of ${name ?? 'the class'}`}>
      <Strip lead={<TextLink to={`/classes/${id}`}>Back to the class</TextLink>}>
        {without.length > 0 && (
          <Button
            size="strip"
            disabled={renew.isPending}
            onClick={() =>
              renew.mutate(
                without.map((l) => l.learnerId),
                { onError: tell },
              )
            }
          >
            {without.length === all.length ? 'Give everyone a link' : `Give ${without.length} more a link`}
          </Button>
        )}
        <PrintEnd ready={without.length < all.length} />
      </Strip>
      <div className="mx-auto max-w-4xl px-4 py-5 print:max-w-none print:p-0">
        <h1 className="mb-2 text-2xl print:hidden">Links of {name ?? 'the class'}</h1>
        <div className="mb-4 flex max-w-prose flex-col gap-2 print:hidden">
          <p>
            Each learner’s page opens with their link alone, without an account. Whoever has the card has the page: give
            it to the child or to those at home, and renew it when it was lost.
          </p>
          {me && !me.beyond && (
            <SideNote>
              At present only this machine can open these pages. Phones can when Coppia is started with --host, which
              needs a teacher’s sign-in first (Safekeeping).
            </SideNote>
          )}
        </div>
        <Asked of={links}>
          <ul className="grid grid-cols-1 gap-4 sm:grid-cols-2 print:grid-cols-2">
            {all.map((l) => (
              <li
                key={l.learnerId}
                className="flex break-inside-avoid gap-4 border border-line-dark bg-sheet p-4 print:border-dashed"
              >
                {l.address === null || l.qr === null ? (
                  <p className="flex-1">
                    <span className="font-head text-xl font-semibold">{l.nickname}</span>
                    <span className="block text-sm text-soft">has no link.</span>
                  </p>
                ) : (
                  <>
                    <img
                      src={`data:image/svg+xml;utf8,${encodeURIComponent(l.qr)}`}
                      alt={`Code that leads to ${l.nickname}’s page`}
                      className="size-28 shrink-0"
                    />
                    <div className="min-w-0 flex-1">
                      <p className="font-head text-xl font-semibold">{l.nickname}</p>
                      <p className="text-sm break-all">
                        <a href={l.address} className="underline underline-offset-2">
                          {l.address}
                        </a>
                      </p>
                      <div className="mt-2 flex flex-wrap gap-2 print:hidden">
                        <Button
                          size="small"
                          aria-label={`Renew ${l.nickname}’s link`}
                          onClick={() =>
                            renew.mutate([l.learnerId], {
                              onSuccess: () =>
                                toast({ text: `${l.nickname} has a new link; the former one has ended.` }),
                              onError: tell,
                            })
                          }
                        >
                          Renew
                        </Button>
                        <Button
                          size="small"
                          aria-label={`End ${l.nickname}’s link`}
                          onClick={() => end.mutate(l.learnerId, { onError: tell })}
                        >
                          End
                        </Button>
                      </div>
                    </div>
                  </>
                )}
              </li>
            ))}
          </ul>
        </Asked>
      </div>
    </Screen>
  )
}
