import { proxy, type Remote } from 'comlink'
import { shallowRef, watch, type ShallowRef } from 'vue'
import type { Plan } from '../../core/plan/plan'
import type { JobService } from './jobs.worker'
import { useJob, type Job } from './use-job'

/** A long job that finds one thing after another. */
export interface Finds<Found> extends Pick<Job<number, []>, 'progress' | 'problem' | 'stop'> {
  /** What it has found so far for the present plan. */
  readonly found: ShallowRef<readonly Found[]>
  readonly start: () => void
}

/**
 * A long job that tells what it finds as it goes: begun at once, and again whenever the plan changes.
 *
 * @param onRestart hears that what was found is of the plan before
 */
export function useFinds<Found extends object>(
  plan: () => Plan,
  work: (
    service: Remote<JobService>,
    plan: Plan,
    tell: (one: Found, done: number) => void,
  ) => Promise<number>,
  onRestart: () => void = () => undefined,
): Finds<Found> {
  const found = shallowRef<readonly Found[]>([])
  const { progress, problem, start, stop } = useJob(plan, (service, own, tell) => {
    found.value = []
    return work(
      service,
      own,
      proxy((one: Found, done: number) => {
        found.value = [...found.value, one]
        tell(done)
      }),
    )
  })
  start()
  watch(plan, () => {
    found.value = []
    onRestart()
    start()
  })
  return { found, progress, problem, start, stop }
}
