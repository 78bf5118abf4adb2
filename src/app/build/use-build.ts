import { useIntervalFn, useNow } from '@vueuse/core'
import { computed, watch, type ComputedRef, type Ref } from 'vue'
import { logOf, progressOf, type Progress } from '../../core/build/progress'
import type { Step } from '../../core/build/step'
import type { LogEntry, Plan } from '../../core/plan/plan'
import type { BuildOrder } from '../../core/build/order'
import type { MeterAt } from '../engine/parts'
import { useJob } from '../engine/use-job'
import { useAddress } from '../shell/address'
import { usePlanStore } from '../stores/plan'
import { usePart } from '../stores/use-parts'

export interface Build {
  readonly order: ComputedRef<BuildOrder | undefined>
  readonly progress: ComputedRef<Progress | undefined>
  readonly log: ComputedRef<ReadonlyMap<string, LogEntry>>
  /** The step that is shown: the one that is due, or another that was chosen. */
  readonly step: ComputedRef<Step | undefined>
  readonly chosen: Ref<string | undefined>
  readonly meter: ComputedRef<MeterAt['expected'] | undefined>
  /** Why that could not be worked out for the step that is shown. */
  readonly meterProblem: Ref<string | undefined>
  readonly askMeter: () => void
  /** Notes something at a step; what was noted of it before stays. */
  readonly note: (step: Step, set: Partial<LogEntry>, label: string) => void
}

/** A step's entry before anything is noted of it. */
const freshEntry = ({ id, kind, title }: Step): LogEntry => ({
  step: id,
  kind,
  title,
  state: 'open',
  minutes: 0,
  trouble: [],
  readings: [],
  photos: [],
})

/** The build of the open plan: its order, how far it is, and the step at hand. */
export function useBuild(plan: () => Plan | undefined): Build {
  const store = usePlanStore()
  const [order, meterNext] = [usePart('build'), usePart('meter')]
  const now = useNow({ scheduler: (tick) => useIntervalFn(tick, 15_000) })
  const log = computed(() => {
    const own = plan()
    return own === undefined ? new Map<string, LogEntry>() : logOf(own)
  })
  const progress = computed(() => {
    const own = plan()
    return own === undefined || order.value === undefined
      ? undefined
      : progressOf(own, order.value.steps, now.value.getTime())
  })
  const picked = useAddress<string | undefined>('step', undefined)
  const step = computed(() => {
    const steps = order.value?.steps ?? []
    return steps.find(({ id }) => id === picked.value) ?? progress.value?.next ?? steps.at(-1)
  })
  const asked = useJob(
    () => store.plan as Plan,
    (service, current, _tell, id: string) => service.meter(current, id),
  )
  // The step that is due comes with the plan; of another the other worker is asked.
  const askMeter = (): void => {
    const [id, due] = [step.value?.id, meterNext.value?.step]
    if (id !== undefined && due !== undefined && id !== due && asked.result.value?.step !== id)
      asked.start(id)
  }
  watch([() => step.value?.id, () => meterNext.value?.step, () => order.value], askMeter)
  return {
    order,
    progress,
    log,
    step,
    chosen: picked,
    meter: computed(() => {
      const id = step.value?.id
      return [meterNext.value, asked.result.value].find((one) => one?.step === id)?.expected
    }),
    meterProblem: asked.problem,
    askMeter,
    note: (of, set, label) => {
      const entry = { ...freshEntry(of), ...log.value.get(of.id), ...set, title: of.title }
      store.commit([{ do: 'log-step', entry, joints: of.joints }], { label })
    },
  }
}
