import { blockId } from '../route/harness'
import type { Station } from './joint-steps'
import { cautions, typicalMinutes as minutes, type Step } from './step'
import { nameOfPlace, plain, sentence } from './words'
import { listed } from '../quantity/listed'
import { padName, places, stepId, type Work } from './work'

/** Tests in the order of the data: each lights what was tested before, and one piece more. */
export function addTests(work: Work, stations: readonly Station[]): void {
  const { wiring } = work.given
  const ofRun = new Map<string, Station[]>()
  for (const station of stations)
    if ('run' in station.at && station.at.kind !== 'within')
      listed(ofRun, station.at.run).push(station)
  for (const own of ofRun.values()) own.sort((a, b) => a.along - b.along)
  if (wiring.blocks.some(({ of }) => of.kind === 'board')) addBoardTest(work)
  for (const block of wiring.blocks) {
    const { of, name } = block
    if (of.kind === 'junction')
      addTest(work, of.junction, {
        title: `Volts at ${name}`,
        how: [
          'Bench supply at the loose end of its lead: full volts, plus and minus the right way.',
        ],
        about: [of.junction],
        needs: [stepId.check(`${block.id}/${of.junction}`)],
      })
    if (of.kind === 'input')
      addTest(work, block.id, {
        title: `Try ${name}: does the board see it?`,
        about: [block.id],
        needs: [...work.checksOf(work.wiresAt(block.id)), stepId.tested(places.board)],
      })
  }
  const priorOf = new Map<string, string>()
  const inLane = new Set<string>()
  for (const { runs } of work.given.lanes)
    for (const [index, { entry }] of runs.entries()) {
      inLane.add(entry.run.id)
      const prior = runs[index - 1]?.entry.run.id
      if (prior !== undefined) priorOf.set(entry.run.id, prior)
    }
  for (const [run, own] of ofRun) {
    const prior = priorOf.get(run)
    addRunTests(work, run, own, {
      hasData: inLane.has(run),
      before: prior === undefined ? [] : dataFrom(ofRun.get(prior) ?? []),
    })
  }
}

function addTest(
  work: Work,
  id: string,
  rest: Pick<Step, 'title' | 'about' | 'needs'> & Partial<Step>,
): void {
  work.add({
    ...plain,
    id: stepId.tested(id),
    kind: 'test',
    minutes: minutes.test,
    cautions: [cautions.bench],
    tool: 'bench supply',
    place: id,
    phase: 'test',
    ...rest,
  })
}

function addBoardTest(work: Work): void {
  addTest(work, places.board, {
    title: 'Load the program, and see that the board runs',
    how: [
      'Pixel count, pin and colour order as the Signal page has them.',
      'Its volts at its own pins, then its idle current.',
    ],
    about: [places.board],
    needs: [blockId.board, blockId.buffer].map((block) => stepId.check(`${block}/${places.board}`)),
    minutes: minutes.testBoard,
  })
}

/** What has to be right before the data of a run can be used by the next: its last test, and the joint where data leaves. */
const dataFrom = (own: readonly Station[]): string[] => [
  ...testedAt(own)
    .slice(-1)
    .map(({ id }) => stepId.tested(id)),
  ...own.filter(({ at }) => at.kind === 'out').map(({ id }) => stepId.check(id)),
]

/** Where a run is tested, in this order; data out is tried by what comes behind it. */
function testedAt(own: readonly Station[]): Station[] {
  const tested = own.filter(({ at }) => at.kind !== 'out')
  // Single lights light when all of them are wired.
  return tested.some(({ upTo }) => upTo.length > 0) ? tested : tested.slice(-1)
}

function addRunTests(
  work: Work,
  run: string,
  own: readonly Station[],
  { hasData, before }: { readonly hasData: boolean; readonly before: readonly string[] },
): void {
  const name = nameOfPlace(work, run)
  const [first, ...others] = testedAt(own)
  if (first === undefined) return
  const blocks = work.blocksOf(run)
  const needsFirst = [
    ...before,
    ...blocks.flatMap((block) => checksBehind(work, block, run)),
    ...(hasData || blocks.includes(blockId.board) ? [stepId.tested(places.board)] : []),
    ...first.upTo.map((piece) => stepId.testPiece(run, piece)),
    ...(first.upTo.length === 0 ? own.map(({ id }) => stepId.check(id)) : []),
  ]
  let prior: string | undefined
  for (const station of [first, ...others]) {
    addTest(work, station.id, {
      title: testTitle(station, name),
      how: [
        hasData
          ? 'Bench supply at the loose ends of the leads. All that was lit before lights again, and this with it.'
          : 'Bench supply at the loose ends of the leads: it lights evenly to the end.',
      ],
      about: [run, ...station.upTo],
      needs: [stepId.check(station.id), ...(prior === undefined ? needsFirst : [prior])],
      place: run,
      phase: station.isCorner ? 'corner' : 'test',
      turn: station.along + 0.6,
    })
    prior = stepId.tested(station.id)
  }
}

/** Meter checks of a run's own wires at a block, and of what works or feeds that block. */
function checksBehind(work: Work, block: string, run: string): string[] {
  const own = stepId.check(`${block}/${run}`)
  const of = work.blockOf.get(block)?.of
  if (of?.kind === 'junction') return [own, stepId.check(`${block}/${of.junction}`)]
  // A switch may have been wired with the first run that it works.
  if (of?.kind === 'switch')
    return [
      own,
      ...(work.blockOf.get(block)?.about ?? []).map((one) => stepId.check(`${block}/${one}`)),
    ]
  return [own]
}

function testTitle({ at, upTo }: Station, name: string): string {
  switch (at.kind) {
    case 'pads':
      return at.pad === 0
        ? `Light ${sentence(upTo.length > 0 ? upTo : [name])} through its own wires`
        : `Light ${name} with its feed at ${padName(at.pad)}`
    case 'light':
    case 'lights':
    case 'splitter':
      return `Light ${name}: every one`
    default:
      return `Light ${name} up to ${upTo.at(-1) ?? name}`
  }
}
