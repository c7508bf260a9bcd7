/** What is told of something, a line each: its name and its words. */
export function Terms({
  lines,
  className = '',
}: {
  lines: readonly (readonly [name: string, words: string | null])[]
  className?: string
}) {
  return (
    <dl className={`grid grid-cols-[auto_1fr] gap-x-5 gap-y-1 ${className}`}>
      {lines.map(([name, words]) => (
        <div key={name} className="contents">
          <dt className="text-ink2">{name}</dt>
          <dd>{words}</dd>
        </div>
      ))}
    </dl>
  )
}
