import { liveQuery } from 'dexie'
import { onScopeDispose, shallowRef, type ShallowRef } from 'vue'

/** The answer of a database query, asked again whenever what it read changes, in any tab, as long as the scope lives. */
export function useLiveQuery<Value>(
  query: () => Promise<Value>,
  onError: (error: unknown) => void,
): ShallowRef<Value | undefined> {
  const answer = shallowRef<Value>()
  const subscription = liveQuery(query).subscribe({
    next: (value) => {
      answer.value = value
    },
    error: onError,
  })
  onScopeDispose(() => {
    subscription.unsubscribe()
  })
  return answer
}
