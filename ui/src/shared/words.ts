import type { Schemas } from './api/client';

type Words<T extends string> = Record<T, string>;

export const joints: Words<Schemas['Joint']> = {
  beadOnPlate: 'Bead on plate',
  lap: 'Lap',
  t: 'T',
  outsideCorner: 'Outside corner',
};

export const positions: Words<Schemas['Position']> = { flat: 'Flat', horizontal: 'Horizontal' };

export const wires: Words<Schemas['Wire']> = {
  solid06: '0.6 mm / 0.023',
  solid08: '0.8 mm / 0.030',
  solid09: '0.9 mm / 0.035',
  solid12: '1.2 mm / 0.045',
};

export const verdicts: Words<Schemas['Verdict']> = {
  right: 'Right',
  cold: 'Cold',
  hot: 'Hot',
  unsteady: 'Unsteady',
  technique: 'Technique',
  fault: 'Fault',
  open: 'Open',
};

export const aspects: Words<Schemas['Aspect']> = {
  settings: 'Settings',
  sound: 'Sound',
  appearance: 'Appearance',
  penetration: 'Penetration',
  beadSize: 'Bead size',
};

export const sources: Words<Schemas['Source']> = {
  commonPractice: 'Common practice, no source',
  published: 'Published',
  arithmetic: 'Arithmetic',
  measured: 'Measured on this machine',
};

/** The evidence an instructor notes, in the order heads turn: hear it, look along it, turn it over. */
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
} satisfies {
  [K in 'sound' | 'profile' | 'toes' | 'tint' | 'penetration' | 'spatter' | 'ripple']: {
    title: string;
    words: Words<NonNullable<Schemas['Evidence'][K]>>;
  };
};

export const faults: Words<Schemas['Fault']> = {
  pinholes: 'Pinholes',
  hole: 'Burnt through',
  unequalLegs: 'Legs unequal',
  crack: 'Crack',
};
