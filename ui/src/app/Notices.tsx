import { useWindowEvent } from '@mantine/hooks';
import { lazy, Suspense, useEffect, useState } from 'react';
import { noticeCalled } from '../shared/notices';

const list = () => import('./NoticeList');
const NoticeList = lazy(list);

// When a page has long come to rest, ms: what tells of a lost network must not have to be fetched over it.
const atRest = 5_000;

/** Where notices appear, once there is one. */
export function Notices() {
  const [called, setCalled] = useState(false);
  useWindowEvent(noticeCalled, () => setCalled(true));
  useEffect(() => {
    const wait = setTimeout(() => void list().catch(() => undefined), atRest);
    return () => clearTimeout(wait);
  }, []);
  return <Suspense>{called && <NoticeList />}</Suspense>;
}
