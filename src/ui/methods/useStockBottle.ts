'use client'
import { useKept } from './kept'

/** The stock bottle of this device. */
export const useStockBottle = () => useKept('elmhorn stock bottle', { bottle: '', pour: '', graduation: '' })
