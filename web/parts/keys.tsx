import { Modal, Table } from '@mantine/core';

const keys: [string, string][] = [
  ['Ctrl K', 'Go to a place or a block, or do something'],
  ['Ctrl Z · Ctrl Shift Z', 'Undo · redo, over the whole mod'],
  ['[ · ]', 'Previous · next facet of the block'],
  ['1 … 9', 'Go straight to a facet'],
  ['F', 'Files of the block, with the lines that will change'],
  ['M', 'The state matrix of the look, the truth table of drops, or the stage'],
  ['R · C · S', 'In the matrix: row, column, spread along the heading'],
  ['I · K · N', 'In the loot: drop itself; an item, itself when careful; nothing, on purpose'],
  [', · .', 'Previous · next state'],
  ['↑ · ↓', 'Previous · next block on the shelf'],
  ['/', 'Filter the shelf'],
  ['?', 'This sheet'],
];

/** All keys, on one sheet. */
export function KeysSheet({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return (
    <Modal opened={opened} onClose={onClose} title="Keys" size="md">
      <Table>
        <Table.Tbody>
          {keys.map(([key, what]) => (
            <Table.Tr key={key}>
              <Table.Td w={150}>
                {key.split(' · ').map((one, i) => (
                  <span key={one}>
                    {i > 0 && ' · '}
                    <kbd>{one}</kbd>
                  </span>
                ))}
              </Table.Td>
              <Table.Td>{what}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Modal>
  );
}
