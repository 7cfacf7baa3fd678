import { Button, Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { asLoading, Loaded } from '../../shared/Loaded';
import { clock } from '../../shared/time';
import { useSay } from '../../shared/words/useSay';
import { type Board, draftOf, fitAt, type Place, put, type Stand, standAt } from './board';
import { dragged } from './PlanGrid';
import css from './planning.module.css';
import { planQueries } from './queries';
import type { PlanKeys } from './usePlan';

/** What can be done at the place that was chosen, and who stands nowhere in its slot. */
export function InHand(props: {
  board: Board;
  plan: PlanKeys;
  place: Place | null;
  lifted: Place | null;
  onLift: (place: Place | null) => void;
}) {
  const { board, plan, place } = props;
  const booth = board.booths.find(({ id }) => id === place?.boothId);
  if (!place || !booth)
    return (
      <section className={`panel stack ${css.hand}`} aria-label="In hand">
        <p>Choose a place on the board.</p>
        <p className="quiet">
          Arrows go from place to place; M moves whoever stands there, P pins, Delete takes out. Or drag.
        </p>
      </section>
    );
  const { stands } = draftOf(board);
  const stand = standAt(stands, place);
  const slot = board.slots[place.slot];
  const free = board.students.filter(
    ({ student, from, until }) =>
      place.slot >= from &&
      (until === null || place.slot < until) &&
      !stands.some((other) => other.slot === place.slot && other.studentId === student.id),
  );
  return (
    <section className={`panel stack ${css.hand}`} aria-label="In hand">
      <h2>
        Booth {booth.number}, {clock(slot?.begins ?? '00:00')}
      </h2>
      {stand && (
        <Standing
          key={`${stand.studentId} ${stand.slot} ${stand.boothId}`}
          board={board}
          plan={plan}
          stand={stand}
          lifted={props.lifted !== null}
          onLift={() => props.onLift(props.lifted ? null : place)}
        />
      )}
      <WhyNot
        key={`${place.slot} ${place.boothId}`}
        board={board}
        plan={plan}
        place={place}
        standing={stand?.studentId}
      />
      <h3>{free.length === 0 ? 'Everybody stands somewhere' : 'Stand nowhere in this slot'}</h3>
      <div className={css.names}>
        {free.map(({ student }) => (
          <Button
            key={student.id}
            variant="default"
            aria-label={`${student.name}, put here`}
            disabled={fitAt(board, student.id, place.boothId) === null}
            onClick={() => {
              const next = put(board, stands, student.id, place);
              if (next) plan.change({ stands: next });
            }}
            {...dragged({ studentId: student.id })}
          >
            {student.name}
          </Button>
        ))}
      </div>
    </section>
  );
}

function Standing(props: {
  board: Board;
  plan: PlanKeys;
  stand: Stand;
  lifted: boolean;
  onLift: () => void;
}) {
  const { board, plan, stand } = props;
  const { stands } = draftOf(board);
  const student = board.students.find((one) => one.student.id === stand.studentId);
  const machines = board.booths.find(({ id }) => id === stand.boothId)?.machines ?? [];
  const changed = (part: Partial<Stand>) =>
    plan.change({ stands: stands.map((one) => (one === stand ? { ...stand, ...part, pinned: true } : one)) });
  return (
    <>
      <p>
        <b>{student?.student.name ?? 'Not there'}</b>
      </p>
      <Select
        label="Works on"
        allowDeselect={false}
        value={stand.exerciseId}
        data={[
          ...new Map([
            [stand.exerciseId, board.stands.find((one) => one.stand === stand)?.exerciseName ?? ''],
            ...(student?.tasks ?? []).map((task) => [task.exerciseId, task.name] as const),
          ]),
        ].map(([value, label]) => ({ value, label }))}
        onChange={(exerciseId) => exerciseId && changed({ exerciseId })}
      />
      {machines.length > 1 && (
        <Select
          label="With"
          allowDeselect={false}
          value={stand.machineId}
          data={machines.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(machineId) => machineId && changed({ machineId })}
        />
      )}
      <div className="row">
        <Button
          variant="default"
          aria-pressed={stand.pinned}
          onClick={() =>
            plan.change({
              stands: stands.map((one) => (one === stand ? { ...stand, pinned: !stand.pinned } : one)),
            })
          }
        >
          {stand.pinned ? 'Unpin' : 'Pin'}
        </Button>
        <Button
          variant={props.lifted ? 'filled' : 'default'}
          aria-pressed={props.lifted}
          onClick={props.onLift}
        >
          {props.lifted ? 'Now tap where to' : 'Move or swap'}
        </Button>
        <Button
          variant="default"
          onClick={() => plan.change({ stands: stands.filter((one) => one !== stand) })}
        >
          Take out
        </Button>
      </div>
      <h3>Why here?</h3>
      <Why board={board} plan={plan} studentId={stand.studentId} place={stand} />
    </>
  );
}

function WhyNot(props: { board: Board; plan: PlanKeys; place: Place; standing: string | undefined }) {
  const { board, plan, place, standing } = props;
  const [who, setWho] = useState<string | null>(null);
  return (
    <>
      <Select
        label="Why not somebody else?"
        placeholder="Choose a student"
        searchable
        clearable
        value={who}
        data={board.students
          .filter(({ student }) => student.id !== standing)
          .map(({ student }) => ({ value: student.id, label: student.name }))}
        onChange={setWho}
      />
      {who && <Why board={board} plan={plan} studentId={who} place={place} />}
    </>
  );
}

function Why(props: { board: Board; plan: PlanKeys; studentId: string; place: Place }) {
  const { board, plan, studentId, place } = props;
  const say = useSay();
  // What is only on its way is no edition yet: asked before it is kept, the server would speak of the one before.
  const why = useQuery({
    ...planQueries.why(board.session.id, board.edition, studentId, place.slot, place.boothId),
    enabled: !plan.pending,
  });
  return (
    <Loaded of={asLoading(why)} what="the reasons">
      {(data) => (
        <ul>
          {data.why.map((said, i) => (
            <li key={i}>{say(said)}</li>
          ))}
        </ul>
      )}
    </Loaded>
  );
}
