import { Button, Loader, Modal, NumberInput, Select } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { jointDrawings } from '../../shared/jointDrawings';
import { Trouble } from '../../shared/Trouble';
import { type Kind, useTypedUnits } from '../../shared/units';
import { useTheSheetAtHand } from './sheetAtHand';
import { useFields, useSay } from '../../shared/words/useSay';
import { calculatorQueries } from './queries';
import css from './calculators.module.css';

type Form = Schemas['CalculatorForm'];
type Field = Schemas['CalculatorField'];
type Sheet = Schemas['Sheet'];

/** Kinds that people read in units of their own, and the units of the rest. */
const scaled: Partial<Record<Schemas['NumberKind'], Kind>> = {
  length: 'length',
  wireFeed: 'wireFeed',
  travel: 'travel',
  gas: 'gas',
  heat: 'heat',
  volts: 'volts',
  amps: 'amps',
};
const plain: Partial<Record<Schemas['NumberKind'], string>> = {
  seconds: 's',
  hours: 'h',
  percent: '%',
  celsius: '°C',
  litres: 'L',
  bar: 'bar',
  grams: 'g',
  metres: 'm',
  square: 'mm²',
};

/** What the sheet on screen says of a field; undefined where it says nothing. */
function fromSheet(sheet: Sheet | undefined, key: string): number | string | undefined {
  if (!sheet) return undefined;
  const { pair } = sheet;
  const known: Record<string, number | string | null | undefined> = {
    wire: sheet.job.wire,
    process: sheet.job.process,
    metal: sheet.job.metal,
    wireFeedMPerMin: pair?.wireFeedMPerMin,
    travelMmPerMin: sheet.travelMmPerMin,
    legMm: sheet.beadMeasure === 'leg' ? sheet.beadSize.aimMm : undefined,
    amps: sheet.amps,
    volts: pair?.volts.aimVolts,
    stickOutMm: pair?.stickOut.aimMm,
    heatKJPerMm: sheet.heatInputEnKJPerMm,
    thicknessMm: sheet.job.thickness.valueMm,
    gasLPerMin: sheet.gasFlow?.aimLPerMin,
    preheatC: 20,
    beadMm: 150,
    lengthMm: 150,
    widthMm: 100,
    seconds: 6,
    shape: jointDrawings[sheet.job.joint].fillet ? 'tee' : 'onPlate',
  };
  return known[key] ?? undefined;
}

/** The quick calculators, one key away, begun with the numbers of the sheet on screen. */
export default function Calculators({ onClose }: { onClose: () => void }) {
  const say = useSay();
  const forms = useQuery(calculatorQueries.forms());
  const sheet = useTheSheetAtHand();
  const [key, setKey] = useState('deposit');
  const form = forms.data?.find((each) => each.key === key);
  return (
    <Modal opened onClose={onClose} title="Calculators" size="lg">
      {forms.isError && <Trouble error={forms.error} again={() => forms.refetch()} />}
      {!forms.data && !forms.isError && <Loader aria-label="Loading the calculators" />}
      {forms.data && (
        <div className="stack">
          <Select
            aria-label="Calculator"
            size="lg"
            data={forms.data.map((each) => ({ value: each.key, label: say(each.title) }))}
            value={key}
            onChange={(value) => value && setKey(value)}
          />
          {form && <Worksheet key={form.key} form={form} sheet={sheet} />}
        </div>
      )}
    </Modal>
  );
}

function Worksheet({ form, sheet }: { form: Form; sheet: Sheet | undefined }) {
  const say = useSay();
  const [typed, setTyped] = useState(false);
  const { per, unit, units } = useTypedUnits(typed);
  const factor = (field: { kind?: Schemas['NumberKind'] | null }) => {
    const kind = field.kind ? scaled[field.kind] : undefined;
    return kind ? per(kind) : 1;
  };
  const unitOf = (kind: Schemas['NumberKind']) => {
    const own = scaled[kind];
    return own ? unit(own) : (plain[kind] ?? '');
  };
  const entry = useForm<Record<string, number | string>>({ initialValues: begin(form, sheet, factor) });
  const { values } = entry;
  // What was begun with follows the reader's units; what was typed keeps its own.
  const [begunIn, setBegunIn] = useState(units);
  if (!typed && begunIn !== units) {
    setBegunIn(units);
    entry.setValues(begin(form, sheet, factor));
  }
  const work = useMutation({
    mutationFn: () => {
      const numbers: Record<string, number> = {};
      const picks: Record<string, string> = {};
      for (const field of form.fields) {
        const value = values[field.key] ?? '';
        if (field.kind === null) picks[field.key] = String(value);
        else if (value !== '') numbers[field.key] = Number(value) / factor(field);
      }
      return answer(
        api.POST('/api/calculators/{key}', { params: { path: { key: form.key } }, body: { numbers, picks } }),
      );
    },
  });
  const fields = useFields(work.error);
  const set = (field: Field, value: number | string) => {
    setTyped(true);
    entry.setFieldValue(field.key, value);
    work.reset();
  };
  return (
    <form
      className="stack worksheet"
      aria-label={say(form.title)}
      onSubmit={entry.onSubmit(() => work.mutate())}
    >
      <p className="quiet">{say(form.about)}</p>
      <div className={css.worksheetFields}>
        {form.fields.map((field) =>
          field.kind === null ? (
            <Select
              key={field.key}
              label={say(field.label)}
              data={field.picks.map((pick) => ({ value: pick.value, label: say(pick.label) }))}
              value={String(values[field.key] ?? '') || null}
              onChange={(value) => set(field, value ?? '')}
              error={fields[field.key]}
            />
          ) : (
            <NumberInput
              key={field.key}
              label={say(field.label)}
              suffix={` ${unitOf(field.kind)}`}
              placeholder={field.solved ? 'work this out' : ''}
              value={values[field.key] ?? ''}
              onChange={(value) => set(field, value)}
              error={fields[field.key]}
            />
          ),
        )}
      </div>
      <Button type="submit" size="lg" loading={work.isPending}>
        Work it out
      </Button>
      {work.isError && Object.keys(fields).length === 0 && <Trouble error={work.error} />}
      {work.data && (
        <dl className={css.worked} aria-label="Result">
          {work.data.map((result) => (
            <div key={say(result.label) + result.kind}>
              <dt>{say(result.label)}</dt>
              <dd>
                <b>
                  {round(result.value * factor(result))} {unitOf(result.kind)}
                </b>
                <span className="quiet">{say(result.working)}</span>
              </dd>
            </div>
          ))}
        </dl>
      )}
    </form>
  );
}

/** A form begun with the sheet's numbers; of the fields to be worked out, the first stays open. */
function begin(form: Form, sheet: Sheet | undefined, factor: (field: Field) => number) {
  const open = form.fields.find((field) => field.solved)?.key;
  const values: Record<string, number | string> = {};
  for (const field of form.fields) {
    const known = fromSheet(sheet, field.key);
    if (field.kind === null) {
      values[field.key] = field.picks.some((pick) => pick.value === known)
        ? String(known)
        : (field.picks[0]?.value ?? '');
    } else if (field.key !== open && typeof known === 'number') {
      values[field.key] = round(known * factor(field));
    }
  }
  return values;
}

/** Three figures that matter, more for large numbers. */
const round = (value: number) => Number(Math.abs(value) >= 1000 ? value.toFixed(0) : value.toPrecision(3));
