import { FieldShell } from './FieldShell'

export const metadata = { title: 'Without a signal' }

/** What a device opens without a network, at whatever address: it holds nobody’s data, and reads what the device keeps. */
export default function FieldPage() {
  return <FieldShell />
}
