/** Whether every word that was typed stands somewhere in a text, in any order and in capitals or not. */
export function hasWords(text: string, typed: string): boolean {
  const within = text.toLowerCase()
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => within.includes(word))
}
