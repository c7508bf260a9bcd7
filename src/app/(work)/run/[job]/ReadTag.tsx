'use client'
import { useState } from 'react'
import { scannedTag } from '@/core/tags/scannedTag'
import { afterPage } from '@/ui/pieces/afterPage'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { Field } from '@/ui/fields/Field'
import type { JobTree } from './job'

const ScanCode = afterPage(() => import('@/ui/device/ScanCode'), 'ScanCode')

/** The tag on the tree, typed or held to the camera; another tree’s tag is told at once. */
export function ReadTag({
  tree,
  trees,
  value,
  onValue,
  problem,
}: {
  tree: JobTree
  /** All of the job. */
  trees: readonly JobTree[]
  value: string
  onValue: (tag: string) => void
  problem: string | null
}) {
  const [scanning, setScanning] = useState(false)
  const [wrong, setWrong] = useState<string | null>(null)
  function read(text: string) {
    const found = scannedTag(text, tree, trees)
    if (found.is !== 'meant')
      return setWrong(
        found.is === 'another'
          ? `This is ${found.tree.tag}, not ${tree.tag}.`
          : 'This is the tag of no tree of this job.',
      )
    setWrong(null)
    setScanning(false)
    onValue(tree.tag)
  }
  return (
    <div className="grid gap-2">
      <div className="flex items-end gap-2">
        <div className="grow">
          <Field
            label="Read the tag on the tree"
            value={value}
            onChange={(e) => onValue(e.target.value)}
            problem={problem}
          />
        </div>
        {!scanning && <Button onClick={() => setScanning(true)}>Scan it</Button>}
      </div>
      {scanning && <ScanCode onRead={read} onClose={() => setScanning(false)} />}
      <div role="alert">{wrong && <Note says="stop">{wrong}</Note>}</div>
    </div>
  )
}
