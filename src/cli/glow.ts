import { messageOf } from '../core/quantity/message-of'
import { Command, CommanderError } from 'commander'
import { withDrawer, type DrawerItem } from '../core/buy/drawer'
import { partsOf } from '../core/parts/find'
import { workingText } from '../core/quantity/figure'
import { networkIssues, networkSchema } from '../core/feed/network-schema'
import { connectedAfter, jointsUpTo } from '../core/build/connected'
import { scheduleOf } from '../core/build/order'
import { readingsAfter } from '../core/build/readings'
import type { Step } from '../core/build/step'
import { solve } from '../core/feed/solve'
import { playWhole, toEnd } from '../core/glow/play'
import { showsOf } from '../core/glow/usual-show'
import { readLine, type Reading } from '../core/measure/jot'
import { runNamer } from '../core/measure/measure'
import { buildSchools } from '../core/plan/build-choices'
import { caseNames } from '../core/plan/choices'
import type { OwnPrice, Plan, Show } from '../core/plan/plan'
import { plural } from '../core/quantity/format'
import { toCents } from '../core/quantity/round'
import { issuesOf, z } from '../core/quantity/z'
import { sums } from '../core/sums'
import { compare } from '../core/choose/compare'
import { fixedVerdicts } from '../core/choose/fixes'
import { showVerdicts } from '../core/verdict/judge-show'
import { allStages } from '../core/late-stages'
import type { StageName } from '../core/derived'
import { tallyOf } from '../core/tally'
import type { TallyRun } from '../core/tally-parts'
import { engineOf, worked } from '../core/worked'
import { csv, plainCsv, type CsvStyle } from '../formats/csv'
import { framesTable } from '../formats/csv-frames'
import { drawerSchema, readDrawer } from '../formats/drawer-file'
import { planJsonSchema, readPlanFile, type PlanFileResult } from '../formats/plan-file'
import { readPriceList } from '../formats/price-list'
import { solutionJson } from '../formats/solution-json'
import {
  planFeedNetwork,
  planPictures,
  planPrograms,
  planLinkC,
  planShowC,
  planTables,
} from '../formats/exports'
import { planNetlist } from '../formats/spice'
import { demoNames, demoText } from './demos'
import { faultJson, faultsJson, mendJson, networkWithFault } from './mend'
import { BadInput, fail, json } from './output'
import packageJson from '../../package.json' with { type: 'json' }

const { version } = packageJson

function planOf(text: string, from: string): Extract<PlanFileResult, { ok: true }> {
  const read = readPlanFile(text)
  return read.ok ? read : fail(from, read.issues)
}

/** Trials of remedies in one tally: a plan with more than that to mend gets told its gravest first. */
const mostTrials = 400

/** The tally, with those remedies that were tried on the whole plan and work. */
function tallyJson(plan: Plan): string {
  const engine = engineOf(plan)
  const told = tallyOf(engine)
  return json({
    ...told,
    runs: told.runs.map(printedRun),
    verdicts: fixedVerdicts(engine, mostTrials),
  })
}

/** A run as other programs read it: cut groups are counted as `cuts` there. */
const printedRun = ({ groups, pieces, ...run }: TallyRun): object => ({
  ...run,
  cuts: groups,
  pieces: pieces.map(({ groups: own, ...piece }) => ({ ...piece, cuts: own })),
})

/** What one stage makes of a plan. */
function stageJson(name: string, plan: Plan): string {
  const names = Object.fromEntries(Object.keys(allStages).map((one) => [one, one]))
  return json(worked(plan)[kindOf(names, 'stage', name) as StageName])
}

function demo(name: string): string {
  const text = demoText(name)
  if (text === undefined)
    throw new BadInput(`${name}: no demo plan of that name; there are ${demoNames().join(', ')}`)
  return text
}

/** Pixels on lines by themselves, which have no strip: 60 to the metre. */
const jottedPixelMm = 1000 / 60

/** What was understood of each line, and how many were not. */
function jotted(text: string): { readonly lines: readonly object[]; readonly refused: number } {
  const lines = text.split(/\r?\n/)
  if (lines.at(-1) === '') lines.pop()
  const namer = runNamer()
  const readings = lines.map((line) => readLine(line, { pixelMm: jottedPixelMm }))
  return {
    lines: readings.map((reading, index) => ({
      line: lines[index],
      ...understood(reading, namer),
    })),
    refused: readings.filter(({ kind }) => kind === 'error').length,
  }
}

