import clsx from 'clsx';
import type { FileForm, FormDifference } from '../../../../core/take-over/index.ts';
import { count } from '../../../../core/words/index.ts';
import styles from './take-over.module.css';

const words: Record<FileForm, { title: string; says: string }> = {
  same: { title: 'the same', says: 'Byte for byte as they were written.' },
  layout: { title: 'laid out anew', says: 'The same data: spaces, or the order of keys, change.' },
  words: {
    title: 'said otherwise',
    says: 'The same meaning: rows are fewer, or what is usual is said outright.',
  },
  new: { title: 'new', says: 'Files that a build has and this pack does not.' },
};

/** How the files come out of a build: as a bar of how many, and by name where it is otherwise. */
export function Forms({ forms }: { forms: readonly FormDifference[] }) {
  const groups = (Object.keys(words) as FileForm[])
    .map((form) => ({ form, files: forms.filter((one) => one.form === form) }))
    .filter(({ files }) => files.length);
  return (
    <>
      <div
        className={styles['bar']}
        role="img"
        aria-label={groups
          .map(({ form, files }) => `${files.length} ${words[form].title}`)
          .join(', ')}
      >
        {groups.map(({ form, files }) => (
          <span key={form} className={styles[form]} style={{ flexGrow: files.length }} />
        ))}
      </div>
      {groups.map(({ form, files }) => (
        <details key={form} className={styles['form']} open={form !== 'same' && files.length < 12}>
          <summary>
            <span className={clsx(styles['dot'], styles[form])} />
            <b>{count(files.length, 'file')}</b> {words[form].title}
            <span className="note">{words[form].says}</span>
          </summary>
          <ul className={clsx('mono', styles['paths'])}>
            {files.map(({ file }) => (
              <li key={file}>{file}</li>
            ))}
          </ul>
        </details>
      ))}
    </>
  );
}
