import { useMatch } from 'react-router'
import { CopyText } from '../ui/Mishap'
import { useTune } from './queries'

/** The text of the tune that the address names, to copy; nothing on other screens. */
export function KeptText() {
  const stand = useMatch('/tunes/:id')?.params.id
  const print = useMatch('/tunes/:id/print')?.params.id
  const id = stand ?? print
  return id ? <TextOf id={Number(id)} /> : null
}

function TextOf({ id }: { id: number }) {
  const source = useTune(id).data?.source
  return source ? <CopyText source={source} /> : null
}
