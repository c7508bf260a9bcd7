'use client'
import dynamic from 'next/dynamic'

/** The drawing of a finding where a page has many: it comes after the page, and is no part of what the server sends. */
export const FigureLater = dynamic(() => import('./FindingFigure').then((m) => m.FindingFigure), {
  ssr: false,
})
