import { Button, Group } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { Line } from './words/useSay';

/** Says what was done, with a way back for a while. */
export function offerUndo(id: string, message: string, undo: () => void) {
  notifications.show({
    id,
    autoClose: 15_000,
    message: (
      <Group justify="space-between">
        {message}
        <Button
          variant="default"
          onClick={() => {
            notifications.hide(id);
            undo();
          }}
        >
          Undo
        </Button>
      </Group>
    ),
  });
}

/** Says why something that has no field of its own did not go through. */
export const tellTrouble = (error: unknown) =>
  notifications.show({
    color: 'red',
    message: <Line error={error} />,
  });
