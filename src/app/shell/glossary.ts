export interface Word {
  readonly word: string
  readonly means: string
  /** Other forms than the plural, which is found by itself. */
  readonly forms?: readonly string[]
  /** It has an everyday meaning too: it is not explained wherever it stands in a text. */
  readonly isEveryday?: true
}

/** Words of the trade as the pages use them, in the order of the alphabet. */
export const glossary: readonly Word[] = [
  { word: 'AWG', means: 'A gauge of wires used with inches: a higher number is a thinner wire.' },
  {
    word: 'bench link',
    means: 'The page lights single pixels of the real strip, through a board on a serial port.',
  },
  { word: 'bleeder', means: 'A resistor that empties a capacitor once the power is off.' },
  {
    word: 'boot pin',
    means: 'A pin that the board reads when it starts: what hangs on it can keep it from starting.',
  },
  {
    word: 'brown-out',
    means: 'The volts sag so far that a board starts anew or pixels show what they like.',
  },
  {
    word: 'capacitor',
    means:
      'A store across plus and minus that takes the first rush of current. Its volts must be above the supply’s.',
  },
  {
    word: 'common ground',
    means: 'The minus of supply, board and strip joined: without it no data is understood.',
  },
  { word: 'cut group', means: 'What lies between two cut marks: the least that can be cut off.' },
  { word: 'data line', means: 'The wire that tells pixels their colours, from one to the next.' },
  {
    word: 'diffuser',
    means: 'A cover that spreads the light, so that single points are no longer seen.',
  },
  {
    word: 'drawer',
    means: 'What you have at home: the bill takes from it first.',
    isEveryday: true,
  },
  {
    word: 'factory splice',
    means: 'A soldered seam in strip as it is sold, about every half metre or metre.',
    forms: ['splice'],
  },
  {
    word: 'fade',
    means:
      'How much dimmer a run is at its dimmest than at its brightest, because volts are lost on the way.',
    isEveryday: true,
  },
  { word: 'feed', means: 'A place where power enters a run. A long run needs more than one.' },
  {
    word: 'ferrule',
    means:
      'A small sleeve crimped on the end of a stranded wire, so that a screw holds all strands.',
  },
  {
    word: 'forward volts',
    means: 'What an LED needs across it to light; the rest stays at its resistor.',
  },
  { word: 'full white', means: 'All colours at their brightest: the most a strip can draw.' },
  {
    word: 'gap',
    means: 'What a run lacks of the length you measured, because strip is cut at its marks alone.',
  },
  { word: 'gauge', means: 'How thick the copper of a wire is.' },
  { word: 'gland', means: 'A screwed ring that seals a cable where it goes into a box.' },
  {
    word: 'ground offset',
    means:
      'How far the minus of a pixel lies above the board’s. It takes from the level of the data.',
  },
  {
    word: 'headroom',
    means: 'The part of a supply’s amperes that is left free, so that it runs cool.',
  },
  {
    word: 'house rules',
    means: 'Your own habits: slack, headroom, how far light may fade, what is rounded and how.',
  },
  { word: 'idle', means: 'All dark, and still drawing: each pixel’s chip takes a little.' },
  { word: 'inrush', means: 'The rush of current when power comes on and capacitors fill.' },
  { word: 'jumper', means: 'A short set of wires from one piece of strip to the next.' },
  {
    word: 'junction',
    means: 'A place where one lead becomes several: a terminal block, a bus, a splitter.',
  },
  { word: 'kerf', means: 'What a saw takes away at each cut.' },
  { word: 'lane', means: 'One data output of the board, and the pixels behind it in their order.' },
  { word: 'lead', means: 'A pair of wires that brings power from a supply to a pad.' },
  {
    word: 'level',
    means:
      'The volts of a data signal, against what the first pixel takes for high: 0.7 of its own supply.',
    isEveryday: true,
  },
  { word: 'level buffer', means: 'A part that lifts a 3.3 V signal to 5 V.' },
  {
    word: 'limit',
    means:
      'The brightest that the program ever sends. It holds the current below what supply and wires take.',
    isEveryday: true,
  },
  {
    word: 'load case',
    means: 'What is assumed to be lit: nothing, all white, one colour, or a level.',
  },
  { word: 'margin', means: 'What is left above what the part needs.', isEveryday: true },
  {
    word: 'node',
    means: 'One of many like places with a light and a sensor of its own.',
    isEveryday: true,
  },
  { word: 'offcut', means: 'Strip or profile that is left over and kept for another time.' },
  {
    word: 'pad',
    means:
      'The copper at a cut mark that wires are soldered to. Also the ruled paper on the Measure page.',
    isEveryday: true,
  },
  { word: 'piece', means: 'Strip as it is cut from the reel.', isEveryday: true },
  {
    word: 'pixel',
    means: 'The smallest part with a colour of its own: one LED, or a group behind one chip.',
    isEveryday: true,
  },
  { word: 'PWM', means: 'Dimming by switching on and off so fast that the eye sees less light.' },
  {
    word: 'rail',
    means: 'The copper along the strip that carries plus or minus.',
    isEveryday: true,
  },
  {
    word: 'raw input',
    means: 'A pin of the board for more volts than it runs at: its regulator makes less of them.',
  },
  { word: 'reel', means: 'Strip as it is sold.' },
  {
    word: 'regulator',
    means:
      'A part of a board that makes its own volts out of higher ones; what is too much becomes heat.',
    isEveryday: true,
  },
  { word: 'ripple', means: 'How much the light of single points still shows behind a cover.' },
  {
    word: 'run',
    means: 'One lit path as you think of it: a shelf’s edge, a ring. A line on the pad.',
    isEveryday: true,
  },
  {
    word: 'sag',
    means:
      'The volts lost on the way, in wires and in the strip’s own copper. The ribbon on the Feed page shows them.',
    forms: ['sags'],
  },
  {
    word: 'school',
    means: 'A way of working that practised makers differ on; the house rules say which is yours.',
    isEveryday: true,
  },
  { word: 'slack', means: 'Length that a wire gets beyond the straight way, to be worked with.' },
  {
    word: 'sleeve',
    means:
      'Tube that is slid on a wire before the joint is made, and shrunk over it once it is tested.',
    isEveryday: true,
  },
  { word: 'splitter', means: 'A plug that makes two leads or more of one.' },
  { word: 'spool', means: 'Wire as it is sold.' },
  {
    word: 'stop, warning, note',
    means:
      'Grades of a verdict: it will not work or is not safe; it works but badly; good to know.',
    isEveryday: true,
  },
  {
    word: 'tally',
    means: 'The paper roll at the right: every figure with the sum that made it.',
    isEveryday: true,
  },
  { word: 'tape', means: 'A run drawn out straight, with its pieces and marks.', isEveryday: true },
  { word: 'threshold', means: 'The lowest volts that are surely taken for high.' },
  {
    word: 'verdict',
    means: 'What the plan’s figures say is wrong or near it, with its reason and possible fixes.',
    isEveryday: true,
  },
]

