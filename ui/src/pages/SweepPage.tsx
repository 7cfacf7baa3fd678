import { Button, NumberInput, Select } from '@mantine/core';
import { useInterval } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { type Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { newId } from '../shared/newId';
import { Trouble } from '../shared/Trouble';
import { moment, useTypedUnits } from '../shared/units';
import { everyMark, isListed, readMark } from '../features/machines/marks';
import { useBoothData } from '../features/sessions/BoothFrame';
import { trialQueries } from '../features/trials/queries';
import { useRecordSweep, useWithdrawSweep } from '../features/trials/useTrials';
import { useFields, useSay } from '../shared/words/useSay';
import css from './sweep.module.css';

type Running = { began: number; events: Schemas['SweepEvent'][] };

/** Volts held, wire from low to high in one run: one big key, a space bar or a foot pedal marks where it smooths and breaks up. */
export function SweepPage() {
  const { booth, machine, coupon } = useBoothData();
  const wire = machine.wireControl;
  const volt = machine.voltControl;
  const pair = coupon?.sheet.body.pair;
  if (!coupon || !pair || !wire || !volt) {
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
    <Sweep boothId={booth.id} machineId={booth.machineId} sheet={coupon.sheet} wire={wire} volt={volt} />
  );
}

function Sweep(props: {
  boothId: string;
  machineId: string;
  sheet: Schemas['AssignedSheet'];
  wire: Schemas['Control'];
  volt: Schemas['Control'];
}) {
  const say = useSay();
  const { wire, volt, sheet } = props;
  const marks = sheet.body.pair?.marks;
  const [voltMark, setVoltMark] = useState<number | string>(marks?.volt.mark ?? volt.lowestMark);
  const [from, setFrom] = useState<number | string>(around(wire, (marks?.wire.mark ?? 0) * 0.35));
  const [to, setTo] = useState<number | string>(around(wire, (marks?.wire.mark ?? wire.highestMark) * 1.8));
  const [pace, setPace] = useState<number | string>(25);
  const [stickOut, setStickOut] = useState<number | string>('');
  const { unit, number, per } = useTypedUnits(stickOut !== '');
  const stickOutMm = stickOut === '' ? null : Number(stickOut) / per('length');
  const [unfilled, setUnfilled] = useState(false);
  const [running, setRunning] = useState<Running>();
  const [now, setNow] = useState(0);
  const [ready, setReady] = useState<{ id: string; body: Schemas['SweepRequest'] }>();
  const ticking = useInterval(() => setNow(performance.now()), 50);
  const record = useRecordSweep(() => setReady(undefined));
  const sweeps = useQuery(trialQueries.sweeps(props.machineId));
  const withdraw = useWithdrawSweep();
  const seconds = running ? Math.max(0, (now - running.began) / 1000) : 0;
  // Where the knob should be by now, so that the hand turns evenly; what counts is the time it really took.
  const travelled = Number(from) + (Number(to) - Number(from)) * Math.min(1, seconds / Number(pace));
  const next = running?.events.some((event) => event.mark === 'smooths') ? 'breaksUp' : 'smooths';

  const begin = () => {
    const missing = [voltMark, from, to, pace].includes('');
    setUnfilled(missing);
    if (missing) return;
    const began = performance.now();
    setNow(began);
    setRunning({ began, events: [] });
    setReady(undefined);
    record.reset();
    ticking.start();
  };
  const mark = () => {
    if (!running) return;
    // The clock is read when the key goes down, not when the screen is drawn.
    const at = (performance.now() - running.began) / 1000;
    setRunning({ ...running, events: [...running.events, { mark: next, seconds: at }] });
  };
  const stop = () => {
    if (!running) return;
    ticking.stop();
    const took = (performance.now() - running.began) / 1000;
    setRunning(undefined);
    const sweep = {
      id: newId(),
      body: {
        sheetId: sheet.id,
        voltMark: Number(voltMark),
        volts: null,
        stickOutMm,
        run: { fromMark: Number(from), toMark: Number(to), seconds: took, events: running.events },
      },
    };
    setReady(sweep);
    record.mutate(sweep);
  };

  // The space bar, and what foot pedals send: space, Enter, PageDown. It works wherever the focus is, but not while typing.
  const keys = useRef({ begin, mark, stop, running });
  useEffect(() => {
    keys.current = { begin, mark, stop, running };
  });
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement && event.target.closest('input, textarea, [role="listbox"]');
      if (event.repeat) return;
      if (keys.current.running && event.code === 'Escape') keys.current.stop();
      else if (event.code === 'Enter' && (!keys.current.running || event.target instanceof HTMLButtonElement))
        return;
      else if (['Space', 'PageDown', 'Enter'].includes(event.code) && (keys.current.running || !typing)) {
        if (keys.current.running) keys.current.mark();
        else keys.current.begin();
      } else return;
      event.preventDefault();
    };
    // A space that began on a button would press that button when it comes up.
    const released = (event: KeyboardEvent) => {
      if (event.code === 'Space' && event.target instanceof HTMLButtonElement) event.preventDefault();
    };
    window.addEventListener('keydown', pressed);
    window.addEventListener('keyup', released);
    return () => {
      window.removeEventListener('keydown', pressed);
      window.removeEventListener('keyup', released);
    };
  }, []);

  const fields = useFields(record.error);
  const field = (
    label: string,
    control: Schemas['Control'],
    value: number | string,
    onChange: (value: number | string) => void,
    error: string | undefined,
  ) =>
    isListed(control) ? (
      <Select
        label={label}
        size="lg"
        disabled={running !== undefined}
        data={everyMark(control).map((one) => ({ value: String(one), label: readMark(control, one) }))}
        value={String(value)}
        onChange={(one) => onChange(Number(one))}
        error={error}
      />
    ) : (
      <NumberInput
        label={label}
        size="lg"
        disabled={running !== undefined}
        value={value}
        onChange={onChange}
        prefix={control.kind === 'tap' ? 'tap ' : ''}
        suffix={control.unit ? ` ${control.unit}` : ''}
        error={error ?? (unfilled && value === '' ? 'Which mark?' : undefined)}
      />
    );
  return (
    <div className={`two-columns ${css.sweep}`}>
      <section className="panel stack" aria-label="Wire sweep">
        <div className="row head-row">
          <h2>
            Wire sweep <span className="quiet">volts held, wire from low to high in one even turn</span>
          </h2>
          <Button component={Link} to={`/booths/${props.boothId}/trials`} variant="default">
            All trials
          </Button>
        </div>
        <div className={css.sweepFields}>
          {field('Volts stay at', volt, voltMark, setVoltMark, fields.voltMark ?? fields.volts)}
          {field('Wire from', wire, from, setFrom, fields['run.fromMark'])}
          {field('Wire to', wire, to, setTo, fields['run.toMark'])}
          <NumberInput
            label="In about"
            size="lg"
            disabled={running !== undefined}
            value={pace}
            onChange={setPace}
            suffix=" s"
            error={fields['run.seconds'] ?? (unfilled && pace === '' ? 'How long?' : undefined)}
          />
          <NumberInput
            label="Stick-out"
            size="lg"
            disabled={running !== undefined}
            placeholder={`${number('length', sheet.body.pair?.stickOut.aimMm ?? 0)}, the sheet's`}
            value={stickOut}
            onChange={setStickOut}
            suffix={` ${unit('length')}`}
            error={fields.stickOutMm}
          />
        </div>
        <button
          type="button"
          className={css.markKey}
          data-next={running ? next : 'idle'}
          onPointerDown={(event) => {
            event.preventDefault();
            if (running) mark();
            else begin();
          }}
          onClick={(event) => {
            // A click with no pointer behind it: Enter on the key, or a switch or screen reader.
            if (event.detail !== 0) return;
            if (running) mark();
            else begin();
          }}
        >
          <span className={css.clock} role="timer">
            {seconds.toFixed(1)} s
          </span>
          {!running ? 'Begin to turn' : next === 'smooths' ? 'MARK: smooth now' : 'MARK: breaking up now'}
          <span className="quiet">space bar or foot pedal</span>
        </button>
        {running && (
          <div className={css.knobTravel} aria-label="Knob travel">
            <progress max={1} value={Math.min(1, seconds / Number(pace))} />
            <b>knob at about {readMark(wire, around(wire, travelled))}</b>
          </div>
        )}
        <ol className={css.sweepMarks} aria-label="Marks">
          {(running?.events ?? ready?.body.run.events ?? []).map((event, i) => (
            <li key={`${i}`}>
              {event.seconds.toFixed(1)} s: {event.mark === 'smooths' ? 'smooth' : 'breaking up'}
            </li>
          ))}
        </ol>
        <Button size="xl" variant="default" disabled={!running} onClick={stop}>
          The knob is at its end
        </Button>
        {record.isError && (
          <>
            <Trouble error={record.error} />
            {ready && (
              <Button
                variant="default"
                onClick={() =>
                  record.mutate({
                    ...ready,
                    body: {
                      ...ready.body,
                      voltMark: Number(voltMark),
                      stickOutMm,
                      run: { ...ready.body.run, fromMark: Number(from), toMark: Number(to) },
                    },
                  })
                }
              >
                Keep it with these marks
              </Button>
            )}
          </>
        )}
        {record.data && (
          <p className="learned" role="note" aria-label="Learned">
            {say(record.data.finding.learned)}
          </p>
        )}
        <p className="quiet">
          A helper turns the knob evenly while the student welds on scrap; on a machine that must not be
          turned under load, sweep by short beads instead: a staircase.
        </p>
        <p className="quiet">
          Alone: a hand rest, or a piece of tube tacked to thick clean scrap, holds the tip about{' '}
          {number('length', 19)} {unit('length')} off; one hand keeps the bead going, the other turns the
          wire. Note the stick-out: the band found is moved to the sheet's own. Watch the light: it stands
          still where the arc is set right. Do not judge penetration by this bead.
        </p>
      </section>
      <section className="panel stack" aria-label="Sweeps on this machine">
        <h2>Swept on this machine</h2>
        <Loaded of={asLoading(sweeps)} what="the sweeps">
          {(items) => (
            <ul className={`plain-list ${css.sweeps}`}>
              {items.length === 0 && <li className="quiet">Not yet.</li>}
              {items.map((sweep) => (
                <li key={sweep.id}>
                  <span>
                    {say(sweep.finding.learned)} <span className="quiet">{moment(sweep.runAt)}</span>
                  </span>
                  <Button
                    variant="default"
                    onClick={() => withdraw.mutate({ id: sweep.id, withdrawn: true })}
                  >
                    Withdraw
                  </Button>
                </li>
              ))}
            </ul>
          )}
        </Loaded>
      </section>
    </div>
  );
}

const around = (control: Schemas['Control'], mark: number) => {
  const steps = Math.round((mark - control.lowestMark) / control.markStep);
  const settable = control.lowestMark + steps * control.markStep;
  return Number(Math.min(control.highestMark, Math.max(control.lowestMark, settable)).toFixed(3));
};
