import { METHODS } from '@/core/methods/names'
import { addDays, weekday } from '@/core/time/calendar'
import { idFor, type Story } from './story'

const person = (email: string) => idFor(`${email}@hollinquay.example`)

/** Two crews, who of them is away, and when work may be done at the school and in the hospital’s court. */
export async function crewsOfFirm(story: Story, today: string) {
  await story.do('philippa', 30, 'set-crew', {
    crewId: idFor('crew two'),
    name: 'Teodor',
    truck: 'truck 2, tank and lift',
    people: [person('teodor')],
    methods: METHODS,
    begins: 390,
    minutes: [480, 480, 480, 480, 480, 0, 0],
  })
  await story.do('philippa', 30, 'set-crew', {
    crewId: idFor('crew three'),
    name: 'Wren and Maren',
    truck: 'truck 3, drills and spades',
    people: [person('wren'), person('maren')],
    methods: METHODS.filter((m) => m !== 'crown-spray'),
    begins: 420,
    minutes: [450, 450, 450, 450, 360, 0, 0],
  })
  // The Tuesday after next Sunday.
  const tuesday = addDays(today, 9 - weekday(today))
  await story.do('philippa', 2, 'set-absence', {
    id: idFor('maren away'),
    personId: person('maren'),
    crewId: null,
    from: tuesday,
    to: tuesday,
    why: 'hearing at the town hall',
  })
  await story.do('philippa', 30, 'set-site-hours', {
    siteId: idFor('site school'),
    hours: 'Mon to Fri 05:30 to 07:40; Mon to Fri 15:00 to 20:00; Sat, Sun 07:00 to 20:00',
  })
  await story.do('philippa', 30, 'set-site-hours', {
    siteId: idFor('site court'),
    hours: 'every day 05:30 to 10:00',
  })
}
