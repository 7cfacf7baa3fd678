import type { Schemas } from '../../shared/api/client';

type Control = Schemas['Control'];

const control = (
  kind: Schemas['ControlKind'],
  lowestMark: number,
  highestMark: number,
  markStep: number,
  more: Partial<Control> = {},
): Control => ({
  kind,
  lowestMark,
  highestMark,
  markStep,
  unit: '',
  readings: [],
  names: null,
  fineSteps: 0,
  trimVolts: 0,
  ...more,
});

/** A control as a person describes it; which fields count depends on the kind. */
export interface Drawn {
  kind: Schemas['ControlKind'];
  lowest: number | string;
  highest: number | string;
  step: number | string;
  unit: string;
  /** Names of taps, plates or coarse steps, as typed: "A, B, C". */
  names: string;
  fineSteps: number | string;
  trimVolts: number | string;
}

const split = (names: string) =>
  names
    .split(/[,;]/)
    .map((name) => name.trim())
    .filter(Boolean);

/** The control that a description stands for. */
export function controlOf(drawn: Drawn): Control {
  const names = split(drawn.names);
  switch (drawn.kind) {
    case 'coarseFine':
      return control('coarseFine', 1, names.length * Number(drawn.fineSteps), 1, {
        names,
        fineSteps: Number(drawn.fineSteps),
      });
    case 'plateSelector':
      return control('plateSelector', 1, names.length, 1, { names });
    case 'tap':
      return names.length > 0
        ? control('tap', 1, names.length, 1, { names })
        : control('tap', Number(drawn.lowest), Number(drawn.highest), 1);
    case 'trim':
      return control('trim', Number(drawn.lowest), Number(drawn.highest), Number(drawn.step), {
        trimVolts: Number(drawn.trimVolts),
      });
    default:
      return control(drawn.kind, Number(drawn.lowest), Number(drawn.highest), Number(drawn.step), {
        unit: drawn.kind === 'digital' ? drawn.unit : '',
      });
  }
}

const drawn = (
  kind: Drawn['kind'],
  lowest: number,
  highest: number,
  step: number,
  more: Partial<Drawn> = {},
): Drawn => ({
  kind,
  lowest,
  highest,
  step,
  unit: '',
  names: '',
  fineSteps: 4,
  trimVolts: 0.3,
  ...more,
});

/** A front met in shops, to begin from; the marks are then measured, so it need only be near. */
export interface Front {
  wire: Drawn | null;
  volt: Drawn | null;
  amp: Drawn | null;
}

export const fronts: Record<string, Front> = {
  'Displays: in/min and volts': {
    wire: drawn('digital', 50, 800, 1, { unit: 'in/min' }),
    volt: drawn('digital', 10, 35, 0.1, { unit: 'V' }),
    amp: null,
  },
  'Displays: m/min and volts': {
    wire: drawn('digital', 1, 20, 0.1, { unit: 'm/min' }),
    volt: drawn('digital', 10, 35, 0.1, { unit: 'V' }),
    amp: null,
  },
  'Wire knob 0-100, volt taps 1-10': {
    wire: drawn('knob', 0, 100, 1),
    volt: drawn('tap', 1, 10, 1),
    amp: null,
  },
  'Wire knob 0-10, volt knob 0-10': {
    wire: drawn('knob', 0, 10, 0.1),
    volt: drawn('knob', 0, 10, 0.1),
    amp: null,
  },
  'Wire knob, lettered volt taps': {
    wire: drawn('knob', 0, 10, 0.1),
    volt: drawn('tap', 1, 4, 1, { names: 'A, B, C, D' }),
    amp: null,
  },
  'Wire knob, coarse and fine volts': {
    wire: drawn('knob', 0, 10, 0.1),
    volt: drawn('coarseFine', 1, 8, 1, { names: '1, 2', fineSteps: 4 }),
    amp: null,
  },
  'One knob, volts follow, trim': {
    wire: drawn('knob', 0, 100, 1),
    volt: drawn('trim', -5, 5, 0.5, { trimVolts: 0.3 }),
    amp: null,
  },
  'Plate selector with trim': {
    wire: drawn('plateSelector', 1, 5, 1, { names: '22 ga, 18 ga, 16 ga, 1/8, 3/16' }),
    volt: drawn('trim', -3, 3, 1, { trimVolts: 0.5 }),
    amp: null,
  },
  'TIG: display in amps': { wire: null, volt: null, amp: drawn('digital', 5, 250, 1, { unit: 'A' }) },
  'TIG: amp knob 0-10': { wire: null, volt: null, amp: drawn('knob', 0, 10, 0.1) },
  'Wire and TIG: displays': {
    wire: drawn('digital', 50, 800, 1, { unit: 'in/min' }),
    volt: drawn('digital', 10, 35, 0.1, { unit: 'V' }),
    amp: drawn('digital', 5, 250, 1, { unit: 'A' }),
  },
};

export const kindWords: Record<Schemas['ControlKind'], string> = {
  digital: 'display',
  knob: 'knob',
  tap: 'taps',
  coarseFine: 'coarse and fine switches',
  plateSelector: 'plate selector',
  trim: 'trim; the volts follow the wire',
};
