import { Button, Modal } from '@mantine/core';
import { cellText, columns, type CsvPlan } from '../../../core/table/index.ts';
import { count } from '../../../core/words/index.ts';

/** So many changes and problems are listed. */
const most = 200;

/**
 * What a CSV file would change, cell by cell, and the lines with something wrong, before anything
 * is done.
 */
export function CsvDialog({
  name,
  plan: { changed, problems },
  onApply,
  onClose,
}: {
  name: string;
  plan: CsvPlan;
  onApply: () => void;
  onClose: () => void;
}) {
  const blocks = new Set(changed.map((one) => one.block)).size;
  return (
    <Modal opened onClose={onClose} title={`Take in ${name}`} size="lg">
      {problems.length > 0 && (
        <div role="alert">
          <p className="bad">
            {count(problems.length, 'line')} with something wrong;{' '}
            {problems.length === 1 ? 'it changes' : 'they change'} nothing.
          </p>
          <ul className="csv-list">
            {problems.slice(0, most).map(({ line, message }) => (
              <li key={`${line} ${message}`}>
                <b className="mono">line {line}</b> {message}
              </li>
            ))}
          </ul>
        </div>
      )}
      <p className="note">
        {changed.length
          ? `${count(changed.length, 'cell')} of ${count(blocks, 'block')} would change; ` +
            'everything else stays as it is.'
          : problems.length
            ? 'Nothing else in it differs from the mod.'
            : 'Nothing in it differs from the mod.'}
      </p>
      <ul className="csv-list">
        {changed.slice(0, most).map(({ block, trait, before, after }) => (
          <li key={`${block} ${trait}`}>
            <b>{block}</b> {columns.find((one) => one.trait === trait)!.words}:{' '}
            <s>{cellText(before)}</s> {cellText(after)}
          </li>
        ))}
        {changed.length > most && <li className="soft">and {changed.length - most} more</li>}
      </ul>
      <div className="csv-acts">
        <Button variant="default" onClick={onClose}>
          {changed.length ? 'Leave it' : 'Close'}
        </Button>
        {changed.length > 0 && (
          <Button onClick={onApply} data-autofocus>
            Change {count(changed.length, 'cell')}
          </Button>
        )}
      </div>
    </Modal>
  );
}
