import type { ClashedUnit } from '../../../../core/api/index.ts';
import { pointerSteps } from '../../../../core/json/index.ts';
import styles from './folder.module.css';

interface ClashesProps {
  clashes: readonly ClashedUnit[];
  isBusy: boolean;
  onChoose: (units: string[], keep: 'page' | 'folder') => Promise<void>;
}

/** Values that both sides changed: both are shown, one is chosen. */
export function Clashes({ clashes, isBusy, onChoose }: ClashesProps) {
  return clashes.map(({ unit, file, values }) => (
    <div key={unit} className={styles['clash']}>
      <p>
        <span className="mono">{file}</span> was changed on both sides. The one that is not chosen
        stays in the history.
      </p>
      <table>
        <thead>
          <tr>
            <th scope="col">Value</th>
            <th scope="col">In the page</th>
            <th scope="col">In the folder</th>
          </tr>
        </thead>
        <tbody>
          {values.map(({ path, page, folder }) => (
            <tr key={path}>
              <th scope="row">{path ? pointerSteps(path).join(' › ') : 'all of it'}</th>
              <td className="mono">{valueInWords(page)}</td>
              <td className="mono">{valueInWords(folder)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={styles['acts']}>
        <button
          type="button"
          className="chip"
          disabled={isBusy}
          onClick={() => void onChoose([unit], 'page')}
        >
          Keep the page’s
        </button>
        <button
          type="button"
          className="chip"
          disabled={isBusy}
          onClick={() => void onChoose([unit], 'folder')}
        >
          Take the folder’s
        </button>
      </p>
    </div>
  ));
}

/** So much of a value is shown. */
const shownAtMost = 120;

function valueInWords(value: unknown): string {
  if (value === undefined) return 'not there';
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > shownAtMost ? `${text.slice(0, shownAtMost)}…` : text;
}
