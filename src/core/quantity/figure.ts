import { formatQuantity, written, type LengthUnits, type Unit } from './format'

/** One number that went into a figure, by its name. */
export interface Operand {
  readonly name: string
  readonly value: number
  readonly unit: Unit
}

/**
 * A computed value that carries its sum: the operands by name, the operation with `{0}`, `{1}` … standing for them, and
 * the rule or school that was used.
 */
export interface Figure {
  /** Stable while the plan changes, so that a view can follow a figure: `length.run.k3v9`. */
  readonly id: string
  readonly label: string
  /** `null` where there is no answer, such as no supply that is large enough. */
  readonly value: number | null
  readonly unit: Unit
  readonly operation: string
  readonly operands: readonly Operand[]
  readonly rule?: string
  /** Ids of the runs or supplies it speaks of. */
  readonly about: readonly string[]
  /** A result that the lines above it lead to. */
  readonly isTotal?: boolean
  /** A step on the way to the next figure, not an addend of the total. */
  readonly isStep?: boolean
}

export interface Working {
  readonly operation: string
  readonly operands: readonly Operand[]
}

/** Names a number for use in {@link working}. */
export function operand(name: string, value: number, unit: Unit = ''): Operand {
  return { name, value, unit }
}

/**
 * Builds the working of a figure from a template.
 *
 * @example working`${operand('pixels', 128, 'px')} × ${operand('white', 36, 'mA')}`
 */
export function working(text: TemplateStringsArray, ...operands: Operand[]): Working {
  return {
    operation: text.reduce((whole, part, index) => `${whole}{${String(index - 1)}}${part}`),
    operands,
  }
}

/** The working as a line of the roll: `128 px × 36 mA`. */
export function workingText({ operation, operands }: Working, units?: LengthUnits): string {
  return written(operation).replaceAll(/\{(\d+)\}/g, (_, index: string) => {
    const found = operands[Number(index)]
    return found === undefined ? '' : formatQuantity(found.value, found.unit, units)
  })
}

/** The figure's value with its unit. */
export function figureText(figure: Figure, units?: LengthUnits): string {
  return formatQuantity(figure.value, figure.unit, units)
}
