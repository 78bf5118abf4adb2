interface Patience {
  /** How long is waited, ms. */
  readonly ms: number
  /** What is said then. */
  readonly message: string
  /** What is done then, such as ending a worker that does not come back. */
  readonly onLate?: () => void
}

/** The result of some work, or an error where it does not come in time. */
export async function within<Result>(
  work: Promise<Result>,
  { ms, message, onLate }: Patience,
): Promise<Result> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(() => {
      onLate?.()
      reject(new Error(message))
    }, ms)
  })
  try {
    return await Promise.race([work, late])
  } finally {
    clearTimeout(timer)
  }
}
