/** What can be set of something; `undefined` takes an optional value away. */
export type Settable<Target> = { readonly [Key in keyof Target]?: Target[Key] | undefined }

/** A copy with what is given; what is given as `undefined` is left out. */
export function withSet<Target extends object>(target: Target, set: Settable<Target>): Target {
  return Object.fromEntries(
    Object.entries({ ...target, ...set }).filter(([, value]) => value !== undefined),
  ) as Target
}
