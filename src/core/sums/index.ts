import { batterySum } from './battery'
import { benchLightSum } from './bench-light'
import { blendSum } from './blend'
import { clipsSum } from './clips'
import { cutRunSum } from './cut-run'
import { energySum } from './energy'
import { exposureSum } from './exposure'
import { firstPixelDiodeSum } from './first-pixel-diode'
import { flashSum } from './flash'
import { frameTimeSum } from './frame-time'
import { fuseSum } from './fuse'
import { linearRegulatorSum } from './linear-regulator'
import { loadSum } from './load'
import { logicLevelSum } from './logic-level'
import { matrixSum } from './matrix'
import { npnSwitchSum } from './npn-switch'
import { packsSum } from './packs'
import { profileCutSum } from './profile-cut'
import { reelsSum } from './reels'
import { resistorSum } from './resistor'
import { shapeSum } from './shape'
import { solarSum } from './solar'
import type { Sum } from './sum'
import { supplySizeSum } from './supply-size'
import { visitsSum } from './visits'
import { warmthSum } from './warmth'
import { wireSum } from './wire'

/** Every sum there is, in the order of the work; the command line and the page list from here. */
export const sums: readonly Sum[] = [
  shapeSum,
  cutRunSum,
  reelsSum,
  profileCutSum,
  packsSum,
  clipsSum,
  loadSum,
  supplySizeSum,
  wireSum,
  fuseSum,
  linearRegulatorSum,
  batterySum,
  energySum,
  visitsSum,
  solarSum,
  warmthSum,
  logicLevelSum,
  firstPixelDiodeSum,
  frameTimeSum,
  resistorSum,
  npnSwitchSum,
  matrixSum,
  blendSum,
  benchLightSum,
  exposureSum,
  flashSum,
]
