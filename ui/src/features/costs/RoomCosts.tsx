import { Button, Select } from '@mantine/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { today } from '../../shared/time';
import { counted } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { lastMonths, useBulk } from './bulk';
import css from './costs.module.css';
import { costQueries } from './queries';

// As many as are added up at once.
const mostMonths = 24;
const aTerm = 2;

/** What machines, wires and gases cost and give, over some months. */
export function RoomCosts() {
  const months = lastMonths(mostMonths, today());
  const [from, setFrom] = useState(months[aTerm]?.value ?? '');
  const [until, setUntil] = useState(months[0]?.value ?? '');
  const costs = useQuery({ ...costQueries.of({ from, until }), placeholderData: keepPreviousData });
  const choose = (label: string, value: string, set: (value: string) => void) => (
    <Select
      label={label}
      data={months}
      value={value}
      allowDeselect={false}
      onChange={(chosen) => chosen && set(chosen)}
    />
  );
  return (
    <section className="panel stack" aria-label="What it costs and gives">
      <div className={css.months}>
        {choose('From', from, setFrom)}
        {choose('Until', until, setUntil)}
        <Button component="a" href={`/api/costs/csv?from=${from}&until=${until}`} variant="default" download>
          For a spreadsheet (CSV)
        </Button>
      </div>
      <Loaded of={asLoading(costs)} what="what it costs">
        {(view) => (view.whole.beads + view.whole.parts === 0 ? <Nothing /> : <Tables view={view} />)}
      </Loaded>
    </section>
  );
}

const Nothing = () => <p className="quiet">No bead was laid in these months.</p>;

function Tables({ view }: { view: Schemas['CostView'] }) {
  const say = useSay();
  const { show } = useBulk();
  const money = useMoney(view.currency);
  const { whole, timed, unpriced } = view;
  return (
    <>
      <p>
        {counted(whole.beads, 'bead')}, {whole.right} of them right; {hours(whole.arcHours)} of arc;{' '}
        {show('wire', whole.wireKg)} of wire, {show('gas', whole.gasM3)} of gas,{' '}
        {counted(whole.parts, 'part')} replaced. {whole.cost !== null && <b>{money(whole.cost)}</b>}
        {whole.perRightBead !== null && `, ${money(whole.perRightBead)} for each right bead.`}
      </p>
      {unpriced.length > 0 && (
        <p>Without a price, so not added up: {unpriced.map((one) => say(one)).join('; ')}.</p>
      )}
      <Machines lines={view.machines} money={money} />
      <div className="two-columns even">
        <Materials name="Wires" kind="wire" lines={view.wires} money={money} />
        <Materials name="Gases" kind="gas" lines={view.gases} money={money} />
      </div>
      <p className="quiet">
        The arc was timed for {timed} of {counted(whole.beads, 'bead')}; for the others it is reckoned by the
        sheet, at its travel over a coupon of 150 mm (6 in). Gas is reckoned while the arc burns: before it,
        after it, purging and leaks are the difference to the gauge. Filler rods and plate are not in it.
      </p>
    </>
  );
}

type Money = (amount: number | null) => string;

function Machines({ lines, money }: { lines: Schemas['CostLine'][]; money: Money }) {
  const say = useSay();
  const { show } = useBulk();
  return (
    <div className="scroll-x" role="group" aria-label="Machines, table" tabIndex={0}>
      <table className={css.table}>
        <caption>Machines</caption>
        <thead>
          <tr>
            <th scope="col">Machine</th>
            <th scope="col">Beads</th>
            <th scope="col">Right</th>
            <th scope="col">Arc</th>
            <th scope="col">Wire</th>
            <th scope="col">Gas</th>
            <th scope="col">By the gauge</th>
            <th scope="col">Parts</th>
            <th scope="col">Arc to a tip</th>
            <th scope="col">Cost</th>
            <th scope="col">A right bead</th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ name, cost }) => (
            <tr key={say(name)}>
              <th scope="row">{say(name)}</th>
              <td>{cost.beads}</td>
              <td>{cost.right}</td>
              <td>{hours(cost.arcHours)}</td>
              <td>{show('wire', cost.wireKg)}</td>
              <td>{show('gas', cost.gasM3)}</td>
              <td>{cost.gaugeM3 === null ? '' : show('gas', cost.gaugeM3)}</td>
              <td>{cost.parts}</td>
              <td>{cost.hoursPerTip === null ? '' : hours(cost.hoursPerTip)}</td>
              <td>{money(cost.cost)}</td>
              <td>{money(cost.perRightBead)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Materials(props: {
  name: string;
  kind: 'wire' | 'gas';
  lines: Schemas['CostLine'][];
  money: Money;
}) {
  const say = useSay();
  const { show } = useBulk();
  const { name, kind, lines, money } = props;
  return (
    <div className="scroll-x" role="group" aria-label={`${name}, table`} tabIndex={0}>
      <table className={css.table}>
        <caption>{name}</caption>
        <thead>
          <tr>
            <th scope="col">{kind === 'wire' ? 'Wire' : 'Gas'}</th>
            <th scope="col">Beads</th>
            <th scope="col">Right</th>
            <th scope="col">Used</th>
            <th scope="col">Cost</th>
            <th scope="col">A right bead</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={say(line.name)}>
              <th scope="row">{say(line.name)}</th>
              <td>{line.cost.beads}</td>
              <td>{line.cost.right}</td>
              <td>{show(kind, kind === 'wire' ? line.cost.wireKg : line.cost.gasM3)}</td>
              <td>{money(line.cost.cost)}</td>
              <td>{money(line.cost.perRightBead)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const minutesAnHour = 60;
const hours = (value: number) =>
  value < 1 ? `${Math.round(value * minutesAnHour)} min` : `${value.toFixed(1)} h`;

/** Amounts in the school's own currency, in the person's own form; what is not known is left open. */
function useMoney(currency: string): Money {
  return (amount) =>
    amount === null
      ? ''
      : `${amount.toLocaleString(undefined, { minimumFractionDigits: 2, maximumFractionDigits: 2 })} ${currency}`.trim();
}
