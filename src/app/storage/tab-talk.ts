import { nanoid } from 'nanoid'

/** What tabs of one browser ask of each other about a plan. */
export type TabRequest =
  /** Save what is on the screen and let go of the plan. */
  | { readonly kind: 'hand-over'; readonly id: string }
  | { readonly kind: 'rename'; readonly id: string; readonly name: string }
  /** The plan was deleted, or brought back. */
  | { readonly kind: 'deleted' | 'restored'; readonly id: string }

type Message =
  | { readonly to: 'all'; readonly number: string; readonly request: TabRequest }
  | { readonly to: string }

const channelName = 'glow-tally plans'

/** How long another tab may take to answer, ms: longer than it takes to save the largest plan. */
const patienceMs = 2_500

let channel: BroadcastChannel | undefined
/** Opened when first needed; a browser without channels has tabs that do not know of each other. */
function open(): BroadcastChannel | undefined {
  if (typeof BroadcastChannel === 'undefined') return undefined
  channel ??= new BroadcastChannel(channelName)
  return channel
}

/** Asks the other tabs. Settles with `true` once one has done it, with `false` where none answers. */
export function askTabs(request: TabRequest, waitMs = patienceMs): Promise<boolean> {
  const own = open()
  if (own === undefined) return Promise.resolve(false)
  const number = nanoid()
  return new Promise((resolve) => {
    const end = (isDone: boolean): void => {
      clearTimeout(timer)
      own.removeEventListener('message', hear)
      resolve(isDone)
    }
    const hear = ({ data }: MessageEvent<Message>): void => {
      if (data.to === number) end(true)
    }
    const timer = setTimeout(() => {
      end(false)
    }, waitMs)
    own.addEventListener('message', hear)
    own.postMessage({ to: 'all', number, request } satisfies Message)
  })
}

/** Tells the other tabs without waiting for them. */
export function tellTabs(request: TabRequest): void {
  open()?.postMessage({ to: 'all', number: nanoid(), request } satisfies Message)
}

/**
 * Answers other tabs.
 *
 * @param answer settles with `true` once it has done what was asked; `false` where it is not its business
 */
export function answerTabs(answer: (request: TabRequest) => Promise<boolean>): () => void {
  const own = open()
  const hear = async ({ data }: MessageEvent<Message>): Promise<void> => {
    if (!('request' in data)) return
    if (await answer(data.request)) own?.postMessage({ to: data.number } satisfies Message)
  }
  const listener = (event: MessageEvent<Message>): void => void hear(event)
  own?.addEventListener('message', listener)
  return () => own?.removeEventListener('message', listener)
}
