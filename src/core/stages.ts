import { cut } from './cut/cut'
import { prewiredInstead } from './cut/prewired'
import { cutFromReels } from './cut/reels'
import { batteriesOf } from './feed/batteries'
import { planNetwork } from './feed/plan-network'
import { solveFeed } from './feed/solved-feed'
import { feedSupplies } from './feed/supplies'
import { chosenBoard } from './lanes/boards'
import { lanesOf } from './lanes/lanes'
import { pinNeeds } from './lanes/pins'
import { litRuns } from './load/lights'
import { loadRuns } from './load/load'
import { nodeRuns } from './load/nodes'
import { supplyVolts } from './load/supply-volts'
import { layOut } from './measure/layout'
import { measure } from './measure/measure'
import { sourcePlaces } from './measure/source-places'
import { partsOf } from './parts/find'
import type { Plan } from './plan/plan'
import { rollOf, type RollSection } from './roll/roll'
import { connect } from './route/connect'
import { leadsOf } from './route/leads'
import { plugTrees } from './route/plugs'
import { signalLevels } from './signal/signal-levels'
import type { JudgedPlan } from './verdict/judged-plan'
import { judge } from './verdict/judges'
import { jointsOf } from './wire/joints'
import { wiringOf } from './wire/wires'

/** A plan with the result of every stage. */
export interface WorkedPlan extends JudgedPlan {
  readonly roll: readonly RollSection[]
}

/** Everything that is worked out of a plan, by the name of its result. */
export type StageName = Exclude<keyof WorkedPlan, 'plan'>

/** How one result is worked out: which parts of the plan and which earlier results it reads, and the pure function of them. */
export interface Stage<Name extends StageName = StageName> {
  readonly plan: readonly (keyof Plan)[]
  readonly reads: readonly StageName[]
  readonly work: (given: WorkedPlan) => WorkedPlan[Name]
}

/** Types the function by what is declared: it cannot reach a result that it does not name. */
const stage = <Name extends StageName, Reads extends StageName>(
  plan: readonly (keyof Plan)[],
  reads: readonly Reads[],
  work: (given: Pick<WorkedPlan, Reads | 'plan'>) => WorkedPlan[Name],
): Stage<Name> => ({ plan, reads, work })

/** While somebody types the packing may not take long; the Cut page can search on where it was cut short. */
const quickPacking = { mostNodes: 2_000, mostSets: 400 }

const sourceFields = ['supplies', 'junctions'] as const
const everything = [
  'lines',
  'defaults',
  'bench',
  'junctions',
  'supplies',
  'scene',
  'limit',
  'rules',
  'use',
  'signal',
  'wiring',
  'own',
  'units',
] as const

/**
 * The stages in the order of the work. Each reads the parts of the plan that it names and results before it; a test hands out nothing else.
 */
