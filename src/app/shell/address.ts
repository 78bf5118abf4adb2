import { ref, watch, type Ref } from 'vue'
import {
  useRoute,
  useRouter,
  type LocationQuery,
  type LocationQueryValue,
  type Router,
} from 'vue-router'

/** What is to be written into the address together: two writes in one moment must not undo each other. */
let waiting: Record<string, string | undefined> | undefined
let [isStep, path] = [false, '']

/** Whether a page is on its way: a write now would call it off. */
let isUnderWay = false
const watched = new WeakSet<Router>()
function watchRouter(router: Router): void {
  if (watched.has(router)) return
  watched.add(router)
  router.beforeEach(() => {
    isUnderWay = true
  })
  const arrived = (): void => {
    isUnderWay = false
    flush(router)
  }
  router.afterEach(arrived)
  router.onError(arrived)
}

function flush(router: Router): void {
  if (isUnderWay || waiting === undefined) return
  const { path: now, query, hash } = router.currentRoute.value
  const all: Readonly<Record<string, LocationQueryValue | LocationQueryValue[] | undefined>> = {
    ...query,
    ...waiting,
  }
  const next = Object.fromEntries(Object.entries(all).filter(([, text]) => text !== undefined))
  const location = { query: next as LocationQuery, hash, replace: !isStep }
  waiting = undefined
  isStep = false
  // Unless another page has been opened meanwhile.
  if (now === path) void router.push(location)
}

function write(router: Router, key: string, value: string | undefined, asStep: boolean): void {
  const { path: now } = router.currentRoute.value
  if (path !== now) waiting = undefined
  isStep ||= asStep
  if (waiting !== undefined) {
    waiting[key] = value
    return
  }
  waiting = { [key]: value }
  path = now
  queueMicrotask(() => {
    flush(router)
  })
}

/**
 * A value that stands in the page's address, so that back, reload and a link return to it. The usual value is left out.
 *
 * @param options.among the values that there are; an address with another shows the usual one
 * @param options.asStep whether the browser's back button undoes a change
 */
export function useAddress<Value extends string | undefined>(
  key: string,
  usual: Value,
  options: { readonly among?: readonly string[]; readonly asStep?: boolean } = {},
): Ref<Value> {
  const { among, asStep = false } = options
  const [route, router] = [useRoute(), useRouter()]
  watchRouter(router)
  const own = route.name
  const read = (): Value => {
    const text = route.query[key]
    const isKnown = typeof text === 'string' && (among === undefined || among.includes(text))
    return isKnown ? (text as Value) : usual
  }
  const value = ref(read()) as Ref<Value>
  watch(
    () => route.query[key],
    () => {
      // On the way to another page this one stays as it was.
      if (route.name === own) value.value = read()
    },
  )
  watch(value, (next) => {
    if (next !== read()) write(router, key, next === usual ? undefined : next, asStep)
  })
  return value
}
