/** `seat front`, `seat front and sill`, `seat front, sill and 3 more`. */
export function fewNames(names: readonly string[]): string {
  const [first = '', second = ''] = names
  if (names.length <= 2) return names.length < 2 ? first : `${first} and ${second}`
  return `${first}, ${second} and ${String(names.length - 2)} more`
}
