import type { ReactNode } from 'react';
import styles from './field.module.css';

/** One line of an editor: what it is, its value, and below what follows from it. */
export function Field({
  label,
  value,
  children,
  note,
  changed,
  onReset,
}: {
  label: ReactNode;
  value?: ReactNode;
  children?: ReactNode;
  note?: ReactNode;
  changed?: string;
  onReset?: () => void;
}) {
  return (
    <div className={styles['field']}>
      <div className={styles['kv']}>
        <span>
          {label}
          {changed !== undefined && (
            <span className={styles['changed']}>
              {changed}
              {onReset && (
                <>
                  {changed && ' · '}
                  <button type="button" className="link plain" onClick={onReset}>
                    back to stock
                  </button>
                </>
              )}
            </span>
          )}
        </span>
        {value}
      </div>
      {children}
      {note !== undefined && <p className="note">{note}</p>}
    </div>
  );
}
