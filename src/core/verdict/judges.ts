import {
  againstArrow,
  boardQuirk,
  dataResistor,
  diodeSmall,
  levels,
  longData,
  longHops,
} from './level'
import {
  backFeed,
  boardFeed,
  memory,
  pinKind,
  pinsShort,
  sensorsOver,
  serialPin,
  slowFrames,
} from './board'
import { offMark, spliceShows } from './cutting'
import { fade, notFed, uneven } from './fading'
import { gapShows } from './gap-shows'
import { grades, verdictKinds } from './kinds'
import { once } from '../quantity/once'
import {
  boardPinsOver,
  lightPinsOver,
  lightResistors,
  matrixFlicker,
  commonLeg,
  sharedResistor,
  sinkOver,
  switchDrive,
  switchInPlus,
} from './lights'
import { mountingJudges } from './mounting'
import { nameplate } from './nameplate'
import { glands, mainsNear, worn } from './place'
import { leadOver, leadShort, nodesApart, plugHole, portsShort } from './plugs'
import { batteries, capacitor, hotStrip, over100Watt, regulatorHot } from './sources'
import { statusColours } from './status'
import { stockShort } from './stock-short'
import { supplyLoad } from './supply-load'
import type { Evidence, Judge, JudgedFinding, JudgedVerdict } from './verdict'
import { figuresAdjusted } from './figures-adjusted'
import { fuseBlind } from './fuse-blind'
import { switchOver } from './switch-over'
import { voltsDiffer } from './volts-differ'
import { voltsOver } from './volts-over'
import { connectorOver, copperHot, fuses, joinedSupplies, leadHot, trackOver } from './wiring'
import { boxSmall } from './box-small'
import { whitesDiffer } from './whites-differ'
import { wrongEnd } from './wrong-end'

const judges: readonly Judge[] = [
  figuresAdjusted,
  voltsDiffer,
  voltsOver,
  notFed,
  supplyLoad,
  regulatorHot,
  switchOver,
  batteries,
  fade,
  uneven,
  leadHot,
  fuses,
  fuseBlind,
  trackOver,
  connectorOver,
  copperHot,
  joinedSupplies,
  hotStrip,
  capacitor,
  over100Watt,
  offMark,
  ...mountingJudges,
  glands,
  worn,
  mainsNear,
  whitesDiffer,
  wrongEnd,
  boxSmall,
  gapShows,
  spliceShows,
  stockShort,
  nameplate,
  levels,
  longData,
  longHops,
  dataResistor,
  againstArrow,
  diodeSmall,
  boardQuirk,
  pinsShort,
  pinKind,
  serialPin,
  sensorsOver,
  boardFeed,
  backFeed,
  slowFrames,
  memory,
  lightResistors,
  commonLeg,
  sharedResistor,
  boardPinsOver,
  lightPinsOver,
  switchInPlus,
  switchDrive,
  matrixFlicker,
  sinkOver,
  leadShort,
  nodesApart,
  leadOver,
  plugHole,
  portsShort,
  statusColours,
]

/** What is found of a plan, the gravest first. */
export const judge = (evidence: Evidence): JudgedFinding[] =>
  judges
    .flatMap((one) => one(evidence))
    .map(({ remedies, ...finding }) => ({
      ...finding,
      page: verdictKinds[finding.code].page,
      section: verdictKinds[finding.code].section,
      remedies: once(() => (typeof remedies === 'function' ? remedies() : remedies)),
    }))
    .toSorted((a, b) => grades.indexOf(a.grade) - grades.indexOf(b.grade))

/** Every verdict on a plan with what its judge proposes. */
export const withRemedies = (findings: readonly JudgedFinding[]): JudgedVerdict[] =>
  findings.map((finding) => ({ ...finding, remedies: finding.remedies() }))
