import { applyPatches, enablePatches, original, produceWithPatches, type Patch } from 'immer'
import type { Board, LightPart, SupplyPart, Strip, Profile } from './parts'
import type { LoadCase } from './choices'
import type {
  AdjustedFigure,
  Build,
  Buy,
  Feed,
  Furniture,
  Junction,
  Lights,
  Line,
  LogEntry,
  Mount,
  Offcut,
  Photo,
  Place,
  Plan,
  Rules,
  MendEntry,
  Note,
  Show,
  Signal,
  SupplySlot,
  Use,
  Wiring,
} from './plan'
import { isSame } from '../quantity/same'
import { feedsOf } from './feeds'
import type { Settable } from './with-set'
import { supplyBehind } from './supply-of'
import { tagger } from './tags'
import { inUseTask } from './usual'

enablePatches()

/**
 * Every way in which a plan changes, as plain data: it can come from a field, a drag, a remedy or a worker. Commands that
 * name a line or a supply that is gone do nothing.
 */
export type Command =
  | { readonly do: 'rename'; readonly name: string }
  /** The plan as it once was; what was done with it since stays noted. */
  | { readonly do: 'take-back'; readonly plan: Plan }
  | { readonly do: 'show-units'; readonly units: Plan['units'] }
  | { readonly do: 'add-lines'; readonly at: number; readonly lines: Plan['lines'] }
  | { readonly do: 'set-text'; readonly line: string; readonly text: string }
  | { readonly do: 'remove-line'; readonly line: string }
  | { readonly do: 'move-line'; readonly line: string; readonly to: number }
  | { readonly do: 'set-strip'; readonly line: string; readonly strip: string | undefined }
  | { readonly do: 'set-default-strip'; readonly strip: string }
  | { readonly do: 'set-default-wire'; readonly wire: string }
  | { readonly do: 'set-lines'; readonly lines: readonly string[]; readonly set: LineSettings }
  /** Sets some of what is set of a line's lights or mount, and leaves the rest as it is by then. */
  | {
      readonly do: 'set-within-line'
      readonly line: string
      readonly lights?: Settable<Lights>
      readonly mount?: Settable<Mount>
    }
  | { readonly do: 'place-lines'; readonly places: ReadonlyMap<string, Place> }
  | { readonly do: 'put-furniture'; readonly furniture: Furniture }
  | { readonly do: 'remove-furniture'; readonly furniture: string }
  | { readonly do: 'set-photo'; readonly photo: Photo | undefined }
  | { readonly do: 'place-controller'; readonly at: readonly [x: number, y: number] }
  | {
      readonly do: 'place-supply'
      readonly supply: string
      readonly at: readonly [x: number, y: number]
    }
  | { readonly do: 'set-buy'; readonly buy: Partial<Buy> }
  | { readonly do: 'set-build'; readonly build: Partial<Omit<Build, 'log'>> }
  | {
      readonly do: 'log-step'
      readonly entry: LogEntry
      /** Joints of the step: done or not with it. */
      readonly joints: readonly string[]
    }
  | { readonly do: 'put-show'; readonly show: Show }
  | { readonly do: 'remove-show'; readonly show: string }
  | { readonly do: 'put-mend'; readonly mend: MendEntry }
  | { readonly do: 'remove-mend'; readonly mend: string }
  | { readonly do: 'put-note'; readonly note: Note }
  | { readonly do: 'remove-note'; readonly note: string }
  /** A task of upkeep was done on a day, as an ISO date and time. */
  | { readonly do: 'note-upkeep'; readonly task: string; readonly at: string }
  /** Since when it is in use; there is one such day. */
  | { readonly do: 'set-in-use'; readonly at: string }
  /** Figures of one thing that were brought within bounds have been looked at; `holder` is the way to that thing. */
  | { readonly do: 'settle-figures'; readonly holder: AdjustedFigure['path'] }
  | { readonly do: 'set-use'; readonly use: Settable<Use> }
  | {
      readonly do: 'set-capacitor'
      readonly supply: string
      readonly volts: number | null | undefined
    }
  | {
      readonly do: 'set-power-switch'
      readonly supply: string
      readonly powerSwitch: SupplySlot['powerSwitch']
    }
  | { readonly do: 'trim-supply'; readonly supply: string; readonly volts: number | undefined }
  | { readonly do: 'set-signal'; readonly signal: Settable<Signal> }
  | { readonly do: 'set-pin'; readonly need: string; readonly pin: string | undefined }
  | { readonly do: 'set-wiring'; readonly wiring: Partial<Wiring> }
  | { readonly do: 'tick'; readonly joint: string; readonly isDone: boolean }
  | { readonly do: 'add-junction'; readonly junction: Junction }
  /** Sets some of what is set of a junction, and leaves the rest as it is by then. */
  | { readonly do: 'set-junction'; readonly junction: string; readonly set: Settable<Junction> }
  /** … of some of a line's feeds, by their ids. */
  | {
      readonly do: 'set-feeds'
      readonly line: string
      readonly feeds: readonly string[]
      readonly set: Settable<Feed>
    }
  | { readonly do: 'remove-junction'; readonly junction: string }
  | { readonly do: 'feed-from'; readonly lines: readonly string[]; readonly supply: string }
  | { readonly do: 'add-supply'; readonly supply: SupplySlot }
  | { readonly do: 'pick-supply'; readonly supply: string; readonly part: string }
  | { readonly do: 'remove-supply'; readonly supply: string }
  | { readonly do: 'show-case'; readonly scene: LoadCase }
  | { readonly do: 'set-level'; readonly level: number }
  | { readonly do: 'set-limit'; readonly limit: number }
  | { readonly do: 'set-rules'; readonly rules: Partial<Rules> }
  | { readonly do: 'add-offcuts'; readonly offcuts: readonly Offcut[] }
  | { readonly do: 'remove-offcut'; readonly offcut: string }
  | { readonly do: 'own-strip'; readonly strip: Strip }
  | { readonly do: 'own-supply'; readonly supply: SupplyPart }
  | { readonly do: 'own-board'; readonly board: Board }
  | { readonly do: 'own-light'; readonly light: LightPart }
  | { readonly do: 'own-profile'; readonly profile: Profile }

