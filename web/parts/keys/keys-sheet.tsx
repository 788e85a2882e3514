import { Modal } from '@mantine/core';
import { Cap } from './cap.tsx';
import { keyAreas, keys, type KeyArea, type KeyName } from './table.ts';
import styles from './keys-sheet.module.css';

const names = Object.keys(keys) as KeyName[];

/** All keys, on one sheet. */
export function KeysSheet({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return (
    <Modal opened={opened} onClose={onClose} title="Keys" size={1120}>
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
      <dl>
        {names
          .filter((name) => keys[name].area === area)
          .map((name) => (
            <div key={name}>
              <dt>
                <Cap of={name} />
              </dt>
              <dd>{keys[name].does}</dd>
            </div>
          ))}
      </dl>
    </section>
  );
}
