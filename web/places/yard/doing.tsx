import { useLocalStorage } from '@mantine/hooks';
import { Cap } from '../../parts/keys/cap.tsx';
import type { KeyName } from '../../parts/keys/table.ts';
import styles from './yard.module.css';

/** What one does most here: by which keys, and what the pointer does in their place. */
const deeds: readonly { does: string; by: readonly KeyName[]; pointer?: string }[] = [
  { does: 'Walk', by: ['walkForward', 'walkLeft', 'walkBack', 'walkRight'] },
  { does: 'Look', by: ['lookAround'], pointer: 'drag, or click and move' },
  { does: 'Leap, crouch', by: ['rise', 'crouch'] },
  { does: 'Dig', by: ['digIt'], pointer: 'clicked in, the left button' },
  { does: 'Use, or place', by: ['actOnIt'], pointer: 'clicked in, the right one' },
  { does: 'Set off the charge', by: ['blastIt'] },
  { does: 'Set fire to it', by: ['kindleIt'] },
  { does: 'Mark a region', by: ['markCorner'] },
];

/** How one does what at the foot of the panel, until one knows it and folds it away. */
export function Doing() {
  const [isOpen, setOpen] = useLocalStorage({
    key: 'obrank.yard-doing',
    defaultValue: true,
    getInitialValueInEffect: false,
  });
  return (
    <details
      className={styles['doing']}
      open={isOpen}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary>What one does here</summary>
      <dl>
        {deeds.map(({ does, by, pointer }) => (
          <div key={does}>
            <dt>{does}</dt>
            <dd>
              {by.map((name) => (
                <span key={name}>
                  <Cap of={name} />{' '}
                </span>
              ))}
            </dd>
            {pointer !== undefined && <dd className="note">{pointer}</dd>}
          </div>
        ))}
      </dl>
      <p className="note">
        <Cap of="keys" /> lists every key
      </p>
    </details>
  );
}
