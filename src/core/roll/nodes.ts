import { entryOf } from '../cut/entry-of'
import { coverRange, sureWithinMm } from '../measure/cover'
import { operand, working, type Figure } from '../quantity/figure'
import { formatDrill, formatLength } from '../quantity/format'
import type { JudgedPlan } from '../verdict/judged-plan'

/** Lights that are small assemblies: what all of them take. */
export function nodeFigures({
  plan,
  nodes,
  cutRuns,
}: Pick<JudgedPlan, 'plan' | 'nodes' | 'cutRuns'>): Figure[] {
  return nodes.flatMap(({ id, node, nodes: count, each, holes, readers, minutes }): Figure[] => {
    const run = entryOf(cutRuns, id)?.run
    const name = run?.name ?? ''
    const about = [id]
    const times = (key: string, label: string, perNode: number): Figure[] =>
      perNode === 0
        ? []
        : [
            {
              id: `node-${key}.${id}`,
              label: `${name}, ${label}`,
              value: count * perNode,
              unit: '',
              ...working`${operand('nodes', count)} × ${operand('in each', perNode)}`,
              about,
            },
          ]
    const figures: Figure[] = [
      ...times('parts', 'parts', each.parts),
      ...holes.map((hole): Figure => ({
        id: `node-holes.${id}.${String(hole.mm)}`,
        label: `${name}, holes of ${formatDrill(hole.mm, plan.units)}`,
        value: hole.count,
        unit: '',
        ...working`${operand('nodes', count)} × ${operand('in each', hole.count / count)}`,
        about,
      })),
      ...times('wires', 'wires', each.wires),
      ...times('channels', 'signals to read', each.channels),
    ]
    if (readers !== undefined && node.readers !== undefined) {
      const { by, each: perBoard } = node.readers
      figures.push({
        id: `node-boards.${id}`,
        label: `${name}, boards by ${by}`,
        value: readers.boards,
        unit: '',
        ...working`${operand(by, readers.boards * perBoard - readers.left)} ÷ ${operand('a board', perBoard)}`,
        rule: `${readers.left === 0 ? 'all taken' : `room for ${String(readers.left)} more on the last`}; in a chain on two pins`,
        about,
      })
    }
    if (minutes > 0)
      figures.push({
        id: `node-minutes.${id}`,
        label: `${name}, to build`,
        value: minutes,
        unit: 'min',
        ...working`${operand('nodes', count)} × ${operand('each', minutes / count, 'min')}`,
        rule:
          node.sampleMin === undefined
            ? 'starting minutes: build one and time it'
            : 'as long as the first took',
        about,
        isTotal: true,
      })
    if (node.object !== undefined && run !== undefined) {
      const { least, most } = coverRange(run.lights, node.object)
      const { shape, mm } = node.object
      figures.push({
        id: `node-cover.${id}`,
        label: `${name}, nodes under something ${shape} of ${formatLength(mm, plan.units)}`,
        value: most,
        unit: '',
        operation: '',
        operands: [],
        rule: `at most; at least ${String(least)}, wherever its middle lies between the outermost${least > 0 ? '' : `: nodes at most ${formatLength(Math.floor(sureWithinMm(node.object)), plan.units)} apart are sure of one`}`,
        about,
      })
    }
    return figures
  })
}
