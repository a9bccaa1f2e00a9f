import { Teachers } from '../signin'
import { Page } from '../ui/Page'
import { Backups } from './Backups'
import { Deleted } from './Deleted'
import { OpenFormats } from './OpenFormats'
import { State } from './State'

/** How the library is kept safe: backups, everything out and in again, and what was deleted. */
export function KeepingScreen() {
  return (
    <Page title="Safekeeping" subtitle={<State />}>
      <div className="grid gap-x-14 gap-y-10 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <Backups />
        <div className="flex flex-col gap-10">
          <Teachers />
          <OpenFormats />
          <Deleted />
        </div>
      </div>
    </Page>
  )
}
