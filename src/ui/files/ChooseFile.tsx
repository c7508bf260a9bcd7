'use client'
import type { ReactNode } from 'react'

/** A file of this device is chosen; the same one may be chosen again. `children` is what the button says. */
export function ChooseFile({
  accept,
  busy = false,
  onFile,
  children,
}: {
  accept: string
  busy?: boolean
  onFile: (file: File) => void
  children: ReactNode
}) {
  return (
    <label className="btn btn-quiet">
      {children}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        disabled={busy}
        onChange={(e) => {
          const file = e.target.files?.[0]
          if (file) onFile(file)
          e.target.value = ''
        }}
      />
    </label>
  )
}
