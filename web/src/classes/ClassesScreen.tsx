import { FileButton } from '../ui/FileButton'
import { Refused } from '../ui/Said'
import { useClasses, useTakeClassIn } from '../register/queries'
import { Asked } from '../ui/Asked'
import { PAGE_EDGE, PageHead } from '../ui/Page'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { MakeClass } from './MakeClass'
import { sectionsInWords } from './words'

/** The classes of the house, and a new one. */
export function ClassesScreen() {
  const classes = useClasses()
  const take = useTakeClassIn()
  return (
    <Screen
      title="Classes"
      className="grid min-h-0 flex-1 grid-cols-1 content-start overflow-y-auto lg:grid-cols-[minmax(0,1fr)_32rem] lg:content-stretch lg:overflow-hidden"
    >
      <section
        aria-label="Classes of the house"
        className={`flex min-w-0 flex-col ${PAGE_EDGE} lg:min-h-0 lg:overflow-y-auto`}
      >
        <PageHead title="Classes" />
        <Asked of={classes}>
          {classes.data?.length === 0 ? (
            <div className="max-w-lg py-4 leading-relaxed">
              <p className="mb-3">
                There is no class yet. Paste the nicknames of one, say what it can play already, and Coppia tells of
                every tune what is new to it, how hard that makes it, and which tune comes next.
              </p>
            </div>
          ) : (
            <ul aria-label="Classes" className="pb-4">
              {classes.data?.map((c) => (
                <li key={c.id} className="flex flex-wrap items-baseline gap-x-6 gap-y-1 border-b border-line py-3">
                  <span className="min-w-0 flex-1">
                    <TextLink to={`/classes/${c.id}`}>
                      <span className="font-head text-xl">{c.name}</span>
                    </TextLink>
                    <span className="block text-sm text-soft">
                      {sectionsInWords(c.sections)} · lessons of {c.lessonMinutes} minutes
                    </span>
                  </span>
                  <TextLink to={`/classes/${c.id}/plan`}>What it knows</TextLink>
                  <TextLink to={`/classes/${c.id}/logbook`}>Logbook</TextLink>
                </li>
              ))}
            </ul>
          )}
        </Asked>
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-4">
          <FileButton accept=".json,application/json" busy={take.isPending} onFile={(file) => take.mutate(file)}>
            Take a saved class in …
          </FileButton>
          {take.data && (
            <span role="status">
              <TextLink to={`/classes/${take.data.id}`}>{take.data.name}</TextLink> is here, with its whole record.
            </span>
          )}
        </div>
        {take.error && <Refused>{take.error.message}</Refused>}
      </section>
      <div className="border-line px-4 py-5 md:px-7 lg:min-h-0 lg:overflow-y-auto lg:border-l">
        <MakeClass />
      </div>
    </Screen>
  )
}
