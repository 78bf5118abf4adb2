import { isOnWire } from '../cut/on-wire'
import { mounted } from '../parts/mounted'
import { plural } from '../quantity/format'
import { piecesAt } from './joint-steps'
import { lengthOf, profileFor } from './prepare'
import { cautions, typicalMinutes as minutes, waitMinutes } from './step'
import { plain, sentence, namesOf, nameOfPlace } from './words'
import { places, stepId, type Work, type StripWork } from './work'

export function addMounting(work: Work, { entry, pieces }: StripWork): void {
  const { run, strip } = entry
  const { plan } = work.given
  const mount = mounted(plan.own, run.line.mount)
  const profile = profileFor(work, entry)
  const fixing = profile === undefined ? (mount.fixing ?? plan.rules.fixing) : 'backing'
  const onWire = isOnWire(entry)
  const isFree = (mount.surface === 'air' && profile === undefined) || onWire
  const common = { ...plain, about: [run.id], place: run.id }
  if (!isFree && fixing !== 'clips')
    work.add({
      ...common,
      id: stepId.clean(run.id),
      kind: 'clean',
      title: `Clean ${profile === undefined ? `where ${run.name} goes` : `the profile of ${run.name}`} with solvent, let it dry`,
      needs: [stepId.dryFit(run.id), stepId.sawProfile(run.id)],
      minutes: minutes.clean,
      waitMin: waitMinutes.solvent,
      tool: 'cloth',
      phase: 'clean',
    })
  if (profile !== undefined)
    work.add({
      ...common,
      id: stepId.mountProfile(run.id),
      kind: 'mount',
      title: `Put the ${profile.name} of ${run.name} up`,
      how: ['Before wires are soldered in place: it cannot go on later.'],
      needs: [stepId.sawProfile(run.id)],
      minutes: (minutes.mountPerM * lengthOf(entry)) / 1000,
      cautions: [cautions.ladder],
      tool: 'screwdriver',
      phase: 'frame',
    })
  const groups = work.groupsOfRun.get(run.id) ?? []
  for (const piece of pieces) {
    const { name } = piece
    // Pad on pad is soldered on the bench; what holds the start is tested on its own wires first.
    const first = groups.flatMap(({ id, joints, at }) =>
      (at.kind === 'between' || (at.kind === 'pads' && at.pad === 0)) &&
      joints.some((joint) => piecesAt(work, joint.at).includes(name))
        ? [stepId.tested(id)]
        : [],
    )
    work.add({
      ...common,
      id: stepId.mountPiece(run.id, name),
      kind: 'mount',
      title: isFree
        ? `Hang ${onWire ? 'string ' : ''}${name} in its place`
        : `${fixing === 'glue' ? 'Glue' : fixing === 'clips' ? 'Clip' : fixing === 'magnets' ? 'Put' : 'Stick'} ${name} ${profile === undefined ? 'in its place' : 'into the profile'}`,
      how: [
        ...(strip.light.kind === 'pixels' && !onWire
          ? ['Look once more: the arrow points away from the data.']
          : []),
      ],
      about: [run.id, name],
      needs: [
        stepId.testPiece(run.id, name),
        stepId.slidePiece(run.id, name),
        stepId.clean(run.id),
        stepId.mountProfile(run.id),
        ...first,
      ],
      minutes: Math.max(1, (minutes.mountPerM * piece.lengthMm) / 1000),
      waitMin: isFree ? 0 : waitMinutes.fixing[fixing],
      undoable: isFree || fixing === 'clips' || fixing === 'magnets',
      cautions: [
        ...(isFree || fixing === 'clips'
          ? []
          : [fixing === 'glue' ? cautions.glue : cautions.tape]),
        cautions.ladder,
      ],
      tool: fixing === 'glue' ? 'glue' : 'hands',
      phase: 'mount',
    })
  }
  const mounts = pieces.map(({ name }) => stepId.mountPiece(run.id, name))
  if (groups.some(({ at }) => at.kind === 'pads'))
    work.add({
      ...common,
      id: stepId.relief(run.id),
      kind: 'relief',
      title: `Tie the wires of ${run.name} down, with a slack loop`,
      how: ['A pull on the wire must not reach the pads.'],
      needs: [...mounts, ...work.stepsAt('test', run.id)],
      minutes: minutes.relief,
      tool: 'hands',
      phase: 'relief',
    })
  if (mount.cover !== 'none' || run.line.sheet !== undefined)
    work.add({
      ...common,
      id: stepId.cover(run.id),
      kind: 'cover',
      title: `Close ${run.name}: its cover on`,
      needs: [
        ...mounts,
        ...work.stepsAt('test', run.id),
        stepId.relief(run.id),
        stepId.insulate(run.id),
        stepId.cutSheet(run.id),
      ],
      minutes: minutes.cover + (minutes.coverPerM * lengthOf(entry)) / 1000,
      tool: 'hands',
      phase: 'cover',
    })
}

