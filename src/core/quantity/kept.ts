import { areSame } from './same'

/** What is worked out now is of a plan that is only tried. */
let isTrial = false

/**
 * What is worked out inside is remembered apart: while changes of a plan are tried, one after another, what was worked out of the plan
 * itself stays.
 */
export function onTrial<Result>(work: () => Result): Result {
  const before = isTrial
  isTrial = true
  try {
    return work()
  } finally {
    isTrial = before
  }
}

interface Known<Result> {
  readonly inputs: readonly unknown[]
  readonly result: Result
}

/**
 * Remembers what was last worked out for an object, until something else that it was worked out from is another. It makes nothing
 * different, only sooner: whoever asks again for what has not changed gets the very same result, and so need not look at it again.
 */
export class Kept<Key extends object, Result> {
  private readonly known = new WeakMap<Key, Known<Result>>()
  private readonly tried = new WeakMap<Key, Known<Result>>()

  /** @param inputs all that `work` reads besides the object itself: numbers and strings by their value, objects by what they are */
  get(key: Key, inputs: readonly unknown[], work: () => Result): Result {
    const last = this.known.get(key)
    if (last !== undefined && areSame(last.inputs, inputs)) return last.result
    const trial = this.tried.get(key)
    const known =
      trial !== undefined && areSame(trial.inputs, inputs) ? trial : { inputs, result: work() }
    // What has nothing to stay beside is the first of its key.
    const place = isTrial && last !== undefined ? this.tried : this.known
    place.set(key, known)
    return known.result
  }
}

/**
 * Remembers what was last worked out for each item of a list. It looks first where the item stood the last time: in a long list mostly one
 * item has changed. On a trial it remembers nothing.
 */
export class KeptList<Item extends object, Result> {
  private items: readonly Item[] = []
  private results: readonly Result[] = []
  private readonly known = new WeakMap<Item, Result>()

  /** @param work hears what it last gave for the item, and gives the same again where that still holds */
  map(
    items: readonly Item[],
    work: (item: Item, last: Result | undefined, index: number) => Result,
  ): Result[] {
    const results = items.map((item, index) => {
      const last = this.items[index] === item ? this.results[index] : this.known.get(item)
      const result = work(item, last, index)
      if (result !== last && !isTrial) this.known.set(item, result)
      return result
    })
    if (!isTrial) [this.items, this.results] = [items, results]
    return results
  }
}
