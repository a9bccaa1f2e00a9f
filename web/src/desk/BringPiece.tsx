import { useState } from 'react'
import type { ClassDetail } from '../api/client'
import type { Work } from '../register/queries'
import { FileButton } from '../ui/FileButton'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useToast } from '../ui/toasts'
import { useBringPiece } from './queries'

/** A piece that a learner wrote elsewhere comes in as a file, and is checked like one that was written here. */
export function BringPiece({ one, set }: { one: ClassDetail; set: readonly Work[] }) {
  const [open, setOpen] = useState(false)
  const [work, setWork] = useState(set.at(-1)?.id ?? 0)
  const [learner, setLearner] = useState(0)
  const bring = useBringPiece(one.summary.id)
  const toast = useToast()
  const whom = one.learners.filter((l) => set.find((w) => w.id === work)?.for.includes(l.id))
  const who = whom.find((l) => l.id === learner) ?? whom[0]
  const close = () => {
    bring.reset()
    setOpen(false)
  }
  return (
    <>
      <Button size="small" onClick={() => setOpen(true)}>
        Bring a piece from a file
      </Button>
      {open && (
        <Dialog title="A piece from a file" onClose={close}>
          <div className="flex flex-col gap-4">
            <p>ABC or MusicXML. It is checked against the task and counts as handed in.</p>
            <Field label="Task">
              <Select
                size="usual"
                value={work}
                options={set.map((w) => ({ value: w.id, label: w.title }))}
                onChoose={setWork}
              />
            </Field>
            <Field label="Written by">
              <Select
                size="usual"
                value={who?.id ?? 0}
                options={whom.map((l) => ({ value: l.id, label: l.nickname }))}
                onChoose={setLearner}
              />
            </Field>
            {bring.error && <Refused>{bring.error.message}</Refused>}
            <div className="flex gap-3">
              <FileButton
                accept=".abc,.musicxml,.xml,.txt"
                busy={bring.isPending || !who}
                onFile={(file) =>
                  void file.text().then((text) =>
                    bring.mutate(
                      { learnerId: who?.id ?? 0, workId: work, text },
                      {
                        onSuccess: (check) => {
                          close()
                          toast({
                            text: check.kept
                              ? `${who?.nickname ?? ''}’s piece is here: all rules are kept.`
                              : `${who?.nickname ?? ''}’s piece is here: ${check.findings.length} of its rules are not kept.`,
                          })
                        },
                      },
                    ),
                  )
                }
              >
                Choose the file
              </FileButton>
              <Button onClick={close}>Cancel</Button>
            </div>
          </div>
        </Dialog>
      )}
    </>
  )
}
