'use client'
import { withdrawPrescriptionAsks } from '@/asks/work'
import { AskedWhy } from '@/ui/form/AskedWhy'

/** Takes a prescription back from the crew, with the reason. */
export function TakeBack({ of }: { of: { treeId: string; prescriptionId: string } }) {
  return (
    <AskedWhy
      step="withdraw-prescription"
      asks={withdrawPrescriptionAsks}
      of={of}
      keep="Take it back"
      inline
    />
  )
}
