import { Command, CommanderError } from 'commander'
import type { DrawerItem } from '../core/buy/drawer'
import { networkSchema } from '../core/feed/network-schema'
import { allStages } from '../core/late-stages'
import { caseNames } from '../core/plan/choices'
import type { OwnPrice, Plan } from '../core/plan/plan'
import { plural } from '../core/quantity/format'
import { messageOf } from '../core/quantity/message-of'
import { z } from '../core/quantity/z'
import { sums } from '../core/sums'
import { csv, plainCsv, type CsvStyle } from '../formats/csv'
import { drawerSchema, readDrawer } from '../formats/drawer-file'
import { planLinkC, planPictures, planPrograms, planShowC, planTables } from '../formats/exports'
import { planJsonSchema, readPlanFile, type PlanFileResult } from '../formats/plan-file'
import { readPriceList } from '../formats/price-list'
import { planNetlist } from '../formats/spice'
import { networkJson, readingJson, stepsJson, type NetworkArguments } from './build'
import { buyJson } from './buy'
import { demoNames, demoText } from './demos'
import { jotted } from './jot'
import { faultJson, faultsJson, mendJson } from './mend'
import { kindOf } from './options'
import { BadInput, fail, json } from './output'
import { playText, showOf, usualFps, type PlayArguments } from './play'
import { solutionOf, sumJson } from './sums'
import { compareJson, stageJson, tallyJson } from './tally'
import packageJson from '../../package.json' with { type: 'json' }

const { version } = packageJson

function planOf(text: string, from: string): Extract<PlanFileResult, { ok: true }> {
  const read = readPlanFile(text)
  return read.ok ? read : fail(from, read.issues)
}

function demo(name: string): string {
  const text = demoText(name)
  if (text === undefined)
    throw new BadInput(`${name}: no demo plan of that name; there are ${demoNames().join(', ')}`)
  return text
}

/** Semicolons bring a decimal comma with them. */
const separators: Readonly<Record<string, CsvStyle['separator']>> = {
  comma: plainCsv.separator,
  semicolon: ';',
  tab: '\t',
}

function programText(plan: Plan, options: { json?: boolean }): string {
  return planPrograms[options.json === true ? 'json' : 'header'](plan)
}

function nothingToLight({ name }: Plan): never {
  throw new BadInput(
    `${name}: nothing in it can be dimmed by a program; give a run pixels, or a dimmer`,
  )
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
