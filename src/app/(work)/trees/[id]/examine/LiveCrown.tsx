'use client'
import { useState } from 'react'
import type { TreeBase } from '@/server/read/tree'
import { useMay } from '@/ui/shell/may'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { KEPT_ON_DEVICE, useStepHere } from '@/ui/field/useStepHere'
import { changeTreeAsks } from '@/asks/trees'

/** How much of the crown lives, asked where a person looks up into it; the tree keeps it. */
export function LiveCrown({ tree }: { tree: TreeBase['tree'] }) {
  const may = useMay()
  const by = useStepHere('change-tree', tree.id)
  const [kept, setKept] = useState({ percent: tree.liveCrownPercent, version: tree.version })
  if (!may('change-tree'))
    return (
      <p className="py-2.5 pl-3 border-b border-line">
        Live crown: {kept.percent === null ? 'not taken' : `${kept.percent} %`}
      </p>
    )
  return (
    <div className="py-2.5 pl-3 border-b border-line">
      <AskedForm
        asks={changeTreeAsks}
        start={{ liveCrownPercent: kept.percent === null ? '' : String(kept.percent) }}
        fixed={{
          treeId: tree.id,
          version: Math.max(kept.version, tree.version),
          tag: tree.tag,
          host: tree.host,
          note: tree.note,
        }}
        by={by}
        onDone={(answer, { liveCrownPercent }) =>
          setKept((before) => ({
            percent: liveCrownPercent === '' ? null : Number(liveCrownPercent),
            // What is kept here will be the version after the one it was made on.
            version: answer === KEPT_ON_DEVICE ? before.version + 1 : answer.version,
          }))
        }
        keep="Keep the live crown"
        quiet
        inline
        more={
          <span role="status" className="text-ink2 self-center">
            {kept.version > tree.version
              ? `kept: ${kept.percent === null ? 'none taken' : `${kept.percent} %`}`
              : ''}
          </span>
        }
      >
        <Asked at="liveCrownPercent" />
      </AskedForm>
    </div>
  )
}
