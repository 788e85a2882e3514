import { Button, Modal } from '@mantine/core';
import type { TextPlan } from '../../../core/texts/index.ts';
import { count } from '../../../core/words/index.ts';

/** So many changes and problems are listed. */
const most = 200;

/**
 * What a PO or JSON file would change, text by text, and what of it cannot be taken, before
 * anything is done.
 */
export function TextsDialog({
  name,
  plan: { language, changed, problems },
  onApply,
  onClose,
}: {
  name: string;
  plan: TextPlan;
  onApply: () => void;
  onClose: () => void;
}) {
  return (
    <Modal opened onClose={onClose} title={`Take in ${name}`} size="lg">
      {problems.length > 0 && (
        <div role="alert">
          <p className="bad">{count(problems.length, 'remark')}</p>
          <ul className="csv-list">
            {problems.slice(0, most).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </div>
      )}
      <p className="note">
        {changed.length
          ? `${count(changed.length, 'text')} in ${language} would change; everything else stays ` +
            'as it is.'
          : 'Nothing in it would change the mod.'}
      </p>
      <ul className="csv-list">
        {changed.slice(0, most).map(({ key, before, after }) => (
          <li key={key}>
            <b className="mono">{key}</b>: {before !== undefined && <s>{before}</s>} {after}
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
            Change {count(changed.length, 'text')}
          </Button>
        )}
      </div>
    </Modal>
  );
}
