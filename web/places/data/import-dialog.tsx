import { Button, Modal } from '@mantine/core';
import type { ReactNode } from 'react';
import styles from './import-dialog.module.css';

/** So many changes and problems are listed. */
const mostListed = 200;

/** A change or a problem as a line of the list. */
export interface ImportLine {
  key: string;
  text: ReactNode;
}

interface ImportDialogProps {
  /** The name of the file. */
  name: string;
  /** What is wrong with it in all, in a sentence; undefined when nothing is. */
  trouble: string | undefined;
  problems: readonly ImportLine[];
  /** What would change in all, in a sentence. */
  summary: string;
  changes: readonly ImportLine[];
  /** What the button does: `Change 3 cells`. */
  act: string;
  onApply: () => void;
  onClose: () => void;
}

/** What a file would change, line by line, and what is wrong with it, before anything is done. */
export function ImportDialog(props: ImportDialogProps) {
  const { name, trouble, problems, summary, changes, act, onApply, onClose } = props;
  return (
    <Modal opened onClose={onClose} title={`Take in ${name}`} size="lg">
      {trouble !== undefined && (
        <div role="alert">
          <p className="bad">{trouble}</p>
          <Lines lines={problems} />
        </div>
      )}
      <p className="note">{summary}</p>
      <Lines lines={changes} />
      <div className={styles['csv-acts']}>
        <Button variant="default" onClick={onClose}>
          {changes.length ? 'Leave it' : 'Close'}
        </Button>
        {changes.length > 0 && (
          <Button onClick={onApply} data-autofocus>
            {act}
          </Button>
        )}
      </div>
    </Modal>
  );
}

const Lines = ({ lines }: { lines: readonly ImportLine[] }) => (
  <ul className={styles['csv-list']}>
    {lines.slice(0, mostListed).map(({ key, text }) => (
      <li key={key}>{text}</li>
    ))}
    {lines.length > mostListed && <li className="soft">and {lines.length - mostListed} more</li>}
  </ul>
);
