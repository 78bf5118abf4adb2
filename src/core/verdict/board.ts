import { linearRegulator } from '../feed/linear-regulator'
import { isOnPins } from '../load/lights'
import type { Command } from '../plan/commands'
import { formatQuantity, significant, plural } from '../quantity/format'
import { isAtLeast } from '../quantity/round'
import { boardInput, boardSupply, boardsFor, memoryOf, sensorA, suffices } from '../lanes/boards'
import { splitLanes } from '../lanes/lanes'
import { charliePins } from '../lanes/drives'
import { dataTiming, frameTime, laneTiming, slowFps } from '../lanes/timing'
import { abilitiesText } from '../lanes/pins'
import { lightPitchMm } from '../parts/light-pitch'
import { readLine } from '../measure/jot'
import { placesOf } from '../measure/layout'
import { divideCommands } from '../measure/line-edits'
import { halvesOf } from '../measure/several'
import { setLights } from './lights'
import type { Evidence, Judge, Remedy, Verdict } from './verdict'
import { fewNames } from '../quantity/few-names'

/** The board that would do everything, as an edit. */
function otherBoard({ plan, parts, needs, lanes, fit }: Evidence): Remedy[] {
  const found = boardsFor(plan, parts, needs, lanes).find((entry) => suffices(plan, entry))
  return found === undefined || found.board.id === fit?.board.id
    ? []
    : [
        {
          label: `take the ${found.board.name}`,
          commands: [{ do: 'set-signal', signal: { board: found.board.id } }],
        },
      ]
}

/** Lights that take fewer pins when each hangs between two of them. */
const fewestPins = (evidence: Evidence): Remedy[] =>
  evidence.lit
    .filter(({ settings, part }) => part.kind === 'led' && isOnPins(settings))
    .filter(({ lights, id }) => {
      const used = evidence.needs.filter(({ of }) => of.kind === 'light' && of.run === id).length
      return charliePins(lights) < used
    })
    .flatMap((run) =>
      setLights(evidence, run, `lights between pins, on ${String(charliePins(run.lights))}`, {
        drive: 'charlie',
      }),
    )

/** Boards that have fewer pins than are needed; names the smallest that would do. */
export const pinsShort: Judge = (evidence) => {
  const { fit } = evidence
  const missing = fit?.pins.filter(({ pin }) => pin === undefined) ?? []
  if (fit === undefined || missing.length === 0) return []
  const boards = otherBoard(evidence)
  return [
    {
      id: 'pins-short',
      code: 'pins-short',
      grade: 'stop',
      about: [],
      text: `${fit.board.name}: ${plural(fit.pins.length, 'pin')} needed, none is left for ${fewNames(missing.map(({ need }) => need.name))}${boards.length === 0 ? '; no board that ships has enough' : ''}`,
      why: 'Everything that is sent or listened to needs a pin that can do it.',
      remedies: [...boards, ...fewestPins(evidence)],
    },
  ]
}

const freePin = (need: string): Command => ({ do: 'set-pin', need, pin: undefined })

/** Pins that the user chose and that cannot do what is needed. */
export const pinKind: Judge = ({ fit }) =>
  fit?.pins
    .filter(({ isWrongKind }) => isWrongKind)
    .map(({ need, pin }): Verdict => ({
      id: `pin-kind.${need.id}`,
      code: 'pin-kind',
      grade: 'stop',
      about: [],
      text: `${need.name} on ${pin?.name ?? ''}: the pin is ${pin === undefined ? '' : abilitiesText(pin)}`,
      why: 'A knob needs a pin that measures, dimming one that does PWM, data one that sends.',
      remedies: [{ label: 'let it be chosen', commands: [freePin(need.id)] }],
    })) ?? []

/** Needs that sit on a serial or a boot pin. */
export const serialPin: Judge = (evidence) =>
  evidence.fit?.pins
    .filter(({ isDisturbed, isWrongKind }) => isDisturbed && !isWrongKind)
    .map(({ need, pin, isChosen }): Verdict => {
      const isBoot = pin?.can.includes('boot') === true
      return {
        id: `serial-pin.${need.id}`,
        code: 'serial-pin',
        grade: 'warning',
        about: [],
        text: `${need.name} on ${pin?.name ?? ''}, ${isBoot ? 'which the board reads when it starts' : 'over which programs are loaded'}`,
        why: isBoot
          ? 'What hangs on it can keep the board from starting.'
          : 'Light flashes while a program loads, and what hangs on it can keep it from loading.',
        remedies: isChosen
          ? [{ label: 'let it be chosen', commands: [freePin(need.id)] }]
          : otherBoard(evidence),
      }
    }) ?? []

