import type { Schemas } from '../../shared/api/client';
import type { Kind } from '../../shared/units';
import { evidence as groups } from '../../shared/words';

export type Seen = keyof typeof groups;
/** What an intensity can be said of. */
export type Noted = 'sound' | 'feel' | 'profile' | 'toes' | 'tint' | 'spatter' | 'ripple';
type Strengths = Partial<Record<Noted, Schemas['Strength']>>;

/** Every number that can be measured of a bead: where it goes, its name, its kind. */
export const gauges = {
  otherLegMm: { label: 'Second leg', kind: 'length' },
  throatMm: { label: 'Throat', kind: 'length' },
  widthMm: { label: 'Width of the face', kind: 'length' },
  crownMm: { label: 'Crown', kind: 'length' },
  undercutDepthMm: { label: 'Undercut, depth', kind: 'length' },
  undercutLengthMm: { label: 'Undercut, length', kind: 'length' },
  excessPenetrationMm: { label: 'Root stands out', kind: 'length' },
  rootWidthMm: { label: 'Root, width', kind: 'length' },
  beadLengthMm: { label: 'Bead, length', kind: 'length' },
  arcSeconds: { label: 'Arc time', kind: 'seconds' },
  arcVolts: { label: 'Volts read', kind: 'volts' },
  arcAmps: { label: 'Amps read', kind: 'amps' },
} as const satisfies Partial<Record<keyof Schemas['Measures'], { label: string; kind: Kind | 'seconds' }>>;

export type GaugeName = keyof typeof gauges;

/** Evidence while it is being noted: numbers as typed, in the person's own units. */
export interface EvidenceDraft {
  seen: Partial<Record<Seen, string | null>>;
  faults: Schemas['Fault'][];
  strengths: Strengths;
  size: number | string;
  stickOut: number | string;
  measured: Partial<Record<GaugeName, number | string>>;
  /** Diameters, with commas or spaces between them; "none" where none were found. */
  pores: string;
  /** What a section measured; kept as it came. */
  macro: Schemas['MacroMeasures'] | null;
}

export const nothingNoted: EvidenceDraft = {
  seen: {},
  faults: [],
  strengths: {},
  size: '',
  stickOut: '',
  measured: {},
  pores: '',
  macro: null,
};

type Per = (kind: Kind) => number;

const scale = (kind: Kind | 'seconds', per: Per) => (kind === 'seconds' ? 1 : per(kind));
const number = (value: number | string | undefined) =>
  value === undefined || value === '' || Number.isNaN(Number(value)) ? null : Number(value);
const scaled = (value: number | string | undefined, by: number) => {
  const given = number(value);
  return given === null ? null : given / by;
};

/** Pore diameters as typed; null when nothing was typed, NaN among them when something is no number. */
export function readPores(typed: string, per: number): number[] | null {
  const words = typed.trim().toLowerCase();
  if (words === '') return null;
  if (words === 'none' || words === '0') return [];
  return words
    .split(/[\s;]+|,(?!\d)/)
    .filter((word) => word !== '')
    .map((word) => Number(word.replace(',', '.')) / per);
}

/** A draft as the server takes it. */
export function toEvidence(draft: EvidenceDraft, per: Per): Schemas['Evidence'] {
  const length = per('length');
  const measured = Object.fromEntries(
    (Object.keys(gauges) as GaugeName[]).map((name) => [
      name,
      scaled(draft.measured[name], scale(gauges[name].kind, per)),
    ]),
  ) as Schemas['Measures'];
  const pores = readPores(draft.pores, length);
  const any = pores !== null || Object.values(measured).some((value) => value !== null);
  return {
    ...(draft.seen as Partial<Schemas['Evidence']>),
    faults: draft.faults,
    strengths: draft.strengths,
    beadSizeMm: scaled(draft.size, length),
    stickOutMm: scaled(draft.stickOut, length),
    // A pore that is no number is sent as one that cannot be, so that the server's message stands at the field.
    measured: any
      ? { ...measured, poresMm: pores?.map((pore) => (Number.isFinite(pore) ? pore : 999)) ?? null }
      : null,
    macro: draft.macro,
  };
}

/** What the server gave, as a draft to go on from. */
export function toDraft(evidence: Schemas['Evidence'], per: Per): EvidenceDraft {
  const length = per('length');
  const typed = (value: number | null | undefined, by: number) =>
    value === null || value === undefined ? '' : Number((value * by).toFixed(4));
  const pores = evidence.measured?.poresMm;
  return {
    seen: Object.fromEntries((Object.keys(groups) as Seen[]).map((of) => [of, evidence[of] ?? null])),
    faults: evidence.faults ?? [],
    strengths: evidence.strengths ?? {},
    size: typed(evidence.beadSizeMm, length),
    stickOut: typed(evidence.stickOutMm, length),
    measured: Object.fromEntries(
      (Object.keys(gauges) as GaugeName[]).map((name) => [
        name,
        typed(evidence.measured?.[name], scale(gauges[name].kind, per)),
      ]),
    ),
    pores: pores ? (pores.length === 0 ? 'none' : pores.map((pore) => typed(pore, length)).join(' ')) : '',
    macro: evidence.macro ?? null,
  };
}
