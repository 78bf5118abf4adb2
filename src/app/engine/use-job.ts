import { messageOf } from '../../core/quantity/message-of'
import { proxy, type Remote } from 'comlink'
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import type { Plan } from '../../core/plan/plan'
import { endJobs, startJobs, type Jobs } from './jobs'
import type { JobService } from './jobs.worker'

export interface Job<Result, Options extends readonly unknown[]> {
  /** The last answer; it stays until it is for another plan. */
  readonly result: ShallowRef<Result | undefined>
  /** What the job told last of how far it is; `undefined` while none is on. */
  readonly progress: ShallowRef<number | undefined>
  /** Why the last job failed. */
  readonly problem: ShallowRef<string | undefined>
  readonly start: (...options: Options) => void
  readonly stop: () => void
}

/**
 * A long job on the open plan, in the worker for such jobs. A change of the plan ends it, and so does leaving the page: ending its worker
 * is the surest stop. A job that fails says so and leaves nothing busy.
 */
export function useJob<Result, Options extends readonly unknown[]>(
  plan: () => Plan,
  work: (
    service: Remote<JobService>,
    plan: Plan,
    tell: (progress: number) => void,
    ...options: Options
  ) => Promise<Result>,
): Job<Result, Options> {
  const result = shallowRef<Result>()
  const progress = shallowRef<number>()
  const problem = shallowRef<string>()
  let running: Jobs | undefined

  function stop(): void {
    if (running !== undefined) endJobs(running)
    running = undefined
    progress.value = undefined
  }

  function start(...options: Options): void {
    stop()
    const own = startJobs()
    running = own
    progress.value = 0
    problem.value = undefined
    const fail = (message: string): void => {
      if (running !== own) return
      problem.value = message
      stop()
    }
    own.worker.addEventListener('error', ({ message }) => {
      fail(message || 'its worker could not be started')
    })
    const tell = proxy((done: number) => {
      if (running === own) progress.value = done
    })
    work(own.service, plan(), tell, ...options).then(
      (answer) => {
        if (running !== own) return
        result.value = answer
        stop()
      },
      (error: unknown) => {
        fail(messageOf(error))
      },
    )
  }

  watch(plan, () => {
    stop()
    result.value = undefined
    problem.value = undefined
  })
  onScopeDispose(stop)
  return { result, progress, problem, start, stop }
}
