import { Button, NumberInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { newId } from '../../shared/newId';
import { dayWithYear } from '../../shared/time';
import { useTypedUnits } from '../../shared/units';
import { Line } from '../../shared/words/useSay';
import css from './face.module.css';
import { eyeQueries } from './queries';

/** The card beside the bead: to print, how to lay it, and how large it came out of the printer. */
export function CardPanel() {
  const card = useQuery(eyeQueries.card());
  return (
    <section className="panel stack" aria-label="The card">
      <h2>The card</h2>
      <ol>
        <li>Print it at its own size: “fit to page” makes it smaller. Glue it on stiff board.</li>
        <li>Measure the printed bar with a rule, and say here what it is.</li>
        <li>
          Lay the long one flat on the plate beside the bead, of a fillet on the lower plate. Hold the small
          one's window over a section, pressed flush.
        </li>
        <li>Camera straight above, light from the side, no thumb on a marker.</li>
      </ol>
      <div className="row">
        <Button component="a" href="/api/eye/cards.pdf" target="_blank" variant="default" size="lg">
          Print, A4
        </Button>
        <Button
          component="a"
          href="/api/eye/cards.pdf?letter=true"
          target="_blank"
          variant="default"
          size="lg"
        >
          Print, Letter
        </Button>
      </div>
      <Loaded of={asLoading(card)} what="how large the card is">
        {({ barMm, notedAt }) => <Bar key={notedAt} barMm={barMm} notedAt={notedAt} />}
      </Loaded>
    </section>
  );
}

function Bar({ barMm, notedAt }: { barMm: number; notedAt: string | null }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState<number | string | null>(null);
  const [id, setId] = useState(newId);
  const { per, unit } = useTypedUnits(typed !== null);
  const note = useMutation({
    mutationFn: (bar: number) =>
      answer(api.PUT('/api/eye/card/{id}', { params: { path: { id } }, body: { barMm: bar } })),
    onSuccess: () => queries.invalidateQueries(eyeQueries.card()),
  });
  const value = typed ?? Number((barMm * per('length')).toFixed(4));
  return (
    <form
      className={css.bar}
      onSubmit={(event) => {
        event.preventDefault();
        note.mutate(Number(value) / per('length'));
      }}
    >
      <NumberInput
        label={`The bar of ${unit('length') === 'in' ? '3.937 in' : '100 mm'} measures`}
        description={notedAt ? `Measured on ${dayWithYear(notedAt)}` : 'Nobody has measured it yet'}
        suffix={` ${unit('length')}`}
        min={0}
        value={value}
        error={note.error && <Line error={note.error} otherwise="This could not be kept." />}
        onChange={(next) => {
          setTyped(next);
          // What is typed anew is another word than the one that was sent.
          setId(newId());
        }}
      />
      <Button
        type="submit"
        variant="default"
        size="lg"
        disabled={typed === null && notedAt !== null}
        loading={note.isPending}
      >
        Keep it
      </Button>
    </form>
  );
}
