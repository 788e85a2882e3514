import { cellInWords, columns, type CsvPlan } from '../../../core/table/index.ts';
import { count } from '../../../core/words/index.ts';
import { useModPart } from '../../api/hooks.tsx';
import type { ImportedFile } from './import-button.tsx';
import { ImportDialog } from './import-dialog.tsx';

const wordsOf = (trait: string): string =>
  columns.find((column) => column.trait === trait)?.words ?? trait;

/**
 * What a CSV file would change, cell by cell, and the lines with something wrong, before anything
 * is done.
 */
export function CsvDialog({
  name,
  plan: { changed, problems },
  onApply,
  onClose,
}: ImportedFile<CsvPlan>) {
  const header = useModPart((mod) => mod.header);
  const cells = count(changed.length, 'cell');
  const blocks = count(new Set(changed.map(({ block }) => block)).size, 'block');
  const nothing = problems.length
    ? 'Nothing else in it differs from the mod.'
    : 'Nothing in it differs from the mod.';
  const trouble =
    `${count(problems.length, 'line')} with something wrong; ` +
    `${problems.length === 1 ? 'it changes' : 'they change'} nothing.`;
  return (
    <ImportDialog
      name={name}
      trouble={problems.length ? trouble : undefined}
      problems={problems.map(({ line, message }) => ({
        key: `${line} ${message}`,
        text: (
          <>
            <b className="mono">line {line}</b> {message}
          </>
        ),
      }))}
      summary={
        changed.length
          ? `${cells} of ${blocks} would change; everything else stays as it is.`
          : nothing
      }
      changes={changed.map(({ block, trait, before, after }) => ({
        key: `${block} ${trait}`,
        text: (
          <>
            <b>{block}</b> {wordsOf(trait)}: <s>{cellInWords(trait, before, header)}</s>{' '}
            {cellInWords(trait, after, header)}
          </>
        ),
      }))}
      act={`Change ${cells}`}
      onApply={onApply}
      onClose={onClose}
    />
  );
}
