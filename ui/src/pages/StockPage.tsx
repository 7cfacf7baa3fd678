import { Button, NumberInput, Select } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { courseTabs } from './CoursesPage';
import { planQueries } from '../features/planning/queries';
import { answer, api, type Schemas } from '../shared/api/client';
import { asLoading, Loaded, LoadTrouble } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { tellDone } from '../shared/notices';
import { Trouble } from '../shared/Trouble';
import { useEntry } from '../shared/useEntry';
import { useStock } from '../shared/useStock';
import { useUnits } from '../shared/units';
import { gases, metals } from '../shared/words';
import { useSay } from '../shared/words/useSay';

/** What there is to weld with: bars, plates and offcuts, spools and bottles. What nobody counted holds no plan back. */
export function StockPage() {
  const stock = useQuery(planQueries.stock());
  const [noted, setNoted] = useState(0);
  return (
    <Page title="Stock" aside={<Tabs name="Courses" tabs={courseTabs} />}>
      <Loaded of={asLoading(stock)} what="the stock">
        {(data) => <StockForm key={noted} stock={data} onNoted={() => setNoted(noted + 1)} />}
      </Loaded>
    </Page>
  );
}

const wireKinds: Record<Schemas['WireKind'], string> = {
  solidSteel: 'solid steel',
  stainless: 'stainless',
  aluminium: 'aluminium',
  selfShielded: 'self-shielded',
  gasShielded: 'gas-shielded',
};

type AtHand = Schemas['AtHand'];
type Bar = Schemas['StockPiece'];

function StockForm(props: { stock: Schemas['StockAtHand']; onNoted: () => void }) {
  // As it was opened: what somebody else counts meanwhile takes nothing that is typed here, and is told when this is noted.
  const [{ edition, atHand }] = useState(props.stock);
  const queries = useQueryClient();
  const { form, submit, pending, trouble } = useEntry(
    { atHand },
    async ({ atHand: counted }, id) => {
      await answer(api.PUT('/api/stock', { body: { id, edition, atHand: counted } }));
      await queries.invalidateQueries({ queryKey: planQueries.stock().queryKey });
    },
    () => {
      tellDone('The stock is noted.');
      props.onNoted();
    },
  );
  const set = (part: Partial<AtHand>) => form.setFieldValue('atHand', { ...form.values.atHand, ...part });
  const counted = form.values.atHand;
  return (
    <form className="stack" onSubmit={submit}>
      <p className="quiet">
        A plan takes no more than what is counted here. Where nothing is counted, it is not held back.
      </p>
      <Bars
        bars={counted.bars}
        errorAt={(field) => form.errors[field] as string | undefined}
        onChange={(bars) => set({ bars })}
      />
      <div className="two-columns even">
        <Spools spools={counted.spools} onChange={(spools) => set({ spools })} />
        <Bottles bottles={counted.bottles} onChange={(bottles) => set({ bottles })} />
      </div>
      {trouble && <Trouble error={trouble} />}
      <div className="row">
        <Button type="submit" loading={pending} disabled={!form.isDirty()}>
          Note the stock
        </Button>
      </div>
    </form>
  );
}

const newBar: Bar = {
  kind: { metal: 'mildSteel', form: 'flatBar', thicknessMm: 3, widthMm: 50 },
  longMm: 3000,
  wideMm: 50,
  count: 1,
};

