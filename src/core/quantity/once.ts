/** A function that works its result out when it is first asked for, and remembers it. */
export function once<Result>(work: () => Result): () => Result {
  let known: { readonly result: Result } | undefined
  return () => (known ??= { result: work() }).result
}
