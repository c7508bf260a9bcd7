/** A number as it is typed at a check, with or without its per cent sign; not a number where none is. `foundNumber('40 %') === 40` */
export function foundNumber(typed: string): number {
  const text = typed.trim().replace(/\s*%$/, '')
  return text === '' ? Number.NaN : Number(text)
}