/** What hangs on a line besides its text; `undefined` takes a setting away. */
export type LineSettings = {
  readonly [
    Key in
      | 'place'
      | 'spots'
      | 'isTurned'
      | 'mount'
      | 'endMm'
      | 'cutting'
      | 'level'
      | 'feeds'
      | 'skip'
      | 'isDataAtEnd'
      | 'dataApart'
      | 'isLengthened'
      | 'dimmer'
      | 'lights'
      | 'node'
      | 'sheet'
      | 'into'
  ]?: Line[Key] | undefined
}

/** What a change did, both ways, so that it can be undone, redone and stored. */
export interface Change {
  readonly plan: Plan
  readonly forward: readonly Patch[]
  readonly backward: readonly Patch[]
}

/** Carries out commands in their order, as one change. */
export function change(plan: Plan, commands: readonly Command[]): Change {
  const nextTag = tagger(plan.lines)
  let next = plan
  const forward: Patch[] = []
  const backward: Patch[][] = []
  // One after another: what a command puts in is frozen, and a later one may write to it.
  for (const command of commands) {
    const [then, ahead, back] = produceWithPatches(next, (draft) => {
      carryOut(draft, command, nextTag)
    })
    next = then
    forward.push(...ahead)
    backward.unshift(back)
  }
  return { plan: next, forward, backward: backward.flat() }
}

/** Applies stored patches of a {@link Change}. */
export const patched = (plan: Plan, patches: readonly Patch[]): Plan =>
  applyPatches(plan, [...patches])

type Writable = { -readonly [Key in keyof Plan]: Plan[Key] }

