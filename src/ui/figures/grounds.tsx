import type { ReactNode } from 'react'

/** Furrows of bark. */
export function Bark() {
  return (
    <path
      d="M10,4C14,24 6,48 12,68M28,4C24,20 32,50 26,68M64,4C68,24 60,46 66,68M84,4C80,26 88,48 82,68"
      className="stroke-bark"
    />
  )
}

/** A broad leaf, upper face. */
export function Leaf({ pale = false, children }: { pale?: boolean; children?: ReactNode }) {
  return (
    <>
      <path
        d="M48,6C76,18 80,48 48,66C16,48 20,18 48,6Z"
        className={`${pale ? 'fill-straw-soft' : 'fill-moss-soft'} stroke-ink`}
      />
      <path d="M48,66V71" className="stroke-ink" />
      {children}
    </>
  )
}
