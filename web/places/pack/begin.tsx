import { Button, FileButton, TextInput } from '@mantine/core';
import { useRef, useState } from 'react';
import { endings, endingsInWords } from '../../../core/kits/index.ts';
import { openPack } from '../../api/open-pack.ts';
import { readPackAt } from '../../api/pack-on-disk.ts';
import { fromFile, fromPicked } from './gather.ts';
import styles from './pack.module.css';

/** Where a pack is brought from: dropped, chosen, or named by its path on this machine. */
export function Begin({
  busy,
  problem,
}: {
  busy: string | undefined;
  problem: string | undefined;
}) {
  const folder = useRef<HTMLInputElement>(null);
  const [path, setPath] = useState(localStorage.getItem('obrank.pack') ?? '');
  const openPath = () => {
    localStorage.setItem('obrank.pack', path);
    openPack.open(() => readPackAt(path));
  };
  return (
    <div className={styles['begin']}>
      <h1>A pack from elsewhere</h1>
      <p>
        Drop it here: a folder, or a file that ends in {endingsInWords}. It is read as its author
        wrote it, every rule is asked, and what can be mended is mended in its own text. Nothing is
        written until you save.
      </p>
      <div className={styles['ways']}>
        <FileButton
          accept={`${endings.join(',')},.zip,application/zip`}
          onChange={(file) => file && openPack.open(async () => ({ source: await fromFile(file) }))}
        >
          {(props) => (
            <Button {...props} disabled={busy !== undefined}>
              Choose a file…
            </Button>
          )}
        </FileButton>
        <Button
          variant="default"
          disabled={busy !== undefined}
          onClick={() => folder.current?.click()}
        >
          Choose a folder…
        </Button>
        <input
          ref={folder}
          type="file"
          hidden
          aria-label="Folder of a pack"
          // @ts-expect-error React's types do not know the attribute; every browser does.
          webkitdirectory=""
          onChange={({ currentTarget: { files } }) => {
            const list = [...(files ?? [])];
            if (list.length) openPack.open(async () => ({ source: await fromPicked(list) }));
          }}
        />
      </div>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          openPath();
        }}
      >
        <TextInput
          label="Or where it lies on this machine"
          description="Opened so, it can be saved back to where it lies."
          placeholder="/home/ada/packs/saltmarsh"
          className={styles['path']}
          value={path}
          onChange={({ currentTarget }) => setPath(currentTarget.value)}
        />
        <Button type="submit" variant="default" disabled={!path.trim() || busy !== undefined}>
          Open
        </Button>
      </form>
      <p role="status" className={problem ? styles['problem'] : 'note'}>
        {problem ?? busy}
        {busy !== undefined && (
          <>
            {' '}
            <button type="button" className="link plain" onClick={() => openPack.close()}>
              Cancel
            </button>
          </>
        )}
      </p>
    </div>
  );
}
