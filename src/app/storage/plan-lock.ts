/** The right to change a plan. One tab has it at a time. */
export interface PlanLock {
  release(): void
}

/**
 * Asks for the right to change a plan. Where the browser has no locks (a page that is not secure), it is always given, and
 * the revision check of each save is what keeps tabs apart.
 *
 * @param options.steal take it from the tab that has it
 * @param options.onLost called when another tab takes it
 * @returns `undefined` where another tab has it
 */
export async function lockPlan(
  id: string,
  { steal, onLost }: { steal: boolean; onLost: () => void },
): Promise<PlanLock | undefined> {
  const locks = (navigator as Partial<Navigator>).locks
  if (locks === undefined) return { release: () => undefined }
  return new Promise((resolve) => {
    let isReleased = false
    locks
      .request(`plan ${id}`, steal ? { steal } : { ifAvailable: true }, (lock) => {
        if (lock === null) {
          resolve(undefined)
          return undefined
        }
        return new Promise<void>((end) => {
          resolve({
            release: () => {
              isReleased = true
              end()
            },
          })
        })
      })
      .catch(() => {
        if (!isReleased) onLost()
      })
  })
}
