import { areSame } from './same'

/**
 * Remembers what was last worked out for an object, until something else that it was worked out from is another. It makes nothing
 * different, only sooner: whoever asks again for what has not changed gets the very same result, and so need not look at it again.
 */
export class Kept<Key extends object, Result> {
  private readonly known = new WeakMap<
    Key,
    { readonly inputs: readonly unknown[]; readonly result: Result }
  >()

  /** @param inputs all that `work` reads besides the object itself: numbers and strings by their value, objects by what they are */
  get(key: Key, inputs: readonly unknown[], work: () => Result): Result {
    const last = this.known.get(key)
    if (last !== undefined && areSame(last.inputs, inputs)) return last.result
    const result = work()
    this.known.set(key, { inputs, result })
    return result
  }
}
