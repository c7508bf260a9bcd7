'use client'
import dynamic from 'next/dynamic'
import { withPage } from '@/ui/pieces/afterPage'

/** The walk round a tree, by itself: what the shell names is kept on the device with all that it fetches. */
export const Examine = withPage(() =>
  dynamic(() => import('../(work)/trees/[id]/examine/Examine').then((m) => m.Examine)),
)
