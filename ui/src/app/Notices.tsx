import '@mantine/notifications/styles.layer.css';
import { Notifications } from '@mantine/notifications';

/** Where notices appear; fetched after the page that is waited for. */
export default function Notices() {
  return <Notifications position="top-center" />;
}
