import { Button, Modal, Table, useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { useDisclosure, useHotkeys } from '@mantine/hooks';
import { Spotlight, type SpotlightActionData, spotlight } from '@mantine/spotlight';
import { IconCalculator, IconCommand, IconMoon, IconSun } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import { Link, Outlet, useLocation, useNavigate } from 'react-router';
import { Calculators } from '../features/calculators/Calculators';
import { SheetAtHand } from '../features/calculators/sheetAtHand';
import { useSetUnits, useSignOut } from '../shared/useMe';
import { useStudents } from '../features/people/useStudents';
import { useNow } from '../features/sessions/useBench';
import type { Schemas } from '../shared/api/client';
import { useLive } from '../shared/live';
import { Guard } from './Guard';
import './shell.css';

const keys = [
  ['?', 'These keys'],
  ['Ctrl K', 'Go to anything by name'],
  ['T', "Today's session"],
  ['1 to 9', 'Bench of that booth'],
  ['Shift 1 to 9', 'Sheet of that booth'],
  ['Ctrl Enter', 'Judge the bead'],
  ['C', 'Calculators, filled in from the sheet on screen'],
  ['← → ↓ ↑', 'Practice room: wire and volts'],
  ['U', 'Inch or metric'],
  ['D', 'Light or dark'],
] as const;

/** The frame around every screen: name, units, light, keys, palette, line to the server. */
export function Shell({ me }: { me: Schemas['Person'] }) {
  const live = useLive();
  const navigate = useNavigate();
  const setUnits = useSetUnits();
  const signOut = useSignOut();
  const { toggleColorScheme } = useMantineColorScheme();
  const dark = useComputedColorScheme('light') === 'dark';
  const [help, { open: openHelp, close: closeHelp }] = useDisclosure(false);
  const [calculating, { open: openCalculators, close: closeCalculators }] = useDisclosure(false);
  // A new page begins at its top.
  const { pathname } = useLocation();
  useEffect(() => {
    window.scrollTo({ top: 0 });
  }, [pathname]);
  const toggleUnits = () => setUnits.mutate(me.units === 'inch' ? 'metric' : 'inch');
  const leave = () => signOut.mutate(undefined, { onSuccess: () => navigate('/') });
  useHotkeys([
    ['shift+?', openHelp],
    ['t', () => navigate('/')],
    ['c', openCalculators],
    ['u', toggleUnits],
    ['d', toggleColorScheme],
  ]);
  const common: SpotlightActionData[] = [
    { id: 'units', label: me.units === 'inch' ? 'Read in metric' : 'Read in inches', onClick: toggleUnits },
    { id: 'light', label: dark ? 'Light screen' : 'Dark screen', onClick: toggleColorScheme },
    { id: 'calculators', label: 'Calculators', onClick: openCalculators },
    { id: 'kept', label: 'Kept settings', onClick: () => navigate('/kept') },
    { id: 'drills', label: 'Practice room: drills', onClick: () => navigate('/practice') },
    { id: 'arc', label: 'Practice room: arc bench', onClick: () => navigate('/practice/arc') },
    { id: 'keys', label: 'Keys', onClick: openHelp },
    { id: 'out', label: 'Sign out', onClick: leave },
  ];
  return (
    <div className="shell">
      <header className="top">
        <Link to="/" className="brand">
          <img src="/bead.svg" alt="" width={32} height={32} />
          Gentle Bead
        </Link>
        <nav>
          <Link to="/">{me.role === 'instructor' ? 'Session' : 'My work'}</Link>
          {me.role === 'instructor' && <Link to="/shop">Shop</Link>}
          <Link to="/kept">Kept</Link>
          <Link to="/practice">Practice</Link>
        </nav>
        <span className="spacer" />
        <Button variant="subtle" leftSection={<IconCommand size={18} />} onClick={spotlight.open}>
          Go to
        </Button>
        <Button variant="subtle" onClick={openCalculators} aria-label="Calculators">
          <IconCalculator size={20} />
        </Button>
        <Button variant="subtle" onClick={toggleUnits} aria-label={`Units: ${me.units}`}>
          {me.units === 'inch' ? 'inch' : 'metric'}
        </Button>
        <Button
          variant="subtle"
          onClick={toggleColorScheme}
          aria-label={dark ? 'Light screen' : 'Dark screen'}
        >
          {dark ? <IconSun size={20} /> : <IconMoon size={20} />}
        </Button>
        <Button variant="subtle" onClick={openHelp} aria-label="Keys">
          ?
        </Button>
        <Button variant="default" onClick={leave} loading={signOut.isPending}>
          Sign out
        </Button>
      </header>
      {!live && (
        <p className="offline" role="status">
          The line to the server is down. What you see may be old; it catches up by itself.
        </p>
      )}
      {me.role === 'instructor' ? <InstructorPalette common={common} /> : <Spotlight actions={common} />}
      <SheetAtHand>
        <main>
          <Guard path={pathname}>
            <Outlet />
          </Guard>
        </main>
        <Calculators opened={calculating} onClose={closeCalculators} />
      </SheetAtHand>
      <Modal opened={help} onClose={closeHelp} title="Keys" size="md">
        <Table>
          <Table.Tbody>
            {keys.map(([key, does]) => (
              <Table.Tr key={key}>
                <Table.Td>
                  <kbd>{key}</kbd>
                </Table.Td>
                <Table.Td>{does}</Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Modal>
    </div>
  );
}

/** Booths and students by name, and a digit for each booth. */
function InstructorPalette({ common }: { common: SpotlightActionData[] }) {
  const navigate = useNavigate();
  const booths = useNow().data?.booths ?? [];
  const [sought, setSought] = useState('');
  const standing = booths.flatMap((booth) => booth.student ?? []);
  const found = useStudents(sought).filter((one) => !standing.some((other) => other.id === one.id));
  // By the key's place: with shift a digit key writes another sign on every layout.
  const digit = (prefix: string, path: (id: string) => string) =>
    booths
      .filter((booth) => booth.number < 10)
      .map(
        (booth) =>
          [`${prefix}Digit${booth.number}`, () => navigate(path(booth.id)), { usePhysicalKeys: true }] as [
            string,
            () => void,
            { usePhysicalKeys: boolean },
          ],
      );
  useHotkeys([...digit('', (id) => `/booths/${id}/bench`), ...digit('shift+', (id) => `/booths/${id}`)]);
  return (
    <Spotlight
      query={sought}
      onQueryChange={setSought}
      searchProps={{ placeholder: 'Booth, student or command' }}
      nothingFound="Nothing by that name"
      scrollable
      actions={[
        { id: 'session', label: "Today's session", onClick: () => navigate('/') },
        {
          id: 'sessions',
          label: 'Sessions: change a day, plan another',
          onClick: () => navigate('/sessions'),
        },
        ...booths.flatMap((booth) => [
          {
            id: `bench-${booth.id}`,
            label: `Booth ${booth.number}: bench`,
            description: booth.student?.name,
            onClick: () => navigate(`/booths/${booth.id}/bench`),
          },
          {
            id: `sheet-${booth.id}`,
            label: `Booth ${booth.number}: sheet`,
            description: booth.student?.name,
            onClick: () => navigate(`/booths/${booth.id}`),
          },
        ]),
        ...[...standing, ...found].map((student) => ({
          id: student.id,
          label: `${student.name}: rack`,
          onClick: () => navigate(`/students/${student.id}`),
        })),
        { id: 'shop', label: 'Shop: machines and students', onClick: () => navigate('/shop') },
        ...common,
      ]}
    />
  );
}
