import { useState } from 'react';

/** How a picture is drawn at the scale of the one beside it: how many millimetres it would be across by itself, and is to be. */
export interface Across {
  own: number;
  wanted: number;
}

/** Two pictures at one scale, once both have said how much they show; null until then. */
export function useOneScale(one: string, other: string) {
  const [across, setAcross] = useState<Record<string, number>>({});
  const both = [across[one], across[other]];
  return {
    of: (id: string): Across | null => {
      const own = across[id];
      const [a, b] = both;
      return own === undefined || a === undefined || b === undefined ? null : { own, wanted: Math.max(a, b) };
    },
    tell: (id: string) => (mm: number) => setAcross((all) => ({ ...all, [id]: mm })),
  };
}
