import { Button, TextInput } from '@mantine/core';
import { answer, api } from '../../shared/api/client';
import { today } from '../../shared/time';
import { useEntry } from '../../shared/useEntry';
import { Line } from '../../shared/words/useSay';
import css from './booths.module.css';

/** Opens today's session, under the name of the one before until another is typed. */
export default function StartSession({ title }: { title: string }) {
  const { form, pending, submit, trouble } = useEntry({ title }, (body, id) =>
    answer(api.PUT('/api/sessions/{id}', { params: { path: { id } }, body: { ...body, heldOn: today() } })),
  );
  return (
    <form className={css.startSession} onSubmit={submit}>
      <TextInput
        aria-label="Session"
        placeholder="What is on tonight?"
        {...form.getInputProps('title')}
        error={form.errors.title ?? (trouble && <Line error={trouble} />)}
      />
      <Button type="submit" loading={pending}>
        Start today's session
      </Button>
    </form>
  );
}
