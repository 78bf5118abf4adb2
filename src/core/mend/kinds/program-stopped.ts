import type { FaultDraft, FaultKind } from '../fault'

/** The program hangs, is not there, or ran out of memory: the light stands still. */
export const programStopped: FaultKind = {
  name: 'program-stopped',
  title: 'Program not running',
  find: ({ lanes, fit }) => {
    if (fit === undefined || lanes.length === 0) return []
    const { needBytes, freeBytes } = fit.memory
    const isFull = needBytes > freeBytes
    const draft = (key: string, state: 'frozen' | 'dark', weight: number): FaultDraft => ({
      key,
      where: state === 'frozen' ? 'the board, stopped while it ran' : 'the board, never started',
      about: lanes.flatMap(({ runs }) => runs.map(({ entry }) => entry.run.id)),
      weight: weight * (isFull ? 8 : 1),
      ...(isFull && { reasons: ['the plan’s pixels need more memory than the board has'] }),
      does: {
        light: lanes.flatMap(({ runs }) => {
          const first = runs[0]?.entry.run.id
          return first === undefined ? [] : [{ run: first, from: 0, count: null, state }]
        }),
      },
      shownBy: [
        { kind: 'plain-program', at: 'board', where: 'the board' },
        { kind: 'other-board', at: 'board', where: 'the board' },
      ],
    })
    return [draft('stopped', 'frozen', 1.5), draft('never', 'dark', 1)]
  },
  mend: {
    steps: [
      'Press reset. Load a plain program; then the real one with fewer pixels.',
      'Where it only works with fewer pixels, memory is short: take a board with more.',
    ],
    cautions: [],
    proof: 'The pattern runs for ten minutes without standing still.',
    minutes: 10,
  },
}
