import { Button, TextInput } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, Refused, type Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { joints, positions, wires } from '../../shared/words';
import { useBoothData } from '../sessions/BoothFrame';
import { JointPicture } from './JointPicture';
import { SettingsPlane } from './SettingsPlane';
import { Cautions, SheetView } from './SheetView';

type Job = Schemas['JobRequest'];

/** The sheet for a job, anew with every key. */
const useSheet = (job: Job, boothId: string) =>
  useQuery({
    queryKey: ['compute', boothId, job],
    queryFn: ({ signal }) => answer(api.POST('/api/sheets/compute', { body: { job, boothId }, signal })),
    enabled: (job.thickness ?? '').trim() !== '',
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 60_000,
  });

/** Type a thickness, pick a joint, see the sheet, give it to the student. */
export function SheetPage() {
  const { session, booth, machine, student, coupon } = useBoothData();
  const given = coupon?.sheet.body.job;
  const [job, setJob] = useState<Job>({
    thickness: given?.thickness.typed ?? '',
    joint: given?.joint ?? 't',
    position: given?.position ?? 'flat',
    wire: given?.wire ?? machine.wire,
  });
  const set = (change: Partial<Job>) => setJob((before) => ({ ...before, ...change }));
  const computed = useSheet(job, booth.id);
  const refused = computed.error instanceof Refused ? computed.error : null;
  const typed = (job.thickness ?? '').trim() !== '';
  const sheet = typed && !refused ? computed.data : undefined;
  const fields = refused?.fields ?? {};
  return (
    <div className="two-columns">
      <section className="panel job" aria-label="Job">
        <TextInput
          label="Plate thickness"
          placeholder="1/8, 0.125 in, 11 ga or 3.2"
          size="xl"
          autoFocus
          maxLength={40}
          value={job.thickness ?? ''}
          onChange={(event) => set({ thickness: event.currentTarget.value })}
          error={fields.thickness}
          description={sheet && readAs(sheet)}
          inputWrapperOrder={['label', 'input', 'error', 'description']}
        />
        <Choice
          title="Joint"
          words={joints}
          value={job.joint}
          onChange={(joint) => set({ joint })}
          picture={(joint) => <JointPicture joint={joint} />}
        />
        <Choice
          title="Position"
          words={positions}
          value={job.position}
          onChange={(position) => set({ position })}
        />
        <Choice title="Wire" words={wires} value={job.wire} onChange={(wire) => set({ wire })} />
        {fields.wire && (
          <p className="field-error" role="alert">
            {fields.wire}
          </p>
        )}
        {refused && !fields.wire && !fields.thickness && (
          <Trouble error={refused} again={() => computed.refetch()} />
        )}
        <Assign
          disabled={!sheet || computed.isPlaceholderData}
          job={job}
          session={session}
          booth={booth}
          student={student}
          given={coupon?.sheet}
          current={sheet}
        />
      </section>
      <div className={computed.isPlaceholderData ? 'stack stale' : 'stack'}>
        {sheet ? (
          <>
            <section className="panel" aria-label="Settings sheet">
              <h2>
                {sheet.job.thickness.typed} {joints[sheet.job.joint]},{' '}
                {positions[sheet.job.position].toLowerCase()}{' '}
                <span className="quiet">{sheet.positionName}, short circuit, DC, torch on plus</span>
              </h2>
              <SheetView sheet={sheet} machine={machine} />
            </section>
            <div className="side-by-side">
              <section className="panel" aria-label="Settings plane">
                <SettingsPlane sheet={sheet} beads={[]} />
              </section>
              <section className="panel">
                <Cautions sheet={sheet} />
              </section>
            </div>
          </>
        ) : (
          <div className="panel empty">
            <p>
              {typed
                ? 'No sheet for this job. The field says why.'
                : 'Type the plate’s thickness. The sheet appears as you type.'}
            </p>
          </div>
        )}
      </div>
    </div>
  );
}

const readAs = ({ job }: Schemas['Sheet']) =>
  `Read as ${Number(job.thickness.valueMm.toFixed(3))} mm, ${(job.thickness.valueMm / 25.4).toFixed(3)} in`;

function Assign(props: {
  disabled: boolean;
  job: Job;
  session: Schemas['Session'];
  booth: Schemas['Booth'];
  student: Schemas['PersonName'] | null;
  given: Schemas['AssignedSheet'] | undefined;
  current: Schemas['Sheet'] | undefined;
}) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  // The same id until it is taken, so that a retry gives one sheet.
  const id = useRef(newId());
  const assign = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/sheets/{id}', {
          params: { path: { id: id.current } },
          body: { job: props.job, sessionId: props.session.id, boothId: props.booth.id },
        }),
      ),
    onSuccess: async () => {
      id.current = newId();
      await queries.invalidateQueries({ queryKey: ['room'] });
      notifications.show({ message: `${props.student?.name} has the sheet.` });
      await navigate(`/booths/${props.booth.id}/bench`);
    },
  });
  if (!props.student) return <p className="quiet">Put a student at this booth to give out a sheet.</p>;
  const same = props.given && props.current && sameJob(props.given.body.job, props.current.job);
  return (
    <>
      {assign.isError && <Trouble error={assign.error} />}
      <Button
        size="lg"
        h={60}
        disabled={props.disabled}
        loading={assign.isPending}
        onClick={() => assign.mutate()}
      >
        {same ? 'Give out on a fresh coupon' : `Give to ${props.student.name}`}
      </Button>
    </>
  );
}

const sameJob = (a: Schemas['Job'], b: Schemas['Job']) =>
  a.thickness.valueMm === b.thickness.valueMm &&
  a.joint === b.joint &&
  a.position === b.position &&
  a.wire === b.wire;
