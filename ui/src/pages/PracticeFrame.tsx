import type { ReactNode } from 'react';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { useMe } from '../shared/useMe';

/** The parts of the practice room. */
export function PracticeFrame({ part, children }: { part: string; children: ReactNode }) {
  const me = useMe().data;
  const tabs = [
    { to: '/practice', label: 'Drills', end: true },
    { to: '/practice/arc', label: 'Arc bench' },
    { to: '/practice/scores', label: me?.role === 'instructor' ? 'Scores' : 'My scores' },
  ];
  return (
    <Page
      title={`Practice room: ${part}`}
      heading="Practice room"
      aside={<Tabs name="Practice room" tabs={tabs} />}
    >
      {children}
    </Page>
  );
}
