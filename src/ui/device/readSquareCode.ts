interface Detector {
  detect: (source: HTMLVideoElement) => Promise<{ rawValue: string }[]>
}
type DetectorKind = new (of: { formats: string[] }) => Detector

/** As wide as a picture is looked at, pixels: a code that is held to the camera is large. */
const LOOKED_AT = 640

/**
 * Reads square codes off a running camera: by the device's own reader where it has one, else by one that is fetched. Answers what it reads in
 * a picture, null where there is none.
 */
export async function squareCodeReader(): Promise<(video: HTMLVideoElement) => Promise<string | null>> {
  const Kind = (globalThis as { BarcodeDetector?: DetectorKind }).BarcodeDetector
  if (Kind) {
    try {
      const detector = new Kind({ formats: ['qr_code'] })
      return async (video) => (await detector.detect(video))[0]?.rawValue ?? null
    } catch {
      // It is there and reads no square codes.
    }
  }
  const { default: jsQR } = await import('jsqr')
  const canvas = document.createElement('canvas')
  const paper = canvas.getContext('2d', { willReadFrequently: true })
  return (video) => {
    if (!paper || video.videoWidth === 0) return Promise.resolve(null)
    const by = Math.min(1, LOOKED_AT / video.videoWidth)
    canvas.width = Math.round(video.videoWidth * by)
    canvas.height = Math.round(video.videoHeight * by)
    paper.drawImage(video, 0, 0, canvas.width, canvas.height)
    const { data, width, height } = paper.getImageData(0, 0, canvas.width, canvas.height)
    return Promise.resolve(jsQR(data, width, height, { inversionAttempts: 'dontInvert' })?.data ?? null)
  }
}
