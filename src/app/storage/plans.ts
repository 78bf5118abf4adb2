import { nanoid } from 'nanoid'
import type { DrawerItem } from '../../core/buy/drawer'
import { emptyHistory, type History } from '../../core/plan/history'
import { emptyPlan } from '../../core/plan/empty'
import type { Plan } from '../../core/plan/plan'
import { planCheck } from '../../core/plan/usual'
import type { Issue } from '../../core/quantity/z'
import type { PlanFileResult } from '../../formats/plan-file'
import type { PlanPhoto } from '../../formats/plan-zip'
import type { PlanFacts } from '../engine/plan-facts'
import type { Database, StoredPlan } from './db'

export type LoadedPlan =
  | {
      readonly ok: true
      readonly plan: Plan
      readonly history: History
      readonly revision: number
      /** Which opening of the plan saved it last. */
      readonly session: string | undefined
      /** Figures that were out of bounds and are now the nearest that can be worked with. */
      readonly adjusted: readonly Issue[]
      readonly isExample: boolean
    }
  | { readonly ok: false; readonly reason: 'missing' }
  | { readonly ok: false; readonly reason: 'broken'; readonly issues: readonly Issue[] }

/** The new revision, or why it was not saved: another tab has saved in between, or has deleted the plan. */
export type SaveResult =
  | { readonly saved: true; readonly revision: number }
  | { readonly saved: false; readonly why: 'newer' | 'deleted' }

/** What a shelf begins with. */
export interface FirstVisit {
  readonly plans: readonly Plan[]
  readonly areExamples: boolean
  readonly drawer: readonly DrawerItem[]
  /** Photos of their builds, by the names of the plans. */
  readonly photos?: readonly { readonly id: string; readonly plan: string; readonly url: string }[]
}

/** Plans that the database hands out in one go. */
const listedAtOnce = 16

/** Deleted plans are kept this long, ms. */
const keptDeletedMs = 30 * 24 * 3_600_000

/** The shelf of plans in the browser's database. */
export class PlanShelf {
  constructor(
    private readonly db: Database,
    private readonly now: () => number = Date.now,
  ) {}

  /** Plans, last changed first, and those that were deleted and can still be brought back, last deleted first. */
  async lists(): Promise<{
    readonly plans: readonly StoredPlan[]
    readonly deleted: readonly StoredPlan[]
  }> {
    const all: StoredPlan[] = []
    // Some at a time: hundreds of plans come with all that is in them, and the page must not stand still for that.
    for (let last = ''; ; last = all.at(-1)?.id ?? '') {
      const some = await this.db.plans.where('id').above(last).limit(listedAtOnce).toArray()
      all.push(...some.map(shown))
      if (some.length < listedAtOnce) break
    }
    return {
      plans: all
        .filter(({ deletedAt }) => deletedAt === undefined)
        .toSorted((a, b) => b.changedAt - a.changedAt),
      deleted: all
        .filter(({ deletedAt }) => deletedAt !== undefined)
        .toSorted((a, b) => (b.deletedAt ?? 0) - (a.deletedAt ?? 0)),
    }
  }

  /** Plans, last changed first, without those that are deleted. */
  async list(): Promise<readonly StoredPlan[]> {
    return (await this.lists()).plans
  }

  async load(id: string): Promise<LoadedPlan> {
    const [stored, history] = await Promise.all([
      this.db.plans.get(id),
      // A plan without its steps back is still a plan.
      this.db.histories.get(id).catch(() => undefined),
    ])
    if (stored === undefined || stored.deletedAt !== undefined)
      return { ok: false, reason: 'missing' }
    const read = await checked(stored)
    if (!read.ok) return { ok: false, reason: 'broken', issues: read.issues }
    return {
      ok: true,
      plan: read.plan,
      adjusted: read.adjusted,
      history: isHistory(history) ? { steps: history.steps, done: history.done } : emptyHistory,
      session: stored.session,
      revision: stored.revision,
      isExample: stored.isExample === true,
    }
  }

  /**
   * Saves plan and history together, unless another tab has saved since `revision`, or has deleted the plan.
   *
   * @param session which opening of the plan this is, so that its last strokes are known as its own
   */
  async save(
    id: string,
    plan: Plan,
    history: History,
    revision: number,
    session?: string,
  ): Promise<SaveResult> {
    const { plans, histories, takes } = this.db
    return this.db.transaction('rw', plans, histories, takes, async () => {
      const stored = await this.db.plans.get(id)
      if (stored === undefined || stored.deletedAt !== undefined)
        return { saved: false, why: 'deleted' }
      if (stored.revision !== revision) return { saved: false, why: 'newer' }
      const next = revision + 1
      await this.db.plans.put({
        // Tags among it, and facts of the revision before, until those of this one are worked out.
        ...stored,
        name: plan.name,
        changedAt: this.now(),
        revision: next,
        document: plan,
        checkedVersion: planCheck,
        ...(session !== undefined && { session }),
      })
      await this.db.histories.put({ planId: id, ...history })
      await this.noteTakes(id, plan)
      return { saved: true, revision: next }
    })
  }