/** Single lights and nodes: one as a sample, then the rest. */
export function addLights(work: Work): void {
  const { cutRuns, nodes, lit } = work.given
  const nodeOf = new Map(nodes.map((one) => [one.id, one]))
  const litOf = new Map(lit.map((one) => [one.id, one]))
  for (const { run, pieces } of cutRuns) {
    if (run.lights.length === 0) continue
    const common = { ...plain, about: [run.id], place: run.id }
    const node = nodeOf.get(run.id)
    if (node !== undefined && node.node.parts.length > 0) {
      const parts = node.node.parts.map(({ count, name }) =>
        count === 1 ? name : `${String(count)} × ${name}`,
      )
      const eachMin = node.node.sampleMin ?? node.each.minutes
      work.add({
        ...common,
        id: stepId.mount(`${run.id}/first node`),
        kind: 'mount',
        title: `Build one node of ${run.name} as a sample, and time it`,
        how: parts,
        needs: [stepId.dryFit(run.id)],
        minutes: eachMin,
        tool: 'hands',
        phase: 'frame',
      })
      if (node.nodes > 1)
        work.add({
          ...common,
          id: stepId.mount(`${run.id}/nodes`),
          kind: 'mount',
          title: `Build the other ${plural(node.nodes - 1, 'node')} of ${run.name}`,
          how: parts,
          needs: [stepId.mount(`${run.id}/first node`)],
          minutes: node.restMinutes,
          like: { sample: stepId.mount(`${run.id}/first node`), times: node.nodes - 1 },
          tool: 'hands',
          phase: 'frame',
        })
    }
    const lights = work.groups.get(`${run.id}/lights`)
    const threads = lights?.joints.flatMap(({ threadFirst }) => threadFirst) ?? []
    if (threads.length > 0)
      work.add({
        ...common,
        id: stepId.thread(`${run.id}/lights`),
        kind: 'thread',
        title: `Thread every light of ${run.name}: ${sentence([...new Set(threads)])}`,
        needs: [stepId.dryFit(run.id)],
        minutes: minutes.threadThing * run.lights.length,
        tool: 'hands',
        phase: 'thread',
      })
    if (litOf.has(run.id) && pieces.length === 0)
      work.add({
        ...common,
        id: stepId.mount(`${run.id}/lights`),
        kind: 'mount',
        title: `Put the lights of ${run.name} in their places`,
        needs: [...work.stepsAt('test', run.id), stepId.dryFit(run.id)],
        minutes: minutes.hangLight * run.lights.length,
        cautions: [cautions.ladder],
        tool: 'hands',
        phase: 'mount',
      })
  }
}

/** Labels, sleeves that are shrunk, seals: place by place. */
export function addFinish(work: Work): void {
  for (const [place, bundles] of work.bundlesOfPlace) {
    const wires = bundles.flatMap((bundle) => bundle.wires)
    const names = wires.map(({ name }) => name)
    const about = [...new Set([...wires.flatMap((wire) => wire.about), ...names])]
    const line = work.lineOf.get(place)
    const where = nameOfPlace(work, place)
    work.add({
      ...plain,
      id: stepId.label(place),
      kind: 'label',
      title: `Label both ends of ${namesOf(work, names)}`,
      about,
      needs: bundles.map(({ id }) => stepId.cutWires(id)),
      minutes: minutes.label * wires.length,
      tool: 'pen',
      place,
      phase: 'label',
    })
    const sleeved = wires.filter(({ sleeveMm }) => sleeveMm !== null)
    const isSealed =
      line !== undefined && (line.mount?.hasCaps === true || line.mount?.hasSleeve === true)
    if (sleeved.length === 0 && !isSealed) continue
    work.add({
      ...plain,
      id: stepId.insulate(place),
      kind: 'insulate',
      title: `Shrink the sleeves of ${where}${isSealed ? ', and seal its ends' : ''}`,
      how: [
        namesOf(
          work,
          sleeved.map(({ name }) => name),
        ),
      ],
      about,
      needs: [
        ...work.stepsAt('test', place),
        ...work.stepsAt('check', place),
        // A wire may end where another place's wires are joined too.
        ...work.checksOf(wires),
        stepId.relief(place),
        ...(place === places.board ? [stepId.tested(places.board)] : []),
      ],
      minutes: minutes.insulate + minutes.insulateSleeve * sleeved.length,
      waitMin: isSealed ? waitMinutes.seal : 0,
      undoable: false,
      cautions: [cautions.heat, ...(isSealed ? [cautions.seal] : [])],
      tool: 'heat gun',
      place,
      phase: 'insulate',
    })
  }
}

/** The board, where it hides: once it runs. */
export function addBoard(work: Work): void {
  if (!work.given.wiring.blocks.some(({ of }) => of.kind === 'board')) return
  work.add({
    ...plain,
    id: stepId.mount(places.board),
    kind: 'mount',
    title: 'Fix the board where it hides',
    how: ['Nothing of metal under it; its plug stays reachable.'],
    about: [places.board],
    needs: [stepId.tested(places.board), stepId.insulate(places.board)],
    minutes: minutes.mountPart,
    tool: 'screwdriver',
    place: places.board,
    phase: 'fix',
  })
}
