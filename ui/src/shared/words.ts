import type { Schemas } from './api/client';

export * from './evidenceWords';

type Words<T extends string> = Record<T, string>;

/** "1 bead", "12 beads". */
export const counted = (count: number, one: string, several = `${one}s`) =>
  `${count} ${count === 1 ? one : several}`;

/** "12 sweep marks and 1 bead"; what there is none of is not named. */
export const countedAll = (...counts: [number, string][]) =>
  counts
    .filter(([count]) => count > 0)
    .map(([count, one]) => counted(count, one))
    .join(', ')
    .replace(/, (?=[^,]*$)/, ' and ');

export const joints: Words<Schemas['Joint']> = {
  beadOnPlate: 'Bead on plate',
  lap: 'Lap',
  t: 'T',
  outsideCorner: 'Outside corner',
  squareButt: 'Square butt',
  vButt: 'V butt',
  edge: 'Edge',
  plug: 'Plug',
};

export const positions: Words<Schemas['Position']> = {
  flat: 'Flat',
  horizontal: 'Horizontal',
  verticalUp: 'Vertical up',
  verticalDown: 'Vertical down',
  overhead: 'Overhead',
};

export const processes: Words<Schemas['Process']> = {
  gmawShortCircuit: 'MIG short circuit',
  gmawGlobular: 'MIG globular',
  gmawSpray: 'MIG spray',
  gmawPulsed: 'MIG pulsed',
  fcawSelfShielded: 'Flux-cored, self-shielded',
  fcawGasShielded: 'Flux-cored, gas-shielded',
  gtawDc: 'TIG, DC',
  gtawAc: 'TIG, AC',
};

export const metals: Words<Schemas['Metal']> = {
  mildSteel: 'Mild steel',
  lowAlloySteel: 'Low-alloy steel',
  stainless: 'Stainless',
  aluminium: 'Aluminium',
  titanium: 'Titanium',
  nickelAlloy: 'Nickel alloy',
  copper: 'Copper',
  magnesium: 'Magnesium',
};

export const loadParts: Words<Schemas['LoadPart']> = {
  wire: 'Wire',
  gas: 'Gas',
  polarity: 'Polarity',
  tip: 'Tip',
  rolls: 'Rolls',
  program: 'Program',
  tungsten: 'Tungsten',
};

export const polarities: Words<Schemas['Polarity']> = {
  torchPlus: 'DC, torch on plus',
  torchMinus: 'DC, torch on minus',
  alternating: 'AC',
};

export const gases: Words<Schemas['Gas']> = {
  none: 'No gas',
  argon: 'Argon',
  argonHelium: 'Argon with helium',
  argonOxygen2: '98 Ar / 2 O₂',
  argonCarbon2: '98 Ar / 2 CO₂',
  argonCarbon10: '90 Ar / 10 CO₂',
  argonCarbon18: '82 Ar / 18 CO₂',
  argonCarbon25: '75 Ar / 25 CO₂',
  carbon: 'CO₂',
  heliumMix: '90 He / Ar / CO₂',
};

export const rolls: Words<Schemas['RollGroove']> = { v: 'V groove', u: 'U groove', knurled: 'Knurled' };

const sizes: Record<string, string> = {
  '06': '0.6 mm / 0.023',
  '08': '0.8 mm / 0.030',
  '09': '0.9 mm / 0.035',
  '10': '1.0 mm / 0.040',
  '12': '1.2 mm / 0.045',
  '16': '1.6 mm / 1/16',
};

const kinds: Record<string, string> = {
  solid: '',
  stainless: ' stainless',
  aluminium: ' aluminium',
  selfShielded: ' self-shielded',
  gasShielded: ' gas-shielded',
};

/** The kind of wire a process takes on a metal. */
export const wireKind = (process: Schemas['Process'], metal: Schemas['Metal']): Schemas['WireKind'] =>
  process === 'fcawSelfShielded'
    ? 'selfShielded'
    : process === 'fcawGasShielded'
      ? 'gasShielded'
      : metal === 'stainless' || metal === 'aluminium'
        ? metal
        : 'solidSteel';

/** A wire by its size alone, where the kind is plain: "0.8 mm / 0.030". */
export const wireSize = (wire: Schemas['Wire']) => sizes[wire.slice(-2)] ?? wire;

