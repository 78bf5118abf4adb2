import type { Plan } from '../plan/plan'
import { addLights, addNodes, addReels } from './bill-light'
import { Bill, sumOf, type BillGiven, type BillLine } from './bill-lines'
import { addBars, addBoxes, addFixing, addSealing, addSheets } from './bill-mounting'
import { addBoard, addDrives, addJunctions, addSupplies } from './bill-power'
import { addJointParts, addWires } from './bill-wire'

/**
 * Everything that has to be had for a plan, each thing once, whichever stages need it (handbook 10). A thing that the diagram, the joints, the
 * mounts or the nodes name is on it.
 */
export function billOf(given: BillGiven): BillLine[] {
  const bill = new Bill(given.plan.rules.spare)
  addReels(bill, given)
  addLights(bill, given)
  addSupplies(bill, given)
  addJunctions(bill, given)
  addBoard(bill, given)
  addDrives(bill, given)
  addWires(bill, given)
  addJointParts(bill, given)
  addSealing(bill, given)
  addFixing(bill, given)
  addBars(bill, given)
  addSheets(bill, given)
  addBoxes(bill, given)
  addNodes(bill, given)
  addOwn(bill, given.plan)
  return bill.all()
}

function addOwn(bill: Bill, { buy }: Plan): void {
  for (const { id, name, need, unit, price = null } of buy.lines)
    bill.settled.push({
      id: `own.${id}`,
      group: 'own',
      name,
      unit,
      need,
      ...sumOf([{ name: 'as you say', value: need, unit: unit === 'm' ? 'm' : '' }], 0),
      rule: 'your own line',
      packs: [{ size: 1, price }],
      have: 0,
      for: [],
      page: 'buy',
    })
}
