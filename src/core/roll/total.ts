import { operand, type Figure, type Operand } from '../quantity/figure'

/** A figure that adds up others of one unit; its operands are those, by their labels. */
export function sumOf(
  id: string,
  label: string,
  unit: Figure['unit'],
  addends: readonly Figure[],
  factor = 1,
): Figure {
  const operands: Operand[] = addends.map(({ label: name, value, unit: of }) =>
    operand(name, value ?? 0, of),
  )
  return {
    id,
    label,
    value: operands.reduce((sum, { value }) => sum + value, 0) * factor,
    unit,
    operation: operands.map((_, index) => `{${String(index)}}`).join(' + '),
    operands,
    about: addends.flatMap((figure) => figure.about),
    isTotal: true,
  }
}
