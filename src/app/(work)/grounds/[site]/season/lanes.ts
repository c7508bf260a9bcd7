import type { SeasonView } from '@/server/read/season'
import type { Lane } from '@/ui/ribbon/lane'
import { CLOSED_LANES, idOfWindow, LAST_STAGE_DAYS, nameOfWindow } from './sayDays'

/** The lanes of the ribbon: stages by kind, what comes with the warmth, the days of cards, what is closed. */
export function lanesOf(view: SeasonView): Lane[] {
  const end = Math.max(view.warmth.usual.length, 365)
  return [
    ...view.stages.map((s): Lane => ({
      id: s.kind,
      name: s.name,
      stretches: s.stages.map((stage, i) => ({
        from: stage.begins.day,
        to: s.stages[i + 1]?.begins.day ?? Math.min(end, stage.begins.day + LAST_STAGE_DAYS),
        text: stage.stage,
        look: 'stage',
      })),
      ranges: s.stages.flatMap((x) =>
        x.begins.earliest < x.begins.latest && x.begins.by !== 'measured'
          ? [{ from: x.begins.earliest, to: x.begins.latest, at: x.begins.day }]
          : [],
      ),
    })),
    ...view.targets.flatMap((t): Lane[] =>
      t.begins
        ? [
            {
              id: t.id,
              name: t.name,
              stretches: [
                {
                  from: t.begins.day,
                  to: t.ends?.day ?? end,
                  text: '',
                  look: t.begins.by === 'measured' ? 'open' : 'reckoned',
                },
              ],
              ranges:
                t.begins.earliest < t.begins.latest
                  ? [{ from: t.begins.earliest, to: t.begins.latest, at: t.begins.day }]
                  : [],
            },
          ]
        : [],
    ),
    ...view.windows.map((w): Lane => ({
      id: idOfWindow(w),
      name: nameOfWindow(view, w),
      stretches: w.stretches.map((s) => ({
        from: s.from,
        to: s.to,
        text: '',
        look: s.sure ? 'open' : 'reckoned',
      })),
    })),
    ...CLOSED_LANES.flatMap(([kind, name]): Lane[] => {
      const stretches = view.closed.filter((c) => c.kind === kind)
      return stretches.length === 0
        ? []
        : [
            {
              id: kind,
              name,
              stretches: stretches.map((c) => ({ from: c.from, to: c.to, text: c.card, look: 'closed' })),
            },
          ]
    }),
  ]
}
