import { ref, watch, type Ref } from 'vue'
import {
  isNavigationFailure,
  NavigationFailureType,
  useRoute,
  useRouter,
  type LocationQueryValue,
  type Router,
} from 'vue-router'

/** What is to be written into the address of a page together: two writes in one moment must not undo each other. */
let waiting:
  | { path: string; query: Record<string, string | undefined>; isStep: boolean }
  | undefined

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
  router.afterEach((_to, _from, failure) => {
    // One that was called off gave way to another, which is still under way.
    if (!isNavigationFailure(failure, NavigationFailureType.cancelled)) arrived()
  })
  router.onError(arrived)
}

function flush(router: Router): void {
  if (isUnderWay || waiting === undefined) return
  const { path, query, isStep } = waiting
  waiting = undefined
  const { path: now, query: before, hash } = router.currentRoute.value
  // Another page has been opened meanwhile.
  if (now !== path) return
  const all: Readonly<Record<string, LocationQueryValue | LocationQueryValue[] | undefined>> = {
    ...before,
    ...query,
  }
  const next = Object.fromEntries(Object.entries(all).filter(([, text]) => text !== undefined))
  void router.push({ query: next, hash, replace: !isStep })
}

function write(router: Router, key: string, value: string | undefined, asStep: boolean): void {
  const { path } = router.currentRoute.value
  if (waiting?.path !== path) {
    waiting = { path, query: {}, isStep: false }
    queueMicrotask(() => {
      flush(router)
    })
  }
  waiting.query[key] = value
  waiting.isStep ||= asStep
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
