import { useRef } from 'react'
import { MoreItem } from '../ui/MoreMenu'
import { useToast } from '../ui/toasts'
import { readSheetFile, sheetAsFile, type FileFormat } from './queries'
import { docOf, type Bench } from './sheet'

const FILES: readonly { format: FileFormat; label: string; end: string; type: string }[] = [
  { format: 'json', label: 'Save as a file to open again (JSON)', end: 'json', type: 'application/json' },
  { format: 'csv', label: 'Save questions and answers as a table (CSV)', end: 'csv', type: 'text/csv' },
  {
    format: 'musicXml',
    label: 'Save the music (MusicXML)',
    end: 'musicxml',
    type: 'application/vnd.recordare.musicxml+xml',
  },
]

/** Hands a text to the browser as a file to save. */
function save(name: string, type: string, text: string) {
  const address = URL.createObjectURL(new Blob([text], { type }))
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  URL.revokeObjectURL(address)
}

/**
 * What of the menu has to do with files. The field for a file lies outside of the menu, which closes before it is used.
 */
export function useSheetFiles(bench: Bench, open: (opened: Bench) => void) {
  const toast = useToast()
  const field = useRef<HTMLInputElement>(null)
  const tell = (problem: unknown) => toast({ text: problem instanceof Error ? problem.message : String(problem) })
  const write = async (file: (typeof FILES)[number]) => {
    try {
      const text = await sheetAsFile(file.format, docOf(bench))
      save(`${bench.heading.replace(/[^\p{L}\p{N} -]/gu, '').trim() || 'exercises'}.${file.end}`, file.type, text)
    } catch (problem) {
      tell(problem)
    }
  }
  const read = async (file: File) => {
    try {
      const { heading, nameLine, instruments, parts } = await readSheetFile(await file.text())
      open({ id: null, version: 1, heading, nameLine, instruments, parts })
      toast({ text: `“${heading || file.name}” is on the bench.` })
    } catch (problem) {
      tell(problem)
    }
  }
  const items = [
    <MoreItem key="open" onClick={() => field.current?.click()}>
      Open a file …
    </MoreItem>,
    ...(bench.parts.length > 0
      ? FILES.map((file) => (
          <MoreItem key={file.format} onClick={() => void write(file)}>
            {file.label}
          </MoreItem>
        ))
      : []),
  ]
  const input = (
    <input
      ref={field}
      type="file"
      accept=".json,application/json"
      className="hidden"
      aria-label="A sheet of exercises"
      onChange={(e) => {
        const file = e.target.files?.[0]
        e.target.value = ''
        if (file) void read(file)
      }}
    />
  )
  return { items, input }
}
