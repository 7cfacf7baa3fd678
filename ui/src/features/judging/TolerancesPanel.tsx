import { Button, NumberInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { tellDone } from '../../shared/notices';
import { answer, api, type Schemas } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { useTypedUnits } from '../../shared/units';
import { useIds } from '../../shared/useIds';
import { fieldsOf, useSay } from '../../shared/words/useSay';
import { judgingQueries } from './queries';
import css from './judging.module.css';
import { LoadTrouble } from '../../shared/Loaded';

const rows = [
  ['undercutMm', 'Undercut, at most'],
  ['crownMm', 'Crown, at most'],
  ['unequalLegsMm', 'Legs apart, at most'],
  ['largestPoreMm', 'A pore, at most'],
  ['pores', 'Pores on a bead'],
  ['travelPercent', 'Travel off the sheet'],
] as const;

/** The room's own tolerances for practice beads. */
export function TolerancesPanel() {
  const say = useSay();
  const queries = useQueryClient();
  const stands = useQuery(judgingQueries.tolerances());
  const form = useForm<Record<string, number | string>>({
    initialValues: {},
    validate: (values) =>
      Object.fromEntries(
        rows.filter(([field]) => values[field] === '').map(([field]) => [field, 'A number.']),
      ),
  });
  const typed = form.isDirty();
  const { per, unit, units } = useTypedUnits(typed);
  const scale = (field: string) => (field.endsWith('Mm') ? per('length') : 1);
  const suffix = (field: string) =>
    field.endsWith('Mm') ? ` ${unit('length')}` : field === 'travelPercent' ? ' %' : '';
  const { data } = stands;
  useEffect(() => {
    if (!data || typed) return;
    const shown = rows.map(([field]) => [field, Number((data[field] * scale(field)).toFixed(3))]);
    form.setInitialValues(Object.fromEntries(shown));
    form.reset();
    // The form follows what stands on the server, and the person's units, until something is typed.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [data, units]);
  const { idOf, taken } = useIds();
  const save = useMutation({
    mutationFn: (values: Record<string, number | string>) =>
      answer(
        api.PUT('/api/judging/tolerances/{id}', {
          params: { path: { id: idOf(values) } },
          body: Object.fromEntries(
            // What was not touched is sent as it stands, not as its rounded text.
            rows.map(([field]) => [
              field,
              data && !form.isDirty(field) ? data[field] : Number(values[field]) / scale(field),
            ]),
          ) as unknown as Schemas['PracticeTolerances'],
        }),
      ),
    onSuccess: (set, values) => {
      taken();
      form.resetDirty(values);
      queries.setQueryData(judgingQueries.tolerances().queryKey, set);
      tellDone('Practice beads are measured by these from now on.');
    },
    onError: (error) => form.setErrors(fieldsOf(error, say)),
  });
  return (
    <form
      className="panel stack"
      aria-label="Practice tolerances"
      onSubmit={form.onSubmit((values) => save.mutate(values))}
    >
      <h2>Practice tolerances</h2>
      <LoadTrouble of={stands} what="the tolerances" />
      <p className="quiet">The room’s own limits, for sheets given out as practice. They qualify nobody.</p>
      <div className={css.tolerances}>
        {rows.map(([field, label]) => (
          <NumberInput key={field} label={label} suffix={suffix(field)} {...form.getInputProps(field)} />
        ))}
      </div>
      {save.isError && Object.keys(form.errors).length === 0 && <Trouble error={save.error} />}
      <Button type="submit" variant="default" loading={save.isPending}>
        Measure by these
      </Button>
    </form>
  );
}
