import { DeviceSettings } from '@/ui/device/DeviceSettings'

export const metadata = { title: 'This device' }

export default function DevicePage() {
  return (
    <>
      <h1>This device</h1>
      <DeviceSettings />
    </>
  )
}
