import { readFileSync } from 'node:fs'
import { Command, CommanderError } from 'commander'
import { networkIssues, networkSchema } from '../core/feed/network-schema'
import { planNetwork } from '../core/feed/plan-network'
import { solve } from '../core/feed/solve'
import { splitRuns } from '../core/feed/split-runs'
import { readLine, type Reading } from '../core/measure/jot'
import { runNamer } from '../core/measure/measure'
import { caseNames } from '../core/plan/choices'
import type { Plan } from '../core/plan/plan'
import { issuesOf, z, type Issue } from '../core/quantity/z'
import { sums } from '../core/sums'
import { pixelMap } from '../core/lanes/pixel-map'
import { programData } from '../core/signal/program'
import { tally } from '../core/tally'
import { diagramOf } from '../core/wire/diagram'
import { worked } from '../core/worked'
import { cutsCsv } from '../formats/csv-cuts'
import { feedsCsv } from '../formats/csv-feeds'
import { plugsCsv } from '../formats/csv-plugs'
import { jointsCsv, pixelsCsv, wiresCsv } from '../formats/csv-wires'
import { readPlanFile } from '../formats/plan-file'
import { solutionJson } from '../formats/solution-json'
import { programHeader, programJson } from '../formats/program'
import { planNetlist } from '../formats/spice'
import { diagramSvg } from '../formats/svg-diagram'
import { drawingSvg } from '../formats/svg-drawing'
import { demoNames, demoText } from './demos'

/** Input that cannot be worked with: which, and what was expected. Ends the program with code 1. */
class BadInput extends Error {}

const print = (value: unknown): void => {
  process.stdout.write(`${JSON.stringify(value, plainNumbers, 2)}\n`)
}

/** Rows of volts as lists, to a tenth of a millivolt; what is endless, such as a battery with no load, as null. */
const plainNumbers = (_key: string, value: unknown): unknown =>
  value instanceof Float64Array ? Array.from(value, (one) => Math.round(one * 1e4) / 1e4) : value

/** The text of a file, or of standard input for `-`. */
function textOf(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch (error) {
    throw new BadInput(
      `${file}: cannot be read (${error instanceof Error ? error.message : 'unknown'})`,
    )
  }
}

/** The parsed JSON of a file, or of standard input for `-`. */
function jsonOf(file: string): unknown {
  const text = textOf(file)
  try {
    return JSON.parse(text)
  } catch (error) {
    throw new BadInput(`${file}: not JSON (${error instanceof Error ? error.message : 'unknown'})`)
  }
}

/** Ends with what is wrong, a line each: whose input, which field, what was expected. */
function fail(from: string, issues: readonly Issue[]): never {
  throw new BadInput(
    issues
      .slice(0, 20)
      .map(({ path, message }) => `${from}: ${path === '' ? '' : `${path}: `}${message}`)
      .join('\n'),
  )
}

function planOf(text: string, from: string): Plan {
  const read = readPlanFile(text)
  return read.ok ? read.plan : fail(from, read.issues)
}

function tallyCommand(file: string | undefined, options: { demo?: string }): void {
  if ((file === undefined) === (options.demo === undefined))
    throw new CommanderError(2, 'glow.usage', 'error: give a plan file, or --demo NAME')
  const [text, from] =
    options.demo === undefined
      ? [textOf(file ?? ''), file ?? '']
      : [demo(options.demo), options.demo]
  print(tally(planOf(text, from)))
}

function demo(name: string): string {
  const text = demoText(name)
  if (text === undefined)
    throw new BadInput(`${name}: no demo plan of that name; there are ${demoNames().join(', ')}`)
  return text
}

/** Pixels on lines by themselves, which have no strip: 60 to the metre. */
const jottedPixelMm = 1000 / 60