function understood(reading: Reading, namer: ReturnType<typeof runNamer>): object {
  switch (reading.kind) {
    case 'nothing':
      return { skipped: true }
    case 'error':
      return { error: { message: reading.message, at: reading.at } }
    case 'run': {
      const { shape, segments, lights } = reading
      const measures =
        lights.length > 0
          ? { lights: lights.length }
          : { segmentsMm: segments.map((segment) => segment.lengthMm) }
      return { name: namer(reading), shape, ...measures }
    }
  }
}

function solutionOf(given: unknown, file: string, options: { volts?: boolean }): string {
  const parsed = networkSchema.safeParse(given)
  const issues = parsed.success ? networkIssues(parsed.data) : issuesOf(parsed.error)
  if (!parsed.success || issues.length > 0) fail(file, issues)
  const result = solve(parsed.data)
  if (!result.ok)
    throw new BadInput(
      `${file}: no answer (${result.reason}, ${String(result.residualA)} A left over): look for a supply on a short, or ohms far apart`,
    )
  return json(solutionJson(result.solution, options.volts === true))
}

/** Semicolons bring a decimal comma with them. */
const separators: Readonly<Record<string, CsvStyle['separator']>> = {
  comma: plainCsv.separator,
  semicolon: ';',
  tab: '\t',
}

/** The bill with its packs and prices. What a drawer holds is taken first; prices of a list beat those of the plan. */
function buyJson(given: Plan, items: readonly DrawerItem[], prices: readonly OwnPrice[]): string {
  const strips = new Set(partsOf(given.own).strips.map(({ id }) => id))
  const known = new Set(prices.map(({ line }) => line))
  const own = [...given.buy.prices.filter(({ line }) => !known.has(line)), ...prices]
  const priced = { ...given, buy: { ...given.buy, prices: own } }
  const drawer = items.map((item, index) => ({ ...item, id: `drawer-${String(index)}` }))
  const plan =
    drawer.length === 0 ? priced : withDrawer(priced, drawer, strips, (one) => worked(one).bill)
  const { lines, total, unpriced } = worked(plan).receipt
  return json({
    currency: plan.buy.currency,
    lines: lines.map((line) => ({
      id: line.id,
      group: line.group,
      name: line.name,
      need: line.need,
      unit: line.unit,
      have: line.have,
      packs: line.buys,
      cost: line.cost === null ? null : toCents(line.cost),
      for: line.for,
      sum: `${workingText(line)}; ${line.rule}`,
      page: line.page,
      ...(line.part !== undefined && { part: line.part }),
      ...(line.note !== undefined && { note: line.note }),
    })),
    total: toCents(total),
    unpriced,
  })
}

/** The plan with each strip that fits it, worked out whole. */
const compareJson = (plan: Plan): string =>
  json({
    candidates: [...compare(plan)].map(({ strip, isPresent, commands, ...one }) => ({
      stripId: strip.id,
      name: strip.name,
      volts: strip.volts,
      isPresent,
      ...one,
      cost: toCents(one.cost),
      supply: one.supplies.join(' and ') || null,
      edits: commands.length,
    })),
  })

/** The steps of building a plan in their order, as the contract has them. */
function stepsJson(plan: Plan, options: { school?: string }): string {
  const schools = Object.fromEntries(buildSchools.map((one) => [one, one] as const))
  const school =
    options.school === undefined ? undefined : kindOf(schools, 'school', options.school)
  const { steps, minutes, elapsedMin } = scheduleOf(worked(plan), school)
  return json({
    steps: steps.map(stepJson),
    minutes: round(minutes),
    elapsedMin: round(elapsedMin),
  })
}

/** To hundredths of a minute. */
const round = (value: number): number => Math.round(value * 100) / 100

const stepJson = (step: Step): object => ({
  id: step.id,
  kind: step.kind,
  title: step.title,
  how: step.how,
  about: step.about,
  needs: step.needs,
  minutes: round(step.minutes),
  waitMin: step.waitMin,
  joints: step.joints,
  threads: step.threads,
  undoable: step.undoable,
  cautions: step.cautions,
  tool: step.tool,
})

