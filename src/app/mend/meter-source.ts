import type { Remote } from 'comlink'
import type { OpenPlace } from '../../core/mend/meter'
import type { TipPlace } from '../../core/mend/tips'
import type { MendWorker } from '../engine/mend.worker'

/** What a meter reads in a plan, wherever it is held. */
export interface MeterSource {
  readonly hold: (
    mode: 'V' | 'Ω',
    red: TipPlace,
    black: TipPlace,
    isBright: boolean,
  ) => Promise<number | null | undefined>
  readonly through: (open: OpenPlace, isBright: boolean) => Promise<number | undefined>
  /** Tips on both rails beside a pixel of a tape. */
  readonly tape: (run: string, pixel: number) => ReturnType<Remote<MendWorker>['tape']>
  /** The diagram of the plan, and the tip on each of its terminals. */
  readonly diagram: () => ReturnType<Remote<MendWorker>['diagram']>
}

/** @param guarded tells of what fails */
export const meterSource = (
  service: Remote<MendWorker>,
  guarded: <Answer>(work: () => Promise<Answer>) => Promise<Answer | undefined>,
): MeterSource => ({
  hold: (mode, red, black, isBright) =>
    guarded(() => service.hold(mode, red, black, isBright ? 'bright' : 'idle')),
  through: (open, isBright) => guarded(() => service.through(open, isBright ? 'bright' : 'idle')),
  tape: (run, pixel) => service.tape(run, pixel),
  diagram: () => service.diagram(),
})
