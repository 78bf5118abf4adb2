/** stop: will not work, or unsafe; warning: works until it doesn't; note: worth knowing. */
export const grades = ['stop', 'warning', 'note'] as const
export type Grade = (typeof grades)[number]

/** The page on which a verdict is counted and can be acted on. */
export type VerdictPage = 'measure' | 'cut' | 'feed' | 'signal' | 'buy' | 'glow'

/** The section of the roll under which a verdict is printed. */
export type VerdictSection =
  | 'length'
  | 'lights'
  | 'place'
  | 'leads'
  | 'plugs'
  | 'current'
  | 'reels'
  | 'supply'
  | 'volts'
  | 'drops'
  | 'warmth'
  | 'use'
  | 'level'
  | 'frames'
  | 'board'
  | 'bill'

/** What is fixed about every verdict with one code. */
export interface VerdictKind {
  /** The grades that it can have, the gravest first. */
  readonly grades: readonly [Grade, ...Grade[]]
  readonly page: VerdictPage
  readonly section: VerdictSection
}

const kind = (
  page: VerdictPage,
  section: VerdictSection,
  ...of: readonly [Grade, ...Grade[]]
): VerdictKind => ({ grades: of, page, section })

/**
 * Every kind of verdict by its code (handbook 6). A code judges one thing: where two things can be wrong in the same way, each has a code
 * of its own.
 */
export const verdictKinds = {
  // measure
  'figures-adjusted': kind('measure', 'length', 'warning'),
  'edge-bend': kind('measure', 'length', 'stop'),
  'tight-bend': kind('measure', 'length', 'stop', 'warning'),
  'wrong-end': kind('measure', 'leads', 'warning'),
  'profile-fit': kind('measure', 'place', 'stop'),
  glare: kind('measure', 'place', 'warning'),
  wet: kind('measure', 'place', 'stop', 'warning'),
  'open-sleeve': kind('measure', 'place', 'warning'),
  glands: kind('measure', 'place', 'warning'),
  worn: kind('measure', 'place', 'stop', 'note'),
  'whites-differ': kind('measure', 'place', 'note'),
  'mains-near': kind('measure', 'place', 'note'),
  // cut
  'gap-shows': kind('cut', 'length', 'warning', 'note'),
  'off-mark': kind('cut', 'length', 'stop'),
  'splice-shows': kind('cut', 'place', 'note'),
  'stock-short': kind('cut', 'reels', 'note'),
  nameplate: kind('cut', 'current', 'note'),
  // feed
  'volts-differ': kind('feed', 'supply', 'stop'),
  'light-volts': kind('feed', 'supply', 'stop'),
  'board-volts': kind('feed', 'supply', 'stop'),
  'supply-short': kind('feed', 'supply', 'stop'),
  'supply-tight': kind('feed', 'supply', 'warning'),
  'port-over': kind('feed', 'supply', 'stop'),
  'regulator-hot': kind('feed', 'supply', 'stop'),
  'board-regulator-hot': kind('feed', 'supply', 'stop'),
  'switch-over': kind('feed', 'supply', 'stop'),
  'over-100-watt': kind('feed', 'supply', 'note'),
  'volts-over': kind('feed', 'volts', 'stop', 'warning'),
  'fuse-blind': kind('feed', 'drops', 'warning'),
  'back-feed': kind('feed', 'supply', 'warning'),
  'not-fed': kind('feed', 'volts', 'stop'),
  fade: kind('feed', 'volts', 'stop', 'warning'),
  uneven: kind('feed', 'volts', 'note'),
  'copper-hot': kind('feed', 'volts', 'warning', 'note'),
  'plus-joined': kind('feed', 'volts', 'stop'),
  'no-common': kind('feed', 'volts', 'stop'),
  'lead-hot': kind('feed', 'drops', 'stop', 'warning'),
  'no-fuse': kind('feed', 'drops', 'stop'),
  'fuse-over-wire': kind('feed', 'drops', 'stop', 'warning'),
  'track-over': kind('feed', 'drops', 'stop'),
  'connector-over': kind('feed', 'drops', 'stop', 'warning'),
  'hot-strip': kind('feed', 'warmth', 'stop', 'warning'),
  'battery-sag': kind('feed', 'use', 'stop'),
  'battery-short': kind('feed', 'use', 'warning'),
  'bank-sleeps': kind('feed', 'use', 'warning'),
  'capacitor-volts': kind('feed', 'use', 'stop'),
  'no-capacitor': kind('feed', 'use', 'note'),
  'ports-short': kind('feed', 'plugs', 'stop'),
  // signal
  'low-level': kind('signal', 'level', 'stop', 'warning'),
  'thin-level': kind('signal', 'level', 'warning'),
  'long-data': kind('signal', 'level', 'warning'),
  'no-data-resistor': kind('signal', 'level', 'warning'),
  'against-arrow': kind('signal', 'level', 'stop'),
  'diode-small': kind('signal', 'level', 'stop'),
  'board-quirk': kind('signal', 'level', 'warning'),
  'slow-frames': kind('signal', 'frames', 'warning'),
  memory: kind('signal', 'board', 'stop', 'warning'),
  'pins-short': kind('signal', 'board', 'stop'),
  'pin-kind': kind('signal', 'board', 'stop'),
  'serial-pin': kind('signal', 'board', 'warning'),
  'sensors-over': kind('signal', 'board', 'stop'),
  'status-colours-alike': kind('signal', 'board', 'warning'),
  // buy
  'box-small': kind('buy', 'bill', 'warning'),
  // glow: judged when a show is played
  'flash-rate': kind('glow', 'current', 'stop'),
  'scene-over-supply': kind('glow', 'supply', 'stop', 'warning'),
  // single lights
  'no-led-resistor': kind('measure', 'lights', 'stop'),
  'no-headroom': kind('measure', 'lights', 'stop', 'warning'),
  'shared-resistor': kind('measure', 'lights', 'warning'),
  'common-leg': kind('measure', 'lights', 'stop'),
  'pin-over': kind('measure', 'lights', 'stop'),
  'pins-over': kind('measure', 'lights', 'stop'),
  'base-over': kind('measure', 'lights', 'stop'),
  'switch-in-plus': kind('measure', 'lights', 'stop'),
  'matrix-flicker': kind('measure', 'lights', 'stop', 'warning'),
  'sink-over': kind('measure', 'lights', 'stop', 'warning'),
  'lead-short': kind('measure', 'plugs', 'stop'),
  'lead-over': kind('measure', 'plugs', 'stop'),
  'plug-hole': kind('measure', 'plugs', 'warning'),
  'nodes-apart': kind('measure', 'plugs', 'stop'),
} as const satisfies Readonly<Record<string, VerdictKind>>

export type VerdictCode = keyof typeof verdictKinds