interface NetworkArguments {
  readonly case?: string
  readonly after?: string
  readonly fault?: string
}

function networkJson(plan: Plan, options: NetworkArguments): string {
  const cases = Object.fromEntries(caseNames.map((one) => [one, one] as const))
  const loadCase =
    options.case === undefined ? plan.scene.shown : kindOf(cases, 'case', options.case)
  if (options.after !== undefined && options.fault !== undefined)
    throw new CommanderError(2, 'glow.usage', 'error: either --after or --fault')
  if (options.fault !== undefined) return json(networkWithFault(plan, loadCase, options.fault))
  if (options.after === undefined) return json(planFeedNetwork(plan, loadCase))
  const { step, done } = stepOf(plan, options.after)
  return json(connectedAfter(worked(plan), done, step, loadCase).network)
}

/** What the meter should say after a step, as the contract has it. */
function readingJson(plan: Plan, options: { after: string }): string {
  const { step, done } = stepOf(plan, options.after)
  const { connected, by, readings, benchLimitA } = readingsAfter(worked(plan), done, step)
  return json({ connected: Object.fromEntries(connected), by, readings, benchLimitA })
}

/** A step of the plan in its own order, with the joints that are done once it is. */
function stepOf(plan: Plan, id: string): { step: Step; done: ReadonlySet<string> } {
  const { steps } = worked(plan).schedule
  const step = steps.find((one) => one.id === id)
  if (step === undefined)
    throw new BadInput(
      `there is no step “${id}”: \`glow steps\` lists them, such as ${steps[0]?.id ?? 'none: the plan has none yet'}`,
    )
  return { step, done: jointsUpTo(steps, id) }
}

/** The show of that name, or the plan's first. */
function showOf(plan: Plan, name: string | undefined): Show {
  const shows = showsOf(plan)
  const found =
    name === undefined ? shows[0] : shows.find((show) => [show.name, show.id].includes(name))
  if (found === undefined)
    throw new BadInput(
      `there is no show “${name ?? ''}”; there ${shows.length === 1 ? 'is' : 'are'} ${shows.map((show) => show.name).join(', ')}`,
    )
  return found
}

interface PlayArguments {
  readonly show?: string
  readonly seconds?: string
  readonly fps?: string
  readonly frames?: boolean
}

/** Frames a second where nobody says, and the most that a call plays, so that it ends. */
const [usualFps, mostFps, mostSeconds] = [50, 400, 3_600]

/** What a show of a plan comes to, as the contract has it, or its frames as CSV. */
function playText(plan: Plan, options: PlayArguments): string {
  const show = showOf(plan, options.show)
  const framesPerSecond = numberOption('fps', options.fps, mostFps) ?? usualFps
  const seconds = numberOption('seconds', options.seconds, mostSeconds)
  const given = worked(plan)
  const run = { seconds, framesPerSecond }
  if (options.frames === true) return csv(framesTable(given, show, run))
  const whole = playWhole(given, show, run)
  const { played, flashingAsPlayed: flashing } = whole
  const { supplies, problems, limited = null, framesPerSecond: fps, ...figures } = played
  const { seconds: length, meanA, peakA, peakAtS, whPerHour, unsolved } = figures
  const verdicts = toEnd(showVerdicts(given, show, { whole, run, workOut: worked }))
  return json({
    show: show.name,
    seconds: length,
    fps,
    meanA,
    peakA,
    peakAtS,
    whPerHour,
    flashesPerSecond: flashing.perSecond,
    flashing: flashing.worst ?? null,
    supplies,
    limited,
    verdicts: verdicts.map(({ remedies, ...verdict }) => ({
      ...verdict,
      remedies: remedies.map(({ label }) => label),
    })),
    unsolved,
    problems,
  })
}

function nothingToLight({ name }: Plan): never {
  throw new BadInput(
    `${name}: nothing in it can be dimmed by a program; give a run pixels, or a dimmer`,
  )
}

/** A number above 0 that was given with an option. */
function numberOption(name: string, text: string | undefined, most: number): number | undefined {
  if (text === undefined) return undefined
  const value = Number(text)
  if (!(value > 0 && value <= most))
    throw new BadInput(`--${name}: “${text}” is not a number above 0 and up to ${String(most)}`)
  return value
}

