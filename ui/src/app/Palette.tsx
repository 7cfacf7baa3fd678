import '@mantine/spotlight/styles.layer.css';
import { useDebouncedValue } from '@mantine/hooks';
import { Spotlight, spotlight, type SpotlightActionData } from '@mantine/spotlight';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { searchQueries } from '../features/search/queries';
import { type Recent, recentOf, remember } from '../features/search/recent';
import { sessionQueries } from '../features/sessions/queries';
import type { Schemas } from '../shared/api/client';
import { commonPages, instructorNav, instructorPages, studentNav, studentPages } from './nav';
import type { Commands } from './useCommands';

interface Place extends Recent {
  description?: string | undefined;
}

/** Goes to anything by any part of its name: people, machines, booths, pages, commands; where one was last stands first. */
export default function Palette(props: { me: Schemas['Person']; called: number; commands: Commands }) {
  const { me, called } = props;
  const navigate = useNavigate();
  const [sought, setSought] = useState('');
  const places = usePlaces(me, sought);
  useEffect(() => spotlight.open(), [called]);
  const recent = recentOf(me.id).map((one) => places.find((place) => place.id === one.id) ?? one);
  const others = places.filter((place) => !recent.some((one) => one.id === place.id));
  const go = (place: Place): SpotlightActionData => ({
    id: place.id,
    label: place.label,
    ...(place.description === undefined ? {} : { description: place.description }),
    onClick: () => {
      remember(me.id, { id: place.id, label: place.label, to: place.to });
      void navigate(place.to);
    },
  });
  return (
    <Spotlight
      shortcut={null}
      query={sought}
      onQueryChange={setSought}
      searchProps={{
        placeholder: me.role === 'instructor' ? 'Booth, person, machine, page or command' : 'Page or command',
        'aria-label': 'Go to',
      }}
      nothingFound="Nothing by that name"
      scrollable
      limit={40}
      actions={[...[...recent, ...others].map(go), ...commandsOf(me, props.commands)]}
    />
  );
}

/** Everything that has an address, and may be gone to by who is signed in. */
function usePlaces(me: Schemas['Person'], sought: string): Place[] {
  const instructor = me.role === 'instructor';
  const [called] = useDebouncedValue(sought.trim(), 120);
  const booths = useQuery({ ...sessionQueries.now(), enabled: instructor }).data?.booths ?? [];
  const found = useQuery({ ...searchQueries.found(called), enabled: instructor && called !== '' }).data;
  const pages = instructor
    ? [...instructorNav, ...instructorPages, ...commonPages]
    : [...studentNav, ...studentPages, ...commonPages];
  return [
    ...pages.map(({ to, label }) => ({ id: to, label, to })),
    ...booths.flatMap(({ id, number, student }) => [
      {
        id: `bench-${id}`,
        label: `Booth ${number}: bench`,
        description: student?.name,
        to: `/booths/${id}/bench`,
      },
      { id: `sheet-${id}`, label: `Booth ${number}: sheet`, description: student?.name, to: `/booths/${id}` },
    ]),
    ...(found?.people ?? []).map(({ id, name, role }) =>
      role === 'student'
        ? { id, label: `${name}: rack`, description: 'Student', to: `/students/${id}` }
        : { id, label: name, description: 'Instructor', to: '/settings/people' },
    ),
    ...(found?.machines ?? []).map(({ id, name, boothNumber }) => ({
      id,
      label: name,
      description: `Machine of booth ${boothNumber}`,
      to: `/machines/${id}`,
    })),
  ];
}

const commandsOf = (me: Schemas['Person'], commands: Commands): SpotlightActionData[] => [
  {
    id: 'units',
    label: me.units === 'inch' ? 'Read in metric' : 'Read in inches',
    onClick: commands.toggleUnits,
  },
  { id: 'light', label: commands.dark ? 'Light screen' : 'Dark screen', onClick: commands.toggleLight },
  { id: 'calculators', label: 'Calculators', onClick: commands.openCalculators },
  { id: 'keys', label: 'Keys', onClick: commands.openHelp },
  { id: 'out', label: 'Sign out', onClick: commands.leave },
];
