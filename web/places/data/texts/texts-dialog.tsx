import type { TextPlan } from '../../../../core/texts/index.ts';
import { count } from '../../../../core/words/index.ts';
import type { ImportedFile } from '../import-button.tsx';
import { ImportDialog } from '../import-dialog.tsx';

/**
 * What a PO or JSON file would change, text by text, and what of it cannot be taken, before
 * anything is done.
 */
export function TextsDialog({
  name,
  plan: { language, changed, problems },
  onApply,
  onClose,
}: ImportedFile<TextPlan>) {
  const texts = count(changed.length, 'text');
  return (
    <ImportDialog
      name={name}
      trouble={problems.length ? count(problems.length, 'remark') : undefined}
      problems={problems.map((problem) => ({ key: problem, text: problem }))}
      summary={
        changed.length
          ? `${texts} in ${language} would change; everything else stays as it is.`
          : 'Nothing in it would change the mod.'
      }
      changes={changed.map(({ key, before, after }) => ({
        key,
        text: (
          <>
            <b className="mono">{key}</b>: {before !== undefined && <s>{before}</s>} {after}
          </>
        ),
      }))}
      act={`Change ${texts}`}
      onApply={onApply}
      onClose={onClose}
    />
  );
}
