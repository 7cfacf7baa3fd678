import { Button, Switch, useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, Outlet, useParams } from 'react-router';
import { LearnedPanel } from '../features/judging/LearnedPanel';
import { TolerancesPanel } from '../features/judging/TolerancesPanel';
import { StandInsPanel } from '../features/listening/StandInsPanel';
import { NetworkPanel } from '../features/network/NetworkPanel';
import { RunningPanel } from '../features/running/RunningPanel';
import { HandChoice } from '../features/people/HandChoice';
import { SignalWays } from '../features/signals/SignalWays';
import { AccountPanel } from '../features/people/AccountPanel';
import { OwnAccount } from '../features/people/OwnAccount';
import { OwnPin } from '../features/people/OwnPin';
import { peopleQueries } from '../features/people/queries';
import { TrailList } from '../features/people/TrailList';
import { WayOfSettingPanel } from '../features/people/WayOfSettingPanel';
import { TabletsPanel } from '../features/tablets/TabletsPanel';
import { Choice } from '../shared/Choice';
import { asLoading, Loaded } from '../shared/Loaded';
import { Heading } from '../shared/page/Page';
import { useTitle } from '../shared/page/useTitle';
import page from '../shared/page/page.module.css';
import { Tabs } from '../shared/page/Tabs';
import { useMe, useSetUnits } from '../shared/useMe';
import { useSingleKeysOn } from '../shared/useSingleKeys';
import css from './lists.module.css';

const forInstructors = [
  { to: '/settings', label: 'How you set', end: true },
  { to: '/settings/tolerances', label: 'Tolerances' },
  { to: '/settings/learned', label: 'What the room has taught' },
  { to: '/settings/devices', label: 'Stand-in devices' },
  { to: '/settings/people', label: 'People' },
  { to: '/settings/rooms', label: 'Rooms' },
  { to: '/settings/network', label: 'Shop network' },
  { to: '/settings/tablets', label: 'Tablets' },
  { to: '/settings/keeping', label: 'Keeping' },
  { to: '/settings/trail', label: 'Who did what' },
  { to: '/settings/running', label: 'How it runs' },
  { to: '/settings/account', label: 'Account' },
  { to: '/settings/screen', label: 'This screen' },
];

const forStudents = [
  { to: '/settings', label: 'This screen', end: true },
  { to: '/settings/account', label: 'Account' },
  { to: '/settings/record', label: 'What is kept of you' },
];

/** What is set once: ways of setting, tolerances, devices, people, and this screen. */
export function SettingsFrame() {
  const instructor = useMe().data?.role === 'instructor';
  useTitle('Settings');
  return (
    <>
      <div className={page.head}>
        <Heading>Settings</Heading>
      </div>
      <Tabs name="Settings" tabs={instructor ? forInstructors : forStudents} />
      <Outlet />
    </>
  );
}

export const WayOfSettingPage = () => (
  <div className={css.narrow}>
    <WayOfSettingPanel />
  </div>
);

export const TolerancesPage = () => (
  <div className={css.narrow}>
    <TolerancesPanel />
  </div>
);

export const LearnedPage = () => (
  <div className={css.narrow}>
    <LearnedPanel />
  </div>
);

export const DevicesPage = () => (
  <div className={css.narrow}>
    <StandInsPanel />
  </div>
);

export function AccountPage() {
  const student = useMe().data?.role === 'student';
  return (
    <div className={`stack ${css.narrow}`}>
      {student && <OwnPin />}
      <OwnAccount />
    </div>
  );
}

export const TrailPage = () => (
  <div className={css.narrow}>
    <TrailList />
  </div>
);

export const NetworkPage = () => (
  <div className={css.narrow}>
    <NetworkPanel />
  </div>
);

export const RunningPage = () => (
  <div className={css.narrow}>
    <RunningPanel />
  </div>
);

export const TabletsPage = () => (
  <div className={`stack ${css.narrow}`}>
    <TabletsPanel />
  </div>
);

/** Who teaches here; students have a page of their own. */
export function PeoplePage() {
  const [off, setOff] = useState(false);
  const instructors = asLoading(useQuery(peopleQueries.instructors(off)));
  return (
    <section className={`panel stack ${css.narrow}`} aria-label="Instructors">
      <h2>Instructors</h2>
      <Switch
        label="Those who are switched off"
        checked={off}
        onChange={(event) => setOff(event.currentTarget.checked)}
      />
      <Loaded of={instructors} what="the instructors">
        {({ items }) => (
          <ul className="plain-list">
            {items.length === 0 && <li className="quiet">Nobody is switched off.</li>}
            {items.map((instructor) => (
              <li key={instructor.id}>
                <Link to={`/settings/people/${instructor.id}`}>{instructor.name}</Link>
              </li>
            ))}
          </ul>
        )}
      </Loaded>
      <p className="quiet">A test weld needs two of them: one who seals it, one who looks again.</p>
      <div className="row">
        <Button component={Link} to="/students/add" variant="default">
          Add a student or an instructor
        </Button>
      </div>
    </section>
  );
}

/** One instructor's account. */
export function PersonPage() {
  const { personId = '' } = useParams();
  return (
    <div className={css.narrow}>
      <AccountPanel key={personId} personId={personId} />
    </div>
  );
}

const units = { metric: 'Metric', inch: 'Inch' };
const lights = { light: 'Light', dark: 'Dark', auto: 'As the device' };

/** How this screen reads and listens. */
export function ScreenPage() {
  const me = useMe().data;
  const setUnits = useSetUnits();
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  const shown = useComputedColorScheme('light');
  const [single, setSingle] = useSingleKeysOn();
  if (!me) return null;
  return (
    <section className={`panel stack ${css.narrow}`} aria-label="This screen">
      <h2>This screen</h2>
      <Choice title="Units" words={units} value={me.units} onChange={(to) => to && setUnits.mutate(to)} />
      <Choice
        title={`Light: now ${shown}`}
        words={lights}
        value={colorScheme}
        onChange={(to) => to && setColorScheme(to)}
      />
      <Switch
        label="Single keys act: T, C, U, D, digits for booths. Ctrl K and Ctrl Enter always do."
        checked={single}
        onChange={(event) => setSingle(event.currentTarget.checked)}
      />
      <SignalWays />
      {me.role === 'student' && (
        <HandChoice studentId={me.id} title="You hold the torch in" hand={me.hand ?? null} />
      )}
    </section>
  );
}
