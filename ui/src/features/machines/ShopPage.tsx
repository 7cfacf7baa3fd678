import { Button, Loader, NumberInput, PasswordInput, Select, TextInput } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { offerUndo, tellTrouble } from '../../shared/notices';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { useEntry } from '../../shared/useEntry';
import { wires } from '../../shared/words';

/** The machines with their measured points, and the students. */
export function ShopPage() {
  const machines = useQuery({
    queryKey: ['room', 'machines'],
    queryFn: () => answer(api.GET('/api/machines')),
  });
  const students = useQuery({
    queryKey: ['room', 'students'],
    queryFn: () => answer(api.GET('/api/people/students')),
  });
  if (machines.isError) return <Trouble error={machines.error} again={() => machines.refetch()} />;
  if (!machines.data || !students.data) return <Loader m="xl" aria-label="Loading the shop" />;
  return (
    <>
      <div className="page-head">
        <div>
          <h1>Shop</h1>
          <p className="quiet">Machines, what was measured on them, and students</p>
        </div>
      </div>
      <div className="shop">
        {machines.data.map((entry) => (
          <section
            key={entry.machineId}
            className="panel"
            aria-label={`Machine of booth ${entry.booth.number}`}
          >
            <h2>
              <span className="booth-number small">{entry.booth.number}</span> {entry.machine.name}{' '}
              <span className="quiet">{wires[entry.machine.wire]}</span>
            </h2>
            <Readings entry={entry} which="wire" />
            <Readings entry={entry} which="volt" />
          </section>
        ))}
        <AddMachine nextNumber={Math.max(0, ...machines.data.map((entry) => entry.booth.number)) + 1} />
        <section className="panel" aria-label="Students">
          <h2>Students</h2>
          <ul className="plain-list">
            {students.data.map((student) => (
              <li key={student.id}>{student.name}</li>
            ))}
          </ul>
          <AddStudent />
        </section>
      </div>
    </>
  );
}

/** Takes a reading out of the calibration, with a way back. */
function useWithdrawReading() {
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: (reading: { machineId: string; readingId: string; withdrawn: boolean }) =>
      answer(
        api.PUT('/api/machines/{id}/readings/{readingId}/withdrawn', {
          params: { path: { id: reading.machineId, readingId: reading.readingId } },
          body: { withdrawn: reading.withdrawn },
        }),
      ),
    onSuccess: async (_, reading) => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      if (reading.withdrawn) {
        offerUndo(reading.readingId, 'The reading is out of the calibration.', () =>
          withdraw.mutate({ ...reading, withdrawn: false }),
        );
      }
    },
    onError: tellTrouble,
  });
  return withdraw;
}

function Readings({ entry, which }: { entry: Schemas['MachineInBooth']; which: 'wire' | 'volt' }) {
  const { per, unit, show } = useUnits();
  const control = which === 'wire' ? entry.machine.wireControl : entry.machine.voltControl;
  const readings = entry.readings.filter((reading) => reading.control === which);
  const withdraw = useWithdrawReading();
  const kind = which === 'wire' ? 'wireFeed' : 'volts';
  const problem = which === 'wire' ? entry.wireProblem : entry.voltProblem;
  const title = which === 'wire' ? 'Wire' : 'Volts';
  const { form, pending, submit, trouble } = useEntry<
    { mark: number | string; measured: number | string },
    unknown
  >({ mark: '', measured: '' }, (values, readingId) =>
    answer(
      api.PUT('/api/machines/{id}/readings/{readingId}', {
        params: { path: { id: entry.machineId, readingId } },
        body: { control: which, mark: Number(values.mark), measured: Number(values.measured) / per(kind) },
      }),
    ),
  );
  return (
    <section className="readings" aria-label={`${title} readings`}>
      <h3>
        {title}{' '}
        <span className="quiet">
          {{ digital: `display in ${control.unit}`, knob: 'knob', tap: 'taps' }[control.kind]}{' '}
          {control.lowestMark} to {control.highestMark}
        </span>
      </h3>
      {readings.length === 0 && (
        <p>{control.kind === 'digital' ? 'Never measured; the display is believed.' : 'No readings yet.'}</p>
      )}
      <ul className="taken">
        {readings.map((reading) => (
          <li key={reading.id}>
            {reading.mark} gives {show(kind, reading.measured)}
            <button
              type="button"
              aria-label={`Withdraw the reading at ${reading.mark}`}
              disabled={withdraw.isPending}
              onClick={() =>
                withdraw.mutate({ machineId: entry.machineId, readingId: reading.id, withdrawn: true })
              }
            >
              <IconX size={18} />
            </button>
          </li>
        ))}
      </ul>
      {problem && <p className="field-error">{problem}</p>}
      <form className="reading-form" onSubmit={submit}>
        <NumberInput
          size="md"
          aria-label={`${title} mark`}
          placeholder="at mark"
          hideControls
          {...form.getInputProps('mark')}
        />
        <NumberInput
          size="md"
          aria-label={`${title} measured`}
          placeholder={unit(kind)}
          hideControls
          {...form.getInputProps('measured')}
        />
        <Button type="submit" size="md" variant="default" loading={pending}>
          Add reading
        </Button>
      </form>
      {trouble && <Trouble error={trouble} />}
    </section>
  );
}

