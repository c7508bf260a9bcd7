import { openApiDocument } from '@/calc/openapi'
import { readGuide } from '@/calc/guide'
import { settingsView } from '@/server/read/settings'
import { Tokens } from '../Tokens'
import { ApiGuide } from './ApiGuide'

export const metadata = { title: 'Other programs' }

export default async function ApiPage() {
  return (
    <>
      <Tokens view={await settingsView()} />
      <div className="mt-10">
        <ApiGuide guide={readGuide(openApiDocument())} />
      </div>
    </>
  )
}
