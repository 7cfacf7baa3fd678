import { useForm } from '@mantine/form';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Refused } from './api/client';
import { newId } from './newId';
import { formFieldsOf, useSay } from './words/useSay';

/**
 * A form that adds one thing: it sends under the same id until the thing is taken, puts refusals at their fields,
 * and begins afresh afterwards. What no field can show is left in trouble.
 */
export function useEntry<V extends Record<string, unknown>, R>(
  initialValues: V,
  send: (values: V, id: string) => Promise<R>,
  onTaken?: (result: R) => void,
) {
  const queries = useQueryClient();
  const speak = useSay();
  const [id, setId] = useState(newId);
  const form = useForm<V>({ initialValues });
  const sending = useMutation({
    mutationFn: (values: V) => send(values, id),
    onSuccess: async (result) => {
      setId(newId());
      form.reset();
      onTaken?.(result);
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
    onError: async (refused) => {
      form.setErrors(formFieldsOf(refused, speak));
      if (!(refused instanceof Refused) || refused.status !== 409) return;
      // An earlier try was saved, its answer lost, and something changed since: that is told, shown, and what is here is another one.
      setId(newId());
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
  });
  return {
    form,
    pending: sending.isPending,
    submit: form.onSubmit((values) => sending.mutate(values)),
    trouble: sending.isError && Object.keys(form.errors).length === 0 ? sending.error : null,
  };
}

/** Puts what was refused of the one thing in a list at the fields of a form that has only that one. */
export const ofTheOne = (list: string) => (refused: unknown) => {
  if (!(refused instanceof Refused)) throw refused;
  const first = `${list}[0].`;
  throw new Refused(
    refused.status,
    refused.said,
    refused.problems.map(({ field, said }) => ({
      field: field.startsWith(first) ? field.slice(first.length) : field,
      said,
    })),
  );
};
