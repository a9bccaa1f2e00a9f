import { Dialog as HeadlessDialog, DialogBackdrop, DialogPanel, DialogTitle } from '@headlessui/react'
import type { ReactNode } from 'react'

export function Dialog({
  title,
  onClose,
  wide = false,
  children,
}: {
  title: string
  onClose: () => void
  wide?: boolean
  children: ReactNode
}) {
  return (
    <HeadlessDialog open onClose={onClose} className="relative z-30">
      <DialogBackdrop className="fixed inset-0 bg-ebony/50" />
      <div className="fixed inset-0 flex items-center justify-center p-2 md:p-6">
        <DialogPanel
          className={`flex max-h-full w-full flex-col overflow-y-auto rounded-lg bg-paper p-4 shadow-2xl md:p-7 ${wide ? 'max-w-5xl' : 'max-w-xl'}`}
        >
          <DialogTitle className="mb-4 text-2xl">{title}</DialogTitle>
          {children}
        </DialogPanel>
      </div>
    </HeadlessDialog>
  )
}
