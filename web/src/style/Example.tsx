import type { HouseStyle } from '../api/client'
import { useStyleExample } from '../api/queries'
import { KeyLine } from '../shapes/KeyLine'

/** The style at work: a few notes on each instrument that differ by the settings. */
export function Example({ style }: { style: HouseStyle }) {
  const examples = useStyleExample(style).data ?? []
  return (
    <div className="flex flex-col gap-2" data-testid="example">
      {examples.map((e) => (
        <div key={e.instrument} data-pairs={e.pairs.join(' ')}>
          <KeyLine title={e.instrument} musicXml={e.musicXml} remark={null} widthPx={400} />
        </div>
      ))}
    </div>
  )
}
