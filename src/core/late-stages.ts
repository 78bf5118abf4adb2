import { buildOrder } from './build/order'
import { stepsOf } from './build/steps'
import { barsOf } from './buy/bars'
import { billOf } from './buy/bill'
import { receiptOf } from './buy/receipt'
import { sheetsOf } from './buy/sheets'
import { derived, type Derived, type WorkedPlan } from './derived'
import { everything, sourceFields, stages, type LateName } from './stages'
import { signalLevels } from './signal/signal-levels'
import { judge, withRemedies } from './verdict/judges'
import { jointsOf } from './wire/joints'
import { wiringOf } from './wire/wires'

/** Stages that no figure waits for: levels, wires as they are cut, joints, the bill, verdicts. */
const lateStages: { readonly [Name in LateName]: Derived<WorkedPlan[Name]> } = {
  signal: derived(
    [...sourceFields, 'rules', 'defaults', 'scene', 'limit', 'signal'],
    ['parts', 'layout', 'sources', 'volts', 'lanes', 'needs', 'fit', 'full', 'supplies'],
    signalLevels,
  ),
  wiring: derived(
    [...sourceFields, 'signal', 'wiring'],
    ['cutRuns', 'lanes', 'circuit', 'full', 'supplies', 'leads'],
    wiringOf,
  ),
  joints: derived(['lines', 'own', 'units'], ['wiring', 'cutRuns', 'reels'], (given) =>
    jointsOf(given.wiring, given, given.reels),
  ),
  steps: derived(
    ['lines', 'rules', 'limit', 'units', 'own'],
    ['cutRuns', 'lit', 'nodes', 'lanes', 'supplies', 'wiring', 'joints'],
    stepsOf,
  ),
  schedule: derived(['build'], ['steps', 'cutRuns'], buildOrder),
  bars: derived(['own'], ['cutRuns'], ({ plan, cutRuns }) => barsOf(plan, cutRuns)),
  sheets: derived([], ['measured'], ({ measured }) => sheetsOf(measured.runs)),
  bill: derived(
    ['lines', 'supplies', 'junctions', 'rules', 'signal', 'buy', 'own'],
    [
      'cutRuns',
      'reels',
      'lit',
      'nodes',
      'plugs',
      'fit',
      'supplies',
      'wiring',
      'joints',
      'bars',
      'sheets',
    ],
    billOf,
  ),
  receipt: derived(['buy'], ['bill'], ({ plan, bill }) => receiptOf(bill, plan.buy)),
  findings: derived(
    everything,
    [
      'parts',
      'layout',
      'sources',
      'cutRuns',
      'reels',
      'volts',
      'lit',
      'nodes',
      'loads',
      'lanes',
      'needs',
      'fit',
      'plugs',
      'leads',
      'circuit',
      'full',
      'unlimited',
      'supplies',
      'batteries',
      'signal',
    ],
    judge,
  ),
  verdicts: derived([], ['findings'], ({ findings }) => withRemedies(findings)),
}

/** All stages in the order of the work. */
export const allStages = { ...stages, ...lateStages }
