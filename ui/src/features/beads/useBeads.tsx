import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, Refused, type Schemas } from '../../shared/api/client';
import { offerUndo, tellTrouble } from '../../shared/notices';
import { wrote } from '../../shared/live/ownWrites';
import { beadQueries } from './queries';

type Bead = Schemas['Bead'];
type Bench = Schemas['Bench'];

const laid = (bead: Bead): Schemas['LaidBead'] => ({
  id: bead.id,
  number: bead.number,
  verdict: bead.ruled ?? bead.judgement.verdict,
  shape: bead.judgement.shape,
  used: bead.used,
});

/** A bench with a bead as it stands now: on its coupon, and in full where it is the newest. */
export function withBead(bench: Bench, bead: Bead): Bench {
  const { coupon } = bench;
  if (!coupon || coupon.sheet.id !== bead.sheetId) return bench;
  const there = coupon.beads.some((one) => one.id === bead.id);
  const beads = there
    ? coupon.beads.map((one) => (one.id === bead.id ? laid(bead) : one))
    : [...coupon.beads, laid(bead)];
  const last = !coupon.last || bead.number >= coupon.last.number ? bead : coupon.last;
  return { ...bench, coupon: { ...coupon, beads, last } };
}

/** Puts the answer of a write where the screens read it: nothing of it has to be asked for again. */
function useTakeIn() {
  const queries = useQueryClient();
  return (bead: Bead) => {
    queries.setQueriesData<Bench>({ queryKey: ['room', 'bench'] }, (bench) => bench && withBead(bench, bead));
    queries.setQueryData(beadQueries.file(bead.id).queryKey, (file) => file && { ...file, bead });
    // Lists that are not on screen ask again when they come up.
    void queries.invalidateQueries({ queryKey: ['room', 'tonight'] });
    void queries.invalidateQueries({ queryKey: ['room', 'rack'] });
    void queries.invalidateQueries({ queryKey: ['room', 'trial'] });
  };
}

/** Records a bead under an id of the caller's; the same id twice makes one bead. */
export function useRecord(onRecorded: (bead: Bead) => void) {
  const takeIn = useTakeIn();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }: { id: string; body: Schemas['BeadRequest'] }) => {
      wrote(id);
      return answer(api.PUT('/api/beads/{id}', { params: { path: { id } }, body }));
    },
    onSuccess: (bead) => {
      takeIn(bead);
      onRecorded(bead);
    },
    // Whether it was saved when no answer came, the bench says.
    onError: (error) =>
      error instanceof Refused && error.status >= 400 && error.status < 500
        ? undefined
        : queries.invalidateQueries({ queryKey: ['room', 'bench'] }),
  });
}

/** Everything kept of one bead. */
export const useBeadFile = (id: string | undefined) =>
  useQuery({ ...beadQueries.file(id ?? ''), enabled: id !== undefined });

/** Looks at a bead again: all its evidence, as it now stands, and from which version. */
export function useLook(onLooked: (bead: Bead) => void) {
  const takeIn = useTakeIn();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (look: {
      id: string;
      beadId: string;
      version: string;
      evidence: Schemas['Evidence'];
      settings?: Schemas['CorrectedSettings'];
    }) => {
      wrote(look.id);
      return answer(
        api.PUT('/api/beads/{id}/looks/{lookId}', {
          params: { path: { id: look.beadId, lookId: look.id }, header: { 'If-Match': `"${look.version}"` } },
          body: { evidence: look.evidence, settings: look.settings ?? null },
        }),
      );
    },
    onSuccess: async (bead) => {
      takeIn(bead);
      onLooked(bead);
      await queries.invalidateQueries({ queryKey: beadQueries.file(bead.id).queryKey });
    },
  });
}

/** Of a bead that was just laid everything is known: nothing of it need be asked for. */
export function useJustLaid(sheet: Schemas['AssignedSheet'], machineId: string) {
  const queries = useQueryClient();
  return (bead: Bead) => {
    const file: Schemas['BeadFile'] = {
      bead,
      sheet,
      body: null,
      machineId,
      pictures: [],
      recordings: [],
      rulings: [],
      earlier: [],
    };
    queries.setQueryData(beadQueries.file(bead.id).queryKey, file);
  };
}

/** Takes a bead off its coupon, with a way back. */
export function useWithdraw() {
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: ({ bead, withdrawn }: { bead: Bead; withdrawn: boolean }) =>
      answer(
        api.PUT('/api/beads/{id}/withdrawn', { params: { path: { id: bead.id } }, body: { withdrawn } }),
      ),
    onSuccess: async (_, { bead, withdrawn }) => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      if (withdrawn) {
        offerUndo(bead.id, `Bead ${bead.number} is withdrawn.`, () =>
          withdraw.mutate({ bead, withdrawn: false }),
        );
      }
    },
    onError: tellTrouble,
  });
  return withdraw;
}
