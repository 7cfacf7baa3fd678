import { Button } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { IconCalculator, IconCommand, IconMoon, IconSun } from '@tabler/icons-react';
import { type CSSProperties, lazy, Suspense } from 'react';
import { Link, useLocation } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { instructorNav, studentNav } from './nav';
import css from './shell.module.css';
import type { Commands } from './useCommands';

const Folded = lazy(() => import('./Folded'));

// A booth belongs to today, a student's parts to their work, a session to its course, a bead and a test weld to whoever laid them.
const under: Record<string, string> = {
  booths: '/',
  sessions: '/courses',
  course: '/',
  bead: '/',
  sheet: '/',
  checks: '/',
  tests: '/',
  rack: '/',
  beads: '/students',
  'test-welds': '/students',
};

const isAt = (to: string, pathname: string) => {
  const first = pathname.split('/')[1] ?? '';
  return (under[first] ?? `/${first}`) === to;
};

/** The head of every page: where one can go, and what can be done from anywhere. */
export function Top(props: { me: Schemas['Person']; commands: Commands; onGoTo: () => void }) {
  const { me, commands } = props;
  const { pathname } = useLocation();
  const wide = useMediaQuery('(min-width: 1100px)', true, { getInitialValueInEffect: false });
  const ways = me.role === 'instructor' ? instructorNav : studentNav;
  const rest = <Rest me={me} commands={commands} wide={wide} />;
  return (
    <header className={css.top}>
      <Link to="/" className={css.brand} aria-label="Gentle Bead, to the start">
        <img src="/bead.svg" alt="" width={32} height={32} />
        <span>Gentle Bead</span>
      </Link>
      <nav
        className={css.nav}
        aria-label="Main"
        data-many={ways.length > 4}
        style={{ '--ways': ways.length } as CSSProperties}
      >
        {ways.map(({ to, label }) => (
          <Link key={to} to={to} aria-current={isAt(to, pathname) ? 'page' : undefined}>
            {label}
          </Link>
        ))}
      </nav>
      <div className={css.keys}>
        <Button
          variant="subtle"
          className={css.quick}
          leftSection={<IconCommand size={18} aria-hidden="true" />}
          onClick={props.onGoTo}
        >
          Go to
        </Button>
        <Button
          variant="subtle"
          className={css.quick}
          onClick={commands.openCalculators}
          aria-label="Calculators"
        >
          <IconCalculator size={20} aria-hidden="true" />
        </Button>
        <Suspense>{wide ? rest : <Folded>{rest}</Folded>}</Suspense>
      </div>
    </header>
  );
}

function Rest({ me, commands, wide }: { me: Schemas['Person']; commands: Commands; wide: boolean }) {
  const light = commands.dark ? 'Light screen' : 'Dark screen';
  const picture = commands.dark ? (
    <IconSun size={20} aria-hidden="true" />
  ) : (
    <IconMoon size={20} aria-hidden="true" />
  );
  const variant = wide ? 'subtle' : 'default';
  return (
    <>
      <Button
        variant={variant}
        className={css.quick}
        onClick={commands.toggleUnits}
        aria-label={`Units: ${me.units}`}
      >
        {me.units === 'inch' ? 'inch' : 'metric'}
      </Button>
      <Button variant={variant} className={css.quick} onClick={commands.toggleLight} aria-label={light}>
        {wide ? picture : light}
      </Button>
      <Button variant={variant} className={css.quick} onClick={commands.openHelp} aria-label="Keys">
        {wide ? '?' : 'Keys'}
      </Button>
      <Button variant="default" onClick={commands.leave} loading={commands.leaving}>
        Sign out
      </Button>
    </>
  );
}
