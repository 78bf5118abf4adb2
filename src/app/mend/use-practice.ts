import { releaseProxy, wrap } from 'comlink'
import { onScopeDispose, ref, shallowRef, type Ref } from 'vue'
import type { Plan } from '../../core/plan/plan'
import { messageOf } from '../../core/quantity/message-of'
import type { Hidden, MendWorker, Named } from '../engine/mend.worker'
import { meterSource, type MeterSource } from './meter-source'

/** Something that was done to find the fault, with what came of it. */
export interface Move {
  readonly text: string
  readonly outcome: string
  readonly minutes: number
}

export interface PracticeState extends MeterSource {
  readonly hidden: Ref<Hidden | undefined>
  readonly named: Ref<Named | undefined>
  readonly moves: Ref<readonly Move[]>
  readonly problem: Ref<string | undefined>
  readonly isBusy: Ref<boolean>
  readonly hide: (
    plan: Plan,
    want: { readonly fault?: string | undefined; readonly kind?: string | undefined },
  ) => Promise<void>
  readonly tryOut: (id: string) => Promise<string | undefined>
  readonly nameIt: (id: string) => Promise<void>
  readonly note: (move: Move) => void
  readonly stop: () => void
}

/** A hidden fault, in a worker of its own. */
export function usePractice(): PracticeState {
  const worker = new Worker(new URL('../engine/mend.worker.ts', import.meta.url), {
    type: 'module',
    name: 'practice',
  })
  const service = wrap<MendWorker>(worker)
  const hidden = shallowRef<Hidden>()
  const named = shallowRef<Named>()
  const moves = shallowRef<readonly Move[]>([])
  const problem = ref<string>()
  const isBusy = ref(false)
  worker.addEventListener('error', ({ message }) => {
    problem.value = message || 'its worker could not be started'
  })
  onScopeDispose(() => {
    service[releaseProxy]()
    worker.terminate()
  })

  async function guarded<Answer>(work: () => Promise<Answer>): Promise<Answer | undefined> {
    isBusy.value = true
    problem.value = undefined
    try {
      return await work()
    } catch (error) {
      problem.value = messageOf(error)
      return undefined
    } finally {
      isBusy.value = false
    }
  }
  return {
    hidden,
    named,
    moves,
    problem,
    isBusy,
    hide: async (plan, want) => {
      const found = await guarded(() =>
        service.hide(plan, want, Math.floor(Math.random() * 0xffff_ffff)),
      )
      if (problem.value !== undefined) return
      named.value = undefined
      moves.value = []
      hidden.value = found
      if (found === undefined) problem.value = 'this plan has no such fault that shows'
    },
    ...meterSource(service, guarded),
    tryOut: async (id) => (await guarded(() => service.tryOut(id)))?.text,
    nameIt: async (id) => {
      named.value = await guarded(() => service.nameIt(id))
    },
    note: (move) => {
      moves.value = [...moves.value, move]
    },
    stop: () => {
      hidden.value = undefined
      named.value = undefined
      moves.value = []
    },
  }
}
