'use client'
import { useEffect, useRef, useState } from 'react'
import { Button } from '@/ui/pieces/Button'
import { squareCodeReader } from './readSquareCode'

/** So often a picture is looked at, ms. */
const EVERY_MS = 250

/** Shows what the camera sees until it has read a square code; why there is no camera is said. */
export function ScanCode({ onRead, onClose }: { onRead: (text: string) => void; onClose: () => void }) {
  const video = useRef<HTMLVideoElement>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const heard = useRef(onRead)
  useEffect(() => {
    heard.current = onRead
  })
  useEffect(() => {
    let stream: MediaStream | null = null
    let timer: ReturnType<typeof setTimeout> | undefined
    let over = false
    void (async () => {
      try {
        const [camera, read] = await Promise.all([
          navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' }, audio: false }),
          squareCodeReader(),
        ])
        stream = camera
        if (over) return camera.getTracks().forEach((t) => t.stop())
        video.current!.srcObject = camera
        await video.current!.play()
        const look = async () => {
          if (over) return
          const text = await read(video.current!).catch(() => null)
          if (over) return
          if (text !== null) heard.current(text)
          timer = setTimeout(() => void look(), EVERY_MS)
        }
        await look()
      } catch {
        if (!over)
          setProblem(
            'The camera cannot be used here. Allow it in the settings of the device, or type the tag.',
          )
      }
    })()
    return () => {
      over = true
      clearTimeout(timer)
      stream?.getTracks().forEach((t) => t.stop())
    }
  }, [])
  return (
    <div className="grid gap-2">
      {problem ? (
        <p role="alert" className="text-plum font-semibold">
          {problem}
        </p>
      ) : (
        <video
          ref={video}
          muted
          playsInline
          aria-label="What the camera sees; hold it to the code on the tag"
          className="w-full max-h-[34dvh] object-cover bg-ink"
        />
      )}
      <Button onClick={onClose}>Type it instead</Button>
    </div>
  )
}
