import { Tokens } from '@/app/withPage'
import { openApiDocument } from '@/calc/openapi'
import { readGuide } from '@/calc/guide'
import { settingsView } from '@/server/read/settings'
import { ADDRESSES } from '@/server/v1/addresses'
import { DataTable } from '@/ui/pieces/DataTable'
import { ApiGuide } from './ApiGuide'

export const metadata = { title: 'Other programs' }

export default async function ApiPage() {
  return (
    <>
      <Tokens view={await settingsView()} />
      <h2 className="text-title mt-10">Lists and files</h2>
      <DataTable
        caption="Lists and files"
        className="mt-2"
        columns={[{ head: 'Address' }, { head: 'What it is' }, { head: 'Asked along' }]}
        rows={ADDRESSES.map((a) => ({
          key: a.id,
          name: (
            <span className="font-mono text-small">
              {a.method.toUpperCase()} {a.path}
            </span>
          ),
          cells: [
            `${a.title}. ${a.says}${a.keeps ? ' For whoever keeps the house.' : ''}`,
            a.query.join(', ') || 'nothing',
          ],
        }))}
      />
      <div className="mt-10">
        <ApiGuide guide={readGuide(openApiDocument())} />
      </div>
    </>
  )
}
