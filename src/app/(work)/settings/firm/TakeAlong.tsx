import { Download } from 'lucide-react'

const FILES = [
  ['/api/v1/trees.csv', 'Trees', 'CSV'],
  ['/api/v1/trees.geojson', 'Trees with their places', 'GeoJSON'],
  ['/api/v1/readings.csv', 'Readings of trunks', 'CSV'],
  ['/api/v1/records.csv', 'The ledger', 'CSV'],
  ['/api/v1/limits.csv', 'What was put on this year', 'CSV'],
] as const

/** Files a firm takes with it: each for one purpose, and all of it at once for whoever keeps the house. */
export function TakeAlong({ keepsHouse }: { keepsHouse: boolean }) {
  return (
    <section>
      <h2>Take it with you</h2>
      <ul className="mt-2 grid sm:grid-cols-2 gap-x-6">
        {FILES.map(([href, title, kind]) => (
          <li key={href}>
            <a href={href} download className="hit inline-flex items-center gap-2 underline py-1.5">
              <Download size={16} aria-hidden /> {title} ({kind})
            </a>
          </li>
        ))}
      </ul>
      {keepsHouse && (
        <p className="mt-3 max-w-prose">
          <a
            href="/api/v1/archive"
            download
            className="hit inline-flex items-center gap-2 underline font-bold py-1.5"
          >
            <Download size={16} aria-hidden /> Everything, as one archive (zip)
          </a>
          <br />
          All that was ever entered here, photographs included, for another Elmhorn or for your own files. No
          passwords and no tokens are in it.
        </p>
      )}
    </section>
  )
}
