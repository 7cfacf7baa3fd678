import { NumberInput, Select } from '@mantine/core';
import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { gases, metals, processes, wireSize } from '../../shared/words';
import css from './arcBench.module.css';
import { begin, setups } from './setups';
import type { Arc } from './useArc';

const plates = ['1', '1.5', '2', '3.2', '5', '6', '10'];

/** What an arc burns with, on and at: process, plate, wire or metal, gas, stick-out, travel. */
export function ArcJob(props: {
  arc: Arc;
  onChange: (part: Partial<Arc>) => void;
  onProcess: (arc: Partial<Arc>) => void;
}) {
  const { arc, onChange: change } = props;
  const { per, unit, show } = useUnits();
  const setup = setups[arc.process];
  const tungsten = arc.amps !== null;
  return (
    <div className={css.arcFields}>
      <Select
        label="Process"
        data={(Object.keys(setups) as Schemas['Process'][]).map((process) => ({
          value: process,
          label: processes[process],
        }))}
        value={arc.process}
        onChange={(process) => {
          if (process) props.onProcess(begin(process));
        }}
      />
      <Select
        label="Plate"
        data={plates.map((mm) => ({ value: mm, label: show('length', Number(mm)) }))}
        value={String(arc.plateMm)}
        onChange={(mm) => change({ plateMm: Number(mm) })}
      />
      {tungsten ? (
        <Select
          label="Metal"
          data={setup.metals.map((metal) => ({ value: metal, label: metals[metal] }))}
          value={arc.metal}
          onChange={(metal) => {
            if (metal) change({ metal });
          }}
        />
      ) : (
        <Select
          label="Wire"
          data={setup.wires.map((wire) => ({ value: wire, label: wireSize(wire) }))}
          value={arc.wire ?? null}
          onChange={(wire) => change({ wire })}
        />
      )}
      <Select
        label="Gas"
        data={setup.gases.map((gas) => ({ value: gas, label: gases[gas] }))}
        value={arc.gas}
        onChange={(gas) => {
          if (gas) change({ gas });
        }}
      />
      {!tungsten && (
        <NumberInput
          label="Stick-out"
          min={3 * per('length')}
          max={40 * per('length')}
          step={per('length')}
          decimalScale={2}
          suffix={` ${unit('length')}`}
          value={Number((arc.stickOutMm * per('length')).toFixed(2))}
          onChange={(value) => {
            const mm = Number(value) / per('length');
            if (mm >= 3 && mm <= 40) change({ stickOutMm: mm });
          }}
        />
      )}
      <NumberInput
        label="Travel"
        min={20 * per('travel')}
        max={2000 * per('travel')}
        decimalScale={1}
        suffix={` ${unit('travel')}`}
        value={Number((arc.travelMmPerMin * per('travel')).toFixed(1))}
        onChange={(value) => {
          const travel = Number(value) / per('travel');
          if (travel >= 20 && travel <= 2000) change({ travelMmPerMin: travel });
        }}
      />
    </div>
  );
}
