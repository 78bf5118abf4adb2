import { batterySum } from './battery'
import { benchLightSum } from './bench-light'
import { blendSum } from './blend'
import { cutRunSum } from './cut-run'
import { energySum } from './energy'
import { firstPixelDiodeSum } from './first-pixel-diode'
import { frameTimeSum } from './frame-time'
import { fuseSum } from './fuse'
import { linearRegulatorSum } from './linear-regulator'
import { loadSum } from './load'
import { logicLevelSum } from './logic-level'
import { matrixSum } from './matrix'
import { npnSwitchSum } from './npn-switch'
import { reelsSum } from './reels'
import { resistorSum } from './resistor'
import { shapeSum } from './shape'
import type { Sum } from './sum'
import { supplySizeSum } from './supply-size'
import { warmthSum } from './warmth'
import { wireSum } from './wire'

/** Every sum there is, in the order of the work; the command line and the page list from here. */
export const sums: readonly Sum[] = [
  shapeSum,
  cutRunSum,
  reelsSum,
  loadSum,
  supplySizeSum,
  wireSum,
  fuseSum,
  linearRegulatorSum,
  batterySum,
  energySum,
  warmthSum,
  logicLevelSum,
  firstPixelDiodeSum,
  frameTimeSum,
  resistorSum,
  npnSwitchSum,
  matrixSum,
  blendSum,
  benchLightSum,
]
