/** So many of a thing, in words. `counted(1, 'post')` is "1 post", `counted(9, 'post')` "9 posts" */
export function counted(n: number, one: string): string {
  return `${n} ${n === 1 ? one : `${one}s`}`
}
