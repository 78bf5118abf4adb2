import type { Probe, ProbeKind } from './fault'

/** A kind of test besides looking at the light and measuring volts and amperes. */
interface ProbeWords {
  /** What is done, as it is said at the bench. */
  readonly title: (where: string) => string
  readonly how: string
  readonly power: 'on' | 'off'
  /** What the two outcomes are, and what each means. */
  readonly yes: string
  readonly no: string
  /** Hands-on minutes, *typical*. */
  readonly minutes: number
  /** It opens a joint, so that it comes after those that don't. */
  readonly opens: boolean
  /** How likely it shows what is there. *Typical.* */
  readonly shows: number
}

/** How likely a test shows something that is not there. *Typical.* */
export const mistaken = 0.03

export const probes: Readonly<Record<ProbeKind, ProbeWords>> = {
  look: {
    title: (where) => `Look closely at ${where}`,
    how: 'With a lens and good light: a dull or ball-shaped joint, a stray strand, a crack, a wrong colour. Move it lightly with a wooden stick.',
    power: 'off',
    yes: 'something is wrong there',
    no: 'it looks sound',
    minutes: 0.7,
    opens: false,
    shows: 0.75,
  },
  ohm: {
    title: (where) => `Measure ohms across ${where}`,
    how: 'Meter on Ω, lowest range, power off. One tip on the copper of each side. Take off what the meter’s own leads show.',
    power: 'off',
    yes: 'no beep, or above 0.2 Ω',
    no: 'below 0.2 Ω',
    minutes: 1.5,
    opens: false,
    shows: 0.95,
  },
  short: {
    title: (where) => `Measure ohms between ${where}`,
    how: 'Meter on Ω, power off and the board’s data wire off. One tip on each of the two pads; change the tips over and read again.',
    power: 'off',
    yes: 'below 10 Ω both ways',
    no: 'more',
    minutes: 1.5,
    opens: false,
    shows: 0.95,
  },
  'data-volts': {
    title: (where) => `Measure volts at ${where}`,
    how: 'Meter on DC volts, black tip on minus, red tip on data, with a moving pattern.',
    power: 'on',
    yes: '0 V, or it does not move',
    no: 'it moves between 0.3 and 3 V',
    minutes: 1.5,
    opens: false,
    shows: 0.9,
  },
  'node-volts': {
    title: (where) => `Measure plus to minus at ${where}`,
    how: 'Meter on DC volts. Red tip on its plus, black tip on its minus.',
    power: 'on',
    yes: 'about 0 V',
    no: 'the supply’s volts',
    minutes: 1,
    opens: false,
    shows: 0.97,
  },
  wiggle: {
    title: (where) => `Move ${where} while it runs`,
    how: 'Bend it lightly along its whole length, and at both its ends. Nothing is parted.',
    power: 'on',
    yes: 'the light comes and goes with it',
    no: 'nothing changes',
    minutes: 1,
    opens: false,
    shows: 0.85,
  },
  'other-supply': {
    title: (where) => `Try another supply: ${where}`,
    how: 'One of the same volts that gives at least as much. Compare the volts with a meter before you plug it in.',
    power: 'on',
    yes: 'with the other one all is right',
    no: 'it is just the same',
    minutes: 4,
    opens: false,
    shows: 0.95,
  },
  'other-board': {
    title: (where) => `Try another board in place of ${where}`,
    how: 'With the same program, or a plain one.',
    power: 'on',
    yes: 'with the other one all is right',
    no: 'it is just the same',
    minutes: 12,
    opens: false,
    shows: 0.95,
  },
  'plain-program': {
    title: (where) => `Run a plain program on ${where}`,
    how: 'All red, all green, all blue; then one lit pixel that wanders along the lane. Count, kind, order and pin come from the Signal page.',
    power: 'on',
    yes: 'with it all is right, or colours or counts are off',
    no: 'it is just the same',
    minutes: 4,
    opens: false,
    shows: 0.92,
  },
  'join-minus': {
    title: (where) => `Join ${where} with a clip lead`,
    how: 'Minus to minus only.',
    power: 'on',
    yes: 'it is steady with the clip lead',
    no: 'nothing changes',
    minutes: 1.5,
    opens: false,
    shows: 0.95,
  },
  'jump-data': {
    title: (where) => `Lead data to ${where}`,
    how: 'Power off. Hold or solder the data wire to that input; power on again, minus first.',
    power: 'off',
    yes: 'from there on all is right',
    no: 'it stays as it is',
    minutes: 6,
    opens: true,
    shows: 0.95,
  },
  'clip-lead': {
    title: (where) => `Bridge ${where} with a clip lead`,
    how: 'Power off, clip it on at both ends beside the wire that is there, same to same; then power on.',
    power: 'off',
    yes: 'with it all is right',
    no: 'it is just the same',
    minutes: 3,
    opens: false,
    shows: 0.95,
  },
  instead: {
    title: (where) => `Try ${where}`,
    how: 'Power off, change it over, power on again.',
    power: 'off',
    yes: 'with it all is right',
    no: 'it is just the same',
    minutes: 3,
    opens: false,
    shows: 0.95,
  },
  wait: {
    title: (where) => `Watch it with ${where}`,
    how: 'Ten minutes with the pattern that showed it.',
    power: 'on',
    yes: 'it is steady now',
    no: 'it is just the same',
    minutes: 10,
    opens: false,
    shows: 0.7,
  },
}

/** What tells a test from others. */
export const probeId = ({ kind, at }: Probe): string => `${kind}:${at}`
