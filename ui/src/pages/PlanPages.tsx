import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { type Board, type Place } from '../features/planning/board';
import { InHand } from '../features/planning/InHand';
import { PlanGrid } from '../features/planning/PlanGrid';
import { PlanSettingsForm } from '../features/planning/PlanSettingsForm';
import css from '../features/planning/planning.module.css';
import { planQueries } from '../features/planning/queries';
import { usePlan } from '../features/planning/usePlan';
import { hoursOf } from '../features/sessions/hours';
import { asLoading, Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { day } from '../shared/time';
import { useSay } from '../shared/words/useSay';

/** The plan of a session: who stands where in each of its slots. */
export function PlanPage() {
  const { sessionId = '' } = useParams();
  const board = useQuery(planQueries.board(sessionId));
  return (
    <Loaded of={asLoading(board)} what="the plan">
      {(data) => (
        <Page
          title={`Plan: ${data.session.title}`}
          under={
            <>
              {day(data.session.heldOn)}, {hoursOf(data.session) || 'hours not noted'},{' '}
              {data.session.roomName}
            </>
          }
          back={{ to: `/sessions/${data.session.id}`, label: 'Back to the session' }}
        >
          <Planning board={data} />
        </Page>
      )}
    </Loaded>
  );
}

function Planning({ board }: { board: Board }) {
  const plan = usePlan(board);
  const [chosen, setChosen] = useState<Place | null>(null);
  const [lifted, setLifted] = useState<Place | null>(null);
  const begun = board.nowSlot > 0 && board.nowSlot < board.slots.length;
  if (board.booths.length === 0 || board.students.length === 0) return <Nothing board={board} />;
  return (
    <div className="stack">
      <div className={`row ${css.settings}`}>
        <Button loading={plan.make.isPending} onClick={() => plan.make.mutate({ mend: false })}>
          {board.stands.length === 0 ? 'Make the plan' : 'Make it anew'}
        </Button>
        {board.stands.length > 0 && (
          <Button
            variant="default"
            loading={plan.make.isPending}
            onClick={() => plan.make.mutate({ mend: true })}
          >
            {begun ? 'Mend from now on' : 'Mend it'}
          </Button>
        )}
        <Button variant="default" disabled={!plan.undo || plan.pending} onClick={plan.undo}>
          Undo
        </Button>
        <Button variant="default" disabled={!plan.redo || plan.pending} onClick={plan.redo}>
          Redo
        </Button>
        <Button variant="default" onClick={() => window.print()}>
          Print
        </Button>
        <Button variant="default" component={Link} to={`/sessions/${board.session.id}/plan/lists`}>
          What it takes
        </Button>
      </div>
      <Standing board={board} making={plan.make.isPending} />
      <div className={css.layout}>
        <PlanGrid
          board={board}
          plan={plan}
          chosen={chosen}
          lifted={lifted}
          onChoose={setChosen}
          onLift={setLifted}
        />
        <InHand board={board} plan={plan} place={chosen} lifted={lifted} onLift={setLifted} />
      </div>
      <NotServed board={board} />
      <PlanSettingsForm board={board} plan={plan} />
    </div>
  );
}

// What can be said of the plan as a whole, and what became otherwise when it was mended.
function Standing({ board, making }: { board: Board; making: boolean }) {
  const say = useSay();
  const { solver, broken } = board;
  const points = board.aspects.reduce((sum, aspect) => sum + aspect.points, 0);
  const gap = solver ? Math.max(0, (solver.bound - solver.score) / Math.max(1, Math.abs(solver.score))) : 0;
  return (
    <div className="stack" role="status" aria-live="polite">
      {making ? (
        <p>Planning: this takes a few seconds.</p>
      ) : (
        <p>
          {board.stands.length === 0
            ? 'Nothing is planned yet.'
            : broken.length === 0
              ? 'It breaks no rule.'
              : `It breaks ${broken.length} ${broken.length === 1 ? 'rule' : 'rules'}: see the places marked.`}{' '}
          {board.stands.length > 0 && (
            <span className="quiet">
              {points} points
              {solver &&
                (gap === 0
                  ? ', and none has more'
                  : `; none has more than ${solver.bound}. Slot by slot: ${solver.byHand}`)}
              .
            </span>
          )}
        </p>
      )}
      {solver && solver.changes.length > 0 && !making && (
        <ul aria-label="What became otherwise">
          {solver.changes.map((change, i) => (
            <li key={i}>{say(change)}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

function NotServed({ board }: { board: Board }) {
  const say = useSay();
  const without = board.students.filter(({ notServed }) => notServed !== null);
  if (without.length === 0) return null;
  return (
    <section className="panel" aria-label="At no booth">
      <h2>At no booth</h2>
      <ul>
        {without.map(({ student, notServed }) => (
          <li key={student.id}>
            <b>{student.name}</b>: {say(notServed)}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Nothing({ board }: { board: Board }) {
  return (
    <section className="panel stack" aria-label="Nothing to plan">
      {board.session.courseId === null ? (
        <p>This session is open to all: it has no course, and so no roster and no path to plan by.</p>
      ) : board.students.length === 0 ? (
        <p>
          Nobody is on the course that day.{' '}
          <Link to={`/courses/${board.session.courseId}/roster`}>To its roster</Link>
        </p>
      ) : (
        <p>
          {board.session.roomName} has no booth. <Link to="/settings/rooms">To the rooms</Link>
        </p>
      )}
    </section>
  );
}
