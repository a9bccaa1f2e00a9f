import { Teachers } from '../signin'
import { Screen } from '../ui/Screen'
import { Backups } from './Backups'
import { Deleted } from './Deleted'
import { OpenFormats } from './OpenFormats'
import { State } from './State'

/** How the library is kept safe: backups, everything out and in again, and what was deleted. */
export function KeepingScreen() {
  return (
    <Screen className="min-h-0 flex-1 overflow-y-auto px-3 pt-3 pb-10 md:px-8 md:pt-6">
      <h1 className="text-3xl">Safekeeping</h1>
      <State />
      <div className="mt-5 grid max-w-6xl gap-x-14 gap-y-10 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <Backups />
        <div className="flex flex-col gap-10">
          <Teachers />
          <OpenFormats />
          <Deleted />
        </div>
      </div>
    </Screen>
  )
}