/** The one of that name, or an error that lists those there are. */
function kindOf<Kind>(kinds: Readonly<Record<string, Kind>>, what: string, name: string): Kind {
  const found = kinds[name]
  if (found === undefined)
    throw new CommanderError(
      2,
      'glow.usage',
      `error: no ${what} ${name}; there is ${Object.keys(kinds).join(', ')}`,
    )
  return found
}

function programText(plan: Plan, options: { json?: boolean }): string {
  return planPrograms[options.json === true ? 'json' : 'header'](plan)
}

/** @param given reads what the sum is to work with: only once there is such a sum */
function sumJson(name: string, given: () => unknown): string {
  const sum = sums.find((candidate) => candidate.name === name)
  if (sum === undefined)
    throw new BadInput(
      `${name}: no sum of that name; there are ${sums.map((candidate) => candidate.name).join(', ')}`,
    )
  const result = sum.work(given())
  if (!result.ok) fail(name, result.issues)
  return json(result.answer)
}

const schemas: Readonly<Record<string, () => object>> = {
  plan: planJsonSchema,
  drawer: () => z.toJSONSchema(drawerSchema, { io: 'input' }),
  network: () => z.toJSONSchema(networkSchema, { io: 'input' }),
}

/** Where a call reads and writes. */
export interface Streams {
  /** The text of a file, or of standard input for `-`. Throws where it cannot be read. */
  readonly read: (file: string) => string
  readonly out: (text: string) => void
  readonly err: (text: string) => void
}

/** Carries out one call of the command line. Answers with its exit code: 0, 1 for input that cannot be worked with, 2 for wrong usage. */
export function glow(args: readonly string[], { read, out, err }: Streams): number {
  const textOf = (file: string): string => {
    try {
      return read(file)
    } catch (error) {
      throw new BadInput(
        `${file}: cannot be read (${error instanceof Error ? error.message : 'unknown'})`,
      )
    }
  }
  const jsonOf = (file: string): unknown => {
    const text = textOf(file)
    try {
      return JSON.parse(text)
    } catch (error) {
      throw new BadInput(
        `${file}: not JSON (${error instanceof Error ? error.message : 'unknown'})`,
      )
    }
  }
  const planIn = (file: string): Plan => {
    const { plan, adjusted } = planOf(textOf(file), file)
    for (const { path, message } of adjusted) err(`${file}: ${path}: ${message}\n`)
    return plan
  }
  const program = commandsOf({ textOf, jsonOf, planIn, out })
    .exitOverride()
    .configureOutput({ writeOut: out, writeErr: err })
  for (const command of program.commands) command.copyInheritedSettings(program)
  try {
    program.parse(args, { from: 'user' })
    return 0
  } catch (error) {
    if (error instanceof CommanderError) {
      // Commander has already said what is wrong; help that was asked for is no mistake.
      if (error.code === 'glow.usage') err(`${error.message}\n`)
      return error.exitCode === 0 ? 0 : 2
    }
    const message = messageOf(error)
    err(
      error instanceof BadInput
        ? `${message}\n`
        : `This could not be worked out: ${message}. It is a fault of the program; please tell its makers what was asked\n`,
    )
    return 1
  }
}

interface Access {
  readonly textOf: (file: string) => string
  readonly jsonOf: (file: string) => unknown
  readonly planIn: (file: string) => Plan
  readonly out: (text: string) => void
}

