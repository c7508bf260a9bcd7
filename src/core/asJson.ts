/**
 * What a value comes back as once it was sent as JSON: an instant is text then. Where a page takes an answer for what it was first drawn from, the two
 * must be the same: `const view: JobView = (await answer.json()) as AsJson<JobView>` does not compile where they differ.
 */
export type AsJson<T> = T extends Date
  ? string
  : T extends string | number | boolean | null | undefined
    ? T
    : T extends Map<unknown, unknown> | Set<unknown> | ((...a: never[]) => unknown)
      ? never
      : T extends readonly (infer U)[]
        ? T extends readonly [unknown, ...unknown[]]
          ? { [K in keyof T]: AsJson<T[K]> }
          : AsJson<U>[]
        : T extends object
          ? { [K in keyof T]: AsJson<T[K]> }
          : T
