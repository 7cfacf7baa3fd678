import { Button, NumberInput, Select } from '@mantine/core';
import { useState } from 'react';
import { Choice } from '../../shared/Choice';
import { clock } from '../../shared/time';
import { useSay } from '../../shared/words/useSay';
import { type Board, draftOf, type Settings } from './board';
import css from './planning.module.css';
import type { PlanKeys } from './usePlan';

const weights = { '0': '0', '1': '1', '2': '2', '3': '3', '4': '4', '5': '5' };

/** How the session is planned: what counts for how much, its slots, limits, who comes late and what is out of order. */
export function PlanSettingsForm({ board, plan }: { board: Board; plan: PlanKeys }) {
  const say = useSay();
  const { settings } = draftOf(board);
  const change = (part: Partial<Settings>) => plan.change({ settings: { ...settings, ...part } });
  return (
    <details className={`panel ${css.settings}`}>
      <summary>How it is planned: what counts, slots and limits, late, out of order</summary>
      <div className="stack">
        <h2>What counts for how much</h2>
        <div className={css.weights}>
          {board.aspects.map(({ key, name, means, weight, points }) => (
            <div key={key}>
              <Choice
                title={say(name)}
                words={weights}
                value={`${weight}` as keyof typeof weights}
                onChange={(value) =>
                  value && change({ weights: { ...settings.weights, [key]: Number(value) } })
                }
              />
              <p className="quiet">
                {say(means)} Now {points} points.
              </p>
            </div>
          ))}
        </div>
        <h2>Slots and limits</h2>
        <Numbers key={board.edition} settings={settings} onChange={change} />
        <h2>Late, gone early, not there</h2>
        <Presences board={board} settings={settings} onChange={change} />
        <h2>Out of order</h2>
        <Down board={board} settings={settings} onChange={change} />
      </div>
    </details>
  );
}

interface Part {
  settings: Settings;
  onChange: (part: Partial<Settings>) => void;
}

function Numbers({ settings, onChange }: Part) {
  const [typed, setTyped] = useState(settings);
  const { limits } = typed;
  const own = [
    ['Set up, min', typed.setUpMinutes, (setUpMinutes: number) => ({ ...typed, setUpMinutes })],
    ['A slot, min', typed.slotMinutes, (slotMinutes: number) => ({ ...typed, slotMinutes })],
    [
      'Close down, min',
      typed.closeDownMinutes,
      (closeDownMinutes: number) => ({ ...typed, closeDownMinutes }),
    ],
    [
      'Instructors there',
      limits.instructors,
      (instructors: number) => ({ ...typed, limits: { ...limits, instructors } }),
    ],
    [
      'First tries at once',
      limits.firstTries,
      (firstTries: number) => ({ ...typed, limits: { ...limits, firstTries } }),
    ],
    [
      'Of those hot',
      limits.hotFirstTries,
      (hotFirstTries: number) => ({ ...typed, limits: { ...limits, hotFirstTries } }),
    ],
    [
      'Left to weld, min',
      limits.leastMinutes,
      (leastMinutes: number) => ({ ...typed, limits: { ...limits, leastMinutes } }),
    ],
    [
      'A torch cools, min',
      limits.coolingMinutes,
      (coolingMinutes: number) => ({ ...typed, limits: { ...limits, coolingMinutes } }),
    ],
  ] as const;
  return (
    <form
      className="naming"
      onSubmit={(event) => {
        event.preventDefault();
        onChange(typed);
      }}
    >
      {own.map(([label, value, put]) => (
        <NumberInput
          key={label}
          label={label}
          w={140}
          min={0}
          max={180}
          allowDecimal={false}
          value={value}
          onChange={(next) => typeof next === 'number' && setTyped(put(next))}
        />
      ))}
      <Button type="submit" variant="default">
        Set them
      </Button>
    </form>
  );
}

const notThere = 99;

function Presences({ board, settings, onChange }: Part & { board: Board }) {
  const [who, setWho] = useState<string | null>(null);
  const set = (from: number, until: number | null) => {
    if (!who) return;
    const others = settings.presences.filter(({ studentId }) => studentId !== who);
    onChange({ presences: [...others, { studentId: who, from, until }] });
    setWho(null);
  };
  const slots = board.slots.map(({ begins }, at) => ({ value: `${at}`, label: clock(begins) }));
  return (
    <>
      <div className="naming">
        <Select
          label="Who"
          placeholder="Choose a student"
          searchable
          value={who}
          data={board.students.map(({ student }) => ({ value: student.id, label: student.name }))}
          onChange={setWho}
        />
        <Select
          label="Comes at"
          disabled={!who}
          value={null}
          data={slots.slice(1)}
          onChange={(at) => at && set(Number(at), null)}
        />
        <Select
          label="Goes at"
          disabled={!who}
          value={null}
          data={slots.slice(1)}
          onChange={(at) => at && set(0, Number(at))}
        />
        <Button variant="default" disabled={!who} onClick={() => set(notThere, null)}>
          Is not there
        </Button>
      </div>
      <ul className="plain-list">
        {settings.presences.map((one) => (
          <li key={one.studentId} className="row">
            <span>
              {board.students.find(({ student }) => student.id === one.studentId)?.student.name ??
                'A student'}{' '}
              {one.from >= board.slots.length
                ? 'is not there'
                : one.until === null
                  ? `comes at ${clock(board.slots[one.from]?.begins ?? '00:00')}`
                  : `goes at ${clock(board.slots[one.until]?.begins ?? '00:00')}`}
            </span>
            <Button
              variant="default"
              onClick={() => onChange({ presences: settings.presences.filter((other) => other !== one) })}
            >
              There all session
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

function Down({ board, settings, onChange }: Part & { board: Board }) {
  const [machineId, setMachine] = useState<string | null>(null);
  const machines = board.booths.flatMap(({ number, machines: here }) =>
    here.map(({ id, name }) => ({ value: id, label: `Booth ${number}, ${name}` })),
  );
  return (
    <>
      <div className="naming">
        <Select
          label="Machine"
          placeholder="Choose a machine"
          value={machineId}
          data={machines}
          onChange={setMachine}
        />
        <Select
          label="Out of order from"
          disabled={!machineId}
          value={null}
          data={board.slots.map(({ begins }, at) => ({ value: `${at}`, label: clock(begins) }))}
          onChange={(at) => {
            if (!at || !machineId) return;
            const others = settings.down.filter((one) => one.machineId !== machineId);
            onChange({ down: [...others, { machineId, from: Number(at) }] });
            setMachine(null);
          }}
        />
      </div>
      <ul className="plain-list">
        {settings.down.map((one) => (
          <li key={one.machineId} className="row">
            <span>
              {machines.find(({ value }) => value === one.machineId)?.label ?? 'A machine'}, from{' '}
              {clock(board.slots[one.from]?.begins ?? '00:00')}
            </span>
            <Button
              variant="default"
              onClick={() => onChange({ down: settings.down.filter((other) => other !== one) })}
            >
              Runs again
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