/** Boards whose sensors ask for more than its pads give. */
export const sensorsOver: Judge = (evidence) => {
  const { fit } = evidence
  const wantedA = sensorA(evidence.plan)
  if (fit === undefined || isAtLeast(fit.board.allA, wantedA)) return []
  return [
    {
      id: 'sensors-over',
      code: 'sensors-over',
      grade: 'stop',
      about: [],
      text: `${fit.board.name}: sensors draw ${formatQuantity(wantedA * 1000, 'mA')}, its pads give ${formatQuantity(fit.board.allA * 1000, 'mA')} in all`,
      why: 'Its regulator sags or burns; feed the sensors from the supply instead.',
      remedies: otherBoard(evidence),
    },
  ]
}

/** Boards on volts that none of their inputs takes, or with a regulator that gets too hot. */
export const boardFeed: Judge = ({ plan, fit, lanes, volts: voltsOf }) => {
  const supply = boardSupply(plan, fit, lanes)
  const volts = supply === undefined ? undefined : voltsOf.get(supply)
  if (fit === undefined || supply === undefined || volts === undefined) return []
  const { board } = fit
  const input = boardInput(board, volts)
  if (input === 'plus') return []
  const usb: Remedy = {
    label: 'feed the board by a plug of its own',
    commands: [{ do: 'set-signal', signal: { boardFrom: 'usb' } }],
  }
  const { raw } = board
  if (raw === undefined || input === undefined)
    return [
      {
        id: 'board-volts',
        code: 'board-volts',
        grade: 'stop',
        about: [supply],
        text: `${board.name} takes ${formatQuantity(board.supplyV, 'V')}${raw === undefined ? '' : `, or ${significant(raw.fromV)} to ${significant(raw.toV)} V at its raw input`}; its supply gives ${formatQuantity(volts, 'V')}`,
        why:
          volts > board.supplyV
            ? 'Too much of it burns the board at once.'
            : 'On too little it does not start, or resets when anything lights.',
        remedies: [usb],
      },
    ]
  const loadA = (board.burstA ?? board.drawA) + sensorA(plan)
  const { heatW, allowedA } = linearRegulator({
    inputV: volts,
    outputV: board.supplyV,
    currentA: loadA,
    limitA: raw.limitA,
    limitW: raw.limitW,
  })
  if (isAtLeast(allowedA, loadA)) return []
  return [
    {
      id: 'board-regulator-hot',
      code: 'board-regulator-hot',
      grade: 'stop',
      about: [supply],
      text: `${board.name}: ${formatQuantity(loadA, 'A')} through its regulator, which passes ${formatQuantity(allowedA, 'A')} from ${formatQuantity(volts, 'V')}; it dissipates ${formatQuantity(heatW, 'W')}`,
      why: 'It shuts down when hot, and the board resets.',
      remedies: [usb],
    },
  ]
}

/** Lanes that are too long to be sent often enough. */
export const slowFrames: Judge = (evidence) => {
  const { lanes } = evidence
  const slowest = lanes
    .map((lane) => ({ lane, fps: laneTiming(lane).framesPerSecond }))
    .toSorted((a, b) => a.fps - b.fps)[0]
  if (slowest === undefined || slowest.fps >= slowFps) return []
  const { lane, fps } = slowest
  const fpsOf = (count: number): number =>
    frameTime({
      pixels: Math.max(...lanePixels(splitLanes(lanes, count), lanes)),
      bitsPerPixel: lane.bitsPerPixel,
      ...dataTiming[lane.data],
    }).framesPerSecond
  const runs = lanes.reduce((sum, one) => sum + one.runs.length, 0)
  const counts = Array.from({ length: Math.min(runs, 16) }, (_, index) => index + 1)
  const count = counts.find((one) => one > lanes.length && fpsOf(one) >= slowFps)
  const isOneKind = lanes.every(
    ({ data, bitsPerPixel }) => data === lane.data && bitsPerPixel === lane.bitsPerPixel,
  )
  return [
    {
      id: `slow-frames.${lane.id}`,
      code: 'slow-frames',
      grade: 'warning',
      about: lane.runs.map(({ entry }) => entry.run.id),
      text: `${lane.name}: ${formatQuantity(lane.pixels, 'px')} take ${formatQuantity(laneTiming(lane).frameMs, 'ms')} to send, ${String(Math.round(fps))} frames a second`,
      why: `Below about ${String(slowFps)} a second fades step and motion jerks.`,
      remedies:
        count === undefined || !isOneKind
          ? dividedRun(evidence, lane)
          : [
              {
                label: `split into ${String(count)} lanes: ${String(Math.round(fpsOf(count)))} a second`,
                commands: [{ do: 'set-signal', signal: { lanes: splitLanes(lanes, count) } }],
              },
            ],
    },
  ]
}

