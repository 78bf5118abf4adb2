import nook from '../../../demo/bay-window-nook.json'
import harbour from '../../../demo/toy-harbour.json'
import fireflies from '../../../demo/firefly-jar.json'
import lanterns from '../../../demo/paper-lanterns.json'
import moon from '../../../demo/pegboard-moon.json'
import jars from '../../../demo/wall-of-jars.json'
import wardrobe from '../../../demo/wardrobe-rails.json'
import nookDrawer from '../../../demo/drawer/nook.json'
import { readDrawer } from '../../formats/drawer-file'
import { readPlan } from '../../formats/plan-file'
import type { FirstVisit } from '../storage/plans'

/** The last one is put on the shelf last, and so is the one that opens. */
export const plans = [jars, harbour, fireflies, lanterns, wardrobe, moon, nook].flatMap(
  (document) => {
    const read = readPlan(document)
    return read.ok ? [read.plan] : []
  },
)

const read = readDrawer(nookDrawer)

/** What a first visit finds where the examples are wanted. */
export const firstVisit: FirstVisit = {
  plans,
  areExamples: true,
  // What lies in the drawer of whoever built the nook.
  drawer: read.ok ? read.items : [],
  photos: [
    {
      id: 'nook-start',
      plan: nook.name,
      url: new URL('../../../demo/photos/nook-start.jpg', import.meta.url).href,
    },
  ],
}
