import { Button, NumberInput, Select } from '@mantine/core';
import { useState } from 'react';
import { Choice } from '../../shared/Choice';
import { clock } from '../../shared/time';
import { useFields, useSay } from '../../shared/words/useSay';
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
      <summary>How it is planned: what counts, slots and limits, late, pairs, out of order</summary>
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
        <Numbers settings={settings} plan={plan} />
        <h2>Late, gone early, not there</h2>
        <Presences board={board} settings={settings} onChange={change} />
        <h2>Side by side, or kept apart</h2>
        <Pairs board={board} settings={settings} onChange={change} />
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

const numbers = {
  setUpMinutes: 'Set up, min',
  slotMinutes: 'A slot, min',
  closeDownMinutes: 'Close down, min',
  'limits.instructors': 'Instructors there',
  'limits.firstTries': 'First tries at once',
  'limits.hotFirstTries': 'Of those hot',
  'limits.leastMinutes': 'Left to weld, min',
  'limits.coolingMinutes': 'A torch cools, min',
} as const;
type Field = keyof typeof numbers;

/** Settings with one number otherwise; "limits.firstTries" is one of the limits. */
function withNumber(settings: Settings, field: Field, value: number): Settings {
  const [part, limit] = field.split('.');
  return limit
    ? { ...settings, limits: { ...settings.limits, [limit]: value } }
    : { ...settings, [part ?? field]: value };
}

const numberOf = (settings: Settings, field: Field) =>
  field.split('.').reduce<unknown>((of, part) => (of as Record<string, unknown>)[part], settings) as number;

function Numbers({ settings, plan }: { settings: Settings; plan: PlanKeys }) {
  // Only what was typed: what is changed elsewhere meanwhile stays changed.
  const [typed, setTyped] = useState<Partial<Record<Field, number>>>({});
  const wrong = useFields(plan.error);
  const next = Object.entries(typed).reduce(
    (so, [field, value]) => withNumber(so, field as Field, value),
    settings,
  );
  return (
    <form
      className="naming"
      onSubmit={(event) => {
        event.preventDefault();
        plan.change({ settings: next }, () => setTyped({}));
      }}
    >
      {Object.entries(numbers).map(([field, label]) => (
        <NumberInput
          key={field}
          label={label}
          w={140}
          min={0}
          allowDecimal={false}
          value={numberOf(next, field as Field)}
          error={wrong[`settings.${field}`]}
          onChange={(value) => typeof value === 'number' && setTyped({ ...typed, [field]: value })}
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

function Pairs({ board, settings, onChange }: Part & { board: Board }) {
  const [one, setOne] = useState<string | null>(null);
  const [other, setOther] = useState<string | null>(null);
  const names = board.students.map(({ student }) => ({ value: student.id, label: student.name }));
  const nameOf = (id: string) => names.find(({ value }) => value === id)?.label ?? 'A student';
  const set = (together: boolean) => {
    if (!one || !other) return;
    const others = settings.pairs.filter(
      (pair) => ![pair.one, pair.other].every((id) => id === one || id === other),
    );
    onChange({ pairs: [...others, { one, other, together }] });
    setOne(null);
    setOther(null);
  };
  return (
    <>
      <div className="naming">
        <Select
          label="One"
          placeholder="Choose a student"
          searchable
          value={one}
          data={names.filter(({ value }) => value !== other)}
          onChange={setOne}
        />
        <Select
          label="Another"
          placeholder="Choose a student"
          searchable
          value={other}
          data={names.filter(({ value }) => value !== one)}
          onChange={setOther}
        />
        <Button variant="default" disabled={!one || !other} onClick={() => set(true)}>
          Side by side
        </Button>
        <Button variant="default" disabled={!one || !other} onClick={() => set(false)}>
          Kept apart
        </Button>
      </div>
      <ul className="plain-list">
        {settings.pairs.map((pair) => (
          <li key={`${pair.one} ${pair.other}`} className="row">
            <span>
              {nameOf(pair.one)} and {nameOf(pair.other)}, {pair.together ? 'side by side' : 'kept apart'}
            </span>
            <Button
              variant="default"
              aria-label={`As it comes, ${nameOf(pair.one)} and ${nameOf(pair.other)}`}
              onClick={() => onChange({ pairs: settings.pairs.filter((stays) => stays !== pair) })}
            >
              As it comes
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
