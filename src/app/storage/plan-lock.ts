/** The right to change a plan. One tab has it at a time. */
export interface PlanLock {
  release(): void
}

const nameOf = (id: string): string => `plan ${id}`

interface LockWish {
  /** `free`: only if no tab has it; `wait`: once it is let go, within so many ms; `steal`: from the tab that has it. */
  readonly how: 'free' | { readonly waitMs: number } | 'steal'
  /** Called when another tab takes it. */
  readonly onLost: () => void
}

/**
 * Asks for the right to change a plan. Where the browser has no locks (a page that is not secure), it is always given, and
 * the revision check of each save is what keeps tabs apart.
 *
 * @returns `undefined` where another tab has it
 */
export async function lockPlan(
  id: string,
  { how, onLost }: LockWish,
): Promise<PlanLock | undefined> {
  const locks = (navigator as Partial<Navigator>).locks
  if (locks === undefined) return { release: () => undefined }
  return new Promise((resolve) => {
    let state: 'asked' | 'held' | 'released' = 'asked'
    const options =
      how === 'free'
        ? { ifAvailable: true }
        : how === 'steal'
          ? { steal: true }
          : { signal: AbortSignal.timeout(how.waitMs) }
    locks
      .request(nameOf(id), options, (lock) => {
        if (lock === null) {
          resolve(undefined)
          return undefined
        }
        state = 'held'
        return new Promise<void>((end) => {
          resolve({
            release: () => {
              state = 'released'
              end()
            },
          })
        })
      })
      .catch(() => {
        if (state === 'held') onLost()
        else resolve(undefined)
      })
  })
}
