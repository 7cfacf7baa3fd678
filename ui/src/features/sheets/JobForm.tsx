import { TextInput } from '@mantine/core';
import { useCallback, useState } from 'react';
import type { Refused, Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { joints, positions } from '../../shared/words';
import { JointPicture } from './JointPicture';
import { MadeWith } from './MadeWith';
import { PresetsAndCards } from './PresetsAndCards';
import { type Job } from './useSheets';
import { useFields } from '../../shared/words/useSay';
import css from './sheets.module.css';

const pictureOf = (joint: Schemas['Joint']) => <JointPicture joint={joint} />;

/** The job in the order it is said: plate, joint, position; then what it is welded with. */
export function JobForm(props: {
  job: Job;
  set: (change: Partial<Job>) => void;
  sheet: Schemas['Sheet'] | undefined;
  refused: Refused | null;
  onPick: (job: Job) => void;
}) {
  const { job, set, sheet, refused } = props;
  const [unequal, setUnequal] = useState(Boolean(job.otherThickness));
  const fields = useFields(refused);
  const shown = ['thickness', 'otherThickness', 'joint', 'position', 'process', 'metal', 'wire', 'gas'];
  const onJoint = useCallback((joint: Job['joint']) => set({ joint }), [set]);
  const onPosition = useCallback((position: Job['position']) => set({ position }), [set]);
  const elsewhere = Object.entries(fields).filter(([field]) => !shown.includes(field));
  return (
    <>
      <TextInput
        label="Plate thickness"
        placeholder="1/8, 0.125 in, 11 ga or 3.2"
        size="lg"
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
        className={css.joints}
        words={joints}
        value={job.joint}
        onChange={onJoint}
        picture={pictureOf}
      />
      {fields.joint && <FieldError text={fields.joint} />}
      <Choice
        title="Position"
        className={css.positions}
        words={positions}
        value={job.position}
        onChange={onPosition}
      />
      {fields.position && <FieldError text={fields.position} />}
      <MadeWith
        process={job.process ?? sheet?.job.process ?? 'gmawShortCircuit'}
        metal={job.metal ?? sheet?.job.metal ?? 'mildSteel'}
        wire={job.wire ?? sheet?.job.wire ?? null}
        gas={job.gas ?? sheet?.job.gas ?? null}
        set={set}
        fields={fields}
      />
      {elsewhere.map(([field, text]) => (
        <FieldError key={field} text={text} />
      ))}
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
