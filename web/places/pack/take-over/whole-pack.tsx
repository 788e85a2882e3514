import { Button, Checkbox, TextInput } from '@mantine/core';
import clsx from 'clsx';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { endpoints } from '../../../../core/api/index.ts';
import { namePattern } from '../../../../core/mod/names.ts';
import { count, listed } from '../../../../core/words/index.ts';
import { call } from '../../../api/client.ts';
import { openPack } from '../../../api/open-pack.ts';
import type { PackView, WholeMod } from '../../../workers/pack-protocol.ts';
import { BlockDrawing } from './block-drawing.tsx';
import { Forms } from './forms.tsx';
import type { WayProps } from './take-over.tsx';
import { useAsked } from './use-asked.ts';
import styles from './take-over.module.css';

/** So many blocks are drawn. */
const mostDrawn = 60;

/** A mod out of the whole pack: what it is called, what becomes of every file, and what is known. */
export function WholePack({ pack, parts, revision, ways }: WayProps & { pack: PackView }) {
  const [title, setTitle] = useState(parts.title);
  const [namespace, setNamespace] = useState(parts.namespace);
  const [isTidy, setTidy] = useState(true);
  const isName = namePattern.test(namespace);
  const how = { isTidy, ...(isName && namespace !== parts.namespace && { namespace }) };
  const { answer, problem, isOfNow } = useAsked(
    'wholeMod',
    { how },
    `${revision} ${JSON.stringify(how)}`,
  );
  return (
    <>
      <div className={styles['left']}>
        {ways}
        <TextInput
          label="Title"
          value={title}
          onChange={(event) => setTitle(event.currentTarget.value)}
        />
        <TextInput
          label="Namespace"
          classNames={{ input: 'mono' }}
          value={namespace}
          onChange={(event) => setNamespace(event.currentTarget.value)}
          error={
            isName
              ? undefined
              : 'Use lowercase letters, digits and underscores, beginning with a letter.'
          }
          description={
            namespace === parts.namespace
              ? 'Saved worlds know its blocks by this name.'
              : `Worlds that were saved with ${parts.namespace}: do not know its blocks any more.`
          }
        />
        <Checkbox
          label="Written as a person would"
          description="Rows as few as can be; traits, fronts and shapes that are usual left out. It means the same."
          checked={isTidy}
          onChange={(event) => setTidy(event.currentTarget.checked)}
        />
      </div>
      <div className={styles['middle']}>
        <ul className={styles['gallery']} aria-label="Blocks of the mod">
          {parts.blocks.slice(0, mostDrawn).map(({ name, title: called }) => (
            <li key={name} title={called}>
              <BlockDrawing block={name} />
            </li>
          ))}
          {parts.blocks.length > mostDrawn && (
            <li className="note">and {parts.blocks.length - mostDrawn} more</li>
          )}
        </ul>
        {answer && <Becomes whole={answer} pack={pack} />}
      </div>
      <Making
        {...{ how, title, problem, whole: answer }}
        isReady={isOfNow && isName && title.trim() !== ''}
      />
    </>
  );
}

/** What becomes of the files, and of what no file says. */
function Becomes({ whole, pack }: { whole: WholeMod; pack: PackView }) {
  const { forms, kept, otherwise } = whole;
  return (
    <>
      {forms.length > 0 && (
        <>
          <h2>How the files come out of a build</h2>
          <Forms forms={forms} />
        </>
      )}
      {otherwise.length > 0 && (
        <>
          <h2>Means something else</h2>
          <ul className={clsx('mono', styles['paths'])}>
            {otherwise.map((path) => (
              <li key={path}>{path}</li>
            ))}
          </ul>
        </>
      )}
      <h2>Kept byte for byte</h2>
      {kept.length ? (
        <>
          <p className="note">
            Obrank knows nothing of these. They stay in the mod, and a build carries them along.
          </p>
          <ul className={clsx('mono', styles['paths'])}>
            {kept.map((path) => (
              <li key={path}>{path}</li>
            ))}
          </ul>
        </>
      ) : (
        <p className="note">Nothing: {count(pack.files.length, 'file')}, and each is understood.</p>
      )}
    </>
  );
}

/** The button, and what one should know before it is pressed. */
function Making({
  how,
  title,
  whole,
  problem,
  isReady,
}: {
  how: { isTidy: boolean; namespace?: string };
  title: string;
  whole: WholeMod | undefined;
  problem: string | undefined;
  isReady: boolean;
}) {
  const navigate = useNavigate();
  const [made, setMade] = useState<{ busy?: boolean; problem?: string }>({});
  const make = async () => {
    setMade({ busy: true });
    try {
      const bytes = await openPack.ask('modFolder', { how, title: title.trim() });
      const file = { bytes, type: 'application/zip' };
      const { name } = await call(endpoints.bringMod, {}, { file });
      openPack.noteCopied();
      await mutate('mods');
      await navigate(`/m/${name}/blocks`);
    } catch (error) {
      setMade({ problem: (error as Error).message });
    }
  };
  const said = problem ?? made.problem;
  return (
    <aside className={styles['right']} aria-label="The mod">
      {whole && <Known whole={whole} />}
      <Button
        fullWidth
        disabled={!isReady || !whole || made.busy === true}
        loading={made.busy === true}
        onClick={() => void make()}
      >
        Make the mod
      </Button>
      <p role="status" className={said ? styles['problem'] : 'note'}>
        {said ?? (whole ? '' : 'Reading it…')}
      </p>
    </aside>
  );
}

function Known({ whole: { counts, otherwise, natural, forms } }: { whole: WholeMod }) {
  const things = [
    count(counts.blocks, 'block'),
    count(counts.items, 'item'),
    count(counts.models, 'model'),
    count(counts.textures, 'picture'),
    count(counts.sounds, 'sound'),
  ];
  const found = [...natural.blocks, ...natural.items];
  return (
    <>
      <h2>{things[0]}</h2>
      <p className="note">and {listed(things.slice(1))}.</p>
      {forms.length > 0 && (
        <p>
          <span className={clsx('tag', otherwise.length ? 'error' : 'good')}>
            {otherwise.length ? 'means otherwise' : 'means the same'}
          </span>
        </p>
      )}
      {forms.length > 0 && (
        <p className="note">
          {otherwise.length
            ? `A build of it was read back, and is otherwise at ${count(otherwise.length, 'place')}.`
            : 'A build of it was read back, and the game is told the same in every state.'}
        </p>
      )}
      {found.length > 0 && (
        <>
          <h2>Taken to be in the world</h2>
          <p className="note">
            A pack does not say what the world has by itself. Nothing in it makes or drops{' '}
            <span className="mono">{listed(found.slice(0, 8))}</span>
            {found.length > 8 && ` and ${found.length - 8} more`}, so the world must.
          </p>
        </>
      )}
    </>
  );
}
