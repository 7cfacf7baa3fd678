import { Button, CloseButton, NumberInput, Select, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded, LoadTrouble } from '../../shared/Loaded';
import { tellDone } from '../../shared/notices';
import { Trouble } from '../../shared/Trouble';
import { useIds } from '../../shared/useIds';
import { useStock } from '../../shared/useStock';
import { gases, wireName } from '../../shared/words';
import { useBulk } from './bulk';
import css from './costs.module.css';
import { costQueries } from './queries';

type Edition = Schemas['PriceEdition'];

const parts: Record<Schemas['Part'], string> = {
  tip: 'Contact tip',
  nozzle: 'Nozzle',
  diffuser: 'Diffuser',
  liner: 'Liner',
  rolls: 'Drive rolls',
  tungsten: 'Tungsten',
};

/** One price: of a wire, a gas or a part, by what it is bought in. */
interface Line {
  kind: 'wire' | 'gas' | 'part';
  of: string;
  price: number | '';
}

/** What things cost, as the school buys them. */
export function PricesForm() {
  const prices = useQuery(costQueries.prices());
  return (
    <section className="panel stack" aria-label="Prices">
      <h2>Prices</h2>
      <Loaded of={asLoading(prices)} what="the prices">
        {(now) => <Form key={now.edition} now={now} />}
      </Loaded>
    </section>
  );
}

function Form({ now }: { now: Edition }) {
  const { per } = useBulk();
  const { idOf, taken } = useIds();
  const queries = useQueryClient();
  // As they were opened: a change of units in the middle of typing changes no number.
  const [scales] = useState({ wire: per('wire'), gas: per('gas'), part: [1, 'each'] as const });
  const form = useForm({ initialValues: { currency: now.prices.currency, lines: linesOf(now, scales) } });
  const save = useMutation({
    mutationFn: (prices: Schemas['PriceList']) =>
      answer(
        api.PUT('/api/costs/prices', {
          body: { id: idOf([now.edition, prices]), edition: now.edition, prices },
        }),
      ),
    onSuccess: async () => {
      taken();
      tellDone('The prices are noted.');
      await queries.invalidateQueries({ queryKey: ['room', 'costs'] });
    },
  });
  const { lines } = form.values;
  const unpriced = lines.findIndex(({ price }) => price === '');
  return (
    <form
      className="stack"
      aria-label="Note prices"
      onSubmit={form.onSubmit(({ currency, lines: typed }) => save.mutate(listOf(currency, typed, scales)))}
    >
      <TextInput
        label="Currency"
        description="What stands behind each price, such as EUR"
        maxLength={8}
        w={160}
        {...form.getInputProps('currency')}
      />
      <ul className={css.prices}>
        {lines.map((line, at) => (
          <li key={`${line.kind} ${line.of}`}>
            <NumberInput
              label={nameOf(line)}
              suffix={line.kind === 'part' ? ' each' : ` / ${scales[line.kind][1]}`}
              min={0}
              max={100_000}
              {...form.getInputProps(`lines.${at}.price`)}
            />
            <CloseButton
              aria-label={`Take out: ${nameOf(line)}`}
              onClick={() => form.removeListItem('lines', at)}
            />
          </li>
        ))}
      </ul>
      <AddLine lines={lines} onAdd={(line) => form.insertListItem('lines', line)} />
      {save.isError && <Trouble error={save.error} />}
      <div className="row">
        <Button type="submit" loading={save.isPending} disabled={!form.isDirty() || unpriced >= 0}>
          Note the prices
        </Button>
      </div>
    </form>
  );
}

/** What has no price yet, to choose from. */
function AddLine({ lines, onAdd }: { lines: Line[]; onAdd: (line: Line) => void }) {
  const shelf = useStock();
  const stock = shelf.data;
  const open = (kind: Line['kind'], all: string[]) =>
    all
      .filter((of) => !lines.some((line) => line.kind === kind && line.of === of))
      .map((of) => ({ value: `${kind} ${of}`, label: nameOf({ kind, of }) }));
  return (
    <>
      <LoadTrouble of={shelf} what="wires and gases" />
      <Select
        label="A price for"
        placeholder="a wire, a gas, a part"
        searchable
        w={280}
        value={null}
        data={[
          {
            group: 'Wires',
            items: open(
              'wire',
              (stock?.wires ?? []).map(({ wire }) => wire),
            ),
          },
          {
            group: 'Gases',
            items: open(
              'gas',
              Object.keys(gases).filter((gas) => gas !== 'none'),
            ),
          },
          { group: 'Parts', items: open('part', Object.keys(parts)) },
        ]}
        onChange={(chosen) => {
          const [kind, of] = (chosen ?? '').split(' ');
          if (kind && of) onAdd({ kind: kind as Line['kind'], of, price: '' });
        }}
      />
    </>
  );
}

const nameOf = ({ kind, of }: { kind: Line['kind']; of: string }) =>
  kind === 'wire'
    ? wireName(of as Schemas['Wire'])
    : kind === 'gas'
      ? gases[of as Schemas['Gas']]
      : parts[of as Schemas['Part']];

type Scales = Record<Line['kind'], readonly [number, string]>;
const cents = 1e4;
const rounded = (price: number) => Math.round(price * cents) / cents;

const linesOf = ({ prices }: Edition, scales: Scales): Line[] => [
  ...prices.wires.map(({ wire, perKg }) => line('wire', wire, perKg / scales.wire[0])),
  ...prices.gases.map(({ gas, perM3 }) => line('gas', gas, perM3 / scales.gas[0])),
  ...prices.parts.map(({ part, each }) => line('part', part, each)),
];
const line = (kind: Line['kind'], of: string, price: number): Line => ({ kind, of, price: rounded(price) });

const listOf = (currency: string, lines: Line[], scales: Scales): Schemas['PriceList'] => {
  const of = (kind: Line['kind']) =>
    lines
      .filter((one) => one.kind === kind)
      .map((one) => ({ of: one.of, price: Number(one.price) * scales[kind][0] }));
  return {
    currency,
    wires: of('wire').map((one) => ({ wire: one.of as Schemas['Wire'], perKg: one.price })),
    gases: of('gas').map((one) => ({ gas: one.of as Schemas['Gas'], perM3: one.price })),
    parts: of('part').map((one) => ({ part: one.of as Schemas['Part'], each: one.price })),
  };
};
