import { memo } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../shared/api/client';
import { tellTrouble } from '../shared/notices';
import { asLoading, Loaded } from '../shared/Loaded';
import { checkQueries } from '../features/checks/queries';
import { moment } from '../shared/time';
import { useBoothData } from '../features/sessions/BoothFrame';
import { useSay } from '../shared/words/useSay';
import css from './checks.module.css';

/** An instructor's look at a booth's lists. */
export function ChecksPage() {
  const { session, booth } = useBoothData();
  return <Checks sessionId={session.id} boothId={booth.id} />;
}

/** Pre-start and close-down, ticked at the booth, kept with the session. */
export const Checks = memo(function Checks({ sessionId, boothId }: { sessionId: string; boothId: string }) {
  const say = useSay();
  const queries = useQueryClient();
  const lists = checkQueries.of(sessionId, boothId);
  const key = lists.queryKey;
  const path = { id: sessionId, boothId };
  const checks = useQuery(lists);
  const tick = useMutation({
    mutationFn: (check: { key: string; ticked: boolean }) =>
      answer(
        api.PUT('/api/sessions/{id}/booths/{boothId}/checks/{key}', {
          params: { path: { ...path, key: check.key } },
          body: { ticked: check.ticked },
        }),
      ),
    // Shown at once; the server's word follows.
    onMutate: (check) =>
      queries.setQueryData<Schemas['CheckState'][]>(key, (before) =>
        before?.map((state) =>
          state.check.key === check.key ? { ...state, tickedBy: check.ticked ? 'now' : null } : state,
        ),
      ),
    onSettled: () => queries.invalidateQueries({ queryKey: key }),
    onError: tellTrouble,
  });
  const list = (all: Schemas['CheckState'][], time: Schemas['CheckTime'], title: string) => {
    const own = all.filter((state) => state.check.time === time);
    const done = own.filter((state) => state.tickedBy !== null).length;
    return (
      <section className={`panel ${css.checks}`} aria-label={title}>
        <h2>
          {title}{' '}
          <span className="quiet">
            {done} of {own.length}
          </span>
        </h2>
        <ul>
          {own.map((state) => (
            <li key={state.check.key}>
              <button
                type="button"
                role="checkbox"
                aria-checked={state.tickedBy !== null}
                className={state.check.safety ? css.grave : ''}
                onClick={() => tick.mutate({ key: state.check.key, ticked: state.tickedBy === null })}
              >
                <span className={css.tick} aria-hidden="true">
                  {state.tickedBy !== null ? '✓' : ''}
                </span>
                <span>
                  {say(state.check.text)}
                  {state.tickedAt && state.tickedBy !== 'now' && (
                    <span className={`quiet ${css.ticked}`}>
                      {state.tickedBy}, {moment(state.tickedAt)}
                    </span>
                  )}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
    );
  };
  return (
    <>
      <Loaded of={asLoading(checks)} what="the check lists">
        {(all) => (
          <div className={css.checksColumns}>
            {list(all, 'preStart', 'Before the first bead')}
            {list(all, 'closeDown', 'After the last')}
          </div>
        )}
      </Loaded>
      <p className={`quiet ${css.checksFoot}`}>
        Made from the machine, the process and the metal. Local codes, the site’s rules, the machine’s manual
        and a licensed or certified person take precedence over these lists.
      </p>
    </>
  );
});
