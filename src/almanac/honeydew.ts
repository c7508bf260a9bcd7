/** Causes that rain honeydew: the film lives on it, and ants come for it. Armoured scales make none. */
export const HONEYDEW: readonly string[] = [
  'aphids',
  'lecanium-scale',
  'tuliptree-scale',
  'bark-scale-felted',
  'cottony-cushion-scale',
  'mealybug',
  'cottony-maple-scale',
  'boxwood-psyllid',
  'spotted-lanternfly',
]
