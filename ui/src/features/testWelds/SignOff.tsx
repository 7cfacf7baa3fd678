import { Button, TextInput } from '@mantine/core';
import { answer, api, type Schemas } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';

/** Signs what the coupons came to. */
export function SignOff({ view }: { view: Schemas['TestWeldView'] }) {
  const { form, pending, submit, trouble } = useEntry({ note: '' }, (body, signOffId) =>
    answer(
      api.PUT('/api/test-welds/{id}/sign-off/{signOffId}', {
        params: { path: { id: view.id, signOffId } },
        body,
      }),
    ),
  );
  return (
    <form className="panel stack" aria-label="Sign off" onSubmit={submit}>
      <h2>{view.state.passed ? 'Every coupon passed' : 'Not every coupon passed'}</h2>
      <TextInput label="Remark" size="lg" maxLength={500} {...form.getInputProps('note')} />
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" size="xl" loading={pending}>
        Sign: {view.state.passed ? 'passed' : 'not passed'}
      </Button>
    </form>
  );
}
