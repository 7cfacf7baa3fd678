import { Button, Textarea } from '@mantine/core';
import { answer, api } from '../../shared/api/client';
import { useEntry } from '../../shared/useEntry';
import { Line } from '../../shared/words/useSay';

/** Adds an amendment to a record. */
export function Amend({ testId }: { testId: string }) {
  const { form, pending, submit, trouble } = useEntry({ text: '' }, (body, amendmentId) =>
    answer(
      api.PUT('/api/test-welds/{id}/amendments/{amendmentId}', {
        params: { path: { id: testId, amendmentId } },
        body,
      }),
    ),
  );
  return (
    <form className="stack" aria-label="Amend" onSubmit={submit}>
      <Textarea
        label="Amendment"
        placeholder="What has to be added or put right; it never changes what stands"
        autosize
        maxLength={500}
        {...form.getInputProps('text')}
        error={form.errors.text ?? (trouble && <Line error={trouble} />)}
      />
      <Button type="submit" variant="default" disabled={form.values.text.trim() === ''} loading={pending}>
        Add amendment
      </Button>
    </form>
  );
}
