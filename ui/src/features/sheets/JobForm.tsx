import { Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Refused, Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { Trouble } from '../../shared/Trouble';
import { gases, joints, metals, positions, processes, wireKind, wireSize } from '../../shared/words';
import { JointPicture } from './JointPicture';
import { PresetsAndCards } from './PresetsAndCards';
import { type Job } from './useSheets';
import { useStock } from '../../shared/useStock';
import { useFields } from '../../shared/words/useSay';

const options = (words: Record<string, string>) =>
  Object.entries(words).map(([value, label]) => ({ value, label }));

/** The job in the order it is said: plate, joint, position; then what it is welded with. */
export function JobForm(props: {
  job: Job;
  set: (change: Partial<Job>) => void;
  sheet: Schemas['Sheet'] | undefined;
  refused: Refused | null;
  again: () => void;
  onPick: (job: Job) => void;
}) {
  const { job, set, sheet, refused } = props;
  const stock = useStock().data;
  const [unequal, setUnequal] = useState(Boolean(job.otherThickness));
  const fields = useFields(refused);
  const process = job.process ?? sheet?.job.process ?? 'gmawShortCircuit';
  const metal = job.metal ?? sheet?.job.metal ?? 'mildSteel';
  const kind = wireKind(process, metal);
  const wires = (stock?.wires ?? []).filter((wire) => wire.kind === kind && wire.processes.includes(process));
  const tig = process === 'gtawDc' || process === 'gtawAc';
  const shown = ['thickness', 'otherThickness', 'joint', 'position', 'process', 'metal', 'wire', 'gas'];
  const elsewhere = Object.entries(fields).filter(([field]) => !shown.includes(field));
  return (
    <>
      <TextInput
        label="Plate thickness"
        placeholder="1/8, 0.125 in, 11 ga or 3.2"
        size="xl"
        autoFocus
        maxLength={40}
        value={job.thickness ?? ''}
        onChange={(event) => set({ thickness: event.currentTarget.value })}
        error={fields.thickness}
        description={sheet && readAs(sheet.job.thickness)}
        inputWrapperOrder={['label', 'input', 'error', 'description']}
      />
      {unequal ? (
        <TextInput
          label="Other member"
          placeholder="the same"
          size="lg"
          maxLength={40}
          value={job.otherThickness ?? ''}
          onChange={(event) => set({ otherThickness: event.currentTarget.value })}
          error={fields.otherThickness}
          description={sheet?.job.otherThickness && readAs(sheet.job.otherThickness)}
          inputWrapperOrder={['label', 'input', 'error', 'description']}
        />
      ) : (
        <button type="button" className="plain" onClick={() => setUnequal(true)}>
          other member thicker or thinner?
        </button>
      )}
      <Choice
        title="Joint"
        words={joints}
        value={job.joint}
        onChange={(joint) => set({ joint })}
        picture={(joint) => <JointPicture joint={joint} />}
      />
      {fields.joint && <FieldError text={fields.joint} />}
      <Choice
        title="Position"
        words={positions}
        value={job.position}
        onChange={(position) => set({ position })}
      />
      {fields.position && <FieldError text={fields.position} />}
      <div className="made-with">
        <Select
          label="Process"
          className="wide"
          size="md"
          allowDeselect={false}
          data={options(processes)}
          value={process}
          error={fields.process}
          // Wire and gas follow the process until somebody picks them.
          onChange={(value) => set({ process: value as Schemas['Process'], wire: null, gas: null })}
        />
        <Select
          label="Metal"
          size="md"
          allowDeselect={false}
          data={options(metals)}
          value={metal}
          error={fields.metal}
          onChange={(value) => set({ metal: value as Schemas['Metal'], wire: null, gas: null })}
        />
        {!tig && (
          <Select
            label="Wire"
            size="md"
            allowDeselect={false}
            data={wires.map((wire) => ({ value: wire.wire, label: wireSize(wire.wire) }))}
            value={job.wire ?? sheet?.job.wire ?? null}
            error={fields.wire !== undefined}
            onChange={(value) => set({ wire: value })}
          />
        )}
        <Select
          label="Gas"
          className="wide"
          size="md"
          allowDeselect={false}
          data={(stock?.gases ?? []).map((gas) => ({
            value: gas.gas,
            label: gas.isoGroup ? `${gases[gas.gas]} (${gas.isoGroup})` : gases[gas.gas],
          }))}
          value={job.gas ?? sheet?.job.gas ?? null}
          error={fields.gas !== undefined}
          onChange={(value) => set({ gas: value })}
        />
      </div>
      {fields.wire && <FieldError text={fields.wire} />}
      {fields.gas && <FieldError text={fields.gas} />}
      {elsewhere.map(([field, text]) => (
        <FieldError key={field} text={text} />
      ))}
      {refused && Object.keys(fields).length === 0 && <Trouble error={refused} again={props.again} />}
      <PresetsAndCards job={job} canSave={sheet !== undefined} onPick={props.onPick} />
    </>
  );
}

const FieldError = ({ text }: { text: string }) => (
  <p className="field-error" role="alert">
    {text}
  </p>
);

const readAs = ({ valueMm }: Schemas['Thickness']) =>
  `Read as ${Number(valueMm.toFixed(3))} mm, ${(valueMm / 25.4).toFixed(3)} in`;
