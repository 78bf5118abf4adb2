import { releaseProxy, wrap } from 'comlink'
import { computed, onScopeDispose, ref, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import type { Plan } from '../../core/plan/plan'
import { messageOf } from '../../core/quantity/message-of'
import type {
  MendWorker,
  MeterPlaces,
  OpenMend,
  Ranking,
  ShownSuspect,
} from '../engine/mend.worker'
import { meterSource, type MeterSource } from './meter-source'
import { isNothing, keepCase, keptCase, noCase, type MendCase } from './mend-case'

export interface MendState {
  readonly open: Ref<OpenMend | undefined>
  readonly ranking: Ref<Ranking | undefined>
  readonly problem: Ref<string | undefined>
  readonly isRanking: Ref<boolean>
  readonly trouble: Ref<MendCase>
  readonly isEmpty: ComputedRef<boolean>
  readonly change: (next: Partial<MendCase>) => void
  readonly forget: () => void
  /** A meter on the plan. */
  readonly meter: MeterSource
  /** Holds it on the plan with these faults in it, or with none. */
  readonly suppose: (faults: readonly string[]) => Promise<MeterPlaces | undefined>
  /** What faults look like at the same time. */
  readonly together: (faults: readonly string[]) => Promise<ShownSuspect['look'] | undefined>
}

/** Follows a plan and what is seen of it in a worker of its own: suspects and the next test. */
export function useMend(id: () => string | undefined, plan: () => Plan | undefined): MendState {
  const worker = new Worker(new URL('../engine/mend.worker.ts', import.meta.url), {
    type: 'module',
    name: 'mend',
  })
  const service = wrap<MendWorker>(worker)
  const open = shallowRef<OpenMend>()
  const ranking = shallowRef<Ranking>()
  const problem = ref<string>()
  const isRanking = ref(false)
  const trouble = shallowRef<MendCase>(noCase())
  let isGone = false
  worker.addEventListener('error', ({ message }) => {
    problem.value = message || 'its worker could not be started'
  })

  let generation = 0
  async function load(own: Plan): Promise<void> {
    const mine = (generation += 1)
    const isOver = (): boolean => mine !== generation || isGone
    try {
      const opened = await service.open(own)
      if (isOver()) return
      open.value = opened
      problem.value = undefined
      await rank()
      // The likeliest are ranked already; the others come in while it is looked at.
      for (let { done } = opened; done < 1;) {
        const next = await service.goOn()
        if (isOver()) return
        done = next.done
        open.value = { ...opened, ...next }
      }
      if (opened.done < 1) await rank()
    } catch (error) {
      problem.value = messageOf(error)
    }
  }
  let asked = 0
  async function rank(): Promise<void> {
    if (open.value === undefined) return
    const mine = (asked += 1)
    isRanking.value = true
    try {
      const answer = await service.rank(trouble.value.seen, trouble.value.skipped)
      if (mine === asked && !isGone) ranking.value = answer
    } catch (error) {
      problem.value = messageOf(error)
    } finally {
      if (mine === asked) isRanking.value = false
    }
  }

  async function guarded<Answer>(work: () => Promise<Answer>): Promise<Answer | undefined> {
    try {
      return await work()
    } catch (error) {
      problem.value = messageOf(error)
      return undefined
    }
  }

  watch(
    id,
    (own) => {
      if (own !== undefined) trouble.value = keptCase(own)
    },
    { immediate: true },
  )
  watch(
    plan,
    (own) => {
      if (own !== undefined) void load(own)
    },
    { immediate: true },
  )
  watch(trouble, (next) => {
    const own = id()
    if (own === undefined) return
    keepCase(own, next)
    void rank()
  })
  onScopeDispose(() => {
    isGone = true
    service[releaseProxy]()
    worker.terminate()
  })
  return {
    open,
    ranking,
    problem,
    isRanking,
    trouble,
    isEmpty: computed(() => isNothing(trouble.value)),
    change: (next) => {
      trouble.value = { ...trouble.value, ...next }
    },
    forget: () => {
      trouble.value = noCase()
    },
    meter: meterSource(service, guarded),
    suppose: (faults) => guarded(() => service.suppose(faults)),
    together: (faults) => guarded(() => service.together(faults)),
  }
}
