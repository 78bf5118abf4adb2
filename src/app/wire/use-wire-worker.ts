import { wrap } from 'comlink'
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import type { Plan } from '../../core/plan/plan'
import { latestWins } from '../workers/latest'
import type { WireService } from '../workers/wire.worker'

/** What the wiring worker makes of the plan, anew with every change; the last answer stays until then. */
export function useWireWorker<Answer>(
  plan: () => Plan | undefined,
  ask: (service: ReturnType<typeof wrap<WireService>>, plan: Plan) => Promise<Answer>,
): { answer: ShallowRef<Answer | undefined>; problem: ShallowRef<string | undefined> } {
  const worker = new Worker(new URL('../workers/wire.worker.ts', import.meta.url), {
    type: 'module',
    name: 'wire',
  })
  const service = wrap<WireService>(worker)
  const answer = shallowRef<Answer>()
  const problem = shallowRef<string>()
  type Told =
    { readonly ok: true; readonly value: Answer } | { readonly ok: false; readonly message: string }
  const request = latestWins<Plan, Told>(
    async (job) => {
      try {
        return { ok: true, value: await ask(service, job) }
      } catch (error) {
        return { ok: false, message: error instanceof Error ? error.message : String(error) }
      }
    },
    (told) => {
      problem.value = told.ok ? undefined : told.message
      if (told.ok) answer.value = told.value
    },
  )
  watch(
    plan,
    (next) => {
      if (next !== undefined) request(next)
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    worker.terminate()
  })
  return { answer, problem }
}
