import type { Schemas } from './api/client';

type Words<T extends string> = Record<T, string>;

export const evidence = {
  sound: {
    title: 'Sound',
    words: {
      evenCrackle: 'Even crackle',
      hiss: 'Hiss',
      popping: 'Popping, stubbing',
      rattle: 'Rattle',
      sputter: 'Sputter',
    },
  },
  feel: {
    title: 'Feel',
    words: {
      steady: 'Steady',
      pushedBack: 'Pushed back',
      longArc: 'Long soft arc',
      runny: 'Runny puddle',
      jerky: 'Jerky',
    },
  },
  profile: {
    title: 'Profile',
    words: {
      slightlyConvex: 'Slightly rounded',
      flat: 'Flat',
      tallNarrow: 'Tall, narrow',
      piledUp: 'Piled up',
      sunk: 'Sunk, wide',
      lumpy: 'Thin, lumpy',
    },
  },
  toes: { title: 'Toes', words: { blended: 'Blended', cold: 'Cold, on top', undercut: 'Undercut' } },
  tint: { title: 'Heat tint', words: { none: 'None', thin: 'Thin', even: 'Even', wide: 'Wide' } },
  penetration: {
    title: 'Far side',
    words: { noneSeen: 'Nothing', tintBehind: 'Tint behind', backMark: 'Mark through' },
  },
  spatter: { title: 'Spatter', words: { little: 'Little', fine: 'Fine', big: 'Big beads' } },
  ripple: { title: 'Ripples', words: { even: 'Even', uneven: 'Uneven', stretched: 'Drawn out' } },
  plate: { title: 'Plate before it', words: { cold: 'Cold', warm: 'Warm', hot: 'Hot' } },
  tungsten: {
    title: 'Tungsten',
    words: { pointed: 'As ground', balled: 'Balled', burntBack: 'Burnt back', dipped: 'Dipped' },
  },
  colour: {
    title: 'Colour of the tint',
    words: { silver: 'Silver', straw: 'Straw', purple: 'Purple', blue: 'Blue', grey: 'Grey, sugared' },
  },
  puddle: { title: 'Puddle', words: { clear: 'Clear', specks: 'Specks', skin: 'Skin' } },
  soot: { title: 'Soot', words: { none: 'None', brushesOff: 'Brushes off', stays: 'Stays' } },
  along: {
    title: 'Along the bead',
    words: {
      same: 'The same',
      atStart: 'Bad at the start',
      worse: 'Worse as it goes',
      atEnd: 'Bad at the end',
    },
  },
  start: {
    title: 'Start',
    words: { clean: 'At once', touching: 'Wire touching', stuttering: 'Stuttering' },
  },
  tip: {
    title: 'Tip and nozzle',
    words: { clear: 'Clear', burntBack: 'Wire burnt back', clogged: 'Clogged' },
  },
  gas: { title: 'Gas at the nozzle', words: { flows: 'Flows', nothing: 'Nothing comes' } },
  light: {
    title: 'Light of the arc',
    words: { still: 'Stands still', swelling: 'Swells, shrinks', wandering: 'Blown aside' },
  },
  lean: { title: 'Lean of the torch', words: { asOnSheet: 'As on the sheet', farOver: 'Far over' } },
} satisfies {
  [
    K in
      | 'sound'
      | 'feel'
      | 'profile'
      | 'toes'
      | 'tint'
      | 'penetration'
      | 'spatter'
      | 'ripple'
      | 'plate'
      | 'tungsten'
      | 'colour'
      | 'puddle'
      | 'soot'
      | 'along'
      | 'start'
      | 'tip'
      | 'gas'
      | 'light'
      | 'lean'
  ]: {
    title: string;
    words: Words<NonNullable<Schemas['Evidence'][K]>>;
  };
};

export const faults: Words<Schemas['Fault']> = {
  pinholes: 'Pinholes',
  hole: 'Burnt through',
  unequalLegs: 'Legs unequal',
  crack: 'Crack',
  openCrater: 'Open crater',
  slagTrapped: 'Slag trapped',
};

/** What a TIG arc can be heard to do. */
export const tigSounds: Partial<Words<Schemas['Sound']>> = {
  evenCrackle: 'Steady',
  sputter: 'Sputter',
  hiss: 'Loud hiss',
};

/** What a hand with a TIG torch can feel. */
export const tigFeels: Partial<Words<Schemas['Feel']>> = {
  steady: 'Steady',
  longArc: 'Long arc',
  runny: 'Runny puddle',
};

export const strengths: Words<Schemas['Strength']> = { slight: 'A touch', plain: 'Plain', strong: 'Bad' };
