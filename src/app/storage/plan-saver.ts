import { messageOf } from '../../core/quantity/message-of'
import type { History } from '../../core/plan/history'
import type { Plan } from '../../core/plan/plan'
import type { SaveResult } from './plans'

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  /** Another tab has saved since, or has deleted the plan. */
  | { readonly kind: 'conflict'; readonly why: 'newer' | 'deleted' }
  | { readonly kind: 'failed'; readonly message: string }

/** A state of the plan with its steps back. */
export interface Unsaved {
  readonly plan: Plan
  readonly history: History
}

type Save = (plan: Plan, history: History, revision: number) => Promise<SaveResult>

/**
 * Saves one plan after every change. What comes while a save is under way, or within its short pause before, waits, and only
 * the newest of it is saved: typing must not wait for the disk.
 */
export class PlanSaver {
  private waiting: Unsaved | undefined
  private writing: Unsaved | undefined
  private running: Promise<void> | undefined
  private hurry: () => void = () => undefined

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

  /** The newest of what is not saved yet. */
  get unsaved(): Unsaved | undefined {
    return this.waiting ?? this.writing
  }

  /** Saves what waits without a pause; settles as `drained`. */
  async flush(): Promise<void> {
    this.hurry()
    await this.running
  }

  /** Settles when everything that was pushed is saved, or has failed. */
  async drained(): Promise<void> {
    await this.running
  }

  private async run(): Promise<void> {
    while (this.waiting !== undefined) {
      this.onState({ kind: 'saving' })
      await Promise.race([
        this.pause(),
        new Promise<void>((resolve) => {
          this.hurry = resolve
        }),
      ])
      const job = this.waiting
      this.waiting = undefined
      this.writing = job
      try {
        const result = await this.save(job.plan, job.history, this.revision)
        if (!result.saved) {
          this.waiting ??= job
          this.onState({ kind: 'conflict', why: result.why })
          return
        }
        this.revision = result.revision
      } catch (error) {
        this.waiting ??= job
        this.onState({
          kind: 'failed',
          message: messageOf(error),
        })
        return
      } finally {
        this.writing = undefined
      }
    }
    this.onState({ kind: 'saved' })
  }
}