/** The longest run of a lane in two, each on a lane of its own: for what no dealing out of whole runs makes fast enough. */
function dividedRun(
  { plan, lanes, layout }: Evidence,
  slowest: Evidence['lanes'][number],
): Remedy[] {
  const longest = slowest.runs.reduce((most, run) => (run.pixels > most.pixels ? run : most))
  const { run, strip } = longest.entry
  const reading = readLine(run.line.text, { pixelMm: lightPitchMm(strip), trace: run.line.trace })
  const place = placesOf(layout).get(run.id)
  const halves =
    reading.kind === 'run' && place !== undefined
      ? halvesOf(reading, run.name, place, strip.cutPitchMm)
      : undefined
  const at = slowest.runs.indexOf(longest)
  const pixelsOf = (runs: typeof slowest.runs): number =>
    runs.reduce((sum, { pixels, extra }) => sum + pixels + extra, longest.pixels / 2)
  const most = Math.max(pixelsOf(slowest.runs.slice(0, at)), pixelsOf(slowest.runs.slice(at + 1)))
  const isEnough =
    frameTime({
      pixels: Math.ceil(most),
      bitsPerPixel: slowest.bitsPerPixel,
      ...dataTiming[slowest.data],
    }).framesPerSecond >= slowFps
  if (halves === undefined || !isEnough) return []
  const taken = new Set([...plan.lines, ...lanes].map(({ id }) => id))
  const newId = (): string => {
    for (let number = 1; ; number += 1) {
      const id = `divided-${String(number)}`
      if (taken.has(id)) continue
      taken.add(id)
      return id
    }
  }
  const now = lanes.map(({ id, name, runs }) => ({
    id,
    name,
    lines: runs.map(({ entry }) => entry.run.id),
  }))
  return [
    {
      label: `divide ${run.name} in two, on two lanes`,
      commands: divideCommands(plan, run.id, halves, now, newId),
    },
  ]
}

const lanePixels = (
  split: readonly { readonly lines: readonly string[] }[],
  lanes: Evidence['lanes'],
): number[] => {
  const pixels = new Map(
    lanes.flatMap(({ runs }) =>
      runs.map(({ entry, extra, pixels: own }) => [entry.run.id, own + extra] as const),
    ),
  )
  return split.map(({ lines }) => lines.reduce((sum, id) => sum + (pixels.get(id) ?? 0), 0))
}

/** Boards without the memory for all pixels. */
export const memory: Judge = (evidence) => {
  const { fit, lanes } = evidence
  if (fit === undefined || lanes.length === 0) return []
  const { needBytes, freeBytes } = memoryOf(fit.board, lanes)
  const isOver = !isAtLeast(freeBytes, needBytes)
  if (!isOver && needBytes < freeBytes * 0.85) return []
  return [
    {
      id: 'memory',
      code: 'memory',
      grade: isOver ? 'stop' : 'warning',
      about: [],
      text: `${fit.board.name}: the pixels take ${formatQuantity(needBytes, 'bytes')} of memory, the program leaves about ${formatQuantity(freeBytes, 'bytes')}`,
      why: 'A program that runs out of memory starts, and then does strange things.',
      remedies: isOver ? otherBoard(evidence) : [],
    },
  ]
}

/** A board on a supply of the plan and on USB at once. */
export const backFeed: Judge = ({ plan, fit, lanes }) => {
  const supply = boardSupply(plan, fit, lanes)
  if (fit === undefined || supply === undefined || plan.signal.usbToo !== true) return []
  const name = plan.supplies.find(({ id }) => id === supply)?.name ?? ''
  return [
    {
      id: 'back-feed',
      code: 'back-feed',
      grade: 'warning',
      about: [supply],
      text: `${fit.board.name}: on ${name} and on USB at once`,
      why: 'Each pushes current into the other through the board: a port can die, and pixels draw from it what it does not have. Join minus and data alone.',
      remedies: [
        {
          label: 'feed the board by USB alone',
          commands: [{ do: 'set-signal', signal: { boardFrom: 'usb', usbToo: undefined } }],
        },
        {
          label: 'unplug USB while it runs',
          commands: [{ do: 'set-signal', signal: { usbToo: undefined } }],
        },
      ],
    },
  ]
}
