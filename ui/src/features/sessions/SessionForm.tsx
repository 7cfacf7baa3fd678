import { Button, Select, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { tellDone } from '../../shared/notices';
import { Trouble } from '../../shared/Trouble';
import { fieldsOf, useSay } from '../../shared/words/useSay';
import { roomQueries } from '../rooms/queries';
import { asTyped } from './hours';

/** Another name, day, hours or room for a session. */
export function SessionForm(props: { session: Schemas['Session']; onDone: () => void }) {
  const { onDone } = props;
  // As it was opened: what somebody else changes meanwhile is told when this is saved, and not written over unseen.
  const [session] = useState(props.session);
  const queries = useQueryClient();
  const speak = useSay();
  const rooms = useQuery(roomQueries.list());
  const form = useForm({
    initialValues: {
      title: session.title,
      heldOn: session.heldOn,
      begins: asTyped(session.begins),
      ends: asTyped(session.ends),
      roomId: session.roomId,
    },
    validate: {
      begins: (value) => (value ? null : 'When does it begin?'),
      ends: (value) => (value ? null : 'When does it end?'),
    },
  });
  const change = useMutation({
    mutationFn: (body: typeof form.values) =>
      answer(
        api.PUT('/api/sessions/{id}/details', {
          params: { path: { id: session.id } },
          body: { ...body, version: session.version },
        }),
      ),
    onSuccess: async () => {
      tellDone('The session is changed.');
      onDone();
      await queries.invalidateQueries({ queryKey: inRoom() });
    },
    onError: (refused) => form.setErrors(fieldsOf(refused, speak)),
  });
  return (
    <form
      className="stack"
      aria-label="Change the session"
      onSubmit={form.onSubmit((body) => change.mutate(body))}
    >
      <TextInput label="Title" maxLength={80} {...form.getInputProps('title')} />
      <HoursFields form={form} />
      <LoadTrouble of={rooms} what="the rooms" />
      {(rooms.data?.length ?? 0) > 1 && (
        <Select
          label="Room"
          description="In another room nobody has a booth yet."
          allowDeselect={false}
          data={rooms.data?.map(({ id, name }) => ({ value: id, label: name })) ?? []}
          {...form.getInputProps('roomId')}
        />
      )}
      {change.isError && Object.keys(form.errors).length === 0 && <Trouble error={change.error} />}
      <div className="row">
        <Button type="submit" loading={change.isPending}>
          Save
        </Button>
        <Button variant="default" onClick={onDone}>
          Back
        </Button>
      </div>
    </form>
  );
}

/** Day and hours, of any form that has them. */
export function HoursFields({ form }: { form: { getInputProps: (field: string) => object } }) {
  return (
    <div className="form-grid">
      <TextInput type="date" label="Day" {...form.getInputProps('heldOn')} />
      <TextInput type="time" label="Begins" {...form.getInputProps('begins')} />
      <TextInput type="time" label="Ends" {...form.getInputProps('ends')} />
    </div>
  );
}
