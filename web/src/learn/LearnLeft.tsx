import { Screen } from '../ui/Screen'

/** What is seen when a learner has left. */
export function LearnLeft() {
  return (
    <Screen title="Left" className="mx-auto flex min-h-dvh w-full max-w-xl flex-col gap-4 px-4 py-5">
      <h1 className="text-3xl">Nothing of you is left here</h1>
      <p>Only the browser itself may still remember the address of your page, in its history.</p>
      <p>To come back, open your link or scan your card.</p>
    </Screen>
  )
}
