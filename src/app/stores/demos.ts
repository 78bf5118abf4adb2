import nook from '../../../demo/bay-window-nook.json'
import dolls from '../../../demo/doll-house.json'
import fireflies from '../../../demo/firefly-jar.json'
import lanterns from '../../../demo/paper-lanterns.json'
import moon from '../../../demo/pegboard-moon.json'
import table from '../../../demo/tea-table.json'
import wardrobe from '../../../demo/wardrobe-rails.json'
import { readPlan } from '../../formats/plan-file'

/** The last one is put on the shelf last, and so is the one that opens. */
export const demos = [table, dolls, fireflies, lanterns, wardrobe, moon, nook].flatMap(
  (document) => {
    const read = readPlan(document)
    return read.ok ? [read.plan] : []
  },
)
