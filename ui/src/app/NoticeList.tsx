import '@mantine/notifications/styles.layer.css';
import { Notifications } from '@mantine/notifications';

/** The notices themselves; fetched with the first of them. */
export default function NoticeList() {
  return <Notifications position="top-center" />;
}
