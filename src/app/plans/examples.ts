import { nanoid } from 'nanoid'
import { emptyPlan } from '../../core/plan/empty'
import type { Plan, Trace } from '../../core/plan/plan'

interface Example {
  readonly name: string
  /** What can be learnt from it. */
  readonly about: string
  readonly make: () => Promise<Plan>
}

const written =
  (name: string, stripId: string, lines: readonly string[], trace?: Trace) => (): Promise<Plan> => {
    const empty = emptyPlan(name, '')
    return Promise.resolve({
      ...empty,
      defaults: { ...empty.defaults, stripId },
      lines: lines.map((text) => ({
        id: nanoid(8),
        text,
        ...(trace !== undefined && { trace }),
      })),
    })
  }

/** An outline with so many points, as if it were read from a drawing, mm. */
function starOutline(points: number, outerMm: number, innerMm: number): Trace {
  const corner = (index: number): [number, number] => {
    const radius = index % 2 === 0 ? outerMm : innerMm
    const angle = (index * Math.PI) / points
    return [outerMm + radius * Math.sin(angle), outerMm - radius * Math.cos(angle)]
  }
  const corners = Array.from({ length: 2 * points + 1 }, (_, index) => corner(index))
  const side = Math.hypot(
    (corners[1]?.[0] ?? 0) - (corners[0]?.[0] ?? 0),
    (corners[1]?.[1] ?? 0) - (corners[0]?.[1] ?? 0),
  )
  return { source: 'star', courses: [{ lengthMm: 2 * points * side, points: corners }] }
}

/** Small plans to begin with: each shows one kind of light, and how its places are written. */
export const examples: readonly Example[] = [
  {
    name: 'Plate rack',
    about: 'three rails, warm white on 12 V',
    make: written('Plate rack', 'white-12v-5', ['top rail 820', 'middle rail 820', 'low rail 760']),
  },
  {
    name: 'Porthole mirror',
    about: 'a ring from warm to cool white, 24 V',
    make: written('Porthole mirror', 'two-white-24v-14', ['mirror ring 470']),
  },
  {
    name: 'Headboard',
    about: 'colour pixels round three edges, 5 V',
    make: written('Headboard', 'pixels-5v-30', [
      'left side 620',
      'top edge 1480',
      'right side 620',
    ]),
  },
  {
    name: 'Terrace rail',
    about: 'long white runs outdoors, 24 V',
    make: written('Terrace rail', 'white-24v-10', ['rail 2 x 2450', 'gate 940']),
  },
  {
    name: 'Paper star',
    about: 'an outline traced from a drawing',
    make: written('Paper star', 'pixels-5v-60-low', ['star traced 360'], starOutline(5, 180, 76)),
  },
  {
    name: 'Toy harbour',
    about: 'single lights, sensors and a show',
    make: async () => {
      const { plans } = await import('../stores/demos')
      const harbour = plans.find(({ name }) => name.toLowerCase().includes('harbour'))
      if (harbour === undefined) throw new Error('the harbour is not among the demo plans')
      return harbour
    },
  },
]
