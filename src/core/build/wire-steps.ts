import { largest } from '../quantity/extremes'
import { formatLength, plural } from '../quantity/format'
import { bareTexts, sleeveText } from '../wire/ends-text'
import { thingsAt } from '../wire/joints'
import { cautions, typicalMinutes as minutes } from './step'
import { plain, sentence, namesOf } from './words'
import { listed } from '../quantity/listed'
import { stepId, type Work, type Bundle } from './work'

export function addWires(work: Work, { id, wires, place }: Bundle): void {
  const { plan } = work.given
  const names = wires.map(({ name }) => name)
  const about = [...new Set(wires.flatMap((wire) => wire.about)), ...names]
  const common = { ...plain, about, place }
  const runs = wires.flatMap((wire) => wire.about)
  const lengths = [...new Set(wires.map(({ lengthMm }) => formatLength(lengthMm, plan.units)))]
  const longestMm = largest(wires.map(({ lengthMm }) => lengthMm))
  const lengthsText =
    lengths.length > 3
      ? `${plural(lengths.length, 'length')} up to ${formatLength(longestMm, plan.units)}`
      : `${sentence(lengths)}${names.length > 1 && lengths.length === 1 ? ' each' : ''}`
  work.add({
    ...common,
    id: stepId.cutWires(id),
    kind: 'cut',
    title: `Cut ${namesOf(work, names)}: ${lengthsText}`,
    how: wires
      .slice(0, 6)
      .map(
        ({ name, role, colour, gauge, bareMm, lengthMm, cable }) =>
          `${name} ${role}: ${colour}, ${gauge.name}, ${formatLength(lengthMm, plan.units)}; bare ${bareTexts({ bareMm }, plan.units).join(' and ')}${cable === undefined ? '' : `; core ${String(cable.core)} of ${cable.cable}`}.`,
      ),
    needs: runs.map(stepId.measure),
    minutes: minutes.cutWire * wires.length,
    undoable: false,
    tool: 'cutters',
    phase: 'cut-wire',
  })
  const soldered = solderedEnds(work, wires)
  // Of a pair one may be soldered and the other screwed down.
  const tinned = wires.filter((wire) => solderedEnds(work, [wire]) > 0).map(({ name }) => name)
  if (soldered > 0)
    work.add({
      ...common,
      about: about.filter((one) => !names.includes(one) || tinned.includes(one)),
      id: stepId.tinWires(id),
      kind: 'tin',
      title: `Tin the ends of ${namesOf(work, tinned)} that are soldered`,
      how: ['Ends for screws, springs and crimps stay bare: a ferrule, no solder.'],
      needs: [stepId.cutWires(id)],
      minutes: minutes.tinEnd * soldered,
      cautions: [cautions.iron],
      tool: 'iron',
      phase: 'tin',
    })
  const things = threadsOf(work, wires)
  const sleeved = new Map<string, string[]>()
  for (const wire of wires)
    if (wire.sleeveMm !== null) listed(sleeved, sleeveText(wire, plan.units)).push(wire.name)
  const all = [
    ...[...sleeved].map(([sleeve, own]) => `${sleeve} sleeve on ${namesOf(work, own)}`),
    ...things,
  ]
  if (all.length > 0)
    work.add({
      ...common,
      id: stepId.thread(id),
      kind: 'thread',
      title: `Thread ${all.length > 3 ? `${namesOf(work, names)}: sleeves, ${plural(things.length, 'more thing')}` : sentence(all)}`,
      how: all.length > 3 ? all : [],
      // Holes are drilled at the dry fit.
      needs: [stepId.cutWires(id), stepId.tinWires(id), ...runs.map(stepId.dryFit)],
      minutes:
        minutes.threadBundle +
        minutes.threadThing *
          (things.length + wires.filter(({ sleeveMm }) => sleeveMm !== null).length),
      cautions: [cautions.sleeveAway],
      tool: 'hands',
      phase: 'thread',
    })
}

/** Ends of wires that are soldered, as the joints have it; what sits in a wire is no end of it. */
const solderedEnds = (work: Work, wires: Bundle['wires']): number =>
  wires
    .flatMap(({ name }) => work.jointsOf(name))
    .filter(({ at, soldered }) => at.kind !== 'wire' && soldered > 0).length

/** All that is threaded on wires before their joints, besides sleeves. */
function threadsOf(work: Work, wires: Bundle['wires']): string[] {
  const things = new Set<string>()
  for (const wire of wires)
    for (const { at } of work.jointsOf(wire.name)) {
      const line = 'run' in at ? work.lineOf.get(at.run) : undefined
      if (line === undefined || at.kind === 'splitter') continue
      for (const thing of thingsAt(work.given.plan, wire, at, line)) things.add(thing)
    }
  return [...things]
}