function commandsOf({ textOf, jsonOf, planIn, out }: Access): Command {
  const itemsIn = (file: string | undefined): readonly DrawerItem[] => {
    const read = file === undefined ? undefined : readDrawer(jsonOf(file))
    if (read?.ok === false) fail(file ?? '', read.issues)
    return read?.items ?? []
  }
  const pricesIn = (file: string | undefined): readonly OwnPrice[] => {
    const read = file === undefined ? undefined : readPriceList(textOf(file))
    if (read?.ok === false)
      fail(
        file ?? '',
        read.issues.map(({ row, column, message }) => ({
          path: `row ${String(row)}, ${column}`,
          message,
        })),
      )
    return read?.prices ?? []
  }
  const program = new Command('glow').description(
    'Works out plans of low-voltage light. JSON on standard output.',
  )
  program.version(version, '--version', 'the version of this program')
  program
    .command('tally')
    .description('the whole tally of a plan')
    .argument('[plan]', 'a plan file, or - for standard input')
    .option('--demo <name>', 'a demo plan in place of a file')
    .action((file: string | undefined, options: { demo?: string }) => {
      if ((file === undefined) === (options.demo === undefined))
        throw new CommanderError(2, 'glow.usage', 'error: give a plan file, or --demo NAME')
      const { demo: name } = options
      out(tallyJson(name === undefined ? planIn(file ?? '') : planOf(demo(name), name).plan))
    })
  program
    .command('stage')
    .description('what one stage makes of a plan')
    .argument('<name>', `the stage: ${Object.keys(allStages).join(', ')}`)
    .argument('<plan>', 'a plan file, or - for standard input')
    .action((name: string, file: string) => {
      out(stageJson(name, planIn(file)))
    })
  program
    .command('plans')
    .description('the demo plans')
    .action(() => {
      out(json(demoNames().map((name) => ({ name, title: planOf(demo(name), name).plan.name }))))
    })
  program
    .command('jot')
    .description('what the pad understands of a file, line by line')
    .argument('<file>', 'a text file, or - for standard input')
    .action((file: string) => {
      const { lines, refused } = jotted(textOf(file))
      out(json(lines))
      if (refused > 0) throw new BadInput(`${file}: ${plural(refused, 'line')} not understood`)
    })
  program
    .command('solve')
    .description('the volts and amperes of a feed network')
    .argument('<network>', 'a JSON file, or - for standard input')
    .option('--volts', 'the volts at each load too')
    .action((file: string, options: { volts?: boolean }) => {
      out(solutionOf(jsonOf(file), file, options))
    })
  program
    .command('csv')
    .description('a list of a plan as CSV')
    .argument('<kind>', `what to list: ${Object.keys(planTables).join(', ')}`)
    .argument('<plan>', 'a plan file, or - for standard input')
    .option('--separator <name>', `between cells: ${Object.keys(separators).join(', ')}`, 'comma')
    .option('--mark', 'a mark of the encoding at the start, for spreadsheets')
    .action((kind: string, file: string, options: { separator: string; mark?: boolean }) => {
      const tableOf = kindOf(planTables, 'list', kind)
      const separator = kindOf(separators, 'separator', options.separator)
      out(csv(tableOf(planIn(file)), { separator, hasMark: options.mark === true }))
    })
  program
    .command('buy')
    .description('the bill of a plan: what to buy, in which packs, and what it costs')
    .argument('<plan>', 'a plan file, or - for standard input')
    .option('--drawer <file>', 'what you have already, as a drawer file')
    .option('--prices <file>', 'your own prices, as a price list in CSV')
    .action((file: string, options: { drawer?: string; prices?: string }) => {
      out(buyJson(planIn(file), itemsIn(options.drawer), pricesIn(options.prices)))
    })
  program
    .command('compare')
    .description('the plan worked out whole with each strip that fits it: which light?')
    .argument('<plan>', 'a plan file, or - for standard input')
    .action((file: string) => {
      out(compareJson(planIn(file)))
    })
  program
    .command('steps')
    .description('every step of building a plan, in its order')
    .option('--school <name>', 'one: each run finished before the next; batch: one tool at a time')
    .argument('<plan>', 'a plan file, or - for standard input')
    .action((file: string, options: { school?: string }) => {
      out(stepsJson(planIn(file), options))
    })
  program
    .command('reading')
    .description('what the meter should say after a step of building')
    .requiredOption('--after <step>', 'the id of the step, as `steps` lists it')
    .argument('<plan>', 'a plan file, or - for standard input')
    .action((file: string, options: { after: string }) => {
      out(readingJson(planIn(file), options))
    })
  program
    .command('network')
    .description('the feed network of a plan, as `solve` reads it')
    .argument('<plan>', 'a plan file, or - for standard input')
    .option(
      '--case <case>',
      `a load case: ${caseNames.join(', ')}; without it the one that is shown`,
    )
    .option('--after <step>', 'only what is joined once that step of building is done')
    .option('--fault <fault>', 'with that fault in it, as `faults` lists it')
    .action((file: string, options: NetworkArguments) => {
      out(networkJson(planIn(file), options))
    })
  program
    .command('faults')
    .description('every single fault that a plan can have, with its chance')
    .argument('<plan>', 'a plan file, or - for standard input')
    .action((file: string) => {
      out(faultsJson(planIn(file)))
    })
  program
    .command('fault')
    .description('what a fault looks like, and what a meter reads with it')
    .argument('<plan>', 'a plan file, or - for standard input')
    .argument('<fault>', 'the id of the fault, as `faults` lists it')
    .argument('[other]', 'the id of a second one at the same time')
    .action((file: string, id: string, other?: string) => {
      out(faultJson(planIn(file), id, other))
    })
  program
    .command('mend')
    .description('what may be wrong, by what is seen, and what to test next')
    .argument('<plan>', 'a plan file, or - for standard input')
    .argument('<seen>', 'what is seen, as a JSON file, or - for standard input')
    .action((file: string, seen: string) => {
      out(mendJson(planIn(file), jsonOf(seen), seen))
    })
  program
    .command('play')
    .description(
      'plays a show: amperes with the volts of each frame solved, flashes, or its frames',
    )
    .option('--show <name>', 'the show; without it the first of the plan')
    .option('--seconds <n>', 'how long; without it once through')
    .option('--fps <n>', 'frames a second', String(usualFps))
    .option('--frames', 'the bytes of each frame and lane as CSV instead')
    .argument('<plan>', 'a plan file, or - for standard input')
    .action((file: string, options: PlayArguments) => {
      out(playText(planIn(file), options))
    })
  program
    .command('c')
    .description('a show as C99 for the board: it sends just the bytes that `play --frames` lists')
    .option('--show <name>', 'the show; without it the first of the plan')
    .argument('<plan>', 'a plan file, or - for standard input')
    .action((file: string, options: { show?: string }) => {
      const plan = planIn(file)
      out(planShowC(plan, showOf(plan, options.show)) ?? nothingToLight(plan))
    })
  program
    .command('link')
    .description('the bench link as C99 for the board: docs/formats.md has its lines')
    .argument('<plan>', 'a plan file, or - for standard input')
    .action((file: string) => {
      const plan = planIn(file)
      out(planLinkC(plan) ?? nothingToLight(plan))
    })
  program
    .command('spice')
    .description('the feed network of a plan as a netlist for any circuit simulator')
    .argument('<plan>', 'a plan file, or - for standard input')
    .action((file: string) => {
      out(planNetlist(planIn(file)))
    })
  program
    .command('svg')
    .description(
      'a picture of a plan as SVG: the drawing, 1 unit = 1 mm, or the diagram of its wires',
    )
    .argument('<kind>', `what to draw: ${Object.keys(planPictures).join(', ')}`)
    .argument('<plan>', 'a plan file, or - for standard input')
    .action((kind: string, file: string) => {
      out(kindOf(planPictures, 'picture', kind)(planIn(file)))
    })
  program
    .command('header')
    .description('pixel counts, pins, lanes and limits for the program, as a C header')
    .argument('<plan>', 'a plan file, or - for standard input')
    .option('--json', 'as JSON instead')
    .action((file: string, options: { json?: boolean }) => {
      out(programText(planIn(file), options))
    })
  program
    .command('schema')
    .description(
      'the plan file, or with `network` what `solve` reads, `drawer` what `buy` reads, as a JSON Schema',
    )
    .argument('[what]', `one of ${Object.keys(schemas).join(', ')}`, 'plan')
    .action((what: string) => {
      out(json(kindOf(schemas, 'schema', what)()))
    })
  program
    .command('sum')
    .description('one sum')
    .argument('<name>', 'its name; `sums` lists them')
    .argument('[file]', 'a JSON file, or - for standard input')
    .action((name: string, file: string | undefined) => {
      out(sumJson(name, () => jsonOf(file ?? '-')))
    })
  program
    .command('sums')
    .description('the sums and their fields')
    .action(() => {
      out(
        json(
          sums.map(({ name, about, given }) => ({
            name,
            about,
            fields: z.toJSONSchema(given, { io: 'input' }),
          })),
        ),
      )
    })

  return program
}
