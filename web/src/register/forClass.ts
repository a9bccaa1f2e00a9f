import { api } from '../api/client'
import { keptNow } from '../offline/kept'

/** Where the number of the chosen class is kept; 0 where none is wanted, nothing before the first choice. */
export const CLASS_KEY = 'class'

/** Everything is asked for the class that is chosen. */
export function askForClass() {
  api.use({
    onRequest({ request }) {
      const chosen = keptNow(CLASS_KEY)
      if (typeof chosen === 'number' && chosen > 0 && !request.headers.has('For-Class'))
        request.headers.set('For-Class', `${chosen}`)
      return request
    },
  })
}
