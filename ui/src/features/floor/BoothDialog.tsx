import { Button, Modal, Select, Textarea } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { tellDone, tellTrouble } from '../../shared/notices';
import { verdicts } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { BeadGlyph } from '../judging/BeadGlyph';
import { OwnRuling } from '../judging/OwnRuling';
import { VerdictMark } from '../judging/VerdictMark';
import { WhoStands } from '../sessions/WhoStands';
import { jobLine } from '../sheets/JobLine';
import css from './floor.module.css';
import { NeedMark } from './NeedMark';
import { NextTasks } from './NextTasks';
import { SeenKey } from './SeenKey';
import { useVisit } from './useVisit';

type View = Schemas['BoothView'];

/** Everything an instructor does at one booth without going to its bench. */
export default function BoothDialog(props: {
  view: View;
  session: Schemas['Session'];
  booths: View[];
  waiting: Schemas['PersonName'][];
  now: number;
  onClose: () => void;
}) {
  const say = useSay();
  const { view, session } = props;
  const { booth, student, job, positionName, last, own, next, need, hand, machineNames } = view;
  return (
    <Modal
      opened
      onClose={props.onClose}
      size="lg"
      title={`Booth ${booth.number}${student ? `, ${student.name}` : ''}`}
    >
      <div className="stack">
        {need && student && (
          <div className={css.asks}>
            <NeedMark need={need} now={props.now} /> <span className={css.why}>{say(need.why)}</span>
            {hand ? (
              <LowerKey handId={hand.id} />
            ) : (
              <SeenKey sessionId={session.id} boothId={booth.id} student={student} />
            )}
          </div>
        )}
        {job && (
          <p>
            {jobLine(job)} <span className="quiet">{positionName}</span>
          </p>
        )}
        <p className="quiet">{machineNames.join(', ') || 'No machine'}</p>
        {last && job && (
          <div className={css.last}>
            <BeadGlyph shape={last.shape} joint={job.joint} title={`Last bead, ${verdicts[last.verdict]}`} />
            <div className={css.verdict}>
              <VerdictMark verdict={last.verdict} large />
              {next && <p className={css.advised}>{say(next)}</p>}
            </div>
          </div>
        )}
        {last && own && student && (
          <OwnRuling beadId={last.id} who={student.name} own={own} process={job?.process} />
        )}
        <div className="row">
          <Button component={Link} to={`/booths/${booth.id}`} variant="default" size="lg">
            Sheet
          </Button>
          <Button component={Link} to={`/booths/${booth.id}/bench`} size="lg">
            Bench
          </Button>
        </div>
        {student && <NoteForm sessionId={session.id} boothId={booth.id} student={student} />}
        {student && session.courseId && (
          <NextTasks sessionId={session.id} boothId={booth.id} student={student} onGiven={props.onClose} />
        )}
        <section className={`stack ${css.part}`} aria-label="Who stands here">
          <h3>Who stands here</h3>
          <WhoStands sessionId={session.id} booth={booth} student={student} waiting={props.waiting} />
          {student && <Elsewhere {...props} student={student} />}
        </section>
      </div>
    </Modal>
  );
}

function LowerKey({ handId }: { handId: string }) {
  const queries = useQueryClient();
  const lower = useMutation({
    mutationFn: () => answer(api.PUT('/api/hands/{id}/lowered', { params: { path: { id: handId } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: inRoom() }),
    onError: tellTrouble,
  });
  return (
    <Button loading={lower.isPending} onClick={() => lower.mutate()}>
      Seen to: hand down
    </Button>
  );
}

function NoteForm(props: { sessionId: string; boothId: string; student: Schemas['PersonName'] }) {
  const [note, setNote] = useState('');
  const visit = useVisit(props.sessionId, props.boothId, () => {
    setNote('');
    tellDone('Noted.');
  });
  return (
    <form
      className={`stack ${css.part}`}
      aria-label="Note"
      onSubmit={(event) => {
        event.preventDefault();
        visit.mutate({ studentId: props.student.id, note });
      }}
    >
      <Textarea
        label={`Note on ${props.student.name}`}
        description="For instructors alone; kept with the session and the student."
        autosize
        minRows={2}
        maxLength={600}
        value={note}
        onChange={(event) => setNote(event.currentTarget.value)}
      />
      <div className="row">
        <Button type="submit" variant="default" disabled={note.trim() === ''} loading={visit.isPending}>
          Note it
        </Button>
      </div>
    </form>
  );
}

function Elsewhere(props: {
  view: View;
  session: Schemas['Session'];
  booths: View[];
  student: Schemas['PersonName'];
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const move = useMutation({
    mutationFn: (boothId: string) =>
      answer(
        api.PUT('/api/sessions/{id}/booths/{boothId}/student', {
          params: { path: { id: props.session.id, boothId } },
          body: { studentId: props.student.id },
        }),
      ),
    onSuccess: () => {
      props.onClose();
      return queries.invalidateQueries({ queryKey: inRoom() });
    },
    onError: tellTrouble,
  });
  const others = props.booths
    .filter(({ booth }) => booth.id !== props.view.booth.id)
    .sort((one, other) => one.booth.number - other.booth.number);
  return (
    <Select
      label={`Put ${props.student.name} at another booth`}
      placeholder="Choose a booth"
      disabled={move.isPending}
      value={null}
      data={others.map(({ booth, student }) => ({
        value: booth.id,
        label: `Booth ${booth.number}${student ? `, ${student.name} leaves it` : ', empty'}`,
      }))}
      onChange={(id) => id && move.mutate(id)}
    />
  );
}
