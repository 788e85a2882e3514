import { Modal, Table } from '@mantine/core';
import { Cap } from './cap.tsx';
import { keyAreas, keys, type KeyArea, type KeyName } from './table.ts';
import styles from './keys-sheet.module.css';

const names = Object.keys(keys) as KeyName[];

/** All keys, on one sheet. */
export function KeysSheet({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return (
    <Modal opened={opened} onClose={onClose} title="Keys" size={860}>
      <div className={styles['areas']}>
        {keyAreas.map((area) => (
          <Area key={area} area={area} />
        ))}
      </div>
    </Modal>
  );
}

function Area({ area }: { area: KeyArea }) {
  return (
    <section aria-label={area}>
      <h3 className="part first">{area}</h3>
      <Table>
        <Table.Tbody>
          {names
            .filter((name) => keys[name].area === area)
            .map((name) => (
              <Table.Tr key={name}>
                <Table.Td w={128}>
                  <Cap of={name} />
                </Table.Td>
                <Table.Td>{keys[name].does}</Table.Td>
              </Table.Tr>
            ))}
        </Table.Tbody>
      </Table>
    </section>
  );
}
