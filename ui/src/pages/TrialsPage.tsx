import { Button, NumberInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { type Schemas } from '../shared/api/client';
import { Choice } from '../shared/Choice';
import { asLoading, Loaded } from '../shared/Loaded';
import { newId } from '../shared/newId';
import { Trouble } from '../shared/Trouble';
import { moment } from '../shared/time';
import { useTypedUnits } from '../shared/units';
import { trialKinds } from '../shared/words';
import { useBoothData } from '../features/sessions/BoothFrame';
import { trialQueries } from '../features/trials/queries';
import { useStartTrial } from '../features/trials/useTrials';
import { useFields, useSay } from '../shared/words/useSay';
import css from './trial.module.css';

const asks: Record<Schemas['TrialKind'], string> = {
  wireLadder: 'Far too much wire, far too little, right. The volts stay.',
  voltLadder: 'Far too many volts, far too few, right. The wire stays.',
  oneVariable: 'The sheet’s pair, then one thing down and up by a step.',
  staircase: 'The wire stays; volts up a step at a time, from far too low until it goes ragged.',
  setOfThree: 'Too cold, too hot, right: each on its own piece.',
  jointTransfer: 'The same settings on an outside corner, a lap and a T.',
  positionPair: 'Downhill against horizontal, at the same settings.',
  ampsLadder: 'Amps from under to over, five beads.',
};

interface Choices {
  kind: Schemas['TrialKind'];
  variable: Schemas['Variable'];
  way: Schemas['Way'];
  step: number | string;
}

/** Trials on the sheet at the booth: set one, go on with one. */
export function TrialsPage() {
  const { booth, coupon } = useBoothData();
  if (!coupon) {
    return (
      <div className="panel empty">
        <p>A trial starts from a sheet, and none has been given out here yet.</p>
        <Button component={Link} to={`/booths/${booth.id}`} size="lg">
          Make the sheet
        </Button>
      </div>
    );
  }
  return <Trials boothId={booth.id} sheet={coupon.sheet} />;
}

function Trials({ boothId, sheet }: { boothId: string; sheet: Schemas['AssignedSheet'] }) {
  const say = useSay();
  const navigate = useNavigate();
  const trials = useQuery(trialQueries.ofSheet(sheet.id));
  const fed = sheet.body.pair !== null;
  const kinds = Object.fromEntries(
    Object.entries(trialKinds).filter(([kind]) => (kind === 'ampsLadder') !== fed),
  ) as Record<Schemas['TrialKind'], string>;
  const form = useForm<Choices>({
    initialValues: { kind: fed ? 'wireLadder' : 'ampsLadder', variable: 'wire', way: 'both', step: '' },
  });
  const { kind, variable, way, step } = form.values;
  const { per, unit } = useTypedUnits(step !== '');
  const [id, setId] = useState(newId);
  const start = useStartTrial((view) => {
    setId(newId());
    void navigate(`/booths/${boothId}/trials/${view.trial.id}`);
  });
  const alone = kind === 'oneVariable';
  const volts = kind === 'staircase' || (alone && variable === 'volts');
  const stepped = volts || alone;
  const typed = step === '' ? null : Number(step);
  const fields = useFields(start.error);
  const stepWrong = fields['trial.stepVolts'] ?? fields['trial.wireStepMPerMin'];
  return (
    <div className={`two-columns ${css.trials}`}>
      <form
        className="panel stack"
        aria-label="Set a trial"
        onSubmit={form.onSubmit(() =>
          start.mutate({
            id,
            sheetId: sheet.id,
            trial: {
              kind,
              variable,
              way,
              wireStepMPerMin:
                stepped && !volts && typed !== null ? Math.max(0, typed / per('wireFeed')) : null,
              stepVolts: volts && typed !== null ? Math.max(0, typed) : null,
            },
          }),
        )}
      >
        <h2>Set a trial</h2>
        <Choice
          title="Which"
          words={kinds}
          value={kind}
          onChange={(value) => value && form.setFieldValue('kind', value)}
        />
        <p>{asks[kind]}</p>
        {alone && (
          <>
            <Choice
              title="Turn"
              words={{ wire: 'Wire', volts: 'Volts' }}
              value={variable as 'wire' | 'volts'}
              onChange={(value) => value && form.setFieldValue('variable', value)}
            />
            <Choice
              title="Which way"
              words={{ both: 'Down, then up', down: 'Down', up: 'Up' }}
              value={way}
              onChange={(value) => value && form.setFieldValue('way', value)}
            />
          </>
        )}
        {stepped && (
          <NumberInput
            label="Step"
            size="lg"
            {...form.getInputProps('step')}
            placeholder={
              volts ? (alone ? '3 V' : '1 V') : `${Math.round(2.54 * per('wireFeed'))} ${unit('wireFeed')}`
            }
            suffix={volts ? ' V' : ` ${unit('wireFeed')}`}
            error={stepWrong}
          />
        )}
        {start.isError && !stepWrong && <Trouble error={start.error} />}
        <Button type="submit" size="lg" loading={start.isPending}>
          Start
        </Button>
        {fed && (
          <Button component={Link} to={`/booths/${boothId}/trials/sweep`} size="lg" variant="default">
            Wire sweep, by ear
          </Button>
        )}
      </form>
      <section className="panel stack" aria-label="Trials on this sheet">
        <h2>On this sheet</h2>
        <Loaded of={asLoading(trials)} what="the trials">
          {(items) => (
            <>
              {items.length === 0 && <p className="quiet">None yet.</p>}
              <ul className={`plain-list ${css.trialList}`}>
                {items.map((trial) => (
                  <li key={trial.id}>
                    <Button
                      component={Link}
                      to={`/booths/${boothId}/trials/${trial.id}`}
                      variant="default"
                      size="lg"
                      justify="space-between"
                      fullWidth
                      rightSection={
                        <span className="quiet">
                          {moment(trial.startedAt)}
                          {trial.endedAt ? ', ended' : ''}
                        </span>
                      }
                    >
                      {say(trial.plan.title)}
                    </Button>
                  </li>
                ))}
              </ul>
            </>
          )}
        </Loaded>
      </section>
    </div>
  );
}