  /** What a plan takes from the drawer: offcuts of strip whole, of other things so much. */
  private async noteTakes(planId: string, { offcuts, buy }: Plan): Promise<void> {
    // What is built has left the drawer.
    const takes =
      buy.isBooked === true
        ? []
        : [
            ...offcuts.map(({ id, lengthMm }) => ({ item: id, amount: lengthMm })),
            ...buy.taken.map(({ item, amount }) => ({ item, amount })),
          ]
    const before = await this.db.takes.get(planId)
    if (takes.length > 0) await this.db.takes.put({ planId, takes })
    else if (before !== undefined) await this.db.takes.delete(planId)
  }

  /** Keeps what the shelf tells of a plan, as long as it is still of that revision. */
  async keepFacts(id: string, revision: number, facts: PlanFacts): Promise<void> {
    await this.db.plans
      .where('id')
      .equals(id)
      .modify((stored) => {
        if (stored.revision === revision) stored.facts = { ...facts, revision }
      })
  }

  /** Puts a plan on the shelf under a new id. */
  async add(
    plan: Plan,
    {
      id = nanoid(10),
      changedAt = this.now(),
      isExample = false,
      tags = [],
    }: {
      readonly id?: string
      readonly changedAt?: number
      readonly isExample?: boolean
      readonly tags?: readonly string[]
    } = {},
  ): Promise<string> {
    await this.db.plans.add({
      id,
      name: plan.name,
      changedAt,
      revision: 0,
      document: plan,
      checkedVersion: planCheck,
      ...(isExample && { isExample }),
      ...(tags.length > 0 && { tags }),
    })
    return id
  }

  /** @param buy what the new plan's bill begins with, such as the currency of this device */
  async addEmpty(buy: Partial<Plan['buy']> = {}): Promise<string> {
    const names = new Set((await this.list()).map((plan) => plan.name))
    const empty = emptyPlan(freeName('New plan', names), nanoid(8))
    return this.add({ ...empty, buy: { ...empty.buy, ...buy } })
  }

  async duplicate(id: string): Promise<string | undefined> {
    const loaded = await this.load(id)
    if (!loaded.ok) return undefined
    const names = new Set((await this.list()).map((plan) => plan.name))
    // A copy is another build: nothing is bought, taken or built of it, and it asks for no upkeep yet.
    const { plan } = loaded
    const photos = await this.photos(plan.notes.flatMap((note) => note.photos))
    const copies = new Map(photos.map((photo) => [photo.id, { ...photo, id: nanoid(10) }]))
    const copyId = await this.add({
      ...plan,
      notes: plan.notes.map((note) => ({
        ...note,
        photos: note.photos.flatMap((photo) => copies.get(photo)?.id ?? []),
      })),
      upkeep: [],
      name: freeName(`${plan.name} copy`, names),
      offcuts: [],
      build: { ...plan.build, log: [] },
      wiring: { ...plan.wiring, ticks: [] },
      buy: { ...plan.buy, bought: [], taken: [], isBooked: false },
    })
    await this.addPhotos(copyId, [...copies.values()])
    return copyId
  }

  /** Renames a plan that is open nowhere; an open one is renamed by a command. One that cannot be read is renamed on the shelf alone. */
  async rename(id: string, name: string): Promise<void> {
    const loaded = await this.load(id)
    if (loaded.ok) await this.save(id, { ...loaded.plan, name }, loaded.history, loaded.revision)
    else await this.db.plans.update(id, { name })
  }

  /** Keeps photos of a plan's build. */
  async addPhotos(planId: string, photos: readonly PlanPhoto[]): Promise<void> {
    await this.db.photos.bulkPut(photos.map(({ id, bytes }) => ({ id, planId, bytes })))
  }

  /** Photos by their ids; those that are not on this device are left out. */
  async photos(ids: readonly string[]): Promise<PlanPhoto[]> {
    const found = await this.db.photos.bulkGet([...ids])
    return found.flatMap((photo) =>
      photo === undefined ? [] : [{ id: photo.id, bytes: photo.bytes }],
    )
  }

  /** What is stored of a plan, as it is: for one that cannot be read. */
  async raw(id: string): Promise<unknown> {
    return (await this.db.plans.get(id))?.document
  }

  /** A deleted plan gives back what it took from the drawer. */
  async delete(id: string): Promise<void> {
    await this.db.plans.update(id, { deletedAt: this.now() })
    await this.db.takes.delete(id)
  }

  async restore(id: string): Promise<void> {
    await this.db.plans
      .where('id')
      .equals(id)
      .modify((plan) => {
        delete plan.deletedAt
      })
    const loaded = await this.load(id)
    if (loaded.ok) await this.noteTakes(id, loaded.plan)
  }

