import type { Schemas } from '../../shared/api/client';

type Control = Schemas['Control'];

/** How a control's mark reads on the machine, in the words the server uses too. */
export function readMark(control: Control, mark: number): string {
  const names = control.names ?? [];
  const place = Math.round((mark - control.lowestMark) / control.markStep);
  const plain = String(Number(mark.toFixed(2)));
  const named = names.length > 0 ? (names[place] ?? plain) : plain;
  switch (control.kind) {
    case 'digital':
      return `${plain} ${control.unit}`;
    case 'tap':
      return `tap ${named}`;
    case 'coarseFine':
      return `coarse ${names[Math.floor(place / control.fineSteps)] ?? ''}, fine ${(place % control.fineSteps) + 1}`;
    case 'plateSelector':
      return `plate ${named}`;
    case 'trim':
      return `trim ${mark > 0 ? '+' : ''}${plain}`;
    default:
      return plain;
  }
}

/** Whether the marks are picked from a list rather than read off a scale. */
export const isListed = (control: Control) =>
  control.kind === 'coarseFine' || ((control.names?.length ?? 0) > 0 && control.kind !== 'digital');

/** Every mark of a stepped control, lowest first. */
export const everyMark = (control: Control) =>
  Array.from(
    { length: Math.round((control.highestMark - control.lowestMark) / control.markStep) + 1 },
    (_, i) => Number((control.lowestMark + i * control.markStep).toFixed(6)),
  );

/** What a control is, in a line. */
export function describe(control: Control): string {
  const range = `${readMark(control, control.lowestMark)} to ${readMark(control, control.highestMark)}`;
  switch (control.kind) {
    case 'digital':
      return `display, ${range}`;
    case 'knob':
      return `knob, ${range}`;
    case 'tap':
      return `taps, ${range}`;
    case 'coarseFine':
      return `coarse and fine switches, ${range}`;
    case 'plateSelector':
      return `plate selector, ${range}`;
    default:
      return `follow the wire control; ${range}, ${control.trimVolts} V a mark`;
  }
}

/** The mark nearest to a value that the control can be set to. */
export function nearestMark(control: Schemas['Control'], mark: number): number {
  const { lowestMark, highestMark, markStep } = control;
  const settable = lowestMark + Math.round((mark - lowestMark) / markStep) * markStep;
  return Number(Math.min(highestMark, Math.max(lowestMark, settable)).toFixed(3));
}
