import type { Schemas } from '../../shared/api/client';
import type { Arc } from './useArc';

type Loaded = Pick<
  Arc,
  'wire' | 'gas' | 'wireFeedMPerMin' | 'volts' | 'stickOutMm' | 'plateMm' | 'metal' | 'amps'
>;
export type Setup = Loaded & {
  wires: Schemas['Wire'][];
  gases: Schemas['Gas'][];
  metals: Schemas['Metal'][];
};

const fed: Pick<Setup, 'metal' | 'amps' | 'metals'> = {
  metal: 'mildSteel',
  amps: null,
  metals: ['mildSteel'],
};
// Wire and volts are not turned on a tungsten's arc, but a question names them.
const tungsten: Pick<Setup, 'wire' | 'wireFeedMPerMin' | 'volts' | 'wires' | 'gas' | 'gases'> = {
  wire: null,
  wireFeedMPerMin: 5,
  volts: 20,
  wires: [],
  gas: 'argon',
  gases: ['argon'],
};

/** Where the bench begins in each process, and what it can be loaded with. */
export const setups: Record<Schemas['Process'], Setup> = {
  gmawShortCircuit: {
    ...fed,
    wire: 'solid08',
    gas: 'argonCarbon25',
    wireFeedMPerMin: 4.6,
    volts: 16,
    stickOutMm: 10,
    plateMm: 3.2,
    wires: ['solid06', 'solid08', 'solid09', 'solid10', 'solid12'],
    gases: ['argonCarbon25', 'argonCarbon18', 'carbon'],
  },
  gmawGlobular: {
    ...fed,
    wire: 'solid08',
    gas: 'argonCarbon25',
    wireFeedMPerMin: 9,
    volts: 24,
    stickOutMm: 12,
    plateMm: 6,
    wires: ['solid08', 'solid09', 'solid12'],
    gases: ['argonCarbon25', 'carbon'],
  },
  gmawSpray: {
    ...fed,
    wire: 'solid09',
    gas: 'argonCarbon10',
    wireFeedMPerMin: 10.5,
    volts: 26,
    stickOutMm: 17,
    plateMm: 6,
    wires: ['solid09', 'solid10', 'solid12'],
    gases: ['argonCarbon10', 'argonOxygen2', 'argonCarbon2'],
  },
  gmawPulsed: {
    ...fed,
    wire: 'solid09',
    gas: 'argonCarbon10',
    wireFeedMPerMin: 6,
    volts: 23,
    stickOutMm: 17,
    plateMm: 3.2,
    wires: ['solid09', 'solid10', 'solid12'],
    gases: ['argonCarbon10', 'argonCarbon2'],
  },
  fcawSelfShielded: {
    ...fed,
    wire: 'selfShielded09',
    gas: 'none',
    wireFeedMPerMin: 2.6,
    volts: 15,
    stickOutMm: 15,
    plateMm: 3.2,
    wires: ['selfShielded08', 'selfShielded09', 'selfShielded12'],
    gases: ['none'],
  },
  fcawGasShielded: {
    ...fed,
    wire: 'gasShielded12',
    gas: 'argonCarbon25',
    wireFeedMPerMin: 7.6,
    volts: 26,
    stickOutMm: 19,
    plateMm: 6,
    wires: ['gasShielded09', 'gasShielded12'],
    gases: ['argonCarbon25', 'carbon'],
  },
  gtawDc: {
    ...tungsten,
    amps: 70,
    stickOutMm: 2.4,
    plateMm: 3.2,
    metal: 'mildSteel',
    metals: ['mildSteel', 'stainless'],
  },
  gtawAc: {
    ...tungsten,
    amps: 80,
    stickOutMm: 2.4,
    plateMm: 3.2,
    metal: 'aluminium',
    metals: ['aluminium'],
  },
};

/** What is turned and loaded when a process is taken up. */
export const begin = (process: Schemas['Process']): Loaded & Pick<Arc, 'process'> => {
  const { wire, gas, wireFeedMPerMin, volts, stickOutMm, plateMm, metal, amps } = setups[process];
  return { process, wire, gas, wireFeedMPerMin, volts, stickOutMm, plateMm, metal, amps };
};

export const faults = {
  none: 'Nothing',
  gasLost: 'Gas lost',
  scale: 'Scale',
  wornTip: 'Worn tip',
  wrongPolarity: 'Wrong polarity',
} as const;
export type Fault = keyof typeof faults;

// A tungsten has no tip to wear, and alternating current no polarity to be wrong.
const cannotBe: Partial<Record<Schemas['Process'], Fault[]>> = {
  gtawDc: ['wornTip'],
  gtawAc: ['wornTip', 'wrongPolarity'],
};

/** What can be hidden in a process, with its words. */
export const faultsOf = (process: Schemas['Process']) =>
  Object.fromEntries(
    Object.entries(faults).filter(([fault]) => !cannotBe[process]?.includes(fault as Fault)),
  ) as Record<Fault, string>;
