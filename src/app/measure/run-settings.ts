import type { MeasuredRun } from '../../core/measure/measure'
import type { LineSettings } from '../../core/plan/commands'
import type { Mount } from '../../core/plan/plan'
import { withSet, type Settable } from '../../core/plan/with-set'
import { usePlanStore } from '../stores/plan'

/** Sets what hangs on a run's line; `what` names it in the history. */
export function useRunSettings(run: () => MeasuredRun): {
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
  return {
    set,
    setMount: (values, what) => {
      set({ mount: withSet(run().line.mount ?? {}, values) }, what)
    },
  }
}
