import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { useBoothData } from '../features/sessions/BoothFrame';
import css from '../features/trials/sweep.module.css';
import { SweepForm } from '../features/trials/SweepForm';
import { useRecordSweep } from '../features/trials/useTrials';
import { SweepList } from '../features/trials/SweepList';

/** Volts held, wire from low to high in one run: one big key, a space bar or a foot pedal marks where it smooths and breaks up. */
export function SweepPage() {
  const { booth, machine, machineId, coupon } = useBoothData();
  const record = useRecordSweep();
  const { wireControl: wire, voltControl: volt } = machine;
  if (!coupon?.sheet.body.pair || !wire || !volt) {
    return (
      <div className="panel empty">
        <p>A sweep wants a machine that feeds wire and a sheet for it.</p>
        <Button component={Link} to={`/booths/${booth.id}`} size="lg">
          Make the sheet
        </Button>
      </div>
    );
  }
  return (
    <div className={`two-columns ${css.sweep}`}>
      <SweepForm
        aside={
          <Button component={Link} to={`/booths/${booth.id}/trials`} variant="default">
            All trials
          </Button>
        }
        record={record}
        sheet={coupon.sheet}
        wire={wire}
        volt={volt}
      />
      <SweepList machineId={machineId} />
    </div>
  );
}
