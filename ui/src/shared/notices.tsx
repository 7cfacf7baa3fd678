import { Button, Group } from '@mantine/core';
import type { NotificationData } from '@mantine/notifications';
import { Line } from './words/useSay';

type Store = typeof import('@mantine/notifications').notifications;

/** What calls up the place where notices appear. */
export const noticeCalled = 'gentle-bead:notice';

// Most pages never say anything here: the code comes with the first notice.
async function show(notice: (store: Store) => NotificationData) {
  window.dispatchEvent(new Event(noticeCalled));
  const { notifications } = await import('@mantine/notifications');
  notifications.show({ closeButtonProps: { 'aria-label': 'Close this notice' }, ...notice(notifications) });
}

/** Says what was done, with a way back for a while. */
export const offerUndo = (id: string, message: string, undo: () => void) =>
  void show((store) => ({
    id,
    autoClose: 15_000,
    message: (
      <Group justify="space-between">
        {message}
        <Button
          variant="default"
          onClick={() => {
            store.hide(id);
            undo();
          }}
        >
          Undo
        </Button>
      </Group>
    ),
  }));

/** Says what was done. */
export const tellDone = (message: string) => void show(() => ({ message }));

/** Says why something that has no field of its own did not go through. */
export const tellTrouble = (error: unknown) =>
  void show(() => ({ color: 'red', message: <Line error={error} /> }));
