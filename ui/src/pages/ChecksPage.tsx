import { memo } from 'react';
import { Loader } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../shared/api/client';
import { tellTrouble } from '../shared/notices';
import { Trouble } from '../shared/Trouble';
import { moment } from '../shared/units';
import { useBoothData } from '../features/sessions/BoothFrame';
import '../features/checks/checks.css';
import { useSay } from '../shared/words/useSay';

/** An instructor's look at a booth's lists. */
export function ChecksPage() {
  const { session, booth } = useBoothData();
  return <Checks sessionId={session.id} boothId={booth.id} />;
}

/** Pre-start and close-down, ticked at the booth, kept with the session. */
export const Checks = memo(function Checks({ sessionId, boothId }: { sessionId: string; boothId: string }) {
  const say = useSay();
  const queries = useQueryClient();
  const key = ['room', 'checks', sessionId, boothId];
  const path = { id: sessionId, boothId };
  const checks = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET('/api/sessions/{id}/booths/{boothId}/checks', { params: { path } })),
  });
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
  if (checks.isLoadingError) return <Trouble error={checks.error} again={() => checks.refetch()} />;
  if (!checks.data) return <Loader m="xl" aria-label="Loading the checks" />;
  const list = (time: Schemas['CheckTime'], title: string) => {
    const own = checks.data.filter((state) => state.check.time === time);
    const done = own.filter((state) => state.tickedBy !== null).length;
    return (
      <section className="panel checks" aria-label={title}>
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
                className={state.check.safety ? 'grave' : ''}
                onClick={() => tick.mutate({ key: state.check.key, ticked: state.tickedBy === null })}
              >
                <span className="tick" aria-hidden="true">
                  {state.tickedBy !== null ? '✓' : ''}
                </span>
                <span>
                  {say(state.check.text)}
                  {state.tickedAt && state.tickedBy !== 'now' && (
                    <span className="quiet ticked">
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
      <div className="checks-columns">
        {list('preStart', 'Before the first bead')}
        {list('closeDown', 'After the last')}
      </div>
      <p className="quiet checks-foot">
        Made from the machine, the process and the metal. Local codes, the site’s rules, the machine’s manual
        and a licensed or certified person stand over these lists.
      </p>
    </>
  );
});
