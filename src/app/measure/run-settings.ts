import { computed, type ComputedRef } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import { mounted, type Mounted } from '../../core/parts/mounted'
import type { OwnProfiles } from '../../core/parts/profiles'
import type { LineSettings } from '../../core/plan/commands'
import type { Mount } from '../../core/plan/plan'
import { withSet, type Settable } from '../../core/plan/with-set'
import { usePlanStore } from '../stores/plan'

/** Sets what hangs on a run's line; `what` names it in the history. */
export function useRunSettings(run: () => MeasuredRun): {
  /** The parts of the plan's own that it is mounted with. */
  readonly own: ComputedRef<OwnProfiles>
  readonly mount: ComputedRef<Mounted>
  readonly set: (values: LineSettings, what: string) => void
  readonly setMount: (values: Settable<Mount>, what: string) => void
} {
  const store = usePlanStore()
  function set(values: LineSettings, what: string): void {
    const { id, name } = run()
    store.commit([{ do: 'set-lines', lines: [id], set: values }], {
      label: `${what} of ${name}`,
      key: `mount.${what}.${id}`,
    })
  }
  const own = computed((): OwnProfiles => store.plan?.own ?? { profiles: [] })
  return {
    own,
    mount: computed(() => mounted(own.value, run().line.mount)),
    set,
    setMount: (values, what) => {
      set({ mount: withSet(run().line.mount ?? {}, values) }, what)
    },
  }
}
