/** Words of the trade as the pages use them, in the order of the alphabet. */
export const glossary: readonly { readonly word: string; readonly means: string }[] = [
  {
    word: 'bench link',
    means: 'The page lights single pixels of the real strip, through a board on a serial port.',
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
  {
    word: 'diffuser',
    means: 'A cover that spreads the light, so that single points are no longer seen.',
  },
  { word: 'drawer', means: 'What you have at home: the bill takes from it first.' },
  { word: 'feed', means: 'A place where power enters a run. A long run wants more than one.' },
  { word: 'full white', means: 'All colours at their brightest: the most a strip can draw.' },
  {
    word: 'gap',
    means: 'What a run lacks of the length you measured, because strip is cut at its marks alone.',
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
  { word: 'jumper', means: 'A short set of wires from one piece of strip to the next.' },
  { word: 'lane', means: 'One data output of the board, and the pixels behind it in their order.' },
  { word: 'lead', means: 'A pair of wires that brings power from a supply to a pad.' },
  {
    word: 'level',
    means:
      'The volts of a data signal, against what the first pixel takes for high: 0.7 of its own supply.',
  },
  { word: 'level buffer', means: 'A part that lifts a 3.3 V signal to 5 V.' },
  {
    word: 'limit',
    means:
      'The brightest that the program ever sends. It holds the current below what supply and wires take.',
  },
  {
    word: 'pad',
    means:
      'The copper at a cut mark that wires are soldered to. Also the ruled paper on the Measure page.',
  },
  { word: 'piece', means: 'Strip as it is cut from the reel.' },
  {
    word: 'pixel',
    means: 'The smallest part with a colour of its own: one LED, or a group behind one chip.',
  },
  { word: 'reel', means: 'Strip as it is sold.' },
  {
    word: 'run',
    means: 'One lit path as you think of it: a shelf’s edge, a ring. A line on the pad.',
  },
  {
    word: 'sag',
    means:
      'The volts lost on the way, in wires and in the strip’s own copper. The ribbon on the Feed page shows them.',
  },
  { word: 'slack', means: 'Length that a wire gets beyond the straight way, to be worked with.' },
  { word: 'splitter', means: 'A plug that makes two leads or more of one.' },
  {
    word: 'stop, warning, note',
    means:
      'Grades of a verdict: it will not work or is not safe; it works but badly; good to know.',
  },
  { word: 'tally', means: 'The paper roll at the right: every figure with the sum that made it.' },
  {
    word: 'verdict',
    means: 'What the plan’s figures say is wrong or near it, with its reason and possible fixes.',
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
