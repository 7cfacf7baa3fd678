import { Button, Checkbox, Select, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { newId } from '../../shared/newId';
import { later } from '../sessions/weeks';
import { today } from '../../shared/time';
import { Trouble } from '../../shared/Trouble';
import { useMe } from '../../shared/useMe';
import { toolWords, weekdays } from '../../shared/words';
import { formFieldsOf, useSay } from '../../shared/words/useSay';
import { peopleQueries } from '../people/queries';
import { roomQueries } from '../rooms/queries';
import { asTyped } from '../sessions/hours';

type Values = Schemas['NewCourse'];
const days = Object.entries(weekdays).map(([value, label]) => ({ value, label }));

// Ten weeks: what an evening course often lasts. Common practice, no source.
const usualDays = 7 * 10 - 1;

const empty = (me: string, roomId: string): Values => ({
  name: '',
  roomId,
  firstDay: today(),
  lastDay: later(today(), usualDays),
  hours: [{ day: 'tuesday', begins: '18:00', ends: '21:00' }],
  instructorIds: [me],
  toolWord: 'afterOwn',
});

const of = (course: Schemas['Course']): Values => ({
  name: course.name,
  roomId: course.roomId,
  firstDay: course.firstDay,
  lastDay: course.lastDay,
  hours: course.hours.map((one) => ({ ...one, begins: asTyped(one.begins), ends: asTyped(one.ends) })),
  instructorIds: course.instructors.map(({ id }) => id),
  toolWord: course.toolWord,
});

/** A course to make, or another shape for one that is there. */
export function CourseForm(props: { course?: Schemas['Course']; onDone: (id: string) => void }) {
  const { onDone } = props;
  // As it was opened: what somebody else changes meanwhile takes nothing that is typed here, and is told when this is saved.
  const [course] = useState(props.course);
  const me = useMe().data;
  const rooms = useQuery(roomQueries.list());
  const instructors = useQuery(peopleQueries.instructors());
  return (
    <>
      <LoadTrouble of={rooms} what="the rooms" />
      <LoadTrouble of={instructors} what="the instructors" />
      {me && rooms.data && instructors.data && (
        <Form
          {...(course && { course })}
          begin={course ? of(course) : empty(me.id, rooms.data[0]?.id ?? '')}
          rooms={rooms.data}
          instructors={instructors.data.items}
          onDone={onDone}
        />
      )}
    </>
  );
}

function Form(props: {
  course?: Schemas['Course'];
  begin: Values;
  rooms: Schemas['SchoolRoom'][];
  instructors: Schemas['PersonName'][];
  onDone: (id: string) => void;
}) {
  const { course } = props;
  const form = useForm<Values>({ initialValues: props.begin });
  const save = useSave(form, course, props.onDone);
  return (
    <form
      className="panel stack"
      aria-label={course ? 'Change the course' : 'New course'}
      onSubmit={form.onSubmit((values) => save.mutate(values))}
    >
      <TextInput label="Name" maxLength={80} {...form.getInputProps('name')} />
      <Select
        label="Room"
        allowDeselect={false}
        data={props.rooms.map(({ id, name }) => ({ value: id, label: name }))}
        {...form.getInputProps('roomId')}
      />
      <div className="form-grid">
        <TextInput type="date" label="First day" {...form.getInputProps('firstDay')} />
        <TextInput type="date" label="Last day" {...form.getInputProps('lastDay')} />
      </div>
      <HoursList form={form} />
      <Checkbox.Group label="Who teaches it" {...form.getInputProps('instructorIds')}>
        <div className="row">
          {props.instructors.map(({ id, name }) => (
            <Checkbox key={id} value={id} label={name} />
          ))}
        </div>
      </Checkbox.Group>
      <Select
        label="A bead of a student’s own"
        description="When they are shown what the tool says of it."
        allowDeselect={false}
        data={Object.entries(toolWords).map(([value, label]) => ({ value, label }))}
        {...form.getInputProps('toolWord')}
      />
      {save.isError && Object.keys(form.errors).length === 0 && <Trouble error={save.error} />}
      <Button type="submit" size="lg" loading={save.isPending}>
        {course ? 'Save' : 'Make the course'}
      </Button>
    </form>
  );
}

function useSave(
  form: ReturnType<typeof useForm<Values>>,
  course: Schemas['Course'] | undefined,
  onDone: (id: string) => void,
) {
  const queries = useQueryClient();
  const speak = useSay();
  const [id] = useState(() => course?.id ?? newId());
  return useMutation({
    mutationFn: (body: Values) =>
      course
        ? answer(
            api.PUT('/api/courses/{id}/details', {
              params: { path: { id } },
              body: { course: body, version: course.version },
            }),
          )
        : answer(api.PUT('/api/courses/{id}', { params: { path: { id } }, body })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: inRoom() });
      onDone(id);
    },
    onError: (refused) => form.setErrors(formFieldsOf(refused, speak)),
  });
}

function HoursList({ form }: { form: ReturnType<typeof useForm<Values>> }) {
  const { hours } = form.values;
  return (
    <div role="group" aria-label="Days and hours" className="stack">
      <h2>Days and hours</h2>
      {hours.length === 0 && <p className="quiet">None: its sessions are added one by one.</p>}
      {hours.map((_, place) => (
        <div key={place} className="naming" role="group" aria-label={`Time ${place + 1}`}>
          <Select
            label="Day"
            w={150}
            allowDeselect={false}
            data={days}
            {...form.getInputProps(`hours.${place}.day`)}
          />
          <TextInput type="time" label="Begins" {...form.getInputProps(`hours.${place}.begins`)} />
          <TextInput type="time" label="Ends" {...form.getInputProps(`hours.${place}.ends`)} />
          <Button variant="default" onClick={() => form.removeListItem('hours', place)}>
            Take out
          </Button>
        </div>
      ))}
      <div>
        <Button
          variant="default"
          onClick={() =>
            form.insertListItem('hours', hours.at(-1) ?? { day: 'tuesday', begins: '18:00', ends: '21:00' })
          }
        >
          Another time
        </Button>
      </div>
    </div>
  );
}
