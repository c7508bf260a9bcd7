/** A way of treating or caring, as a card: what for, when not, the steps, what to bring, what to mind, when to return. */
export interface Method {
  id: string
  name: string
  use: string
  notWhen: string
  steps: readonly string[]
  kit: string
  gear: string
  mind: string
  after: string
  again: string
}

const EYES_GLOVES = 'eye protection, gloves'
const SPRAY_GEAR = 'what the label asks for; at least gloves, long sleeves, eye protection'

const m = (
  id: string,
  name: string,
  use: string,
  notWhen: string,
  steps: string[],
  kit: string,
  gear: string,
  mind: string,
  after: string,
  again: string,
): Method => ({ id, name, use, notWhen, steps, kit, gear, mind, after, again })

/** The methods of the trade. The label comes before any card. */
// prettier-ignore
export const METHODS: readonly Method[] = [
  m('inject-capsule', 'Trunk injection, capsule', 'A systemic into the wood of one tree, fast and contained.', 'In drought, in dormancy, on frozen or saturated soil, and when half of the crown is gone.', ['Find and mark the flares.', 'Drill low in each flare, clean and slightly down.', 'Seat the feeder tube and tap it in.', 'Charge the capsule, set it, note the time.', 'Look again at the time the ring shows.', 'Pull every capsule and tube and count them.'], 'bits, tubes, capsules and spares, mallet, clock', EYES_GLOVES, 'Nothing stays in a tree overnight without a plan to collect it.', 'Empties counted, holes as the label says.', 'By label, often after two or three years.'),
  m('inject-bottle', 'Trunk injection, low-pressure bottle', 'The same with more volume a port.', 'As with capsules.', ['Drill, set the emitter.', 'Fill, cap and press the bottle on.', 'It is done when the bottle is flat and empty.', 'Twist it off, pull the emitter, count.'], 'bits, emitters, bottles, caps', EYES_GLOVES, 'Label name and amount on every bottle.', 'Emitters counted; what is left over is recorded by port.', 'By label.'),
  m('inject-micro', 'Micro-dose with plug', 'Small amounts of concentrated product.', 'As with capsules; not where the label forbids a plug.', ['Drill to the depth of the plug.', 'Set the plug flush with the sapwood.', 'Dose each port by the tool.', 'Leave the plug as the label says.'], 'drill, plugs, dosing tool', EYES_GLOVES, 'The hardware belongs to the label, not to habit.', 'Ports and amounts counted.', 'By label.'),
  m('soil-drench', 'Soil drench', 'A systemic to the roots without a wound.', 'On saturated or frozen soil, near wells and open water, where it runs off, before or in bloom.', ['Pull mulch back two feet.', 'Shape a shallow ring, pierce hard soil.', 'Pour evenly within a foot and a half of the trunk.', 'Let it soak, put the mulch back, water in when dry.'], 'measure, cans, rake, fork', EYES_GLOVES, 'Counts toward the yearly limit of the ground.', 'No puddle left.', 'Yearly, or by label.'),
  m('soil-injection', 'Soil injection', 'The same amount below the mulch and lawn.', 'As with a drench.', ['Lay a ring or grid, two to three feet apart.', 'Four to eight inches deep.', 'The same volume in each hole.'], 'probe, pump, flow meter', EYES_GLOVES, 'Look for lines in the ground.', 'Holes closed.', 'Yearly, or by label.'),
  m('basal-bark', 'Basal bark spray', 'A systemic through thin bark.', 'On thick corky bark, in rain, on vines.', ['Clear the base.', 'Wet the band to the height the label says, all round, to just before it runs.', 'Dose by the inch of diameter.'], 'low-pressure sprayer, measure', SPRAY_GEAR, 'Counts toward the yearly limit.', 'Band dry before anybody passes.', 'By label.'),
  m('crown-contact', 'Crown spray, contact', 'Oil, soap or citrus oil on soft pests.', 'In strong sun, heat, wind, on wet leaves, on sensitive kinds.', ['Inside of the crown first.', 'Then walk round outside.', 'Both faces of the leaf.', 'Only until the count is down, then stop.'], 'sprayer, measure, hand lens', SPRAY_GEAR, 'It kills only what it wets, friends too.', 'Count on ten leaves next day and in a week.', 'At the label’s interval, until clear.'),
  m('crown-protective', 'Crown spray, protective', 'A film before infection.', 'Over open bloom where the label forbids it; on wet leaves.', ['Begin at the stage, not at the first spot.', 'Cover new growth.', 'Renew after wash-off and seven to ten days of growth.'], 'sprayer, measure, rain gauge', SPRAY_GEAR, 'Rotate groups; an insecticide only when insects are there.', 'Date of renewal noted.', 'By stage and rain, inside the label’s interval.'),
  m('crown-biological', 'Crown spray, biological', 'Bt and spinosad on young larvae; predators released.', 'In strong sun, on grown larvae, within the residual of a broad spray.', ['Check that larvae are young.', 'Overcast or late in the day.', 'Both faces of the leaf.', 'Again after a week, or two for spongy moth.'], 'sprayer, measure', SPRAY_GEAR, 'Spinosad harms bees while wet.', 'Feeding stops in about three days.', 'After seven to fourteen days.'),
  m('bloom-bactericide', 'Bactericide in bloom', 'Fire blight before it shows.', 'After symptoms show; where it is not lawful.', ['Watch blossom, warmth and wetting.', 'Two sprays timed by risk, or as the house rule says.', 'Count against the label’s most.'], 'sprayer, weather record', SPRAY_GEAR, 'Bees are in the bloom.', 'Strikes counted two weeks on.', 'Up to the label’s count.'),
  m('oil', 'Dormant and all-season oil', 'Scales, mites and eggs, by smothering.', 'Above the label’s ceiling, with a freeze near, near sulfur or captan, on oil-sensitive kinds.', ['Pick the strength of the season.', 'Cover to run-off, bark and leaf.', 'Keep it moving in the tank.'], 'sprayer, measure, thermometer', SPRAY_GEAR, 'Blue needles lose their colour.', 'Crawlers on tape after two weeks.', 'By count.'),
  m('powder', 'Powders', 'Sulfur, clay or mineral dust.', 'In wind, heat, near oil; sulfur on sensitive kinds.', ['Dry leaves, still air.', 'Light cover on both faces.'], 'duster', 'mask, goggles, gloves, full cover for sulfur', 'Stand upwind.', 'Cover looked at after rain.', 'After rain.'),
  m('feeding', 'Feeding', 'What a soil test says is missing.', 'In drought, heat or dormancy with quick release; on a stressed tree before water and roots are right.', ['Test the soil.', 'Measure the ground that can be fed.', 'Weigh the bag’s nitrogen.', 'Spread or fill the holes evenly.'], 'scale, spreader or auger', 'gloves', 'Keep off paving and drains.', 'Watered in.', 'Next season, after a look.'),
  m('collar-and-roots', 'Root collar and roots', 'A buried flare, girdling roots, hard soil.', 'Before lines in the ground are known.', ['Bare the flare by hand or air.', 'Cut girdling roots in steps.', 'Radial trenches or air tool, compost in.', 'A mulch bed instead of lawn, off the bark.'], 'hand tools, air tool, saw', 'eyes, ears, gloves', 'A root that anchors is not cut at once.', 'Flare stays dry and visible.', 'Look each year.'),
  m('watering', 'Watering plan', 'Young trees and dry spells.', 'On wet soil.', ['Probe the soil first.', 'Ten gallons an inch a week, slowly.', 'Write down how long the line runs.'], 'probe, meter', 'none', 'Stop irrigation where roots drown.', 'Moist at six inches.', 'Weekly in dry spells.'),
  m('pruning', 'Pruning and sanitation', 'Blight, dead wood, mummies, crowded crowns.', 'In wet weather; oaks and elms in their risky season.', ['Cut at the collar, on a slant.', 'Below blight, 8 to 12 in into sound wood.', 'Clean the tool at every cut of blight.', 'Carry prunings, mummies and fallen fruit away at once.'], 'saws, loppers, cleaner', 'eyes, gloves; trained climbers only', 'Never bare thin bark in one day.', 'Nothing left lying.', 'Pome fruit and shade trees dormant, stone fruit in dry summer after harvest.'),
  m('barriers', 'Barriers', 'Ants, climbing moths, gnawers, deer.', 'A band on bare bark.', ['Wrap first, band over it.', 'Mesh off the bark and into the soil.', 'Cage before the rut, guard before snow.'], 'mesh, wrap, ties, band', 'gloves', 'Room to grow.', 'Checked in spring.', 'Bands every three to four months.'),
  m('physical', 'Physical means', 'What a jet, brush, hand or heat can do.', 'Where the bark is soft or the flower open.', ['Jet or brush with soapy water.', 'Wipe eggs, pick or vacuum.', 'Heat nuts in water: 120 to 122 °F for 20 to 30 minutes for seed or fresh eating, 140 °F for half an hour only to eat or dry.', 'Bare the ground; bait out of reach of pets.'], 'jet, brush, bucket', 'gloves', 'Nothing left standing in buckets.', 'Count again.', 'As often as it takes.'),
  m('watch', 'Watch only', 'Harm below what is worth a treatment.', 'When safety is in question.', ['Write the date, what is counted and the number that changes the plan.'], 'lens, count sheet', 'none', 'A watch without a date is forgetting.', 'Counted on the date.', 'On the date.'),
  m('refer', 'Refer', 'Laboratory, risk, lines, law, felling, wildlife.', 'Never too early.', ['Name who, by when, with what.', 'Keep the tree as it is until they answer.'], 'sample bag, address', 'none', 'Reportable diseases go to the authority first.', 'Answer kept with the tree.', 'When the answer is due.'),
]