/** Keys, by where they work. */
export const shortcuts: readonly {
  readonly where: string
  readonly keys: readonly (readonly [keys: string, does: string])[]
}[] = [
  {
    where: 'Everywhere',
    keys: [
      ['Alt+1 … Alt+9', 'the pages of a plan, Measure to Mend'],
      ['F6 Shift+F6', 'the next part of the page, the one before'],
      ['Ctrl+K', 'search pages, actions, runs, parts and sums'],
      ['Ctrl+Z', 'undo'],
      ['Ctrl+Shift+Z', 'redo'],
      ['?', 'this help'],
      ['Esc', 'close what is open'],
    ],
  },
  {
    where: 'On the pad',
    keys: [
      ['Enter', 'a new line below'],
      ['↑ ↓', 'the line above or below'],
      ['Alt+↑ Alt+↓', 'move the line'],
    ],
  },
  {
    where: 'On drawings and diagrams',
    keys: [
      ['arrow keys', 'move what is chosen, or the picture'],
      ['+ −', 'nearer, farther'],
      ['0', 'show all of it'],
    ],
  },
  {
    where: 'On tapes',
    keys: [
      ['← →', 'move a flag by one cut mark, or go from pixel to pixel'],
      ['Home, End', 'to the first or the last'],
      ['Shift with them', 'choose a stretch'],
      ['Enter', 'paint it, or take it'],
    ],
  },
]
