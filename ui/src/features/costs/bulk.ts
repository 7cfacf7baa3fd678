import { useMe } from '../../shared/useMe';
import type { System } from '../../shared/units';

// How many of the reader's units are in one that is kept: kilograms of wire, cubic metres of gas.
const bulk: Record<'wire' | 'gas', Record<System, readonly [per: number, unit: string]>> = {
  wire: { metric: [1, 'kg'], inch: [2.2046226, 'lb'] },
  gas: { metric: [1, 'm³'], inch: [35.314667, 'ft³'] },
};

/** Wire and gas as they are bought, in the reader's units. */
export function useBulk() {
  const units = useMe().data?.units ?? 'metric';
  const show = (kind: keyof typeof bulk, kept: number) => {
    const [per, unit] = bulk[kind][units];
    const value = kept * per;
    return `${value.toFixed(value < 10 ? 2 : 0)} ${unit}`;
  };
  return { show, per: (kind: keyof typeof bulk) => bulk[kind][units] };
}

const shortest = 2;

/** The first days of the last so many months, the newest first, with their names in the person's own form. */
export function lastMonths(count: number, today: string): { value: string; label: string }[] {
  const [year = 0, month = 1] = today.split('-').map(Number);
  return Array.from({ length: count }, (_, back) => {
    const first = new Date(year, month - 1 - back, 1);
    return {
      value: `${first.getFullYear()}-${String(first.getMonth() + 1).padStart(shortest, '0')}-01`,
      label: first.toLocaleDateString(undefined, { month: 'long', year: 'numeric' }),
    };
  });
}
