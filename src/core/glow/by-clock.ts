import type { Show } from '../plan/plan'
import { clockOf } from './compile'
import { dayMinutes, dueScene } from './player'

/** A minute of the day as `18:05`. */
export const timeOfDay = (minute: number): string =>
  [Math.floor(minute / 60), minute % 60].map((part) => String(part).padStart(2, '0')).join(':')

/** The minute of the day of `18:05`; `undefined` of anything else. */
export function minuteOf(text: string): number | undefined {
  const [, hours, minutes] = /^(\d\d):(\d\d)/.exec(text) ?? []
  const minute = Number(hours) * 60 + Number(minutes)
  return minute >= 0 && minute < dayMinutes ? minute : undefined
}

/** Whether a scene of a show plays by the clock. */
export const goesByClock = ({ scenes }: Show): boolean =>
  scenes.some((scene) => clockOf(scene) !== undefined)

/** How long each scene of a show plays by the clock in a day, h; of scenes that overlap the last one plays. */
export function hoursByClock({ scenes }: Show): number[] {
  const own = scenes.map((scene) => ({
    clock: clockOf(scene) ?? -1,
    lengthMs: scene.seconds * 1000,
  }))
  const minutes = scenes.map(() => 0)
  for (let minute = 0; minute < dayMinutes; minute += 1) {
    const due = dueScene(own, minute)
    if (due >= 0) minutes[due] = (minutes[due] ?? 0) + 1
  }
  return minutes.map((count) => count / 60)
}
