import { computed, ref, shallowRef, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import type { OpenPlace } from '../../core/mend/meter'
import { holdMinutes, openMinutes } from '../../core/mend/practice'
import type { TipPlace } from '../../core/mend/tips'
import { formatQuantity } from '../../core/quantity/format'
import type { MeterSource } from './meter-source'
import type { Move } from './use-practice'

export type MeterMode = 'V' | 'Ω' | 'A'
export type TipName = 'red' | 'black'

export interface Meter {
  readonly mode: Ref<MeterMode>
  readonly isBright: Ref<boolean>
  readonly tips: Readonly<Record<TipName, ShallowRef<TipPlace | undefined>>>
  /** The tip that is put down next by pointing. */
  readonly next: Ref<TipName>
  /** On which rail of a tape it is put for ohms. */
  readonly rail: Ref<'plus' | 'minus'>
  /** The plus that is opened for amperes. */
  readonly opened: ShallowRef<OpenPlace | undefined>
  readonly isHeld: ComputedRef<boolean>
  /** What it shows. */
  readonly shown: Ref<string | undefined>
  /** Why nothing was put down where it was pointed. */
  readonly hint: Ref<string | undefined>
  /** Puts a tip down, or lifts it. */
  readonly hold: (tip: TipName, place: TipPlace | undefined) => void
  /** Opens a plus for amperes. */
  readonly openAt: (place: OpenPlace | undefined) => void
  /** Puts the next tip down. */
  readonly put: (tip: TipPlace | undefined) => void
  readonly pointAtTape: (run: string, pixel: number) => Promise<void>
  readonly open: (wire: string) => void
  readonly read: () => Promise<void>
  readonly clear: () => void
}

/**
 * A meter in hand: where its tips are, what it is set to, and what it shows.
 *
 * @param opens where a plus can be opened
 * @param note hears of each reading
 */
export function useMeter(
  source: MeterSource,
  opens: () => readonly OpenPlace[],
  note: (move: Move) => void = () => undefined,
): Meter {
  const mode = ref<MeterMode>('V')
  const isBright = ref(true)
  const tips = { red: shallowRef<TipPlace>(), black: shallowRef<TipPlace>() }
  const next = ref<TipName>('red')
  const rail = ref<'plus' | 'minus'>('plus')
  const opened = shallowRef<OpenPlace>()
  const [shown, hint] = [ref<string>(), ref<string>()]
  const isHeld = computed(() =>
    mode.value === 'A'
      ? opened.value !== undefined
      : tips.red.value !== undefined && tips.black.value !== undefined,
  )

  function hold(tip: TipName, place: TipPlace | undefined): void {
    tips[tip].value = place
  }
  function openAt(place: OpenPlace | undefined): void {
    opened.value = place
  }
  function put(tip: TipPlace | undefined): void {
    hint.value = undefined
    if (mode.value === 'A') hint.value = 'For amperes choose the plus that is opened, or its wire.'
    else if (tip === undefined) hint.value = 'Point at one of its terminals.'
    else if (tip.at.kind === 'signal' && mode.value === 'V')
      hint.value = `${tip.name}: data is too fast for a meter on V. Set it to Ω.`
    else {
      tips[next.value].value = tip
      next.value = next.value === 'red' ? 'black' : 'red'
    }
  }
  async function pointAtTape(run: string, pixel: number): Promise<void> {
    hint.value = undefined
    const { plus, minus } = await source.tape(run, pixel)
    if (mode.value === 'V') {
      if (plus === undefined || minus === undefined) hint.value = 'No tip can be held there.'
      tips.red.value = plus ?? tips.red.value
      tips.black.value = minus ?? tips.black.value
    } else put(rail.value === 'plus' ? plus : minus)
  }
  function open(wire: string): void {
    const place = opens().find((one) => one.wire === wire)
    hint.value =
      place === undefined ? `${wire} is no plus that a meter can be put into.` : undefined
    opened.value = place ?? opened.value
  }

  const light = (): string => (isBright.value ? ', full white' : ', dark')
  async function read(): Promise<void> {
    if (mode.value === 'A') {
      const place = opened.value
      const value = place && (await source.through(place, isBright.value))
      if (place === undefined || value === undefined) return
      shown.value = formatQuantity(value, 'A')
      note({
        text: `A in ${place.name}${light()}`,
        outcome: shown.value,
        minutes: openMinutes,
      })
      return
    }
    const [red, black] = [tips.red.value, tips.black.value]
    if (red === undefined || black === undefined) return
    const value = await source.hold(mode.value, red, black, isBright.value)
    if (value === undefined) return
    shown.value = value === null ? 'open: nothing beeps' : formatQuantity(value, mode.value)
    note({
      text: `${mode.value} from ${red.name} to ${black.name}${mode.value === 'V' ? light() : ''}`,
      outcome: shown.value,
      minutes: holdMinutes,
    })
  }
  function clear(): void {
    tips.red.value = tips.black.value = opened.value = shown.value = hint.value = undefined
    next.value = 'red'
  }
  return {
    mode,
    isBright,
    tips,
    next,
    rail,
    opened,
    isHeld,
    hold,
    openAt,
    shown,
    hint,
    put,
    pointAtTape,
    open,
    read,
    clear,
  }
}
