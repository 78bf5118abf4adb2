import type { Dimension } from './shape'

/** A unit behind a number: ` cm`, `"`. */
const behind = (unit: string): string => (/^\p{L}/u.test(unit) ? ` ${unit}` : unit)

const isSize = ({ kind }: Dimension): boolean => kind !== 'degrees' && kind !== 'count'

/**
 * A pad line with one of its measures replaced. Every measure that had its unit from the end of a list gets it for itself, so that the
 * others stay what they are. Arithmetic goes into brackets, so that it stays one measure; so does a count in front of a length.
 *
 * @param dimensions all measures of the line
 * @param index of the one that is replaced
 * @param put what was typed on the drawing, or mm; a bare number is in the unit that the measure had from its list, else mm
 * @example withDimension('ledge 2 x 560', dimensions, 0, '600 - 20') // 'ledge 2 x (600 - 20)'
 * @example withDimension('sign frame 40 x 60 cm', dimensions, 1, 500) // 'sign frame 40 cm x 500 mm'
 */
export function withDimension(
  text: string,
  dimensions: readonly Dimension[],
  index: number,
  put: string | number,
): string {
  const hasUnits = dimensions.some((one) => isSize(one) && one.unit !== undefined)
  const chosen = dimensions[index]
  // A unit at the end of a list would count for members without one.
  const brings =
    typeof put === 'number' ? hasUnits : /[a-z"'″′]/i.test(put.replace(/^\s*[rd]/i, ''))
  return dimensions
    .toSorted((a, b) => b.at - a.at)
    .reduce((line, one) => {
      const { at, end, carried } = one
      const now = one === chosen ? replaced(one, put, hasUnits) : line.slice(at, end)
      const isBare = isSize(one) && one.unit === undefined && carried === undefined
      const unit =
        one === chosen
          ? ''
          : carried !== undefined
            ? behind(carried)
            : isBare && brings
              ? ' mm'
              : ''
      return line.slice(0, at) + now + unit + line.slice(end)
    }, text)
}

function replaced(
  { kind, carried, ...of }: Dimension,
  put: string | number,
  hasUnits: boolean,
): string {
  const inMm = isSize({ kind, ...of }) && hasUnits ? ' mm' : ''
  if (typeof put === 'number') return `${String(put)}${inMm}`
  const value = put.trim().replace(kind === 'radius' ? /^r\s*/i : /^[d⌀ø]\s*/i, '')
  const isSum = /[-+*x×]/i.test(value.replace(/p(?:x|ixels?)\s*$/i, '')) && !/^\(.*\)$/.test(value)
  const isBare = /^[\d.,]+$/.test(value)
  const unit = isBare && carried !== undefined ? behind(carried) : isBare || isSum ? inMm : ''
  return (isSum ? `(${value})` : value) + unit
}