type Layout = Pick<Schemas['Machine'], 'wireControl' | 'voltControl'>;

const control = (
  kind: Schemas['ControlKind'],
  lowestMark: number,
  highestMark: number,
  markStep: number,
  unit: string,
): Schemas['Control'] => ({ kind, lowestMark, highestMark, markStep, unit, readings: [] });

/** Fronts met in shops; the marks are then measured, so the first guess need only be near. */
const layouts: Record<string, Layout> = {
  'Displays: in/min and volts': {
    wireControl: control('digital', 50, 800, 1, 'in/min'),
    voltControl: control('digital', 10, 35, 0.1, 'V'),
  },
  'Displays: m/min and volts': {
    wireControl: control('digital', 1, 20, 0.1, 'm/min'),
    voltControl: control('digital', 10, 35, 0.1, 'V'),
  },
  'Wire knob 0-100, volt taps 1-10': {
    wireControl: control('knob', 0, 100, 1, ''),
    voltControl: control('tap', 1, 10, 1, ''),
  },
  'Wire knob 0-10, volt knob 0-10': {
    wireControl: control('knob', 0, 10, 0.1, ''),
    voltControl: control('knob', 0, 10, 0.1, ''),
  },
};

function AddMachine({ nextNumber }: { nextNumber: number }) {
  const [boothId, setBoothId] = useState(newId);
  const { form, pending, submit, trouble } = useEntry<
    { name: string; layout: string; wire: Schemas['Wire'] },
    unknown
  >(
    { name: '', layout: Object.keys(layouts)[0] ?? '', wire: 'solid08' },
    (values, id) =>
      answer(
        api.PUT('/api/machines/{id}', {
          params: { path: { id } },
          body: {
            boothId,
            boothNumber: nextNumber,
            machine: { name: values.name, wire: values.wire, ...(layouts[values.layout] as Layout) },
          },
        }),
      ),
    () => setBoothId(newId()),
  );
  return (
    <form className="panel stack" aria-label="Add a machine" onSubmit={submit}>
      <h2>Add booth {nextNumber}</h2>
      <TextInput label="Machine, as the room calls it" size="md" {...form.getInputProps('name')} />
      <Select
        label="Front"
        size="md"
        allowDeselect={false}
        data={Object.keys(layouts)}
        {...form.getInputProps('layout')}
      />
      <Select
        label="Wire on it"
        size="md"
        allowDeselect={false}
        data={Object.entries(wires).map(([value, label]) => ({ value, label }))}
        {...form.getInputProps('wire')}
      />
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" size="md" variant="default" loading={pending}>
        Add machine
      </Button>
    </form>
  );
}

function AddStudent() {
  const { form, pending, submit, trouble } = useEntry({ name: '', login: '', password: '' }, (body, id) =>
    answer(api.PUT('/api/people/students/{id}', { params: { path: { id } }, body })),
  );
  return (
    <form className="stack" aria-label="Add a student" onSubmit={submit}>
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
        Add student
      </Button>
    </form>
  );
}
