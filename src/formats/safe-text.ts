/** Characters that steer a terminal, a file or the direction of writing, and halves of pairs: no name needs them. */
const control =
  // eslint-disable-next-line no-control-regex -- these are what it takes out
  /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F\u200E\u200F\u202A-\u202E\u2066-\u2069\uFFFE\uFFFF]|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g

/** A text of the user's without control characters; tabs and ends of lines stay. */
export const plainText = (text: string): string => text.replaceAll(control, '')

/** The same on one line. */
export const oneLine = (text: string): string =>
  plainText(text).replaceAll(/[\r\n\t\u2028\u2029]+/g, ' ')

/** Fit for the content and the attributes of XML and SVG. */
export const xmlText = (text: string): string =>
  plainText(text)
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;')

/** Fit for a `//` comment of C: no line goes on behind it, and no three characters stand for another one. */
export const cComment = (text: string): string =>
  oneLine(text).replaceAll('\\', '/').replaceAll('*/', '* /').replaceAll('??', '? ?')

/** A string literal of C with its quotes; what could end it or stand for something else is escaped. */
export const cString = (text: string): string =>
  `"${oneLine(text).replaceAll(/["\\?]/g, (character) => `\\${character}`)}"`

/**
 * A value as JSON, with what steers a terminal or the direction of writing escaped.
 *
 * @param replacer as that of `JSON.stringify`
 */
export const jsonText = (
  value: unknown,
  replacer?: (key: string, value: unknown) => unknown,
): string =>
  JSON.stringify(value, replacer, 2).replaceAll(
    control,
    (one) => `\\u${one.charCodeAt(0).toString(16).padStart(4, '0')}`,
  )
