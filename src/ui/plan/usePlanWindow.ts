'use client'
import { useCallback, useMemo, useState } from 'react'
import type { Spread } from '@/core/place/place'
import { points, type Feature } from './outline'

/** A stretch of a plan, metres: its lower left corner and its size. */
export interface PlanWindow {
  x: number
  y: number
  w: number
  h: number
}

/** What a plan shows when all of it is shown: everything drawn, every tree, and room round both. */
export function wholePlan(features: readonly Pick<Feature, 'geometry'>[], trees: Spread | null): PlanWindow {
  const all = [
    ...features.flatMap(points),
    ...(trees ? [[trees.west, trees.south] as const, [trees.east, trees.north] as const] : []),
  ]
  if (all.length === 0) return { x: 0, y: 0, w: 60, h: 40 }
  const xs = all.map((p) => p[0])
  const ys = all.map((p) => p[1])
  const pad = 5
  const x = Math.min(...xs) - pad
  const y = Math.min(...ys) - pad
  return {
    x,
    y,
    w: Math.max(20, Math.max(...xs) + pad - x),
    h: Math.max(16, Math.max(...ys) + pad + 3 - y),
  }
}

/** Which stretch of a plan is in view, and the ways to another one. */
export function usePlanWindow(features: readonly Pick<Feature, 'geometry'>[], trees: Spread | null) {
  const whole = useMemo(() => wholePlan(features, trees), [features, trees])
  const [near, setNear] = useState<PlanWindow | null>(null)
  const box = near ?? whole

  /** Goes closer (2) or back (1/2) about a place; all the way back shows the whole site. */
  const zoom = useCallback(
    (by: number, east = box.x + box.w / 2, north = box.y + box.h / 2) => {
      const w = box.w / by
      if (w >= whole.w) return setNear(null)
      if (w < 6) return
      setNear({ x: east - w / 2, y: north - box.h / by / 2, w, h: box.h / by })
    },
    [box, whole],
  )
  const pan = (dx: number, dy: number) => {
    if (near) setNear({ ...near, x: near.x + dx * near.w, y: near.y + dy * near.h })
  }
  return { box, near, zoom, pan, showAll: () => setNear(null) }
}
export type PlanSight = ReturnType<typeof usePlanWindow>
