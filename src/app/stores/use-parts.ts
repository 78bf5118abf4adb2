import { computed, onScopeDispose, type ComputedRef } from 'vue'
import type { PartName, PlanParts } from '../engine/parts'
import { usePlanStore } from './plan'

/** A part of the tally that only some pages show: asked for while the component is there, `undefined` until it has come. */
export function usePart<Part extends PartName>(
  part: Part,
): ComputedRef<PlanParts[Part] | undefined> {
  const store = usePlanStore()
  onScopeDispose(store.want(part))
  return computed(() => store.tally?.[part] as PlanParts[Part] | undefined)
}
