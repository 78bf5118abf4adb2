import { isOnWire } from '../cut/on-wire'
import { mounted } from '../parts/mounted'
import { profileOf } from '../parts/profiles'
import { sheetMaterialOf } from '../parts/sheets'
import { formatDrill, formatLength, formatQuantity, plural } from '../quantity/format'
import { piecesAt } from './joint-steps'
import { cautions, typicalMinutes as minutes } from './step'
import { plain, sentence } from './words'
import { listed } from '../quantity/listed'
import { places, stepId, type Work, type StripWork } from './work'

export function addMeasures(work: Work): void {
  const { plan } = work.given
  for (const entry of work.cutRuns) {
    const { run, pieces, strip } = entry
    if (pieces.length === 0 && run.lights.length === 0) continue
    const hasLights = run.lights.length > 0
    work.add({
      ...plain,
      id: stepId.measure(run.id),
      kind: 'measure',
      title: hasLights
        ? `Measure again where ${run.name} goes: ${plural(run.lights.length, 'light')}`
        : `Measure ${run.name} again: ${formatLength(lengthOf(entry), plan.units)} in the plan`,
      how: ['Is it different, change the plan first: everything behind it follows.'],
      about: [run.id],
      needs: [],
      minutes: minutes.measure,
      tool: 'tape measure',
      place: run.id,
      phase: 'measure',
    })
    work.add({
      ...plain,
      id: stepId.dryFit(run.id),
      kind: 'dry-fit',
      title: hasLights
        ? `Mark where the lights of ${run.name} go`
        : `Lay the strip loose along ${run.name}`,
      how: [
        ...(strip.light.kind === 'pixels' && !hasLights
          ? ['The arrows on the strip point away from the end where data enters.']
          : []),
        'Does the wire come in where the plan has it, and does everything fit?',
        ...(run.line.into === undefined
          ? []
          : [
              `Drill the holes in the ${run.line.into.what} now: ${sentence(run.line.into.holes.map(({ mm }) => formatDrill(mm, plan.units)))}.`,
            ]),
      ],
      about: [run.id],
      needs: [stepId.measure(run.id)],
      minutes: minutes.dryFit,
      tool: 'hands',
      place: run.id,
      phase: 'dry-fit',
    })
  }
}

/** Each kind of strip is tried before the first cut: a reel that fails goes back whole. */
export function addReels(work: Work): void {
  const byStrip = new Map<string, StripWork[]>()
  for (const strip of work.strips) {
    listed(byStrip, strip.entry.strip.id).push(strip)
  }
  for (const [id, strips] of byStrip) {
    const [first] = strips
    if (first === undefined) continue
    const { strip } = first.entry
    work.add({
      ...plain,
      id: stepId.reel(id),
      kind: 'test',
      title: `Before the first cut, try the ${strip.name}`,
      how: [
        strip.light.kind === 'pixels'
          ? 'Clip leads on the first pads of the reel, one colour low: every pixel answers.'
          : 'Clip leads on the first pads of the reel: all of it lights.',
        'Does it not, it goes back to the shop uncut.',
      ],
      about: strips.flatMap(({ entry, pieces }) => [
        entry.run.id,
        ...pieces.map(({ name }) => name),
      ]),
      needs: [],
      minutes: minutes.reelTest,
      cautions: [cautions.bench, cautions.strip],
      tool: 'bench supply',
      place: places.first,
      phase: 'reel',
    })
  }
}

