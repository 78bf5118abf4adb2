import { wrap } from 'comlink'
import { nanoid } from 'nanoid'
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { layOut } from '../../core/measure/layout'
import { measure } from '../../core/measure/measure'
import { stripsOf } from '../../core/parts/find-strips'
import { change, type Command } from '../../core/plan/commands'
import { emptyPlan } from '../../core/plan/empty'
import {
  emptyHistory,
  recorded,
  redone,
  undone,
  type History,
  type Moved,
} from '../../core/plan/history'
import type { Plan } from '../../core/plan/plan'
import { messageOf } from '../../core/quantity/message-of'
import type { Issue } from '../../core/quantity/z'
import type { SectionKind } from '../../core/roll/section'
import { forgetLastStrokes, keepLastStrokes, lastStrokes } from '../storage/last-strokes'
import { lockPlan, type PlanLock } from '../storage/plan-lock'
import type { LoadedPlan } from '../storage/plans'
import { answerTabs, askTabs } from '../storage/tab-talk'
import { PlanSaver } from '../storage/plan-saver'
import { PlanFollower, type Answering, type PlanAnswers } from '../engine/follow-plan'
import type { PartName } from '../engine/parts'
import type { PlanFacts } from '../engine/plan-facts'
import { tellMissingPart } from './missing-part'
import { useNotices } from './notices'
import { useShelf } from './shelf'

/**
 * `mine`: changes are saved; `elsewhere`: another tab has it; `taken`: another tab took it over from this one; `deleted`: another tab has
 * deleted it.
 */
export type Access = 'mine' | 'elsewhere' | 'taken' | 'deleted'
export type OpenState =
  | { readonly kind: 'opening' }
  | { readonly kind: 'open' }
  | { readonly kind: 'missing' }
  | { readonly kind: 'broken'; readonly issues: readonly Issue[] }
  /** The browser does not give it out. */
  | { readonly kind: 'failed'; readonly message: string }

/** Typing that goes on within this time is one step back, ms. */
const joinWithinMs = 1_200

/** Strokes of typing are gathered for so long before they are written, ms. */
const gatherMs = 150
const aMoment = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, gatherMs)
  })

/** How long a tab that has a plan is waited for before the plan is taken from it, ms: it may be asleep. */
const handOverMs = 2_500

