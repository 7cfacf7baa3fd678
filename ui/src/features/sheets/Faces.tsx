import type { Schemas } from '../../shared/api/client';
import { useSay } from '../../shared/words/useSay';
import { ControlFace } from '../machines/ControlFace';
import css from './sheets.module.css';
import { Why } from './Why';

/** One control of a machine and where it stands for a sheet. */
export interface Face {
  /** The name its reason goes by. */
  of: string;
  label: string;
  title: string;
  control: Schemas['Control'] | null | undefined;
  setting: Schemas['ControlMark'] | null | undefined;
}

/** The controls of a machine as they stand for a sheet; none where one of them is not known. */
export function Faces(props: {
  machine: Schemas['Machine'] | null | undefined;
  reasons: Schemas['Sheet']['reasons'];
  faces: (machine: Schemas['Machine']) => Face[];
}) {
  const say = useSay();
  const { machine, reasons } = props;
  if (!machine) return null;
  const faces = props.faces(machine);
  if (faces.some(({ control, setting }) => !control || !setting)) return null;
  return (
    <section className={css.faces} aria-label={`Marks of ${machine.name}`}>
      {faces.map(
        ({ of, label, title, control, setting }) =>
          control &&
          setting && (
            <Why key={of} of={of} label={label} reasons={reasons}>
              <ControlFace control={control} mark={setting.mark} title={title} reads={say(setting.reads)} />
            </Why>
          ),
      )}
    </section>
  );
}
