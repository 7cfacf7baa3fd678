import { Switch } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { newId } from '../../shared/newId';
import { dayWithYear } from '../../shared/time';
import { Line } from '../../shared/words/useSay';
import { eyeQueries } from './queries';

/** Whether one's own pictures of beads may teach the eye elsewhere too: theirs to say, and to take back. */
export function PictureLeave() {
  const leave = useQuery(eyeQueries.leave());
  const queries = useQueryClient();
  const say = useMutation({
    mutationFn: (given: boolean) =>
      answer(api.PUT('/api/eye/leave/{id}', { params: { path: { id: newId() } }, body: { given } })),
    onSuccess: () => queries.invalidateQueries(eyeQueries.leave()),
  });
  return (
    <section className="panel stack" aria-label="Pictures that teach">
      <h2>Pictures that teach</h2>
      <Loaded of={asLoading(leave)} what="what you said of your pictures">
        {({ given, saidAt }) => (
          <>
            <Switch
              size="lg"
              label="My pictures of beads may teach the eye"
              checked={say.isPending ? say.variables : given}
              disabled={say.isPending}
              onChange={(event) => say.mutate(event.currentTarget.checked)}
            />
            <p className="quiet">
              Pictures your instructor has measured may then be given away with their marks, without your
              name, without day or place. What was given away before cannot be called back.
              {saidAt && ` Said on ${dayWithYear(saidAt)}.`}
            </p>
            {say.error && (
              <p className="field-error" role="alert">
                <Line error={say.error} otherwise="This could not be kept." />
              </p>
            )}
          </>
        )}
      </Loaded>
    </section>
  );
}
