import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { FolderAnswer } from '../../../../core/api/index.ts';
import { useFolder, type FolderActs } from '../../../api/folder.ts';
import { OpenIn } from '../../../parts/open-in.tsx';
import { momentInWords } from '../when.ts';
import { Clashes } from './clashes.tsx';
import styles from './folder.module.css';

/** The folder that the mod lives in: where, the last exchange each way, and what needs somebody. */
export function FolderSection() {
  const acts = useFolder();
  const { folder, problem } = acts;
  return (
    <section id="folder" aria-labelledby="home-folder">
      <h2 id="home-folder">Folder</h2>
      {!folder?.folder ? <NoFolder acts={acts} /> : <Linked folder={folder} acts={acts} />}
      {problem !== undefined && (
        <p role="alert" className={styles['wrong']}>
          {problem}
        </p>
      )}
      <Differing acts={acts} />
    </section>
  );
}

function NoFolder({ acts: { link, isBusy } }: { acts: FolderActs }) {
  const [typed, setTyped] = useState('');
  return (
    <>
      <p className="note">
        The mod stands in this program’s own database alone. In a folder it is text and PNG as well:
        version control, a text editor and a paint program work on it beside the page, and each
        change is the smallest possible one.
      </p>
      <form
        className={styles['link']}
        onSubmit={(event) => {
          event.preventDefault();
          if (typed.trim()) void link(typed.trim());
        }}
      >
        <TextInput
          aria-label="Folder"
          placeholder="~/mods/saltmarsh"
          value={typed}
          maxLength={4096}
          classNames={{ root: styles['path'], input: 'mono' }}
          onChange={(event) => setTyped(event.currentTarget.value)}
        />
        <Button
          type="submit"
          loading={isBusy}
          disabled={!typed.trim()}
          title={typed.trim() ? undefined : 'Name a folder first'}
        >
          Live in this folder
        </Button>
      </form>
    </>
  );
}

/** Where both sides hold something else, somebody says which of the two counts. */
function Differing({ acts: { differing, link, isBusy } }: { acts: FolderActs }) {
  if (differing === undefined) return null;
  return (
    <p className={styles['acts']}>
      <Button variant="default" disabled={isBusy} onClick={() => void link(differing, 'folder')}>
        Take what the folder has
      </Button>
      <Button variant="default" disabled={isBusy} onClick={() => void link(differing, 'page')}>
        Keep what the page has
      </Button>
    </p>
  );
}

function Linked({ folder, acts }: { folder: FolderAnswer; acts: FolderActs }) {
  const { problem, unread, clashes, taken, given, folder: place } = folder;
  const isAlike = problem === undefined && unread.length === 0 && clashes.length === 0;
  return (
    <>
      <p className={styles['where']}>
        <span className="mono">{place}</span>
        {place !== null && <OpenIn folder={place}>Open the folder</OpenIn>}
        <button
          type="button"
          className="link"
          disabled={acts.isBusy}
          title="Both sides stay as they are; what changes from then on is not carried over"
          onClick={() => void acts.unlink()}
        >
          Unlink
        </button>
      </p>
      {isAlike && <p className={styles['alike']}>Both sides are alike.</p>}
      {problem !== undefined && (
        <p role="alert" className={styles['wrong']}>
          {problem} Everything is kept here; it is tried again every two seconds.
        </p>
      )}
      <dl className={styles['exchanges']}>
        <Exchange from="From the folder" exchanged={taken} none="nothing yet" />
        <Exchange from="To the folder" exchanged={given} none="nothing yet" />
      </dl>
      <Unread folder={place} unread={unread} />
      <Clashes clashes={clashes} isBusy={acts.isBusy} onChoose={acts.choose} />
    </>
  );
}

function Exchange({
  from,
  exchanged,
  none,
}: {
  from: string;
  exchanged: FolderAnswer['taken'];
  none: string;
}) {
  return (
    <div>
      <dt>{from}</dt>
      <dd>{exchanged ? exchanged.label.replace('From the folder: ', '') : none}</dd>
      <dd className="soft">{exchanged && momentInWords(exchanged.time, new Date())}</dd>
    </div>
  );
}

/** What stands in the folder and cannot be read, with the place in each file. */
function Unread({ folder, unread }: Pick<FolderAnswer, 'folder' | 'unread'>) {
  if (unread.length === 0) return null;
  return (
    <ul className={styles['unread']}>
      {unread.map(({ file, line, column, message }) => (
        <li key={`${file} ${line} ${column} ${message}`}>
          <span className="tag error">unread</span>
          <span className="mono">
            {file}:{line}:{column}
          </span>
          {folder !== null && (
            <OpenIn folder={folder} file={file} line={line}>
              Open it there
            </OpenIn>
          )}
          <span>
            {message} Until then the page keeps what was read last, and leaves the file alone.
          </span>
        </li>
      ))}
    </ul>
  );
}
