import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { Trouble } from '../../shared/Trouble';
import { useIds } from '../../shared/useIds';
import { useSay } from '../../shared/words/useSay';
import css from './floor.module.css';
import { ago } from './order';
import { floorQueries } from './queries';
import { useClock } from './useClock';

const often = 15_000;

/** A student's hand: up with its reason, seen by the instructor at once; and down again. */
export function HandKeys() {
  const say = useSay();
  const queries = useQueryClient();
  const ids = useIds();
  const now = useClock(often);
  const query = useQuery(floorQueries.hand());
  const settled = {
    onSuccess: () => {
      ids.taken();
      return queries.invalidateQueries({ queryKey: inRoom('hand') });
    },
  };
  const raise = useMutation({
    mutationFn: (reason: Schemas['HandReason']) =>
      answer(api.PUT('/api/hands/{id}', { params: { path: { id: ids.idOf(reason) } }, body: { reason } })),
    ...settled,
  });
  const lower = useMutation({
    mutationFn: (id: string) => answer(api.PUT('/api/hands/{id}/lowered', { params: { path: { id } } })),
    ...settled,
  });
  if (!query.data) return <LoadTrouble of={query} what="your hand" />;
  const { atBooth, hand, answer: seen, keys } = query.data;
  if (!atBooth) return null;
  const failed = raise.error ?? lower.error;
  return (
    <section className="panel stack" aria-label="Your hand up">
      {!hand && seen && (
        <p role="status">
          <b>{seen.by}</b> has seen your hand, {ago(seen.at, now)}.
        </p>
      )}
      {hand ? (
        <div className={css.up} role="status">
          <span>
            Your hand is up: <b>{say(keys.find(({ reason }) => reason === hand.reason)?.name)}</b>,{' '}
            {ago(hand.at, now)}
          </span>
          <Button variant="default" size="lg" loading={lower.isPending} onClick={() => lower.mutate(hand.id)}>
            Hand down
          </Button>
        </div>
      ) : (
        <div className={css.hands} role="group" aria-label="Put your hand up">
          {keys.map(({ reason, name }) => (
            <button
              key={reason}
              type="button"
              className="key"
              data-reason={reason}
              disabled={raise.isPending}
              onClick={() => raise.mutate(reason)}
            >
              {say(name)}
            </button>
          ))}
        </div>
      )}
      {failed && <Trouble error={failed} />}
    </section>
  );
}
