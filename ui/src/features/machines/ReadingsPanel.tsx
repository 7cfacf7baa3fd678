import { Button, NumberInput, Select } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { day } from '../../shared/time';
import { type Kind, useTypedUnits, useUnits } from '../../shared/units';
import { useEntry } from '../../shared/useEntry';
import { describe, everyMark, isListed, readMark } from './marks';
import { type Detail, useWithdrawn } from './useMachines';
import { Line, useSay } from '../../shared/words/useSay';
import { machineQueries } from './queries';
import css from './machines.module.css';

const titles: Record<Schemas['ReadControl'], { title: string; kind: Kind }> = {
  wire: { title: 'Wire', kind: 'wireFeed' },
  volt: { title: 'Volts', kind: 'volts' },
  amp: { title: 'Amps', kind: 'amps' },
};

/** What ruler, watch and meter said at each mark, how well it fits, and how sure a mark is. */
export function ReadingsPanel({ detail }: { detail: Detail }) {
  const { machine } = detail;
  const controls: [Schemas['ReadControl'], Schemas['Control'] | null | undefined][] = [
    ['wire', machine.wireControl],
    ['volt', machine.voltControl],
    ['amp', machine.ampControl],
  ];
  return (
    <section className="panel calibrate" aria-label="Calibration">
      <h2>What the marks really give</h2>
      <p className="quiet">
        Run the wire 6 seconds into the air, trimmed, torch straight, and measure it. What the ruler says wins
        over what the display says.
      </p>
      {controls.map(
        ([which, control]) =>
          control && <Readings key={which} detail={detail} which={which} control={control} />,
      )}
    </section>
  );
}

interface Entry extends Record<string, unknown> {
  mark: number | string;
  measured: number | string;
  seconds: number | string;
  length: number | string;
}

function Readings({
  detail,
  which,
  control,
}: {
  detail: Detail;
  which: Schemas['ReadControl'];
  control: Schemas['Control'];
}) {
  const { show } = useUnits();
  const { title, kind } = titles[which];
  const readings = detail.readings.filter((reading) => reading.control === which);
  const fit = detail.fits.find((each) => each.control === which);
  const withdraw = useWithdrawn('readings', 'The reading is out of the calibration.');
  const [byRuler, setByRuler] = useState(which === 'wire');
  // A trim's volts are read at marks of the wire control, which they follow.
  const dial = control.kind === 'trim' ? (detail.machine.wireControl ?? control) : control;
  const { form, pending, submit, trouble } = useEntry<Entry, unknown>(
    { mark: '', measured: '', seconds: 6, length: '' },
    send,
  );
  const { per, unit } = useTypedUnits(form.values.measured !== '' || form.values.length !== '');
  function send(values: Entry, readingId: string) {
    return answer(
      api.PUT('/api/machines/{id}/readings/{readingId}', {
        params: { path: { id: detail.machineId, readingId } },
        body: {
          control: which,
          mark: Number(values.mark),
          measured: byRuler || values.measured === '' ? null : Number(values.measured) / per(kind),
          seconds: byRuler ? Number(values.seconds) : null,
          lengthMm: byRuler && values.length !== '' ? Number(values.length) / per('length') : null,
        },
      }),
    );
  }
  return (
    <section className={css.readings} aria-label={`${title} readings`}>
      <h3>
        {title} <span className="quiet">{describe(control)}</span>
      </h3>
      <FitLine fit={fit} count={readings.length} believed={control.kind === 'digital'} />
      <ul className={css.taken}>
        {readings.map((reading) => (
          <li
            key={reading.id}
            className={fit?.strays.some((stray) => stray.reading.mark === reading.mark) ? css.stray : ''}
          >
            {readMark(dial, reading.mark)} gives {show(kind, reading.measured)}
            <button
              type="button"
              aria-label={`Withdraw the reading at ${reading.mark}`}
              disabled={withdraw.isPending}
              onClick={() =>
                withdraw.mutate({ machineId: detail.machineId, id: reading.id, withdrawn: true })
              }
            >
              <IconX size={18} />
            </button>
          </li>
        ))}
      </ul>
      {fit?.strays.map((stray) => (
        <p key={stray.reading.mark} className="field-error">
          The reading at {readMark(dial, stray.reading.mark)} does not belong: the others promise{' '}
          {show(kind, stray.expected)} there. Measure it again, or withdraw it.
        </p>
      ))}
      <form className={css.readingForm} onSubmit={submit}>
        {isListed(dial) ? (
          <Select
            aria-label={`${title} mark`}
            placeholder="at mark"
            data={everyMark(dial).map((mark) => ({ value: String(mark), label: readMark(dial, mark) }))}
            {...form.getInputProps('mark')}
            value={form.values.mark === '' ? null : String(form.values.mark)}
          />
        ) : (
          <NumberInput aria-label={`${title} mark`} placeholder="at mark" {...form.getInputProps('mark')} />
        )}
        {byRuler ? (
          <>
            <NumberInput
              aria-label={`${title} seconds`}
              placeholder="seconds"
              suffix=" s"
              {...form.getInputProps('seconds')}
            />
            <NumberInput
              aria-label={`${title} length`}
              placeholder={`length, ${unit('length')}`}
              {...form.getInputProps('length')}
              error={form.errors.lengthMm ?? form.errors.measured}
            />
          </>
        ) : (
          <NumberInput
            aria-label={`${title} measured`}
            placeholder={which === 'volt' ? 'V at the arc' : unit(kind)}
            {...form.getInputProps('measured')}
          />
        )}
        <Button type="submit" variant="default" loading={pending}>
          Add reading
        </Button>
      </form>
      {which === 'wire' && (
        <button type="button" className="plain" onClick={() => setByRuler(!byRuler)}>
          {byRuler ? `known in ${unit('wireFeed')}?` : 'by ruler and watch?'}
        </button>
      )}
      {trouble && <Trouble error={trouble} />}
      {fit && !fit.problem && control.kind !== 'trim' && (
        <Translate machineId={detail.machineId} which={which} control={control} />
      )}
    </section>
  );
}

