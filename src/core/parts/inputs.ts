import type { InputKind, PinAbility } from '../plan/choices'

/** A pin that a sensor needs: what it must be able to do, and what would be good. */
export interface InputPin {
  /** As the terminal is marked. */
  readonly name: string
  readonly must: PinAbility
  readonly likes?: PinAbility
  /** The board drives it. */
  readonly isOutput?: true
}

/** Something that a board listens to. *Typical* figures (handbook 4). */
export interface InputPart {
  readonly name: string
  readonly pins: readonly InputPin[]
  readonly mA: number
  /** It takes plus besides minus. */
  readonly hasPlus: boolean
  readonly price: number
}

export const inputParts: Readonly<Record<InputKind, InputPart>> = {
  motion: {
    name: 'motion sensor',
    pins: [{ name: 'OUT', must: 'digital', likes: 'interrupt' }],
    mA: 1,
    hasPlus: true,
    price: 2.2,
  },
  light: {
    name: 'light sensor',
    pins: [{ name: 'OUT', must: 'analogue' }],
    mA: 0.5,
    hasPlus: true,
    price: 0.8,
  },
  knob: {
    name: 'knob',
    pins: [{ name: 'OUT', must: 'analogue' }],
    mA: 0.5,
    hasPlus: true,
    price: 0.9,
  },
  button: {
    name: 'button',
    pins: [{ name: 'OUT', must: 'digital', likes: 'interrupt' }],
    mA: 0.1,
    hasPlus: false,
    price: 0.3,
  },
  tilt: {
    name: 'tilt switch',
    pins: [{ name: 'OUT', must: 'digital' }],
    mA: 0.1,
    hasPlus: false,
    price: 0.5,
  },
  distance: {
    name: 'distance sensor',
    pins: [
      { name: 'TRIG', must: 'digital', isOutput: true },
      { name: 'ECHO', must: 'digital', likes: 'interrupt' },
    ],
    mA: 15,
    hasPlus: true,
    price: 2.8,
  },
  proximity: {
    name: 'proximity pair',
    pins: [
      { name: 'EMIT', must: 'digital', isOutput: true },
      { name: 'OUT', must: 'analogue' },
    ],
    mA: 20,
    hasPlus: true,
    price: 0.6,
  },
  sound: {
    name: 'sound sensor',
    pins: [{ name: 'OUT', must: 'analogue' }],
    mA: 5,
    hasPlus: true,
    price: 1.9,
  },
  remote: {
    name: 'infrared receiver with its remote',
    pins: [{ name: 'OUT', must: 'digital', likes: 'interrupt' }],
    mA: 0.5,
    hasPlus: true,
    price: 2.5,
  },
}
