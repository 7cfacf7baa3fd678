import { Button, Select, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { memo, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { tellDone } from '../shared/notices';
import { answer, api, type Schemas } from '../shared/api/client';
import { newId } from '../shared/newId';
import { Trouble } from '../shared/Trouble';
import { testWeldQueries } from '../features/testWelds/queries';
import type { SheetPlace } from '../features/sheets/queries';
import type { Job } from '../features/sheets/useSheets';
import { useFields, useSay } from '../shared/words/useSay';
import { loadParts } from '../shared/words';
import css from '../features/sheets/sheets.module.css';
import { LoadTrouble } from '../shared/Loaded';

/** Gives the sheet to whoever stands at the booth; a mismatch on the machine has to be mended or overruled first. */
export function AssignPanel(props: {
  disabled: boolean;
  job: Job;
  session: Schemas['Session'];
  at: SheetPlace;
  student: Schemas['PersonName'] | null;
  given: Schemas['AssignedSheet'] | undefined;
  current: Schemas['Sheet'] | undefined;
}) {
  const say = useSay();
  const queries = useQueryClient();
  const navigate = useNavigate();
  // The same id until it is taken, so that a retry gives one sheet.
  const id = useRef(newId());
  const [overrule, setOverrule] = useState('');
  const [criteria, setCriteria] = useState<Schemas['CriteriaSet']>(props.given?.criteria ?? 'practice');
  const mismatches = props.current?.mismatches ?? [];
  const assign = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/sheets/{id}', {
          params: { path: { id: id.current } },
          body: {
            job: props.job,
            sessionId: props.session.id,
            ...props.at,
            overrule: mismatches.length > 0 ? overrule : null,
            criteria,
          },
        }),
      ),
    onSuccess: async () => {
      id.current = newId();
      await queries.invalidateQueries({ queryKey: ['room'] });
      tellDone(`${props.student?.name} has the sheet.`);
      await navigate(`/booths/${props.at.boothId}/bench`);
    },
  });
  const fields = useFields(assign.error);
  const same =
    props.given &&
    props.current &&
    JSON.stringify(props.given.body.job) === JSON.stringify(props.current.job);
  const blocked = mismatches.length > 0 && overrule.trim() === '';
  return (
    <>
      {mismatches.length > 0 && (
        <section className={css.mismatches} aria-label="Does not fit">
          <h3>On the machine, this does not fit</h3>
          <ul>
            {mismatches.map((mismatch) => (
              <li key={mismatch.part}>
                <b>{loadParts[mismatch.part]}</b>: {say(mismatch.loaded)} is on, the sheet wants{' '}
                {say(mismatch.wanted)}. <span className="quiet">{say(mismatch.consequence)}</span>
              </li>
            ))}
          </ul>
          <div className="row">
            <Button component={Link} to={`/machines/${props.at.machineId}`} variant="default">
              Mend: what is on
            </Button>
          </div>
          <TextInput
            label="Or why it may stay"
            maxLength={200}
            value={overrule}
            onChange={(event) => setOverrule(event.currentTarget.value)}
            error={fields.overrule}
          />
        </section>
      )}
      <div className={css.assign}>
        {props.student && <MeasuredBy criteria={criteria} onPick={setCriteria} />}
        {assign.isError && !fields.overrule && <Trouble error={assign.error} />}
        {props.student ? (
          <Button
            size="lg"
            h={60}
            disabled={props.disabled || blocked}
            loading={assign.isPending}
            onClick={() => assign.mutate()}
          >
            {blocked
              ? 'Mend or overrule first'
              : same
                ? 'Give out on a fresh coupon'
                : `Give to ${props.student.name}`}
          </Button>
        ) : (
          <p className="quiet">Put a student at this booth to give out a sheet.</p>
        )}
      </div>
    </>
  );
}

/** The criteria beads on the coupon are measured by. */
const MeasuredBy = memo(function MeasuredBy(props: {
  criteria: Schemas['CriteriaSet'];
  onPick: (criteria: Schemas['CriteriaSet']) => void;
}) {
  const say = useSay();
  const sets = useQuery(testWeldQueries.criteria());
  return (
    <>
      <LoadTrouble of={sets} what="the criteria" />
      <Select
        label="Beads are measured by"
        data={sets.data?.map((one) => ({ value: one.set, label: say(one.name) })) ?? []}
        value={props.criteria}
        onChange={(value) => value && props.onPick(value)}
      />
    </>
  );
});
