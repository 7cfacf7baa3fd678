import type { Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { controlOf, type Front, fronts } from './fronts';

/** A program number and what it stands for, as far as it is filled in. */
interface Program {
  key: string;
  number: number | string;
  wire: Schemas['Wire'] | null;
  gas: Schemas['Gas'] | null;
  process: Schemas['Process'] | null;
}

/** A machine while it is being described. */
export interface MachineEntry extends Record<string, unknown> {
  name: string;
  boothNumber: number | string;
  frontName: string;
  front: Front;
  wire: Schemas['Wire'] | null;
  gas: Schemas['Gas'];
  polarity: Schemas['Polarity'];
  ratedAmps: number | string;
  ratedPercent: number | string;
  mostAmps: number | string;
  inductance: boolean;
  voltsUnderLoad: boolean;
  hasAc: boolean;
  programs: Program[];
}

const firstFront = Object.keys(fronts)[0] ?? '';

/** A program with nothing filled in. */
export const emptyProgram = (): Program => ({
  key: newId(),
  number: '',
  wire: null,
  gas: null,
  process: null,
});

/** What a description begins with. */
export const newMachine: MachineEntry = {
  name: '',
  boothNumber: 1,
  frontName: firstFront,
  front: fronts[firstFront] as Front,
  wire: 'solid08',
  gas: 'argonCarbon25',
  polarity: 'torchPlus',
  ratedAmps: '',
  ratedPercent: '',
  mostAmps: '',
  inductance: false,
  voltsUnderLoad: false,
  hasAc: false,
  programs: [],
};

/** What changes with another front: one without wire is for a tungsten, and begins with what that wants. */
export function withFront(name: string): Partial<MachineEntry> {
  const front = fronts[name] as Front;
  return {
    frontName: name,
    front,
    ...(front.wire ? {} : { gas: 'argon' as const, polarity: 'torchMinus' as const }),
  };
}

/** The machine that a description stands for; a program that is not filled in is left out. */
export function toMachine(entry: MachineEntry): Schemas['NewMachine']['machine'] {
  const { front, ratedAmps, ratedPercent, mostAmps } = entry;
  return {
    name: entry.name,
    load: { wire: front.wire ? entry.wire : null, gas: entry.gas, polarity: entry.polarity },
    wireControl: front.wire && controlOf(front.wire),
    voltControl: front.volt && controlOf(front.volt),
    ampControl: front.amp && controlOf(front.amp),
    rating:
      ratedAmps === ''
        ? null
        : {
            amps: Number(ratedAmps),
            dutyPercent: Number(ratedPercent),
            mostAmps: Number(mostAmps === '' ? ratedAmps : mostAmps),
          },
    inductance: entry.inductance,
    voltsUnderLoad: entry.voltsUnderLoad,
    hasAc: entry.hasAc,
    programs: entry.programs.flatMap(({ number, wire, gas, process }) =>
      number !== '' && wire && gas && process ? [{ number: Number(number), wire, gas, process }] : [],
    ),
  };
}
