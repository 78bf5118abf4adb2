import { padPlace } from '../cut/pads'
import type { JointAt } from '../wire/joints'
import type { PlanWire } from '../wire/wires'
import { cautions, typicalMinutes as minutes } from './step'
import { nameOfPlace, namesOf, plain, sentence } from './words'
import { listed } from '../quantity/listed'
import { places, stepId, type Work, type JointGroup } from './work'

/** Names of the pieces whose pads a joint is at. */
export function piecesAt(work: Work, at: JointAt): string[] {
  if (!('run' in at)) return []
  const entry = work.entryOf.get(at.run)
  switch (at.kind) {
    case 'pads':
    case 'capacitor': {
      const piece = entry && padPlace(entry, at.pad)?.piece
      return piece === undefined ? [] : [piece.name]
    }
    case 'out': {
      const last = entry?.pieces.findLast(({ groups }) => groups > 0)
      return last === undefined ? [] : [last.name]
    }
    case 'piece':
    case 'within':
      return [at.piece]
    case 'between':
      return [at.from, at.to]
    default:
      return []
  }
}

/** What is measured and tested together. */
export interface Station {
  readonly id: string
  readonly place: string
  readonly groups: readonly JointGroup[]
  readonly at: JointAt
  /** Of a run: cut groups from its start, by which tests follow each other. */
  readonly along: number
  /** Pieces up to here. */
  readonly upTo: readonly string[]
  readonly isCorner: boolean
}

/** Whether a joint lies behind the start of its run: it is made in place, once what comes before it is lit. */
const isAlongRun = (at: JointAt): boolean =>
  at.kind === 'piece' || (at.kind === 'pads' && at.pad > 0)

export function addJoints(work: Work): Station[] {
  const stations = new Map<string, JointGroup[]>()
  for (const group of work.groups.values()) {
    addJoint(work, group)
    if (group.at.kind === 'wire') continue
    listed(stations, group.station).push(group)
  }
  return [...stations].flatMap(([id, groups]): Station[] => {
    // The capacitor sits where something else is joined, where it can.
    const lead = groups.find(({ at }) => at.kind !== 'capacitor') ?? groups[0]
    if (lead === undefined) return []
    const { along, upTo } = alongOf(work, lead)
    const station: Station = {
      id,
      groups,
      along,
      upTo,
      at: lead.at,
      place: lead.place,
      isCorner: isAlongRun(lead.at),
    }
    if (lead.at.kind !== 'block' || lead.at.of.kind !== 'supply') addCheck(work, station)
    return [station]
  })
}

/** How far along its run something is, and which pieces are lit up to there. */
function alongOf(work: Work, group: JointGroup): { along: number; upTo: readonly string[] } {
  const at = group.at
  if (!('run' in at)) return { along: 0, upTo: [] }
  const strip = work.stripOf.get(at.run)
  if (strip === undefined) return { along: 0, upTo: [] }
  const names = new Set(group.joints.flatMap((joint) => piecesAt(work, joint.at)))
  let [before, along] = [0, 0]
  const upTo: string[] = []
  const all: string[] = []
  for (const { name, groups } of strip.pieces) {
    all.push(name)
    if (names.has(name)) {
      along = before
      upTo.splice(0, upTo.length, ...all)
    }
    before += groups
  }
  if (at.kind === 'pads') return { along: at.pad, upTo }
  // Data out and lights are tried once all the rest of the run is.
  if (at.kind === 'out' || names.size === 0) return { along: before + 1, upTo: all }
  return { along, upTo }
}

function addJoint(work: Work, group: JointGroup): void {
  const { id, joints, at, place } = group
  const bundles = work.bundlesAt(joints)
  const isInLine = at.kind === 'wire'
  const atSupply = at.kind === 'block' && at.of.kind === 'supply'
  const run = 'run' in at ? at.run : undefined
  const pieces = [...new Set(joints.flatMap((joint) => piecesAt(work, joint.at)))]
  const names = [...new Set(joints.flatMap(({ wires }) => wires))]
  const soldered = joints.some((joint) => joint.soldered > 0)
  const isWithin = at.kind === 'within'
  work.add({
    ...plain,
    id: stepId.joint(id),
    kind: 'joint',
    title: jointTitle(work, group, names),
    how: names.length > 1 && !isInLine ? ['Minus first, then plus, data last.'] : [],
    about: [
      ...new Set([
        ...(run === undefined ? [] : [run]),
        ...joints.flatMap(({ about }) => about),
        ...pieces,
        ...names,
      ]),
    ],
    needs: [
      ...bundles.flatMap(({ id: bundle }) => [
        stepId.cutWires(bundle),
        stepId.tinWires(bundle),
        stepId.thread(bundle),
        ...(isInLine ? [] : [stepId.joint(`${bundle}/in-line`)]),
      ]),
      ...pieces.flatMap((piece) =>
        run === undefined
          ? []
          : [
              stepId.cutPiece(run, piece),
              stepId.tinPiece(run, piece),
              ...(isWithin ? [] : [stepId.testPiece(run, piece), stepId.slidePiece(run, piece)]),
            ],
      ),
      ...(run !== undefined && pieces.length === 0 ? [stepId.dryFit(run)] : []),
      ...(at.kind === 'light' || at.kind === 'lights' || at.kind === 'splitter'
        ? [
            stepId.thread(`${at.run}/lights`),
            stepId.mount(`${at.run}/first node`),
            ...(at.kind === 'light' && at.light === 0 ? [] : [stepId.mount(`${at.run}/nodes`)]),
          ]
        : []),
      ...(atSupply ? [stepId.unloaded(place)] : []),
    ],
    minutes: joints.reduce((sum, joint) => sum + joint.minutes, 0),
    ...(at.kind === 'light' &&
      at.light > 0 &&
      joints.length > 1 && {
        like: { sample: stepId.joint(`${at.run}/first light`), times: joints.length },
      }),
    joints: joints.map((joint) => joint.id),
    threads: [...new Set(joints.flatMap(({ threadFirst }) => threadFirst))],
    cautions: soldered
      ? [
          cautions.iron,
          ...(pieces.length > 0 ? [cautions.strip] : []),
          ...(joints.some(({ threadFirst }) => threadFirst.length > 0)
            ? [cautions.sleeveAway]
            : []),
        ]
      : atSupply
        ? [cautions.supply, cautions.fuse]
        : [],
    tool: soldered ? 'iron' : joints.some(({ kind }) => kind === 'screw') ? 'screwdriver' : 'hands',
    place: atSupply ? places.last : place,
    phase: atSupply
      ? 'supply-joint'
      : isInLine
        ? 'in-line'
        : isWithin
          ? 'within'
          : isAlongRun(at)
            ? 'corner'
            : 'joint',
    turn: alongOf(work, group).along,
  })
}

