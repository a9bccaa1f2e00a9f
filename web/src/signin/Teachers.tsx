import { useState } from 'react'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useToast } from '../ui/toasts'
import {
  useAddTeacher,
  useChangePassphrase,
  useMe,
  useRemoveTeacher,
  useSignOut,
  useSignOutEverywhere,
  useTeachers,
} from './queries'

type Teacher = { id: number; name: string; isMe: boolean }

/** Who may use this Coppia: nobody needs a sign-in until there is one. */
export function Teachers() {
  const me = useMe().data
  const teachers = useTeachers()
  const signOut = useSignOut()
  const everywhere = useSignOutEverywhere()
  const toast = useToast()
  const [adding, setAdding] = useState(false)
  const [changing, setChanging] = useState<Teacher | null>(null)
  const [removing, setRemoving] = useState<Teacher | null>(null)
  const tell = (problem: Error) => toast({ text: problem.message })
  return (
    <section aria-labelledby="teachers">
      <h2 id="teachers" className="mb-2 text-2xl">
        Who may use it
      </h2>
      {me && !me.required && (
        <p className="mb-3 max-w-prose">
          Whoever sits at this machine. Give yourself a sign-in, and everybody needs one; only then can Coppia be opened
          to other machines, and only for those who sign in.
        </p>
      )}
      <Asked of={teachers}>
        <ul aria-label="Teachers">
          {teachers.data?.map((t) => (
            <li key={t.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-1.5">
              <span className="min-w-0 flex-1 font-bold">
                {t.name}
                {t.isMe && <span className="font-normal text-soft"> · you</span>}
              </span>
              {t.isMe && (
                <Button size="small" onClick={() => setChanging(t)}>
                  Another passphrase
                </Button>
              )}
              <Button
                size="small"
                aria-label={`Sign ${t.name} out everywhere`}
                onClick={() =>
                  everywhere.mutate(t.id, {
                    onSuccess: () => toast({ text: `${t.name} is signed out everywhere.` }),
                    onError: tell,
                  })
                }
              >
                Sign out everywhere
              </Button>
              <Button size="small" aria-label={`Take ${t.name}’s sign-in away`} onClick={() => setRemoving(t)}>
                Take away
              </Button>
            </li>
          ))}
        </ul>
      </Asked>
      <div className="mt-3 flex flex-wrap gap-3">
        <Button onClick={() => setAdding(true)}>{me?.required ? 'Add a teacher' : 'Give yourself a sign-in'}</Button>
        {me?.name && <Button onClick={() => signOut.mutate(null, { onError: tell })}>Sign out</Button>}
      </div>
      {adding && <AddTeacher isFirst={me?.required === false} onClose={() => setAdding(false)} />}
      {changing && <ChangePassphrase teacher={changing} onClose={() => setChanging(null)} />}
      {removing && <RemoveTeacher teacher={removing} onClose={() => setRemoving(null)} />}
    </section>
  )
}

/** A passphrase to be chosen, with what it needs. */
function NewPassphrase({
  label,
  value,
  onChange,
}: {
  label: string
  value: string
  onChange: (passphrase: string) => void
}) {
  return (
    <div>
      <Field label={label}>
        <Input type="password" value={value} autoComplete="new-password" onChange={(e) => onChange(e.target.value)} />
      </Field>
      <p className="text-sm text-soft">Twelve characters or more; a few words are easy to keep in mind.</p>
    </div>
  )
}

function AddTeacher({ isFirst, onClose }: { isFirst: boolean; onClose: () => void }) {
  const [name, setName] = useState('')
  const [passphrase, setPassphrase] = useState('')
  const add = useAddTeacher()
  return (
    <Dialog title={isFirst ? 'Your sign-in' : 'Another teacher'} onClose={onClose}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault()
          add.mutate({ name, passphrase }, { onSuccess: onClose })
        }}
      >
        <Field label="Name">
          <Input value={name} maxLength={60} autoComplete="username" onChange={(e) => setName(e.target.value)} />
        </Field>
        <NewPassphrase label="Passphrase" value={passphrase} onChange={setPassphrase} />
        {add.error && <Refused>{add.error.message}</Refused>}
        <div className="flex gap-3">
          <Button kind="go" type="submit" disabled={!name.trim() || add.isPending}>
            {isFirst ? 'From now on sign in' : 'Add'}
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  )
}

function ChangePassphrase({ teacher, onClose }: { teacher: Teacher; onClose: () => void }) {
  const [former, setFormer] = useState('')
  const [passphrase, setPassphrase] = useState('')
  const change = useChangePassphrase()
  const toast = useToast()
  return (
    <Dialog title="Another passphrase" onClose={onClose}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault()
          change.mutate(
            { id: teacher.id, former, passphrase },
            {
              onSuccess: () => {
                onClose()
                toast({ text: 'Your passphrase is another now, and you are signed out on other machines.' })
              },
            },
          )
        }}
      >
        <Field label="Until now">
          <Input
            type="password"
            value={former}
            autoComplete="current-password"
            onChange={(e) => setFormer(e.target.value)}
          />
        </Field>
        <NewPassphrase label="From now on" value={passphrase} onChange={setPassphrase} />
        {change.error && <Refused>{change.error.message}</Refused>}
        <div className="flex gap-3">
          <Button kind="go" type="submit" disabled={change.isPending}>
            Change it
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  )
}

function RemoveTeacher({ teacher, onClose }: { teacher: Teacher; onClose: () => void }) {
  const remove = useRemoveTeacher()
  return (
    <Dialog title={`Take ${teacher.name}’s sign-in away?`} onClose={onClose}>
      <p className="mb-5">
        {teacher.name} cannot use this Coppia any more. Classes, tunes and records stay. Without the last sign-in nobody
        needs one on this machine.
      </p>
      {remove.error && <Refused>{remove.error.message}</Refused>}
      <div className="mt-4 flex gap-3">
        <Button kind="go" disabled={remove.isPending} onClick={() => remove.mutate(teacher.id, { onSuccess: onClose })}>
          Take it away
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </Dialog>
  )
}