function carryOut(plan: Writable, command: Command, nextTag: () => string): void {
  const lineOf = (id: string): Plan['lines'][number] | undefined =>
    plan.lines[indexOf(plan.lines, id)]

  switch (command.do) {
    case 'rename':
      plan.name = command.name
      return
    case 'take-back': {
      const { name, build, buy, wiring, mends, offcuts, notes, upkeep } = plan
      const { bought, taken, prices, isBooked } = buy
      Object.assign(plan, command.plan, {
        name,
        mends,
        offcuts,
        notes,
        upkeep,
        build: { ...command.plan.build, log: build.log, paces: build.paces },
        buy: { ...command.plan.buy, bought, taken, prices, isBooked },
        wiring: { ...command.plan.wiring, ticks: wiring.ticks, asBuilt: wiring.asBuilt },
      })
      return
    }
    case 'show-units':
      plan.units = command.units
      return
    case 'add-lines':
      plan.lines.splice(command.at, 0, ...command.lines.map((line) => ({ ...line })))
      for (const { id } of command.lines) nameByTag(plan, id, nextTag)
      return
    case 'set-text': {
      const line = lineOf(command.line)
      if (line !== undefined) line.text = command.text
      nameByTag(plan, command.line, nextTag)
      return
    }
    case 'remove-line':
      removeFrom(plan.lines, command.line)
      for (const lane of plan.signal.lanes)
        if (lane.lines.includes(command.line))
          lane.lines = lane.lines.filter((id) => id !== command.line)
      return
    case 'move-line': {
      const [line] = removeFrom(plan.lines, command.line)
      if (line !== undefined) plan.lines.splice(command.to, 0, line)
      return
    }
    case 'set-strip': {
      const line = lineOf(command.line)
      if (line === undefined) return
      if (command.strip === undefined) delete line.stripId
      else line.stripId = command.strip
      return
    }
    case 'set-default-strip':
      plan.defaults.stripId = command.strip
      return
    case 'set-default-wire':
      plan.defaults.wire = command.wire
      return
    case 'set-lines':
      for (const line of linesWhere(plan.lines, isAmong(command.lines))) put(line, command.set)
      return
    case 'set-within-line': {
      const line = lineOf(command.line)
      if (line === undefined) return
      if (command.lights !== undefined && line.lights !== undefined)
        put(line.lights, command.lights)
      if (command.mount !== undefined) put((line.mount ??= {}), command.mount)
      return
    }
    case 'place-lines':
      for (const line of linesWhere(plan.lines, ({ id }) => command.places.has(id)))
        put(line, { place: command.places.get(line.id) })
      return
    case 'put-furniture':
      putItem(plan.bench.furniture, command.furniture)
      return
    case 'remove-furniture':
      removeFrom(plan.bench.furniture, command.furniture)
      return
    case 'put-show':
      putItem(plan.shows, command.show)
      return
    case 'remove-show':
      removeFrom(plan.shows, command.show)
      return
    case 'put-mend':
      putItem(plan.mends, command.mend)
      return
    case 'remove-mend':
      removeFrom(plan.mends, command.mend)
      return
    case 'put-note':
      putItem(plan.notes, command.note)
      return
    case 'remove-note':
      removeFrom(plan.notes, command.note)
      return
    case 'note-upkeep':
      plan.upkeep.push({ task: command.task, at: command.at })
      return
    case 'set-in-use':
      plan.upkeep = plan.upkeep.filter(({ task }) => task !== inUseTask)
      plan.upkeep.push({ task: inUseTask, at: command.at })
      return
    case 'settle-figures':
      plan.adjusted = plan.adjusted.filter(({ path }) => !isSame(path.slice(0, -1), command.holder))
      return
    case 'set-photo':
      put(plan.bench, { photo: command.photo })
      return
    case 'place-controller':
      plan.bench.controllerAt = [...command.at]
      return
    case 'place-supply': {
      const slot = plan.supplies.find((supply) => supply.id === command.supply)
      if (slot !== undefined) slot.at = [...command.at]
      return
    }
    case 'set-use':
      put(plan.use, command.use)
      return
    case 'set-capacitor': {
      const slot = plan.supplies.find((supply) => supply.id === command.supply)
      if (slot !== undefined) put(slot, { capacitorV: command.volts })
      return
    }
    case 'set-power-switch': {
      const slot = plan.supplies.find((supply) => supply.id === command.supply)
      if (slot !== undefined) put(slot, { powerSwitch: command.powerSwitch })
      return
    }
    case 'trim-supply': {
      const slot = plan.supplies.find((supply) => supply.id === command.supply)
      if (slot !== undefined) put(slot, { trimV: command.volts })
      return
    }
    case 'set-signal':
      put(plan.signal, command.signal)
      return
    case 'set-pin': {
      const others = plan.signal.pins.filter(({ need }) => need !== command.need)
      const { need, pin } = command
      plan.signal.pins = pin === undefined ? others : [...others, { need, pin }]
      return
    }
    case 'set-wiring':
      Object.assign(plan.wiring, command.wiring)
      return
    case 'set-build':
      Object.assign(plan.build, command.build)
      return
    case 'log-step': {
      const { entry, joints } = command
      const at = plan.build.log.findIndex(({ step }) => step === entry.step)
      if (at < 0) plan.build.log.push({ ...entry })
      else plan.build.log[at] = { ...entry }
      // Which joints are done stands in one place.
      const others = plan.wiring.ticks.filter((id) => !joints.includes(id))
      plan.wiring.ticks = entry.state === 'done' ? [...others, ...joints] : others
      return
    }
    case 'tick': {
      const others = plan.wiring.ticks.filter((id) => id !== command.joint)
      plan.wiring.ticks = command.isDone ? [...others, command.joint] : others
      return
    }
    case 'add-junction':
      plan.junctions.push({ ...command.junction })
      return
    case 'set-junction': {
      const junction = plan.junctions.find(({ id }) => id === command.junction)
      if (junction !== undefined) put(junction, command.set)
      return
    }
    case 'set-feeds': {
      const line = lineOf(command.line)
      if (line === undefined) return
      line.feeds ??= feedsOf(line).map((feed) => ({ ...feed }))
      for (const feed of line.feeds) if (command.feeds.includes(feed.id)) put(feed, command.set)
      return
    }
    case 'remove-junction': {
      removeFrom(plan.junctions, command.junction)
      // What hung on it hangs on the supply again.
      for (const lead of setLeads(plan)) if (lead.from === command.junction) delete lead.from
      return
    }
    case 'feed-from':
      for (const line of linesWhere(plan.lines, isAmong(command.lines))) {
        line.supplyId = command.supply
        // Leads that were set to come from elsewhere come from there too.
        for (const feed of line.feeds ?? [])
          if (feed.from !== undefined && supplyBehind(plan, feed.from) !== command.supply)
            delete feed.from
      }
      return
    case 'add-supply':
      plan.supplies.push({ ...command.supply })
      return
    case 'pick-supply': {
      const slot = plan.supplies.find((supply) => supply.id === command.supply)
      if (slot === undefined || slot.part === command.part) return
      slot.part = command.part
      // A trimmer is set on one supply; another has its own.
      delete slot.trimV
      return
    }
    case 'remove-supply':
      if (plan.supplies.length < 2) return
      removeFrom(plan.supplies, command.supply)
      for (const line of linesWhere(plan.lines, ({ supplyId }) => supplyId === command.supply))
        delete line.supplyId
      for (const lead of setLeads(plan)) if (lead.from === command.supply) delete lead.from
      return
    case 'show-case':
      plan.scene.shown = command.scene
      return
    case 'set-level':
      plan.scene.shown = 'level'
      plan.scene.level = command.level
      return
    case 'set-limit':
      plan.limit = command.limit
      return
    case 'set-buy':
      Object.assign(plan.buy, command.buy)
      return
    case 'set-rules':
      Object.assign(plan.rules, command.rules)
      return
    case 'add-offcuts':
      plan.offcuts.push(...command.offcuts)
      return
    case 'remove-offcut':
      removeFrom(plan.offcuts, command.offcut)
      return
    case 'own-strip':
      putItem(plan.own.strips, command.strip)
      return
    case 'own-supply':
      putItem(plan.own.supplies, command.supply)
      return
    case 'own-board':
      putItem(plan.own.boards, command.board)
      return
    case 'own-light':
      putItem(plan.own.lights, command.light)
      return
    case 'own-profile':
      putItem(plan.own.profiles, command.profile)
      return
  }
}

