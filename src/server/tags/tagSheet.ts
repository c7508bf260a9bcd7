import PDFDocument from 'pdfkit'
import QRCode from 'qrcode'
import { codeSide, EDGE, placeOf, type LabelSheet } from '@/core/tags/labelSheets'

/** A tag to be printed. */
export interface Tag {
  /** Read by people. */
  tag: string
  /** Read by cameras. */
  address: string
  /** What it is the tag of. */
  kind: string
  place: string
}

const POINTS = 72 / 25.4
const pt = (mm: number) => mm * POINTS
/** The tag is written as large as there is room for it, points. */
const [LARGEST, SMALLEST] = [40, 9]

/** Sheets of labels as a PDF: the square code, the tag in letters, kind and place small. `skip` labels of the first sheet are used already. */
export async function tagSheet(sheet: LabelSheet, tags: readonly Tag[], skip: number): Promise<Uint8Array> {
  const { paper, label } = sheet
  const doc = new PDFDocument({
    size: [pt(paper.width), pt(paper.height)],
    margin: 0,
    autoFirstPage: false,
    info: { Title: 'Tags', Producer: 'Elmhorn', Creator: 'Elmhorn' },
  })
  const pieces: Uint8Array[] = []
  doc.on('data', (piece: Uint8Array) => pieces.push(piece))
  const written = new Promise<void>((resolve) => doc.on('end', resolve))
  const side = codeSide(sheet)
  let page = -1
  tags.forEach((tag, n) => {
    const place = placeOf(sheet, n + skip)
    if (place.page !== page) doc.addPage()
    page = place.page
    square(doc, tag.address, pt(place.x + EDGE), pt(place.y + EDGE), pt(side))
    const left = pt(place.x + side + 2 * EDGE)
    const width = pt(label.width - side - 3 * EDGE)
    doc.font('Helvetica-Bold').fillColor('black')
    let size = LARGEST
    while (size > SMALLEST && doc.fontSize(size).widthOfString(tag.tag) > width) size -= 1
    size = Math.min(size, pt(side) * 0.5)
    doc.fontSize(size)
    const top = pt(place.y + EDGE)
    const one = { lineBreak: false, width, height: size * 1.2, ellipsis: true } as const
    doc.text(tag.tag, left, top, one)
    doc.font('Helvetica').fontSize(8)
    doc.text(tag.kind, left, top + size * 1.15 + 2, { ...one, height: 10 })
    doc.text(tag.place, left, top + size * 1.15 + 12, { ...one, height: 10 })
  })
  if (page < 0) doc.addPage()
  doc.end()
  await written
  return Buffer.concat(pieces)
}

/** The square code of an address, with the quiet rim it is read by inside `side`. */
function square(doc: PDFKit.PDFDocument, address: string, x: number, y: number, side: number): void {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' })
  const rim = 2
  const one = side / (modules.size + 2 * rim)
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column))
        doc.rect(x + (column + rim) * one, y + (row + rim) * one, one * 1.02, one * 1.02)
  doc.fill('black')
}
