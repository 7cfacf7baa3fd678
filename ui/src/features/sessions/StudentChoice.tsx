import { Select } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useStudents } from '../people/useStudents';

const nobody = 'nobody';

/** An open list of students: those at no booth, and whoever is found by name. */
export default function StudentChoice(props: {
  label: string;
  /** Whether somebody stands there who may leave. */
  free: boolean;
  waiting: Schemas['PersonName'][];
  onChoose: (id: string | null) => void;
  onClose: () => void;
}) {
  const { waiting } = props;
  const [sought, setSought] = useState('');
  const found = useStudents(sought);
  const people = [...waiting, ...found.filter((one) => !waiting.some((other) => other.id === one.id))];
  const options = people.map((person) => ({ value: person.id, label: person.name }));
  return (
    <Select
      aria-label={props.label}
      size="lg"
      autoFocus
      defaultDropdownOpened
      searchable
      searchValue={sought}
      onSearchChange={setSought}
      placeholder="Type a name"
      nothingFoundMessage={sought ? 'No student by that name' : 'Type a name to find a student'}
      data={props.free ? [{ value: nobody, label: 'Nobody' }, ...options] : options}
      value={null}
      onChange={(id) => id && props.onChoose(id === nobody ? null : id)}
      onDropdownClose={props.onClose}
    />
  );
}
