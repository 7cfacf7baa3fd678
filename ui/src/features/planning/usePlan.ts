import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../shared/api/client';
import { tellDone, tellTrouble } from '../../shared/notices';
import { useIds } from '../../shared/useIds';
import { type Board, type Draft, draftOf, type Stand } from './board';
import { planQueries } from './queries';

/** Changes a plan: each change is kept at once and can be taken back; the solver's are changes like any other. */
export function usePlan(board: Board) {
  const queries = useQueryClient();
  const ids = useIds();
  const [past, setPast] = useState<Draft[]>([]);
  const [future, setFuture] = useState<Draft[]>([]);
  const { queryKey } = planQueries.board(board.session.id);
  const path = { id: board.session.id };
  // Somebody else's change is shown before anybody changes theirs; what was undone of one's own is no longer the plan then.
  const failed = async (error: unknown) => {
    tellTrouble(error);
    await queries.invalidateQueries({ queryKey });
  };
  const save = useMutation({
    mutationFn: (draft: Draft) => {
      const body = { edition: board.edition, ...draft };
      return answer(
        api.PUT('/api/sessions/{id}/plan', { params: { path }, body: { id: ids.idOf(body), ...body } }),
      );
    },
    onMutate: ({ stands }) =>
      queries.setQueryData<Board>(queryKey, (shown) => shown && withStands(shown, stands)),
    onSuccess: () => {
      ids.taken();
      return queries.invalidateQueries({ queryKey });
    },
    onError: failed,
  });
  const make = useMutation({
    mutationFn: ({ mend }: { mend: boolean }) => {
      const body = { edition: board.edition, ...draftOf(board), fromSlot: mend ? board.nowSlot : 0, mend };
      return answer(
        api.PUT('/api/sessions/{id}/plan/made', { params: { path }, body: { id: ids.idOf(body), ...body } }),
      );
    },
    onSuccess: async () => {
      ids.taken();
      setPast((all) => [...all, draftOf(board)]);
      setFuture([]);
      await queries.invalidateQueries({ queryKey });
      tellDone('The plan is made.');
    },
    onError: failed,
  });
  const change = (draft: Partial<Draft>) => {
    setPast((all) => [...all, draftOf(board)]);
    setFuture([]);
    save.mutate({ ...draftOf(board), ...draft });
  };
  const step = (from: Draft[], setFrom: (all: Draft[]) => void, setTo: typeof setPast) => {
    const last = from.at(-1);
    if (!last) return;
    setFrom(from.slice(0, -1));
    setTo((all) => [...all, draftOf(board)]);
    save.mutate(last);
  };
  return {
    change,
    make,
    undo: past.length > 0 ? () => step(past, setPast, setFuture) : null,
    redo: future.length > 0 ? () => step(future, setFuture, setPast) : null,
    pending: save.isPending || make.isPending,
  };
}

export type PlanKeys = ReturnType<typeof usePlan>;

// What is put somewhere stands there at once; the rest of what the board says comes with the server's answer.
function withStands(board: Board, stands: Stand[]): Board {
  const names = new Map(
    board.students.flatMap(({ tasks }) => tasks.map(({ exerciseId, name }) => [exerciseId, name] as const)),
  );
  return {
    ...board,
    stands: stands.map(
      (stand) =>
        board.stands.find((shown) => shown.stand === stand) ?? {
          stand,
          exerciseName: names.get(stand.exerciseId) ?? '',
          change: null,
          changeMinutes: 0,
          firstTry: false,
        },
    ),
  };
}
