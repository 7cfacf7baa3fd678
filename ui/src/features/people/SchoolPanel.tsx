import { Button, Select, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded, LoadTrouble } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { tellDone } from '../../shared/notices';
import { Trouble } from '../../shared/Trouble';
import { fieldsOf, useSay } from '../../shared/words/useSay';
import { peopleQueries } from './queries';

/** The school's name, and the clock on its wall. */
export function SchoolPanel() {
  const school = useQuery(peopleQueries.school());
  return (
    <section className="panel stack" aria-label="School">
      <h2>School</h2>
      <Loaded of={asLoading(school)} what="the school">
        {(data) => <SchoolForm key={`${data.name} ${data.timeZone}`} school={data} />}
      </Loaded>
    </section>
  );
}

function SchoolForm({ school }: { school: Schemas['School'] }) {
  const queries = useQueryClient();
  const speak = useSay();
  const zones = useQuery(peopleQueries.timeZones());
  const form = useForm({ initialValues: school });
  const save = useMutation({
    mutationFn: (body: Schemas['School']) => answer(api.PUT('/api/school', { body })),
    onSuccess: async () => {
      tellDone('The school is changed.');
      await queries.invalidateQueries({ queryKey: inRoom() });
    },
    onError: (refused) => form.setErrors(fieldsOf(refused, speak)),
  });
  const names = zones.data ?? [];
  return (
    <form className="stack" onSubmit={form.onSubmit((body) => save.mutate(body))}>
      <TextInput label="Name" maxLength={80} {...form.getInputProps('name')} />
      <Select
        label="Time zone"
        description="The clock on the wall: days and hours of sessions go by it. Sessions that are there keep their moment."
        searchable
        allowDeselect={false}
        limit={60}
        data={names.includes(school.timeZone) ? names : [school.timeZone, ...names]}
        {...form.getInputProps('timeZone')}
      />
      <LoadTrouble of={zones} what="the time zones" />
      {save.isError && Object.keys(form.errors).length === 0 && <Trouble error={save.error} />}
      <div className="row">
        <Button type="submit" variant="default" loading={save.isPending}>
          Save
        </Button>
      </div>
    </form>
  );
}
