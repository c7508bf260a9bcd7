/** What a laboratory needs to tell a cause: what to take, how much, how to pack, what to ask for. */
export interface Sample {
  take: string
  much: string
  pack: string
  ask: string
  when: string
}

/** By cause; others go by {@link GENERAL}. */
export const SAMPLES: Readonly<Record<string, Sample>> = {
  'oak-wilt': {
    take: 'Living branch pieces from two limbs that are wilting now, with leaves; not dead wood.',
    much: 'Six pieces, each a thumb thick and a hand and a half long.',
    pack: 'In a plastic bag without water, on ice at once, at the laboratory in two days. Not over a weekend.',
    ask: 'Culture for the oak-wilt fungus.',
    when: 'Late spring to midsummer, while it wilts.',
  },
  'dutch-elm-disease': {
    take: 'Flagging twigs whose outer wood shows brown streaks.',
    much: 'Six pieces, each a thumb thick and a hand and a half long.',
    pack: 'Dry in a plastic bag, cool, at the laboratory in two days.',
    ask: 'Culture for the elm-wilt fungus.',
    when: 'While the leaves flag.',
  },
  'verticillium-wilt': {
    take: 'Wilting twigs with streaked wood, from the edge of the healthy part.',
    much: 'Six pieces, each a thumb thick and a hand and a half long.',
    pack: 'Dry in a plastic bag, cool, at the laboratory in two days.',
    ask: 'Culture for wilt fungi in the wood.',
    when: 'Early summer to autumn.',
  },
  'bacterial-leaf-scorch': {
    take: 'Leaves with their stalks, browned at the margin with a band, from two sides of the crown.',
    much: 'Twenty leaves.',
    pack: 'Between dry paper in a bag, cool; not wet, not frozen.',
    ask: 'Test for xylem bacteria.',
    when: 'Late summer to early autumn.',
  },
  'phytophthora-bleeding-canker': {
    take: 'Bark and cambium from the edge of a fresh bleeding spot, half sick and half sound.',
    much: 'Three pieces as large as a matchbox.',
    pack: 'In a bag with a damp towel, cool, at the laboratory next day.',
    ask: 'Test for water moulds; say if the disease is regulated here.',
    when: 'When spots are wet, spring or autumn.',
  },
  'phytophthora-root-rot': {
    take: 'Fine roots from the edge between dark and white, with the soil on them.',
    much: 'A cup of roots and a pint of soil, from three places.',
    pack: 'Damp in a bag, cool, not in the sun.',
    ask: 'Test for water moulds in roots and soil.',
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
