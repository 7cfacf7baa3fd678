import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { tellTrouble } from '../../shared/notices';

/** A coupon's beads with those before them, as far back as was asked for. */
export function useEarlier(coupon: Pick<Schemas['Coupon'], 'beads' | 'earlier'> & { sheetId: string }) {
  const [before, setBefore] = useState<Schemas['LaidBead'][]>([]);
  const [first, setFirst] = useState(false);
  const beads = [
    ...before.filter((old) => !coupon.beads.some((bead) => bead.id === old.id)),
    ...coupon.beads,
  ];
  const load = useMutation({
    mutationFn: () =>
      answer(
        api.GET('/api/sheets/{id}/beads', {
          params: { path: { id: coupon.sheetId }, query: { before: beads[0]?.number ?? 1 } },
        }),
      ),
    onSuccess: (page) => {
      setBefore([...page, ...before]);
      if (page.length === 0 || page[0]?.number === 1) setFirst(true);
    },
    onError: tellTrouble,
  });
  return { beads, onEarlier: coupon.earlier && !first ? () => load.mutate() : undefined };
}
