import { Button, Loader, PasswordInput, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../shared/api/client';
import { Choice } from '../shared/Choice';
import { ShowMore } from '../shared/ShowMore';
import { Trouble } from '../shared/Trouble';
import { useEntry } from '../shared/useEntry';
import { usePages } from '../shared/usePages';
import { counted, gases, polarities, wireName } from '../shared/words';
import { AgreementPanel } from '../features/judging/AgreementPanel';
import { LearnedPanel } from '../features/judging/LearnedPanel';
import { TolerancesPanel } from '../features/judging/TolerancesPanel';
import { StandInsPanel } from '../features/listening/StandInsPanel';
import { useNow } from '../features/sessions/useBench';
import { WayOfSettingPanel } from '../features/people/WayOfSettingPanel';
import { AddMachine } from '../features/machines/AddMachine';
import { describe } from '../features/machines/marks';
import { useMachines } from '../features/machines/useMachines';
import { useSay } from '../shared/words/useSay';

/** The machines, the students, and how this instructor sets. */
export function ShopPage() {
  const machines = useMachines();
  const instructors = useQuery({
    queryKey: ['room', 'instructors'],
    queryFn: () => answer(api.GET('/api/people/instructors')),
  });
  const students = usePages<Schemas['PersonName'], string>(['room', 'students'], (after, signal) =>
    answer(api.GET('/api/people/students', { params: { query: { after } }, signal })),
  );
  const booths = useNow().data?.booths ?? [];
  if (machines.isLoadingError) return <Trouble error={machines.error} again={machines.again} />;
  if (students.isLoadingError) return <Trouble error={students.error} again={students.again} />;
  if (!machines.items || !students.items) return <Loader m="xl" aria-label="Loading the shop" />;
  return (
    <>
      <div className="page-head">
        <div>
          <h1>Shop</h1>
          <p className="quiet">Machines, students, and how you set</p>
        </div>
      </div>
      <div className="shop">
        {machines.items.map((entry) => (
          <MachineCard key={entry.machineId} entry={entry} />
        ))}
        <ShowMore more={machines.more} coming={machines.coming} what="machines" />
        <WayOfSettingPanel />
        <AgreementPanel />
        <LearnedPanel />
        <TolerancesPanel />
        <StandInsPanel />
        <section className="panel" aria-label="Students">
          <h2>Students</h2>
          <ul className="plain-list">
            {students.items.map((student) => (
              <li key={student.id}>
                <Link to={`/students/${student.id}`}>{student.name}</Link>
              </li>
            ))}
          </ul>
          <ShowMore more={students.more} coming={students.coming} what="students" />
          {instructors.data && (
            <p className="quiet">
              Instructors: {instructors.data.items.map((instructor) => instructor.name).join(', ')}. A test
              weld wants two.
            </p>
          )}
          <AddPerson />
        </section>
        <AddMachine nextNumber={Math.max(0, ...booths.map((booth) => booth.number)) + 1} />
      </div>
    </>
  );
}

function MachineCard({ entry }: { entry: Schemas['MachineInBooth'] }) {
  const say = useSay();
  const { machine } = entry;
  const measured = [machine.wireControl, machine.voltControl, machine.ampControl].reduce(
    (sum, control) => sum + (control?.readings.length ?? 0),
    0,
  );
  return (
    <section className="panel machine-card" aria-label={`Machine of booth ${entry.booth.number}`}>
      <h2>
        <span className="booth-number small">{entry.booth.number}</span>{' '}
        <Link to={`/machines/${entry.machineId}`}>{machine.name}</Link>
      </h2>
      <p>
        {machine.wireControl && `${wireName(machine.load.wire)}, `}
        {gases[machine.load.gas]}, {polarities[machine.load.polarity]}
      </p>
      <p className="quiet">
        {machine.wireControl && `Wire: ${describe(machine.wireControl)}. `}
        {machine.voltControl && `Volts: ${describe(machine.voltControl)}. `}
        {machine.ampControl && `Amps: ${describe(machine.ampControl)}.`}
      </p>
      <p>{measured === 0 ? 'Never measured; the display is believed' : counted(measured, 'reading')}</p>
      {entry.problems.map((problem) => (
        <p key={say(problem)} className="field-error">
          {say(problem)}
        </p>
      ))}
      {entry.dueParts.length > 0 && (
        <p className="due-word">Due: {entry.dueParts.map(say).join(', ').toLowerCase()}</p>
      )}
      <Button component={Link} to={`/machines/${entry.machineId}`} variant="default" size="md">
        What is on, measure, chart
      </Button>
    </section>
  );
}

function AddPerson() {
  const [role, setRole] = useState<'student' | 'instructor'>('student');
  const { form, pending, submit, trouble } = useEntry({ name: '', login: '', password: '' }, (body, id) =>
    role === 'student'
      ? answer(api.PUT('/api/people/students/{id}', { params: { path: { id } }, body }))
      : answer(api.PUT('/api/people/instructors/{id}', { params: { path: { id } }, body })),
  );
  return (
    <form className="stack" aria-label="Add somebody" onSubmit={submit}>
      <Choice
        title="Add"
        words={{ student: 'A student', instructor: 'An instructor' }}
        value={role}
        onChange={(value) => value && setRole(value)}
      />
      <TextInput label="Name" size="md" {...form.getInputProps('name')} />
      <TextInput label="Login" size="md" autoComplete="off" {...form.getInputProps('login')} />
      <PasswordInput
        label="First password"
        size="md"
        autoComplete="new-password"
        {...form.getInputProps('password')}
      />
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" size="md" variant="default" loading={pending}>
        Add {role}
      </Button>
    </form>
  );
}
