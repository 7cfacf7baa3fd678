import { Button, FileButton } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { offerUndo, tellTrouble } from '../../shared/notices';
import { dayWithYear } from '../../shared/time';
import { useUpload } from '../../shared/useUpload';
import { counted, joints, positions, processes } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { progressQueries } from './queries';
import { StateMark } from './StateMark';

/** What a student takes along, and what they brought from other schools. */
export function Logbooks({ studentId, may }: { studentId: string; may: boolean }) {
  const logbooks = useQuery(progressQueries.logbooks(studentId));
  const { send, pending, state } = useUpload('logbook');
  const read = (file: File | null) =>
    file &&
    send({
      to: (id) => `/api/students/${studentId}/logbooks/${id}`,
      same: [studentId, file.name],
      file,
    });
  return (
    <section className="panel stack" aria-label="Logbook">
      <h2>Logbook</h2>
      <p className="quiet">
        All of it in one file: beads, pictures, recordings, test welds and the report. It opens in any
        browser, and another school can read it in. Signed by this school, so that a change is noticed.
      </p>
      <div className="row">
        <Button component="a" href={`/api/students/${studentId}/logbook.zip`} variant="default" download>
          Take the logbook along (ZIP)
        </Button>
        <Button component="a" href={`/api/students/${studentId}/report.pdf`} variant="default" download>
          Report on paper (PDF)
        </Button>
        {may && (
          <FileButton onChange={read} accept=".zip,application/zip">
            {(props) => (
              <Button {...props} variant="default" loading={pending}>
                Read in a logbook from elsewhere
              </Button>
            )}
          </FileButton>
        )}
      </div>
      {state}
      <Loaded of={asLoading(logbooks)} what="the logbooks from elsewhere">
        {(all) => all.map((one) => <Foreign key={one.id} studentId={studentId} of={one} may={may} />)}
      </Loaded>
    </section>
  );
}

function Foreign(props: { studentId: string; of: Schemas['ForeignLogbook']; may: boolean }) {
  const { studentId, of, may } = props;
  const say = useSay();
  const withdraw = useWithdraw(studentId, of);
  const { school, student, madeAt, fingerprint, by, readAt, beads, testsPassed, testsBroken, skills } = of;
  return (
    <article aria-label={`From ${school}`}>
      <h3>From elsewhere: {school}</h3>
      <p className="quiet">
        {student}, {dayWithYear(madeAt)}: {counted(beads, 'bead')}
        {testsPassed > 0 && `, ${counted(testsPassed, 'test weld')} accepted`}. Read in by {by},{' '}
        {dayWithYear(readAt)}.
      </p>
      {testsBroken > 0 && (
        <p className="field-error">The chain of {counted(testsBroken, 'test weld')} in it is broken.</p>
      )}
      <p>Unchanged since it was signed, by the key {fingerprint}. Whether that is theirs, ask the school.</p>
      <ul className="plain-list">
        {skills.map(({ kind, state, did }) => (
          <li key={`${kind.process} ${kind.joint} ${kind.position}`}>
            <StateMark state={state} /> {joints[kind.joint]}, {positions[kind.position].toLowerCase()},{' '}
            {processes[kind.process]}: {say(did)}
          </li>
        ))}
      </ul>
      {may && (
        <Button
          variant="default"
          loading={withdraw.isPending}
          onClick={() => withdraw.mutate(true)}
          aria-label={`Take out: ${school}`}
        >
          Take it out
        </Button>
      )}
    </article>
  );
}

/** Takes a logbook out that was read in for somebody else, with a way back. */
function useWithdraw(studentId: string, { id: logbookId, school }: Schemas['ForeignLogbook']) {
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: (withdrawn: boolean) =>
      answer(
        api.PUT('/api/students/{id}/logbooks/{logbookId}/withdrawn', {
          params: { path: { id: studentId, logbookId } },
          body: { withdrawn },
        }),
      ),
    onSuccess: async (_, withdrawn) => {
      if (withdrawn) {
        offerUndo(`out-${logbookId}`, `The logbook from ${school} is taken out.`, () =>
          withdraw.mutate(false),
        );
      }
      await queries.invalidateQueries({ queryKey: progressQueries.logbooks(studentId).queryKey });
    },
    onError: tellTrouble,
  });
  return withdraw;
}