type Lines = Plan['lines']

const isAmong = (ids: readonly string[]): ((line: Lines[number]) => boolean) => {
  const known = new Set(ids)
  return ({ id }) => known.has(id)
}

/** Lines of a draft that pass a test. It is put to them as they were first, for the same reason as in `indexOf`. */
const linesWhere = (lines: Lines, test: (line: Lines[number]) => boolean): Lines =>
  original(lines).flatMap((before, index) => (test(before) ? (lines[index] ?? []) : []))

/** What is set of leads: those of junctions, and those of lines that have some. */
const setLeads = ({ junctions, lines }: Writable): { from?: string | undefined }[] => [
  ...junctions,
  ...linesWhere(lines, ({ feeds }) => feeds !== undefined).flatMap(({ feeds }) => feeds ?? []),
]

/** A line that lights something for the first time gets the next letters. */
function nameByTag(plan: Writable, id: string, nextTag: () => string): void {
  const line = plan.lines[indexOf(plan.lines, id)]
  if (line === undefined || line.tag !== undefined || !/^\s*[^\s#]/.test(line.text)) return
  line.tag = nextTag()
}

/**
 * Where the item stands, or -1. Looks in the list as it was first: each item that is looked at in a draft is made a draft
 * itself, which takes longer than all the rest.
 */
function indexOf(items: { id: string }[], id: string): number {
  const before = original(items).findIndex((item) => item.id === id)
  if (before >= 0 && items[before]?.id === id) return before
  return items.findIndex((item) => item.id === id)
}

/** Takes the item out; gives it back in a list of one, or an empty list. */
function removeFrom<Item extends { id: string }>(items: Item[], id: string): Item[] {
  const index = indexOf(items, id)
  return index < 0 ? [] : items.splice(index, 1)
}

/** Sets what is given; what is given as `undefined` is taken away. */
function put<Target extends object>(
  target: Target,
  values: { [Key in keyof Target]?: unknown },
): void {
  for (const [key, value] of Object.entries(values)) {
    if (value === undefined) Reflect.deleteProperty(target, key)
    else Reflect.set(target, key, value)
  }
}

function putItem<Item extends { id: string }>(items: Item[], item: Item): void {
  const index = indexOf(items, item.id)
  // A copy: a later command of the same change may write to it.
  if (index < 0) items.push({ ...item })
  else items[index] = { ...item }
}
