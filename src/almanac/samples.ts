/** What a laboratory needs to tell a cause: what to take, how much, how to pack, what to ask for. */
export interface Sample {
  take: string
  much: string
  pack: string
  ask: string
  when: string
}

/** How it is packed and when it is best taken, by cause; what to take its tests say. Others go by {@link GENERAL}. */
export const SAMPLES: Readonly<Record<string, Pick<Sample, 'pack' | 'when'>>> = {
  'oak-wilt': {
    pack: 'In a plastic bag without water, on ice at once, at the laboratory in two days. Not over a weekend.',
    when: 'Late spring to midsummer, while it wilts.',
  },
  'dutch-elm-disease': {
    pack: 'Dry in a plastic bag, cool, at the laboratory in two days.',
    when: 'While the leaves flag.',
  },
  'verticillium-wilt': {
    pack: 'Dry in a plastic bag, cool, at the laboratory in two days.',
    when: 'Early summer to autumn.',
  },
  'bacterial-leaf-scorch': {
    pack: 'Between dry paper in a bag, cool; not wet, not frozen.',
    when: 'Late summer to early autumn.',
  },
  'phytophthora-bleeding-canker': {
    pack: 'In a bag with a damp towel, cool, at the laboratory next day.',
    when: 'When spots are wet, spring or autumn.',
  },
  'phytophthora-root-rot': {
    pack: 'Damp in a bag, cool, not in the sun.',
    when: 'When the soil is moist.',
  },
}

/** What is sent when nobody can say what it is. */
export const GENERAL: Sample = {
  take: 'What is sick, what is half sick and what is sound, from the same tree, each in its own bag.',
  much: 'A hand’s length of shoot with leaves, six of each; where roots are in question, a cup of fine roots with soil.',
  pack: 'Dry, cool, labelled, at the laboratory in two days.',
  ask: 'What it is; send the list of findings along.',
  when: 'While it is active.',
}
