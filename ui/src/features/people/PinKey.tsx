import { Button } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { tellTrouble } from '../../shared/notices';
import css from './account.module.css';

/** A PIN for a student, by which they say at a booth's tablet who they are. */
export function PinKey({ person }: { person: Schemas['Person'] }) {
  const make = useMutation({
    mutationFn: () => answer(api.POST('/api/people/{id}/pin', { params: { path: { id: person.id } } })),
    onError: tellTrouble,
  });
  return (
    <>
      {make.data && (
        <div role="status">
          <p>Give this PIN to {person.name}, for the booths’ tablets. It is shown this once.</p>
          <p className={css.code}>{make.data.pin}</p>
        </div>
      )}
      <Button variant="default" loading={make.isPending} onClick={() => make.mutate()}>
        {make.data ? 'Another PIN' : 'A PIN for the booth'}
      </Button>
    </>
  );
}
