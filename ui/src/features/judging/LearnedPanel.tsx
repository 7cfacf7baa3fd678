import { Switch } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { tellTrouble } from '../../shared/notices';
import { useIds } from '../../shared/useIds';
import { processes } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { judgingQueries } from './queries';
import css from './judging.module.css';
import { LoadTrouble } from '../../shared/Loaded';

/** What this room's rulings have taught the judge: the table says, this room says; one key switches it off. */
export function LearnedPanel() {
  const say = useSay();
  const queries = useQueryClient();
  const { idOf, taken } = useIds();
  const learned = useQuery(judgingQueries.learned());
  const turn = useMutation({
    mutationFn: (on: boolean) =>
      answer(
        api.PUT('/api/judging/learned/{id}', { params: { path: { id: idOf(String(on)) } }, body: { on } }),
      ),
    onSuccess: (state) => {
      taken();
      queries.setQueryData(judgingQueries.learned().queryKey, state);
    },
    onError: tellTrouble,
  });
  const state = learned.data;
  return (
    <section className="panel stack" aria-label="What this room has taught">
      <h2>What this room has taught</h2>
      <LoadTrouble of={learned} what="what the room has taught" />
      {!state || state.beads === 0 ? (
        <p className="quiet">
          Agree with a bead’s cause at the bench, or name another: the judge learns from it here, a little
          with each.
        </p>
      ) : (
        <>
          <Switch
            label="Judge with it"
            checked={state.on}
            disabled={turn.isPending}
            onChange={(event) => turn.mutate(event.currentTarget.checked)}
          />
          <p>
            From {state.beads} ruled beads. Of these the table alone names {state.heldOutTable} as you do;
            with what the others taught, {state.heldOutRoom}.
          </p>
          <ul className={css.roomWeights}>
            {state.rows.map((row, at) => (
              <li key={at}>
                <b>{say(row.words)}</b>, {row.sign ? say(row.sign) : 'how common it is'}
                <span className="quiet"> ({processes[row.process]})</span>
                <br />
                The table says {figure(row.table, row.sign)}, this room says{' '}
                <b>{figure(row.room, row.sign)}</b>.
              </li>
            ))}
          </ul>
          <p className="quiet">
            “Times” is how much likelier the sign makes the cause. No weight moves further than to about twice
            that, and nothing is used that would spoil a bead whose cause is known.
          </p>
        </>
      )}
    </section>
  );
}

const figure = (value: number, sign: unknown) =>
  sign ? `${value.toFixed(1)} times` : `${value.toFixed(1)} %`;