function jointTitle(work: Work, { at, joints }: JointGroup, names: readonly string[]): string {
  const wires = namesOf(work, names)
  const [first] = joints
  const verb = first?.kind === 'screw' ? 'Screw' : first?.kind === 'plug' ? 'Plug' : 'Solder'
  const run = 'run' in at ? nameOfPlace(work, at.run) : ''
  switch (at.kind) {
    case 'wire': {
      const parts = names.flatMap((name) => work.wireOf(name)?.inLine ?? [])
      const apart = names
        .map((name) => work.wireOf(name)?.apart)
        .find((one) => one !== undefined && one.by !== 'solder')
      const soldered = parts.filter(({ value }) => value !== apart?.id)
      const byHand = apart && `${apart.by} the ${apart.name} into ${wires}`
      if (soldered.length === 0 && byHand !== undefined)
        return `${byHand[0]?.toUpperCase() ?? ''}${byHand.slice(1)}`
      return [
        `Solder the ${sentence([...new Set(soldered.map(inLineName))])} into ${wires}`,
        ...(byHand === undefined ? [] : [byHand]),
      ].join(', ')
    }
    case 'block':
      if (at.of.kind === 'supply')
        return `${verb} ${wires} to the supply “${work.blockOf.get(at.block)?.name ?? ''}”`
      return `${verb} ${wires} to ${joints.length === 1 ? (first?.where ?? '') : (work.blockOf.get(at.block)?.name ?? '')}`
    case 'pads':
      return `${verb} ${wires} to ${sentence(piecesAt(work, at)) || run}, ${at.pad === 0 ? 'at its start' : `pad ${String(at.pad)} of ${run}`}`
    case 'out':
      return `${verb} ${wires} to the data out of ${sentence(piecesAt(work, at))}`
    case 'piece':
      return `${verb} ${wires} from ${[...new Set(joints.flatMap((joint) => piecesAt(work, joint.at)))].join(' to ')}`
    case 'between':
      return first?.kind === 'plug'
        ? `Plug string ${at.from} into ${at.to}`
        : `Solder ${at.from} onto ${at.to}, pad on pad`
    case 'within':
      return `Solder the parts of ${at.piece} together, pad on pad`
    case 'capacitor':
      return `Solder the capacitor: ${first?.meets[0] ?? ''}`
    case 'light':
      return joints.length === 1 && at.light === 0
        ? `Wire the first light of ${run} as a sample: ${wires}`
        : `Wire the lights of ${run}: ${wires}`
    case 'splitter':
      return `Plug ${wires} into the splitters of ${run}`
    case 'lights':
      return `${verb} every light of ${run}: ${sentence(first?.meets ?? [])}`
  }
}

const inLineName = ({ kind, text }: PlanWire['inLine'][number]): string =>
  kind === 'fuse' ? `${text} fuse and its holder` : kind === 'resistor' ? `${text} resistor` : text

function addCheck(work: Work, station: Station): void {
  const { id, groups, place, at, isCorner } = station
  const joints = groups.flatMap((group) => group.joints)
  const bundles = work.bundlesAt(joints)
  const isStrip = 'run' in at && piecesAt(work, at).length > 0
  work.add({
    ...plain,
    id: stepId.check(id),
    kind: 'check',
    title: `Meter check: ${
      at.kind === 'block'
        ? `${namesOf(work, [...new Set(joints.flatMap(({ wires }) => wires))])} at ${work.blockOf.get(at.block)?.name ?? ''}`
        : (joints[0]?.where ?? '')
    }`,
    how: [
      'Plus to minus, red tip on plus: not below 10 Ω. With a capacitor in place the reading climbs.',
      ...(isStrip ? ['Plus to data, at the strip’s own pads: no bridge.'] : []),
      'Each wire from end to end, its fuse too: below 1 Ω.',
    ],
    about: [...new Set(joints.flatMap(({ about, wires }) => [...about, ...wires]))],
    needs: [
      ...groups.map((group) => stepId.joint(group.id)),
      // What sits in the wires is measured with them.
      ...bundles.map((bundle) => stepId.joint(`${bundle.id}/in-line`)),
    ],
    minutes: minutes.check,
    cautions: [cautions.unpowered],
    tool: 'meter',
    place,
    phase: at.kind === 'within' ? 'within' : isCorner ? 'corner' : 'check',
    turn: station.along + 0.3,
  })
}
