import type { Plan, SupplySlot } from '../plan/plan'

/** A further supply for the plan, picked by itself, under the next free letter: Supply B, C … */
export function nextSupply({ supplies }: Pick<Plan, 'supplies'>): SupplySlot {
  const taken = new Set(supplies.map((slot) => slot.id))
  for (let index = 1; ; index += 1) {
    const letter = index < 26 ? String.fromCharCode(65 + index) : String(index + 1)
    const id = `supply-${letter.toLowerCase()}`
    if (!taken.has(id)) return { id, name: `Supply ${letter}`, part: 'auto' }
  }
}
