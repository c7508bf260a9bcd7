/** As long as a kept picture is at most, pixels; the server keeps none longer. */
const LONGEST = 1600
const QUALITY = 0.85

/** A picture no longer than is kept, as JPEG, so that a day of them is small; as it is where the device cannot, or it would not get smaller. */
export async function smallPicture(file: Blob): Promise<Blob> {
  try {
    const image = await createImageBitmap(file, { imageOrientation: 'from-image' })
    const by = Math.min(1, LONGEST / Math.max(image.width, image.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(image.width * by)
    canvas.height = Math.round(image.height * by)
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
    image.close()
    const small = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY))
    return small && small.size < file.size ? small : file
  } catch {
    return file
  }
}
