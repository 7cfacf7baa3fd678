import { Button, Switch, TextInput } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { useState } from 'react';
import { Link } from 'react-router';
import { peopleQueries } from '../features/people/queries';
import { Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { usePages } from '../shared/usePages';
import { VirtualList } from '../shared/VirtualList';
import css from './lists.module.css';

export const studentTabs = [
  { to: '/students', label: 'All', end: true },
  { to: '/students/agreement', label: 'How often you agree' },
  { to: '/students/add', label: 'Add' },
  { to: '/students/list', label: 'From a list' },
];

/** Everybody who learns here, found by any part of the name. */
export function StudentsPage() {
  const [called, setCalled] = useState('');
  const [sought] = useDebouncedValue(called.trim(), 150);
  const [off, setOff] = useState(false);
  const students = usePages(peopleQueries.students(sought, off));
  return (
    <Page title="Students" aside={<Tabs name="Students" tabs={studentTabs} />}>
      <section className="panel stack" aria-label="Students">
        <TextInput
          label="Find by name"
          placeholder="any part of it"
          maxLength={80}
          value={called}
          onChange={(event) => setCalled(event.currentTarget.value)}
        />
        <Switch
          label="Those who are switched off"
          checked={off}
          onChange={(event) => setOff(event.currentTarget.checked)}
        />
        <Loaded of={students} what="the students">
          {(items) =>
            items.length === 0 ? (
              <Nobody sought={sought} off={off} />
            ) : (
              <VirtualList
                name="Students by name"
                what="students"
                items={items}
                keyOf={(student) => student.id}
                more={students.more}
                coming={students.coming}
                height={52}
              >
                {(student) => (
                  <Link to={`/students/${student.id}`} className={css.row}>
                    {student.name}
                  </Link>
                )}
              </VirtualList>
            )
          }
        </Loaded>
      </section>
    </Page>
  );
}

const Nobody = ({ sought, off }: { sought: string; off: boolean }) => (
  <div className="empty">
    <p>
      {sought
        ? `No student’s name holds “${sought}”.`
        : off
          ? 'Nobody is switched off.'
          : 'Nobody learns here yet.'}
    </p>
    <Button component={Link} to="/students/add" size="lg" variant={sought ? 'default' : 'filled'}>
      Add a student
    </Button>
  </div>
);
