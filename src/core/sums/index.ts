import { cutRunSum } from './cut-run'
import { loadSum } from './load'
import { shapeSum } from './shape'
import type { Sum } from './sum'
import { supplySizeSum } from './supply-size'

/** Every sum there is; the command line and the page list from here. */
export const sums: readonly Sum[] = [shapeSum, cutRunSum, loadSum, supplySizeSum]
