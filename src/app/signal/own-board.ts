import type { PinAbility } from '../../core/plan/choices'
import type { Board } from '../../core/plan/parts'

/** Pins of a board of which only their numbers are known: serial ones first, then those with PWM. */
export function ownBoardPins({
  digital,
  pwm,
  analogue,
  serial,
}: Readonly<Record<'digital' | 'pwm' | 'analogue' | 'serial', number>>): Board['pins'] {
  return [
    ...Array.from({ length: digital }, (_, index) => ({
      name: `D${String(index)}`,
      can: [
        'digital',
        'interrupt',
        ...(index < serial ? ['serial'] : index < serial + pwm ? ['pwm'] : []),
      ] as PinAbility[],
    })),
    ...Array.from({ length: analogue }, (_, index) => ({
      name: `A${String(index)}`,
      can: ['digital', 'analogue'] as PinAbility[],
    })),
  ]
}
