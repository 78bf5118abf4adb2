import nook from '../../../demo/bay-window-nook.json'
import harbour from '../../../demo/toy-harbour.json'
import fireflies from '../../../demo/firefly-jar.json'
import lanterns from '../../../demo/paper-lanterns.json'
import moon from '../../../demo/pegboard-moon.json'
import jars from '../../../demo/wall-of-jars.json'
import wardrobe from '../../../demo/wardrobe-rails.json'
import nookDrawer from '../../../demo/drawer/nook.json'
import type { DrawerItem } from '../../core/buy/drawer'
import type { Plan } from '../../core/plan/plan'
import type { FirstVisit } from '../storage/plans'

/**
 * The demos as they ship. They need no checker on the way to the first view: tests read each of them as a file and find it the same. The
 * last one is put on the shelf last, and so is the one that opens.
 */
export const plans = [
  jars,
  harbour,
  fireflies,
  lanterns,
  wardrobe,
  moon,
  nook,
] as unknown as readonly Plan[]

/** What a first visit finds where the examples are wanted. */
export const firstVisit: FirstVisit = {
  plans,
  areExamples: true,
  // What lies in the drawer of whoever built the nook.
  drawer: nookDrawer.items as readonly DrawerItem[],
  photos: [
    {
      id: 'nook-start',
      plan: nook.name,
      url: new URL('../../../demo/photos/nook-start.jpg', import.meta.url).href,
    },
  ],
}
