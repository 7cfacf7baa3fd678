import { Button } from '@mantine/core';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { BoothNumber } from '../../shared/page/BoothNumber';
import { counted, gases, polarities, wireName } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import css from './machineCard.module.css';
import { describe } from './marks';

/** A machine at a glance. */
export function MachineCard({ entry }: { entry: Schemas['MachineInBooth'] }) {
  const say = useSay();
  const { machine } = entry;
  const measured = [machine.wireControl, machine.voltControl, machine.ampControl].reduce(
    (sum, control) => sum + (control?.readings.length ?? 0),
    0,
  );
  return (
    <section className={`panel ${css.card}`} aria-label={machine.name}>
      <h2>
        {entry.booth && <BoothNumber number={entry.booth.number} small />}{' '}
        <Link to={`/machines/${entry.machineId}`}>{machine.name}</Link>
      </h2>
      {!entry.booth && <p className="quiet">In no booth</p>}
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
        <p className={css.due}>Due: {entry.dueParts.map(say).join(', ').toLowerCase()}</p>
      )}
      <Button component={Link} to={`/machines/${entry.machineId}`} variant="default">
        What is on, measure, chart
      </Button>
    </section>
  );
}