/** The open plan: its document, its undo history, its saving, and what the engine tells of it. */
export const usePlanStore = defineStore('plan', () => {
  const shelfStore = useShelf()
  const { shelf, ready } = shelfStore
  const notices = useNotices()

  const id = shallowRef<string | undefined>()
  const state = shallowRef<OpenState>({ kind: 'opening' })
  const plan = shallowRef<Plan | undefined>()
  const openPlan = computed<Plan>((last) => plan.value ?? last ?? emptyPlan('', 'line'))
  const history = shallowRef<History>(emptyHistory)
  const tally = shallowRef<PlanAnswers | undefined>()
  const access = shallowRef<Access>('mine')
  /** It came with the app, to be looked at. */
  const isExample = shallowRef(false)
  const saving = shallowRef<'saved' | 'saving' | 'failed'>('saved')

  let lock: PlanLock | undefined
  let saver: PlanSaver | undefined
  /** This opening of the plan, of all there ever were. */
  let session = ''
  /** Settles when what was last open is saved, so that it is not read before. */
  let lastSaved: Promise<void> = Promise.resolve()
  let lastChangeAt = 0
  let keptFacts: PlanFacts | undefined

  const worker = new Worker(new URL('../engine/plan.worker.ts', import.meta.url), {
    type: 'module',
    name: 'plan',
  })
  const follower = new PlanFollower(
    // Comlink's type knows the functions alone; what it gives is what the far end has.
    wrap<Answering>(worker),
    (answers) => {
      if ((answers.unreadable?.length ?? 0) > 0 && answers.unreadable !== tally.value?.unreadable)
        void takeBackUnreadable()
      tally.value = answers
      void keepFacts()
    },
    (message) => {
      notices.show({ kind: 'problem', text: `The plan could not be worked out: ${message}` })
    },
  )
  worker.addEventListener('error', ({ message }) => {
    // An error inside it comes with its message; without one its file could not be loaded.
    if (message === '') tellMissingPart()
  })

  /** Whatever the app makes it can read again: a change that breaks this is taken back, and told. */
  async function takeBackUnreadable(): Promise<void> {
    const { readPlan } = await import('../../formats/plan-file')
    const read = plan.value === undefined ? undefined : readPlan(plan.value)
    if (read === undefined || read.ok) return
    const label = undo()
    notices.show({
      kind: 'problem',
      text:
        label === undefined
          ? 'This plan holds something that could not be read again from a file:'
          : `“${label}” was taken back: the plan could not have been read again with it.`,
      details: read.issues.map(({ path, message }) => `${path} ${message}`),
    })
  }

  /** The shelf's facts are kept beside the plan once both are of its newest state. */
  async function keepFacts(): Promise<void> {
    const [planId, own, facts] = [id.value, saver, tally.value?.facts?.shelf]
    if (planId === undefined || own === undefined || facts === undefined) return
    if (facts === keptFacts || access.value !== 'mine') return
    keptFacts = facts
    await own.drained()
    await shelf.keepFacts(planId, own.revision, facts).catch(() => undefined)
  }

  /** Strips alone: the other parts are with the pages that ask for them. */
  const parts = computed(() => ({ strips: stripsOf(plan.value?.own.strips) }))
  const measured = computed(() => measure(plan.value ?? { lines: [] }, parts.value))
  const layout = computed(() => layOut(measured.value.runs, plan.value?.bench))

  function put(next: Plan, steps: History): void {
    plan.value = next
    history.value = steps
    follower.follow(withNotes(next))
  }

  /** With what was noted of boards in other plans: a note goes with its board. */
  function withNotes(next: Plan): Plan {
    const noted = shelfStore.parts?.flatMap(({ kind, part }) =>
      kind === 'board' && part.quirk !== undefined ? [part] : [],
    )
    const missing = noted?.filter(({ id }) => !next.own.boards.some((board) => board.id === id))
    return missing === undefined || missing.length === 0
      ? next
      : { ...next, own: { ...next.own, boards: [...next.own.boards, ...missing] } }
  }
  watch(
    () => shelfStore.parts,
    () => {
      if (plan.value !== undefined) follower.follow(withNotes(plan.value))
    },
  )

  async function open(planId: string, { steal = false } = {}): Promise<void> {
    close()
    id.value = planId
    state.value = { kind: 'opening' }
    await Promise.all([ready, lastSaved])
    const held = await lockFor(planId, steal)
    let loaded: LoadedPlan
    try {
      loaded = await shelf.load(planId)
    } catch (error) {
      held?.release()
      if (id.value === planId) state.value = { kind: 'failed', message: messageOf(error) }
      return
    }
    if (id.value !== planId) {
      held?.release()
      return
    }
    if (!loaded.ok) {
      held?.release()
      state.value =
        loaded.reason === 'missing'
          ? { kind: 'missing' }
          : { kind: 'broken', issues: loaded.issues }
      return
    }
    lock = held
    access.value = held === undefined ? 'elsewhere' : 'mine'
    session = nanoid(10)
    saver = saverFor(planId, loaded.revision)
    saving.value = 'saved'
    const typed =
      held === undefined
        ? undefined
        : lastStrokes(planId, { ...loaded, photo: loaded.plan.bench.photo })
    try {
      put(typed?.plan ?? loaded.plan, typed?.history ?? loaded.history)
      if (!Number.isFinite(layout.value.box.width)) throw new Error('its drawing has no size')
    } catch (error) {
      // Checked, and still it cannot be drawn: no page must stand half built.
      close()
      id.value = planId
      state.value = { kind: 'broken', issues: [{ path: '', message: messageOf(error) }] }
      return
    }
    isExample.value = loaded.isExample
    state.value = { kind: 'open' }
    if (typed !== undefined) saver.push(typed.plan, typed.history)
    if (loaded.adjusted.length > 0)
      notices.show({
        kind: 'problem',
        text: 'Some figures of this plan are out of bounds. They now stand at the nearest that can be worked with: look at them before you buy.',
        details: loaded.adjusted.map(({ path, message }) => `${path} ${message}`),
      })
  }

  /** The right to change a plan; where `steal`, the tab that has it is asked to save and let go first. */
  async function lockFor(planId: string, steal: boolean): Promise<PlanLock | undefined> {
    const onLost = (): void => {
      lose(planId, 'taken')
    }
    if (!steal) return lockPlan(planId, { how: 'free', onLost })
    await askTabs({ kind: 'hand-over', id: planId }, handOverMs)
    const given = await lockPlan(planId, { how: { waitMs: 300 }, onLost })
    return given ?? lockPlan(planId, { how: 'steal', onLost })
  }

  answerTabs(async (request) => {
    if (request.id !== id.value || saver === undefined) return false
    switch (request.kind) {
      case 'hand-over': {
        if (access.value !== 'mine') return false
        await saver.flush()
        lock?.release()
        lose(request.id, 'taken')
        return true
      }
      case 'rename':
        if (access.value !== 'mine') return false
        commit([{ do: 'rename', name: request.name }], { label: 'rename the plan' })
        await saver.flush()
        return true
      case 'deleted':
        if (access.value === 'mine') access.value = 'deleted'
        return true
      case 'restored':
        if (access.value !== 'deleted') return false
        access.value = 'mine'
        saver.retry()
        return true
    }
  })

  // What is not saved when the page goes away is kept where it can be written at once; when it is only hidden it is saved without a pause.
  addEventListener('pagehide', () => {
    const [planId, unsaved] = [id.value, saver?.unsaved]
    if (planId !== undefined && unsaved !== undefined && access.value === 'mine')
      keepLastStrokes(planId, { ...unsaved, revision: saver?.revision ?? 0, session })
  })
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'hidden') void saver?.flush()
  })

  function close(): void {
    const [held, last] = [lock, saver]
    lastSaved = lastSaved.then(() => last?.drained()).then(() => held?.release())
    lock = undefined
    saver = undefined
    id.value = undefined
    plan.value = undefined
    tally.value = undefined
    follower.leave()
    history.value = emptyHistory
    access.value = 'mine'
  }

  function saverFor(planId: string, revision: number): PlanSaver {
    const own = new PlanSaver(
      (current, steps, from) => shelf.save(planId, current, steps, from, session),
      revision,
      (next) => {
        if (saver !== own) return
        saving.value = next.kind === 'conflict' ? 'failed' : next.kind
        if (next.kind === 'conflict') lose(planId, next.why === 'deleted' ? 'deleted' : 'taken')
        if (next.kind === 'saved') forgetLastStrokes(planId)
        if (next.kind === 'failed')
          notices.show({
            kind: 'problem',
            text: 'The plan could not be saved in this browser. Export it to a file to be safe.',
            details: [next.message],
            actions: [
              {
                label: 'Export to a file',
                run: () => {
                  if (plan.value !== undefined) void exportOpen(plan.value)
                },
              },
              {
                label: 'Try again',
                run: () => {
                  own.retry()
                },
              },
            ],
          })
      },
      aMoment,
    )
    return own
  }

  function lose(planId: string, how: 'taken' | 'deleted'): void {
    if (id.value !== planId) return
    if (how === 'taken') lock = undefined
    access.value = how
  }

  /** Brings back what another tab has deleted, with what is on the screen. */
  async function bringBack(): Promise<void> {
    if (id.value === undefined || saver === undefined) return
    await shelf.restore(id.value)
    access.value = 'mine'
    if (plan.value !== undefined) saver.push(plan.value, history.value)
  }

  const exportOpen = async (open: Plan): Promise<void> =>
    (await import('../shell/save-plan-file')).savePlanFile(open, shelf)

  /** Each press of the pointer may begin a drag: what is dragged after it is a step of its own. */
  let presses = 0
  addEventListener('pointerdown', () => (presses += 1), { capture: true })

  /**
   * Carries commands out as one step that can be undone. Steps with the same key in quick succession join; those of one drag join however
   * slowly it goes, and never with those of the next.
   */
  function commit(
    commands: readonly Command[],
    { label, key = '', isDrag = false }: { label: string; key?: string; isDrag?: boolean },
  ): void {
    if (plan.value === undefined || access.value !== 'mine') return
    const changed = change(plan.value, commands)
    if (changed.plan === plan.value) return
    const now = performance.now()
    const canJoin = isDrag || now - lastChangeAt < joinWithinMs
    lastChangeAt = now
    const own = isDrag ? `${key} of press ${String(presses)}` : key
    put(changed.plan, recorded(history.value, changed, { label, key: own, canJoin }))
    saver?.push(plan.value, history.value)
  }

  function travel(moved: Moved | undefined): string | undefined {
    if (moved === undefined || access.value !== 'mine') return undefined
    lastChangeAt = 0
    put(moved.plan, moved.history)
    saver?.push(moved.plan, moved.history)
    return moved.label
  }

  /** A history that does not fit its plan is given up, rather than the plan. */
  function travelBy(move: typeof undone): string | undefined {
    if (plan.value === undefined) return undefined
    try {
      return travel(move(plan.value, history.value))
    } catch {
      history.value = emptyHistory
      notices.show({
        kind: 'problem',
        text: 'The steps back of this plan could not be read. They are gone; the plan is as it was.',
      })
      return undefined
    }
  }
  const undo = (): string | undefined => travelBy(undone)
  const redo = (): string | undefined => travelBy(redone)

  /** Goes on here with what the other tab saved last. */
  async function takeOver(): Promise<void> {
    if (id.value !== undefined) await open(id.value, { steal: true })
  }

  /** Puts what is on the screen on the shelf as a plan of its own; gives back its id. */
  async function keepCopy(): Promise<string | undefined> {
    return plan.value && shelf.add({ ...plan.value, name: `${plan.value.name} copy` })
  }

  return {
    id,
    state,
    plan,
    /** … for what is shown only while one is open. While it is being closed it stays as it was last. */
    openPlan,
    history,
    tally,
    access,
    isExample,
    saving,
    measured,
    layout,
    parts,
    open,
    close,
    commit,
    undo,
    redo,
    takeOver,
    bringBack,
    keepCopy,
    /** Asks the engine for a part of the tally as long as it is wanted. */
    want: (part: PartName) => follower.want(part),
    wantFixes: (verdict: string) => follower.wantFixes(verdict),
    /** Which sections of the roll are shown. */
    showSections: (kinds: readonly SectionKind[]) => {
      follower.show(kinds)
    },
  }
})
