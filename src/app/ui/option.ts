/** One of a few that can be chosen. */
export interface Option<Value = string> {
  readonly value: Value
  readonly label: string
  /** Who prefers it, and why. */
  readonly about?: string
}

/**
 * Options of what says its own name.
 *
 * @example named(['row', 'led']) // [{ value: 'row', label: 'row' }, …]
 */
export const named = <Value extends string>(values: readonly Value[]): Option<Value>[] =>
  values.map((value) => ({ value, label: value }))

/**
 * Options of things that have an id and a name.
 *
 * @example byName(plan.supplies) // [{ value: 'supply-a', label: 'Supply A' }, …]
 */
export const byName = <Id extends string>(
  things: readonly { readonly id: Id; readonly name: string }[],
): Option<Id>[] => things.map(({ id, name }) => ({ value: id, label: name }))
