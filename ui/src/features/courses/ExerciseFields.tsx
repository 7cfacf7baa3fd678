import { Button, Checkbox, NumberInput, Select, Textarea, TextInput } from '@mantine/core';
import { type UseFormReturnType } from '@mantine/form';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { proofs, stockForms } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { testWeldQueries } from '../testWelds/queries';
import { PieceFields } from './PieceFields';
import type { Draft } from './exerciseDraft';

type Form = UseFormReturnType<Draft>;

const listOf = (words: Record<string, string>) =>
  Object.entries(words).map(([value, label]) => ({ value, label }));

/** Everything of an exercise but its job. */
export function ExerciseFields({ form, others }: { form: Form; others: Schemas['ListedExercise'][] }) {
  return (
    <>
      <TextInput label="Name" maxLength={60} {...form.getInputProps('name')} />
      <Textarea
        label="How it is done, and what to watch"
        autosize
        minRows={2}
        maxLength={600}
        {...form.getInputProps('how')}
      />
      <TextInput
        label="What can hurt"
        description="Beyond what every sheet says. May be left empty."
        maxLength={300}
        {...form.getInputProps('caution')}
      />
      <DoneFields form={form} />
      <CouponFields form={form} />
      <Before form={form} others={others} />
    </>
  );
}

function DoneFields({ form }: { form: Form }) {
  const criteria = useQuery(testWeldQueries.criteria());
  const say = useSay();
  const byBeads = form.values.proof === 'beads' || form.values.proof === 'section';
  return (
    <div className="stack" role="group" aria-label="Done">
      <h2>Done with</h2>
      <Select label="Shown by" allowDeselect={false} data={listOf(proofs)} {...form.getInputProps('proof')} />
      <LoadTrouble of={criteria} what="the criteria" />
      <Select
        label="Judged by"
        allowDeselect={false}
        data={(criteria.data ?? []).map(({ set, name }) => ({ value: set, label: say(name) }))}
        {...form.getInputProps('criteria')}
      />
      {byBeads && (
        <>
          <div className="form-grid">
            <NumberInput label="Right beads" min={1} max={20} {...form.getInputProps('done.right')} />
            <NumberInput
              label="Of so many one after the other"
              min={1}
              max={40}
              {...form.getInputProps('done.outOf')}
            />
          </div>
          <Checkbox
            label="And once more on another evening"
            {...form.getInputProps('done.onceMore', { type: 'checkbox' })}
          />
        </>
      )}
    </div>
  );
}

function CouponFields({ form }: { form: Form }) {
  return (
    <div className="stack" role="group" aria-label="Coupon">
      <h2>Coupon</h2>
      {form.values.pieces.map((_, place) => (
        <PieceFields key={place} form={form} place={place} forms={listOf(stockForms)} />
      ))}
      <div>
        <Button
          variant="default"
          onClick={() =>
            form.insertListItem(
              'pieces',
              form.values.pieces.at(-1) ?? {
                form: 'flatBar',
                thicknessMm: 3.175,
                widthMm: 50,
                longMm: 150,
                count: 1,
              },
            )
          }
        >
          Another piece
        </Button>
      </div>
      <div className="form-grid">
        <NumberInput label="Beads a coupon takes" min={1} max={40} {...form.getInputProps('beadsACoupon')} />
        <NumberInput
          label="Minutes a bead"
          description="with everything around it"
          min={0.5}
          max={60}
          step={0.5}
          {...form.getInputProps('minutesABead')}
        />
      </div>
    </div>
  );
}

function Before({ form, others }: { form: Form; others: Schemas['ListedExercise'][] }) {
  const on = form.values.before;
  const free = others.filter(({ id, retired }) => !retired && !on.includes(id));
  return (
    <div className="stack" role="group" aria-label="What comes before it">
      <h2>What comes before it</h2>
      {on.map((id) => (
        <div key={id} className="row">
          <span>{others.find((one) => one.id === id)?.name}</span>
          <Button
            variant="default"
            aria-label={`Take out ${others.find((one) => one.id === id)?.name}`}
            onClick={() =>
              form.setFieldValue(
                'before',
                on.filter((one) => one !== id),
              )
            }
          >
            Take out
          </Button>
        </div>
      ))}
      <Select
        aria-label="Another that comes before it"
        placeholder="Type a part of its name"
        searchable
        value={null}
        error={form.errors.before}
        data={free.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(id) => id && form.setFieldValue('before', [...on, id])}
      />
    </div>
  );
}
