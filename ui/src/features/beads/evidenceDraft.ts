import type { Schemas } from '../../shared/api/client';
import { inUnits, type Kind, type System } from '../../shared/units';
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

/** Evidence while it is being noted: numbers as typed, in the units they were typed in. */
export interface EvidenceDraft {
  /** The units its numbers are in; null while none is typed, and then the reader's own hold. */
  units: System | null;
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
  /** What it was begun from: a number that stands as it was shown is sent as it was, not as its rounded text. */
  from?: Schemas['Evidence'];
}

export const nothingNoted: EvidenceDraft = {
  units: null,
  seen: {},
  faults: [],
  strengths: {},
  size: '',
  stickOut: '',
  measured: {},
  pores: '',
  macro: null,
};

/** One tap for a look that is right all round; the far side still has to be turned over. */
export const goodLook: EvidenceDraft['seen'] = {
  profile: 'slightlyConvex',
  toes: 'blended',
  tint: 'even',
  spatter: 'little',
  ripple: 'even',
};

/** A change of a draft; the first number typed settles the units, and taking the last away frees them. */
export function changed(draft: EvidenceDraft, part: Partial<EvidenceDraft>, mine: System): EvidenceDraft {
  const next = { ...draft, ...part };
  return { ...next, units: hasNumbers(next) ? (draft.units ?? mine) : null };
}

const hasNumbers = (draft: EvidenceDraft) =>
  draft.size !== '' ||
  draft.stickOut !== '' ||
  draft.pores.trim() !== '' ||
  Object.values(draft.measured).some((value) => value !== '');

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
export function toEvidence(draft: EvidenceDraft): Schemas['Evidence'] {
  const units = draft.units ?? 'metric';
  const { per } = inUnits(units);
  const length = per('length');
  const { from } = draft;
  const shown = from && toDraft(from, units);
  const read = (
    typed: number | string | undefined,
    by: number,
    before: number | string | undefined,
    was: number | null | undefined,
  ) => (shown && typed !== '' && typed === before ? (was ?? null) : scaled(typed, by));
  const measured = Object.fromEntries(
    (Object.keys(gauges) as GaugeName[]).map((name) => [
      name,
      read(
        draft.measured[name],
        scale(gauges[name].kind, per),
        shown?.measured[name],
        from?.measured?.[name],
      ),
    ]),
  ) as Schemas['Measures'];
  const pores =
    shown && draft.pores === shown.pores ? (from.measured?.poresMm ?? null) : readPores(draft.pores, length);
  const any = pores !== null || Object.values(measured).some((value) => value !== null);
  return {
    ...(draft.seen as Partial<Schemas['Evidence']>),
    faults: draft.faults,
    strengths: draft.strengths,
    beadSizeMm: read(draft.size, length, shown?.size, from?.beadSizeMm),
    stickOutMm: read(draft.stickOut, length, shown?.stickOut, from?.stickOutMm),
    // A pore that is no number is sent as one that cannot be, so that the server's message stands at the field.
    measured: any
      ? { ...measured, poresMm: pores?.map((pore) => (Number.isFinite(pore) ? pore : 999)) ?? null }
      : null,
    macro: draft.macro,
  };
}

/** What the server gave, as a draft to go on from. */
export function toDraft(evidence: Schemas['Evidence'], units: System): EvidenceDraft {
  const { per } = inUnits(units);
  const length = per('length');
  const typed = (value: number | null | undefined, by: number) =>
    value === null || value === undefined ? '' : Number((value * by).toFixed(4));
  const pores = evidence.measured?.poresMm;
  const draft: EvidenceDraft = {
    units,
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
    from: evidence,
  };
  return { ...draft, units: hasNumbers(draft) ? units : null };
}

/** The parts of evidence, flat, each by its name. */
function flat(evidence: Schemas['Evidence']): Record<string, unknown> {
  const { measured, ...rest } = evidence;
  return { ...rest, macro: undefined, listened: undefined, ...measured };
}

const rounded = (value: unknown): unknown => (typeof value === 'number' ? Number(value.toFixed(3)) : value);

const same = (one: unknown, other: unknown) =>
  JSON.stringify(emptied(rounded(one))) === JSON.stringify(emptied(rounded(other)));

// Nothing noted comes as null, as nothing at all, or as an empty list.
const emptied = (value: unknown) =>
  value === undefined || (typeof value === 'object' && value !== null && Object.keys(value).length === 0)
    ? null
    : value;

/** Which parts of some evidence differ from what it was changed from. */
export function changedIn(evidence: Schemas['Evidence'], from: Schemas['Evidence']): string[] {
  const [now, then] = [flat(evidence), flat(from)];
  return [...new Set([...Object.keys(now), ...Object.keys(then)])].filter(
    (key) => !same(now[key], then[key]),
  );
}

/** The parts' names in a sentence. */
export const namesOf = (parts: string[]) => parts.map((part) => names[part] ?? part).join(', ');

const names: Record<string, string> = {
  ...Object.fromEntries(Object.entries(groups).map(([of, { title }]) => [of, title.toLowerCase()])),
  ...Object.fromEntries(Object.entries(gauges).map(([of, { label }]) => [of, label.toLowerCase()])),
  faults: 'faults',
  strengths: 'how strongly',
  beadSizeMm: 'size',
  stickOutMm: 'stick-out',
  poresMm: 'pores',
};

/** Another's evidence with what was changed here put onto it. */
export function mergedOnto(
  theirs: Schemas['Evidence'],
  mine: Schemas['Evidence'],
  from: Schemas['Evidence'],
  units: System,
): EvidenceDraft {
  const parts = changedIn(mine, from);
  const [ours, other] = [toDraft(mine, units), toDraft(theirs, units)];
  const has = (part: string) => parts.includes(part);
  const pick = <T>(part: string, own: T, their: T) => (has(part) ? own : their);
  return changed(
    {
      ...other,
      seen: Object.fromEntries(
        (Object.keys(groups) as Seen[]).map((of) => [of, pick(of, ours.seen[of], other.seen[of]) ?? null]),
      ),
      faults: pick('faults', ours.faults, other.faults),
      strengths: pick('strengths', ours.strengths, other.strengths),
      size: pick('beadSizeMm', ours.size, other.size),
      stickOut: pick('stickOutMm', ours.stickOut, other.stickOut),
      measured: Object.fromEntries(
        (Object.keys(gauges) as GaugeName[]).map((name) => [
          name,
          pick(name, ours.measured[name], other.measured[name]) ?? '',
        ]),
      ),
      pores: pick('poresMm', ours.pores, other.pores),
    },
    {},
    units,
  );
}
