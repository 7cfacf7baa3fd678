import type { Schemas } from '../../shared/api/client';

type Reason = Schemas['Reason'];

/** The reason for a number and, after it, those it rests on, each once, nearest first. */
export function chain(of: string, reasons: Reason[]): Reason[] {
  const found: Reason[] = [];
  const open = [of];
  for (let next = open.shift(); next !== undefined; next = open.shift()) {
    const reason = reasons.find((candidate) => candidate.of === next);
    if (reason && !found.includes(reason)) {
      found.push(reason);
      open.push(...reason.from);
    }
  }
  return found;
}