  /** Deletes all examples for good: they do not come again. Gives back their ids. */
  async removeExamples(): Promise<string[]> {
    const ids = (await this.list()).filter(({ isExample }) => isExample).map(({ id }) => id)
    for (const id of ids) await this.delete(id)
    return ids
  }

  /** Sets the words that a plan is found by. */
  async tag(id: string, tags: readonly string[]): Promise<void> {
    await this.db.plans.update(id, { tags })
  }

  /** Puts on a shelf that never had any the plans of a first visit, and clears away what was deleted long ago. */
  async prepare(loadFirst: () => Promise<FirstVisit>): Promise<void> {
    // Loaded before the transaction: that ends with whatever else is waited for.
    const isNew = (await this.db.settings.get('demos')) === undefined
    const first = isNew ? await loadFirst() : undefined
    const planIds = new Map<string, string>()
    await this.db.transaction(
      'rw',
      [
        this.db.plans,
        this.db.histories,
        this.db.settings,
        this.db.takes,
        this.db.drawer,
        this.db.photos,
        this.db.snapshots,
      ],
      async () => {
        for (const { id, deletedAt } of (await this.lists()).deleted) {
          if (this.now() - (deletedAt ?? 0) < keptDeletedMs) continue
          await this.db.plans.delete(id)
          await this.db.histories.delete(id)
          await this.db.takes.delete(id)
          await this.db.photos.where('planId').equals(id).delete()
          await this.db.snapshots.where('planId').equals(id).delete()
        }
        if ((await this.db.settings.get('demos')) !== undefined) return
        await this.db.settings.put({ key: 'demos', value: 'added' })
        if (first === undefined) return
        const { plans, drawer, areExamples: isExample } = first
        await this.db.drawer.bulkAdd(drawer.map((item) => ({ ...item, id: nanoid(8) })))
        for (const [index, plan] of plans.entries())
          planIds.set(plan.name, await this.add(plan, { changedAt: this.now() + index, isExample }))
      },
    )
    // Photos come when they come: no plan waits for them.
    for (const { id, plan, url } of first?.photos ?? []) {
      const planId = planIds.get(plan)
      if (planId !== undefined)
        void fetched(url)
          .then((bytes) => bytes && this.addPhotos(planId, [{ id, bytes }]))
          .catch(() => undefined)
    }
  }
}

/** The bytes behind an address; a demo without its photo is still a demo. */
const fetched = async (url: string): Promise<Uint8Array | undefined> => {
  try {
    const answer = await fetch(url)
    return answer.ok ? new Uint8Array(await answer.arrayBuffer()) : undefined
  } catch {
    return undefined
  }
}

/** What this program saved it has checked; the checker is loaded for what comes from elsewhere or from an older version. */
async function checked({ document, checkedVersion }: StoredPlan): Promise<PlanFileResult> {
  if (checkedVersion === planCheck && looksWhole(document))
    return { ok: true, plan: document, adjusted: [] }
  const { readPlan } = await import('../../formats/plan-file')
  return readPlan(document)
}

/** A record as the shelf shows it: half of one is shown too, so that it can be saved as it is, or deleted. */
const shown = (stored: StoredPlan): StoredPlan => {
  const { name, changedAt } = stored as Partial<Record<keyof StoredPlan, unknown>>
  return {
    ...stored,
    name: typeof name === 'string' && name !== '' ? name : 'Plan without a name',
    changedAt: typeof changedAt === 'number' ? changedAt : 0,
  }
}

const isHistory = (stored: unknown): stored is History => {
  if (typeof stored !== 'object' || stored === null) return false
  const { steps, done } = stored as Partial<Record<keyof History, unknown>>
  return (
    Array.isArray(steps) &&
    typeof done === 'number' &&
    Number.isInteger(done) &&
    done >= 0 &&
    done <= steps.length &&
    steps.every(
      (step: unknown) =>
        typeof step === 'object' &&
        step !== null &&
        'forward' in step &&
        'backward' in step &&
        Array.isArray(step.forward) &&
        Array.isArray(step.backward),
    )
  )
}

/** All of a plan is there; half a record must not reach a page. */
const looksWhole = (document: unknown): document is Plan => {
  if (typeof document !== 'object' || document === null) return false
  const plan = document as Partial<Record<keyof Plan, unknown>>
  const lists = [plan.lines, plan.supplies, plan.junctions, plan.offcuts]
  const objects = [
    plan.defaults,
    plan.bench,
    plan.scene,
    plan.rules,
    plan.use,
    plan.buy,
    plan.signal,
  ]
  return (
    typeof plan.name === 'string' &&
    lists.every((list) => Array.isArray(list)) &&
    [...objects, plan.wiring, plan.own].every((one) => typeof one === 'object' && one !== null)
  )
}

/** `name`, or with the first number behind it that is not taken. */
function freeName(name: string, taken: ReadonlySet<string>): string {
  for (let number = 1; ; number += 1) {
    const candidate = number === 1 ? name : `${name} ${String(number)}`
    if (!taken.has(candidate)) return candidate
  }
}