export const stages: { readonly [Name in StageName]: Stage<Name> } = {
  parts: stage(['own'], [], ({ plan }) => partsOf(plan.own)),
  measured: stage(['lines'], [], ({ plan }) => measure(plan)),
  layout: stage(['bench'], ['measured'], ({ plan, measured }) => layOut(measured.runs, plan.bench)),
  sources: stage([...sourceFields, 'bench'], ['layout'], ({ plan, layout }) =>
    sourcePlaces(plan, layout),
  ),
  cuts: stage(['lines', 'defaults', 'rules'], ['measured', 'parts'], ({ plan, measured, parts }) =>
    cut(plan, measured.runs, parts),
  ),
  reels: stage(['offcuts', 'rules'], ['cuts'], ({ plan, cuts }) =>
    cutFromReels(cuts, plan.offcuts, plan.rules, quickPacking),
  ),
  prewired: stage([], ['cuts'], ({ cuts }) => prewiredInstead(cuts)),
  volts: stage([...sourceFields, 'defaults'], ['cuts', 'parts'], ({ plan, cuts, parts }) =>
    supplyVolts(plan, cuts, parts),
  ),
  lit: stage(
    [...sourceFields, 'rules', 'signal'],
    ['cuts', 'parts', 'volts'],
    ({ plan, cuts, parts, volts }) => litRuns(plan, cuts, parts, volts),
  ),
  nodes: stage([], ['measured'], ({ measured }) => nodeRuns(measured.runs)),
  loads: stage(['scene', 'limit'], ['cuts', 'lit'], ({ plan, cuts, lit }) =>
    loadRuns(plan, cuts, lit),
  ),
  lanes: stage(
    ['signal', 'rules'],
    ['cuts', 'layout', 'sources'],
    ({ plan, cuts, layout, sources }) => lanesOf(plan, cuts, layout, sources),
  ),
  needs: stage(['signal'], ['cuts', 'lanes', 'lit', 'nodes'], ({ plan, cuts, lanes, lit, nodes }) =>
    pinNeeds(plan, cuts, lanes, lit, nodes),
  ),
  fit: stage(['signal'], ['parts', 'needs', 'lanes'], ({ plan, parts, needs, lanes }) =>
    chosenBoard(plan, parts, needs, lanes),
  ),
  plugs: stage(['rules'], ['cuts', 'lit', 'layout'], ({ plan, cuts, lit, layout }) =>
    plugTrees(plan, cuts, lit, layout),
  ),
  leads: stage(
    [...sourceFields, 'rules', 'defaults'],
    ['cuts', 'lit', 'plugs', 'layout', 'sources'],
    leadsOf,
  ),
  circuit: stage(
    [...sourceFields, 'rules', 'defaults', 'signal', 'wiring', 'units'],
    ['cuts', 'lit', 'plugs', 'nodes', 'layout', 'sources', 'volts', 'lanes', 'fit', 'leads'],
    connect,
  ),
  full: stage(
    [...sourceFields, 'rules', 'defaults', 'scene', 'limit', 'signal'],
    ['cuts', 'volts', 'leads', 'loads', 'lit', 'fit', 'lanes', 'circuit'],
    (given) => solveFeed(planNetwork(given, 'full-white'), 'full-white', given.cuts, given.leads),
  ),
  shown: stage(
    [...sourceFields, 'rules', 'defaults', 'scene', 'limit', 'signal'],
    ['cuts', 'volts', 'leads', 'loads', 'lit', 'fit', 'lanes', 'circuit', 'full'],
    (given) => {
      const { shown } = given.plan.scene
      return shown === 'full-white'
        ? given.full
        : solveFeed(planNetwork(given, shown), shown, given.cuts, given.leads)
    },
  ),
  supplies: stage(
    [...sourceFields, 'rules', 'signal'],
    ['loads', 'parts', 'volts', 'fit', 'lanes', 'lit', 'leads', 'full'],
    (given) => feedSupplies(given, given.full),
  ),
  batteries: stage(['use'], ['supplies'], ({ plan, supplies }) => batteriesOf(supplies, plan.use)),
  signal: stage(
    [...sourceFields, 'rules', 'defaults', 'scene', 'limit', 'signal'],
    ['parts', 'layout', 'sources', 'volts', 'lanes', 'needs', 'fit', 'full', 'supplies'],
    signalLevels,
  ),
  wiring: stage(
    [...sourceFields, 'signal', 'wiring'],
    ['cuts', 'circuit', 'full', 'supplies', 'leads'],
    wiringOf,
  ),
  joints: stage(['lines'], ['wiring', 'cuts', 'reels'], (given) =>
    jointsOf(given.wiring, given, given.reels),
  ),
  verdicts: stage(
    everything,
    [
      'parts',
      'measured',
      'layout',
      'sources',
      'cuts',
      'reels',
      'prewired',
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
      'shown',
      'supplies',
      'batteries',
      'signal',
      'wiring',
      'joints',
    ],
    judge,
  ),
  roll: stage(
    everything,
    [
      'parts',
      'measured',
      'layout',
      'sources',
      'cuts',
      'reels',
      'prewired',
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
      'shown',
      'supplies',
      'batteries',
      'signal',
      'wiring',
      'joints',
      'verdicts',
    ],
    rollOf,
  ),
}
