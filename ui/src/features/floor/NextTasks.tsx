import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { tellDone } from '../../shared/notices';
import { Trouble } from '../../shared/Trouble';
import { useIds } from '../../shared/useIds';
import { useSay } from '../../shared/words/useSay';
import css from './floor.module.css';
import { floorQueries } from './queries';

/** What comes next for somebody on their course's path, to be given out at their booth. */
export function NextTasks(props: {
  sessionId: string;
  boothId: string;
  student: Schemas['PersonName'];
  onGiven: () => void;
}) {
  const say = useSay();
  const { sessionId, boothId, student } = props;
  const tasks = useQuery(floorQueries.next(sessionId, student.id, boothId));
  const queries = useQueryClient();
  const ids = useIds();
  const give = useMutation({
    mutationFn: (body: Schemas['GivingNext']) =>
      answer(
        api.PUT('/api/sessions/{id}/booths/{boothId}/next/{sheetId}', {
          params: { path: { id: sessionId, boothId, sheetId: ids.idOf(body) } },
          body,
        }),
      ),
    onSuccess: () => {
      ids.taken();
      tellDone('The sheet is given out.');
      props.onGiven();
      return queries.invalidateQueries({ queryKey: inRoom() });
    },
  });
  return (
    <section className={`stack ${css.part}`} aria-label="Next exercise">
      <h3>Next exercise</h3>
      <Loaded of={asLoading(tasks)} what="what comes next">
        {(all) => (
          <>
            {all.length === 0 && <p className="quiet">Nothing is open for them on their course’s path.</p>}
            <ul className={css.tasks}>
              {all.map(({ exerciseId, name, why, machineId, machineName, whyNot }) => (
                <li key={exerciseId} aria-label={name}>
                  <p>
                    <b>{name}</b> <span className="quiet">{say(why)}</span>
                    {whyNot && <span className="field-error"> {say(whyNot)}</span>}
                  </p>
                  {machineId && (
                    <Button
                      variant="default"
                      loading={give.isPending && give.variables.exerciseId === exerciseId}
                      aria-label={`Give out ${name}`}
                      onClick={() => give.mutate({ studentId: student.id, exerciseId, machineId })}
                    >
                      Give out{all.length > 1 || machineName === null ? '' : `, ${machineName}`}
                    </Button>
                  )}
                </li>
              ))}
            </ul>
          </>
        )}
      </Loaded>
      {give.isError && <Trouble error={give.error} />}
    </section>
  );
}
