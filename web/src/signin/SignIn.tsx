import { useState } from 'react'
import { Button } from '../ui/Button'
import { Field, Input } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useSignIn } from './queries'

/** Covers everything until a teacher has signed in; what lies below stays as it is. */
export function SignIn() {
  const [name, setName] = useState('')
  const [passphrase, setPassphrase] = useState('')
  const enter = useSignIn()
  return (
    <main className="fixed inset-0 z-40 flex items-center justify-center overflow-y-auto bg-paper p-4">
      <form
        className="flex w-full max-w-sm flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault()
          enter.mutate({ name, passphrase })
        }}
      >
        <h1 className="flex items-center gap-3 text-3xl">
          <img src="/coppia.svg" alt="" className="size-9" />
          Coppia
        </h1>
        <Field label="Your name">
          <Input value={name} autoComplete="username" onChange={(e) => setName(e.target.value)} />
        </Field>
        <Field label="Passphrase">
          <Input
            type="password"
            value={passphrase}
            autoComplete="current-password"
            onChange={(e) => setPassphrase(e.target.value)}
          />
        </Field>
        {enter.error && <Refused>{enter.error.message}</Refused>}
        <div>
          <Button kind="go" type="submit" disabled={!name.trim() || !passphrase || enter.isPending}>
            Sign in
          </Button>
        </div>
        <p className="text-sm text-soft">
          Forgotten? Whoever runs Coppia on its machine can give you another passphrase there:{' '}
          <span className="font-mono text-[0.8rem]">./coppia teacher reset NAME</span>
        </p>
      </form>
    </main>
  )
}