/** From a mark to what it gives, or from what is wanted to the mark. */
function Translate(props: { machineId: string; which: Schemas['ReadControl']; control: Schemas['Control'] }) {
  const say = useSay();
  const { show } = useUnits();
  const { title, kind } = titles[props.which];
  const [asked, setAsked] = useState<{ by: 'mark' | 'value'; number: number | string }>({
    by: 'mark',
    number: '',
  });
  const { per, unit } = useTypedUnits(asked.number !== '');
  const translation = useQuery({
    ...machineQueries.translation(props.machineId, {
      control: props.which,
      ...(asked.by === 'mark' ? { mark: Number(asked.number) } : { value: Number(asked.number) / per(kind) }),
    }),
    enabled: asked.number !== '',
  });
  const { data } = translation;
  const of = (by: 'mark' | 'value') => (asked.by === by ? asked.number : '');
  return (
    <div className={css.translate}>
      <NumberInput
        aria-label={`${title}: what does this mark give`}
        placeholder="mark …"
        value={of('mark')}
        onChange={(number) => setAsked({ by: 'mark', number })}
      />
      <span aria-hidden="true">⇄</span>
      <NumberInput
        aria-label={`${title}: which mark gives this`}
        placeholder={`${unit(kind)} …`}
        value={of('value')}
        onChange={(number) => setAsked({ by: 'value', number })}
      />
      <p role="status">
        {asked.number !== '' && data && (
          <>
            <b>
              {say(data.reads)} gives {show(kind, data.value)}
            </b>{' '}
            <span className="quiet">
              ± {Math.round(data.sureShare * 100)} %
              {data.marksBeyond > 0 && `, ${Number(data.marksBeyond.toFixed(1))} marks past the last reading`}
              {data.outOfReach && ', the end of the dial'}
            </span>
          </>
        )}
        {translation.error && <Line error={translation.error} />}
      </p>
    </div>
  );
}

function FitLine({
  fit,
  count,
  believed,
}: {
  fit: Schemas['ControlFit'] | undefined;
  count: number;
  believed: boolean;
}) {
  const say = useSay();
  if (count === 0) return <p>{believed ? 'Never measured; the display is believed.' : 'No readings yet.'}</p>;
  if (!fit) return null;
  if (fit.problem) return <p className="field-error">{say(fit.problem)}</p>;
  const off = fit.readOutOff;
  return (
    <p className="fit">
      {off !== null && (
        <b>
          {Math.abs(off) < 0.02
            ? 'The display reads true. '
            : `The display reads ${Math.round(Math.abs(off) * 100)} % ${off > 0 ? 'high' : 'low'}. `}
        </b>
      )}
      Sure to {Math.round((fit.spreadShare ?? 0) * 100)} % between the readings.
      {fit.oldestAt && <span className="quiet"> Oldest from {day(fit.oldestAt)}.</span>}
    </p>
  );
}
