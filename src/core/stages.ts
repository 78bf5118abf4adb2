import { derived, type Derived, type StageName, type WorkedPlan } from './derived'
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
import { connect } from './route/connect'
import { leadsOf } from './route/leads'
import { plugTrees } from './route/plugs'

/** Stages that come after the figures: their code is loaded a moment later where that counts. */
export type LateName =
  | 'signal'
  | 'wiring'
  | 'joints'
  | 'steps'
  | 'schedule'
  | 'bars'
  | 'sheets'
  | 'bill'
  | 'receipt'
  | 'findings'
  | 'verdicts'

/** While somebody types the packing may not take long; the Cut page can search on where it was cut short. */
const quickPacking = { mostNodes: 2_000, mostSets: 400, mostPieces: 60 }

export const sourceFields = ['supplies', 'junctions'] as const
/** Parts of a plan that its network is made of. */
const networkFields = [
  ...sourceFields,
  'rules',
  'defaults',
  'scene',
  'limit',
  'signal',
  'wiring',
  'own',
] as const
/** All parts of a plan that figures and verdicts are made of. */
export const everything = [
  'lines',
  'defaults',
  'bench',
  'junctions',
  'supplies',
  'scene',
  'limit',
  'rules',
  'use',
  'buy',
  'signal',
  'wiring',
  'own',
  'units',
  'adjusted',
] as const

/**
 * The stages up to the supplies, in the order of the work; `late-stages` has the rest. Each reads the parts of the plan that it names and results before it; a test hands out nothing else.
 */
export const stages: {
  readonly [Name in Exclude<StageName, LateName>]: Derived<WorkedPlan[Name]>
} = {
  parts: derived(['own'], [], ({ plan }) => partsOf(plan.own)),
  measured: derived(['lines', 'defaults'], ['parts'], ({ plan, parts }) => measure(plan, parts)),
  layout: derived(['bench'], ['measured'], ({ plan, measured }) =>
    layOut(measured.runs, plan.bench),
  ),
  sources: derived([...sourceFields, 'bench'], ['layout'], ({ plan, layout }) =>
    sourcePlaces(plan, layout),
  ),
  cutRuns: derived(
    ['lines', 'defaults', 'rules'],
    ['measured', 'parts'],
    ({ plan, measured, parts }) => cut(plan, measured.runs, parts),
  ),
  prices: derived(['buy'], [], ({ plan }) => plan.buy.prices),
  reels: derived(['offcuts', 'rules'], ['cutRuns', 'prices'], ({ plan, cutRuns, prices }) =>
    cutFromReels(cutRuns, plan.offcuts, { ...plan.rules, prices }, quickPacking),
  ),
  prewired: derived([], ['cutRuns'], ({ cutRuns }) => prewiredInstead(cutRuns)),
  volts: derived([...sourceFields, 'defaults'], ['cutRuns', 'parts'], ({ plan, cutRuns, parts }) =>
    supplyVolts(plan, cutRuns, parts),
  ),
  lit: derived(
    [...sourceFields, 'rules', 'signal'],
    ['cutRuns', 'parts', 'volts'],
    ({ plan, cutRuns, parts, volts }) => litRuns(plan, cutRuns, parts, volts),
  ),
  nodes: derived([], ['measured'], ({ measured }) => nodeRuns(measured.runs)),
  loads: derived(['scene', 'limit'], ['cutRuns', 'lit'], ({ plan, cutRuns, lit }) =>
    loadRuns(plan, cutRuns, lit),
  ),
  lanes: derived(
    ['signal', 'rules'],
    ['cutRuns', 'layout', 'sources'],
    ({ plan, cutRuns, layout, sources }) => lanesOf(plan, cutRuns, layout, sources),
  ),
  needs: derived(
    ['signal'],
    ['cutRuns', 'lanes', 'lit', 'nodes'],
    ({ plan, cutRuns, lanes, lit, nodes }) => pinNeeds(plan, cutRuns, lanes, lit, nodes),
  ),
  fit: derived(['signal'], ['parts', 'needs', 'lanes'], ({ plan, parts, needs, lanes }) =>
    chosenBoard(plan, parts, needs, lanes),
  ),
  plugs: derived(['rules'], ['cutRuns', 'lit', 'layout'], ({ plan, cutRuns, lit, layout }) =>
    plugTrees(plan, cutRuns, lit, layout),
  ),
  leads: derived(
    [...sourceFields, 'rules', 'defaults', 'signal', 'own'],
    ['cutRuns', 'lit', 'plugs', 'layout', 'sources'],
    leadsOf,
  ),
  circuit: derived(
    [...sourceFields, 'rules', 'defaults', 'signal', 'wiring', 'units', 'own'],
    ['cutRuns', 'lit', 'plugs', 'nodes', 'layout', 'sources', 'volts', 'lanes', 'fit', 'leads'],
    connect,
  ),
  full: derived(
    networkFields,
    ['cutRuns', 'volts', 'leads', 'loads', 'lit', 'fit', 'lanes', 'circuit'],
    (given) =>
      solveFeed(
        planNetwork(given, 'full-white'),
        'full-white',
        given.cutRuns,
        given.leads,
        given.loads,
      ),
  ),
  unlimited: derived(
    networkFields,
    ['cutRuns', 'volts', 'leads', 'lit', 'fit', 'lanes', 'circuit', 'full'],
    (given) => {
      if (given.plan.limit === 1) return given.full
      const plan = { ...given.plan, limit: 1 }
      const loads = loadRuns(plan, given.cutRuns, given.lit)
      const network = planNetwork({ ...given, plan, loads }, 'full-white')
      return solveFeed(network, 'full-white', given.cutRuns, given.leads, loads)
    },
  ),
  shown: derived(
    networkFields,
    ['cutRuns', 'volts', 'leads', 'loads', 'lit', 'fit', 'lanes', 'circuit', 'full'],
    (given) => {
      const { shown } = given.plan.scene
      return shown === 'full-white'
        ? given.full
        : solveFeed(planNetwork(given, shown), shown, given.cutRuns, given.leads, given.loads)
    },
  ),
  supplies: derived(
    [...sourceFields, 'rules', 'signal', 'own'],
    ['loads', 'parts', 'volts', 'fit', 'lanes', 'lit', 'leads', 'full'],
    (given) => feedSupplies(given, given.full),
  ),
  batteries: derived(['use'], ['supplies'], ({ plan, supplies }) =>
    batteriesOf(supplies, plan.use),
  ),
}
