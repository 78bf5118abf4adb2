import { CommanderError } from 'commander'
import { connectedAfter, jointsUpTo } from '../core/build/connected'
import { scheduleOf } from '../core/build/order'
import { readingsAfter } from '../core/build/readings'
import type { Step } from '../core/build/step'
import { buildSchools } from '../core/plan/build-choices'
import { caseNames } from '../core/plan/choices'
import type { Plan } from '../core/plan/plan'
import { worked } from '../core/worked'
import { planFeedNetwork } from '../formats/exports'
import { networkWithFault } from './mend'
import { oneOf } from './options'
import { BadInput, json } from './output'

/** The steps of building a plan in their order, as the contract has them. */
export function stepsJson(plan: Plan, options: { school?: string }): string {
  const school =
    options.school === undefined ? undefined : oneOf(buildSchools, 'school', options.school)
  const { steps, minutes, elapsedMin } = scheduleOf(worked(plan), school)
  return json({
    steps: steps.map(stepJson),
    minutes: round(minutes),
    elapsedMin: round(elapsedMin),
  })
}

/** To hundredths of a minute. */
const round = (value: number): number => Math.round(value * 100) / 100

const stepJson = (step: Step): object => ({
  id: step.id,
  kind: step.kind,
  title: step.title,
  how: step.how,
  about: step.about,
  needs: step.needs,
  minutes: round(step.minutes),
  waitMin: step.waitMin,
  joints: step.joints,
  threads: step.threads,
  undoable: step.undoable,
  cautions: step.cautions,
  tool: step.tool,
})

export interface NetworkArguments {
  readonly case?: string
  readonly after?: string
  readonly fault?: string
}

export function networkJson(plan: Plan, options: NetworkArguments): string {
  const loadCase =
    options.case === undefined ? plan.scene.shown : oneOf(caseNames, 'case', options.case)
  if (options.after !== undefined && options.fault !== undefined)
    throw new CommanderError(2, 'glow.usage', 'error: either --after or --fault')
  if (options.fault !== undefined) return json(networkWithFault(plan, loadCase, options.fault))
  if (options.after === undefined) return json(planFeedNetwork(plan, loadCase))
  const { step, done } = stepOf(plan, options.after)
  return json(connectedAfter(worked(plan), done, step, loadCase).network)
}

/** What the meter should say after a step, as the contract has it. */
export function readingJson(plan: Plan, options: { after: string }): string {
  const { step, done } = stepOf(plan, options.after)
  const { connected, by, readings, benchLimitA } = readingsAfter(worked(plan), done, step)
  return json({ connected: Object.fromEntries(connected), by, readings, benchLimitA })
}

/** A step of the plan in its own order, with the joints that are done once it is. */
function stepOf(plan: Plan, id: string): { step: Step; done: ReadonlySet<string> } {
  const { steps } = worked(plan).schedule
  const step = steps.find((one) => one.id === id)
  if (step === undefined)
    throw new BadInput(
      `there is no step “${id}”: \`glow steps\` lists them, such as ${steps[0]?.id ?? 'none: the plan has none yet'}`,
    )
  return { step, done: jointsUpTo(steps, id) }
}
