import { useCallback, useMemo } from 'react';
import { Refused } from '../api/client';
import { useMe } from '../useMe';
import { accented } from './accented';
import { say, type Said } from './say';

// Set by whoever wants to see which words on a screen come from the server; the browser tests do.
const words = window.localStorage.getItem('sentences') === 'accented' ? accented : undefined;

/** Writes the server's sentences in the units of whoever is signed in. */
export function useSay() {
  const units = useMe().data?.units ?? 'metric';
  return useCallback((said: Said | string | null | undefined) => say(said, units, words), [units]);
}

/** A sentence of the server's, in the reader's units. */
export function Says({ said }: { said: Said | string | null | undefined }) {
  return <>{useSay()(said)}</>;
}

/** What was wrong with a request, field by field; empty where it was not refused for its fields. */
export function useFields(error: unknown): Record<string, string> {
  const speak = useSay();
  return useMemo(() => fieldsOf(error, speak), [error, speak]);
}

/** The same outside of drawing: where a form is told what was wrong. */
export function fieldsOf(error: unknown, speak: ReturnType<typeof useSay>): Record<string, string> {
  if (!(error instanceof Refused)) return {};
  const fields: Record<string, string> = {};
  for (const { field, said } of error.problems) {
    fields[field] = fields[field] ? `${fields[field]} ${speak(said)}` : speak(said);
  }
  return fields;
}

/** The same by a form's own names: hours[0].ends of a request is hours.0.ends of a form. */
export const formFieldsOf = (error: unknown, speak: ReturnType<typeof useSay>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(fieldsOf(error, speak)).map(([field, said]) => [field.replace(/\[(\d+)\]/g, '.$1'), said]),
  );

/** Everything that was wrong in one line, for places without a field of their own. */
export function useLine(error: unknown, otherwise = 'Something went wrong on this page.'): string {
  const speak = useSay();
  if (!(error instanceof Refused)) return otherwise;
  return Object.values(fieldsOf(error, speak)).join(' ') || speak(error.said);
}

/** The same as an element. */
export function Line({ error, otherwise }: { error: unknown; otherwise?: string }) {
  return <>{useLine(error, otherwise)}</>;
}
