import { Button } from './Button'
import { StripEnd } from './Strip'

/** At the end of the strip above paper: sends it to the printer, once there is something on it. */
export function PrintEnd({ ready = true }: { ready?: boolean }) {
  return (
    <StripEnd>
      <Button kind="go" disabled={!ready} onClick={() => window.print()}>
        Print, or save as PDF
      </Button>
    </StripEnd>
  )
}
