/** Every key that acts by itself, as the list of keys shows it. */
export const keys = [
  ['?', 'These keys'],
  ['Ctrl K', 'Go to anything by name'],
  ['T', 'Today'],
  ['1 to 9', 'Bench of that booth'],
  ['Shift 1 to 9', 'Sheet of that booth'],
  ['Ctrl Enter', 'Judge the bead'],
  ['← → ↓ ↑', 'Within a row of keys; in the practice room: wire and volts'],
  ['C', 'Calculators, filled in from the sheet on screen'],
  ['U', 'Inch or metric'],
  ['D', 'Light or dark'],
] as const;
