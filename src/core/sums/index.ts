import { benchLightSum } from './bench-light'
import { blendSum } from './blend'
import { cutRunSum } from './cut-run'
import { loadSum } from './load'
import { reelsSum } from './reels'
import { shapeSum } from './shape'
import type { Sum } from './sum'
import { supplySizeSum } from './supply-size'

/** Every sum there is; the command line and the page list from here. */
export const sums: readonly Sum[] = [
  shapeSum,
  cutRunSum,
  reelsSum,
  blendSum,
  benchLightSum,
  loadSum,
  supplySizeSum,
]
