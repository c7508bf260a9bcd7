'use client'
import { strikeReadingAsks } from '@/asks/trees'
import { AskedWhy } from '@/ui/form/AskedWhy'

/** Strikes a reading of the tree out, with the reason. */
export function StrikeReading({
  of,
  title,
  onLeave,
}: {
  of: { treeId: string; readingId: string }
  title: string
  onLeave: () => void
}) {
  return (
    <AskedWhy
      step="strike-reading"
      asks={strikeReadingAsks}
      of={of}
      label={`Why ${title} is struck out`}
      keep="Strike it out"
      onLeave={onLeave}
    />
  )
}
