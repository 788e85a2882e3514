import './field.css';
import type { ReactNode } from 'react';

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
    <div className="field">
      <div className="kv">
        <span>
          {label}
          {changed !== undefined && (
            <span className="changed">
              {changed}
              {onReset && (
                <>
                  {changed && ' · '}
                  <button
                    type="button"
                    className="link"
                    style={{ fontWeight: 400 }}
                    onClick={onReset}
                  >
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
