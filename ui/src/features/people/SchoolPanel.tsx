import { Select } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { tellTrouble } from '../../shared/notices';
import { schools } from '../../shared/words';

/** The school of thought this instructor sets by; every sheet says where the others differ. */
export function SchoolPanel() {
  const queries = useQueryClient();
  const school = useQuery({ queryKey: ['school'], queryFn: () => answer(api.GET('/api/people/me/school')) });
  const save = useMutation({
    mutationFn: (chosen: Schemas['School']) => answer(api.PUT('/api/people/me/school', { body: chosen })),
    onMutate: (chosen) => queries.setQueryData(['school'], chosen),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['room'] }),
    onError: (error) => {
      tellTrouble(error);
      void queries.invalidateQueries({ queryKey: ['school'] });
    },
  });
  const { data } = school;
  return (
    <section className="panel stack" aria-label="How you set">
      <h2>How you set</h2>
      <p className="quiet">Your sheets follow this, and say where other schools differ and by how much.</p>
      {data &&
        (Object.keys(schools) as (keyof typeof schools)[]).map((part) => (
          <Select
            key={part}
            label={schools[part].title}
            size="md"
            allowDeselect={false}
            data={Object.entries(schools[part].words).map(([value, label]) => ({ value, label }))}
            value={data[part]}
            onChange={(value) => value && save.mutate({ ...data, [part]: value })}
          />
        ))}
    </section>
  );
}
