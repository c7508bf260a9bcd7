'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Stage } from '@/core/plan/stage'
import type { PageOfTrees } from '@/server/read/grounds'
import { orderKey, type TreeOrder } from '@/core/plan/order'
import { askFor } from '@/ui/fields/askFor'

export interface TreeFilterTyped {
  text: string
  stage: Stage | ''
  order: TreeOrder
}

/**
 * A site's trees as far as they have been scrolled to, narrowed by what is typed. The first page came with the view; what
 * is typed and what comes next is asked for, and an answer that is overtaken by newer typing is dropped.
 */
export function useTreeList(siteId: string, first: PageOfTrees) {
  const [page, setPage] = useState(first)
  // What the page is asked for anew takes the place of what was listed.
  const [shown, setShown] = useState(first)
  if (shown !== first) {
    setShown(first)
    setPage(first)
  }
  const [filter, setFilter] = useState<TreeFilterTyped>({ text: '', stage: '', order: 'tag' })
  const [state, setState] = useState<'there' | 'coming' | 'out of reach'>('there')
  const asked = useRef<AbortController | null>(null)
  const more = useRef(false)

  const ask = useCallback(
    async (wanted: TreeFilterTyped, after: PageOfTrees['trees'][number] | null) => {
      asked.current?.abort()
      const stop = (asked.current = new AbortController())
      const query = new URLSearchParams({
        ...(wanted.text.trim() && { text: wanted.text.trim() }),
        ...(wanted.stage && { stage: wanted.stage }),
        ...(wanted.order !== 'tag' && { order: wanted.order }),
        ...(after && { key: String(orderKey(wanted.order, after)), after: after.tag, id: after.id }),
      })
      setState('coming')
      const value = await askFor<PageOfTrees>(`/api/sites/${siteId}/trees?${query}`, stop.signal)
      if (stop.signal.aborted) return
      if (value)
        setPage((now) =>
          after ? { ...value, total: now.total, trees: [...now.trees, ...value.trees] } : value,
        )
      setState(value ? 'there' : 'out of reach')
      more.current = false
    },
    [siteId],
  )
  // Everything loaded is narrowed here, without asking; otherwise the server narrows all there is.
  const whole = !first.more
  const firstTime = useRef(true)
  useEffect(() => {
    if (firstTime.current) {
      firstTime.current = false
      return
    }
    if (whole) return
    const wait = setTimeout(() => void ask(filter, null), 120)
    return () => clearTimeout(wait)
  }, [ask, filter, whole])

  const next = useCallback(() => {
    const last = page.trees.at(-1)
    if (!page.more || !last || more.current) return
    more.current = true
    void ask(filter, last)
  }, [ask, filter, page])

  return { page, filter, setFilter, state, next, whole }
}
