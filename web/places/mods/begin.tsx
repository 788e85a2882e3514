import { Button, FileButton, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { endpoints } from '../../../core/api/index.ts';
import { call } from '../../api/client.ts';
import { NewMod } from '../blocks/new-mod.tsx';
import styles from './mods.module.css';

/** The ways to begin a mod: from nothing, from a folder, from a packed one, from the demo. */
export function Begin({ hasDemo }: { hasDemo: boolean }) {
  const navigate = useNavigate();
  const [isNew, setNew] = useState(false);
  const [folder, setFolder] = useState('');
  const [problem, setProblem] = useState<string>();
  const begin = async (work: () => Promise<{ name: string }>) => {
    setProblem(undefined);
    try {
      const { name } = await work();
      void navigate(`/m/${name}/blocks`);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const bringZip = (file: File | null) =>
    file &&
    void begin(() =>
      call(endpoints.bringMod, {}, { file: { bytes: file, type: 'application/zip' } }),
    );
  return (
    <section aria-labelledby="begin-mod">
      <h2 id="begin-mod">Begin a mod</h2>
      <div className={styles['begin']}>
        <Button onClick={() => setNew(true)}>New mod…</Button>
        <form
          className={styles['from-folder']}
          onSubmit={(event) => {
            event.preventDefault();
            const body = { folder: folder.trim() };
            if (body.folder) void begin(() => call(endpoints.openFolder, {}, { body }));
          }}
        >
          <TextInput
            aria-label="Folder of a mod"
            placeholder="~/mods/saltmarsh"
            classNames={{ input: 'mono' }}
            w={260}
            maxLength={4096}
            value={folder}
            onChange={(event) => setFolder(event.currentTarget.value)}
          />
          <Button
            type="submit"
            variant="default"
            disabled={!folder.trim()}
            title={folder.trim() ? undefined : 'Name a folder first'}
          >
            Open this folder
          </Button>
        </form>
        <FileButton accept=".zip,application/zip" onChange={bringZip}>
          {(props) => (
            <Button {...props} variant="default">
              From a .zip…
            </Button>
          )}
        </FileButton>
        {!hasDemo && (
          <Button variant="default" onClick={() => void begin(() => call(endpoints.beginDemo, {}))}>
            The demo mod
          </Button>
        )}
      </div>
      <p className="note">
        A folder that is opened stays linked: what an editor or version control changes in it is in
        the page at once, and the other way round.
      </p>
      {problem !== undefined && (
        <p role="alert" className={styles['wrong']}>
          {problem}
        </p>
      )}
      <NewMod opened={isNew} onClose={() => setNew(false)} />
    </section>
  );
}
