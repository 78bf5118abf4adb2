import type { History } from '../../core/plan/history'
import type { Plan } from '../../core/plan/plan'
import type { SaveResult } from './plans'

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'conflict' }
  | { readonly kind: 'failed'; readonly message: string }

type Save = (plan: Plan, history: History, revision: number) => Promise<SaveResult>

/**
 * Saves one plan after every change. What comes while a save is under way, or within its short pause before, waits, and only
 * the newest of it is saved: typing must not wait for the disk.
 */
export class PlanSaver {
  private waiting: { plan: Plan; history: History } | undefined
  private running: Promise<void> | undefined

  constructor(
    private readonly save: Save,
    /** Of what is saved last. */
    public revision: number,
    private readonly onState: (state: SaveState) => void,
    /** Settles when it is time to write. */
    private readonly pause: () => Promise<void> = () => Promise.resolve(),
  ) {}

  push(plan: Plan, history: History): void {
    this.waiting = { plan, history }
    this.retry()
  }

  /** Tries again what could not be saved. */
  retry(): void {
    this.running ??= this.run().finally(() => {
      this.running = undefined
    })
  }

  /** Settles when everything that was pushed is saved, or has failed. */
  async drained(): Promise<void> {
    await this.running
  }

  private async run(): Promise<void> {
    while (this.waiting !== undefined) {
      this.onState({ kind: 'saving' })
      await this.pause()
      const job = this.waiting
      this.waiting = undefined
      try {
        const result = await this.save(job.plan, job.history, this.revision)
        if (!result.saved) {
          this.onState({ kind: 'conflict' })
          return
        }
        this.revision = result.revision
      } catch (error) {
        this.waiting ??= job
        this.onState({
          kind: 'failed',
          message: error instanceof Error ? error.message : String(error),
        })
        return
      }
    }
    this.onState({ kind: 'saved' })
  }
}
