import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'

/** A sensor whose wire is open: what it starts happens never or at random. */
export const sensorOpen: FaultKind = {
  name: 'sensor-open',
  title: 'Sensor’s wire open',
  find: ({ plan, lanes }) =>
    plan.signal.inputs.map(({ id, name }) => ({
      key: id,
      where: name,
      about: [id],
      weight: 0.5,
      does: {
        light: lanes.flatMap(({ runs }) => {
          const first = runs[0]?.entry.run.id
          return first === undefined
            ? []
            : [{ run: first, from: 0, count: null, state: 'frozen' as const }]
        }),
        when: 'random' as const,
      },
      shownBy: [{ kind: 'wiggle' as const, at: `input ${id}`, where: `the wires of ${name}` }],
    })),
  mend: {
    steps: ['Measure each of its wires from end to end; make the open joint anew.'],
    cautions: solderCautions,
    proof: 'Touching or passing the sensor changes the light each time.',
    minutes: 6,
  },
}
