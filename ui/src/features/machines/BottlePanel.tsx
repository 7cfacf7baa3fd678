import { Button, NumberInput } from '@mantine/core';
import { answer, api } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { moment } from '../../shared/time';
import { useUnits } from '../../shared/units';
import { useEntry } from '../../shared/useEntry';
import type { Detail } from './useMachines';
import css from './machines.module.css';

/** What is left in the gas bottle, from its size and pressure. */
export function BottlePanel({ detail }: { detail: Detail }) {
  const { show } = useUnits();
  const { bottle } = detail;
  const { form, pending, submit, trouble } = useEntry<
    { waterL: number | string; bar: number | string },
    unknown
  >({ waterL: bottle?.read.waterL ?? 50, bar: '' }, (values, bottleId) =>
    answer(
      api.PUT('/api/machines/{id}/bottles/{bottleId}', {
        params: { path: { id: detail.machineId, bottleId } },
        body: { waterL: Number(values.waterL), bar: Number(values.bar) },
      }),
    ),
  );
  return (
    <form className="panel stack" aria-label="Gas bottle" onSubmit={submit}>
      <h2>Gas bottle</h2>
      {bottle ? (
        <p>
          <b className={css.bottleLeft}>{bottle.hoursLeft.toFixed(1)} h of arc left</b>
          <span className="quiet">
            {' '}
            at {show('gas', bottle.atFlowLPerMin)}: {Math.round(bottle.leftL)} L, {bottle.read.bar} bar in{' '}
            {bottle.read.waterL} L, read {moment(bottle.read.readAt)}
          </span>
        </p>
      ) : (
        <p className="quiet">Pressure not read yet.</p>
      )}
      <div className="form-grid">
        <NumberInput label="Water volume" suffix=" L" {...form.getInputProps('waterL')} />
        <NumberInput label="Pressure" suffix=" bar" {...form.getInputProps('bar')} />
      </div>
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" variant="default" loading={pending}>
        Note the pressure
      </Button>
    </form>
  );
}
