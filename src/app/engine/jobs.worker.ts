import './as-written-here'
import { expose } from 'comlink'
import { meterAt } from '../../core/build/meter-at'
import { stepsOnPaper, type PaperSteps } from '../../core/build/on-paper'
import type { MeterAt } from './parts'
import { putRight, type PutRight } from '../../core/choose/put-right'
import { withWhatIHave, type HaveUse } from '../../core/choose/what-i-have'
import { whatIf, valuesAround, type WhatIf } from '../../core/choose/what-if'
import { cutFromReels, type StripReels } from '../../core/cut/reels'
import { engineOf, worked } from '../../core/worked'
import { planFeeds, type FeedGoal, type FeedPlan } from '../../core/feed/planner'
import { candidatesFor, compare, type Candidate } from '../../core/choose/compare'
import type { DrawerItem } from '../../core/buy/drawer'
import type { Strip } from '../../core/plan/parts'
import type { ShowBoard } from '../../core/glow/board-needs'
import { showCells, showDay, type ShowCells, type ShowDay } from '../../core/glow/day'
import type { Flashing } from '../../core/glow/flashing'
import {
  playSteps,
  readyShow,
  showFlashes,
  watchFlashes,
  type Played,
  type ShowRun,
} from '../../core/glow/play'
import type { Plan, Show } from '../../core/plan/plan'
import { judgeShow, showVerdicts } from '../../core/verdict/judge-show'
import type { Verdict } from '../../core/verdict/verdict'
import { csv } from '../../formats/csv'
import { framesTable } from '../../formats/csv-frames'
import { planLinkC, planShowC } from '../../formats/exports'
import { planBook } from '../../formats/pdf-book'
import type { PdfPages } from '../../formats/pdf-pages'
import { planNetlist } from '../../formats/spice'
import { drawingSvg, scaledDrawing, type ScaledDrawing } from '../../formats/svg-drawing'
import { factsOf, workOf, type PlanFacts } from './plan-facts'

/** A show as it was played, and what is wrong with it. */
export interface ShowResults {
  readonly played: Played
  readonly verdicts: readonly Verdict[]
  readonly board: ShowBoard | undefined
  readonly day: ShowDay
  readonly cells: readonly ShowCells[]
}

/** How a show flashes, then what it comes to, its verdicts without remedies until those have been tried. */
export interface EarlyShow {
  readonly flashing: Flashing
  readonly results?: ShowResults
}

/** Jobs that take longer than a key stroke. They end with their worker when an edit supersedes them. */
const service = {
  /** Searches on for the cheapest reels; `tell` hears how many sets of reels were tried. */
  pack(plan: Plan, tell: (tried: number) => void): StripReels[] {
    return cutFromReels(
      worked(plan).cutRuns,
      plan.offcuts,
      { ...plan.rules, ...plan.buy },
      {
        mostNodes: 2_000_000,
        mostSets: 20_000,
        onSet: (tried) => {
          if (tried % 5 === 0) tell(tried)
          return false
        },
      },
    )
  },
  /** Looks for feeds that reach a goal; `tell` hears the share that is done. */
  planFeeds: (plan: Plan, goal: FeedGoal, tell: (done: number) => void): FeedPlan =>
    planFeeds(worked(plan), goal, (done) => {
      tell(done)
      return false
    }),
  /** The plan at many values of one measure. */
  whatIf: (plan: Plan, lineId: string, dimension: number): WhatIf[] =>
    whatIf(plan, lineId, dimension, valuesAround(plan, lineId, dimension)),
  /** The plan with each other strip in the place of its own, those that are kept for every plan too; `tell` hears of each as it is done. */
  compare(
    plan: Plan,
    kept: readonly Strip[],
    tell: (one: Candidate, done: number) => void,
  ): number {
    const strips = candidatesFor(plan, kept)
    let done = 0
    for (const one of compare(plan, strips)) {
      done += 1
      tell(one, done / strips.length)
    }
    return strips.length
  },
  /** What of the drawer would do; `tell` hears of each as it is worked out. */
  haveUses(
    plan: Plan,
    items: readonly (DrawerItem & { readonly id: string })[],
    tell: (one: HaveUse, done: number) => void,
  ): number {
    let done = 0
    for (const one of withWhatIHave(plan, items)) tell(one, (done += 1))
    return done
  },
  /** Remedies that leave no stop; `tell` hears how many verdicts are left. */
  putRight(plan: Plan, tell: (left: number) => void): PutRight {
    const search = putRight(engineOf(plan))
    for (;;) {
      const { done, value } = search.next()
      if (done === true) return value
      tell(value)
    }
  },
  /** What the meter should say after a step. */
  meter(plan: Plan, id: string): MeterAt | undefined {
    const results = worked(plan)
    const { steps } = results.schedule
    const step = steps.find((one) => one.id === id)
    return step && { step: id, expected: meterAt(results, steps, step) }
  },
  /** How a show flashes, before it is looked at. */
  flashing(plan: Plan, show: Show, run: ShowRun): Flashing {
    const given = worked(plan)
    return showFlashes(given, show, watchFlashes(readyShow(given, show), run), run)
  },
  /** Plays a show. `tell` hears the share that is done, `early` what it comes to; the answer is its verdicts, with remedies that were tried. */
  show(
    plan: Plan,
    show: Show,
    run: ShowRun,
    tell: (done: number) => void,
    early: (answer: EarlyShow) => void,
  ): readonly Verdict[] {
    const given = worked(plan)
    const playing = playSteps(given, show, run)
    let step = playing.next()
    for (; step.done !== true; step = playing.next()) {
      const { done, flashing } = step.value
      if (done === 0) early({ flashing })
      else tell(done * 0.7)
    }
    const whole = step.value
    const { played } = whole
    const day = showDay(given, show, whole)
    early({
      flashing: whole.flashing,
      results: {
        played,
        board: whole.board,
        day,
        cells: showCells(given.supplies, whole, day),
        verdicts: judgeShow(show, whole),
      },
    })
    const judging = showVerdicts(given, show, { whole, run, workOut: worked })
    let judged = judging.next()
    for (; judged.done !== true; judged = judging.next())
      tell(0.7 + 0.3 * (1 - 0.8 ** judged.value))
    return judged.value
  },
  /** A show as C for the board; `undefined` where the plan has nothing to play it on. */
  showC: (plan: Plan, show: Show): string | undefined => planShowC(plan, show),
  linkC: (plan: Plan): string | undefined => planLinkC(plan),
  /** What is sent frame by frame, as CSV. */
  showFrames: (plan: Plan, show: Show, run: ShowRun): string =>
    csv(framesTable(worked(plan), show, run)),
  /** The drawing as SVG, and the feed as a netlist. */
  drawing: (plan: Plan): string => drawingSvg(plan),
  /** … at a scale that fits one sheet of paper. */
  scaledDrawing: (
    plan: Plan,
    sheet: Parameters<typeof scaledDrawing>[1],
    wanted?: number,
  ): ScaledDrawing => scaledDrawing(plan, sheet, wanted),
  netlist: (plan: Plan): string => planNetlist(plan),
  /** Everything for the bench, as the pages of one document. */
  book: (plan: Plan): PdfPages => planBook(plan),
  /** The steps with what is read at each, as they are printed. */
  stepsOnPaper: (plan: Plan): PaperSteps => stepsOnPaper(worked(plan)),
  /** What the shelf shows of a plan. */
  facts(plan: Plan): PlanFacts {
    const results = worked(plan)
    return { ...factsOf(results), work: workOf(results) }
  },
}

export type JobService = typeof service

expose(service)