/** A wire by size and kind: "0.8 mm / 0.030", "1.2 mm / 0.045 stainless". */
export const wireName = (wire: Schemas['Wire'] | null | undefined) =>
  wire ? `${sizes[wire.slice(-2)] ?? ''}${kinds[wire.slice(0, -2)] ?? ''}` : 'no wire';

export const waysOfSetting = {
  pair: {
    title: 'Wire and volts',
    words: {
      wireFirst: 'Wire first',
      voltsFirst: 'Volts first',
      chartFirst: 'Chart first',
      learnedFirst: 'Room first',
    },
  },
  position: {
    title: 'Vertical and overhead',
    words: { oneThinner: 'One plate thinner', twoThinner: 'Two plates thinner', same: 'The same everywhere' },
  },
  wire: {
    title: 'Wire for the amps',
    words: { factor: 'Simple factor', meltingRate: 'Melting rate, with the stick-out' },
  },
  direction: { title: 'Torch', words: { pushOnly: 'Always push', either: 'Push or drag' } },
  motion: {
    title: 'Motion of the torch',
    words: {
      straight: 'Straight',
      smallC: 'Small c',
      smallLoops: 'Small loops',
      whipAndPause: 'Whip and pause',
    },
  },
} satisfies {
  [K in keyof Schemas['WayOfSetting']]-?: {
    title: string;
    words: Words<NonNullable<Schemas['WayOfSetting'][K]>>;
  };
};

export const cameWords: Words<Schemas['Came']> = {
  present: 'Here',
  late: 'Late',
  absent: 'Missing',
  excused: 'Excused',
  unknown: 'Not noted',
};

export const proofs: Words<Schemas['Proof']> = {
  beads: 'Right beads',
  section: 'Right beads, and a right section',
  trial: 'A trial',
  testWeld: 'A test weld',
};

export const stockForms: Words<Schemas['StockForm']> = { flatBar: 'Flat bar', plate: 'Plate' };

export const exerciseStates: Words<Schemas['ExerciseState']> = {
  notBegun: 'Not begun',
  begun: 'Begun',
  done: 'Done',
};

export const weekdays: Words<Schemas['DayOfWeek']> = {
  monday: 'Monday',
  tuesday: 'Tuesday',
  wednesday: 'Wednesday',
  thursday: 'Thursday',
  friday: 'Friday',
  saturday: 'Saturday',
  sunday: 'Sunday',
};

export const hands: Words<Schemas['Hand']> = { right: 'Right hand', left: 'Left hand' };

export const toolWords: Words<Schemas['ToolWord']> = {
  atOnce: 'At once',
  afterOwn: 'After the student’s own word',
  afterInstructor: 'After the instructor’s word',
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

/** The evidence an instructor notes, in the order heads turn: hear it, feel it, look along it, turn it over. */
export const standings: Words<Schemas['Standing']> = { right: 'Right', off: 'Off', notKnown: 'Not known' };

export const matches: Words<Schemas['Match']> = {
  agrees: 'seen so',
  contradicts: 'seen otherwise',
  notSeen: 'not looked at',
};

export const criteria: Words<Schemas['Criterion']> = {
  scope: 'Scope',
  cracks: 'Cracks',
  burnThrough: 'Burn-through',
  fusion: 'Fusion',
  crater: 'Crater',
  undercut: 'Undercut',
  porosity: 'Porosity',
  convexity: 'Convexity',
  reinforcement: 'Reinforcement',
  excessPenetration: 'Excess penetration',
  unequalLegs: 'Unequal legs',
  throat: 'Throat',
  size: 'Size',
  travel: 'Travel speed',
};

export const trialKinds: Words<Schemas['TrialKind']> = {
  wireLadder: 'Wire ladder',
  voltLadder: 'Volts ladder',
  oneVariable: 'One thing alone',
  staircase: 'Voltage staircase',
  setOfThree: 'Set of three',
  jointTransfer: 'Joint transfer',
  positionPair: 'Position pair',
  ampsLadder: 'Amps ladder',
};

/** What a recording without a name of its own is called. */
export const recordingOrigins: Record<Schemas['RecordingOrigin'], Words<Schemas['RecordingKind']>> = {
  file: { sound: 'File', log: 'File' },
  microphone: { sound: 'Microphone', log: 'Microphone' },
  standIn: { sound: 'Booth microphone, simulated', log: 'Booth logger, simulated' },
};
