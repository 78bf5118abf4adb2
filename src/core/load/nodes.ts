import type { CutStripRun } from '../cut/cut'
import { isOnWire, pixelsInNode } from '../cut/on-wire'
import type { MeasuredRun } from '../measure/measure'
import type { LightNode } from '../plan/plan'

/** Holes of one size in all nodes of a run. */
export interface Holes {
  readonly mm: number
  readonly count: number
}

/** Lights that are small assemblies: what one takes, and what all of them take. */
export interface NodeRun {
  readonly id: string
  readonly node: LightNode
  readonly nodes: number
  /** In one node. */
  readonly each: {
    readonly parts: number
    readonly wires: number
    readonly channels: number
    /** By the starting minutes of its parts. */
    readonly minutes: number
    /** What it draws all the time besides its light, mA. */
    readonly mA: number
  }
  /** What all draw all the time besides their lights, A. */
  readonly currentA: number
  /** Thinnest first. */
  readonly holes: readonly Holes[]
  /** Boards that read them, and what is left on the last: columns or channels; `undefined` where the plan's board reads all. */
  readonly readers: { readonly boards: number; readonly left: number } | undefined
  /** Minutes for all: the sample's where one was built and timed. */
  readonly minutes: number
  /** Minutes for the rest once the first is built. */
  readonly restMinutes: number
}

/** What the parts of a node draw besides its light, mA: of emitters that are scanned each its share of the one that is lit. */
const nodeMa = ({ line, lights }: Pick<MeasuredRun, 'line' | 'lights'>): number =>
  line.node?.parts.reduce(
    (sum, { count, mA, isScanned }) =>
      sum + (count * mA) / (isScanned === true ? lights.length : 1),
    0,
  ) ?? 0

/** … of all nodes of a run together, A. */
export const nodesA = (run: Pick<MeasuredRun, 'line' | 'lights'>): number =>
  (nodeMa(run) * run.lights.length) / 1000

/** What else draws on the wire of each pixel of a run, mA: nothing where they are not nodes. */
export const besidePixelMa = (entry: Pick<CutStripRun, 'run' | 'strip'>): number =>
  isOnWire(entry) ? nodeMa(entry.run) / pixelsInNode(entry.run) : 0

/** What the parts of a node are called, by their ids: of two of one name the second has a number. */
export function partNames({ parts }: Pick<LightNode, 'parts'>): ReadonlyMap<string, string> {
  const counts = new Map<string, number>()
  return new Map(
    parts.map(({ id, name }) => {
      const count = (counts.get(name) ?? 0) + 1
      counts.set(name, count)
      return [id, count === 1 ? name : `${name} (${String(count)})`]
    }),
  )
}

/** The runs whose lights are assemblies. */
export const nodeRuns = (runs: readonly MeasuredRun[]): NodeRun[] =>
  runs.flatMap((run) => {
    const { node } = run.line
    return node === undefined || run.lights.length === 0 ? [] : [nodeRun(run, node)]
  })

function nodeRun(run: MeasuredRun, node: LightNode): NodeRun {
  const nodes = run.lights.length
  const perNode = (of: (part: LightNode['parts'][number]) => number): number =>
    node.parts.reduce((sum, part) => sum + part.count * of(part), 0)
  const each = {
    parts: perNode(() => 1),
    wires: perNode(({ wires }) => wires),
    channels: perNode(({ channels }) => channels),
    minutes: perNode(({ minutes }) => minutes),
    mA: nodeMa(run),
  }
  const holes = new Map<number, number>()
  for (const { holeMm, holes: own, count } of node.parts)
    if (own > 0) holes.set(holeMm, (holes.get(holeMm) ?? 0) + own * count * nodes)
  const eachMin = node.sampleMin ?? each.minutes
  return {
    id: run.id,
    node,
    nodes,
    each,
    currentA: nodesA(run),
    holes: [...holes].map(([mm, count]): Holes => ({ mm, count })).toSorted((a, b) => a.mm - b.mm),
    readers: readersFor(run, node, each.channels),
    minutes: nodes * eachMin,
    restMinutes: (nodes - 1) * eachMin,
  }
}

/** Boards for whole columns of a grid, or for channels wherever they come from. */
function readersFor(
  run: MeasuredRun,
  { readers }: LightNode,
  channels: number,
): NodeRun['readers'] {
  if (readers === undefined || channels === 0) return undefined
  const all = readers.by === 'columns' ? columnsOf(run) : run.lights.length * channels
  const boards = Math.ceil(all / readers.each)
  return { boards, left: boards * readers.each - all }
}

/** Columns of a grid: lights of one column stand below each other. */
const columnsOf = ({ lights }: Pick<MeasuredRun, 'lights'>): number =>
  new Set(lights.map(([x]) => Math.round(x * 10))).size
