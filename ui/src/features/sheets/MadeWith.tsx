import { Select } from '@mantine/core';
import { memo, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useStock } from '../../shared/useStock';
import { gases, metals, processes, wireKind, wireSize } from '../../shared/words';
import type { Job } from './queries';
import css from './sheets.module.css';
import { LoadTrouble } from '../../shared/Loaded';

const options = (words: Record<string, string>) =>
  Object.entries(words).map(([value, label]) => ({ value, label }));

/** Process, metal, wire and gas: what is on the machine in a line, and a key to take another. */
export const MadeWith = memo(function MadeWith(props: {
  process: Schemas['Process'];
  metal: Schemas['Metal'];
  wire: Job['wire'];
  gas: Schemas['Gas'] | null;
  set: (change: Partial<Job>) => void;
  fields: Record<string, string>;
}) {
  const { process, metal, wire, gas, set, fields } = props;
  const shelf = useStock();
  const stock = shelf.data;
  const [opened, setOpened] = useState(false);
  const kind = wireKind(process, metal);
  const wires = (stock?.wires ?? []).filter((one) => one.kind === kind && one.processes.includes(process));
  const tig = process === 'gtawDc' || process === 'gtawAc';
  const wrong = ['process', 'metal', 'wire', 'gas'].some((field) => fields[field] !== undefined);
  const words = [processes[process], metals[metal], wire && wireSize(wire), gas && gases[gas]];
  return (
    <section className={css.made} aria-label="Welded with">
      <button
        type="button"
        className={css.madeLine}
        aria-expanded={opened || wrong}
        onClick={() => setOpened(!opened)}
      >
        <b>Welded with</b> <span>{words.filter(Boolean).join(' · ')}</span>
      </button>
      <LoadTrouble of={shelf} what="wires and gases" />
      {(opened || wrong) && (
        <div className={css.madeWith}>
          <Select
            label="Process"
            className={css.wide}
            data={options(processes)}
            value={process}
            error={fields.process}
            // Wire and gas follow the process until somebody picks them.
            onChange={(value) => set({ process: value as Schemas['Process'], wire: null, gas: null })}
          />
          <Select
            label="Metal"
            data={options(metals)}
            value={metal}
            error={fields.metal}
            onChange={(value) => set({ metal: value as Schemas['Metal'], wire: null, gas: null })}
          />
          {!tig && (
            <Select
              label="Wire"
              data={wires.map((one) => ({ value: one.wire, label: wireSize(one.wire) }))}
              value={wire}
              error={fields.wire}
              onChange={(value) => set({ wire: value })}
            />
          )}
          <Select
            label="Gas"
            className={css.wide}
            data={(stock?.gases ?? []).map((one) => ({
              value: one.gas,
              label: one.isoGroup ? `${gases[one.gas]} (${one.isoGroup})` : gases[one.gas],
            }))}
            value={gas}
            error={fields.gas}
            onChange={(value) => set({ gas: value })}
          />
        </div>
      )}
    </section>
  );
});
