import type { CutStripRun } from '../cut/cut'
import type { LightLine } from '../lanes/pins'
import type { LitRun } from '../load/lights'
import { groupNumber } from '../load/lit-colours'
import { wireOf } from '../parts/wires'
import type { WireRole } from '../plan/choices'
import type { Cable, CableCore } from './circuit'
import type { RouteContext } from './route-context'
import { homeLights, homeOf } from './home'
import { beside, blockId, commonAt, way } from './harness'

/** Wires home of single lights, and from the board to what drives them; gives back the cables. */
export function addLights(context: RouteContext): Cable[] {
  const cables: Cable[] = []
  for (const entry of context.cutRuns) {
    const lit = context.litOf.get(entry.run.id)
    const home = homeOf(entry, lit)
    if (home === 'hub') addHub(context, entry, lit)
    if (home !== undefined && (home === 'hub' || context.fit !== undefined))
      cables.push(...addWiresHome(context, entry, lit, home, cables.length))
    if (lit !== undefined && home !== 'pins' && context.fit !== undefined)
      addDriveWires(context, entry, lit, home === 'hub')
  }
  return cables
}

function addHub(
  { harness, fit }: RouteContext,
  { run }: CutStripRun,
  lit: LitRun | undefined,
): void {
  const isSink = lit?.settings.drive === 'sink'
  harness.block(blockId.hub(run.id), {
    of: { kind: 'hub', run: run.id },
    name: `${run.name}, wires home`,
    detail: isSink
      ? 'PWM sink boards'
      : fit === undefined
        ? 'terminal strip'
        : 'terminal strip beside the board',
    about: [run.id],
  })
}

/** A wire home from each group in series, and one in each cable that all of it have in common. */
function addWiresHome(
  { harness, plan, sources, lightAt, pinFor }: RouteContext,
  entry: CutStripRun,
  lit: LitRun | undefined,
  home: 'pins' | 'hub',
  cablesBefore: number,
): Cable[] {
  const { run } = entry
  const own = homeLights(entry, lit)
  const colours = lit?.colours.length ?? 1
  const cores = plan.rules.cableWires - 1
  // All wires of a light go in one cable, where it has that many.
  const perCable = Math.max(1, cores - (cores % colours))
  const isSink = lit?.settings.drive === 'sink'
  const role: WireRole = home === 'pins' || isSink ? 'signal' : 'plus'
  const hasPlus = isSink || lit?.part.legs?.common === 'plus'
  const [commonSign, commonRole] = hasPlus ? (['+', 'plus'] as const) : (['−', 'minus'] as const)
  const block = blockId.run(run.id)
  const lengths = own.map((light) => way(plan, sources.controller, lightAt(run.id, light), run))
  const cables: Cable[] = []
  for (let from = 0; from < own.length; from += perCable) {
    const lights = own.slice(from, from + perCable)
    const name = `C${String(cablesBefore + cables.length + 1)}`
    const longest = lengths
      .slice(from, from + perCable)
      .reduce((most, length) => (length.lengthMm > most.lengthMm ? length : most))
    const common = {
      gauge: wireOf(plan.wiring.dataWire),
      bundle: `home.${run.id}.${name}`,
      about: [run.id],
      home: run.id,
    }
    const core = (number: number): CableCore => ({ cable: name, core: number })
    lights.forEach((light, index) => {
      const number = lit === undefined ? String(from + index + 1) : groupNumber(lit, from + index)
      const name = `light ${number}`
      harness.wire({
        ...common,
        role,
        from:
          home === 'pins'
            ? pinFor(
                { kind: 'light', run: run.id, line: { kind: 'light', index: from + index } },
                name,
                role,
              )
            : harness.at(blockId.hub(run.id), number, role, {
                kind: 'pin',
                side: 'out',
              }),
        to: harness.at(block, name, role, { kind: 'light', light }),
        ...(lengths[from + index] ?? longest),
        cable: core(index + 1),
      })
    })
    harness.wire({
      ...common,
      role: commonRole,
      from:
        home === 'pins'
          ? commonAt(harness, commonSign)
          : harness.at(
              blockId.hub(run.id),
              `${commonSign} ${name}`,
              commonRole,
              { kind: 'pin', side: 'out' },
              commonSign,
            ),
      to: harness.at(block, `${commonSign} ${name}`, commonRole, {
        kind: 'light',
        light: lights[0] ?? 0,
      }),
      ...longest,
      rule: 'as long as the longest of its cable',
      cable: core(lights.length + 1),
    })
    cables.push({ name, run: run.id, cores: lights.length + 1, lengthMm: longest.lengthMm })
  }
  return cables
}

/** Wires from the board's pins to rows and columns of lights, or to what drives them. */
function addDriveWires(
  { harness, plan, sources, fit, lightAt }: RouteContext,
  { run }: CutStripRun,
  lit: LitRun,
  hasHub: boolean,
): void {
  if (lit.settings.drive === 'switch') return
  const block = hasHub ? blockId.hub(run.id) : blockId.run(run.id)
  for (const { need, pin } of fit?.pins ?? []) {
    if (need.of.kind !== 'light' || need.of.run !== run.id) continue
    const light = nearestLight(need.of.line, lit)
    harness.wire({
      role: 'signal',
      from: harness.at(blockId.board, pin?.name ?? need.line, 'signal', { kind: 'pin' }),
      to: harness.at(
        block,
        need.line,
        'signal',
        hasHub ? { kind: 'pin', side: 'in' } : { kind: 'light', light },
      ),
      gauge: wireOf(plan.wiring.dataWire),
      ...(hasHub ? beside : way(plan, sources.controller, lightAt(run.id, light))),
      bundle: `lights.${run.id}`,
      about: [run.id],
    })
  }
}

/** The light that a line from the board comes to first. */
const nearestLight = (line: LightLine, { columns }: LitRun): number =>
  line.kind === 'row' ? line.index * columns : line.kind === 'column' ? line.index : 0
