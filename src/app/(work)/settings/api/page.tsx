import { Link } from '@/ui/pieces/Link'
import { openApiDocument } from '@/calc/openapi'
import { ApiGuide } from './ApiGuide'
import { readGuide } from '@/calc/guide'

export const metadata = { title: 'Calculator API' }

export default function ApiPage() {
  return (
    <>
      <p className="text-ink2">
        <Link href="/settings" className="underline">
          Settings
        </Link>
      </p>
      <ApiGuide guide={readGuide(openApiDocument())} />
    </>
  )
}
