import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { demoPlan } from '../testing/demo-plan'
import { glow } from './glow'

const root = fileURLToPath(new URL('../..', import.meta.url))
function run(args: readonly string[], input = '') {
  let [stdout, stderr] = ['', '']
  const status = glow(args, {
    read: (file) => (file === '-' ? input : readFileSync(`${root}/${file}`, 'utf8')),
    out: (text) => (stdout += text),
    err: (text) => (stderr += text),
  })
  return { status, stdout, stderr }
}
function asked(args: readonly string[], input = '') {
  const { stdout, ...rest } = run(args, input)
  return { ...rest, json: (stdout === '' ? undefined : JSON.parse(stdout)) as unknown }
}

describe('the command line', () => {
  it('tallies a demo plan, and the same from a file', () => {
    const { status, json } = asked(['tally', '--demo', 'bay-window-nook'])
    expect(status).toBe(0)
    expect(json).toMatchObject({
      totals: { pixels: 503, singleLights: 40 },
      supplies: [{ id: 'supply-a', volts: 5, ratedA: 20 }],
    })
    const { verdicts, runs } = json as {
      verdicts: { code: string; grade: string }[]
      runs: { cuts: number; pieces: { cuts: number }[] }[]
    }
    for (const { cuts, pieces } of runs)
      expect(cuts).toBe(pieces.reduce((sum, piece) => sum + piece.cuts, 0))
    expect(verdicts).toContainEqual(expect.objectContaining({ code: 'fade', grade: 'stop' }))
    expect(verdicts).toContainEqual(
      expect.objectContaining({ code: 'wrong-end', grade: 'warning' }),
    )
    expect(asked(['tally', 'demo/bay-window-nook.json']).json).toEqual(json)
    expect(asked(['plans']).json).toContainEqual({
      name: 'bay-window-nook',
      title: 'Bay-window nook',
    })
  })

  it('jots line by line', () => {
    const lines = 'ledge 2 x 560\n# later\nsill 12oo\r\n1200\n'
    const jotted = asked(['jot', '-'], lines)
    expect([jotted.status, jotted.stderr]).toEqual([1, '-: 1 line not understood\n'])
    expect(jotted.json).toEqual([
      { line: 'ledge 2 x 560', name: 'ledge', shape: 'edge', segmentsMm: [560, 560] },
      { line: '# later', skipped: true },
      { line: 'sill 12oo', error: { message: '“12oo”: a number?', at: 5 } },
      { line: '1200', name: 'Edge 1', shape: 'edge', segmentsMm: [1200] },
    ])
  })

  it('refuses a line of ten thousand brackets, and says its version', () => {
    const deep = `a ${'('.repeat(10_000)}1${')'.repeat(10_000)}`
    const { status, json } = asked(['jot', '-'], `${deep}\na ${'('.repeat(200)}1${')'.repeat(200)}`)
    expect(status).toBe(1)
    expect(json).toMatchObject([
      { error: { message: '20003 characters: a line holds at most 500' } },
      { segmentsMm: [1] },
    ])
    expect(run(['--version'])).toMatchObject({ status: 0, stdout: '0.1.0\n' })
  })

  it('works a sum from standard input and lists all with their fields', () => {
    const given = JSON.stringify({ loadA: 13.17, headroom: 0.1, sizesA: [10, 15] })
    expect(asked(['sum', 'supply-size', '-'], given).json).toMatchObject({ pickA: 15 })
    const listed = asked(['sums']).json as { name: string; fields: object }[]
    expect(listed.find(({ name }) => name === 'cut-run')?.fields).toMatchObject({
      properties: { lengthMm: { type: 'number' } },
    })
  })

  it.each<[string[], string, number, RegExp]>([
    [
      ['sum', 'cut-run', '-'],
      '{"lengthMm": -3, "cutPitchMm": 5}',
      1,
      /^cut-run: lengthMm: .*above 0 mm/,
    ],
    [['sum', 'cut-run', '-'], '{', 1, /^-: not JSON/],
    [['sum', 'weight', '-'], '{}', 1, /no sum of that name; there are .*cut-run/],
    [['tally', 'none.json'], '', 1, /^none\.json: cannot be read/],
    [['tally', '-'], '{"format": 1}', 1, /^-: Not a plan/],
    [['tally', '--demo', 'attic'], '', 1, /no demo plan of that name; there are bay-window-nook/],
    [['tally'], '', 2, /give a plan file, or --demo NAME/],
    [['melt'], '', 2, /unknown command 'melt'/],
    [['jot'], '', 2, /missing required argument/],
  ])('glow %j with %s ends with %i', (args, input, status, message) => {
    const result = asked(args, input)
    expect(result.status).toBe(status)
    expect(result.stderr).toMatch(message)
    expect(result.json).toBeUndefined()
  })

  it('lists the cuts of a plan, every group once', () => {
    const { stdout } = run(['csv', 'cuts', 'demo/bay-window-nook.json'])
    const [header, ...rows] = stdout.trimEnd().split('\r\n')
    expect(header).toBe('strip,source,number,piece,part,parts,groups,from group,to group,length mm')
    const cells = rows.map((row) => row.replace(/^"[^"]*",/, '').split(','))
    expect(cells.map(([, , piece]) => piece).toSorted()).toEqual([
      'A1',
      'B1',
      'B2',
      'B3',
      'C1',
      'D1',
      'E1',
      'F1',
      'F2',
      'F3',
      'F4',
    ])
    expect(cells.reduce((sum, row) => sum + Number(row[5]), 0)).toBe(503)
    expect(asked(['csv', 'weights', 'demo/bay-window-nook.json']).status).toBe(2)
  })

  it.each<[readonly string[], RegExp, number]>([
    [['csv', 'wires'], /^wire,from,to,use,gauge,colour,length mm,why/, 42],
    [['csv', 'bill'], /^group,what,need,unit,sum,from the drawer,buy,cost EUR,note/, 31],
    [['csv', 'joints'], /^joint,kind,where,what meets,thread on first/, 59],
    [['csv', 'pixels'], /^lane,number,run,in run,x mm,y mm,lit/, 504],
    [['header'], /#define LANE_COUNT 3/, 54],
    [['header', '--json'], /"fullWhiteMa": 18108/, 99],
    [['svg', 'diagram'], /^<svg xmlns.*data-wire="W41"/, 1],
  ])('writes %j of the nook', (args, text, lines) => {
    const { stdout, status } = run([...args, 'demo/bay-window-nook.json'])
    expect(status).toBe(0)
    expect(stdout).toMatch(text)
    expect(stdout.trimEnd().split(/\r?\n/)).toHaveLength(lines)
  })

  it('plays a show, and writes the same as C', () => {
    const plan = 'demo/bay-window-nook.json'
    const { json } = asked(['play', plan, '--seconds', '1', '--fps', '20'])
    expect(json).toMatchObject({
      seconds: 1,
      fps: 20,
      flashesPerSecond: 0,
      supplies: [{ id: 'supply-a', limitMa: 15_566 }],
      verdicts: [],
      problems: [],
    })
    const { meanA, peakA, whPerHour } = json as Record<string, number>
    expect(meanA).toBeLessThanOrEqual(peakA!)
    expect(whPerHour).toBeCloseTo(5 * meanA!, 9)

    const frames = run([
      'play',
      plan,
      '--show',
      'Slow colours',
      '--frames',
      '--seconds',
      '1',
      '--fps',
      '3',
    ])
    const rows = frames.stdout
      .trim()
      .split('\r\n')
      .map((row) => row.split(','))
    expect(rows[0]).toEqual(['ms', 'lane', 'hex'])
    expect(rows.slice(1).map(([ms, lane, hex]) => [ms, lane, hex!.length / 6])).toEqual(
      ['0', '333', '666'].flatMap((ms) => [
        [ms, 'Seat', 161],
        [ms, 'Niche', 185],
        [ms, 'High', 157],
      ]),
    )
    expect(run(['c', plan, '--show', 'slow']).stdout).toContain('#define GLOW_LANES 3')
    expect(run(['link', plan]).stdout).toContain('glow_link_lane_count = 3u')

    expect(run(['play', plan, '--show', 'None'])).toMatchObject({
      status: 1,
      stderr: 'there is no show “None”; there are Evening at the bay, Slow colours\n',
    })
    expect(run(['play', plan, '--fps', 'many']).stderr).toMatch(
      /--fps: “many” is not a number above 0/,
    )
    const harbour = demoPlan('toy-harbour')
    const lines = harbour.lines.map((line) =>
      line.lights === undefined ? line : { ...line, lights: { part: line.lights.part } },
    )
    const still = JSON.stringify({ ...harbour, lines, shows: [] })
    expect(run(['c', '-'], still).stderr).toMatch(/nothing in it can be dimmed/)
    // A plan without a show plays a steady warm white.
    expect(asked(['play', '-', '--seconds', '1'], still).json).toMatchObject({
      show: 'Steady warm white',
      meanA: expect.closeTo(0.24, 2) as number,
    })
  })

  it('tells steps in both orders, and after each what is connected and what the meter reads', () => {
    const plan = 'demo/bay-window-nook.json'
    interface Told {
      steps: { id: string; kind: string; needs: string[]; joints: string[]; minutes: number }[]
      minutes: number
      elapsedMin: number
    }
    const [one, batch] = ['one', 'batch'].map(
      (school) => asked(['steps', plan, '--school', school]).json as Told,
    )
    expect(one!.steps.map(({ id }) => id).toSorted()).toEqual(
      batch!.steps.map(({ id }) => id).toSorted(),
    )
    expect(one!.minutes).toBeGreaterThan(batch!.minutes)
    expect(one!.elapsedMin).toBeGreaterThan(one!.minutes)
    expect(one!.steps.flatMap(({ joints }) => joints)).toHaveLength(58)
    expect(asked(['steps', plan, '--school', 'both']).status).toBe(2)

    // The reading is what solving the network after that step gives.
    const after = 'test:alcove.B1'
    const { connected, readings } = asked(['reading', plan, '--after', after]).json as {
      connected: Record<string, [number, number][]>
      readings: { what: string; case: string; where: string; value: number; unit: string }[]
    }
    expect(connected).toEqual({ seat: [[0, 128]], alcove: [[0, 95]], ledge2: [[0, 33]] })
    const network = run(['network', plan, '--after', after, '--case', 'idle']).stdout
    const { supplyA } = asked(['solve', '-'], network).json as { supplyA: Record<string, number> }
    const idle = readings.find((one) => one.what === 'current' && one.case === 'idle')!
    expect(idle).toMatchObject({ where: 'supply-a', unit: 'A' })
    expect(idle.value).toBeCloseTo(supplyA['supply:supply-a']!, 9)
    // At the end it is the network of the plan.
    expect(run(['network', plan, '--after', 'soak', '--case', 'red']).stdout).toBe(
      run(['network', plan, '--case', 'red']).stdout,
    )
    expect(asked(['reading', plan, '--after', 'joint:nowhere'])).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('there is no step “joint:nowhere”') as string,
    })
    expect(asked(['reading', plan]).status).toBe(2)
  })

  it('solves a feed network in the shape of the worked ones', () => {
    const worked = JSON.parse(readFileSync(`${root}/worked/feed.json`, 'utf8')) as {
      cases: { network: object }[]
    }
    const { network } = worked.cases[0]!
    const { json } = asked(['solve', '-', '--volts'], JSON.stringify(network))
    const found = json as {
      runs: Record<string, { minAt: number; volts: number[] }>
      supplyA: object
    }
    expect(found.runs.sill).toMatchObject({ minAt: 89 })
    expect(found.runs.sill!.volts).toHaveLength(90)
    expect(Object.keys(found.supplyA)).toEqual(['a'])
    const wrong = JSON.stringify(network).replace('sill@0', 'sill@91')
    expect(asked(['solve', '-'], wrong)).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('leads[0].to: “sill@91”: sill has pads 0 to 90') as string,
    })
  })

  it.each<[string[], RegExp]>([
    [['spice', 'demo/paper-lanterns.json'], /^\* Paper lanterns: feed network\nVs1 s1 0 DC 5\n/],
    [['csv', 'feeds', 'demo/wardrobe-rails.json'], /^lead,from,to,pad,wire,.*\r\ntrack,supply-a,/],
    [['svg', 'drawing', 'demo/wardrobe-rails.json'], /^<svg [^]*<title>Wardrobe rails<\/title>/],
  ])('glow %j writes its export as text', (args, expected) => {
    const { stdout, status } = run(args)
    expect(status).toBe(0)
    expect(stdout).toMatch(expected)
  })

  it('tells every volt of a run as a plain number, and nothing endless', () => {
    const { feed } = asked(['tally', '--demo', 'wardrobe-rails']).json as {
      feed: { runs: { volts: number[] }[] }
    }
    for (const { volts } of feed.runs) {
      expect(volts.length).toBeGreaterThan(3)
      expect(volts.every((v) => v > 20 && v <= 24)).toBe(true)
    }
    const { batteries } = asked(['tally', '--demo', 'paper-lanterns']).json as {
      batteries: { hours: number | null }[]
    }
    expect(batteries[0]!.hours).toBeGreaterThan(1)
  })

  it('reads its demo plans from the folder that the app takes them from', () => {
    const text = readFileSync(`${root}/demo/bay-window-nook.json`, 'utf8')
    expect(asked(['tally', '-'], text).status).toBe(0)
  })

  it('prints no character of a name that steers a terminal', () => {
    const plan = JSON.parse(readFileSync(`${root}/demo/bay-window-nook.json`, 'utf8')) as {
      supplies: { name: string }[]
    }
    plan.supplies[0]!.name = 'A\u009b31m\u202Ez'
    const { stdout } = run(['tally', '-'], JSON.stringify(plan))
    expect(stdout).toContain('A\\u009b31m\\u202ez')
    expect(stdout).not.toMatch(/[\u0080-\u009F\u202E]/)
  })

  it('bills a plan: with the drawer less has to be bought, and every figure adds up', () => {
    interface Bill {
      currency: string
      lines: {
        id: string
        group: string
        need: number
        have: number
        packs: { size: number; price: number | null; count: number }[]
        cost: number | null
        for: string[]
      }[]
      total: number
      unpriced: number
    }
    const billed = (...args: string[]): Bill =>
      asked(['buy', 'demo/bay-window-nook.json', ...args]).json as Bill
    const [plain, given] = [billed(), billed('--drawer', 'demo/drawer/nook.json')]
    expect(plain).toMatchObject({ currency: 'EUR', unpriced: 1 })
    for (const { lines, total } of [plain, given]) {
      for (const { need, have, packs, cost } of lines) {
        const held = packs.reduce((sum, { size, count }) => sum + size * count, have)
        expect(held).toBeGreaterThanOrEqual(need - 1e-6)
        expect(cost).toBeCloseTo(
          packs.reduce((sum, { price, count }) => sum + (price ?? 0) * count, 0),
          2,
        )
      }
      expect(total).toBeCloseTo(
        lines.reduce((sum, { cost }) => sum + (cost ?? 0), 0),
        2,
      )
    }
    expect(given.total).toBeLessThan(plain.total)
    const strip = ({ lines }: Bill) => lines.find(({ id }) => id === 'strip.pixels-5v-60-low')!
    expect([strip(plain).have, strip(given).have > 1.5]).toEqual([0, true])
    const rails = asked(['buy', 'demo/wardrobe-rails.json']).json as Bill
    expect(rails.lines.filter(({ cost }) => cost === null)).toHaveLength(rails.unpriced)
    expect(rails.unpriced).toBe(1)
  })

  it('refuses a drawer and a price list that are none, by path and by row', () => {
    const buy = ['buy', 'demo/bay-window-nook.json']
    expect(asked([...buy, '--drawer', '-'], '{"items": []}')).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('-: format: “glow-tally drawer” is expected') as string,
    })
    expect(asked([...buy, '--prices', '-'], 'id,pack,price\nsolder,2,dear\n')).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('-: row 2, price: “dear” is no price') as string,
    })
    const priced = asked([...buy, '--prices', '-'], 'id;pack;price\nsolder;2;4,50\n').json as {
      lines: { id: string; cost: number }[]
    }
    expect(priced.lines.find(({ id }) => id === 'solder')?.cost).toBe(4.5)
  })

  it('compares a plan with other lights', { tags: 'long' }, () => {
    const { candidates } = asked(['compare', 'demo/pegboard-moon.json']).json as {
      candidates: { stripId: string; isPresent: boolean; cost: number; problems: object[] }[]
    }
    expect(candidates.length).toBeGreaterThan(5)
    expect(candidates.filter(({ isPresent }) => isPresent)).toHaveLength(1)
    const { total } = asked(['buy', 'demo/pegboard-moon.json']).json as { total: number }
    expect(candidates.find(({ isPresent }) => isPresent)?.cost).toBe(total)
  })

  it('dumps what any stage makes of a plan', () => {
    const leads = asked(['stage', 'leads', 'demo/bay-window-nook.json']).json as { id: string }[]
    expect(leads.length).toBeGreaterThan(3)
    const { runs } = asked(['stage', 'full', 'demo/bay-window-nook.json']).json as { runs: object }
    expect(Object.keys(runs).length).toBeGreaterThan(3)
    expect(asked(['stage', 'dessert', 'demo/bay-window-nook.json'])).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/no stage dessert; there is parts, /) as string,
    })
  })

  it(
    'runs as a program: what it says goes to the right place, and its code is the exit code',
    { tags: 'long' },
    () => {
      const started = (...args: string[]) =>
        spawnSync(process.execPath, ['--import', 'tsx', 'src/cli/main.ts', ...args], {
          cwd: root,
          input: '{"loadA": 13.17, "headroom": 0.1, "sizesA": [10, 15]}',
          encoding: 'utf8',
        })
      expect(JSON.parse(started('sum', 'supply-size').stdout)).toMatchObject({ pickA: 15 })
      expect(started('tally', 'none.json')).toMatchObject({ status: 1, stdout: '' })
    },
  )

  it('lists faults, shows one, and ranks them by what is seen', () => {
    const plan = 'demo/bay-window-nook.json'
    const faults = asked(['faults', plan]).json as { id: string; kind: string; chance: number }[]
    expect(faults.length).toBeGreaterThan(500)
    expect(faults.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 6)
    const { id } = faults.find((fault) => fault.id.startsWith('open-plus:run:alcove/B1_end'))!
    const shown = asked(['fault', plan, id]).json as {
      runs: Record<string, unknown[]>
      readings: { what: string; where: string; value: number }[]
    }
    expect(shown.runs.alcove).toEqual([
      [0, 18, 'right', 'always'],
      [18, 95, 'dark', 'always'],
    ])
    expect(shown.readings).toContainEqual(
      expect.objectContaining({ what: 'volts', where: 'alcove@18+', value: 0 }),
    )

    const seen = {
      runs: shown.runs,
      readings: [{ what: 'volts', where: 'plus alcove@18+', case: 'full-white', value: 0 }],
    }
    const told = asked(['mend', plan, '-'], JSON.stringify(seen)).json as {
      suspects: { fault: string; same: string[]; probability: number; why: string[] }[]
      next: { test: string; minutes: number; bits: number; outcomes: unknown[] }[]
    }
    const [first] = told.suspects
    expect([first!.fault, ...first!.same]).toContain(id)
    expect(first!.why[0]).toMatch(/goes with all \d+ lights/)
    expect(told.next[0]!.minutes).toBeGreaterThan(0)
    expect(told.next[0]!.bits).toBeGreaterThan(0)

    // The network has the fault in it; a fault of the data leaves it as it is.
    const solved = (fault: string): unknown =>
      asked(
        ['solve', '-'],
        JSON.stringify(asked(['network', plan, '--case', 'full-white', '--fault', fault]).json),
      ).json
    expect(solved(id)).toMatchObject({ runs: { 'alcove.2': { floating: ['plus'] } } })
    const data = faults.find(({ kind }) => kind === 'open-data')!.id
    expect(asked(['network', plan, '--case', 'red', '--fault', data]).json).toEqual(
      asked(['network', plan, '--case', 'red']).json,
    )

    // With a second fault at the same time both are seen.
    const second = 'dead-light:seat|3'
    const both = asked(['fault', plan, id, second]).json as typeof shown & { with: { id: string } }
    expect(both.with.id).toBe(second)
    expect(both.runs.alcove).toEqual(shown.runs.alcove)
    expect(both.runs.seat).toContainEqual([3, 1, 'dark', 'always'])
    expect(run(['fault', plan, id, 'nothing']).status).toBe(1)
    expect(run(['fault', plan, 'nothing'])).toMatchObject({
      status: 1,
      stderr: expect.stringMatching(/^there is no fault “nothing”/) as string,
    })
    expect(run(['network', plan, '--fault', id, '--after', 'x']).status).toBe(2)
    const bad = run(['mend', plan, '-'], '{"runs":{"alcove":[[110,9,"dark"]]}}')
    expect(bad).toMatchObject({
      status: 1,
      stderr: '-: runs.alcove[0]: goes to pixel 119; alcove has 113\n',
    })
  })
})