function jotCommand(file: string): void {
  const lines = textOf(file).split(/\r?\n/)
  if (lines.at(-1) === '') lines.pop()
  const namer = runNamer()
  print(
    lines.map((line) => ({
      line,
      ...understood(readLine(line, { pixelMm: jottedPixelMm }), namer),
    })),
  )
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

function solveCommand(file: string, options: { volts?: boolean }): void {
  const parsed = networkSchema.safeParse(jsonOf(file))
  const issues = parsed.success ? networkIssues(parsed.data) : issuesOf(parsed.error)
  if (!parsed.success || issues.length > 0) fail(file, issues)
  const result = solve(parsed.data)
  if (!result.ok)
    throw new BadInput(
      `${file}: no answer (${result.reason}, ${String(result.residualA)} A left over): look for a supply on a short, or ohms far apart`,
    )
  print(solutionJson(result.solution, options.volts === true))
}

const csvKinds: Readonly<Record<string, (plan: Plan) => string>> = {
  cuts: (plan) => cutsCsv(tally(plan).reels),
  feeds: (plan) => feedsCsv(tally(plan)),
  plugs: (plan) => plugsCsv(tally(plan)),
  wires: (plan) => wiresCsv(worked(plan).wiring),
  joints: (plan) => jointsCsv(worked(plan).joints, plan.wiring.ticks),
  pixels: (plan) => {
    const { lanes, layout } = worked(plan)
    return pixelsCsv(pixelMap(lanes, layout))
  },
}

function networkCommand(file: string, options: { case?: string }): void {
  const plan = planOf(textOf(file), file)
  const cases = Object.fromEntries(caseNames.map((one) => [one, one] as const))
  const loadCase =
    options.case === undefined ? plan.scene.shown : kindOf(cases, 'case', options.case)
  print(splitRuns(planNetwork(worked(plan), loadCase)))
}

function spiceCommand(file: string): void {
  process.stdout.write(planNetlist(planOf(textOf(file), file)))
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

function csvCommand(kind: string, file: string): void {
  const list = kindOf(csvKinds, 'list', kind)
  process.stdout.write(list(planOf(textOf(file), file)))
}

const svgKinds: Readonly<Record<string, (plan: Plan) => string>> = {
  drawing: drawingSvg,
  diagram: (plan) => {
    const results = worked(plan)
    return diagramSvg(diagramOf(results.wiring, results, plan.units), plan)
  },
}

function svgCommand(kind: string, file: string): void {
  const picture = kindOf(svgKinds, 'picture', kind)
  process.stdout.write(picture(planOf(textOf(file), file)))
}

function headerCommand(file: string, options: { json?: boolean }): void {
  const plan = planOf(textOf(file), file)
  const data = programData(worked(plan))
  process.stdout.write(options.json === true ? programJson(data) : programHeader(data))
}

function sumCommand(name: string, file = '-'): void {
  const sum = sums.find((candidate) => candidate.name === name)
  if (sum === undefined)
    throw new BadInput(
      `${name}: no sum of that name; there are ${sums.map((candidate) => candidate.name).join(', ')}`,
    )
  const result = sum.work(jsonOf(file))
  if (!result.ok) fail(name, result.issues)
  print(result.answer)
}

const program = new Command('glow')
  .description('Works out plans of low-voltage light. JSON on standard output.')
  .exitOverride()
program
  .command('tally')
  .description('the whole tally of a plan')
  .argument('[plan]', 'a plan file, or - for standard input')
  .option('--demo <name>', 'a demo plan in place of a file')
  .action(tallyCommand)
program
  .command('plans')
  .description('the demo plans')
  .action(() => {
    print(demoNames().map((name) => ({ name, title: planOf(demo(name), name).name })))
  })
program
  .command('jot')
  .description('what the pad understands of a file, line by line')
  .argument('<file>', 'a text file, or - for standard input')
  .action(jotCommand)
program
  .command('solve')
  .description('the volts and amperes of a feed network')
  .argument('<network>', 'a JSON file, or - for standard input')
  .option('--volts', 'the volts at each load too')
  .action(solveCommand)
program
  .command('csv')
  .description('a list of a plan as CSV')
  .argument('<kind>', `what to list: ${Object.keys(csvKinds).join(', ')}`)
  .argument('<plan>', 'a plan file, or - for standard input')
  .action(csvCommand)
program
  .command('network')
  .description('the feed network of a plan, as `solve` reads it')
  .argument('<plan>', 'a plan file, or - for standard input')
  .option('--case <case>', `a load case: ${caseNames.join(', ')}; without it the one that is shown`)
  .action(networkCommand)
program
  .command('spice')
  .description('the feed network of a plan as a netlist for any circuit simulator')
  .argument('<plan>', 'a plan file, or - for standard input')
  .action(spiceCommand)
program
  .command('svg')
  .description(
    'a picture of a plan as SVG: the drawing, 1 unit = 1 mm, or the diagram of its wires',
  )
  .argument('<kind>', `what to draw: ${Object.keys(svgKinds).join(', ')}`)
  .argument('<plan>', 'a plan file, or - for standard input')
  .action(svgCommand)
program
  .command('header')
  .description('pixel counts, pins, lanes and limits for the program, as a C header')
  .argument('<plan>', 'a plan file, or - for standard input')
  .option('--json', 'as JSON instead')
  .action(headerCommand)
program
  .command('sum')
  .description('one sum')
  .argument('<name>', 'its name; `sums` lists them')
  .argument('[file]', 'a JSON file, or - for standard input')
  .action(sumCommand)
program
  .command('sums')
  .description('the sums and their fields')
  .action(() => {
    print(
      sums.map(({ name, about, given }) => ({
        name,
        about,
        fields: z.toJSONSchema(given, { io: 'input' }),
      })),
    )
  })

try {
  program.parse()
} catch (error) {
  if (error instanceof CommanderError) {
    // Commander has already said what is wrong; help that was asked for is no mistake.
    if (error.code === 'glow.usage') process.stderr.write(`${error.message}\n`)
    process.exitCode = error.exitCode === 0 ? 0 : 2
  } else if (error instanceof BadInput) {
    process.stderr.write(`${error.message}\n`)
    process.exitCode = 1
  } else throw error
}
