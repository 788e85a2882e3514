/** Where a key counts. The sheet of keys has a part for each. */
export const keyAreas = [
  'Everywhere',
  'Blocks',
  'Plan',
  'Bench',
  'Desk',
  'Texture desk',
  'Matrix',
  'Loom',
  'Section',
  'Yard',
  'Tables',
  'Drops',
  'Inspection',
] as const;
export type KeyArea = (typeof keyAreas)[number];

/** A key of the page: what is pressed, what it does, where. */
export interface Key {
  area: KeyArea;
  /**
   * What is pressed, as the browser names it in `KeyboardEvent.key`; `mod+` before it is Ctrl, on a
   * Mac Cmd. Any one of them does it.
   */
  press: readonly string[];
  does: string;
  /** What is written on its cap, where the names of the keys would be too long. */
  cap?: string;
  /** It does what it does with Ctrl too, in a way of its own. */
  alsoWithMod?: boolean;
}

const table = {
  palette: {
    area: 'Everywhere',
    press: ['mod+K'],
    does: 'Go to a place or a block, or do something',
  },
  undo: {
    area: 'Everywhere',
    press: ['mod+Z'],
    does: 'Undo, over the whole mod, or in the pack that is read',
  },
  redo: { area: 'Everywhere', press: ['mod+shift+Z', 'mod+Y'], does: 'Redo' },
  keys: { area: 'Everywhere', press: ['?'], does: 'This sheet' },

  filter: { area: 'Blocks', press: ['/'], does: 'Filter the shelf' },
  newBlock: { area: 'Blocks', press: ['N'], does: 'New block' },

  previousFacet: { area: 'Bench', press: ['['], does: 'Previous facet of the block' },
  nextFacet: { area: 'Bench', press: [']'], does: 'Next facet of the block' },
  facet: {
    area: 'Bench',
    press: ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'],
    cap: '1 … 0',
    does: 'Go straight to a facet',
  },
  previousBlock: { area: 'Bench', press: ['ArrowUp'], does: 'Previous block on the shelf' },
  nextBlock: { area: 'Bench', press: ['ArrowDown'], does: 'Next block on the shelf' },
  previousState: { area: 'Bench', press: [','], does: 'Previous state' },
  nextState: { area: 'Bench', press: ['.'], does: 'Next state' },
  files: {
    area: 'Bench',
    press: ['F'],
    does: 'Files of the block, with the lines that will change',
  },
  middle: {
    area: 'Bench',
    press: ['M'],
    does: 'The state matrix of the look, the truth table of drops, or the stage',
  },

  toYard: { area: 'Bench', press: ['Y'], does: 'Place the block in the Yard, before you' },
  desk: { area: 'Bench', press: ['D'], does: 'The model that the state shows, on its desk' },

  station: { area: 'Desk', press: ['1', '2', '3', '4'], cap: '1 … 4', does: 'Go to a station' },
  addBox: { area: 'Desk', press: ['B'], does: 'A new box' },
  previousBox: { area: 'Desk', press: [','], does: 'Choose the box before' },
  nextBox: { area: 'Desk', press: ['.'], does: 'Choose the next box' },
  allBoxes: { area: 'Desk', press: ['mod+A'], does: 'Choose all boxes' },
  moveBox: {
    area: 'Desk',
    press: ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'PageUp', 'PageDown'],
    cap: '↑↓←→',
    does:
      'Move by a step, as on the plan from above or the one that has the focus; with Page up and ' +
      'Page down towards the viewer and away',
  },
  sizeBox: {
    area: 'Desk',
    press: [
      'shift+ArrowLeft',
      'shift+ArrowRight',
      'shift+ArrowUp',
      'shift+ArrowDown',
      'shift+PageUp',
      'shift+PageDown',
    ],
    cap: 'Shift ↑↓←→',
    does: 'Size by a step, the same ways',
  },
  againBox: { area: 'Desk', press: ['D'], does: 'The same again, as far away as the one before' },
  mirrorBox: {
    area: 'Desk',
    press: ['X', 'Y', 'Z'],
    cap: 'X Y Z',
    does: 'Mirror over the middle of the cell',
  },
  halfTexels: { area: 'Desk', press: ['T'], does: 'Steps of a texel, or of half a texel' },
  nameBox: { area: 'Desk', press: ['F2'], does: 'Name the box' },
  groupBoxes: { area: 'Desk', press: ['G'], does: 'Put boxes into a group' },
  hideBox: { area: 'Desk', press: ['H'], does: 'Hide, or show again' },
  lockBox: { area: 'Desk', press: ['L'], does: 'Lock, or let go' },
  copyBoxes: { area: 'Desk', press: ['mod+C'], does: 'Copy as text' },
  pasteBoxes: { area: 'Desk', press: ['mod+V'], does: 'Put in what was copied' },
  removeBoxes: { area: 'Desk', press: ['Delete', 'Backspace'], cap: 'Del', does: 'Take away' },
  leaveDesk: { area: 'Desk', press: ['Escape'], does: 'Choose none; then back to the bench' },

  textureStation: {
    area: 'Texture desk',
    press: ['1', '2', '3', '4', '5', '6'],
    cap: '1 … 6',
    does: 'Go to a station',
  },
  moveCursor: {
    area: 'Texture desk',
    press: ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Home', 'End', 'PageUp', 'PageDown'],
    cap: '↑↓←→',
    does: 'Go from texel to texel on the picture',
  },
  useTool: {
    area: 'Texture desk',
    press: [' ', 'Enter'],
    cap: 'Space',
    does: 'Use the tool there; of a line or a rectangle the first end, then the other',
  },
  shiftPicture: {
    area: 'Texture desk',
    press: ['shift+ArrowUp', 'shift+ArrowDown', 'shift+ArrowLeft', 'shift+ArrowRight'],
    cap: 'Shift ↑↓←→',
    does: 'Shift the picture by a texel; what leaves it comes in on the far side',
  },
  drawTool: { area: 'Texture desk', press: ['D'], does: 'Draw' },
  lineTool: { area: 'Texture desk', press: ['L'], does: 'Line' },
  rectangleTool: { area: 'Texture desk', press: ['R'], does: 'Rectangle' },
  fillTool: { area: 'Texture desk', press: ['F'], does: 'Fill what hangs together' },
  replaceTool: { area: 'Texture desk', press: ['C'], does: 'Change a colour everywhere' },
  pickTool: { area: 'Texture desk', press: ['P'], does: 'Pick a colour up' },
  alphaTool: { area: 'Texture desk', press: ['A'], does: 'Alpha: leave the colour, set how solid' },
  moveTool: { area: 'Texture desk', press: ['M'], does: 'Mark a part and move it' },
  symmetryAcross: { area: 'Texture desk', press: ['X'], does: 'Draw the same left and right' },
  symmetryDown: { area: 'Texture desk', press: ['Y'], does: 'Draw the same above and below' },
  darkerTone: { area: 'Texture desk', press: ['['], does: 'The next darker tone' },
  lighterTone: { area: 'Texture desk', press: [']'], does: 'The next lighter tone' },
  previousFrame: { area: 'Texture desk', press: [','], does: 'The frame before' },
  nextFrame: { area: 'Texture desk', press: ['.'], does: 'The next frame' },
  leaveTexture: { area: 'Texture desk', press: ['Escape'], does: 'Let go; then back' },

  move: {
    area: 'Tables',
    press: ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Home', 'End', 'PageUp', 'PageDown'],
    cap: '↑↓←→',
    does: 'Move; with Ctrl to the end, with Shift choosing on the way',
    alsoWithMod: true,
  },
  choose: {
    area: 'Tables',
    press: [' '],
    does: 'Choose, or choose no more; in tags put in, take out',
  },
  chooseAll: { area: 'Tables', press: ['mod+A'], does: 'Choose all' },
  chooseNone: { area: 'Tables', press: ['Escape'], does: 'Choose none' },
  open: {
    area: 'Tables',
    press: ['Enter'],
    does: 'Go on: to the brush, to the item, into the tag, into the cell',
  },
  editCell: {
    area: 'Tables',
    press: ['F2'],
    does: 'Edit the cell where it stands, for all chosen lines; Enter and typing do so too',
  },
  chooseRow: {
    area: 'Tables',
    press: ['R'],
    does: 'Choose the row, in the matrix and in the drops',
  },
  chooseColumn: { area: 'Tables', press: ['C'], does: 'Choose the column there' },

  openCell: { area: 'Loom', press: ['Enter'], does: 'Open the cell on its bench' },
  leaveOut: {
    area: 'Loom',
    press: ['Delete', 'Backspace'],
    cap: 'Del',
    does: 'Leave the cell out, or take it in',
  },
  walkForward: { area: 'Yard', press: ['W'], does: 'Walk on, for as long as it is held' },
  walkBack: { area: 'Yard', press: ['S'], does: 'Walk back' },
  walkLeft: { area: 'Yard', press: ['A'], does: 'Walk to the left' },
  walkRight: { area: 'Yard', press: ['D'], does: 'Walk to the right' },
  rise: { area: 'Yard', press: ['R'], does: 'Leap; flying, rise' },
  crouch: { area: 'Yard', press: ['C'], does: 'Crouch; flying, sink' },
  lookAround: {
    area: 'Yard',
    press: ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'],
    cap: '↑↓←→',
    does: 'Look around, for as long as it is held',
  },
  digIt: { area: 'Yard', press: ['X'], does: 'Dig what one looks at, for as long as it is held' },
  actOnIt: {
    area: 'Yard',
    press: ['Enter'],
    does: 'Use what one looks at; where it does not answer, or crouching, place what is held',
  },
  nextHeld: { area: 'Yard', press: ['E'], does: 'Hold the next one' },
  previousHeld: { area: 'Yard', press: ['Q'], does: 'Hold the one before' },
  chooseHeld: { area: 'Yard', press: ['H'], does: 'Choose what to hold by its name' },
  flyYard: { area: 'Yard', press: ['F'], does: 'Fly, or walk again' },
  stopTicks: { area: 'Yard', press: [' '], does: 'Stop the ticks, or let them go on' },
  oneTick: { area: 'Yard', press: ['.'], does: 'One tick' },
  nightOrDay: { area: 'Yard', press: ['N'], does: 'Night, or day again' },
  lightLevels: { area: 'Yard', press: ['L'], does: 'Light levels as numbers on what is lit' },
  bodiesShown: { area: 'Yard', press: ['B'], does: 'The shapes that bodies meet' },
  breakMany: { area: 'Yard', press: ['M'], does: 'Break it a thousand times, for its drops' },
  blastIt: { area: 'Yard', press: ['T'], does: 'Set off the charge where one looks' },
  markCorner: {
    area: 'Yard',
    press: ['G'],
    does: 'Mark where one looks: one corner of a region, then the other',
  },
  kindleIt: { area: 'Yard', press: ['K'], does: 'Set fire to it' },
  playFluid: { area: 'Section', press: ['P'], does: 'Let the fluid run, or stop it' },
  stepFluid: { area: 'Section', press: ['.'], does: 'To its next move' },
  pourAgain: { area: 'Section', press: ['Home'], does: 'Back to before it was poured' },
  walkSection: {
    area: 'Section',
    press: ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'],
    cap: '↑↓←→',
    does: 'Go from cell to cell of the cut',
  },
  actInSection: { area: 'Section', press: ['Enter', ' '], does: 'Pour, dig or lay there' },
  spread: { area: 'Matrix', press: ['S'], does: 'Spread the look along the heading' },
  clear: { area: 'Matrix', press: ['Delete', 'Backspace'], cap: 'Del', does: 'Take the look away' },

  dropItself: { area: 'Drops', press: ['I'], does: 'It drops itself' },
  dropItem: { area: 'Drops', press: ['K'], does: 'An item, itself when careful' },
  dropNothing: { area: 'Drops', press: ['N'], does: 'Nothing, on purpose' },

  nextFinding: { area: 'Inspection', press: ['N'], does: 'The next finding' },
  previousFinding: { area: 'Inspection', press: ['P'], does: 'The finding before' },
  mend: { area: 'Inspection', press: ['M'], does: 'Mend it as is proposed' },
  mendAlike: { area: 'Inspection', press: ['A'], does: 'Mend all that are alike' },

  fillPlace: {
    area: 'Plan',
    press: ['Enter', ' '],
    does: 'Say what lies there; a letter or # begins its name',
  },
  emptyPlace: {
    area: 'Plan',
    press: ['Delete', 'Backspace'],
    cap: 'Del',
    does: 'Nothing lies there',
  },
} as const satisfies Record<string, Key>;

export type KeyName = keyof typeof table;

/** Every key of the page. Bindings, caps and the sheet of keys are made of it. */
export const keys: Readonly<Record<KeyName, Key>> = table;

const caps: Readonly<Record<string, string>> = {
  ' ': 'Space',
  Delete: 'Del',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  Escape: 'Esc',
};

/**
 * What is written on the caps of a key.
 *
 * @example capsOf('redo') // ['Ctrl Shift Z', 'Ctrl Y']
 */
export function capsOf(name: KeyName): string[] {
  const { press, cap } = keys[name];
  if (cap !== undefined) return [cap];
  return press.map((one) => {
    const { key, mod, shift } = partsOf(one);
    return [mod && 'Ctrl', shift && 'Shift', caps[key] ?? key].filter(Boolean).join(' ');
  });
}

/** A press taken apart. The last part is the key itself, so that `+` may be one. */
export function partsOf(press: string): { key: string; mod: boolean; shift: boolean } {
  const [, mod, shift, key = ''] = /^(mod\+)?(shift\+)?(.+)$/s.exec(press) ?? [];
  return { key, mod: mod !== undefined, shift: shift !== undefined };
}
