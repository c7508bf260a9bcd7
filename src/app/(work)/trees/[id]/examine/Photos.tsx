'use client'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { ExamineView } from '@/server/read/examine'
import { KeptPhoto } from '@/ui/pieces/KeptPhoto'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { takePhoto, usePhotoBox } from '@/ui/field/photoBox'
import { clockTime, shortDate } from '@/ui/when'

/**
 * Photographs of the running examination: kept on the device first and sent when there is a signal, without place or camera, taken away
 * again.
 */
export function Photos({
  view,
  kept,
  writing,
  goingOn,
}: {
  view: ExamineView
  /** Those of the examination on the page are shown; a new one has none. */
  kept: boolean
  writing: boolean
  /** Which examination is written into now. */
  goingOn: () => string
}) {
  const remove = useVerb('remove-photo')
  const input = useRef<HTMLInputElement>(null)
  const box = usePhotoBox()
  const [gone, setGone] = useState<readonly string[]>([])
  const [said, setSaid] = useState('')
  const treeId = view.tree.id
  const known = kept ? view.photos : []
  const photos = [
    ...known,
    ...box.sent.flatMap(({ id, at, of }) =>
      'treeId' in of && of.treeId === treeId && known.every((p) => p.id !== id)
        ? [{ id, takenAt: at, by: '' }]
        : [],
    ),
  ].filter((p) => !gone.includes(p.id))
  const waiting = box.waiting.filter((p) => 'treeId' in p && p.treeId === treeId)

  async function take(files: FileList | null) {
    let written = true
    for (const file of files ?? [])
      written = (await takePhoto(file, { treeId, assessmentId: goingOn() })) && written
    setSaid(written ? '' : 'This device has no room for it; leave this page open until it is sent.')
    if (input.current) input.current.value = ''
  }

  return (
    <section aria-label="Photographs" className="mb-6">
      <h2 className="border-b border-ink2 pb-1">Photographs</h2>
      {writing && (
        <div className="flex flex-wrap items-center gap-3 mt-3">
          <input
            ref={input}
            type="file"
            accept="image/*"
            multiple
            className="sr-only"
            id="take-photo"
            onChange={(e) => void take(e.target.files)}
          />
          <label htmlFor="take-photo" className="btn cursor-pointer">
            Take a photograph
          </label>
          <span role="status" className="text-ink2">
            {waiting.length > 0 ? `${waiting.length} not sent yet. ${said}` : said}
          </span>
        </div>
      )}
      <ProblemNote problem={remove.problem} />
      {photos.length + waiting.length === 0 ? (
        <p className="text-ink2 mt-2">None yet. Kept pictures carry neither place nor camera.</p>
      ) : (
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-3 mt-3">
          {photos.map((p, i) => (
            <li key={p.id}>
              <KeptPhoto id={p.id} alt={`Photograph ${i + 1} of ${view.tree.tag}`} />
              <div className="flex justify-between text-small text-ink2">
                <span>
                  {p.by &&
                    `${p.by}, ${shortDate(p.takenAt, view.timeZone)} ${clockTime(p.takenAt, view.timeZone)}`}
                </span>
                {writing && (
                  <button
                    type="button"
                    className="underline hand:min-h-12"
                    aria-label={`Take photograph ${i + 1} away`}
                    onClick={async () => {
                      if ((await remove.send({ id: p.id })) !== null) setGone([...gone, p.id])
                    }}
                  >
                    take away
                  </button>
                )}
              </div>
            </li>
          ))}
          {waiting.map((p) => (
            <li key={p.id}>
              <PictureHere picture={p.picture} alt={`Photograph of ${view.tree.tag}, not sent yet`} />
              <span className="text-small text-ink2">on this device, not sent yet</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

/** A picture that only this device has. */
function PictureHere({ picture, alt }: { picture: Blob; alt: string }) {
  const src = useMemo(() => URL.createObjectURL(picture), [picture])
  useEffect(() => () => URL.revokeObjectURL(src), [src])
  return <img src={src} alt={alt} className="w-full h-28 object-cover border border-line bg-line2" />
}
