import { proxy, releaseProxy, wrap, type Remote } from 'comlink'
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import type { StripReels } from '../../core/cut/reels'
import type { Plan } from '../../core/plan/plan'
import type { PackingService } from '../workers/packing.worker'

/**
 * A longer search for the cheapest reels than there is time for while somebody types. It belongs to one plan: a change of the plan
 * ends it and forgets its answer.
 */
export function useDeepPacking(plan: () => Plan): {
  reels: ShallowRef<readonly StripReels[] | undefined>
  /** Sets of reels that were tried; `undefined` while no search is on. */
  progress: ShallowRef<number | undefined>
  start: () => void
  stop: () => void
} {
  const reels = shallowRef<readonly StripReels[] | undefined>()
  const progress = shallowRef<number | undefined>()
  let running: { worker: Worker; service: Remote<PackingService> } | undefined

  /** Ending the worker is the surest stop: the last answer stays on the screen. */
  function stop(): void {
    running?.service[releaseProxy]()
    running?.worker.terminate()
    running = undefined
    progress.value = undefined
  }

  function start(): void {
    stop()
    const worker = new Worker(new URL('../workers/packing.worker.ts', import.meta.url), {
      type: 'module',
      name: 'packing',
    })
    const service = wrap<PackingService>(worker)
    running = { worker, service }
    progress.value = 0
    const tell = proxy((tried: number) => {
      progress.value = tried
    })
    void service.pack(plan(), tell).then((answer) => {
      reels.value = answer
      stop()
    })
  }

  watch(plan, () => {
    stop()
    reels.value = undefined
  })
  onScopeDispose(stop)
  return { reels, progress, start, stop }
}
