import { wrap } from 'comlink'
import { onScopeDispose, shallowRef, type ShallowRef } from 'vue'
import type { SumCard } from '../../core/sums/sum'
import type { SumService } from '../engine/sum.worker'

/** The sums' worker, and their cards as soon as it has told them. */
export function useSums(): {
  service: ReturnType<typeof wrap<SumService>>
  cards: ShallowRef<readonly SumCard[]>
} {
  const worker = new Worker(new URL('../engine/sum.worker.ts', import.meta.url), {
    type: 'module',
    name: 'sums',
  })
  const service = wrap<SumService>(worker)
  const cards = shallowRef<readonly SumCard[]>([])
  void service.cards().then((loaded) => {
    cards.value = loaded
  })
  onScopeDispose(() => {
    worker.terminate()
  })
  return { service, cards }
}
