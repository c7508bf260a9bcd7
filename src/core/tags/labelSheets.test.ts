import { LABEL_SHEETS, placeOf } from './labelSheets'

test.each(LABEL_SHEETS.map((s) => [s.says, s] as const))(
  '%s: every label lies on the paper, none over another',
  (_, sheet) => {
    const each = sheet.columns * sheet.rows
    const places = Array.from({ length: each + 1 }, (_, n) => placeOf(sheet, n))
    for (const { x, y } of places) {
      expect(Math.min(x, y)).toBeGreaterThanOrEqual(0)
      expect(x + sheet.label.width).toBeLessThanOrEqual(sheet.paper.width + 1e-9)
      expect(y + sheet.label.height).toBeLessThanOrEqual(sheet.paper.height + 1e-9)
    }
    expect(sheet.across).toBeGreaterThanOrEqual(sheet.label.width)
    expect(sheet.down).toBeGreaterThanOrEqual(sheet.label.height)
    expect(places.at(-1)).toEqual({ ...places[0], page: 1 })
    expect(sheet.says).toContain(String(each))
  },
)
