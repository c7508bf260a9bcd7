'use client'
import { useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import type { ExamineView } from '@/server/read/tree'
import { KeptPhoto } from '@/ui/pieces/KeptPhoto'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useSendPicture } from '@/ui/files/useSendPicture'
import { clockTime, shortDate } from '@/ui/when'

/** Photographs of the running examination: taken with the device, kept without place or camera, taken away again. */
export function Photos({
  view,
  assessmentId,
  writing,
}: {
  view: ExamineView
  assessmentId: string
  writing: boolean
}) {
  const remove = useVerb('remove-photo')
  const input = useRef<HTMLInputElement>(null)
  const [photos, setPhotos] = useState(view.assessment?.id === assessmentId ? view.photos : [])
  const [busy, setBusy] = useState<string | null>(null)
  const [problem, setProblem] = useState<Problem | null>(null)
  const send = useSendPicture((id) => `/api/photos/${id}?tree=${view.tree.id}&assessment=${assessmentId}`)

  async function take(files: FileList | null) {
    setProblem(null)
    for (const [i, file] of [...(files ?? [])].entries()) {
      setBusy(`keeping ${i + 1} of ${files!.length}`)
      const sent = await send(file)
      if (!sent.ok) {
        setProblem(sent.problem)
        break
      }
      const { id } = sent.value
      setPhotos((all) => [...all, { id, finding: null, takenAt: Date.now(), by: '', width: 4, height: 3 }])
    }
    setBusy(null)
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
            {busy ?? ''}
          </span>
        </div>
      )}
      <ProblemNote problem={problem ?? remove.problem} />
      {photos.length === 0 ? (
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
                      if ((await remove.send({ id: p.id })) !== null)
                        setPhotos(photos.filter((x) => x.id !== p.id))
                    }}
                  >
                    take away
                  </button>
                )}
              </div>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
