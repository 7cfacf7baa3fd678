import { Select } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { tellTrouble } from '../../shared/notices';
import { waysOfSetting } from '../../shared/words';
import { peopleQueries } from './queries';
import { LoadTrouble } from '../../shared/Loaded';

/** The way this instructor sets; every sheet says where the other ways differ. */
export function WayOfSettingPanel() {
  const queries = useQueryClient();
  const way = useQuery(peopleQueries.wayOfSetting());
  const save = useMutation({
    mutationFn: (chosen: Schemas['WayOfSetting']) =>
      answer(api.PUT('/api/people/me/way-of-setting', { body: chosen })),
    onMutate: (chosen) => queries.setQueryData(peopleQueries.wayOfSetting().queryKey, chosen),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['room'] }),
    onError: (error) => {
      tellTrouble(error);
      void queries.invalidateQueries({ queryKey: peopleQueries.wayOfSetting().queryKey });
    },
  });
  const { data } = way;
  return (
    <section className="panel stack" aria-label="How you set">
      <h2>How you set</h2>
      <LoadTrouble of={way} what="how you set" />
      <p className="quiet">
        Your sheets follow this, and say where other ways of setting differ and by how much.
      </p>
      {data &&
        (Object.keys(waysOfSetting) as (keyof typeof waysOfSetting)[]).map((part) => (
          <Select
            key={part}
            label={waysOfSetting[part].title}
            data={Object.entries(waysOfSetting[part].words).map(([value, label]) => ({ value, label }))}
            value={data[part] ?? null}
            onChange={(value) => value && save.mutate({ ...data, [part]: value })}
          />
        ))}
    </section>
  );
}
