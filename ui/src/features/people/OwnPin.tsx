import { Button, PasswordInput } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { tellDone } from '../../shared/notices';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';
import { peopleQueries } from './queries';

/** One's own PIN for the booths' tablets. */
export function OwnPin() {
  const pin = asLoading(useQuery(peopleQueries.pin()));
  const queries = useQueryClient();
  const { form, pending, submit, trouble } = useEntry(
    { pin: '' },
    (body) => answer(api.PUT('/api/people/me/pin', { body })),
    () => {
      tellDone('The PIN stands.');
      void queries.invalidateQueries({ queryKey: peopleQueries.pin().queryKey });
    },
  );
  return (
    <section className="panel stack" aria-label="Your PIN">
      <h2>Your PIN</h2>
      <Loaded of={pin} what="whether you have a PIN">
        {({ isSet }) => (
          <p className="quiet">
            {isSet ? 'You have one.' : 'You have none yet.'} By it you say at a booth’s tablet that it is you;
            it opens nothing else.
          </p>
        )}
      </Loaded>
      <form className="stack" aria-label="Another PIN" onSubmit={submit}>
        <PasswordInput
          label="New PIN"
          description="4 to 6 figures"
          inputMode="numeric"
          autoComplete="off"
          {...form.getInputProps('pin')}
        />
        {trouble && <Trouble error={trouble} />}
        <Button type="submit" loading={pending}>
          Set the PIN
        </Button>
      </form>
    </section>
  );
}
