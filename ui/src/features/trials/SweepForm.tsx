import { Button, NumberInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import type { UseMutationResult } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { useWaiting } from '../../shared/outbox/useOutbox';
import { Trouble } from '../../shared/Trouble';
import { useTypedUnits } from '../../shared/units';
import { useFields, useSay } from '../../shared/words/useSay';
import { nearestMark, readMark } from '../machines/marks';
import { MarkField } from './MarkField';
import { MarkKey } from './MarkKey';
import css from './sweep.module.css';
import { usePedal } from '../../shared/usePedal';
import { type SweepRun, type Turn, useSweepRun } from './useSweepRun';

type Control = Schemas['Control'];

interface Sent {
  id: string;
  body: Schemas['SweepRequest'];
}

const asked = (what: string) => (value: number | string) => (value === '' ? what : null);

/** What a sweep begins with: from well under the sheet's wire to well over it. */
function beginWith(wire: Control, volt: Control, marks: Schemas['MachineMarks'] | null | undefined) {
  return {
    voltMark: (marks?.volt.mark ?? volt.lowestMark) as number | string,
    from: nearestMark(wire, (marks?.wire.mark ?? 0) * 0.35) as number | string,
    to: nearestMark(wire, (marks?.wire.mark ?? wire.highestMark) * 1.8) as number | string,
    pace: 25 as number | string,
    stickOut: '' as number | string,
  };
}

/** Volts held, wire from low to high in one even turn: the knob's marks, the clock, and what came of it. */
export function SweepForm(props: {
  /** Where else there is to go. */
  aside?: ReactNode;
  record: Pick<
    UseMutationResult<Schemas['RunSweep'] | null, Error, Sent>,
    'mutate' | 'reset' | 'data' | 'error' | 'isError' | 'variables'
  >;
  sheet: Schemas['AssignedSheet'];
  wire: Control;
  volt: Control;
}) {
  const { wire, volt, sheet, record } = props;
  const { pair } = sheet.body;
  const waiting = useWaiting();
  const say = useSay();
  const form = useForm({
    initialValues: beginWith(wire, volt, pair?.marks),
    validate: {
      voltMark: asked('Which mark?'),
      from: asked('Which mark?'),
      to: asked('Which mark?'),
      pace: asked('How long?'),
    },
  });
  const { voltMark, from, to, pace, stickOut } = form.values;
  const { unit, number, per } = useTypedUnits(stickOut !== '');
  const [ready, setReady] = useState<{ id: string; turn: Turn }>();
  const fields = useFields(record.error);
  const keep = ({ id, turn }: { id: string; turn: Turn }) =>
    record.mutate(
      {
        id,
        body: {
          sheetId: sheet.id,
          voltMark: Number(voltMark),
          volts: null,
          stickOutMm: stickOut === '' ? null : Number(stickOut) / per('length'),
          run: { fromMark: Number(from), toMark: Number(to), ...turn },
        },
      },
      { onSuccess: () => setReady(undefined) },
    );
  const run = useSweepRun((turn) => {
    const taken = { id: newId(), turn };
    setReady(taken);
    keep(taken);
  });
  const begin = () => {
    if (form.validate().hasErrors) return;
    setReady(undefined);
    record.reset();
    run.begin();
  };
  usePedal({ ...run, begin });
  const entry = (name: keyof typeof form.values, refused: string | undefined) => ({
    disabled: run.running,
    ...form.getInputProps(name),
    error: refused ?? form.errors[name],
    value: form.values[name],
  });
  return (
    <section className="panel stack" aria-label="Wire sweep">
      <div className={`row head-row ${css.head}`}>
        <h2>
          Wire sweep <span className="quiet">volts held, wire from low to high in one even turn</span>
        </h2>
        {props.aside}
      </div>
      <div className={css.sweepFields}>
        <MarkField
          label="Volts stay at"
          control={volt}
          {...entry('voltMark', fields.voltMark ?? fields.volts)}
        />
        <MarkField label="Wire from" control={wire} {...entry('from', fields['run.fromMark'])} />
        <MarkField label="Wire to" control={wire} {...entry('to', fields['run.toMark'])} />
        <NumberInput label="In about" size="lg" suffix=" s" {...entry('pace', fields['run.seconds'])} />
        <NumberInput
          label="Stick-out"
          size="lg"
          placeholder={`${number('length', pair?.stickOut.aimMm ?? 0)}, the sheet's`}
          suffix={` ${unit('length')}`}
          {...entry('stickOut', fields.stickOutMm)}
        />
      </div>
      <MarkKey run={run} begin={begin} />
      <Travel run={run} wire={wire} from={Number(from)} to={Number(to)} pace={Number(pace)} />
      <ol className={css.sweepMarks} aria-label="Marks">
        {(run.events ?? ready?.turn.events ?? []).map((event, i) => (
          <li key={`${i}`}>
            {event.seconds.toFixed(1)} s: {event.mark === 'smooths' ? 'smooth' : 'breaking up'}
          </li>
        ))}
      </ol>
      <Button size="xl" variant="default" disabled={!run.running} onClick={run.stop}>
        The knob is at its end
      </Button>
      {record.isError && (
        <>
          <Trouble error={record.error} />
          {ready && (
            <Button variant="default" onClick={() => keep(ready)}>
              Keep it with these marks
            </Button>
          )}
        </>
      )}
      {record.data === null && (
        <p role="status">
          {waiting?.some(({ id }) => id === record.variables?.id) === false
            ? 'It was sent. Your instructor sees what it found.'
            : 'It is kept on this screen and waits to be sent.'}
        </p>
      )}
      {record.data && (
        <p className="learned" role="note" aria-label="Learned">
          {say(record.data.finding.learned)}
        </p>
      )}
      <Advice tip={`${number('length', 19)} ${unit('length')}`} />
    </section>
  );
}

/** Where the knob should be by now, so that the hand turns evenly; what counts is the time it really took. */
function Travel(props: { run: SweepRun; wire: Control; from: number; to: number; pace: number }) {
  const { run, from, to } = props;
  if (!run.running) return null;
  const share = Math.min(1, run.seconds / props.pace);
  const mark = nearestMark(props.wire, from + (to - from) * share);
  return (
    <div className={css.knobTravel} aria-label="Knob travel">
      <progress max={1} value={share} />
      <b>knob at about {readMark(props.wire, mark)}</b>
    </div>
  );
}

const Advice = ({ tip }: { tip: string }) => (
  <>
    <p className="quiet">
      A helper turns the knob evenly while the student welds on scrap; on a machine that must not be turned
      under load, sweep by short beads instead: a staircase.
    </p>
    <p className="quiet">
      Alone: a hand rest, or a piece of tube tacked to thick clean scrap, holds the tip about {tip} off; one
      hand keeps the bead going, the other turns the wire. Note the stick-out: the band found is moved to the
      sheet's own. Watch the light: it stands still where the arc is set right. Do not judge penetration by
      this bead.
    </p>
  </>
);
