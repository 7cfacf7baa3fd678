import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, Refused } from '../../shared/api/client';
import { tellDone, tellTrouble } from '../../shared/notices';
import { useIds } from '../../shared/useIds';
import { type Board, type Draft, draftOf, withDraft } from './board';
import { planQueries } from './queries';

/** What was, before and after what stands, and the edition it belongs to: in any other, somebody else has changed the plan. */
interface Past {
  edition: number;
  before: Draft[];
  after: Draft[];
}

/** Changes a plan: each change is kept at once and can be taken back; the solver's are changes like any other. */
export function usePlan(board: Board) {
  const queries = useQueryClient();
  const ids = useIds();
  const [kept, setKept] = useState<Past>({ edition: board.edition, before: [], after: [] });
  // What is undone is one's own: after somebody else's change there is nothing of one's own to go back to.
  const past: Past =
    kept.edition === board.edition ? kept : { edition: board.edition, before: [], after: [] };
  const { queryKey } = planQueries.board(board.session.id);
  const path = { id: board.session.id };
  const settled = {
    onSuccess: () => {
      ids.taken();
      return queries.invalidateQueries({ queryKey });
    },
    onError: async (error: unknown) => {
      tellTrouble(error);
      await queries.invalidateQueries({ queryKey });
    },
  };
  const save = useMutation({
    // One after the other: each names the edition that the one before it makes.
    scope: { id: `plan ${board.session.id}` },
    mutationFn: (body: Draft & { edition: number }) =>
      answer(api.PUT('/api/sessions/{id}/plan', { params: { path }, body: { id: ids.idOf(body), ...body } })),
    ...settled,
    onError: async (error, body) => {
      // Refused for what it says, the plan is as it was; refused for somebody else's change, or not answered, nobody can say.
      const asItWas = error instanceof Refused && error.status === 400;
      setKept(({ before }) =>
        asItWas
          ? { edition: body.edition, before: before.slice(0, -1), after: [] }
          : { edition: -1, before: [], after: [] },
      );
      await settled.onError(error);
    },
  });
  const make = useMutation({
    mutationFn: ({ mend }: { mend: boolean }) => {
      const body = { edition: board.edition, ...draftOf(board), fromSlot: board.nowSlot, mend };
      return answer(
        api.PUT('/api/sessions/{id}/plan/made', { params: { path }, body: { id: ids.idOf(body), ...body } }),
      );
    },
    ...settled,
    onSuccess: async () => {
      setKept({ edition: board.edition + 1, before: [...past.before, draftOf(board)], after: [] });
      await settled.onSuccess();
      tellDone('The plan is made.');
    },
  });
  const put = (draft: Draft, then: Omit<Past, 'edition'>, onSaved?: () => void) => {
    setKept({ edition: board.edition + 1, ...then });
    queries.setQueryData<Board>(queryKey, (shown) => shown && withDraft(shown, draft));
    save.mutate({ edition: board.edition, ...draft }, { onSuccess: () => onSaved?.() });
  };
  const now = draftOf(board);
  const [last, next] = [past.before.at(-1), past.after.at(-1)];
  return {
    make,
    change: (draft: Partial<Draft>, onSaved?: () => void) =>
      put({ ...now, ...draft }, { before: [...past.before, now], after: [] }, onSaved),
    undo: last && (() => put(last, { before: past.before.slice(0, -1), after: [...past.after, now] })),
    redo: next && (() => put(next, { before: [...past.before, now], after: past.after.slice(0, -1) })),
    pending: save.isPending || make.isPending,
    error: save.error,
  };
}

export type PlanKeys = ReturnType<typeof usePlan>;
