import { SideNote } from '../ui/Said'
import { useHealth } from './queries'

/** In one line whether all is well; what is not, in a sentence each. */
export function State() {
  const health = useHealth().data
  if (!health) return null
  const troubles = health.checks.filter((c) => c.state !== 'ok')
  if (troubles.length === 0) return <p>All is well: the library can be read and written, and there is room.</p>
  return (
    <div className="mt-3 flex flex-col gap-2">
      {troubles.map((c) => (
        <SideNote key={c.name} loud={c.state === 'failing'}>
          {c.said}
        </SideNote>
      ))}
    </div>
  )
}
