import { Modal, Table } from '@mantine/core';
import { keys } from './keys';

/** What each key does. */
export default function KeysDialog({ onClose }: { onClose: () => void }) {
  return (
    <Modal opened onClose={onClose} title="Keys">
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
      <p className="quiet">Single keys can be switched off: Settings, This screen.</p>
    </Modal>
  );
}
