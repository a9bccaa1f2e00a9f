import { useToast } from '../ui/toasts'

/** Tells that something is deleted, and offers it back until the page is left. */
export function useOfferBack() {
  const toast = useToast()
  return (name: string, bringBack: () => Promise<unknown>) =>
    toast({
      text: `${name} is deleted.`,
      stays: true,
      action: {
        label: 'Undo',
        // Where it was deleted is left by then, so that nobody there hears of a failure.
        run: () => void bringBack().catch((e: unknown) => toast({ text: e instanceof Error ? e.message : String(e) })),
      },
    })
}