function Bars(props: {
  bars: Bar[] | null;
  errorAt: (field: string) => string | undefined;
  onChange: (bars: Bar[] | null) => void;
}) {
  const { bars, errorAt, onChange } = props;
  const say = useSay();
  const { units } = useUnits();
  const per = units === 'inch' ? 25.4 : 1;
  const unit = units === 'inch' ? 'in' : 'mm';
  const change = (at: number, to: Bar) => onChange((bars ?? []).map((bar, i) => (i === at ? to : bar)));
  const length = (label: string, value: number, error: string | undefined, put: (mm: number) => void) => (
    <NumberInput
      label={`${label}, ${unit}`}
      w={120}
      decimalScale={per === 1 ? 1 : 3}
      value={value / per}
      error={error}
      onChange={(next) => typeof next === 'number' && put(next * per)}
    />
  );
  return (
    <section className="panel stack" aria-label="Bars and plates">
      <h2>Bars, plates and offcuts</h2>
      {(bars ?? []).map((bar, at) => (
        <div key={at} className="naming" role="group" aria-label={`Line ${at + 1}`}>
          <NumberInput
            label="How many"
            w={110}
            min={0}
            max={1000}
            allowDecimal={false}
            value={bar.count}
            error={errorAt(`atHand.bars.${at}.count`)}
            onChange={(count) => typeof count === 'number' && change(at, { ...bar, count })}
          />
          <Select
            label="What"
            w={140}
            allowDeselect={false}
            value={bar.kind.form}
            data={[
              { value: 'flatBar', label: 'Flat bar' },
              { value: 'plate', label: 'Plate or sheet' },
            ]}
            onChange={(form) =>
              change(at, {
                ...bar,
                kind: {
                  ...bar.kind,
                  form: form as Bar['kind']['form'],
                  widthMm: form === 'plate' ? null : bar.wideMm,
                },
              })
            }
          />
          <Select
            label="Metal"
            w={170}
            allowDeselect={false}
            value={bar.kind.metal}
            data={Object.entries(metals).map(([value, label]) => ({ value, label: say(label) }))}
            onChange={(metal) =>
              change(at, { ...bar, kind: { ...bar.kind, metal: metal as Bar['kind']['metal'] } })
            }
          />
          {length(
            'Thick',
            bar.kind.thicknessMm,
            errorAt(`atHand.bars.${at}.kind.thicknessMm`),
            (thicknessMm) => change(at, { ...bar, kind: { ...bar.kind, thicknessMm } }),
          )}
          {length('Wide', bar.wideMm, errorAt(`atHand.bars.${at}.wideMm`), (wideMm) =>
            change(at, {
              ...bar,
              wideMm,
              kind: { ...bar.kind, widthMm: bar.kind.form === 'plate' ? null : wideMm },
            }),
          )}
          {length('Long', bar.longMm, errorAt(`atHand.bars.${at}.longMm`), (longMm) =>
            change(at, { ...bar, longMm }),
          )}
          <Button
            variant="default"
            aria-label={`Take out, line ${at + 1}`}
            onClick={() => onChange((bars ?? []).filter((_, i) => i !== at))}
          >
            Take out
          </Button>
        </div>
      ))}
      <div className="row">
        <Button variant="default" onClick={() => onChange([...(bars ?? []), bars?.at(-1) ?? newBar])}>
          Add bars or plates
        </Button>
        {bars !== null && (
          <Button variant="default" onClick={() => onChange(null)}>
            Not counted
          </Button>
        )}
      </div>
    </section>
  );
}

function Spools(props: {
  spools: Record<string, number> | null;
  onChange: (of: Record<string, number> | null) => void;
}) {
  const stock = useStock();
  const say = useSay();
  return (
    <>
      <LoadTrouble of={stock} what="the wires" />
      <Counted
        title="Spools, those on machines too"
        counted={props.spools}
        names={Object.fromEntries(
          (stock.data?.wires ?? []).map(({ wire, name, kind }) => [wire, `${say(name)} ${wireKinds[kind]}`]),
        )}
        onChange={props.onChange}
      />
    </>
  );
}

function Bottles(props: {
  bottles: Record<string, number> | null;
  onChange: (of: Record<string, number> | null) => void;
}) {
  const say = useSay();
  const named = Object.entries(gases).filter(([gas]) => gas !== 'none');
  return (
    <Counted
      title="Bottles, those at machines too"
      counted={props.bottles}
      names={Object.fromEntries(named.map(([gas, name]) => [gas, say(name)]))}
      onChange={props.onChange}
    />
  );
}

function Counted(props: {
  title: string;
  counted: Record<string, number> | null;
  names: Record<string, string>;
  onChange: (of: Record<string, number> | null) => void;
}) {
  const { title, counted, names, onChange } = props;
  return (
    <section className="panel stack" aria-label={title}>
      <h2>{title}</h2>
      {Object.entries(counted ?? {}).map(([key, count]) => (
        <div key={key} className="naming">
          <NumberInput
            label={names[key] ?? key}
            w={240}
            min={0}
            max={1000}
            allowDecimal={false}
            value={count}
            onChange={(next) => typeof next === 'number' && onChange({ ...counted, [key]: next })}
          />
        </div>
      ))}
      <Select
        label="Add one"
        placeholder="Choose"
        searchable
        value={null}
        data={Object.entries(names)
          .filter(([key]) => counted?.[key] === undefined)
          .map(([value, label]) => ({ value, label }))}
        onChange={(key) => key && onChange({ ...counted, [key]: 1 })}
      />
      {counted !== null && (
        <Button variant="default" onClick={() => onChange(null)}>
          Not counted
        </Button>
      )}
    </section>
  );
}
