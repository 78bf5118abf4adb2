import type { Mounted } from '../../core/parts/mounted'

/** Where light goes, in words. */
export const facingWords: Readonly<Record<Mounted['facing'], string>> = {
  wall: 'onto the wall',
  down: 'down',
  up: 'up',
  room: 'into the room, at eye height',
}