export function addPieces(work: Work, { entry, pieces }: StripWork): void {
  const { run, strip } = entry
  const { plan } = work.given
  const onWire = isOnWire(entry)
  const { hasSleeve } = mounted(plan.own, run.line.mount)
  const soldered = new Map<string, number>()
  for (const { joints } of work.groupsOfRun.get(run.id) ?? [])
    for (const joint of joints)
      for (const piece of joint.soldered > 0 && joint.at.kind !== 'capacitor'
        ? piecesAt(work, joint.at)
        : [])
        soldered.set(piece, (soldered.get(piece) ?? 0) + joint.soldered)
  for (const piece of pieces) {
    const { name } = piece
    const common = { ...plain, about: [run.id, name], place: run.id }
    const marks =
      strip.light.kind === 'pixels'
        ? `${plural(piece.groups, 'cut group')}, ${formatQuantity(piece.pixels, 'px')}`
        : plural(piece.groups, 'cut group')
    work.add({
      ...common,
      id: stepId.cutPiece(run.id, name),
      kind: 'cut',
      title: onWire
        ? run.line.isLengthened === true
          ? `Cut ${name} off its string: ${plural(piece.groups, 'pixel')}`
          : `Count off string ${name}: ${plural(piece.groups, 'pixel')}`
        : `Cut ${name}: ${formatLength(piece.placedMm + piece.offMm, plan.units)}, ${marks}`,
      how: onWire
        ? run.line.isLengthened === true
          ? ['In the middle of the wire on either side; mark which end the data enters.']
          : []
        : [
            piece.offMm > 0
              ? `${formatLength(piece.offMm, plan.units)} beyond the last mark, as planned: that group stays dark.`
              : 'On the cut mark, across the middle of the pads.',
            `Write ${name} on its back, and which end is the start.`,
          ],
      needs: [stepId.measure(run.id), stepId.dryFit(run.id), stepId.reel(strip.id)],
      minutes: minutes.cutPiece,
      undoable: false,
      cautions: [cautions.strip],
      tool: 'cutters',
      phase: 'cut',
    })
    const cut = stepId.cutPiece(run.id, name)
    const pads = soldered.get(name) ?? 0
    if (pads > 0)
      work.add({
        ...common,
        id: stepId.tinPiece(run.id, name),
        kind: 'tin',
        title: `Tin ${plural(pads, 'pad')} of ${name}`,
        how: ['A little fresh solder on each pad, electronics flux only.'],
        needs: [cut],
        minutes: pads * minutes.tinPad,
        cautions: [cautions.iron, cautions.strip],
        tool: 'iron',
        phase: 'tin',
      })
    work.add({
      ...common,
      id: stepId.testPiece(run.id, name),
      kind: 'test',
      title: `Test ${name} on clip leads`,
      how: [
        strip.light.kind === 'pixels'
          ? 'At its start: minus, plus, then data. Run every colour low from end to end.'
          : 'At its start: minus, then plus. All of it lights alike.',
      ],
      needs: [cut, stepId.tinPiece(run.id, name), stepId.joint(`${run.id}/within ${name}`)],
      minutes: minutes.test,
      cautions: [cautions.bench],
      tool: 'bench supply',
      phase: 'test-piece',
    })
    if (hasSleeve && !onWire)
      work.add({
        ...common,
        id: stepId.slidePiece(run.id, name),
        kind: 'thread',
        title: `Slide ${name} into its sleeve`,
        needs: [stepId.testPiece(run.id, name)],
        minutes: minutes.slidePiece,
        tool: 'hands',
        phase: 'thread',
      })
  }
  const profile = profileFor(work, entry)
  if (profile !== undefined) {
    const lengths = entry.parts.map(({ lengthMm }) => formatLength(lengthMm, plan.units))
    work.add({
      ...plain,
      id: stepId.sawProfile(run.id),
      kind: 'cut',
      title: `Saw the ${profile.name} for ${run.name}: ${sentence([...new Set(lengths)])}`,
      how: [
        'File the cuts smooth: a burr cuts through a strip.',
        ...(profile.beam === 'angled'
          ? ['Hold it the way the light will face before you choose the left and the right cap.']
          : []),
      ],
      about: [run.id],
      needs: [stepId.measure(run.id), stepId.dryFit(run.id)],
      minutes: minutes.sawBar * entry.parts.length,
      undoable: false,
      tool: 'saw',
      place: run.id,
      phase: 'cut',
    })
  }
  const material =
    run.line.sheet === undefined ? undefined : sheetMaterialOf(run.line.sheet.material)
  if (material !== undefined)
    work.add({
      ...plain,
      id: stepId.cutSheet(run.id),
      kind: 'cut',
      title: `Cut the ${material.name} for ${run.name}`,
      about: [run.id],
      needs: [stepId.measure(run.id), stepId.dryFit(run.id)],
      minutes: minutes.cutSheet,
      undoable: false,
      tool: 'cutters',
      place: run.id,
      phase: 'cut',
    })
}

/** Of all its parts, mm. */
export const lengthOf = ({ parts }: StripWork['entry']): number =>
  parts.reduce((sum, { lengthMm }) => sum + lengthMm, 0)

export const profileFor = (
  { given }: Work,
  { run, parts }: StripWork['entry'],
): ReturnType<typeof profileOf> =>
  parts.length === 0 ? undefined : profileOf(given.plan.own, run.line.mount?.profile)
