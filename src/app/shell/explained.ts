import { glossary, type Word } from './glossary'

/** A stretch of a text; with `word` where it is one that the glossary explains. */
export interface TextPart {
  readonly text: string
  readonly word?: Word
}

const formsOf = ({ word, forms = [] }: Word): string[] =>
  [word, ...forms].flatMap((form) => [form, `${form}s`])

const byForm = new Map(
  glossary.flatMap((entry) => formsOf(entry).map((form) => [form.toLowerCase(), entry] as const)),
)
const escaped = (form: string): string => form.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&')
/** Longer forms first, so that `load case` is not taken for another word. */
const anyOf = (words: readonly Word[]): RegExp =>
  new RegExp(
    `(?<![\\p{L}\\d-])(?:${words
      .flatMap(formsOf)
      .sort((a, b) => b.length - a.length)
      .map(escaped)
      .join('|')})(?![\\p{L}\\d-])`,
    'giu',
  )
const anyWord = anyOf(glossary)
const anyUnusual = anyOf(glossary.filter(({ isEveryday }) => isEveryday !== true))

const wordAt = ([form]: RegExpMatchArray): Word | undefined => byForm.get(form.toLowerCase())

/** A text with its unusual words apart from the rest, each only where it stands first. */
export function explained(text: string): TextPart[] {
  const parts: TextPart[] = []
  const named = new Set<Word>()
  let from = 0
  for (const match of text.matchAll(anyUnusual)) {
    const word = wordAt(match)
    if (word === undefined || named.has(word)) continue
    named.add(word)
    if (match.index > from) parts.push({ text: text.slice(from, match.index) })
    from = match.index + match[0].length
    parts.push({ text: text.slice(match.index, from), word })
  }
  return from < text.length ? [...parts, { text: text.slice(from) }] : parts
}

/** The words of the glossary that stand in a text, everyday ones too. */
export const wordsIn = (text: string): ReadonlySet<Word> =>
  new Set([...text.matchAll(anyWord)].flatMap((match) => wordAt(match) ?? []))
