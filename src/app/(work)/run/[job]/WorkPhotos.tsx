'use client'
import { useId, useRef, useState } from 'react'
import { counted } from '@/core/text/counted'
import { takePhoto, usePhotoBox } from '@/ui/field/photoBox'
import type { JobTree } from './job'

/** Takes photographs of a task at a tree, or of the tree; kept on the device first, and sent when there is a signal. */
export function WorkPhotos({
  tree,
  task,
  wanted,
}: {
  tree: JobTree
  /** Null for the tree as it stands. */
  task: string | null
  /** What it shows, where one is wanted. */
  wanted?: string
}) {
  const id = useId()
  const input = useRef<HTMLInputElement>(null)
  const [said, setSaid] = useState('')
  const waiting = usePhotoBox().waiting.filter(
    (p) => 'jobSubjectId' in p && p.jobSubjectId === tree.id && p.task === task,
  ).length
  const sent = tree.photos.filter((p) => p.task === task).length
  async function take(files: FileList | null) {
    let written = true
    for (const file of files ?? [])
      written = (await takePhoto(file, { jobSubjectId: tree.id, task })) && written
    if (input.current) input.current.value = ''
    setSaid(written ? '' : 'This device has no room for it; leave this page open until it is sent.')
  }
  const there = sent + waiting
  return (
    <div className="no-print flex flex-wrap items-center gap-x-4 gap-y-1 mt-2">
      <input
        ref={input}
        id={id}
        type="file"
        accept="image/*"
        capture="environment"
        className="peer sr-only"
        onChange={(e) => void take(e.target.files)}
      />
      <label htmlFor={id} className="btn cursor-pointer peer-focus-visible:outline-2">
        {there > 0 ? 'One more photograph' : 'Photograph'}
      </label>
      <span className="text-small" role="status">
        {there > 0
          ? `${counted(there, 'photograph')}${waiting > 0 ? `, ${waiting} not sent yet` : ''}`
          : wanted && `Wanted: ${wanted}.`}
        {said}
      </span>
    </div>
  )
}
