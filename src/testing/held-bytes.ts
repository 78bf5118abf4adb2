import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'

setFlagsFromString('--expose-gc')
const collect = runInNewContext('gc') as () => void

/** Bytes in use once everything that can be let go is gone. */
export function heldBytes(): number {
  collect()
  collect()
  return process.memoryUsage().heapUsed
}
