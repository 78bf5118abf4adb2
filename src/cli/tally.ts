import { compare } from '../core/choose/compare'
import { fixedVerdicts } from '../core/choose/fixes'
import type { StageName } from '../core/derived'
import { allStages } from '../core/late-stages'
import type { Plan } from '../core/plan/plan'
import { toCents } from '../core/quantity/round'
import { tallyOf } from '../core/tally'
import type { TallyRun } from '../core/tally-parts'
import { engineOf, worked } from '../core/worked'
import { oneOf } from './options'
import { json } from './output'

/** Trials of remedies in one tally: a plan with more than that to mend gets told its gravest first. */
const mostTrials = 400

/** The tally, with those remedies that were tried on the whole plan and work. */
export function tallyJson(plan: Plan): string {
  const engine = engineOf(plan)
  const told = tallyOf(engine)
  return json({
    ...told,
    runs: told.runs.map(printedRun),
    verdicts: fixedVerdicts(engine, mostTrials),
  })
}

/** A run as other programs read it: cut groups are counted as `cuts` there. */
const printedRun = ({ groups, pieces, ...run }: TallyRun): object => ({
  ...run,
  cuts: groups,
  pieces: pieces.map(({ groups: own, ...piece }) => ({ ...piece, cuts: own })),
})

/** What one stage makes of a plan. */
export function stageJson(name: string, plan: Plan): string {
  const names = Object.keys(allStages) as StageName[]
  return json(worked(plan)[oneOf(names, 'stage', name)])
}

/** The plan with each strip that fits it, worked out whole. */
export const compareJson = (plan: Plan): string =>
  json({
    candidates: [...compare(plan)].map(({ strip, isPresent, commands, ...one }) => ({
      stripId: strip.id,
      name: strip.name,
      volts: strip.volts,
      isPresent,
      ...one,
      cost: toCents(one.cost),
      supply: one.supplies.join(' and ') || null,
      edits: commands.length,
    })),
  })
